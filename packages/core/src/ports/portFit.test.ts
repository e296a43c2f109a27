import { describe, expect, it } from '@jest/globals';
import { findingsOf } from '../checks/findingsOf.ts';
import { mudflat } from '../demo/mudflat.ts';
import { reedbed } from '../demo/reedbed.ts';
import { saltmarsh } from '../demo/saltmarsh.ts';
import { numbered } from '../dialects/numbered.ts';
import { roleTable } from '../dialects/roleTable.ts';
import { graphOf } from '../graph/graphOf.ts';
import { chainsOf } from '../links/chains/chainsOf.ts';
import type { Design } from '../model/design.ts';
import { asId, type AircraftId } from '../model/ids.ts';
import { withPlainSpaces } from '../text/numbers.ts';
import { bench, withDialect } from '../test/checkCases/build.ts';
import { cableOf, countingIds, itemOf, made } from '../test/designs.ts';
import { linkSeekers } from './linkSeekers.ts';
import { portBoard, type PortBoard } from './portBoard.ts';
import { planPorts } from './planPorts.ts';
import { takePlan } from './takePlan.ts';

const F4 = 'controller-f4-wing';
const H7 = 'controller-h7-carrier';

function boardOf(design: Design): PortBoard {
  const board = portBoard(graphOf(design));
  if (board === undefined) throw new Error('There is no plan.');
  return board;
}

/** What a cell says, by the title of its link and what is printed beside its port. */
function cell(design: Design, link: string, label: string): string {
  const { rows, columns } = boardOf(design);
  const row = rows.find(({ title }) => title === link);
  const words = row?.cells[columns.findIndex((column) => column.label === label)]?.words;
  return words === undefined ? 'no such cell' : withPlainSpaces(words);
}

const planned = (design: Design): Readonly<Record<string, string>> => {
  const { rows, columns } = boardOf(design);
  return Object.fromEntries(rows.map(({ title, planned: key }) => [title, columns.find((column) => column.key === key)?.label ?? 'none']));
};
const demo = (make: typeof saltmarsh): Design => make(asId<AircraftId>('demo'), countingIds());

describe('a link at a port', () => {
  it.each<[string, string, string, string, string]>([
    ['receiver-crsf-full', F4, 'RX1 RC control', 'S2 rc in', 'it goes one way only, and CRSF goes both ways'],
    ['receiver-sbus-16', F4, 'RX1 RC control', 'S1', 'it cannot invert, and RX1 sends inverted: with an inverter in the wire'],
    ['receiver-sbus-16', F4, 'RX1 RC control', 'S2 rc in', 'it is soldered'],
    ['receiver-ppm-8', 'controller-8-bit-carrier', 'RX1 RC control', 'in 2', 'it reads PWM, and PPM arrives'],
    ['radio-900-class', F4, 'RADIO1 telemetry', 'S6', 'software port: bytes are lost at times'],
    ['payload-gimbal-serial', F4, 'PAY1 payload', 'S6', 'it does not speak gimbal control'],
    ['gnss-serial', F4, 'GNSS1 position', 'S2 rc in', 'it does not speak GNSS binary'],
    ['airspeed-can-7k', F4, 'ASPD1 airspeed', 'S1', 'another kind of port'],
    ['power-module-analog-60a', 'controller-h7-wing', 'PM1 battery', 'analog', 'it has no input for battery current'],
  ])('%s on %s: %s on %s: %s', (device, board, link, port, words) => {
    expect(cell(bench(board, device).design, link, port)).toBe(words);
  });

  it('is not one that the firmware does not take there', () => {
    const design = withDialect(bench(F4, 'radio-900-class').design, roleTable);
    expect(cell(design, 'RADIO1 telemetry', 'S6')).toBe('MAVLink needs a hardware port.');
    const sticks = (...receivers: readonly string[]): number =>
      Object.values(planned(withDialect(bench(H7, ...receivers).design, numbered))).filter((port) => port === 'none').length;
    expect([
      sticks('receiver-sbus-16', 'receiver-sbus-rssi'),
      sticks('receiver-sbus-16', 'receiver-crsf-full'),
      sticks('receiver-sbus-16'),
    ]).toEqual([1, 1, 0]);
  });

  it('is not one where something else is, and may be one where its own cable is pinned wrongly', () => {
    const held = demo(mudflat);
    expect(cell(held, 'PAY1 payload', 'extra')).toMatch(/^W\d+ is connected to it$/);
    expect(cell(demo(reedbed), 'RNG1 height above ground', 'S3')).toContain('the present cable has to be remade');
  });

  it('goes no higher than the port reads', () => {
    const { design } = bench('controller-h7-wing', 'airspeed-analog-2k');
    expect(planned(design)['ASPD1 airspeed']).toBe('analog');
    const parts = new Map(
      [...design.parts].map(([key, part]) => [
        key,
        { ...part, endpoints: part.endpoints.map((one) => (one.is === 'analog-sense' ? { ...one, fullScaleV: 3.3 } : one)) },
      ]),
    );
    expect(cell({ ...design, parts }, 'ASPD1 airspeed', 'analog')).toBe('airspeed exceeds its range');
  });
});

