import type { Check } from '../finding.ts';
import { backPowered } from './backPowered.ts';
import { canBus } from './canBus.ts';
import { connectorMate } from './connectorMate.ts';
import { contention } from './contention.ts';
import { groundOnSignal, i2cCrossed } from './crossedPins.ts';
import { crowdedContact } from './crowdedContact.ts';
import { fitsButWrong } from './fitsButWrong.ts';
import { groundShift } from './groundShift.ts';
import { i2cAddress, i2cBus } from './i2c.ts';
import { level } from './level.ts';
import { lookAlike } from './lookAlike.ts';
import { noCommonGround, supplyOnSignal, txToTx } from './nets.ts';
import { noSignal } from './noSignal.ts';
import { notWired } from './notWired.ts';
import { openPhase } from './openPhase.ts';
import { partial } from './partial.ts';
import { servoLead } from './servoLead.ts';
import { video } from './video.ts';

/** Every check of the wiring: plugs, pins, levels, buses, grounds. A new one is a file here and its name in this list. */
export const wiringChecks: readonly Check[] = [
  groundShift,
  backPowered,
  supplyOnSignal,
  txToTx,
  contention,
  level,
  connectorMate,
  crowdedContact,
  fitsButWrong,
  servoLead,
  groundOnSignal,
  openPhase,
  noSignal,
  partial,
  noCommonGround,
  i2cCrossed,
  i2cAddress,
  i2cBus,
  canBus,
  video,
  lookAlike,
  notWired,
];
