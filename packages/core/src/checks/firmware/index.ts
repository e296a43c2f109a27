import type { Check } from '../finding.ts';
import { copiedCalibration } from './copiedCalibration.ts';
import { dialectRefuses } from './dialectRefuses.ts';
import { prerequisite } from './prerequisite.ts';
import { systemId } from './systemId.ts';
import { target } from './target.ts';

const list = [target, prerequisite, copiedCalibration, dialectRefuses, systemId];

/** Every check of what is loaded into controllers, and of what they were found to hold. A new one is a file here and its name in this list. */
export const firmwareChecks: readonly Check[] = list.map((check) => ({ ...check, reads: ['rc', 'banks', 'mixing', 'firmware'] }));
