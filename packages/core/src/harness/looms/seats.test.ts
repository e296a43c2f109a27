import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { applyEdit } from '../../edits/applyEdit.ts';
import { withFreshIds } from '../../edits/freshIds.ts';
import { integrityOf } from '../../edits/integrity.ts';
import { portAt, portLegs } from '../../graph/cableJoins.ts';
import { groupOf, pinNode } from '../../graph/graph.ts';
import { graphOf } from '../../graph/graphOf.ts';
import type { CableEnd } from '../../model/aircraft.ts';
import type { Design } from '../../model/design.ts';
import { bench } from '../../test/checkCases/build.ts';
import { cableOf, countingIds, findingsBy, made, portOfItem } from '../../test/designs.ts';
import { runsOf } from '../runs.ts';
import { nodeNames } from './nodeNames.ts';
import { joinMap, planJoin } from './planJoin.ts';
import { seatsOf } from './seats.ts';

const ROWS = 'controller-f7-rows';

type Place = readonly [ref: string, port: string];

function join(design: Design, a: Place, b: Place, wish: Parameters<typeof planJoin>[3] = 'meaning'): Design {
  const edit = planJoin(graphOf(design), portOfItem(design, ...a), portOfItem(design, ...b), wish);
  if (edit === undefined) throw new Error('It cannot be joined.');
  return made(design, edit);
}

/** The ends of a cable: where each is, and how wide its plug is. */
function endsOf(design: Design, tag: string): string[] {
  const cable = cableOf(design, tag);
  const names = nodeNames(graphOf(design), cable);
  return Object.values(cable.nodes).flatMap((node) =>
    node.is === 'end' ? [`${names.get(node.id) ?? '?'}, ${node.connector.positions}-way`] : [],
  );
}

/** What the wires of a cable join, by the labels and numbers of the pins. */
function joinsIn(design: Design, tag: string): string[] {
  return runsOf(graphOf(design))
    .filter(({ cables }) => cables.some((cable) => cable.tag === tag))
    .flatMap(({ joins }) => joins.map(({ a, b }) => `${a.ref} ${a.pin.n} ${a.pin.label} - ${b.ref} ${b.pin.n} ${b.pin.label}`));
}

