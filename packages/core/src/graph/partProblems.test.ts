import { describe, expect, it } from '@jest/globals';
import { withPlainSpaces } from '../text/numbers.ts';
import type { Part } from '../model/part.ts';
import { sampleParts } from '../parts/catalogue.ts';
import { partProblems } from './partProblems.ts';

function sample(id: string): Part {
  const part = sampleParts.find((candidate) => candidate.id === id);
  if (part === undefined) throw new Error(`There is no ${id}.`);
  return part;
}
const gnss = sample('gnss-serial');
const board = sample('controller-f4-wing');
const camera = sample('camera-analog-5v');
const receiver = sample('receiver-sbus-rssi');
const motor = sample('motor-28mm-9x6');

/** A part with its first port changed. */
function port(part: Part, change: (port: Part['ports'][number]) => Part['ports'][number]): Part {
  return { ...part, ports: part.ports.map((each, i) => (i === 0 ? change(each) : each)) };
}
function radios(part: Part, change: (radio: NonNullable<Part['radios']>[number]) => NonNullable<Part['radios']>[number]): Part {
  return { ...part, radios: (part.radios ?? []).map(change) };
}
const load = (part: Part, change: object): Part => ({
  ...part,
  circuit: part.circuit.map((element) => (element.is === 'load' ? { ...element, ...change } : element)),
});

