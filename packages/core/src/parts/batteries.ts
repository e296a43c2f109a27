import { stated, withPlainSpaces } from '../text/numbers.ts';
import { CONNECTOR_FAMILIES, type ConnectorFamily } from '../model/connector.ts';
import type { Part } from '../model/part.ts';
import { samplePart, wiredPort, type WiredPort } from './build.ts';

interface Pack {
  readonly id: string;
  readonly chemistry: 'lipo' | 'li-ion';
  readonly cells: number;
  readonly capacityMah: number;
  readonly internalOhm: number;
  readonly continuousA: number;
  /** The two-pole plug; `pin-2.54` for the lead of a receiver pack. What the pack gives for ever is not more than it carries. */
  readonly plug: ConnectorFamily;
  readonly massG: number;
  readonly sizeMm: readonly [number, number, number];
}

const CHEMISTRY = { lipo: 'LiPo', 'li-ion': 'Li-ion' } as const;
const WORDS = ['', 'One cell', 'Two cells', 'Three cells', 'Four cells', 'Five cells', 'Six cells'] as const;

/** The 3-pin lead of a pack for receiver and servos: its signal position is empty. */
const railPlug: WiredPort = wiredPort(
  'main',
  ['pin-2.54', 'socket'],
  [
    ['-', 'nc'],
    ['+', 'supply-out'],
    ['-', 'gnd'],
  ],
  { needed: true },
);

/** A pack differs from the next only in its figures. */
function pack(figures: Pack): Part {
  const { id, chemistry, cells, capacityMah, internalOhm, continuousA, plug, massG, sizeMm } = figures;
  const isRail = plug === 'pin-2.54';
  return samplePart({
    id,
    kind: 'battery',
    name: `${isRail ? 'Receiver pack' : 'Battery'} ${CHEMISTRY[chemistry]} ${cells}S, ${withPlainSpaces(stated(capacityMah, 'mAh'))}`,
    summary: `${WORDS[cells] ?? cells} in series, ${isRail ? '3-pin lead' : CONNECTOR_FAMILIES[plug].title}, ${stated(continuousA, 'A')} continuous. ${stated(cells * 4.2, 'V')} when full.`,
    massG,
    sizeMm,
    ports: [
      isRail
        ? railPlug
        : wiredPort(
            'main',
            [plug, 'socket'],
            [
              ['+', 'supply-out'],
              ['-', 'gnd'],
            ],
            { needed: true },
          ),
    ],
    circuit: [
      {
        is: 'battery',
        id: 'pack',
        plus: isRail ? 'main.2' : 'main.1',
        minus: isRail ? 'main.3' : 'main.2',
        chemistry,
        cells,
        capacityMah,
        internalOhm,
        continuousA,
      },
    ],
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
    continuousA: 20,
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
    continuousA: 60,
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
    continuousA: 60,
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
    continuousA: 90,
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
  pack({
    id: 'battery-lipo-4s-10000',
    chemistry: 'lipo',
    cells: 4,
    capacityMah: 10_000,
    internalOhm: 0.01,
    continuousA: 90,
    plug: 'XT90',
    massG: 870,
    sizeMm: [170, 65, 38],
  }),
  pack({
    id: 'battery-lipo-6s-16000',
    chemistry: 'lipo',
    cells: 6,
    capacityMah: 16_000,
    internalOhm: 0.009,
    continuousA: 120,
    plug: 'bullet-6.0',
    massG: 1960,
    sizeMm: [190, 76, 66],
  }),
  pack({
    id: 'battery-lipo-8s-12000',
    chemistry: 'lipo',
    cells: 8,
    capacityMah: 12_000,
    internalOhm: 0.014,
    continuousA: 120,
    plug: 'bullet-6.0',
    massG: 2060,
    sizeMm: [180, 70, 78],
  }),
  pack({
    id: 'battery-lipo-10s-12000',
    chemistry: 'lipo',
    cells: 10,
    capacityMah: 12_000,
    internalOhm: 0.018,
    continuousA: 120,
    plug: 'bullet-6.0',
    massG: 2560,
    sizeMm: [190, 76, 90],
  }),
  pack({
    id: 'battery-lipo-12s-16000',
    chemistry: 'lipo',
    cells: 12,
    capacityMah: 16_000,
    internalOhm: 0.017,
    continuousA: 200,
    plug: 'bullet-8.0',
    massG: 4050,
    sizeMm: [200, 94, 104],
  }),
  pack({
    id: 'battery-li-ion-12s-21000',
    chemistry: 'li-ion',
    cells: 12,
    capacityMah: 21_000,
    internalOhm: 0.06,
    continuousA: 90,
    plug: 'XT90',
    massG: 3600,
    sizeMm: [230, 150, 78],
  }),
  pack({
    id: 'battery-receiver-lipo-2s-1800',
    chemistry: 'lipo',
    cells: 2,
    capacityMah: 1800,
    internalOhm: 0.04,
    continuousA: 3,
    plug: 'pin-2.54',
    massG: 88,
    sizeMm: [70, 35, 18],
  }),
  pack({
    id: 'battery-receiver-li-ion-2s-3500',
    chemistry: 'li-ion',
    cells: 2,
    capacityMah: 3500,
    internalOhm: 0.09,
    continuousA: 3,
    plug: 'pin-2.54',
    massG: 102,
    sizeMm: [72, 38, 20],
  }),
];
