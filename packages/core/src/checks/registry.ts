import { canBus } from './can.ts';
import { connectorMate } from './connectorMate.ts';
import { consoleInTheWay } from './console.ts';
import { contention } from './contention.ts';
import type { Check } from './finding.ts';
import { fitsButWrong } from './fitsButWrong.ts';
import { baudMismatch, frameMismatch, inversionMismatch, protocolMismatch } from './hopMismatch.ts';
import { i2cAddress, i2cBus } from './i2c.ts';
import { level } from './level.ts';
import { lookAlike } from './lookAlike.ts';
import { outputUnwired, wiredUnassigned } from './outputs.ts';
import { overVoltage } from './overVoltage.ts';
import { partial } from './partial.ts';
import { portNames } from './portNames.ts';
import { portUnsuitable } from './portUnsuitable.ts';
import { parallelRegulators, reversed } from './power.ts';
import { servoLead } from './servoLead.ts';
import { video } from './video.ts';
import { noCommonGround, notWired, supplyOnSignal, txToTx } from './wiring.ts';

/** Every check. A new one is named here once; lists, screens, documents and the tests that sweep all checks follow. */
export const checks: readonly Check[] = [
  reversed,
  parallelRegulators,
  overVoltage,
  supplyOnSignal,
  txToTx,
  contention,
  level,
  connectorMate,
  fitsButWrong,
  servoLead,
  partial,
  noCommonGround,
  i2cAddress,
  i2cBus,
  canBus,
  video,
  lookAlike,
  notWired,
  portUnsuitable,
  protocolMismatch,
  baudMismatch,
  inversionMismatch,
  frameMismatch,
  consoleInTheWay,
  portNames,
  outputUnwired,
  wiredUnassigned,
];

/** Rises whenever a check says other things than before, so that stored summaries are computed again. */
export const CHECKS_VERSION = 3;
