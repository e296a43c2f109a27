import type { Part } from '../model/part.ts';
import { buck, samplePart, wiredPort, type RawElement, type WiredPort } from './build.ts';

const padsIn: WiredPort = wiredPort(
  'in',
  ['solder-pad', 'pads'],
  [
    ['V', 'supply-in'],
    ['GND', 'gnd', '@gnd'],
  ],
  { needed: true },
);

/** The 3-pin lead that feeds a servo rail: its signal position is empty. */
const leadOut: WiredPort = wiredPort(
  'out',
  ['pin-2.54', 'socket'],
  [
    ['-', 'nc'],
    ['V', 'supply-out'],
    ['GND', 'gnd', '@gnd'],
  ],
  { needed: true },
);

const padsOut: WiredPort = wiredPort(
  'out',
  ['solder-pad', 'pads'],
  [
    ['GND', 'gnd', '@gnd'],
    ['V', 'supply-out'],
  ],
  { needed: true },
);

/** The output pin of each kind of output. */
const OUT = { lead: 'out.2', pads: 'out.2' } as const;

type Regulator = Extract<RawElement, { is: 'regulator' }>;
type Figures = Pick<Regulator, 'setV' | 'inputMinV' | 'inputMaxV' | 'continuousA' | 'burstA'> & Partial<Regulator>;

function regulator(
  about: Pick<Part, 'name' | 'summary' | 'massG' | 'sizeMm'> & { readonly id: string; readonly settings?: Part['settings'] },
  output: keyof typeof OUT,
  figures: Figures,
): Part {
  return samplePart({
    kind: 'regulator',
    ...about,
    // A switching regulator is heard some way off; a linear one is not.
    ...(figures.topology === 'linear' ? {} : { noiseDbm: -94 }),
    ports: [padsIn, output === 'lead' ? leadOut : padsOut],
    circuit: [
      buck(figures.topology ?? 'buck', {
        in: 'in.1',
        out: OUT[output],
        gnd: '@gnd',
        dropoutV: 1,
        efficiency: 0.9,
        quiescentA: 0.008,
        burstS: 10,
        ...figures,
      }),
    ],
  });
}

export const regulators: readonly Part[] = [
  regulator(
    {
      id: 'regulator-buck-5v-3a',
      name: 'Regulator 5 V, 3 A buck',
      summary: 'Separate regulator with a 3-pin lead: feeds a servo rail from the pack, 7 to 26 V in.',
      massG: 12,
      sizeMm: [38, 18, 8],
    },
    'lead',
    { setV: 5, inputMinV: 7, inputMaxV: 26, continuousA: 3, burstA: 5 },
  ),
  regulator(
    {
      id: 'regulator-buck-selectable-10a',
      name: 'Regulator 5 to 7.4 V in steps, 10 A buck',
      summary: 'For large servo rails: the output is selected by a jumper. 7 to 36 V in, 15 A for ten seconds.',
      massG: 32,
      sizeMm: [52, 26, 15],
      settings: [
        {
          is: 'choice',
          id: 'volts',
          label: 'Output',
          unit: 'V',
          choices: [
            { value: 5, label: '5.0' },
            { value: 5.2, label: '5.2' },
            { value: 6, label: '6.0' },
            { value: 7.4, label: '7.4' },
          ],
          default: 5,
          how: { is: 'jumper', jumper: 'on the row 5.0 / 5.2 / 6.0 / 7.4; measure it before the rail is connected' },
        },
      ],
    },
    'lead',
    { setV: { fromSetting: 'volts' }, inputMinV: 7, inputMaxV: 36, continuousA: 10, burstA: 15, efficiency: 0.93 },
  ),
  regulator(
    {
      id: 'regulator-buck-5v-5a-12s',
      name: 'Regulator 5.2 V, 5 A buck, 12 cells',
      summary: 'For large aircraft: feeds a servo rail or a controller from 10 to 60 V.',
      massG: 28,
      sizeMm: [48, 26, 14],
    },
    'lead',
    { setV: 5.2, inputMinV: 9, inputMaxV: 60, continuousA: 5, burstA: 8 },
  ),
  regulator(
    {
      id: 'regulator-buck-12v-3a',
      name: 'Regulator 12 V, 3 A buck',
      summary: 'For video and companions on 5 and 6 cells, 14 to 36 V in.',
      massG: 14,
      sizeMm: [36, 20, 9],
    },
    'pads',
    { setV: 12, inputMinV: 13.2, inputMaxV: 36, continuousA: 3, burstA: 4 },
  ),
  regulator(
    {
      id: 'regulator-linear-5v-1a5',
      name: 'Regulator 5 V, 1.5 A linear',
      summary: 'Low noise, but hot: the voltage above 5 V becomes heat. 6 to 18 V in, 5 W.',
      massG: 8,
      sizeMm: [28, 16, 10],
    },
    'lead',
    {
      topology: 'linear',
      setV: 5,
      inputMinV: 6,
      inputMaxV: 18,
      continuousA: 1.5,
      burstA: 2,
      efficiency: 1,
      quiescentA: 0.006,
      onOverload: 'foldback',
      maxW: 5,
    },
  ),
  regulator(
    {
      id: 'regulator-buck-9v-2a',
      name: 'Regulator 9 V, 2 A buck',
      summary: 'For analog video, 10 to 30 V in.',
      massG: 9,
      sizeMm: [28, 16, 8],
    },
    'pads',
    { setV: 9, inputMinV: 10, inputMaxV: 30, continuousA: 2, burstA: 2.5 },
  ),
  regulator(
    {
      id: 'regulator-buck-boost-5v-4a',
      name: 'Regulator 5.1 V, 4 A buck-boost',
      summary: 'For a companion: holds 5.1 V from 3.5 to 28 V in, even while the pack sags.',
      massG: 18,
      sizeMm: [44, 24, 10],
    },
    'pads',
    {
      topology: 'buck-boost',
      setV: 5.1,
      inputMinV: 3.5,
      inputMaxV: 28,
      dropoutV: 0,
      continuousA: 4,
      burstA: 6,
      onOverload: 'constant-current',
    },
  ),
];
