import type { Check } from '../finding.ts';
import { consoleInTheWay } from './console.ts';
import { duplicateRole } from './duplicateRole.ts';
import { baudMismatch, frameMismatch, inversionMismatch, protocolMismatch } from './hopMismatch.ts';
import { portNames } from './portNames.ts';
import { rcFormat } from './rcFormat.ts';
import { portUnsuitable } from './portUnsuitable.ts';

/** Every check of the serial links: ends that agree, and ports that suit. A new one is a file here and its name in this list. */
export const linkChecks: readonly Check[] = [
  portUnsuitable,
  protocolMismatch,
  baudMismatch,
  inversionMismatch,
  frameMismatch,
  consoleInTheWay,
  rcFormat,
  duplicateRole,
  portNames,
];
