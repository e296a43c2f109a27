import { describe, expect, it } from '@jest/globals';
import { GAP, quantity, stated } from '../text/numbers.ts';
import Papa from 'papaparse';
import { graphOf } from '../graph/graphOf.ts';
import type { PortAt } from '../graph/cableJoins.ts';
import type { Design } from '../model/design.ts';
import { asId, type AircraftId } from '../model/ids.ts';
import { mudflat } from '../demo/mudflat.ts';
import { saltmarsh } from '../demo/saltmarsh.ts';
import { cableOf, countingIds, demoDesign, emptyBench, itemOf, made } from '../test/designs.ts';
import { withLoom } from '../test/looms.ts';
import { byNatural } from '../model/naturalOrder.ts';
import { documentKinds } from '../formats/documentKinds.ts';
import { pinTable } from './documents/pinTable.ts';
import { cellIn, headOf, sheetToCsv } from './documents/sheet.ts';
import { areaMm2 } from '../model/wire.ts';
import { recolourEdits } from './pinLeg.ts';
import { contactTakes, gaugeFor } from './wireStyle.ts';
import { AWG_SIZES } from '../model/aircraft.ts';
import { connectorFamilies } from '../model/connector.ts';
import { plainCable } from '../graph/cableJoins.ts';
import { fitPinMap } from './fitPinMap.ts';
import { findPin, joinVerdict } from './joinVerdict.ts';
import { engineGraph, readLayout } from './wiringSheet/sheetLayout.ts';
import { sheetModel, withNeighbours } from './wiringSheet/sheetModel.ts';

function port(design: Design, ref: string, id: string): PortAt {
  const graph = graphOf(design);
  const itemId = itemOf(design, ref).id;
  const item = graph.itemIx.get(itemId) ?? -1;
  const found = graph.items[item]?.part?.ports.find((candidate) => candidate.id === id);
  if (found === undefined) throw new Error(`There is no ${ref} ${id}.`);
  return { item, itemId, ref, port: found };
}

function powered(...parts: readonly string[]) {
  const bench = emptyBench();
  for (const part of ['controller-f4-wing', 'battery-lipo-4s-5000', ...parts]) bench.add(part, '');
  bench.wire('BAT1 main', 'FC1 battery');
  return bench;
}

function mapOf(design: Design, a: readonly [string, string], b: readonly [string, string], preset: Parameters<typeof fitPinMap>[3]) {
  return fitPinMap(graphOf(design), port(design, ...a), port(design, ...b), preset);
}