describe('plugs on a row of pins', () => {
  it('sit side by side, each over the pins that its wires need', () => {
    const one = bench(ROWS, 'servo-9g-analog', 'servo-9g-analog', 'radio-900-class');
    let design = join(one.design, ['SRV1', 'lead'], ['FC1', 'servos']);
    design = join(design, ['SRV2', 'lead'], ['FC1', 'servos']);
    design = join(design, ['RADIO1', 'UART'], ['FC1', 'comms']);
    expect(endsOf(design, 'W01')).toEqual(['SRV1 lead, 3-way', 'FC1 servos pins 1-3, 3-way']);
    expect(endsOf(design, 'W02')).toEqual(['SRV2 lead, 3-way', 'FC1 servos pins 4-6, 3-way']);
    expect(endsOf(design, 'W03')[1]).toBe('FC1 comms pins 1-4, 4-way');
    expect(joinsIn(design, 'W02')).toEqual(['SRV2 1 S - FC1 4 S2', 'SRV2 2 V - FC1 5 V', 'SRV2 3 GND - FC1 6 GND']);
    expect(integrityOf(design)).toEqual([]);
    expect(findingsBy(design, 'wire.connector-mate')).toEqual([]);
    expect(findingsBy(design, 'wire.servo-lead')).toEqual([]);
  });

  it('are jumpers of one contact where single pins are joined, and the next plug goes beside them', () => {
    const one = bench(ROWS, 'radio-900-class', 'gnss-compass-i2c');
    let design = join(one.design, ['RADIO1', 'UART'], ['FC1', 'comms'], { a: 2, b: 6 });
    expect(endsOf(design, 'W01')[1]).toBe('FC1 comms pin 6, 1-way');
    const seats = seatsOf(graphOf(design), portOfItem(design, 'FC1', 'comms')).map(({ stretch, port }) => [
      stretch?.offset,
      port.connector.positions,
      stretch?.isPlugged,
    ]);
    expect(seats).toEqual([
      [0, 5, false],
      [5, 1, true],
      [6, 8, false],
    ]);
    // The pin under the jumper is occupied, so that its cable gets the branch; a pin beside it takes a jumper of its own.
    design = join(design, ['GNSS1', 'main'], ['FC1', 'comms'], { a: 3, b: 5 });
    expect(endsOf(design, 'W02')[1]).toBe('FC1 comms pin 5, 1-way');
  });

  it('are refused over one another, over the end of the row, and beside a port that is none', () => {
    const one = bench(ROWS, 'servo-9g-analog', 'servo-9g-analog', 'radio-900-class');
    const design = join(join(one.design, ['SRV1', 'lead'], ['FC1', 'servos']), ['SRV2', 'lead'], ['FC1', 'servos']);
    const [, end] = Object.values(cableOf(design, 'W02').nodes);
    if (end?.is !== 'end' || end.at.is !== 'port') throw new Error('W02 is in no port.');
    const moved = (offset: number) =>
      applyEdit(design, {
        kind: 'set-cable-end',
        cable: cableOf(design, 'W02').id,
        node: end.id,
        at: end.at.is === 'port' ? { is: 'port', item: end.at.item, port: end.at.port, ...(offset === 0 ? {} : { offset }) } : end.at,
        was: end.at,
      });
    expect(moved(2)).toMatchObject({ refused: { code: 'port-occupied' } });
    expect(moved(0)).toMatchObject({ refused: { code: 'port-occupied' } });
    expect(moved(16)).toMatchObject({ refused: { sentence: 'From pin 17 on, FC1 servos has 2 pins, and the plug has 3 contacts.' } });
    expect(moved(15)).toHaveProperty('design');
    const wider = { ...end.connector, positions: 4 };
    const [, first] = Object.values(cableOf(design, 'W01').nodes);
    if (first?.is !== 'end') throw new Error('W01 has no second end.');
    expect(
      applyEdit(design, {
        kind: 'set-end-connector',
        cable: cableOf(design, 'W01').id,
        node: first.id,
        connector: wider,
        was: first.connector,
      }),
    ).toMatchObject({ refused: { code: 'port-occupied' } });
    const radio = portOfItem(design, 'RADIO1', 'UART');
    expect(
      applyEdit(design, {
        kind: 'set-cable-end',
        cable: cableOf(design, 'W02').id,
        node: end.id,
        at: { is: 'port', item: radio.itemId, port: 'UART', offset: 1 },
        was: end.at,
      }),
    ).toMatchObject({ refused: { sentence: 'RADIO1 UART is not a row of pins: a plug cannot be offset there.' } });
  });

  it('are judged by the pins that they are over: a lead turned round, one shifted, and a supply pin left in', () => {
    const one = bench(
      ROWS,
      'servo-9g-analog',
      'motor-controller-40a-5v2a',
      'battery-lipo-4s-5000',
      'regulator-buck-5v-3a',
      'battery-lipo-3s-3300',
    );
    one.wire('BAT1 main', 'ESC1 power');
    one.wire('BAT2 main', 'BEC1 in');
    const right = join(one.design, ['SRV1', 'lead'], ['FC1', 'servos']);
    const turned = join(one.design, ['SRV1', 'lead'], ['FC1', 'servos'], 'mirrored');
    const moved = (design: Design, offset: number): Design => {
      const [, end] = Object.values(cableOf(design, 'W03').nodes);
      if (end?.is !== 'end' || end.at.is !== 'port') throw new Error('W03 is in no port.');
      const { offset: _old, ...place } = end.at;
      const at = offset === 0 ? place : { ...place, offset };
      return made(design, { kind: 'set-cable-end', cable: cableOf(design, 'W03').id, node: end.id, at, was: end.at });
    };
    const said = (design: Design): string[] =>
      [...findingsBy(design, 'wire.servo-lead'), ...findingsBy(design, 'power.reversed')].map(({ what }) => what);
    expect(said(right)).toEqual([]);
    expect(said(moved(turned, 3))).toEqual([
      'W03 between SRV1 and FC1 servos is plugged in the wrong way round: signal and ground are swapped.',
    ]);
    expect(said(moved(right, 1))).toHaveLength(1);
    expect(said(moved(right, 1))[0]).not.toContain('turned round');
    // The regulator of the motor controller meets the one that feeds the rail.
    const fed = join(join(one.design, ['BEC1', 'out'], ['FC1', 'servos']), ['ESC1', 'signal'], ['FC1', 'servos'], 'straight');
    expect(said(fed).filter((what) => what.startsWith('The supply pin of W04 must be pulled'))).toHaveLength(1);
  });

  it('are seen by their cables with the pins that they are over', () => {
    const one = bench(ROWS, 'servo-9g-analog', 'servo-9g-analog');
    const design = join(join(one.design, ['SRV1', 'lead'], ['FC1', 'servos']), ['SRV2', 'lead'], ['FC1', 'servos']);
    const leg = portLegs(graphOf(design), cableOf(design, 'W02'))[0];
    expect(leg?.b.port.pins.map(({ n, label }) => `${n} ${label}`)).toEqual(['1 S2', '2 V', '3 GND']);
    expect(leg?.b.stretch).toEqual({ offset: 3, isPlugged: true });
  });

  it('anywhere, wherever they are put, meet the pins that they are over, each pin once', () => {
    const one = bench(ROWS, 'companion-small-5v', 'radio-900-class', 'gnss-compass-i2c', 'servo-9g-analog', 'receiver-sbus-16');
    const ports = graphOf(one.design).items.flatMap(({ item, part }) => (part?.ports ?? []).map((port) => [item.ref, port.id] as const));
    const rows = ports.filter(([ref, port]) => ref === 'FC1' && (port === 'comms' || port === 'servos'));
    const makeId = countingIds('seat');
    let stretches = 0;
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(), fc.nat(), fc.constantFrom('meaning', 'straight', 'mirrored', 'none', 'pin'), fc.nat(), fc.nat()), {
          minLength: 1,
          maxLength: 7,
        }),
        (steps) => {
          let design = one.design;
          for (const [x, y, wish, n, m] of steps) {
            const [from, to] = [ports[x % ports.length], rows[y % rows.length]];
            if (from === undefined || to === undefined || from[0] === to[0]) continue;
            const [a, b] = [portOfItem(design, ...from), portOfItem(design, ...to)];
            const pins = { a: 1 + (n % a.port.pins.length), b: 1 + (m % b.port.pins.length) };
            const map = joinMap(graphOf(design), a, b, wish === 'pin' ? pins : wish);
            const edit = planJoin(graphOf(design), a, b, wish === 'pin' ? pins : wish);
            if (edit === undefined) continue;
            const result = applyEdit(design, withFreshIds(edit, makeId));
            if ('refused' in result) throw new Error(result.refused.sentence);
            design = result.design;
            expect(integrityOf(design)).toEqual([]);
            const graph = graphOf(design);
            const node = (at: typeof a, contact: number): number =>
              groupOf(graph.wires, pinNode(graph, at.itemId, at.port.id, contact + (at.stretch?.offset ?? 0)) ?? -1);
            for (const pair of map.pairs) expect(node(map.a, pair.a)).toBe(node(map.b, pair.b));
            if (wish === 'pin' && map.pairs.length > 0) {
              const [x1, y1] = [pinNode(graph, a.itemId, a.port.id, pins.a), pinNode(graph, b.itemId, b.port.id, pins.b)];
              expect(groupOf(graph.wires, x1 ?? -1)).toBe(groupOf(graph.wires, y1 ?? -2));
            }
            stretches += map.b.stretch === undefined ? 0 : 1;
          }
          // No pin of a row is under two plugs.
          const over = new Set<string>();
          for (const { nodes } of Object.values(design.aircraft.cables))
            for (const end of Object.values(nodes).filter((candidate): candidate is CableEnd => candidate.is === 'end')) {
              const at = portAt(graphOf(design), end);
              if (at?.stretch === undefined) continue;
              for (const { n } of at.port.pins) {
                const pin = `${at.ref} ${at.port.id} ${n + at.stretch.offset}`;
                expect(over.has(pin)).toBe(false);
                over.add(pin);
              }
            }
        },
      ),
      { numRuns: 60, endOnFailure: true },
    );
    expect(stretches).toBeGreaterThan(60);
  });
});
