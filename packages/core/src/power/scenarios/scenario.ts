import type { Aircraft } from '../../model/aircraft.ts';
import { hovers, type AirframeKind } from '../../model/airframes.ts';
import { LOAD_STATES, type OwnSituation, type PowerPlan } from '../../model/powerPlan.ts';

/** What a kind of load takes in a scenario: a state of its data. */
export type LoadState = (typeof LOAD_STATES)[number];

/** A situation that the aircraft is in: what the supplies have left and what the loads do. */
export interface Scenario {
  readonly id: string;
  readonly title: string;
  /** Charge of the packs from 0 to 1; undefined with the packs unplugged and a computer on USB. */
  readonly charge: number | undefined;
  /** Seconds; Infinity for one that lasts. Short ones may use burst ratings. */
  readonly durationS: number;
  /** Throttle from 0 to 1; `cruise` for the power that cruising takes. */
  readonly cruiseThrottle: number | 'cruise';
  /** Throttle from 0 to 1; `hover` for what carries the weight, 0.55 where the propellers are not known. */
  readonly liftThrottle: number | 'hover';
  /** From 0, holding still, to 1, moving all the time. */
  readonly servos: number;
  /** One servo after the other stalls while the others do as `servos` says; the worst is reported. */
  readonly isJammed?: boolean;
  readonly transmitters: LoadState;
  readonly others: LoadState;
  /** Cold packs have more internal resistance. */
  readonly internalFactor?: number;
  /** The current that the cruise motors take together, as measured, in amperes; else it is estimated. */
  readonly cruiseA?: number;
  /** What a USB port gives, in amperes. */
  readonly usbA?: number;
  /** Only for aircraft with lift motors. */
  readonly isHovering?: boolean;
}

const LASTING = Infinity;
const FLYING = { cruiseThrottle: 0, liftThrottle: 0, servos: 0.2, transmitters: 'typical', others: 'typical' } as const;

/** The throttle of hovering where nothing is known of the lift propellers. */
export const USUAL_HOVER_THROTTLE = 0.55;

/** The situations that every aircraft is looked at in. One entry each; the interface shows this table. */
export const SCENARIOS: readonly Scenario[] = [
  { ...FLYING, id: 'usb-only', title: 'USB only', charge: undefined, durationS: LASTING, servos: 0, others: 'idle', usbA: 0.5 },
  { ...FLYING, id: 'battery-bench', title: 'On the bench', charge: 1, durationS: LASTING, servos: 0, others: 'idle' },
  { ...FLYING, id: 'pre-flight', title: 'Pre-flight', charge: 1, durationS: 60, servos: 0.6, transmitters: 'peak' },
  { ...FLYING, id: 'launch', title: 'Launch', charge: 1, durationS: 10, cruiseThrottle: 1 },
  { ...FLYING, id: 'climb', title: 'Climb', charge: 0.9, durationS: 60, cruiseThrottle: 1 },
  { ...FLYING, id: 'hover', title: 'Hover', charge: 0.9, durationS: 60, liftThrottle: 'hover', isHovering: true },
  { ...FLYING, id: 'transition', title: 'Transition', charge: 0.9, durationS: 10, cruiseThrottle: 1, liftThrottle: 0.7, isHovering: true },
  { ...FLYING, id: 'cruise', title: 'Cruise', charge: 0.5, durationS: LASTING, cruiseThrottle: 'cruise' },
  {
    ...FLYING,
    id: 'servo-storm',
    title: 'Servo storm',
    charge: 0.5,
    durationS: 2,
    cruiseThrottle: 'cruise',
    servos: 1,
    transmitters: 'peak',
  },
  { ...FLYING, id: 'jammed', title: 'Jammed servo', charge: 0.5, durationS: LASTING, cruiseThrottle: 'cruise', servos: 1, isJammed: true },
  { ...FLYING, id: 'glide', title: 'Glide', charge: 0.5, durationS: LASTING, transmitters: 'typical' },
  { ...FLYING, id: 'low-battery', title: 'Low battery', charge: 0.2, durationS: 60, cruiseThrottle: 1 },
  { ...FLYING, id: 'cold', title: 'Cold', charge: 0.9, durationS: 60, cruiseThrottle: 1, internalFactor: 2 },
];

const cache = new WeakMap<PowerPlan, Map<AirframeKind, readonly Scenario[]>>();
const plain = new Map<AirframeKind, readonly Scenario[]>();

/** The situations that an aircraft gets into: those of its kind, and those that a person has added. The same objects each time. */
export function scenariosOf({ airframe: { kind }, power }: Pick<Aircraft, 'airframe' | 'power'>): readonly Scenario[] {
  const byKind = power === undefined ? plain : (cache.get(power) ?? new Map<AirframeKind, readonly Scenario[]>());
  if (power !== undefined) cache.set(power, byKind);
  const known = byKind.get(kind) ?? [...builtIn(kind, power), ...ownScenarios(power)];
  byKind.set(kind, known);
  return known;
}

function builtIn(kind: AirframeKind, power: PowerPlan | undefined): readonly Scenario[] {
  return SCENARIOS.filter((scenario) => scenario.isHovering !== true || hovers(kind)).map((scenario) => ({
    ...scenario,
    ...(scenario.usbA === undefined ? {} : { usbA: power?.usbA ?? scenario.usbA }),
    ...(scenario.cruiseThrottle !== 'cruise' || power?.cruiseA === undefined ? {} : { cruiseA: power.cruiseA }),
  }));
}

function ownScenarios(power: PowerPlan | undefined): readonly Scenario[] {
  return Object.entries(power?.situations ?? {}).map(([id, own]) => ({
    ...scenarioFrom(id, own),
    ...(own.cruiseThrottle !== 'cruise' || power?.cruiseA === undefined ? {} : { cruiseA: power.cruiseA }),
  }));
}

function scenarioFrom(id: string, { durationS, ...own }: OwnSituation): Scenario {
  return { ...own, id, durationS: durationS ?? LASTING };
}
