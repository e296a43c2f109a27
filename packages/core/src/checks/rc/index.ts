import type { Check } from '../finding.ts';
import { channelCapacity } from './channelCapacity.ts';
import { channelResolution } from './channelResolution.ts';
import { doubleMixing } from './doubleMixing.ts';
import { failsafe } from './failsafe.ts';
import { noBindStep, rssiSource } from './linkReport.ts';
import { rcDirection, rcEnds } from './measuredChannels.ts';
import { modeOverlap } from './modeOverlap.ts';
import { modeReach } from './modeReach.ts';
import { fieldPlace, fieldWithoutSource, osdNotBegun } from './osdFields.ts';
import { rcNotBegun } from './rcNotBegun.ts';
import { takeOver } from './takeOver.ts';

/** A new check is a file here and its name in this list. */
const list: readonly Check[] = [
  rcNotBegun,
  failsafe,
  channelCapacity,
  channelResolution,
  rcDirection,
  rcEnds,
  doubleMixing,
  modeOverlap,
  modeReach,
  rssiSource,
  noBindStep,
  takeOver,
  osdNotBegun,
  fieldWithoutSource,
  fieldPlace,
];

/** Every check of RC: channels, modes, the loss of the signal, what the pilot sees. All read the plan of RC. */
export const rcChecks: readonly Check[] = list.map((check) => ({ ...check, reads: ['rc'] }));