describe('pin maps', () => {
  const bench = powered(
    'gnss-serial',
    'radio-900-class',
    'video-transmitter-analog',
    'camera-analog-5v',
    'motor-controller-40a-5v2a',
    'regulator-buck-5v-3a',
    'servo-9g-analog',
  );
  const { design } = bench;
  const pairs = (...args: Parameters<typeof mapOf> extends [Design, ...infer Rest] ? Rest : never) =>
    mapOf(design, ...args).pairs.map((pair) => [pair.a, pair.b]);

  it('by meaning cross a serial pair and find supply and ground wherever they are', () => {
    expect(pairs(['GNSS1', 'UART'], ['FC1', 'S4'], 'meaning')).toEqual([
      [1, 1],
      [2, 3],
      [3, 2],
      [4, 4],
    ]);
    expect(pairs(['RADIO1', 'UART'], ['FC1', 'S1'], 'meaning')).toEqual([
      [1, 4],
      [2, 2],
      [3, 3],
      [4, 1],
    ]);
  });

  it('by meaning are the same whichever port comes first', () => {
    const there = pairs(['RADIO1', 'UART'], ['FC1', 'S1'], 'meaning').map(([a, b]) => [b, a]);
    expect(pairs(['FC1', 'S1'], ['RADIO1', 'UART'], 'meaning').sort()).toEqual(there.sort());
  });

  it('straight and mirrored follow the positions, and none joins nothing', () => {
    expect(pairs(['GNSS1', 'UART'], ['FC1', 'S4'], 'straight')).toEqual([
      [1, 1],
      [2, 2],
      [3, 3],
      [4, 4],
    ]);
    expect(pairs(['GNSS1', 'UART'], ['FC1', 'S4'], 'mirrored')).toEqual([
      [1, 4],
      [2, 3],
      [3, 2],
      [4, 1],
    ]);
    expect(pairs(['GNSS1', 'UART'], ['FC1', 'S4'], 'none')).toEqual([]);
  });

  it('know whether they are straight', () => {
    expect(mapOf(design, ['GNSS1', 'UART'], ['FC1', 'S4'], 'straight').straight).toBe(true);
    expect(mapOf(design, ['GNSS1', 'UART'], ['FC1', 'S4'], 'meaning').straight).toBe(false);
    expect(mapOf(design, ['SRV1', 'lead'], ['FC1', 'out1'], 'meaning').straight).toBe(true);
    expect(mapOf(design, ['SRV1', 'lead'], ['FC1', 'out1'], 'supply-pulled').straight).toBe(false);
  });

  it('tell the effect of every pin before one is taken', () => {
    const straight = mapOf(design, ['RADIO1', 'UART'], ['FC1', 'S1'], 'straight');
    expect(straight.pairs.map((pair) => pair.verdict.is)).toEqual(['harmful', 'good', 'good', 'harmful']);
    expect(straight.pairs[0]?.verdict.why).toContain('reversed');
  });

  it('choose the supply that the part stands, and the one nearest to what it wants', () => {
    expect(pairs(['CAM1', 'AV'], ['FC1', 'camera'], 'meaning')).toEqual([
      [1, 4],
      [2, 1],
      [3, 3],
    ]);
    expect(pairs(['FC1', 'camera'], ['VTX1', 'AV'], 'meaning')).toContainEqual([2, 1]);
  });

  it('leave out a supply that would be too much, and say so', () => {
    const map = mapOf(design, ['CAM1', 'AV'], ['FC1', 'video'], 'meaning');
    expect(map.pairs.map((pair) => pair.a)).not.toContain(2);
    expect(map.leftOut.find((left) => left.side === 'a' && left.n === 2)?.why).toBe(
      `supply not connected: ${stated(9, 'V')}; CAM1 accepts ${stated(5.5, 'V')} at most.`,
    );
  });

  it('leave out a second supply of a rail, and name who feeds it', () => {
    const rail = powered('motor-controller-40a-5v2a', 'regulator-buck-5v-3a');
    rail.wire('ESC1 signal', 'FC1 out1');
    const map = mapOf(rail.design, ['BEC1', 'out'], ['FC1', 'out2'], 'meaning');
    expect(map.pairs.map((pair) => pair.a)).toEqual([3]);
    expect(map.leftOut.find((left) => left.side === 'a' && left.n === 2)?.why).toContain('ESC1 would drive one rail together');
  });

  it('leave out the supply of a part that is fed already', () => {
    const fed = powered('gnss-serial', 'regulator-buck-5v-3a');
    fed.wire('GNSS1 UART', 'FC1 S4');
    const map = mapOf(fed.design, ['GNSS1', 'UART'], ['FC1', 'S2'], 'meaning');
    expect(map.leftOut.find((left) => left.side === 'a' && left.n === 1)?.why).toBe('supply not connected: GNSS1 (W02) is fed from FC1');
  });

  it('never take one pin twice, and account for every pin', () => {
    const graph = graphOf(design);
    const all = graph.items.flatMap(({ item, part }) => (part?.ports ?? []).map((one) => port(design, item.ref, one.id)));
    for (const a of all) {
      for (const b of all) {
        if (a.itemId === b.itemId) continue;
        const map = fitPinMap(graph, a, b, 'meaning');
        for (const side of ['a', 'b'] as const) {
          const used = map.pairs.map((pair) => pair[side]);
          const left = map.leftOut.filter((one) => one.side === side).map((one) => one.n);
          const pins = (side === 'a' ? a : b).port.pins.map((pin) => pin.n);
          expect([...used, ...left].sort((x, y) => x - y)).toEqual(pins);
        }
        for (const pair of map.pairs) expect(pair.verdict.is).toBe('good');
      }
    }
  });
});

