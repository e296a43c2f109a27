import { describe, expect, it } from '@jest/globals';
import { graphOf } from '../graph/graphOf.ts';
import { portAt } from '../graph/cableJoins.ts';
import type { Design } from '../model/design.ts';
import { asId, type WaiverId } from '../model/ids.ts';
import { cableOf, demoDesign, emptyBench, findingsBy, itemOf, made } from '../test/designs.ts';
import { CASES } from '../test/checkCases/cases.ts';
import { bench, FC, joined, powered, removed } from '../test/checkCases/build.ts';
import { SEVERITIES, type Check, type Finding } from './finding.ts';
import { countBySeverity, findingsApart, findingsOf, judge, remediesOf } from './findingsOf.ts';
import { straightCableHarm } from './wiring/fitsButWrong.ts';
import { briefChecks } from './brief/index.ts';
import { layoutChecks } from './layout/index.ts';
import { firmwareChecks } from './firmware/index.ts';
import { linkChecks } from './links/index.ts';
import { rcChecks } from './rc/index.ts';
import { outputChecks } from './outputs/index.ts';
import { powerChecks } from './power/index.ts';
import { checks } from './registry.ts';
import { wiringChecks } from './wiring/index.ts';

it('stand in the folder of their stage, each once', () => {
  const byStage = {
    brief: briefChecks,
    layout: layoutChecks,
    // What a dialect refuses is known from the configuration only, and shown where the links are decided.
    links: [...linkChecks, ...rcChecks, ...firmwareChecks.filter(({ id }) => !id.startsWith('firmware.'))],
    firmware: firmwareChecks.filter(({ id }) => id.startsWith('firmware.')),
    outputs: outputChecks,
    power: powerChecks,
    wiring: wiringChecks,
  };
  for (const [stage, own] of Object.entries(byStage)) expect(own.filter((check) => check.stage !== stage)).toEqual([]);
  expect(checks.map(({ id }) => id)).toEqual([...new Set(checks.map(({ id }) => id))]);
  const ids = (some: readonly Check[]): readonly string[] => some.map(({ id }) => id).sort();
  expect(ids(checks)).toEqual(ids(Object.values(byStage).flat()));
});

describe.each(checks.map((check) => [check.id, check] as const))('%s', (id) => {
  const found = CASES[id];

  it('has a case here', () => {
    expect(found).toBeDefined();
  });

  it('speaks of the mistake, with what a person needs', () => {
    const findings = findingsBy(found?.wrong() ?? demoDesign(), id);
    expect(findings.length).toBeGreaterThan(0);
    for (const finding of findings) {
      // An item, or a channel of the plan.
      expect(finding.what).toMatch(/[A-Z]+\d+|[Cc]hannel \d+/);
      expect(finding.why.length).toBeGreaterThan(10);
      expect(finding.where.length).toBeGreaterThan(0);
      // A value that reads like its limit tells nobody what is wrong.
      for (const { value, limit } of finding.evidence) expect(value).not.toBe(limit);
    }
  });

  it('is silent on the same design without the mistake, and on an empty one', () => {
    expect(findingsBy(found?.right() ?? demoDesign(), id)).toEqual([]);
    expect(findingsBy(emptyBench().design, id)).toEqual([]);
  });
});

