import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { applyEdit } from '../../edits/applyEdit.ts';
import { withFreshIds } from '../../edits/freshIds.ts';
import type { Edit } from '../../edits/registry.ts';
import { integrityOf } from '../../edits/integrity.ts';
import { pinsBefore, type PortAt } from '../../graph/cableJoins.ts';
import { groupOf, pinNode } from '../../graph/graph.ts';
import { graphOf } from '../../graph/graphOf.ts';
import { AircraftSchema, type Cable } from '../../model/aircraft.ts';
import type { Design } from '../../model/design.ts';
import { shapeProblems } from '../../model/shape.ts';
import { bench } from '../../test/checkCases/build.ts';
import { cableOf, countingIds, demoDesign, findingsBy, made, portOfItem } from '../../test/designs.ts';
import { runsOf } from '../runs.ts';
import { nodeNames } from './nodeNames.ts';
import { joinWay } from './joinWay.ts';
import { joinMap, planJoin, splicesFor } from './planJoin.ts';
import { crowdedContacts } from './spliceContact.ts';

type Place = readonly [ref: string, port: string];

function join(design: Design, a: Place, b: Place, wish: Parameters<typeof planJoin>[3] = 'meaning'): Design {
  const edit = planJoin(graphOf(design), portOfItem(design, ...a), portOfItem(design, ...b), wish);
  if (edit === undefined) throw new Error('It cannot be joined.');
  return made(design, edit);
}

/** What the runs of a cable join, as `GNSS1.main.5-FC1.I2C.2`. */
function joinsIn(design: Design, tag: string): string[] {
  return runsOf(graphOf(design))
    .filter(({ cables }) => cables.some((cable) => cable.tag === tag))
    .flatMap(({ joins }) => joins.map(({ a, b }) => `${a.ref} ${a.port.id}.${a.pin.label}-${b.ref} ${b.port.id}.${b.pin.label}`))
    .sort();
}

function nodesOf(design: Design, cable: Cable): readonly string[] {
  return [...nodeNames(graphOf(design), cable).values()];
}

