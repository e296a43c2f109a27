import { describe, expect, it } from '@jest/globals';
import { findingsOf } from '../checks/findingsOf.ts';
import { exchangeMapOf } from '../edits/exchangeMap.ts';
import { graphOf } from '../graph/graphOf.ts';
import { portPlace, type CableEndAt } from '../model/aircraft.ts';
import type { Design } from '../model/design.ts';
import { sampleParts } from '../parts/catalogue.ts';
import { bench } from '../test/checkCases/build.ts';
import { cableOf, findingsBy, itemOf } from '../test/designs.ts';
import { freePortsBeside } from '../checks/links/serialRemedies.ts';
import { endName, serialEnds } from '../links/serialHops.ts';
import { outputCard } from '../outputs/documents/outputCard.ts';
import { portCard } from './documents/portCard.ts';
import { sheetModel } from './wiringSheet/sheetModel.ts';

/** Three servos side by side on the row of a board, and its serial row with a radio. */
function rowed() {
  const one = bench('controller-f7-rows', 'servo-9g-analog', 'servo-9g-analog', 'servo-9g-analog', 'radio-900-class');
  for (const ref of ['SRV1', 'SRV2', 'SRV3']) one.wire(`${ref} lead`, 'FC1 servos');
  one.wire('RADIO1 UART', 'FC1 comms');
  return one.design;
}

/** The design with the second end of a cable somewhere else, whether an edit would put it there or not. */
function withEndAt(design: Design, tag: string, at: CableEndAt): Design {
  const cable = cableOf(design, tag);
  const [, end] = Object.values(cable.nodes);
  if (end?.is !== 'end') throw new Error(`${tag} has no second end.`);
  const moved = { ...cable, nodes: { ...cable.nodes, [end.id]: { ...end, at } } };
  return { ...design, aircraft: { ...design.aircraft, cables: { ...design.aircraft.cables, [cable.id]: moved } } };
}

describe('a row of pins', () => {
  it('has on the output card what is on the pin of each output, and no more', () => {
    const design = rowed();
    const rows = outputCard(graphOf(design), itemOf(design, 'FC1').id)?.rows ?? [];
    expect(rows.map((cells) => `${cells[8] ?? ''}: ${cells[9] ?? ''}`)).toEqual([
      'SRV1 lead: W01',
      'SRV2 lead: W02',
      'SRV3 lead: W03',
      ': ',
      ': ',
      ': ',
    ]);
  });

  it('has on the port card every serial port of it', () => {
    const design = rowed();
    const row = portCard(graphOf(design), itemOf(design, 'FC1').id)?.rows.find(([label]) => label === 'comms');
    expect(row?.slice(1, 3)).toEqual(['UART2, UART3, UART6', '8, 11, 5']);
    const usb = portCard(graphOf(design), itemOf(design, 'FC1').id)?.rows.find(([label]) => label === 'USB');
    expect(usb?.slice(1, 3)).toEqual(['', '']);
  });

  it('tells the three names of those of its serial ports that have a plug', () => {
    const said = findingsBy(rowed(), 'link.port-names').flatMap(({ evidence }) => evidence.map(({ label }) => label));
    expect(said).toEqual(['FC1 K1']);
  });

  it('has the tag of each cable beside the pins that its plug is over', () => {
    const box = sheetModel(graphOf(rowed())).boxes.find(({ ref }) => ref === 'FC1');
    const servos = box?.ports.find(({ port }) => port.id === 'servos');
    const pinAt = (n: number) => box?.pins.find(({ port, pin }) => port === 'servos' && pin.n === n)?.y;
    expect(servos?.cables.map(({ middle }) => middle)).toEqual([pinAt(2), pinAt(5), pinAt(8)]);
  });

  it('is judged by what the plug is over: a straight cable there burns something', () => {
    const one = bench('controller-f7-rows', 'companion-small-5v');
    one.wire('CC1 header', 'FC1 comms', 'straight');
    const found = findingsBy(one.design, 'wire.fits-but-wrong');
    expect(found.map(({ evidence }) => evidence.map(({ label, value }) => `${label}: ${value}`))).toEqual([
      ['pin 2: 5V of CC1 meets GND of FC1'],
    ]);
  });

  it('gives an output that nothing is on to what is in use, when a shorter board comes', () => {
    const one = bench('controller-f7-rows', 'servo-9g-analog');
    const item = itemOf(one.design, 'FC1');
    one.wire('SRV1 lead', 'FC1 servos');
    const shifted = withEndAt(one.design, 'W01', portPlace(item.id, 'servos', 15));
    const [from, to] = ['controller-f7-rows', 'controller-f4-stack'].map((id) => sampleParts.find((part) => part.id === id));
    if (from === undefined || to === undefined) throw new Error('A part is missing.');
    const { outputs } = exchangeMapOf(shifted, item.id, from, to);
    expect(outputs.find((row) => row.from === 's6')?.to).not.toBeNull();
    expect(outputs.find((row) => row.from === 's1')?.to).toBeNull();
  });

  it('breaks nothing where a file has a plug far beyond its end, or an offset in a port that is no row', () => {
    const design = rowed();
    const fc = itemOf(design, 'FC1').id;
    for (const at of [portPlace(fc, 'servos', 60), portPlace(fc, 'servos', 17), portPlace(itemOf(design, 'RADIO1').id, 'UART', 3)]) {
      const strange = withEndAt(design, 'W02', at);
      expect(() => findingsOf(strange)).not.toThrow();
      expect(() => sheetModel(graphOf(strange))).not.toThrow();
      expect(() => outputCard(graphOf(strange), fc)).not.toThrow();
    }
  });

  it('is no place to move a link to where it holds several serial ports: wires by role could meet another of them', () => {
    const free = (part: string): readonly string[] => {
      const graph = graphOf(bench(part).design);
      const [first] = serialEnds(graph);
      if (first === undefined) throw new Error(`${part} has no serial port.`);
      return freePortsBeside(graph, first).map(endName);
    };
    expect(free('controller-f7-rows')).toEqual([]);
    expect(free('controller-f4-wing').length).toBeGreaterThan(2);
  });
});
