import { turnedBack, turningOfMounting } from '../layout/mountingTurns.ts';
import { turned } from '../layout/turning.ts';
import type { Design } from '../model/design.ts';
import type { Spot } from '../model/frame.ts';
import { graphOf } from '../graph/graphOf.ts';
import type { Mounting } from '../model/mounting.ts';
import { OUTPUT_FUNCTIONS, type OutputFunction } from '../model/outputFunctions.ts';
import type { Turn } from '../model/part.ts';
import { STICKS, type Stick } from '../model/rcUses.ts';
import { toldMounting } from '../outputs/directions/attitudeStep.ts';
import { askedCommands, movedSurfaces, wayOf } from '../outputs/directions/movedSurfaces.ts';
import { answerKey, type DirectionAnswers, type Mend } from '../outputs/directions/question.ts';
import { mixerOf } from '../outputs/mixing/mixerOf.ts';
import type { Command } from '../outputs/mixing/mixerRow.ts';
import { rotorPlanOf } from '../outputs/rotorPlan.ts';
import { mainRack } from '../outputs/plan/racks.ts';

/** What is built, which the plan does not know: everything that a person can only see on the aircraft. */
export interface Truth {
  /** Of each stick the channel that it moves, and whether the radio turns that round. */
  readonly sticks: Readonly<Record<Stick, { readonly channel: Stick; readonly way: 1 | -1 }>>;
  readonly radioMixes: 'plain' | 'elevon' | 'v-tail';
  readonly board: Mounting;
  /** By the key of an output: the surface or motor that hangs there, and which way its servo turns. */
  readonly surfaces: Readonly<Record<string, { readonly function: OutputFunction; readonly way: 1 | -1 }>>;
  /** By the number of a motor output: the place of the motor that hangs there, and its turn. */
  readonly motors: Readonly<Record<string, { readonly place: string; readonly turns: Turn }>>;
}

export const PLAIN_STICKS: Truth['sticks'] = {
  roll: { channel: 'roll', way: 1 },
  pitch: { channel: 'pitch', way: 1 },
  throttle: { channel: 'throttle', way: 1 },
  yaw: { channel: 'yaw', way: 1 },
};

/** Everything as it should be: every output drives what it has the function of. */
export function rightTruth(design: Design): Truth {
  const board = mainRack(graphOf(design))?.entry;
  return {
    sticks: PLAIN_STICKS,
    radioMixes: 'plain',
    board: board === undefined ? 'level' : toldMounting(board),
    surfaces: Object.fromEntries(Object.entries(design.aircraft.outputs).map(([key, use]) => [key, { function: use.function, way: 1 }])),
    motors: Object.fromEntries(
      rotorPlanOf(graphOf(design)).map(({ slot, rotor }) => [slot?.key ?? '', { place: rotor.place, turns: rotor.turns }]),
    ),
  };
}

/** What a person sees of an aircraft that is built so, question by question. */
export function seenOf(design: Design, truth: Truth): DirectionAnswers {
  return { ...radioSeen(truth), ...attitudeSeen(design, truth), ...outputsSeen(design, truth), ...stabilisedSeen(design, truth) };
}

function radioSeen({ sticks, radioMixes }: Truth): DirectionAnswers {
  const answers: Record<string, string> = {};
  for (const stick of STICKS) {
    const bars: Record<Stick, number> = { roll: 0, pitch: 0, throttle: 0, yaw: 0 };
    for (const [moved, share] of mixedOf(stick, radioMixes)) bars[sticks[moved].channel] += share * sticks[moved].way;
    for (const bar of STICKS) {
      const value = bars[bar];
      const own = value === 0 ? 'still' : value > 0 ? 'right' : 'wrong';
      answers[answerKey(`radio.${stick}`, bar)] = bar === stick ? own : value === 0 ? 'still' : 'moves';
    }
  }
  return answers;
}