describe('joining two ports', () => {
  it('that are free makes a cable', () => {
    const { design } = bench('controller-f4-wing', 'gnss-compass-i2c');
    expect(joinWay(graphOf(design), portOfItem(design, 'GNSS1', 'main'), portOfItem(design, 'FC1', 'S4')).is).toBe('cable');
    expect(nodesOf(design, cableOf(join(design, ['GNSS1', 'main'], ['FC1', 'S4']), 'W01'))).toHaveLength(2);
  });

  it('of which one holds a plug gives its cable a branch, without the ground that is there already', () => {
    const one = bench('controller-f4-wing', 'gnss-compass-i2c');
    one.wire('GNSS1 main', 'FC1 S4');
    for (const [a, b] of [
      [
        ['GNSS1', 'main'],
        ['FC1', 'I2C'],
      ],
      [
        ['FC1', 'I2C'],
        ['GNSS1', 'main'],
      ],
    ] as const) {
      const design = join(one.design, a, b);
      const loom = cableOf(design, 'W01');
      expect(nodesOf(design, loom).slice().sort()).toEqual(['FC1 I2C', 'FC1 S4', 'GNSS1 main']);
      expect(joinsIn(design, 'W01').filter((text) => text.includes('I2C'))).toEqual([
        expect.stringMatching(/SCL.*SCL/),
        expect.stringMatching(/SDA.*SDA/),
      ]);
      expect(findingsBy(design, 'wire.partial')).toEqual([]);
    }
  });

  it('joins nothing twice: a wire that would lead along another is left out', () => {
    // A camera and its transmitter share a cable whose ground is spliced, and both are fed by a lead with splices.
    const one = bench(
      'battery-lipo-4s-5000',
      'power-module-analog-60a',
      'motor-controller-40a-5v2a',
      'motor-controller-40a-5v2a',
      'regulator-buck-5v-3a',
      'camera-analog-7-25v',
      'video-transmitter-analog',
    );
    const supply = ['PM1', 'load'] as const;
    const joins: (readonly [Place, Place])[] = [
      [
        ['BAT1', 'main'],
        ['PM1', 'battery'],
      ],
      [supply, ['ESC1', 'power']],
      [supply, ['ESC2', 'power']],
      [supply, ['BEC1', 'in']],
      [
        ['CAM1', 'AV'],
        ['VTX1', 'AV'],
      ],
      [supply, ['VTX1', 'AV']],
      [supply, ['CAM1', 'AV']],
    ];
    const design = joins.reduce((now, [a, b]) => join(now, a, b), one.design);
    expect(integrityOf(design)).toEqual([]);
    expect(planJoin(graphOf(design), portOfItem(design, ...supply), portOfItem(design, 'CAM1', 'AV'), { a: 2, b: 2 })).toBeUndefined();
    const wires = Object.values(cableOf(design, 'W02').conductors).map(({ a, b }) =>
      [a, b]
        .map(({ node, n }) => `${node}.${n}`)
        .sort()
        .join(' '),
    );
    expect(new Set(wires).size).toBe(wires.length);
    expect(findingsBy(design, 'power.no-supply').filter(({ severity }) => severity !== 'note')).toEqual([]);
  });

  it('counts only the legs that carry a bus for its length', () => {
    const one = bench('controller-f4-wing', 'battery-lipo-4s-5000', 'gnss-compass-i2c');
    one.wire('BAT1 main', 'FC1 battery');
    one.wire('GNSS1 main', 'FC1 S4');
    const loom = join(one.design, ['GNSS1', 'main'], ['FC1', 'I2C']);
    const told = ([serialMm, busMm]: readonly [number, number]): boolean => {
      const cable = cableOf(loom, 'W02');
      const lengths = { 'FC1 S4': serialMm, 'FC1 I2C': busMm };
      const names = nodeNames(graphOf(loom), cable);
      let design = loom;
      for (const leg of Object.values(cable.legs))
        for (const [name, lengthMm] of Object.entries(lengths))
          if ([leg.a, leg.b].some((node) => names.get(node) === name))
            design = made(design, { kind: 'set-leg-length', cable: cable.id, leg: leg.id, lengthMm, was: leg.typedLengthMm ?? null });
      return findingsBy(design, 'wire.i2c-bus').some(({ what }) => what.includes('capacitance'));
    };
    expect(told([100, 6000])).toBe(true);
    expect(told([6000, 100])).toBe(false);
  });

  it('says nothing of a straight cable where a branch has two signals that go straight', () => {
    const one = bench('controller-f4-wing', 'battery-lipo-4s-5000', 'radio-900-class');
    one.wire('BAT1 main', 'FC1 battery');
    one.wire('RADIO1 UART', 'FC1 S1');
    const first = join(one.design, ['RADIO1', 'UART'], ['FC1', 'S4'], { a: 2, b: 2 });
    const design = join(first, ['RADIO1', 'UART'], ['FC1', 'S4'], { a: 3, b: 3 });
    expect(joinsIn(design, 'W02').filter((text) => text.includes('RADIO1') && text.includes('S4'))).toHaveLength(2);
    expect(findingsBy(design, 'wire.fits-but-wrong')).toEqual([]);
  });

  it('leaves out what would put a second output on a wire', () => {
    const one = bench('controller-f4-wing', 'radio-900-class');
    one.wire('RADIO1 UART', 'FC1 S1');
    const design = join(one.design, ['RADIO1', 'UART'], ['FC1', 'S4']);
    expect(joinsIn(design, 'W01').filter((text) => text.includes('RADIO1') && text.includes('S4'))).toEqual(['RADIO1 UART.TX-FC1 S4.RX']);
    expect(findingsBy(design, 'wire.contention')).toEqual([]);
  });

  it('splices where a contact of the plug takes one wire, so that two servos hang on one output', () => {
    const one = bench('controller-f4-wing', 'servo-9g-analog', 'servo-9g-analog');
    one.wire('SRV1 lead', 'FC1 out1');
    const [a, b] = [portOfItem(one.design, 'SRV2', 'lead'), portOfItem(one.design, 'FC1', 'out1')];
    expect(splicesFor(graphOf(one.design), joinMap(graphOf(one.design), a, b, 'meaning'))).toBe(3);
    const design = join(one.design, ['SRV2', 'lead'], ['FC1', 'out1']);
    const loom = cableOf(design, 'W01');
    expect(Object.values(loom.nodes).filter(({ is }) => is === 'splice')).toHaveLength(3);
    expect(Object.values(loom.conductors)).toHaveLength(9);
    expect(Object.values(loom.legs).every((leg) => Object.values(loom.conductors).some((wire) => wire.leg === leg.id))).toBe(true);
    expect(joinsIn(design, 'W01').filter((text) => text.includes('FC1'))).toHaveLength(6);
    expect(findingsBy(design, 'wire.servo-lead')).toEqual([]);
  });

  it('of one loom adds wires between its ends', () => {
    const one = bench('controller-f4-wing', 'gnss-compass-i2c', 'radio-900-class');
    one.wire('GNSS1 main', 'FC1 S4');
    const branched = join(one.design, ['GNSS1', 'main'], ['RADIO1', 'UART'], { a: 2, b: 1 });
    const design = join(branched, ['RADIO1', 'UART'], ['FC1', 'S4'], { a: 4, b: 4 });
    expect(joinWay(graphOf(branched), portOfItem(branched, 'RADIO1', 'UART'), portOfItem(branched, 'FC1', 'S4')).is).toBe('inside');
    expect(Object.keys(design.aircraft.cables)).toHaveLength(1);
    const between = (text: string): boolean => text.includes('RADIO1') && text.includes('FC1');
    expect(joinsIn(design, 'W01').filter(between)).toHaveLength(joinsIn(branched, 'W01').filter(between).length + 1);
  });

  it('of two cables makes them one, and nothing that was joined is lost', () => {
    const one = bench('controller-f4-wing', 'gnss-compass-i2c', 'radio-900-class');
    one.wire('GNSS1 main', 'FC1 S4');
    one.wire('RADIO1 UART', 'FC1 S1');
    const before = [...joinsIn(one.design, 'W01'), ...joinsIn(one.design, 'W02')];
    const label: Edit = { kind: 'set-cable-text', cable: cableOf(one.design, 'W02').id, field: 'label', value: 'only the radio', was: '' };
    const design = join(made(one.design, label), ['GNSS1', 'main'], ['RADIO1', 'UART'], { a: 1, b: 4 });
    expect(cableOf(design, 'W01').label).toBe('only the radio');
    expect(Object.values(design.aircraft.cables).map(({ tag }) => tag)).toEqual(['W01']);
    const turned = joinsIn(design, 'W01').map((text) => text.split('-').sort().join('-'));
    for (const text of before) expect(turned).toContain(text.split('-').sort().join('-'));
  });

  it('anywhere, again and again, is a valid edit, joins what was asked, keeps what was joined, and leaves no contact with too many wires', () => {
    const ways = new Set<string>();
    let splices = 0;
    const demo = demoDesign();
    const ports = graphOf(demo).items.flatMap(({ item, part }) => (part?.ports ?? []).map((port) => [item.ref, port.id] as const));
    /** Joins two ports of a design, where they are not joined already, and looks at what came of it. */
    const joinedAnd = (design: Design, from: Place, to: Place, wish: 'meaning' | 'straight' | 'supply-pulled'): Design => {
      const graph = graphOf(design);
      const [a, b] = [portOfItem(design, ...from), portOfItem(design, ...to)];
      const map = joinMap(graph, a, b, wish);
      const way = joinWay(graph, map.a, map.b);
      ways.add(way.is);
      splices += splicesFor(graph, map);
      const edit = planJoin(graph, a, b, wish);
      if (edit === undefined && way.is === 'inside' && map.pairs.length === 0) return design;
      if (edit === undefined) throw new Error(`${from.join(' ')} to ${to.join(' ')}: no edit`);
      const result = applyEdit(design, withFreshIds(edit, makeId));
      if ('refused' in result) throw new Error(result.refused.sentence);
      expect(integrityOf(result.design)).toEqual([]);
      const after = graphOf(result.design);
      for (const pair of map.pairs) expect(wireOf(after, map.a, pair.a)).toBe(wireOf(after, map.b, pair.b));
      expect(coarser(graph, after)).toBe(true);
      if (way.is !== 'cable')
        for (const cable of after.cables)
          for (const end of Object.values(cable.nodes))
            if (end.is === 'end' && (isAt(end.at, a) || isAt(end.at, b))) expect(crowdedContacts(cable, end)).toEqual([]);
      return result.design;
    };
    const makeId = countingIds('new');
    const step = fc.tuple(fc.nat(11), fc.nat(11), fc.constantFrom('meaning', 'straight', 'supply-pulled'));
    fc.assert(
      fc.property(fc.nat(), fc.array(step, { minLength: 1, maxLength: 6 }), (first, steps) => {
        let design = demo;
        for (const [x, y, wish] of steps) {
          const [from, to] = [ports[(first + x) % ports.length], ports[(first + y) % ports.length]];
          if (from === undefined || to === undefined || from[0] === to[0]) continue;
          design = joinedAnd(design, from, to, wish);
        }
      }),
      { numRuns: 60, endOnFailure: true },
    );
    expect([...ways].sort()).toEqual(['branch', 'cable', 'inside', 'merge']);
    expect(splices).toBeGreaterThan(20);
  });
});