describe('joining two pins', () => {
  const { design } = powered('gnss-serial', 'radio-900-class', 'video-transmitter-analog');
  const graph = graphOf(design);
  const verdict = (a: readonly [string, string, number], b: readonly [string, string, number]) => {
    const [x, y] = [a, b].map(([ref, portId, n]) => findPin(graph, { item: itemOf(design, ref).id, port: portId, n }));
    if (x === undefined || y === undefined) throw new Error('There is no such pin.');
    return joinVerdict(graph, x, y);
  };

  it.each([
    ['TX to RX', ['GNSS1', 'UART', 2], ['FC1', 'S4', 3], 'good'],
    ['TX to TX', ['GNSS1', 'UART', 2], ['FC1', 'S4', 2], 'pointless'],
    ['RX to RX', ['GNSS1', 'UART', 3], ['FC1', 'S4', 3], 'pointless'],
    ['ground to ground', ['GNSS1', 'UART', 4], ['FC1', 'S4', 4], 'good'],
    ['supply to ground', ['GNSS1', 'UART', 1], ['FC1', 'S4', 4], 'harmful'],
    ['5 V to a 3.6 V input', ['FC1', 'S4', 1], ['GNSS1', 'UART', 3], 'harmful'],
    ['9 V to a 5.5 V part', ['FC1', 'video', 1], ['GNSS1', 'UART', 1], 'harmful'],
    ['9 V to a part that wants it', ['FC1', 'video', 1], ['VTX1', 'AV', 1], 'good'],
    ['two outputs of supply', ['FC1', 'S1', 1], ['BAT1', 'main', 1], 'harmful'],
    ['two inputs of supply', ['GNSS1', 'UART', 1], ['RADIO1', 'UART', 4], 'pointless'],
    ['ground to a signal', ['GNSS1', 'UART', 4], ['FC1', 'S4', 3], 'pointless'],
    ['pins of one part', ['FC1', 'S1', 2], ['FC1', 'S3', 3], 'pointless'],
  ] as const)('%s', (_, a, b, is) => {
    expect(verdict(a, b).is).toBe(is);
    expect(verdict(b, a).is).toBe(is);
  });
});

