import { briefChecks } from './brief/index.ts';
import type { Check } from './finding.ts';
import { firmwareChecks } from './firmware/index.ts';
import { layoutChecks } from './layout/index.ts';
import { linkChecks } from './links/index.ts';
import { outputChecks } from './outputs/index.ts';
import { powerChecks } from './power/index.ts';
import { rcChecks } from './rc/index.ts';
import { wiringChecks } from './wiring/index.ts';

/** Every check, by stage; lists, screens, documents and the tests that sweep all checks follow. */
export const checks: readonly Check[] = [
  ...briefChecks,
  ...powerChecks,
  ...wiringChecks,
  ...linkChecks,
  ...rcChecks,
  ...outputChecks,
  ...firmwareChecks,
  ...layoutChecks,
];

/** Rises whenever a check says other things than before, so that stored summaries are computed again. */
export const CHECKS_VERSION = 32;
