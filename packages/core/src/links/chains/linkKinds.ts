import type { Endpoint, ResolvedPart } from '../../model/part.ts';
import type { LinkKindId } from '../../model/linkIds.ts';
import { LINK_PROTOCOLS } from '../linkProtocols.ts';
import type { PartKind } from '../../model/partKinds.ts';

/** A kind of link that is wanted wherever there is a part that gives or takes it. */
export interface LinkKind {
  readonly id: LinkKindId;
  /** The endpoints of a part that the link begins at; none where the part does not give it. */
  readonly starts: (part: ResolvedPart) => readonly Endpoint[];
  /** True where an item that reaches nothing does not do its job; false for what may be left unused. */
  readonly isNeeded: boolean;
  /** The kinds of part that it has to reach; the first of them that can be reached at all. */
  readonly goals: readonly PartKind[];
  /** The kinds of part that it is for beyond the air; none for a link that stays in the aircraft. */
  readonly farGoals: readonly PartKind[];
  /** Where the air is: behind the item that the link begins at, or behind what it reaches. */
  readonly airIs: 'at-start' | 'at-goal';
  /** True where a program has to read it in the end, and not only a screen or sticks. */
  readonly goesToPrograms: boolean;
}

const CONTROLLER: readonly PartKind[] = ['controller'];
/** Of a link that stays in the aircraft. */
const STAYS = { farGoals: [], airIs: 'at-start', goesToPrograms: false } as const;

const ofKind =
  (kinds: readonly PartKind[], suits: (endpoint: Endpoint) => boolean): LinkKind['starts'] =>
  (part) =>
    kinds.includes(part.kind) ? part.endpoints.filter(suits) : [];

const speaks =
  (kind: LinkKindId) =>
  (endpoint: Endpoint): boolean =>
    endpoint.is === 'uart' && endpoint.speaks.some(({ protocol }) => LINK_PROTOCOLS[kind].includes(protocol));
const isBus = (endpoint: Endpoint): boolean => endpoint.is === 'can' || endpoint.is === 'i2c-device';
const either =
  (...tests: readonly ((endpoint: Endpoint) => boolean)[]) =>
  (endpoint: Endpoint): boolean =>
    tests.some((test) => test(endpoint));

/** Every kind of link that exists by itself. One entry each; chains, the view, the sheet and the tests that sweep all kinds follow. */
export const LINK_KINDS: readonly LinkKind[] = [
  {
    id: 'rc',
    isNeeded: true,
    starts: ofKind(
      ['rc-receiver', 'handheld-link'],
      either(({ is }) => is === 'rc-out', speaks('rc')),
    ),
    goals: CONTROLLER,
    farGoals: ['stick-unit', 'handheld-link'],
    airIs: 'at-start',
    goesToPrograms: false,
  },
  {
    id: 'reports',
    isNeeded: false,
    starts: ofKind(['rc-receiver'], speaks('reports')),
    goals: CONTROLLER,
    farGoals: ['stick-unit'],
    airIs: 'at-start',
    goesToPrograms: false,
  },
  {
    id: 'position',
    isNeeded: true,
    starts: ofKind(
      ['gnss'],
      either(speaks('position'), ({ is }) => is === 'can'),
    ),
    goals: CONTROLLER,
    ...STAYS,
  },
  {
    id: 'heading',
    isNeeded: false,
    starts: (part) => (part.compass === undefined || part.kind === 'controller' ? [] : part.endpoints.filter(isBus)),
    goals: CONTROLLER,
    ...STAYS,
  },
  {
    id: 'airspeed',
    isNeeded: true,
    starts: ofKind(
      ['airspeed'],
      either(isBus, ({ is }) => is === 'analog-out'),
    ),
    goals: CONTROLLER,
    ...STAYS,
  },
  {
    id: 'height',
    isNeeded: true,
    starts: ofKind(['rangefinder'], either(isBus, speaks('height'))),
    goals: CONTROLLER,
    ...STAYS,
  },
  {
    id: 'telemetry',
    isNeeded: true,
    starts: ofKind(
      ['telemetry-radio', 'handheld-link'],
      either(speaks('telemetry'), ({ is }) => is === 'network' || is === 'usb'),
    ),
    goals: ['controller', 'companion', 'converter'],
    farGoals: ['ground-computer', 'handheld-link'],
    airIs: 'at-start',
    goesToPrograms: true,
  },
  { id: 'companion', isNeeded: false, starts: ofKind(['companion'], speaks('companion')), goals: CONTROLLER, ...STAYS },
  {
    id: 'text',
    isNeeded: false,
    starts: ofKind(['video-transmitter', 'osd'], speaks('text')),
    goals: CONTROLLER,
    ...STAYS,
  },
  {
    id: 'picture',
    isNeeded: true,
    starts: ofKind(['camera'], ({ is }) => is === 'video-out'),
    goals: ['video-transmitter'],
    farGoals: ['screen', 'handheld-link'],
    airIs: 'at-goal',
    goesToPrograms: false,
  },
  {
    id: 'motor-reports',
    isNeeded: false,
    starts: ofKind(['motor-controller'], speaks('motor-reports')),
    goals: CONTROLLER,
    ...STAYS,
  },
  {
    id: 'battery',
    isNeeded: false,
    starts: ofKind(
      ['power-module'],
      either(isBus, ({ is }) => is === 'analog-out'),
    ),
    goals: CONTROLLER,
    ...STAYS,
  },
  { id: 'payload', isNeeded: true, starts: ofKind(['payload'], either(isBus, speaks('payload'))), goals: CONTROLLER, ...STAYS },
];
