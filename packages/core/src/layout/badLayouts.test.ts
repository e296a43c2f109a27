import { describe, expect, it } from '@jest/globals';
import { findingsOf, remediesOf } from '../checks/findingsOf.ts';
import { saltmarsh } from '../demo/saltmarsh.ts';
import { documentKinds } from '../formats/documentKinds.ts';
import { graphOf } from '../graph/graphOf.ts';
import { airframeKinds } from '../model/airframes.ts';
import type { Design } from '../model/design.ts';
import type { FrameNumber, FramePlan } from '../model/frame.ts';
import { asId, type AircraftId } from '../model/ids.ts';
import { countingIds } from '../test/designs.ts';
import { balanceOf, balancingSwaps, solvePack } from './balance.ts';
import { outlineOf } from './outline.ts';
import { legWays } from './ways.ts';

const whole = saltmarsh(asId<AircraftId>('saltmarsh'), countingIds());

function withFrame(change: (frame: FramePlan) => FramePlan): Design {
  const { frame } = whole.aircraft.airframe;
  if (frame === undefined) throw new Error('Saltmarsh is laid out.');
  return { ...whole, aircraft: { ...whole.aircraft, airframe: { ...whole.aircraft.airframe, frame: change(frame) } } };
}

function numbers(changed: Partial<Record<FrameNumber, number>>): Design {
  return withFrame((frame) => ({ ...frame, numbers: { ...frame.numbers, ...changed } }));
}

function placedAt(at: readonly [number, number, number], refs: readonly string[]): Design {
  const items = Object.fromEntries(
    Object.entries(whole.aircraft.items).map(([id, item]) => [
      id,
      refs.includes(item.ref) && item.place !== undefined ? { ...item, place: { ...item.place, at } } : item,
    ]),
  );
  return { ...whole, aircraft: { ...whole.aircraft, items } };
}

/** Everything that this stage computes, as text: nothing of it may be NaN or infinite. */
function everything(design: Design): string {
  const graph = graphOf(design);
  const { kind, frame } = design.aircraft.airframe;
  const sheets = documentKinds.filter(({ id }) => id === 'placement' || id === 'balance').map((of) => of.build(graph, 'aircraft'));
  const findings = findingsOf(design)
    .filter(({ stage }) => stage === 'layout')
    .map((finding) => ({ what: finding.what, evidence: finding.evidence, remedies: remediesOf(design, finding) }));
  const all = {
    findings,
    sheets,
    outline: frame === undefined ? undefined : outlineOf(kind, frame),
    ways: [...legWays(graph).values()].map(({ way, lengthMm }) => ({ way, lengthMm })),
    balance: balanceOf(graph)?.at,
    pack: solvePack(graph)?.stationMm,
    swaps: balancingSwaps(graph).map(({ balanceMm }) => balanceMm),
  };
  return JSON.stringify(all, (_, value: unknown) => (typeof value === 'number' && !Number.isFinite(value) ? 'no number' : value));
}

describe('layouts that make no sense', () => {
  const bad: readonly (readonly [string, () => Design])[] = [
    ['no numbers at all', () => withFrame((frame) => ({ ...frame, numbers: {} }))],
    ['nothing but numbers', () => withFrame(({ numbers: all }) => ({ numbers: all, bays: {}, points: {}, routes: {} }))],
    ['a wing of next to no chord', () => numbers({ rootChordMm: 1, tipChordMm: 1 })],
    ['a wing longer at the tip than at the root', () => numbers({ rootChordMm: 10, tipChordMm: 900 })],
    ['a wing behind the tail', () => numbers({ wingStationMm: 5000 })],
    ['the band reversed', () => numbers({ foreLimitMm: 600, aftLimitMm: 400 })],
    ['a target outside of everything', () => numbers({ targetMm: -20_000 })],
    ['a body as small as a coin', () => numbers({ bodyLengthMm: 1, bodyWidthMm: 1, bodyHeightMm: 1 })],
    ['routes in pieces', () => withFrame((frame) => ({ ...frame, routes: {} }))],
    [
      'all points in one spot',
      () =>
        withFrame((frame) => ({
          ...frame,
          points: Object.fromEntries(Object.entries(frame.points).map(([id, of]) => [id, { ...of, at: [0, 0, 0] as const }])),
        })),
    ],
    [
      'all parts in one spot',
      () =>
        placedAt(
          [500, 0, 0],
          Object.values(whole.aircraft.items).map(({ ref }) => ref),
        ),
    ],
    ['a part far out', () => placedAt([20_000, -20_000, 20_000], ['GNSS1'])],
  ];

  it.each(bad)('%s: figures and sentences, never NaN', (_, design) => {
    const text = everything(design());
    expect(text).not.toMatch(/no number|NaN|Infinity|undefined/);
  });

  it.each(airframeKinds)('the frame of Saltmarsh under the kind %s is drawn and checked all the same', (kind) => {
    const design = { ...whole, aircraft: { ...whole.aircraft, airframe: { ...whole.aircraft.airframe, kind } } };
    expect(everything(design)).not.toMatch(/no number|NaN|Infinity|undefined/);
  });

  it('says of a part that is larger than its bay that it stands out, and offers no place that there is not', () => {
    const tight = withFrame((frame) => ({
      ...frame,
      bays: Object.fromEntries(Object.entries(frame.bays).map(([id, of]) => [id, { ...of, sizeMm: [20, 20, 20] as const }])),
    }));
    const out = findingsOf(tight).filter(({ check, what }) => check === 'place.bay-overflow' && what.includes('sticks out'));
    expect(out.length).toBeGreaterThan(10);
    const pack = out.find(({ what }) => what.startsWith('BAT1'));
    expect(pack === undefined ? undefined : remediesOf(tight, pack)).toEqual([]);
  });

  it('names two parts that are in one spot, and a part that lies beside the airframe', () => {
    const same = findingsOf(placedAt([480, 0, 0], ['FC1', 'CC1'])).map(({ what }) => what);
    expect(same).toContain('CC1 and FC1 overlap.');
    const far = findingsOf(placedAt([560, 3000, 55], ['SRV2'])).find(({ check }) => check === 'place.outside');
    expect(far?.what).toMatch(/^SRV2 is \d+\smm outside the airframe\.$/);
  });
});
