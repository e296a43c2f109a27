import type { Check } from '../finding.ts';
import { bankRate, kindUnsupported, rateTooFast } from './bankPulses.ts';
import { dialectRefusesOutput } from './dialectRefusesOutput.ts';
import { duplicateFunction } from './duplicateFunction.ts';
import { missingFunction, outputsNotBegun } from './missingFunction.ts';
import { linkageBinds, torqueShort } from './linkage.ts';
import { motorOrder } from './motorOrder.ts';
import { saturation } from './saturation.ts';
import { outputUnwired, wiredUnassigned } from './unwired.ts';

/** A new check is a file here and its name in this list. */
const list: readonly Check[] = [
  outputsNotBegun,
  missingFunction,
  duplicateFunction,
  rateTooFast,
  bankRate,
  kindUnsupported,
  dialectRefusesOutput,
  motorOrder,
  outputUnwired,
  wiredUnassigned,
  saturation,
  linkageBinds,
  torqueShort,
];

/** Every check of the outputs. All read what banks make, how the controller mixes and how servos move their surfaces. */
export const outputChecks: readonly Check[] = list.map((check) => ({ ...check, reads: ['banks', 'mixing', 'linkages'] }));
