import type { Part } from '../model/part.ts';
import { buck, logic3V3, logicPulse, samplePart, wiredPort, type RawElement, type Row, type WiredPort } from './build.ts';

const railLead = (id: string, label: string, gender: 'pins' | 'socket', supply: Row): WiredPort =>
  wiredPort(id, ['pin-2.54', gender], [['-', 'nc'], supply, ['GND', 'gnd', '@gnd']], { label, ...(id === 'out' ? { needed: true } : {}) });

const battery: WiredPort = wiredPort(
  'battery',
  ['power-pad', 'pads'],
  [
    ['+', 'supply-in', '@bat'],
    ['-', 'gnd', '@gnd'],
  ],
  { needed: true },
);

const motor = (id: string, label: string, node: `@${string}`): WiredPort =>
  wiredPort(
    id,
    ['power-pad', 'pads'],
    [
      ['+', 'supply-out', node],
      ['-', 'gnd', '@gnd'],
    ],
    { label },
  );

const supply = (id: string, label: string, node: `@${string}`): WiredPort =>
  wiredPort(
    id,
    ['solder-pad', 'pads'],
    [
      ['V', 'supply-out', node],
      ['GND', 'gnd', '@gnd'],
    ],
    { label },
  );

const onBoard = (id: string, from: `@${string}`, out: `@${string}`, setV: number, continuousA: number): RawElement =>
  buck(id, {
    in: from,
    out,
    gnd: '@gnd',
    setV,
    inputMinV: setV + 2,
    inputMaxV: 27,
    dropoutV: 1,
    efficiency: 0.9,
    quiescentA: 0.01,
    continuousA,
    burstA: continuousA * 1.3,
    burstS: 5,
  });

/** An end for a pack, or for the aircraft. */
function packEnd(id: string, gender: 'pins' | 'socket', plus: Row, minus: Row, plug: 'XT60' | 'XT90' = 'XT60'): WiredPort {
  return wiredPort(id, [plug, gender], [plus, minus], { label: id === 'out' ? 'to the aircraft' : `pack ${id}`, needed: true });
}

/** A lead between two packs and what they feed, with the plugs of the packs. */
function packLead(way: 'series' | 'parallel', plug: 'XT60' | 'XT90', massG: number): Part {
  const isSeries = way === 'series';
  return samplePart({
    id: `lead-${way}-${plug.toLowerCase()}`,
    kind: 'distribution',
    name: `Lead, two packs in ${way}, ${plug}`,
    summary: isSeries
      ? 'The minus of pack A to the plus of pack B: the voltages add up, the capacity is that of one pack. Two packs of one kind and one age only.'
      : 'Plus to plus and minus to minus: the capacities add up. Bring both packs to the same voltage before joining them.',
    massG,
    sizeMm: [120, 20, 12],
    ports: [
      packEnd('A', 'pins', ['+', 'supply-in', '@bat'], ['-', 'gnd', isSeries ? '@middle' : '@gnd'], plug),
      packEnd('B', 'pins', ['+', 'supply-in', isSeries ? '@middle' : '@bat'], ['-', 'gnd', '@gnd'], plug),
      packEnd('out', 'socket', ['+', 'supply-out', '@bat'], ['-', 'gnd', '@gnd'], plug),
    ],
    circuit: [],
    cautions: ['battery'],
  });
}

const OUTPUTS = [1, 2, 3, 4, 5, 6];

/** Signal, rail and ground of six outputs side by side, as the row of a bare controller has them. */
const stackRow = OUTPUTS.flatMap((n): Row[] => [
  [`S${n}`, 'pulse-in', logicPulse],
  ['V', 'supply-out', '@rail'],
  ['GND', 'gnd', '@gnd'],
]);

