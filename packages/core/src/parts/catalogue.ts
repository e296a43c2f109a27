import { partKeyOf } from '../model/contentHash.ts';
import type { PartKey } from '../model/ids.ts';
import { byNatural } from '../model/naturalOrder.ts';
import type { Part } from '../model/part.ts';
import { partKinds } from '../model/partKinds.ts';
import { controllers } from './controllers.ts';
import { batteries, distribution, regulators } from './power.ts';
import { motorControllers, motors } from './propulsion.ts';
import { rcReceivers, telemetryRadios } from './radio.ts';
import { airspeedSensors, gnssReceivers } from './sensors.ts';
import { servos } from './servos.ts';
import { buzzers } from './small.ts';
import { cameras, videoTransmitters } from './video.ts';

/** The sample parts: every file of parts is named here once. By kind, then by name. */
export const sampleParts: readonly Part[] = [
  ...controllers,
  ...batteries,
  ...regulators,
  ...distribution,
  ...motorControllers,
  ...motors,
  ...servos,
  ...gnssReceivers,
  ...airspeedSensors,
  ...rcReceivers,
  ...telemetryRadios,
  ...cameras,
  ...videoTransmitters,
  ...buzzers,
].sort((a, b) => partKinds.indexOf(a.kind) - partKinds.indexOf(b.kind) || byNatural<Part>((p) => p.name)(a, b));

/** The sample parts by key. */
export const catalogue: ReadonlyMap<PartKey, Part> = new Map(sampleParts.map((part) => [partKeyOf(part), part]));
