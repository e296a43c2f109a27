import { baudMismatch, portNames } from './links.ts';
import type { Check } from './finding.ts';
import { parallelRegulators, reversed } from './power.ts';
import { fitsButWrong } from './fitsButWrong.ts';
import { servoLead } from './servoLead.ts';
import { noCommonGround, notWired, supplyOnSignal, txToTx } from './wiring.ts';

/** Every check. A new one is named here once; lists, screens, documents and the tests that sweep all checks follow. */
export const checks: readonly Check[] = [
  reversed,
  parallelRegulators,
  supplyOnSignal,
  txToTx,
  fitsButWrong,
  servoLead,
  noCommonGround,
  baudMismatch,
  portNames,
  notWired,
];

/** Rises whenever a check says other things than before, so that stored summaries are computed again. */
export const CHECKS_VERSION = 1;
