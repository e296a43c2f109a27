import type { Check } from '../finding.ts';
import { unknownFacts } from './unknownFacts.ts';

/** Every check of what the aircraft is made of. A new one is a file here and its name in this list. */
export const briefChecks: readonly Check[] = [unknownFacts];
