import type { CheckCases } from './build.ts';
import { briefCases } from './brief.ts';
import { busCases } from './buses.ts';
import { firmwareCases } from './firmware.ts';
import { linkCases } from './links.ts';
import { placementCases } from './placement.ts';
import { outputCases } from './outputs.ts';
import { powerCases } from './power.ts';
import { rcCases } from './rc.ts';
import { wiringCases } from './wiring.ts';

/** A case for every check, by its id. */
export const CASES: CheckCases = {
  ...briefCases,
  ...powerCases,
  ...wiringCases,
  ...busCases,
  ...linkCases,
  ...rcCases,
  ...outputCases,
  ...placementCases,
  ...firmwareCases,
};
