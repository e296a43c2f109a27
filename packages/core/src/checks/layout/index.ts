import type { Check } from '../finding.ts';
import { usbAccess } from './access.ts';
import { airspeedRange, pitotPlace } from './air.ts';
import { centreOfGravity } from './balance.ts';
import { cableTooShort, jointUnbroken, routeFull } from './cables.ts';
import { compassField } from './compass.ts';
import { cooling } from './cooling.ts';
import { headingBaseline } from './headingBaseline.ts';
import { allUpMass } from './mass.ts';
import { compassOrientation, imuOrientation } from './orientation.ts';
import { antennaSeparation, gnssNearEmitter, gnssNearTransmitter, linkRange, rfProduct } from './radios.ts';
import { bayOverflow, notPlaced, outside } from './room.ts';

/** Every check of the layout: balance, room, reach of cables, field, antennas, access. A new one is a file here and its name in this list. */
export const layoutChecks: readonly Check[] = [
  centreOfGravity,
  allUpMass,
  notPlaced,
  bayOverflow,
  outside,
  cableTooShort,
  jointUnbroken,
  routeFull,
  compassField,
  gnssNearTransmitter,
  gnssNearEmitter,
  antennaSeparation,
  rfProduct,
  linkRange,
  usbAccess,
  cooling,
  pitotPlace,
  airspeedRange,
  headingBaseline,
  imuOrientation,
  compassOrientation,
];