describe('documents', () => {
  const design = demoDesign();
  const graph = graphOf(design);
  const laidOut = graphOf(saltmarsh(asId<AircraftId>('saltmarsh'), countingIds()));
  const hovering = graphOf(mudflat(asId<AircraftId>('mudflat'), countingIds()));

  it.each(documentKinds.map((kind) => [kind.id, kind] as const))('%s can be made of everything it names, with whole rows', (_, kind) => {
    // What only a laid-out aircraft has, or one that hovers, is made of that.
    const its = [graph, laidOut, hovering].find((one) => kind.subjects(one).length > 0) ?? graph;
    const subjects = kind.subjects(its);
    expect(subjects.length).toBeGreaterThan(0);
    for (const subject of subjects) {
      const sheet = kind.build(its, subject.id);
      expect(sheet?.title).toContain(subject.title);
      for (const row of sheet?.rows ?? [[]]) expect(row).toHaveLength(sheet?.columns.length ?? -1);
    }
    expect(kind.build(graph, 'gone')).toBeUndefined();
    expect(kind.subjects(graphOf(emptyBench().design))).toEqual([]);
  });

  it('the port card gives the three names, what is on the port, and how it is set', () => {
    const sheet = documentKinds.find((kind) => kind.id === 'port-card')?.build(graph, itemOf(design, 'FC1').id);
    expect(sheet?.rows.find((row) => row[0] === 'S4')).toEqual([
      'S4',
      'UART6',
      '17',
      '1.25 mm locking, 4',
      '5V TX RX GND',
      '',
      '',
      '',
      '',
      '',
    ]);
    expect(sheet?.rows.find((row) => row[0] === 'S1')?.slice(5)).toEqual(['RADIO1 UART', 'W10', 'MAVLink 2', '115200', '31 120']);
    expect(sheet?.rows.find((row) => row[0] === 'motor supply')?.slice(5, 7)).toEqual(['ESC1 power, BEC1 in', 'W02, W05']);
  });

  it('the pin table says what to crimp where, and that a custom cable is only for one place', () => {
    const sheet = documentKinds.find((kind) => kind.id === 'pin-table')?.build(graph, cableOf(design, 'W10').id);
    expect(sheet?.rows).toEqual([
      ['1', 'GND', 'black', '28', '200', 'GND', '4'],
      ['2', 'RX', 'green', '28', '200', 'TX', '2'],
      ['3', 'TX', 'yellow', '28', '200', 'RX', '3'],
      ['4', 'V', 'red', '28', '200', '5V', '1'],
    ]);
    expect(sheet?.notes.join(' ')).toContain('W10 is only for RADIO1 UART to FC1 S1');
    const straight = documentKinds.find((kind) => kind.id === 'pin-table')?.build(graph, cableOf(design, 'W07').id);
    expect(straight?.notes.join(' ')).not.toContain('only for');
  });

  it('the pin table of a loom names splices, and the end of every contact', () => {
    const demo = demoDesign();
    const [loom, ...others] = withLoom(Object.values(demo.aircraft.cables).sort(byNatural(({ tag }) => tag)));
    if (loom === undefined) throw new Error('There is no loom.');
    const cables = Object.fromEntries([loom, ...others].map((cable) => [cable.id, cable]));
    const graph = graphOf({ ...demo, aircraft: { ...demo.aircraft, cables } });
    const sheet = pinTable(graph, loom.id);
    expect(sheet?.subtitle).toBe('ESC1 motor to FC1 out 1 to MOT1 phases');
    expect(sheet?.rows.map(([n, from, , , , to, m]) => `${from ?? ''} ${n ?? ''} to ${to ?? ''} ${m ?? ''}`)).toEqual([
      'ESC1 motor A 1 to splice 1 1',
      'ESC1 motor B 2 to splice 2 1',
      'ESC1 motor C 3 to splice 3 1',
      'splice 1 1 to FC1 out 1 S 1',
      'splice 1 1 to MOT1 phases A 1',
      'splice 2 1 to FC1 out 1 V 2',
      'splice 2 1 to MOT1 phases B 2',
      'splice 3 1 to FC1 out 1 GND 3',
      'splice 3 1 to MOT1 phases C 3',
    ]);
  });

  it('the cut list adds up to every wire that has a length, and names those that have none', () => {
    const build = (waste: number) => documentKinds.find((kind) => kind.id === 'cut-list')?.build(graph, 'aircraft', { waste });
    const typed = graph.cables.flatMap((cable) =>
      Object.values(cable.conductors).map((conductor) => cable.legs[conductor.leg]?.typedLengthMm ?? 0),
    );
    const sum = (column: number, waste: number) => (build(waste)?.rows ?? []).reduce((total, row) => total + Number(row[column]), 0);
    expect(sum(2, 0)).toBe(typed.length);
    expect(sum(4, 0)).toBeCloseTo(typed.reduce((a, b) => a + b, 0) / 1000, 1);
    expect(sum(5, 100)).toBeCloseTo(2 * sum(4, 0), 1);
    const servo = itemOf(design, 'SRV1');
    const apart = made(design, { kind: 'place-item', item: servo.id, place: null, was: servo.place ?? null });
    const [leg] = Object.values(cableOf(apart, 'W07').legs);
    if (leg === undefined) throw new Error('W07 has no leg.');
    const was = leg.typedLengthMm ?? null;
    const open = made(apart, { kind: 'set-leg-length', cable: cableOf(apart, 'W07').id, leg: leg.id, lengthMm: null, was });
    expect(documentKinds.find((kind) => kind.id === 'cut-list')?.build(graphOf(open), 'aircraft')?.notes).toEqual([
      'T: length as typed. The others are the route in the layout plus slack.',
      'Not counted, since no length is set: 3 of W07.',
    ]);
  });

  it('a length as typed is told from one that the layout gives, and twisted wires are longer than their cable', () => {
    const w08 = cableOf(design, 'W08');
    const [leg] = Object.values(w08.legs);
    if (leg === undefined) throw new Error('W08 has no leg.');
    const typed = leg.typedLengthMm ?? NaN;
    const sheetOf = (of: Design) => documentKinds.find((kind) => kind.id === 'pin-table')?.build(graphOf(of), w08.id);
    expect(sheetOf(design)?.notes).toContain(`W08: ${stated(typed, 'mm')}, as typed.`);
    const free = made(design, { kind: 'set-leg-length', cable: w08.id, leg: leg.id, lengthMm: null, was: typed });
    expect(sheetOf(free)?.notes).toEqual(
      expect.arrayContaining([expect.stringMatching(/^W08: \d+\smm, its route in the layout plus slack\.$/)]),
    );
    const twisted = made(design, { kind: 'set-leg-twist', cable: w08.id, leg: leg.id, twistMm: 25, was: null });
    expect(sheetOf(twisted)?.rows.map((cells) => cells[4])).toEqual(
      sheetOf(design)?.rows.map((cells) => String(Math.round(Number(cells[4]) * 1.03))),
    );
  });

  it('contacts are counted where a wire is and the contact is not pulled, soldered joints apart', () => {
    const bench = powered('servo-9g-analog');
    bench.wire('SRV1 lead', 'FC1 out1', 'meaning');
    const pulled = made(bench.design, {
      kind: 'set-absent-contacts',
      cable: cableOf(bench.design, 'W02').id,
      node: asId('b'),
      absent: [2],
      was: [],
    });
    const sheet = documentKinds.find((kind) => kind.id === 'contacts')?.build(graphOf(pulled), 'aircraft');
    expect(sheet?.rows).toEqual([
      ['2.54 mm pins', '3', 'plug', '1', '3'],
      ['2.54 mm pins', '3', 'socket', '1', '2'],
      ['power pads', '2', 'soldered', '', '2'],
      ['XT60', '2', 'plug', '1', '2'],
    ]);
    expect(sheet?.subtitle).toBe('7 contacts, 2 soldered joints');
  });

  it('the bill of materials weighs every part, and the wire by its gauge', () => {
    expect(areaMm2(36)).toBeCloseTo(0.012_668, 5);
    expect(areaMm2(10) / areaMm2(16)).toBeCloseTo(4.02, 1);
    const sheet = documentKinds.find((kind) => kind.id === 'bill-of-materials')?.build(graph, 'aircraft');
    const partsG = graph.items.reduce((sum, { part }) => sum + (part?.massG ?? 0), 0);
    expect(sheet?.subtitle).toContain(`parts ${partsG.toFixed(0)}${GAP}g`);
    expect(sheet?.rows.find((row) => row[1] === 'Servo 12 g, metal gear')).toEqual([
      '2',
      'Servo 12 g, metal gear',
      'Servo',
      'SRV1 SRV2',
      '12.5',
      '25.0',
    ]);
  });

  it('labels stand at every end, and flag a pin map of its own', () => {
    const rows = documentKinds.find((kind) => kind.id === 'labels')?.build(graph, 'aircraft')?.rows ?? [];
    expect(rows).toHaveLength(2 * graph.cables.length);
    expect(rows.filter((row) => row[0] === 'W10')).toEqual([
      ['W10', 'RADIO1 UART', 'FC1 S1', 'pins swapped: only here'],
      ['W10', 'FC1 S1', 'RADIO1 UART', 'pins swapped: only here'],
    ]);
    expect(rows.find((row) => row[0] === 'W07')?.[3]).toBe('');
  });

  it('the output card says bank, function and what is on it', () => {
    const assigned = made(design, {
      kind: 'set-output-function',
      item: itemOf(design, 'FC1').id,
      output: 'out2',
      function: 'elevon-left',
      was: null,
    });
    const sheet = documentKinds.find((kind) => kind.id === 'output-card')?.build(graphOf(assigned), itemOf(design, 'FC1').id);
    expect(sheet?.rows[1]).toEqual([
      'out 2',
      '20',
      'A',
      'not planned: PWM or DShot',
      'left elevon',
      '321',
      'roll +60 %, pitch -60 %',
      '1000 1500 2000',
      'SRV1 lead',
      'W07',
      'pin 1, inner row',
    ]);
  });

  it('what can be bought is recognised, and what is soldered or crossed is not', () => {
    const notes = (tag: string) =>
      documentKinds
        .find((kind) => kind.id === 'pin-table')
        ?.build(graph, cableOf(design, tag).id)
        ?.notes.join(' ');
    expect(notes('W07')).toContain('Available ready-made: a servo lead or extension.');
    expect(notes('W15')).toContain('Available ready-made: a straight 4-way cable, 1.25 mm locking.');
    expect(notes('W10')).not.toContain('can be bought');
    expect(notes('W02')).not.toContain('can be bought');
  });

  it('a sheet is read in inches and feet: the heads, the numbers below them, and what goes on behind a number', () => {
    const mm = { title: 'Butt line', kind: 'value', unit: 'mm' } as const;
    expect([headOf(mm), headOf(mm, 'imperial'), headOf({ title: 'Bay', kind: 'words' }, 'imperial')]).toEqual([
      'Butt line mm',
      'Butt line in',
      'Bay',
    ]);
    expect(['508 left', '254', '0', '', 'not set', '12mm', '-25.4'].map((cell) => cellIn(cell, 'mm', 'imperial'))).toEqual([
      '20.00 left',
      '10.00',
      '0.00',
      '',
      'not set',
      '12mm',
      '-1.00',
    ]);
    expect(cellIn(`2 x ${quantity(254, 'mm')} T`, undefined, 'imperial')).toBe('2 x 10.00 in T');
    expect(cellIn('508 left', 'mm', 'metric')).toBe('508 left');
  });

  it('CSV comes back as it went, and holds no formula', () => {
    const rows = [['=1+1', '+5V', '-', '@x', 'a "b", c\r\nd', 'umlaut ä', '', quantity(5, 'mm')]];
    const columns = rows[0]?.map((_cell, i) => ({ title: `c${i}`, kind: 'words' as const })) ?? [];
    const csv = sheetToCsv({ title: 't', subtitle: '', columns, rows, notes: [], cautions: [] });
    expect(csv.startsWith('\uFEFF')).toBe(true);
    const read = Papa.parse<string[]>(csv.slice(1).trimEnd()).data;
    expect(read[1]).toEqual(["'=1+1", "'+5V", "'-", "'@x", 'a "b", c\r\nd', 'umlaut ä', '', '5 mm']);
  });
});

