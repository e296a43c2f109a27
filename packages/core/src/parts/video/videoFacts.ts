import type { Part } from '../../model/part.ts';
import type { wiredPort, RawEndpoint, Row } from '../build.ts';

/** What cameras, transmitters and overlays have in common. */

export const gnd: Row = ['GND', 'gnd', '@gnd'];
export const STANDARDS = ['PAL', 'NTSC'] as const;

export const standardSetting: Part['settings'][number] = {
  is: 'choice',
  id: 'standard',
  label: 'Video standard',
  choices: STANDARDS.map((value) => ({ value, label: value })),
  default: 'PAL',
  how: { is: 'menu', tool: 'picture menu', menu: '"Video", "Standard"', confirms: 'the picture rolls once and settles' },
};

export type About = Pick<Part, 'name' | 'summary' | 'massG' | 'sizeMm' | 'radios' | 'noiseDbm' | 'steps'> & { readonly id: string };
export type Plug = Parameters<typeof wiredPort>[1];
export type Figures = readonly [readonly [number, number, number], readonly [number, number, number]];

export const air: RawEndpoint = { is: 'air', id: 'air', band: '5.8 GHz class' };
