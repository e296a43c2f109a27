import type { Check } from '../finding.ts';
import { outputUnwired, wiredUnassigned } from './unwired.ts';

/** Every check of the outputs. A new one is a file here and its name in this list. */
export const outputChecks: readonly Check[] = [outputUnwired, wiredUnassigned];
