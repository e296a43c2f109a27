import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { demoAircraft } from '../demo/demoAircraft.ts';
import { applyEdit } from '../edits/applyEdit.ts';
import { withFreshIds } from '../edits/freshIds.ts';
import type { Graph } from '../graph/graph.ts';
import { graphOf } from '../graph/graphOf.ts';
import { chainsOf } from '../links/chains/chainsOf.ts';
import { hopsOf } from '../links/chains/hopsOf.ts';
import type { Design } from '../model/design.ts';
import { UNBUILT } from '../model/builtAlike.ts';
import { asId, type AircraftId } from '../model/ids.ts';
import { consumersOf } from '../outputs/plan/consumers.ts';
import { cruiseOf } from '../power/mission/flyMission.ts';
import { powerReport } from '../power/report/powerReport.ts';
import { rcFeedsOf } from '../rc/rcFeeds.ts';
import { CASES } from '../test/checkCases/cases.ts';
import { countingIds, demoDesign } from '../test/designs.ts';
import type { Draw } from '../test/randomEdits/draw.ts';
import { name, waiver } from '../test/randomEdits/aircraft.ts';
import { length } from '../test/randomEdits/cables.ts';
import { outputPlan } from '../test/randomEdits/outputs.ts';
import { rcChannel, rcModes, rcWords } from '../test/randomEdits/rc.ts';
import type { Remedy } from './finding.ts';
import { askChecks, type Said } from './findingsOf.ts';
import { checks } from './registry.ts';

const demos = demoAircraft.map(({ id, build }) => build(asId<AircraftId>(id), countingIds(id)));
const freshId = countingIds('fresh');
const ask = (design: Design, before?: Said): Said => askChecks(checks, { graph: graphOf(design) }, before);
const remedies = ({ findings, drafts }: Said): readonly (readonly Remedy[])[] => findings.map(({ key }) => drafts.get(key)?.() ?? []);

/** Edits of which most leave the checks little to do. */
const makers = [rcChannel, rcModes, rcWords, outputPlan, waiver, name, length];
const draws: fc.Arbitrary<readonly Draw[]> = fc.array(
  fc.record({ kind: fc.nat(99), x: fc.nat(9999), y: fc.nat(9999), z: fc.nat(9999), isStale: fc.constant(false) }),
  { minLength: 3, maxLength: 8 },
);

it.each(checks.filter(({ reads }) => reads === undefined).map((check) => [check.id, check] as const))(
  '%s looks at nothing that it does not name',
  (_, check) => {
    for (const design of [...demos, CASES[check.id]?.wrong() ?? demos[0]].filter((one) => one !== undefined))
      expect(unbuiltLooksOf(design, (graph) => check.run({ graph }))).toEqual([]);
  },
);

/** The unbuilt members of an aircraft that something looks at when it is computed anew. */
function unbuiltLooksOf(design: Design, run: (graph: Graph) => unknown): readonly string[] {
  const touched: string[] = [];
  const aircraft = new Proxy(design.aircraft, {
    get: (target, member): unknown => {
      if (UNBUILT.some((unbuilt) => unbuilt === member)) touched.push(String(member));
      return Reflect.get(target, member);
    },
  });
  const graph = graphOf({ ...design, aircraft });
  const before = touched.length;
  run(graph);
  return touched.slice(before);
}

describe('what is computed once for all versions that are built alike', () => {
  it.each([
    ['hops', hopsOf],
    ['chains', chainsOf],
    ['RC feeds', rcFeedsOf],
    ['cruise', cruiseOf],
    ['power report', powerReport],
    ['consumers', consumersOf],
  ])('%s: looks at no member that is unbuilt', (_, derive) => {
    for (const design of demos) expect(unbuiltLooksOf(design, derive)).toEqual([]);
    // The proxy sees what is looked at.
    expect(unbuiltLooksOf(demoDesign(), ({ design }) => design.aircraft.banks)).toEqual(['banks']);
  });
});

describe('what was said of the version before', () => {
  it('is kept where nothing that a check reads has changed, and says the same as asking anew', () => {
    let kept = 0;
    fc.assert(
      fc.property(fc.constantFrom(...demos.keys()), draws, (at, drawn) => {
        let design = demos[at] ?? demoDesign();
        let said = ask(design);
        for (const draw of drawn) {
          const edit = makers[draw.kind % makers.length]?.(design, draw);
          const result = edit === undefined ? undefined : applyEdit(design, withFreshIds(edit, freshId));
          if (result === undefined || 'refused' in result) continue;
          design = result.design;
          const after = ask(design, said);
          // Other items, for all that anything knows: nothing is kept for them.
          const anew = ask({ ...design, aircraft: { ...design.aircraft, items: { ...design.aircraft.items } } });
          expect(after.findings).toEqual(anew.findings);
          expect(remedies(after)).toEqual(remedies(anew));
          for (const [check, answer] of after.byCheck) if (said.byCheck.get(check) === answer) kept++;
          said = after;
        }
      }),
      { seed: 7, numRuns: 12 },
    );
    expect(kept).toBeGreaterThan(1000);
  });
});