export const distribution: readonly Part[] = [
  samplePart({
    id: 'output-board-stacked-6',
    kind: 'distribution',
    name: 'Stacked output board, 6 outputs, 6 V 5 A',
    summary:
      'Sits with its socket on the output row of a bare controller, without a cable: it passes the six signals on to pins of its own, and feeds the rail from the pack.',
    massG: 14,
    sizeMm: [48, 24, 12],
    ports: [
      battery,
      wiredPort('stack', ['pin-2.54', 'socket'], stackRow, { needed: true }),
      ...OUTPUTS.map((n) =>
        wiredPort(
          `out${n}`,
          ['pin-2.54', 'pins'],
          [
            ['S', 'pulse-out', logic3V3],
            ['V', 'supply-out', '@rail'],
            ['GND', 'gnd', '@gnd'],
          ],
          { label: `out ${n}` },
        ),
      ),
    ],
    circuit: [
      ...OUTPUTS.map((n): RawElement => ({ is: 'link', id: `pass-${n}`, a: `stack.${n * 3 - 2}`, b: `out${n}.1`, ohm: 0 })),
      onBoard('rail', '@bat', '@rail', 6, 5),
    ],
  }),
  samplePart({
    id: 'combiner-two-inputs',
    kind: 'distribution',
    name: 'Supply combiner, 2 inputs',
    summary: 'Two supplies onto one rail through transistors that act as diodes, so that they never feed each other. 10 A per input.',
    massG: 9,
    sizeMm: [30, 20, 6],
    ports: [
      railLead('A', 'in A', 'pins', ['V', 'supply-in']),
      railLead('B', 'in B', 'pins', ['V', 'supply-in']),
      railLead('out', 'out', 'socket', ['V', 'supply-out']),
    ],
    circuit: [
      { is: 'diode', id: 'diode-a', from: 'A.2', to: 'out.2', dropV: 0.06, maxA: 10 },
      { is: 'diode', id: 'diode-b', from: 'B.2', to: 'out.2', dropV: 0.06, maxA: 10 },
    ],
  }),
  samplePart({
    id: 'combiner-two-packs-60a',
    kind: 'distribution',
    name: 'Ideal-diode board for two packs, 60 A',
    summary:
      'Two packs onto one supply through transistors that act as diodes: the higher one feeds, neither charges the other, and either may be pulled. 60 A per input, up to 12 cells.',
    massG: 46,
    sizeMm: [62, 48, 14],
    ports: [
      packEnd('A', 'pins', ['+', 'supply-in'], ['-', 'gnd', '@gnd']),
      packEnd('B', 'pins', ['+', 'supply-in'], ['-', 'gnd', '@gnd']),
      packEnd('out', 'socket', ['+', 'supply-out'], ['-', 'gnd', '@gnd']),
    ],
    circuit: [
      { is: 'diode', id: 'diode-a', from: 'A.1', to: 'out.1', dropV: 0.04, maxA: 60 },
      { is: 'diode', id: 'diode-b', from: 'B.1', to: 'out.1', dropV: 0.04, maxA: 60 },
    ],
    cautions: ['battery'],
  }),
  samplePart({
    id: 'distribution-two-regulators',
    kind: 'distribution',
    name: 'Distribution board, 5 V and 12 V regulators',
    summary: 'Pack in, four pairs of motor pads out, 5 V 3 A and 12 V 2 A beside. Up to 6 cells.',
    massG: 17,
    sizeMm: [50, 50, 6],
    ports: [
      battery,
      motor('m1', 'motor 1', '@bat'),
      motor('m2', 'motor 2', '@bat'),
      motor('m3', 'motor 3', '@bat'),
      motor('m4', 'motor 4', '@bat'),
      supply('v5', '5 V', '@5v'),
      supply('v12', '12 V', '@12v'),
    ],
    circuit: [onBoard('reg-5v', '@bat', '@5v', 5, 3), onBoard('reg-12v', '@bat', '@12v', 12, 2)],
  }),
  samplePart({
    id: 'distribution-plain-bus',
    kind: 'distribution',
    name: 'Distribution bus, plain',
    summary: 'Two copper bars with pads for the pack and six branches; no regulator, no sensor.',
    massG: 14,
    sizeMm: [60, 22, 5],
    ports: [battery, ...[1, 2, 3, 4, 5, 6].map((n) => motor(`b${n}`, `branch ${n}`, '@bat'))],
  }),
  samplePart({
    id: 'distribution-wing-sensing',
    kind: 'distribution',
    name: 'Wing power board, motor current sensing',
    summary: 'Pack in, two motor outputs behind one 100 A sense element with an analog signal, 5 V 4 A servo supply beside.',
    massG: 21,
    sizeMm: [46, 34, 8],
    ports: [
      battery,
      motor('m1', 'motor 1', '@sensed'),
      motor('m2', 'motor 2', '@sensed'),
      supply('servo', 'servo supply', '@5v'),
      wiredPort(
        'sense',
        ['locking-1.25', 'socket'],
        [
          ['CUR', 'analog-out', { highV: 3.3, inputMaxV: 3.6 }],
          ['VLT', 'analog-out', { highV: 3.3, inputMaxV: 3.6 }],
          ['GND', 'gnd', '@gnd'],
        ],
        { label: 'sense' },
      ),
    ],
    circuit: [
      { is: 'sense', id: 'motor-current', a: '@bat', b: '@sensed', ohm: 0.0002, fullScaleA: 100 },
      onBoard('reg-5v', '@bat', '@5v', 5, 4),
    ],
    endpoints: [
      { is: 'analog-out', id: 'current', pin: 'sense.1', fullScaleV: 3.3, purpose: 'battery current' },
      { is: 'analog-out', id: 'volts', pin: 'sense.2', fullScaleV: 3.3, purpose: 'battery voltage' },
    ],
    monitor: { voltsPerV: 12.1, ampsPerV: 30.3 },
  }),
  packLead('series', 'XT60', 21),
  packLead('series', 'XT90', 38),
  packLead('parallel', 'XT60', 22),
  packLead('parallel', 'XT90', 40),
];