/** What the radio makes of one stick. */
function mixedOf(stick: Stick, mix: Truth['radioMixes']): readonly (readonly [Stick, number])[] {
  const [a, b]: readonly [Stick, Stick] = mix === 'elevon' ? ['roll', 'pitch'] : ['pitch', 'yaw'];
  if (mix === 'plain' || (stick !== a && stick !== b)) return [[stick, 1]];
  return stick === a
    ? [
        [a, 1],
        [b, 1],
      ]
    : [
        [a, 1],
        [b, -1],
      ];
}

const MOTION_AXES: readonly (readonly [string, Spot])[] = [
  ['nose-up', [0, 1, 0]],
  ['nose-down', [0, -1, 0]],
  ['right-down', [-1, 0, 0]],
  ['left-down', [1, 0, 0]],
  ['rises', [0, 0, -1]],
  ['falls', [0, 0, 1]],
];
const REST_UPS: readonly (readonly [string, Spot])[] = [
  ['level', [0, 0, 1]],
  ['upside-down', [0, 0, -1]],
  ['nose-up', [-1, 0, 0]],
  ['nose-down', [1, 0, 0]],
  ['right-down', [0, -1, 0]],
  ['left-down', [0, 1, 0]],
];

/** A direction of the aircraft as its controller has it. */
export function indicated(design: Design, { board }: Pick<Truth, 'board'>, direction: Spot): Spot {
  const entry = mainRack(graphOf(design))?.entry;
  const told = turningOfMounting(entry === undefined ? 'level' : toldMounting(entry));
  return turned(turnedBack(direction, turningOfMounting(board)), told);
}

function nameOf(all: readonly (readonly [string, Spot])[], spot: Spot): string {
  return all.find(([, one]) => one.every((value, i) => Math.abs(value - (spot[i] ?? NaN)) < 1e-9))?.[0] ?? '';
}

function attitudeSeen(design: Design, truth: Truth): DirectionAnswers {
  const motion = (spot: Spot): string => nameOf(MOTION_AXES, indicated(design, truth, spot));
  return {
    [answerKey('attitude.rest', 'shows')]: nameOf(REST_UPS, indicated(design, truth, [0, 0, 1])),
    [answerKey('attitude.nose', 'shows')]: motion([0, 1, 0]),
    [answerKey('attitude.wing', 'shows')]: motion([-1, 0, 0]),
    [answerKey('attitude.turn', 'shows')]: motion([0, 0, -1]),
  };
}

/** How every surface goes for some commands, by its function; positive as in the mixer. */
function movesFor(design: Design, truth: Truth, commands: Partial<Record<Command, number>>): ReadonlyMap<OutputFunction, number> {
  const rows = mixerOf(design);
  return new Map(
    Object.entries(design.aircraft.outputs).flatMap(([key, use]): (readonly [OutputFunction, number])[] => {
      const there = truth.surfaces[key];
      const row = rows.find((one) => one.function === use.function);
      if (there === undefined || row === undefined) return [];
      const asked = Object.entries(commands).reduce((sum, [name, value]) => sum + (row.weights[commandOf(name)] ?? 0) * value, 0);
      return [[there.function, asked * (use.reversed === true ? -1 : 1) * there.way]];
    }),
  );
}

function commandOf(name: string): Command {
  const found = (['roll', 'pitch', 'yaw', 'flap', 'brake', 'throttle', 'lift'] as const).find((one) => one === name);
  if (found === undefined) throw new Error(`There is no command ${name}.`);
  return found;
}

const judged = (is: number, wanted: number): string => (is === 0 ? 'still' : is * wanted > 0 ? 'right' : 'wrong');

