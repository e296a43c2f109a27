import type { Check } from '../finding.ts';
import { antennaFirst } from './antennaFirst.ts';
import { companionSupply } from './companionSupply.ts';
import { dissipation } from './dissipation.ts';
import { groundReturn } from './groundReturn.ts';
import { inputWindow } from './inputWindow.ts';
import { longBatteryLead } from './longBatteryLead.ts';
import { noMonitor, senseScale, unmeasured } from './monitoring.ts';
import { noSupply } from './noSupply.ts';
import { headroom, overCurrent } from './overCurrent.ts';
import { overVoltage } from './overVoltage.ts';
import { battery, parallelBatteries } from './packs.ts';
import { parallelRegulators } from './parallelRegulators.ts';
import { reversed } from './reversed.ts';
import { seriesBatteries } from './seriesPacks.ts';
import { backupUnconditioned, builtInRegulator } from './servoRail.ts';
import { singlePoint } from './singlePoint.ts';
import { underVoltage } from './underVoltage.ts';
import { videoFilter } from './videoFilter.ts';
import { wireGauge } from './wireGauge.ts';

/** Every check of power: supplies, ratings, wires, sensors, single faults. A new one is a file here and its name in this list. */
export const powerChecks: readonly Check[] = [
  reversed,
  parallelRegulators,
  overVoltage,
  underVoltage,
  noSupply,
  parallelBatteries,
  seriesBatteries,
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
];
