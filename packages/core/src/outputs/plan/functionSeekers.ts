import { dialectOf } from '../../dialects/dialectOf.ts';
import type { Graph } from '../../graph/graph.ts';
import { requiredFunctions } from '../../model/airframes.ts';
import { isLiftFunction, LIFT_FUNCTIONS, OUTPUT_FUNCTIONS, outputFunctions, type OutputFunction } from '../../model/outputFunctions.ts';
import { isPulseKind, outputKey, type PulseKind } from '../../model/outputPlan.ts';
import { listed } from '../../text/lists.ts';
import { stated } from '../../text/numbers.ts';
import { consumersOf, type Consumer } from './consumers.ts';
import { mainRack, racksOf, slotsIn, type Rack, type Slot } from './racks.ts';

/** What a function takes: kinds of pulses, and of plain ones so many a second at least and at most. */
export interface Takes {
  readonly kinds: readonly PulseKind[];
  readonly rateHz: readonly [least: number, most: number];
}

/** A function that wants an output. */
export interface FunctionSeeker {
  readonly function: OutputFunction;
  /** True for one that the airframe cannot do without. */
  readonly isNeeded: boolean;
  /** What is to move by it: what is wired to its output, or what is not wired yet and is called by its name. */
  readonly consumers: readonly Consumer[];
  /** The output that has it now. Of several, the first. */
  readonly now: Slot | undefined;
  readonly takes: Takes;
  /** Why nothing suits it, whatever the output. */
  readonly impossible: string | undefined;
}

/** A servo on a bus, which needs no output. */
export interface BusServo {
  readonly item: number;
  readonly endpoint: string;
  readonly function: OutputFunction | undefined;
  /** Its number on the bus; undefined where the bus gives it one. */
  readonly node: number | undefined;
}

/** Below this the motors of a frame that hangs on them answer too late. */
export const LIFT_LEAST_HZ = 250;

/** What is taken where nothing is known of what will hang there: what every servo and every motor controller takes. */
const USUAL: Readonly<Record<(typeof OUTPUT_FUNCTIONS)[OutputFunction]['drives'] | 'lift', Takes>> = {
  servo: { kinds: ['pwm'], rateHz: [50, 50] },
  motor: { kinds: ['pwm', 'dshot'], rateHz: [50, 400] },
  lift: { kinds: ['pwm', 'dshot'], rateHz: [LIFT_LEAST_HZ, 400] },
  switching: { kinds: ['pwm', 'switch'], rateHz: [50, 50] },
  any: { kinds: ['pwm'], rateHz: [50, 50] },
};

/**
 * The functions that want an output of a controller: on the main one those that the airframe needs, then those that are assigned on this
 * controller besides, in the order of the table; but for those that a servo on a bus or another controller has.
 */
export function functionSeekers(graph: Graph, rack: Rack | undefined = mainRack(graph)): readonly FunctionSeeker[] {
  if (rack === undefined) return [];
  const isMain = rack === mainRack(graph);
  const needed = requiredFunctions(graph.design.aircraft.airframe.kind);
  const slots = slotsIn(rack);
  const said = isMain ? Object.values(graph.design.aircraft.outputs).map((use) => use.function) : functionsOn(slots);
  const assigned = new Set([...said, ...payloadOf(slots)]);
  const elsewhere = new Set([
    ...busServos(graph).map((servo) => servo.function),
    ...racksOf(graph).flatMap((other) => (other === rack ? [] : functionsOn(slotsIn(other)))),
  ]);
  const wanted = [...(isMain ? needed : []), ...outputFunctions.filter((name) => assigned.has(name) && !(isMain && needed.includes(name)))];
  const idle = new IdleConsumers(graph, rack, isMain);
  const dialect = dialectOf(graph.design);
  const own = wanted.filter((name) => !elsewhere.has(name) || slots.some(({ use }) => use?.function === name));
  return own.map((name): FunctionSeeker => {
    const now = slots.find(({ use }) => use?.function === name);
    const consumers = now !== undefined && now.on.length > 0 ? now.on : idle.takeFor(name);
    const takes = takesOf(name, consumers);
    return {
      function: name,
      isNeeded: needed.includes(name),
      consumers,
      now,
      takes,
      impossible:
        dialect !== undefined && dialect.functions[name] === undefined
          ? `${dialect.name} does not know the function "${OUTPUT_FUNCTIONS[name].title}".`
          : noTakes(name, consumers, takes),
    };
  });
}

/** Servos that hang on a bus: they are told apart by their identifiers. */
export function busServos(graph: Graph): readonly BusServo[] {
  const { outputs } = graph.design.aircraft;
  return graph.items.flatMap(({ item, part }, i): BusServo[] => {
    if (part?.kind !== 'servo' || item.where !== 'aircraft') return [];
    return part.endpoints.flatMap((endpoint): BusServo[] => {
      if (endpoint.is !== 'can') return [];
      const node = item.settings[`${endpoint.id}.node`];
      return [
        {
          item: i,
          endpoint: endpoint.id,
          function: outputs[outputKey(item.id, endpoint.id)]?.function,
          node: typeof node === 'number' && node > 0 ? node : undefined,
        },
      ];
    });
  });
}

