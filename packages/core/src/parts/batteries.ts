import { stated, withPlainSpaces } from '../text/numbers.ts';
import type { ConnectorFamily } from '../model/connector.ts';
import type { Part } from '../model/part.ts';
import { samplePart, wiredPort } from './build.ts';

interface Pack {
  readonly id: string;
  readonly chemistry: 'lipo' | 'li-ion';
  readonly cells: number;
  readonly capacityMah: number;
  readonly internalOhm: number;
  readonly continuousA: number;
  readonly plug: ConnectorFamily;
  readonly massG: number;
  readonly sizeMm: readonly [number, number, number];
}

const CHEMISTRY = { lipo: 'LiPo', 'li-ion': 'Li-ion' } as const;
const WORDS = ['', 'One cell', 'Two cells', 'Three cells', 'Four cells', 'Five cells', 'Six cells'] as const;

/** A pack differs from the next only in its figures. */
function pack(figures: Pack): Part {
  const { id, chemistry, cells, capacityMah, internalOhm, continuousA, plug, massG, sizeMm } = figures;
  return samplePart({
    id,
    kind: 'battery',
    name: `Battery ${CHEMISTRY[chemistry]} ${cells}S, ${withPlainSpaces(stated(capacityMah, 'mAh'))}`,
    summary: `${WORDS[cells] ?? cells} in series, ${plug}, ${stated(continuousA, 'A')} continuous. ${stated(cells * 4.2, 'V')} when full.`,
    massG,
    sizeMm,
    ports: [
      wiredPort(
        'main',
        [plug, 'socket'],
        [
          ['+', 'supply-out'],
          ['-', 'gnd'],
        ],
        { needed: true },
      ),
    ],
    circuit: [{ is: 'battery', id: 'pack', plus: 'main.1', minus: 'main.2', chemistry, cells, capacityMah, internalOhm, continuousA }],
    // Cells in steel cans; those in foil are no magnets.
    ...(chemistry === 'li-ion' ? { magnetAm2: 0.02 * cells } : {}),
    cautions: ['battery'],
  });
}

export const batteries: readonly Part[] = [
  pack({
    id: 'battery-lipo-2s-2200',
    chemistry: 'lipo',
    cells: 2,
    capacityMah: 2200,
    internalOhm: 0.016,
    continuousA: 55,
    plug: 'XT30',
    massG: 125,
    sizeMm: [105, 34, 16],
  }),
  pack({
    id: 'battery-lipo-3s-3300',
    chemistry: 'lipo',
    cells: 3,
    capacityMah: 3300,
    internalOhm: 0.015,
    continuousA: 99,
    plug: 'XT60',
    massG: 265,
    sizeMm: [135, 44, 21],
  }),
  pack({
    id: 'battery-lipo-4s-5000',
    chemistry: 'lipo',
    cells: 4,
    capacityMah: 5000,
    internalOhm: 0.016,
    continuousA: 125,
    plug: 'XT60',
    massG: 520,
    sizeMm: [145, 45, 32],
  }),
  pack({
    id: 'battery-lipo-6s-10000',
    chemistry: 'lipo',
    cells: 6,
    capacityMah: 10_000,
    internalOhm: 0.014,
    continuousA: 200,
    plug: 'XT90',
    massG: 1290,
    sizeMm: [170, 65, 57],
  }),
  pack({
    id: 'battery-li-ion-4s-7000',
    chemistry: 'li-ion',
    cells: 4,
    capacityMah: 7000,
    internalOhm: 0.05,
    continuousA: 28,
    plug: 'XT60',
    massG: 395,
    sizeMm: [75, 75, 38],
  }),
  pack({
    id: 'battery-li-ion-6s-14000',
    chemistry: 'li-ion',
    cells: 6,
    capacityMah: 14_000,
    internalOhm: 0.045,
    continuousA: 56,
    plug: 'XT60',
    massG: 1180,
    sizeMm: [150, 75, 75],
  }),
];