describe('links of one plug', () => {
  it('get one socket where there is one, and two ports where both are serial', () => {
    const two = planned(bench(H7, 'gnss-serial', 'gnss-compass-i2c').design);
    expect(two['GNSS2 compass']).toBe(`${two['GNSS2 position'] ?? ''} I2C`);
    const ports = planned(bench(H7, 'receiver-sbus-telemetry').design);
    expect(Object.values(ports)).not.toContain('none');
    expect(new Set(Object.values(ports)).size).toBe(2);
  });

  it('are not on one serial port together, also where a person wants both there', () => {
    const { design } = bench(H7, 'receiver-sbus-telemetry');
    const port = `${itemOf(design, 'FC1').id} D`;
    const keys = ['rc', 'reports'].map((kind) => `${kind}.${itemOf(design, 'RX1').id}`);
    const plan = planPorts(graphOf(design), { pins: new Map(keys.map((key) => [key, port])) });
    expect(plan?.links.map(({ seeker, fit }) => [seeker.title, fit?.port.title])).toEqual([
      ['RX1 RC control', 'FC1 aux D'],
      ['RX1 telemetry to the RC transmitter', undefined],
    ]);
  });

  it('stay whole when one of them moves', () => {
    const design = demo(saltmarsh);
    const pins = new Map([[`position.${itemOf(design, 'GNSS1').id}`, `${itemOf(design, 'FC1').id} F`]]);
    const plan = planPorts(graphOf(design), { pins });
    const edit = plan === undefined ? undefined : takePlan(graphOf(design), plan).edit;
    if (edit === undefined) throw new Error('Nothing moves.');
    const after = made(design, edit);
    const states = chainsOf(graphOf(after)).filter(({ kind }) => kind.id === 'position' || kind.id === 'heading');
    expect(states.map(({ state }) => state.is)).toEqual(['agrees', 'agrees']);
  });
});

describe('a plan that is taken', () => {
  it('feeds nothing that is fed already', () => {
    const design = demo(saltmarsh);
    const data = Object.values(design.aircraft.cables).find(({ nodes }) => {
      const at = Object.values(nodes).flatMap((node) => (node.is === 'end' && node.at.is === 'port' ? [node.at.item] : []));
      return at.includes(itemOf(design, 'CC1').id) && at.includes(itemOf(design, 'FC1').id);
    });
    const without = made(design, { kind: 'remove-cable', cable: cableOf(design, data?.tag ?? '').id });
    const plan = planPorts(graphOf(without));
    const edit = plan === undefined ? undefined : takePlan(graphOf(without), plan).edit;
    if (edit === undefined) throw new Error('Nothing is wired.');
    const bad = findingsOf(made(without, edit)).filter(({ severity, check }) => severity !== 'note' && check.startsWith('power.'));
    expect(bad.map(({ what }) => what)).toEqual([]);
  });

  it('leaves alone what is wired to something else than a controller', () => {
    const one = bench(H7, 'companion-small-5v', 'radio-900-class');
    one.wire('RADIO1 UART', 'CC1 header');
    expect(linkSeekers(graphOf(one.design)).map(({ title }) => title)).toEqual(['CC1 companion']);
  });
});