describe('remedies', () => {
  const designs = [...Object.values(CASES).map(({ wrong }) => wrong()), demoDesign()];
  const offered = designs.flatMap((design) =>
    findingsApart(design).flatMap((finding) => remediesOf(design, finding).map((remedy) => ({ design, finding, remedy }))),
  );

  it('are offered by every check that does not leave it to people', () => {
    const withRemedy = new Set(offered.map(({ finding }) => finding.check));
    const without = checks.filter(({ id }) => !withRemedy.has(id)).map(({ id }) => id);
    expect(without).toEqual(checks.filter(({ leftToPeople }) => leftToPeople !== undefined).map(({ id }) => id));
  });

  it('are told, as findings are, in sentences of words alone: nothing of the code or of a missing value is left in them', () => {
    const told = [
      ...designs.flatMap((design) => findingsApart(design).flatMap(({ what, why }) => [what, why])),
      ...offered.map(({ remedy }) => remedy.sentence),
    ];
    expect(
      told.filter((text) => !/^[A-Z0-9"].*[.)]$/.test(text) || /=>|\$\{|[`{}]|\bundefined\b|\bNaN\b|\[object| {2}|\?\?|\(\)/.test(text)),
    ).toEqual([]);
    const labels = offered.map(({ remedy }) => remedy.label);
    expect(labels.filter((text) => !/^[A-Z0-9]/.test(text) || /[.`{}]$|=>|undefined/.test(text))).toEqual([]);
  });

  // Which of several parts mends it is tried when somebody asks: provenRemedies.test.
  it.each(
    offered
      .filter(({ remedy }) => remedy.isChoice !== true)
      .map((one) => [`${one.finding.check}: ${one.remedy.label} (${one.finding.what.slice(0, 40)})`, one] as const),
  )('%s', (_, { design, finding, remedy }) => {
    const after = made(design, remedy.edit);
    expect(findingsApart(after).map((other) => other.key)).not.toContain(finding.key);
    const before = new Set(findingsApart(design).map(({ key }) => key));
    const rank = (other: Finding): number => SEVERITIES.indexOf(other.severity);
    const worse = findingsApart(after).filter((other) => !before.has(other.key) && rank(other) <= rank(finding));
    expect(worse.map((other) => other.what)).toEqual([]);
  });
});

describe('what the checks say', () => {
  it('does not call a weakness what no wiring would change: the only pack', () => {
    const design = CASES['power.single-point']?.wrong() ?? demoDesign();
    const named = findingsBy(design, 'power.single-point').flatMap(({ evidence }) => evidence.map(({ value }) => value));
    expect(named).toContain('BEC1 buck off');
    expect(named.filter((name) => name.startsWith('BAT1') || name.startsWith('W01'))).toEqual([]);
  });

  it('is stable and does not depend on the order of the document', () => {
    const design = demoDesign();
    const turned = (record: object): never => Object.fromEntries(Object.entries(record).reverse()) as never;
    const shuffled: Design = {
      ...design,
      aircraft: { ...design.aircraft, items: turned(design.aircraft.items), cables: turned(design.aircraft.cables) },
    };
    expect(findingsOf(shuffled)).toEqual(findingsOf(design));
  });

  it('names pin, voltage and limit of a supply on a signal', () => {
    const [finding] = findingsBy(CASES['wire.supply-on-signal']?.wrong() ?? demoDesign(), 'wire.supply-on-signal');
    expect(finding?.what).toBe('W02 puts 5 V from FC1 on pin 2 (SDA) of ASPD1.');
    expect(finding?.evidence[0]).toMatchObject({ value: '5 V', limit: '3.6 V at most' });
  });

  it('does not mind 5 V on a pin that stands it', () => {
    const one = powered('radio-900-class');
    one.wire('RADIO1 UART', 'FC1 S1', 'none');
    expect(
      findingsBy(
        joined(one.design, 'W02', [
          [2, 1],
          [1, 4],
        ]),
        'wire.supply-on-signal',
      ),
    ).toEqual([]);
  });

  it('lets several listeners share a talker, and calls two listeners without one a mistake', () => {
    const one = powered('gnss-serial');
    one.wire('GNSS1 UART', 'FC1 S4', 'none');
    const listeners = joined(one.design, 'W02', [[3, 3]]);
    expect(findingsBy(listeners, 'wire.tx-to-tx')[0]?.what).toContain('Both listen');
  });

  it('crosses only what is wrong: the other conductors stay', () => {
    const design = CASES['wire.tx-to-tx']?.wrong() ?? demoDesign();
    const [finding] = findingsBy(design, 'wire.tx-to-tx');
    const [remedy] = finding === undefined ? [] : remediesOf(design, finding);
    expect(remedy?.label).toBe('Cross the pair');
    if (remedy === undefined) return;
    const after = cableOf(made(design, remedy.edit), 'W02');
    const pairs = Object.values(after.conductors).map((conductor) => [conductor.a.n, conductor.b.n]);
    expect(pairs.sort()).toEqual([
      [1, 1],
      [2, 3],
      [3, 2],
      [4, 4],
    ]);
    expect(Object.keys(after.conductors).sort()).toEqual(Object.keys(cableOf(design, 'W02').conductors).sort());
  });

  it('sees a single wire from supply to ground, whichever end is which', () => {
    const one = powered('gnss-serial');
    one.wire('GNSS1 UART', 'FC1 S4', 'none');
    for (const pair of [
      [1, 4],
      [4, 1],
    ] as const) {
      expect(findingsBy(joined(one.design, 'W02', [pair]), 'power.reversed').map((finding) => finding.severity)).toEqual(['stop']);
    }
  });

  it('sees supply and ground swapped in a loom with a splice', () => {
    const one = powered('gnss-serial');
    one.wire('GNSS1 UART', 'FC1 S4', 'none');
    const cable = cableOf(one.design, 'W02');
    const [leg] = Object.values(cable.legs);
    if (leg === undefined) throw new Error('W02 has no leg.');
    const loom = made(one.design, {
      kind: 'add-leg',
      cable: cable.id,
      leg: { id: asId('l2'), a: leg.b, b: asId('s') },
      node: { id: asId('s'), is: 'splice' },
    });
    const [finding] = findingsBy(joined(loom, 'W02', [[4, 1]]), 'power.reversed');
    expect(finding?.severity).toBe('stop');
    expect(finding?.what).toContain('ground of GNSS1');
  });

  it('takes a servo lead into ground for worse when supply meets it', () => {
    const one = powered('servo-9g-analog');
    one.wire('SRV1 lead', 'FC1 out1', 'none');
    const burnt = joined(one.design, 'W02', [
      [3, 2],
      [2, 3],
      [1, 1],
    ]);
    expect(findingsBy(burnt, 'wire.servo-lead').map((finding) => finding.severity)).toEqual(['stop']);
    expect(findingsBy(CASES['wire.servo-lead']?.wrong() ?? burnt, 'wire.servo-lead').map((finding) => finding.severity)).toEqual(['mend']);
  });

  it('accepts bauds that are as good as equal, and ends that never hear each other', () => {
    const one = bench(FC, 'radio-900-class');
    one.wire('RADIO1 UART', 'FC1 S1', 'straight');
    const set = made(one.design, { kind: 'set-item-setting', item: one.itemId('FC1'), setting: 'S1.baud', value: 115_200, was: null });
    expect(findingsBy(removed(removed(set, 'W01', 2), 'W01', 3), 'link.baud-mismatch')).toEqual([]);
  });

  it('warns of a straight cable while two ports are being chosen, and not where it does no harm', () => {
    const one = powered('radio-900-class', 'gnss-serial');
    const graph = graphOf(one.design);
    const port = (ref: string, id: string) => {
      const at = portAt(graph, {
        id: asId('n'),
        is: 'end',
        at: { is: 'port', item: itemOf(one.design, ref).id, port: id },
        connector: { family: 'locking-1.25', positions: 4, gender: 'plug' },
      });
      if (at === undefined) throw new Error(`There is no ${ref} ${id}.`);
      return at;
    };
    expect(straightCableHarm(graph, port('RADIO1', 'UART'), port('FC1', 'S1'))?.sentence).toContain('pin 1: GND of RADIO1 meets 5V of FC1');
    expect(straightCableHarm(graph, port('GNSS1', 'UART'), port('FC1', 'S1'))).toBeUndefined();
    expect(straightCableHarm(graph, port('RADIO1', 'UART'), port('FC1', 'S5'))).toBeUndefined();
  });
});

describe('waivers', () => {
  const design = CASES['link.baud-mismatch']?.wrong() ?? demoDesign();
  const [finding] = findingsBy(design, 'link.baud-mismatch');
  if (finding === undefined) throw new Error('The case has no finding.');
  const waived = made(design, {
    kind: 'add-waiver',
    waiver: {
      id: asId<WaiverId>('w1'),
      findingKey: finding.key,
      basis: finding.basis,
      reason: 'set at the field',
      by: 'tester',
      at: '2026-11-24T10:00:00Z',
    },
  });

  it('hold for the finding and its facts, and leave it listed', () => {
    const judged = judge(findingsOf(waived), waived.aircraft).find((entry) => entry.finding.key === finding.key);
    expect(judged?.waiver?.reason).toBe('set at the field');
    expect(countBySeverity(judge(findingsOf(waived), waived.aircraft)).mend).toBe(
      countBySeverity(judge(findingsOf(design), design.aircraft)).mend - 1,
    );
  });

  it('lapse when the facts change', () => {
    const changed = made(waived, {
      kind: 'set-item-setting',
      item: itemOf(waived, 'FC1').id,
      setting: 'S1.baud',
      value: 9600,
      was: 115_200,
    });
    const judged = judge(findingsOf(changed), changed.aircraft).find((entry) => entry.finding.key === finding.key);
    expect(judged?.waiver).toBeUndefined();
    expect(judged?.lapsed?.reason).toBe('set at the field');
  });
});