describe('a part', () => {
  it.each<readonly [string, Part, string]>([
    ['two ports of one name', { ...gnss, ports: [...gnss.ports, ...gnss.ports] }, 'Two of its ports are named "UART".'],
    [
      'a way to set what it has no setting for',
      { ...gnss, how: [{ settings: ['UART.speed'], how: { is: 'jumper', jumper: 'J1' } }] },
      'It says how to set "UART.speed", which is not one of its settings.',
    ],
    [
      'a menu over a port that is not there',
      { ...gnss, how: [{ settings: ['UART.baud'], how: { is: 'menu', tool: 'tool', menu: 'Speed', over: 'COM' } }] },
      'The setting "UART.baud" is set over a port that does not exist.',
    ],
    [
      'an antenna of a radio that is not there',
      radios(receiver, (radio) => (radio.diversityOf === undefined ? radio : { ...radio, diversityOf: 'x' })),
      'The antenna "rc2" belongs to a radio that does not exist.',
    ],
    [
      'a heading line with one end',
      radios(gnss, (radio) => ({ ...radio, heading: 'first' })),
      'A heading baseline needs one first and one second antenna.',
    ],
    [
      'a turn chosen by another setting',
      { ...motor, spin: { is: 'by-setting', setting: 'colour' } },
      'The setting "colour" does not choose between clockwise and counter-clockwise.',
    ],
    [
      'a lost link in a format that it does not speak',
      {
        ...receiver,
        endpoints: receiver.endpoints.map((each) =>
          each.is === 'rc-out' && each.id === 'ch1' ? { ...each, lossSignal: [{ format: 'crsf', signal: 'flag' as const }] } : each,
        ),
      },
      'The endpoint "ch1" states its loss behaviour for crsf, which it does not use.',
    ],
    [
      'a signal strength at an output that it does not have',
      {
        ...receiver,
        endpoints: receiver.endpoints.map((each) =>
          each.is === 'rc-out' && each.id === 'ch1'
            ? { ...each, tells: [{ what: 'strength' as const, is: 'output' as const, endpoint: 'METER' }] }
            : each,
        ),
      },
      'The endpoint "ch1" reports link quality at the output "METER", which the part does not have.',
    ],
    ['two endpoints of one name', { ...gnss, endpoints: [...gnss.endpoints, ...gnss.endpoints] }, 'Two of its endpoints are named "UART".'],
    ['two elements of one name', { ...gnss, circuit: [...gnss.circuit, ...gnss.circuit] }, 'Two of its circuit elements are named'],
    [
      'pins out of order',
      port(gnss, (one) => ({ ...one, pins: [...one.pins].reverse() })),
      'The pins of port "UART" are not numbered from 1 in their order.',
    ],
    [
      'a connector of another size',
      port(gnss, (one) => ({ ...one, connector: { ...one.connector, positions: 5 } })),
      'Port "UART" has 4 pins in a connector of 5 positions.',
    ],
    [
      'no ground',
      port(gnss, (one) => ({ ...one, pins: one.pins.map((pin) => (pin.role === 'gnd' ? { ...pin, role: 'nc' as const } : pin)) })),
      'Port "UART" has no ground and does not say why.',
    ],
    [
      'a signal without a level',
      port(gnss, (one) => ({ ...one, pins: one.pins.map(({ logic: _logic, ...pin }) => pin) })),
      'Pin 2 (TX) of port "UART" is a signal without a level.',
    ],
    ['an element on a pin that is not there', load(gnss, { supply: 'UART.9' }), 'uses the pin UART.9, which does not exist.'],
    [
      'an endpoint on a pin that is not there',
      { ...gnss, endpoints: gnss.endpoints.map((each) => (each.is === 'uart' ? { ...each, tx: 'UART.9' } : each)) },
      'The endpoint "UART" uses the pin UART.9, which does not exist.',
    ],
    [
      'an endpoint on a pin of another role',
      { ...gnss, endpoints: gnss.endpoints.map((each) => (each.is === 'uart' ? { ...each, tx: 'UART.3', rx: 'UART.2' } : each)) },
      'The endpoint "UART" is on pin UART.3, whose role is rx and not tx.',
    ],
    [
      'two signals on one pin',
      { ...gnss, endpoints: [...gnss.endpoints, ...gnss.endpoints.map((each) => ({ ...each, id: 'UART2' }))] },
      'The endpoints UART and UART2 share pin UART.2, and are not declared exclusive.',
    ],
    [
      'a supply that nothing reaches',
      { ...gnss, circuit: gnss.circuit.filter(({ is }) => is !== 'load') },
      'No element of the circuit uses the supply pin 1 (V)',
    ],
    ['a load outside of its window', load(gnss, { nominalV: 9 }), 'its nominal 9 V is outside.'],
    ['currents that fall', load(gnss, { typicalA: 9 }), 'do not rise from idle to typical to peak.'],
    [
      'an output in two banks',
      { ...board, board: { sensors: [], banks: [...(board.board?.banks ?? []), { id: 'Z', outputs: ['out1'] }] } },
      'The output "out1" is in two banks.',
    ],
    [
      'an output in no bank',
      { ...board, board: { sensors: [], banks: (board.board?.banks ?? []).slice(1) } },
      'The output "out1" is declared in bank A, which does not contain it.',
    ],
    [
      'a bank of an output that is not there',
      { ...board, board: { sensors: [], banks: [...(board.board?.banks ?? []), { id: 'Z', outputs: ['out99'] }] } },
      'A bank contains the output "out99", which does not exist.',
    ],
    [
      'a delivered value that the setting does not take',
      { ...camera, settings: camera.settings.map((spec) => (spec.is === 'choice' ? { ...spec, default: 'SECAM' } : spec)) },
      'The setting "standard" has a default that is not one of its values.',
    ],
    [
      'a route to nowhere',
      { ...gnss, routes: [{ from: 'UART', to: 'gone', transform: 'none' }] },
      'A route goes through "gone", which is neither an endpoint nor a radio of it.',
    ],
    ['a caution that nobody wrote', { ...gnss, cautions: ['beware'] }, 'The caution "beware" is not known.'],
  ])('with %s is told so', (_, part, words) => {
    expect(withPlainSpaces(partProblems(part).join(' '))).toContain(words);
  });

  it('is looked at under every choice of a setting', () => {
    const broken: Part = {
      ...camera,
      endpoints: camera.endpoints.map((each) => (each.is === 'video-out' && each.id === 'ntsc' ? { ...each, pin: 'AV.9' } : each)),
    };
    expect(partProblems(broken)).toEqual(['The endpoint "ntsc" uses the pin AV.9, which does not exist.']);
  });
});