function outputsSeen(design: Design, truth: Truth): DirectionAnswers {
  const answers: Record<string, string> = {};
  const graph = graphOf(design);
  for (const command of askedCommands) {
    const moves = movesFor(design, truth, { [command]: 1 });
    for (const { row } of movedSurfaces(graph)) {
      // A spoiler opens upwards, for its mixer and for the eye.
      const wanted = row.weights[command] ?? 0;
      if (wayOf(row, command) !== 0) answers[answerKey(`outputs.${command}`, row.function)] = judged(moves.get(row.function) ?? 0, wanted);
    }
  }
  for (const { slot, number } of rotorPlanOf(graph)) {
    const there = truth.motors[slot?.key ?? ''];
    answers[answerKey(`outputs.motor-${number}`, 'place')] = there?.place ?? 'none';
    answers[answerKey(`outputs.motor-${number}`, 'turn')] = there?.turns ?? 'clockwise';
  }
  for (const [key, use] of Object.entries(design.aircraft.outputs)) {
    if (!use.function.startsWith('throttle')) continue;
    const there = truth.surfaces[key];
    answers[answerKey(`outputs.${use.function}`, 'side')] = there?.function === use.function ? 'right' : 'wrong';
    answers[answerKey(`outputs.${use.function}`, 'turn')] = there?.way === -1 ? 'wrong' : 'right';
  }
  return answers;
}

function stabilisedSeen(design: Design, truth: Truth): DirectionAnswers {
  const answers: Record<string, string> = {};
  const rows = mixerOf(design);
  for (const [axis, motion] of [
    ['roll', [-1, 0, 0]],
    ['pitch', [0, 1, 0]],
    ['yaw', [0, 0, -1]],
  ] as const) {
    const [x, y, z] = indicated(design, truth, motion);
    // Against what is shown: roll to the left against a bank to the right, and so on.
    const commands = { roll: x, pitch: -y, yaw: z };
    const moves = movesFor(design, truth, commands);
    for (const row of rows) {
      const wanted = -(row.weights[axis] ?? 0);
      if (wanted !== 0 && row.scale === 'surface')
        answers[answerKey(`stabilised.${axis}`, row.function)] = judged(moves.get(row.function) ?? 0, wanted);
    }
    const own = { roll: -x, pitch: y, yaw: -z }[axis];
    answers[answerKey(`stabilised.${axis}`, 'rotors')] = judged(own, 1);
  }
  return answers;
}

/** What a person does at the aircraft who is told so; what an edit does is not here. */
export function mended(design: Design, truth: Truth, { is, sticks = [], sentence }: Mend): Truth {
  switch (is) {
    case 'reverse-channel':
      return {
        ...truth,
        sticks: mapSticks((stick) => {
          const { channel, way } = truth.sticks[stick];
          return { channel, way: sticks.includes(stick) ? opposite(way) : way };
        }),
      };
    case 'plain-channels':
      return { ...truth, radioMixes: 'plain' };
    case 'channel-order':
      return { ...truth, sticks: mapSticks((stick) => ({ channel: stick, way: truth.sticks[stick].way })) };
    case 'motor-leads':
      return otherLeads(design, truth, sentence);
    default:
      return truth;
  }
}

/** Sticks with another channel or way each. */
export function mapSticks(of: (stick: Stick) => Truth['sticks'][Stick]): Truth['sticks'] {
  return { roll: of('roll'), pitch: of('pitch'), throttle: of('throttle'), yaw: of('yaw') };
}

function opposite(way: 1 | -1): 1 | -1 {
  return way === 1 ? -1 : 1;
}

/** The motor that hangs on an output turns the other way, by the name in the sentence: `motor 3`, `left throttle`. */
function otherLeads(design: Design, truth: Truth, sentence: string): Truth {
  const row = rotorPlanOf(graphOf(design)).find(({ number }) => sentence.includes(`motor ${number},`));
  const key = row?.slot?.key ?? '';
  const motor = truth.motors[key];
  if (motor !== undefined)
    return {
      ...truth,
      motors: { ...truth.motors, [key]: { ...motor, turns: motor.turns === 'clockwise' ? 'counter-clockwise' : 'clockwise' } },
    };
  const thrust = Object.entries(design.aircraft.outputs).find(
    ([, use]) => use.function.startsWith('throttle') && sentence.includes(` ${OUTPUT_FUNCTIONS[use.function].title},`),
  );
  const there = thrust === undefined ? undefined : truth.surfaces[thrust[0]];
  return thrust === undefined || there === undefined
    ? truth
    : { ...truth, surfaces: { ...truth.surfaces, [thrust[0]]: { ...there, way: opposite(there.way) } } };
}
