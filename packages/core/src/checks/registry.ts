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
import { antennaFirst } from './power/antennaFirst.ts';
import { backPowered } from './power/backPowered.ts';
import { companionSupply } from './power/companionSupply.ts';
import { dissipation } from './power/dissipation.ts';
import { groundReturn } from './power/groundReturn.ts';
import { groundShift } from './power/groundShift.ts';
import { inputWindow } from './power/inputWindow.ts';
import { longBatteryLead } from './power/longBatteryLead.ts';
import { noMonitor, senseScale, unmeasured } from './power/monitoring.ts';
import { noSupply } from './power/noSupply.ts';
import { headroom, overCurrent } from './power/overload.ts';
import { overVoltage } from './power/overVoltage.ts';
import { battery, parallelBatteries } from './power/packs.ts';
import { parallelRegulators } from './power/parallelRegulators.ts';
import { reversed } from './power/reversed.ts';
import { backupUnconditioned, builtInRegulator } from './power/servoRail.ts';
import { singlePoint } from './power/singlePoint.ts';
import { underVoltage } from './power/underVoltage.ts';
import { videoFilter } from './power/videoFilter.ts';
import { wireGauge } from './power/wireGauge.ts';
import { partial } from './partial.ts';
import { centreOfGravity } from './placement/balance.ts';
import { allUpMass } from './placement/mass.ts';
import { usbAccess } from './placement/access.ts';
import { cooling } from './placement/cooling.ts';
import { headingBaseline } from './placement/headingBaseline.ts';
import { airspeedRange, pitotPlace } from './placement/air.ts';
import { compassField } from './placement/compass.ts';
import { cableTooShort, jointUnbroken, routeFull } from './placement/cables.ts';
import { compassOrientation, imuOrientation } from './placement/orientation.ts';
import { antennaSeparation, gnssNearEmitter, gnssNearTransmitter, linkRange, rfProduct } from './placement/radios.ts';
import { bayOverflow, notPlaced, outside } from './placement/room.ts';
import { portNames } from './portNames.ts';
import { portUnsuitable } from './portUnsuitable.ts';
import { servoLead } from './servoLead.ts';
import { video } from './video.ts';
import { noCommonGround, notWired, supplyOnSignal, txToTx } from './wiring.ts';

/** Every check. A new one is named here once; lists, screens, documents and the tests that sweep all checks follow. */
export const checks: readonly Check[] = [
  reversed,
  parallelRegulators,
  overVoltage,
  underVoltage,
  noSupply,
  parallelBatteries,
  overCurrent,
  headroom,
  dissipation,
  inputWindow,
  singlePoint,
  builtInRegulator,
  backupUnconditioned,
  unmeasured,
  noMonitor,
  senseScale,
  videoFilter,
  wireGauge,
  longBatteryLead,
  groundReturn,
  companionSupply,
  battery,
  antennaFirst,
  groundShift,
  backPowered,
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
  centreOfGravity,
  allUpMass,
  notPlaced,
  bayOverflow,
  outside,
  cableTooShort,
  jointUnbroken,
  routeFull,
  compassField,
  gnssNearTransmitter,
  gnssNearEmitter,
  antennaSeparation,
  rfProduct,
  linkRange,
  usbAccess,
  cooling,
  pitotPlace,
  airspeedRange,
  headingBaseline,
  imuOrientation,
  compassOrientation,
];

/** Rises whenever a check says other things than before, so that stored summaries are computed again. */
export const CHECKS_VERSION = 8;