describe('the wiring sheet', () => {
  const graph = graphOf(demoDesign());
  const model = sheetModel(graph);

  it('has the controller as its spine with every port, used or not', () => {
    const spine = model.boxes.find((box) => box.is === 'spine');
    expect(spine?.ref).toBe('FC1');
    expect(spine?.ports).toHaveLength(19);
    expect(spine?.column).toBe(0);
  });

  it('puts cards beside the ports they are joined to, and what hangs on them further out', () => {
    const columns = Object.fromEntries(model.boxes.map((box) => [box.ref, box.column]));
    expect(columns).toMatchObject({ RADIO1: -1, RX1: -1, BAT1: -1, ESC1: 1, SRV1: 1, CAM1: 1, MOT1: 2 });
    expect(model.unwired.map((id) => graph.items[graph.itemIx.get(id) ?? -1]?.item.ref)).toEqual(['BZ1']);
  });

  it('keeps pins inside their boxes, apart from each other, and in physical order', () => {
    for (const box of model.boxes) {
      for (const side of ['left', 'right'] as const) {
        const ys = box.pins.filter((pin) => pin.side === side).map((pin) => pin.y);
        expect(ys).toEqual([...ys].sort((a, b) => a - b));
        expect(new Set(ys).size).toBe(ys.length);
        for (const y of ys) expect(y > 0 && y < box.height).toBe(true);
      }
    }
  });

  it('draws every conductor from left to right between pins that are there', () => {
    const pins = new Map(model.boxes.flatMap((box) => box.pins.map((pin) => [pin.key, box.column] as const)));
    expect(model.wires).toHaveLength(graph.cables.reduce((sum, cable) => sum + Object.keys(cable.conductors).length, 0));
    for (const wire of model.wires) expect(pins.get(wire.from) ?? NaN).toBeLessThanOrEqual(pins.get(wire.to) ?? NaN);
  });

  it('shows one item and its neighbours of a large aircraft, and leaves free ports out where it is asked to', () => {
    const refs = (scope: Parameters<typeof sheetModel>[1]) => sheetModel(graph, scope).boxes.map((box) => box.ref);
    expect(refs({ only: withNeighbours(graph, itemOf(demoDesign(), 'ESC1').id) })).toEqual(['BEC1', 'ESC1', 'FC1', 'MOT1']);
    const around = sheetModel(graph, { only: withNeighbours(graph, itemOf(demoDesign(), 'MOT1').id) });
    expect([around.boxes.map((box) => box.ref), around.wires.length]).toEqual([['ESC1', 'MOT1'], 3]);
    const used = sheetModel(graph, { usedPortsOnly: true });
    expect(used.wires).toHaveLength(model.wires.length);
    expect(used.boxes.flatMap((box) => box.ports).every((entry) => entry.cables.length > 0)).toBe(true);
    expect(used.boxes.every((box) => box.height > 0)).toBe(true);
  });

  it('gives the engine every box and wire once, and reads places and corners back', () => {
    const input = engineGraph(model);
    expect(input.children).toHaveLength(model.boxes.length);
    expect(new Set(input.edges.map((edge) => edge.id)).size).toBe(model.wires.length);
    const layout = readLayout({
      width: 10,
      height: 20,
      children: [{ id: 'x', x: 1, y: 2 }],
      edges: [{ id: 'e', sections: [{ startPoint: { x: 0, y: 0 }, bendPoints: [{ x: 5, y: 0 }], endPoint: { x: 5, y: 9 } }] }],
    });
    expect(layout.boxes.get('x')).toEqual({ x: 1, y: 2 });
    expect(layout.wires.get('e')).toEqual([
      { x: 0, y: 0 },
      { x: 5, y: 0 },
      { x: 5, y: 9 },
    ]);
  });
});

