import type { Check } from '../finding.ts';
import { addressMismatch } from './addressMismatch.ts';
import { airMismatch } from './airMismatch.ts';
import { bandwidth } from './bandwidth.ts';
import { configPort } from './configPort.ts';
import { consoleInTheWay } from './console.ts';
import { duplicateRole } from './duplicateRole.ts';
import { baudMismatch, frameMismatch, inversionMismatch, protocolMismatch } from './hopMismatch.ts';
import { notBegun } from './notBegun.ts';
import { noRole } from './noRole.ts';
import { portNames } from './portNames.ts';
import { wrongReading } from './wrongReading.ts';
import { rcFormat } from './rcFormat.ts';
import { noPort, portShortage } from './portShortage.ts';
import { portUnsuitable } from './portUnsuitable.ts';
import { twoMasters } from './twoMasters.ts';

/** Every check of the links: ends that agree, ports that suit, networks that point at each other, and streams that fit. A new one is a file here and its name in this list. */
export const linkChecks: readonly Check[] = [
  noPort,
  portShortage,
  portUnsuitable,
  protocolMismatch,
  baudMismatch,
  inversionMismatch,
  frameMismatch,
  consoleInTheWay,
  rcFormat,
  wrongReading,
  duplicateRole,
  airMismatch,
  addressMismatch,
  twoMasters,
  bandwidth,
  configPort,
  notBegun,
  noRole,
  portNames,
];