function wireOf(graph: ReturnType<typeof graphOf>, at: PortAt, n: number): number {
  return groupOf(graph.wires, pinNode(graph, at.itemId, at.port.id, n + pinsBefore(at)) ?? -1);
}

function isAt(place: { readonly is: string; readonly item?: string; readonly port?: string }, at: PortAt): boolean {
  return place.item === at.itemId && place.port === at.port.id;
}

/** True when pins that were joined before still are. */
function coarser(before: ReturnType<typeof graphOf>, after: ReturnType<typeof graphOf>): boolean {
  const now = new Map<number, number>();
  return before.items.every(({ item, part }) =>
    (part?.ports ?? []).every((port) =>
      port.pins.every(({ n }) => {
        const [was, is] = [before, after].map((graph) => groupOf(graph.wires, pinNode(graph, item.id, port.id, n) ?? -1));
        if (was === undefined || is === undefined) return false;
        const known = now.get(was);
        now.set(was, is);
        return known === undefined || known === is;
      }),
    ),
  );
}

describe('a loom that grows', () => {
  it('never becomes more than a document can hold: the join that would is not offered', () => {
    const servos = Array.from({ length: 40 }, () => 'servo-9g-analog');
    const one = bench('controller-f4-wing', ...servos);
    one.wire('SRV1 lead', 'FC1 out1');
    let design = one.design;
    let joined = 1;
    for (; joined < servos.length; joined++) {
      const [a, b] = [portOfItem(design, `SRV${joined + 1}`, 'lead'), portOfItem(design, 'FC1', 'out1')];
      const edit = planJoin(graphOf(design), a, b, 'meaning');
      if (edit === undefined) break;
      design = made(design, edit);
      expect(shapeProblems(AircraftSchema, design.aircraft)).toEqual([]);
    }
    expect(joined).toBeGreaterThan(8);
    expect(joined).toBeLessThan(servos.length);
  });
});
