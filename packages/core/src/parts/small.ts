import type { Part } from '../model/part.ts';
import { connector, partId, pins } from './build.ts';

export const buzzers: readonly Part[] = [
  {
    id: partId('buzzer-5v'),
    kind: 'buzzer',
    name: 'Buzzer, 5 V active',
    summary: 'Sounds when its minus side is pulled to ground.',
    massG: 3,
    sizeMm: [12, 12, 9],
    source: 'sample',
    settings: [],
    ports: [
      {
        id: 'leads',
        label: 'leads',
        connector: connector('solder-pad', 2, 'pads'),
        groundless: 'Its minus side is switched.',
        pins: pins(['+', 'supply-in'], ['-', 'switch']),
        needed: true,
      },
    ],
    circuit: [
      {
        is: 'load',
        id: 'buzzer',
        supply: 'leads.1',
        gnd: 'leads.2',
        law: 'resistance',
        nominalV: 5,
        minV: 3,
        maxV: 6,
        idleA: 0,
        typicalA: 0.03,
        peakA: 0.03,
      },
    ],
    endpoints: [],
    routes: [],
  },
];
