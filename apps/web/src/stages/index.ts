import type { StageDef } from '../addresses/stageDef.ts';
import { brief } from './brief/index.ts';
import { documents } from './documents/index.ts';
import { firmware } from './firmware/index.ts';
import { layout } from './layout/index.ts';
import { links } from './links/index.ts';
import { outputs } from './outputs/index.ts';
import { parts } from './parts/index.ts';
import { power } from './power/index.ts';
import { wiring } from './wiring/index.ts';

/** Every stage. A new one is named here once; routes, strip, tabs, entry line, keyboard help, titles and tests that sweep all pages follow. */
export const stages: readonly StageDef[] = [brief, layout, power, wiring, links, outputs, firmware, parts, documents];