describe('wires', () => {
  it('get a gauge that both contacts take, wherever one does', () => {
    for (const a of connectorFamilies) {
      for (const b of connectorFamilies) {
        const ends = [a, b].map((family) => ({ family, positions: 2, gender: 'plug' as const }));
        const [first, second] = ends;
        if (first === undefined || second === undefined) continue;
        const both = AWG_SIZES.filter((awg) => ends.every((end) => contactTakes(end, awg)));
        const awg = gaugeFor(first, second);
        expect(awg).toBe(gaugeFor(second, first));
        if (both.length > 0) expect(both).toContain(awg);
      }
    }
  });

  it('take the colours of the scheme when they are recoloured, and once is enough', () => {
    const design = made(demoDesign(), { kind: 'set-colour-scheme', scheme: 'servo-style', was: 'by-signal' });
    const plains = (now: Design) => {
      const graph = graphOf(now);
      return graph.cables.map((cable) => plainCable(graph, cable)).filter((plain) => plain !== undefined);
    };
    const edits = recolourEdits(graphOf(design), plains(design));
    const after = made(design, { kind: 'batch', title: 'Recolour', edits });
    const w07 = Object.values(cableOf(after, 'W07').conductors).map((conductor) => [conductor.a.n, conductor.colour]);
    expect(w07.sort()).toEqual([
      [1, 'orange'],
      [2, 'red'],
      [3, 'brown'],
    ]);
    expect(recolourEdits(graphOf(after), plains(after))).toEqual([]);
  });
});
