import { partKeyOf } from '../model/contentHash.ts';
import type { PartKey } from '../model/ids.ts';
import { byNatural } from '../model/naturalOrder.ts';
import type { Part } from '../model/part.ts';
import { partKinds } from '../model/partKinds.ts';
import { batteries } from './batteries.ts';
import { benchParts } from './bench.ts';
import { companions } from './companions.ts';
import { controllers } from './controllers/controllers.ts';
import { converters } from './converters.ts';
import { distribution } from './distribution.ts';
import { groundRadios } from './groundRadios.ts';
import { gnssReceivers } from './gnss.ts';
import { motorControllers } from './motorControllers.ts';
import { motors } from './motors.ts';
import { payloads } from './payloads.ts';
import { powerModules } from './powerModules.ts';
import { telemetryRadios } from './radios.ts';
import { handheldLinks } from './handheldLinks.ts';
import { pulseReceivers } from './pulseReceivers.ts';
import { serialReceivers } from './receivers.ts';
import { regulators } from './regulators.ts';
import { airspeedSensors, compasses, rangefinders } from './sensors.ts';
import { servos } from './servos.ts';
import { stickUnits } from './stickUnits.ts';
import { buzzers, filters, hubs, lights, switches } from './small.ts';
import { usbAdapters } from './usbAdapters.ts';
import { cameras } from './video/cameras.ts';
import { osds } from './video/overlays.ts';
import { screens } from './video/screens.ts';
import { videoTransmitters, videoTransmittersBesides } from './video/transmitters.ts';

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
  ...serialReceivers,
  ...pulseReceivers,
  ...converters,
  ...usbAdapters,
  ...telemetryRadios,
  ...groundRadios,
  ...handheldLinks,
  ...stickUnits,
  ...companions,
  ...cameras,
  ...videoTransmitters,
  ...videoTransmittersBesides,
  ...osds,
  ...screens,
  ...payloads,
  ...buzzers,
  ...switches,
  ...lights,
  ...hubs,
  ...filters,
  ...benchParts,
].sort((a, b) => partKinds.indexOf(a.kind) - partKinds.indexOf(b.kind) || byNatural<Part>((p) => p.name)(a, b));

/** The sample parts by key. */
export const catalogue: ReadonlyMap<PartKey, Part> = new Map(sampleParts.map((part) => [partKeyOf(part), part]));
