import { partKeyOf } from '../model/contentHash.ts';
import type { PartKey } from '../model/ids.ts';
import { byNatural } from '../model/naturalOrder.ts';
import type { Part } from '../model/part.ts';
import { partKinds } from '../model/partKinds.ts';
import { batteries } from './batteries.ts';
import { companions } from './companions.ts';
import { controllers } from './controllers/controllers.ts';
import { converters } from './converters.ts';
import { distribution } from './distribution.ts';
import { gnssReceivers } from './gnss.ts';
import { motorControllers } from './motorControllers.ts';
import { motors } from './motors.ts';
import { payloads } from './payloads.ts';
import { powerModules } from './powerModules.ts';
import { handheldLinks, telemetryRadios } from './radios.ts';
import { rcReceivers } from './receivers.ts';
import { regulators } from './regulators.ts';
import { airspeedSensors, compasses, rangefinders } from './sensors.ts';
import { servos } from './servos.ts';
import { buzzers, filters, hubs, lights, switches } from './small.ts';
import { cameras, osds, screens, videoTransmitters } from './video.ts';

/** The sample parts: every file of parts is named here once. By kind, then by name. */
export const sampleParts: readonly Part[] = [
  ...controllers,
  ...batteries,
  ...powerModules,
  ...distribution,
  ...regulators,
  ...motorControllers,
  ...motors,
  ...servos,
  ...gnssReceivers,
  ...compasses,
  ...airspeedSensors,
  ...rangefinders,
  ...rcReceivers,
  ...converters,
  ...telemetryRadios,
  ...handheldLinks,
  ...companions,
  ...cameras,
  ...videoTransmitters,
  ...osds,
  ...screens,
  ...payloads,
  ...buzzers,
  ...switches,
  ...lights,
  ...hubs,
  ...filters,
].sort((a, b) => partKinds.indexOf(a.kind) - partKinds.indexOf(b.kind) || byNatural<Part>((p) => p.name)(a, b));

/** The sample parts by key. */
export const catalogue: ReadonlyMap<PartKey, Part> = new Map(sampleParts.map((part) => [partKeyOf(part), part]));
