import type { Endpoint, ResolvedPart } from '../../model/part.ts';
import type { ProtocolId } from '../../model/protocolIds.ts';
import type { PartKind } from '../../model/partKinds.ts';

/** A kind of link that is wanted wherever there is a part that gives or takes it. */
export interface LinkKind {
  readonly id: string;
  /** What people call it: `position`. */
  readonly title: string;
  /** The endpoints of a part that the link begins at; none where the part does not give it. */
  readonly starts: (part: ResolvedPart) => readonly Endpoint[];
  /** True where an item that reaches nothing does not do its job; false for what may be left unused. */
  readonly isNeeded: boolean;
  /** The kinds of part that it has to reach. */
  readonly goals: readonly PartKind[];
}

const CONTROLLER: readonly PartKind[] = ['controller'];

const ofKind =
  (kinds: readonly PartKind[], suits: (endpoint: Endpoint) => boolean): LinkKind['starts'] =>
  (part) =>
    kinds.includes(part.kind) ? part.endpoints.filter(suits) : [];

const speaks =
  (...protocols: readonly ProtocolId[]) =>
  (endpoint: Endpoint): boolean =>
    endpoint.is === 'uart' && endpoint.speaks.some(({ protocol }) => protocols.includes(protocol));
const isBus = (endpoint: Endpoint): boolean => endpoint.is === 'can' || endpoint.is === 'i2c-device';
const either =
  (...tests: readonly ((endpoint: Endpoint) => boolean)[]) =>
  (endpoint: Endpoint): boolean =>
    tests.some((test) => test(endpoint));

/** Every kind of link that exists by itself. One entry each; chains, the view, the sheet and the tests that sweep all kinds follow. */
export const LINK_KINDS: readonly LinkKind[] = [
  {
    id: 'rc',
    title: 'RC control',
    isNeeded: true,
    starts: ofKind(
      ['rc-receiver', 'handheld-link'],
      either(({ is }) => is === 'rc-out', speaks('sbus', 'crsf', 'satellite-frames')),
    ),
    goals: CONTROLLER,
  },
  {
    id: 'reports',
    title: 'reports to the stick unit',
    isNeeded: false,
    starts: ofKind(['rc-receiver'], speaks('single-wire-telemetry')),
    goals: CONTROLLER,
  },
  {
    id: 'position',
    title: 'position',
    isNeeded: true,
    starts: ofKind(
      ['gnss'],
      either(speaks('gnss-binary', 'nmea-0183'), ({ is }) => is === 'can'),
    ),
    goals: CONTROLLER,
  },
  {
    id: 'heading',
    title: 'compass',
    isNeeded: false,
    starts: (part) => (part.compass === undefined || part.kind === 'controller' ? [] : part.endpoints.filter(isBus)),
    goals: CONTROLLER,
  },
  {
    id: 'airspeed',
    title: 'airspeed',
    isNeeded: true,
    starts: ofKind(
      ['airspeed'],
      either(isBus, ({ is }) => is === 'analog-out'),
    ),
    goals: CONTROLLER,
  },
  {
    id: 'height',
    title: 'height above ground',
    isNeeded: true,
    starts: ofKind(['rangefinder'], either(isBus, speaks('rangefinder'))),
    goals: CONTROLLER,
  },
  {
    id: 'telemetry',
    title: 'telemetry',
    isNeeded: true,
    starts: ofKind(['telemetry-radio', 'handheld-link'], speaks('mavlink-2', 'transparent')),
    goals: ['controller', 'companion', 'converter'],
  },
  { id: 'companion', title: 'companion', isNeeded: false, starts: ofKind(['companion'], speaks('mavlink-2')), goals: CONTROLLER },
  {
    id: 'text',
    title: 'text over the picture',
    isNeeded: false,
    starts: ofKind(['video-transmitter', 'osd'], speaks('osd-canvas', 'mavlink-2')),
    goals: CONTROLLER,
  },
  {
    id: 'picture',
    title: 'picture',
    isNeeded: true,
    starts: ofKind(['camera'], ({ is }) => is === 'video-out'),
    goals: ['video-transmitter'],
  },
  {
    id: 'motor-reports',
    title: 'motor reports',
    isNeeded: false,
    starts: ofKind(['motor-controller'], speaks('motor-telemetry')),
    goals: CONTROLLER,
  },
  {
    id: 'battery',
    title: 'battery',
    isNeeded: false,
    starts: ofKind(
      ['power-module'],
      either(isBus, ({ is }) => is === 'analog-out'),
    ),
    goals: CONTROLLER,
  },
  { id: 'payload', title: 'payload', isNeeded: true, starts: ofKind(['payload'], either(isBus, speaks('gimbal'))), goals: CONTROLLER },
];