function functionsOn(slots: readonly Slot[]): readonly OutputFunction[] {
  return slots.flatMap(({ use }) => (use === undefined ? [] : [use.function]));
}

/** The functions of what is wired to an output that has none, by what it is: cameras fire, hooks drop, lamps shine. */
function payloadOf(slots: readonly Slot[]): readonly OutputFunction[] {
  const idle = slots.flatMap(({ use, on }) => (use === undefined ? on : []));
  return idle.flatMap(({ input }) => INPUT_FUNCTIONS[input.id] ?? []);
}

/** What an input is for, by what parts call it. */
const INPUT_FUNCTIONS: Readonly<Record<string, OutputFunction>> = {
  fire: 'camera-trigger',
  trigger: 'camera-trigger',
  latch: 'dropper',
  dim: 'light',
  data: 'light',
  pan: 'pan',
  tilt: 'tilt',
};

/** What all consumers take alike. */
function takesOf(name: OutputFunction, consumers: readonly Consumer[]): Takes {
  const { drives } = OUTPUT_FUNCTIONS[name];
  const isLift = isLiftFunction(name);
  if (consumers.length === 0) return USUAL[isLift ? 'lift' : drives];
  const kinds = consumers.map(({ input }) => input.kinds.filter(isPulseKind));
  return {
    kinds: (kinds[0] ?? []).filter((kind) => kinds.every((others) => others.includes(kind))),
    rateHz: [
      Math.max(isLift ? LIFT_LEAST_HZ : 0, ...consumers.map(({ input }) => input.rateHz[0])),
      Math.min(...consumers.map(({ input }) => input.rateHz[1])),
    ],
  };
}

function noTakes(name: OutputFunction, consumers: readonly Consumer[], { kinds, rateHz: [least, most] }: Takes): string | undefined {
  const refs = listed([...new Set(consumers.map(({ entry }) => entry.item.ref))]);
  if (kinds.length === 0) return `${refs} have no kind of pulse in common.`;
  if (least <= most || kinds.some((kind) => kind !== 'pwm')) return undefined;
  return isLiftFunction(name)
    ? `${refs} accepts ${stated(most, 'Hz')} at most; a lift motor needs ${stated(LIFT_LEAST_HZ, 'Hz')}.`
    : `${refs} have no rate in common: ${stated(least, 'Hz')} at least, ${stated(most, 'Hz')} at most.`;
}

/** What hangs on no output that has a function, given out by name and then by kind. */
class IdleConsumers {
  readonly #free: Set<Consumer>;

  /** @param isMain true for the controller that gets what is wired nowhere; what is wired to another stays with that */
  constructor(graph: Graph, rack: Rack, isMain: boolean) {
    const busy = new Set(slotsIn(rack).flatMap(({ use, on }) => (use === undefined ? [] : on)));
    const isInReach = ({ on }: Consumer): boolean => (on === undefined ? isMain : on.item === rack.item);
    this.#free = new Set(consumersOf(graph).filter((consumer) => isInReach(consumer) && !busy.has(consumer)));
  }

  /** The one that is called like the function; else the next motor, since people seldom name them, or the next servo without a name. Each is given out once. */
  takeFor(name: OutputFunction): readonly Consumer[] {
    const { title, drives } = OUTPUT_FUNCTIONS[name];
    const free = [...this.#free];
    const found =
      free.find(({ entry, input }) => isCalled(entry.item.label, title) || INPUT_FUNCTIONS[input.id] === name) ??
      free.find((consumer) => (drives === 'motor' ? isMotorFor(consumer, name) : drives === 'servo' && isNameless(consumer)));
    if (found === undefined) return [];
    this.#free.delete(found);
    return [found];
  }
}

function isCalled(label: string | undefined, title: string): boolean {
  return label !== undefined && label.trim().toLowerCase() === title;
}

/** A servo that nobody has said anything of. */
function isNameless({ entry, input }: Consumer): boolean {
  return (
    entry.part?.kind === 'servo' && input.use === 'servo' && INPUT_FUNCTIONS[input.id] === undefined && (entry.item.label ?? '') === ''
  );
}

/** Motor controllers that are called "lift" lift; the others push, but for those of a frame that only lifts. */
function isMotorFor({ entry, input }: Consumer, name: OutputFunction): boolean {
  if (input.use !== 'motor') return false;
  const label = (entry.item.label ?? '').toLowerCase();
  const number = LIFT_FUNCTIONS.findIndex((lift) => lift === name);
  if (label.includes('lift')) return number >= 0 && (!/\d/.test(label) || label.includes(String(number + 1)));
  return number < 0 || !label.includes('push');
}
