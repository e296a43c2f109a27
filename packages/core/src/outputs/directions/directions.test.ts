import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { roleTable } from '../../dialects/roleTable.ts';
import { graphOf } from '../../graph/graphOf.ts';
import { withDialect } from '../../test/checkCases/build.ts';
import { sampleParts } from '../../parts/catalogue.ts';
import { airframeKinds, requiredFunctions, type AirframeKind } from '../../model/airframes.ts';
import type { Design } from '../../model/design.ts';
import { mountings, type Mounting } from '../../model/mounting.ts';
import { IMU_TURN } from '../../model/mounting.ts';
import type { OutputFunction } from '../../model/outputFunctions.ts';
import { STICKS } from '../../model/rcUses.ts';
import { emptyBench, itemOf, made } from '../../test/designs.ts';
import { indicated, mapSticks, mended, PLAIN_STICKS, rightTruth, seenOf, type Truth } from '../../test/truthOfDirections.ts';
import { mainRack, slotsIn } from '../plan/racks.ts';
import { boardLies } from './boardLies.ts';
import { answersBefore, answersOfPlan, withBasis, directionQuestions, proveDirections } from './proveDirections.ts';
import { pairsOf, movedSurfaces } from './movedSurfaces.ts';
import { answerKey, type DirectionAnswers } from './question.ts';

/** A controller with outputs for everything. */
const BOARD = [...sampleParts].filter(({ kind }) => kind === 'controller').sort((a, b) => pulses(b) - pulses(a))[0];

function pulses({ endpoints }: (typeof sampleParts)[number]): number {
  return endpoints.filter(({ is }) => is === 'pulse-out').length;
}

/** An aircraft of a kind whose outputs have their functions, with nothing on them: what hangs there is the truth's. */
function assigned(kind: AirframeKind, more: readonly OutputFunction[] = []): Design {
  const bench = emptyBench();
  if (kind !== 'flying-wing') bench.make({ kind: 'set-airframe', airframe: kind, was: 'flying-wing' });
  bench.add(String(BOARD?.id), 'flight controller');
  const rack = mainRack(graphOf(bench.design));
  const slots = rack === undefined ? [] : slotsIn(rack);
  [...requiredFunctions(kind), ...more].forEach((name, i) => bench.assign('FC1', slots[i]?.output.id ?? '', name));
  return bench.design;
}

interface Ended {
  readonly design: Design;
  readonly truth: Truth;
  readonly rounds: number;
  readonly wasImpossible: boolean;
}

/** Answers truly and does what one is told, until all four steps are right. */
function followed(start: Design, first: Truth): Ended {
  let [design, truth] = [start, first];
  for (let rounds = 0; rounds < 20; rounds++) {
    const { step, verdict } = proveDirections(graphOf(design), seenOf(design, truth));
    if (step === undefined) return { design, truth, rounds, wasImpossible: false };
    if (verdict.is !== 'mend') return { design, truth, rounds, wasImpossible: true };
    for (const mend of verdict.mends) {
      truth = mended(design, truth, mend);
      if (mend.edit !== undefined) design = made(design, mend.edit);
    }
  }
  return { design, truth, rounds: 20, wasImpossible: true };
}

/** Right by what the aircraft does, whatever the steps say. */
function isRight({ design, truth }: Pick<Ended, 'design' | 'truth'>): boolean {
  const radio =
    truth.radioMixes === 'plain' && STICKS.every((stick) => truth.sticks[stick].channel === stick && truth.sticks[stick].way === 1);
  const board = (
    [
      [1, 0, 0],
      [0, 1, 0],
      [0, 0, 1],
    ] as const
  ).every((axis) => indicated(design, truth, axis).every((value, i) => Math.abs(value - (axis[i] ?? 0)) < 1e-9));
  // Every surface goes the way of its own row, and every motor is the one that the firmware means.
  const seen = seenOf(design, truth);
  const surfaces = Object.entries(seen).filter(([key]) => key.startsWith('outputs.') && !key.startsWith('outputs.motor-'));
  const { motors } = rightTruth(design);
  const lift = Object.entries(truth.motors).every(([key, { place, turns }]) => motors[key]?.place === place && motors[key].turns === turns);
  return radio && board && lift && surfaces.every(([, value]) => value === 'right');
}

function checked(design: Design, truth: Truth): Ended {
  const ended = followed(design, truth);
  if (ended.wasImpossible || !isRight(ended))
    throw new Error(`Not led right: ${JSON.stringify({ kind: design.aircraft.airframe.kind, truth })}`);
  // What passes at once was right before anything was changed.
  if (ended.rounds === 0 && !isRight({ design, truth })) throw new Error(`A wrong aircraft passed: ${JSON.stringify(truth)}`);
  return ended;
}

/** Every way in which servos can turn and pairs of outputs can be plugged in crosswise; lift motors have no way of their own here. */
function builtWays(design: Design): readonly Truth['surfaces'][] {
  const right = rightTruth(design).surfaces;
  const keys = Object.keys(right).filter((key) => right[key]?.function.startsWith('motor') === false);
  const pairs = pairsOf(movedSurfaces(graphOf(design))).map((pair) => pair.map(({ use }) => `${use.item}.${use.output}`));
  const thrust = Object.entries(design.aircraft.outputs).flatMap(([key, { function: name }]) => (/^throttle-/.test(name) ? [key] : []));
  const swaps = [...pairs, ...(thrust.length === 2 ? [thrust] : [])];
  return Array.from({ length: 1 << (keys.length + swaps.length) }, (_, n) => {
    const surfaces = { ...right };
    keys.forEach((key, i) => {
      const there = surfaces[key];
      if (there !== undefined && ((n >> i) & 1) === 1) surfaces[key] = { ...there, way: -1 };
    });
    swaps.forEach(([a = '', b = ''], i) => {
      const [one, other] = [surfaces[a], surfaces[b]];
      if (((n >> (keys.length + i)) & 1) === 0 || one === undefined || other === undefined) return;
      surfaces[a] = other;
      surfaces[b] = one;
    });
    return surfaces;
  });
}

const told = (design: Design, mounting: Mounting): Design =>
  made(design, { kind: 'set-item-setting', item: itemOf(design, 'FC1').id, setting: IMU_TURN, value: mounting, was: null });

describe('following the four steps', () => {
  it('sets every radio right: channels reversed, in another order, mixing left in', () => {
    const design = assigned('flying-wing');
    const right = rightTruth(design);
    let wrong = 0;
    for (const radioMixes of ['plain', 'elevon', 'v-tail'] as const)
      for (let bits = 0; bits < 16; bits++)
        for (const order of [
          [0, 1, 2, 3],
          [1, 0, 2, 3],
          [2, 0, 1, 3],
          [3, 2, 1, 0],
        ]) {
          const sticks = mapSticks((stick) => {
            const at = STICKS.indexOf(stick);
            return { channel: STICKS[order[at] ?? at] ?? stick, way: ((bits >> at) & 1) === 1 ? -1 : 1 };
          });
          const ended = checked(design, { ...right, radioMixes, sticks });
          if (ended.rounds > 0) wrong++;
          // The outputs are never touched for what is wrong in the radio.
          expect(ended.design.aircraft.outputs).toBe(design.aircraft.outputs);
        }
    expect(wrong).toBe(3 * 16 * 4 - 1);
  });

  it('asks for the pitch channel as the firmware has it', () => {
    const design = assigned('flying-wing');
    const own = (one: Design): string | undefined =>
      directionQuestions(graphOf(one))
        .radio.find(({ id }) => id === 'radio.pitch')
        ?.parts.find(({ id }) => id === 'pitch')?.options[0]?.words;
    expect([own(design), own(withDialect(design, roleTable))]).toEqual(['falls', 'rises']);
  });

  it('takes a board that shows another face for what the layout has, where that explains it', () => {
    const start = assigned('flying-wing');
    const bench = made(start, {
      kind: 'place-item',
      item: itemOf(start, 'FC1').id,
      place: { at: [300, 0, 0], turn: [180, 0, 180], yawDeg: 0, below: false },
      was: null,
    });
    const design = told(bench, 'level');
    const { verdict } = proveDirections(graphOf(design), seenOf(design, { ...rightTruth(design), board: 'roll-180-yaw-180' }));
    expect(verdict).toMatchObject({ is: 'mend', mends: [{ edit: { value: 'roll-180-yaw-180' } }] });
  });

  it('finds each of the 24 ways to lie from each of the 24 that the firmware is told', () => {
    const design = assigned('flying-wing');
    const right = rightTruth(design);
    for (const believed of mountings)
      for (const board of mountings) {
        const ended = checked(told(design, believed), { ...right, board });
        expect(ended.rounds).toBeLessThanOrEqual(2);
        expect(ended.rounds === 0).toBe(believed === board);
        expect(itemOf(ended.design, 'FC1').settings[IMU_TURN]).toBe(board);
        expect(ended.design.aircraft.outputs).toBe(design.aircraft.outputs);
      }
  });

  it.each(airframeKinds)('brings every reversal and every swap of a %s right', (kind) => {
    const design = assigned(kind, kind === 'flying-wing' ? ['steering', 'flap-left', 'spoiler-left'] : []);
    const right = rightTruth(design);
    for (const surfaces of builtWays(design)) checked(design, { ...right, surfaces });
  });

  it.each(airframeKinds.filter((kind) => requiredFunctions(kind).some((name) => name.startsWith('motor-'))))(
    'numbers and turns the lift motors of a %s',
    (kind) => {
      const design = assigned(kind);
      const right = rightTruth(design);
      const keys = Object.keys(right.motors);
      fc.assert(
        fc.property(
          fc.shuffledSubarray(keys, { minLength: keys.length }),
          fc.array(fc.boolean(), { minLength: keys.length, maxLength: keys.length }),
          (shuffled, turned) => {
            const motors = Object.fromEntries(
              keys.map((key, i) => {
                const there = right.motors[shuffled[i] ?? key] ?? { place: '', turns: 'clockwise' as const };
                const turns = turned[i] === true ? (there.turns === 'clockwise' ? 'counter-clockwise' : 'clockwise') : there.turns;
                return [key, { place: there.place, turns }];
              }),
            );
            checked(design, { ...right, motors });
          },
        ),
        { numRuns: 40, seed: 12 },
      );
    },
  );

  it('leads out of everything at once', () => {
    const design = assigned('v-tail');
    const right = rightTruth(design);
    const keys = Object.keys(right.surfaces);
    fc.assert(
      fc.property(
        fc.constantFrom(...mountings),
        fc.constantFrom(...mountings),
        fc.constantFrom('plain' as const, 'elevon' as const, 'v-tail' as const),
        fc.nat(15),
        fc.nat(255),
        (believed, board, radioMixes, radio, ways) => {
          const sticks = mapSticks((stick) => ({ channel: stick, way: ((radio >> STICKS.indexOf(stick)) & 1) === 1 ? -1 : 1 }));
          const surfaces = Object.fromEntries(
            keys.flatMap((key, i) => {
              const there = right.surfaces[key];
              return there === undefined ? [] : [[key, { ...there, way: ((ways >> i) & 1) === 1 ? (-1 as const) : (1 as const) }]];
            }),
          );
          checked(told(design, believed), { sticks, radioMixes, board, surfaces, motors: {} });
        },
      ),
      { numRuns: 150, seed: 13 },
    );
  });
});

/** Everything at once on a flying wing, all combinations: with `WF_DIRECTIONS=whole`; in CI every so many. */
const EVERY = process.env['WF_DIRECTIONS'] === 'whole' ? 1 : 97;

it('every wrong flying wing is led right, and none passes', () => {
  const design = assigned('flying-wing');
  const right = rightTruth(design);
  let [at, led] = [0, 0];
  for (const board of mountings)
    for (const radioMixes of ['plain', 'elevon', 'v-tail'] as const)
      for (let radio = 0; radio < 16; radio++)
        for (const surfaces of builtWays(design)) {
          if (at++ % EVERY !== 0) continue;
          const sticks = mapSticks((stick) => ({ channel: stick, way: ((radio >> STICKS.indexOf(stick)) & 1) === 1 ? -1 : 1 }));
          if (checked(design, { ...right, board, radioMixes, sticks, surfaces }).rounds > 0) led++;
        }
  // Of all combinations one alone is right from the start.
  expect(at).toBe(24 * 3 * 16 * 16);
  expect(led).toBe(Math.ceil(at / EVERY) - 1);
});

describe('how the board lies', () => {
  const design = assigned('flying-wing');
  const placed = (turn: readonly [0 | 90 | 180 | 270, 0 | 90 | 180 | 270, 0 | 90 | 180 | 270], below = false): Design =>
    made(design, {
      kind: 'place-item',
      item: itemOf(design, 'FC1').id,
      place: { at: [300, 0, 0], turn: [turn[0], turn[1], turn[2]], yawDeg: 0, below },
      was: null,
    });
  const lies = (one: Design) => boardLies(graphOf(one));

  it('is told by the setting, else by the layout, with the code of the dialect and the arrow as the aircraft sees it', () => {
    expect(lies(design)).toMatchObject({ code: '100', isUpsideDown: false, isOtherwiseInLayout: undefined, arrow: [-1, 0, 0] });
    expect(lies(placed([0, 0, 90]))).toMatchObject({ told: 'nose right', code: '101', arrow: [0, 1, 0], isOtherwiseInLayout: false });
    expect(lies(placed([0, 0, 0], true))).toMatchObject({ told: 'on its back, nose forward', code: '120', isUpsideDown: true });
    expect(lies(told(placed([0, 0, 90]), 'level'))).toMatchObject({ told: 'level, nose forward', isOtherwiseInLayout: true });
    expect(lies(placed([0, 90, 0]))?.code).toBeUndefined();
    expect(lies(emptyBench().design)).toBeUndefined();
  });
});

describe('answers that cannot be true', () => {
  const design = assigned('flying-wing');
  const right = seenOf(design, rightTruth(design));
  const verdict = (answers: DirectionAnswers) => proveDirections(graphOf(design), answers).verdict;

  it('about the attitude are those that no way to lie shows', () => {
    const shown = ['nose-up', 'nose-down', 'right-down', 'left-down'];
    const possible = new Set(
      ['level', 'yaw-90', 'yaw-180', 'yaw-270'].map((board) => {
        const seen = seenOf(told(design, 'level'), { ...rightTruth(design), board: mountings.find((one) => one === board) ?? 'level' });
        return `${seen['attitude.nose.shows'] ?? ''} ${seen['attitude.wing.shows'] ?? ''}`;
      }),
    );
    expect(possible.size).toBe(4);
    for (const nose of shown)
      for (const wing of shown) {
        const { is } = verdict({ ...right, 'attitude.nose.shows': nose, 'attitude.wing.shows': wing });
        expect([nose, wing, is === 'impossible']).toEqual([nose, wing, !possible.has(`${nose} ${wing}`)]);
      }
    expect(verdict({ ...right, 'attitude.turn.shows': 'falls' })).toMatchObject({ is: 'mend', mends: [{ is: 'compass' }] });
  });

  it('about two elevons are eight of sixteen', () => {
    let impossible = 0;
    for (let n = 0; n < 16; n++) {
      const answers: Record<string, string> = { ...right };
      ['outputs.roll.elevon-left', 'outputs.roll.elevon-right', 'outputs.pitch.elevon-left', 'outputs.pitch.elevon-right'].forEach(
        (key, i) => {
          answers[key] = ((n >> i) & 1) === 1 ? 'wrong' : 'right';
        },
      );
      const said = verdict(answers);
      if (said.is === 'impossible') {
        impossible++;
        expect(said.again).toEqual(['outputs.roll', 'outputs.pitch']);
      }
    }
    expect(impossible).toBe(8);
  });

  it('are sent back to by the last step: an axis to the attitude, one surface to the outputs', () => {
    const axis = verdict({ ...right, 'stabilised.roll.elevon-left': 'wrong', 'stabilised.roll.elevon-right': 'wrong' });
    expect(axis).toMatchObject({ is: 'impossible', again: ['attitude.wing'] });
    const one = verdict({ ...right, 'stabilised.pitch.elevon-left': 'wrong' });
    expect(one).toMatchObject({ is: 'impossible', again: ['outputs.pitch'] });
    if (axis.is !== 'impossible') throw new Error('It is possible.');
    const before = answersBefore(directionQuestions(graphOf(design)), right, axis.again);
    expect(before['attitude.nose.shows']).toBe('nose-up');
    expect(Object.keys(before).filter((key) => /^attitude\.wing|^outputs|^stabilised\.(roll|pitch)/.test(key))).toEqual([]);
  });

  it('that are third answers are said for what they are', () => {
    const still = (keys: readonly string[]): DirectionAnswers => ({ ...right, ...Object.fromEntries(keys.map((key) => [key, 'still'])) });
    const surfaces = Object.keys(right).filter((key) => /^outputs\.(roll|pitch)/.test(key));
    expect(verdict(still(surfaces))).toMatchObject({ is: 'mend', mends: [{ is: 'nothing-moves' }] });
    expect(verdict(still(['outputs.roll.elevon-left', 'outputs.pitch.elevon-right']))).toMatchObject({
      is: 'mend',
      mends: [{ is: 'mixed-twice' }],
    });
    expect(verdict(still(['outputs.roll.elevon-left', 'outputs.pitch.elevon-left']))).toMatchObject({
      is: 'mend',
      mends: [{ is: 'still' }],
    });
    const mixing = { ...rightTruth(design), radioMixes: 'elevon' as const, sticks: PLAIN_STICKS };
    expect(verdict(seenOf(design, mixing))).toMatchObject({ is: 'mend', mends: [{ is: 'plain-channels' }] });
    const silent = Object.fromEntries(Object.entries(right).map(([key, value]) => [key, key.startsWith('radio.') ? 'still' : value]));
    expect(verdict(silent)).toMatchObject({ is: 'mend', mends: [{ is: 'no-link' }] });
  });

  it('about one motor for two outputs, one motor for two throttles, one servo for two ways, are looked at again', () => {
    const said = (one: Design, changed: DirectionAnswers) =>
      proveDirections(graphOf(one), { ...seenOf(one, rightTruth(one)), ...changed }).verdict;
    const quad = assigned('quad', ['elevon-left']);
    expect(said(quad, { 'outputs.motor-1.place': 'front-left' })).toMatchObject({
      is: 'impossible',
      again: expect.arrayContaining(['outputs.motor-1']),
    });
    expect(said(quad, { 'outputs.roll.elevon-left': 'wrong' })).toMatchObject({
      is: 'impossible',
      again: ['outputs.roll', 'outputs.pitch'],
    });
    const twin = assigned('twin-motor');
    expect(said(twin, { 'outputs.throttle-left.side': 'wrong' })).toMatchObject({ is: 'impossible' });
    expect(said(twin, { 'outputs.throttle-left.side': 'wrong', 'outputs.throttle-right.side': 'wrong' })).toMatchObject({
      is: 'mend',
      mends: [{ is: 'outputs' }],
    });
    expect(said(twin, {})).toEqual({ is: 'right' });
  });

  it('are put in the words of what opens: flaps down, spoilers up', () => {
    const right = (one: Design, id: string): readonly (string | undefined)[] =>
      (directionQuestions(graphOf(one)).outputs.find((question) => question.id === id)?.parts ?? []).map(
        ({ options }) => options[0]?.words,
      );
    expect(right(assigned('glider-spoilers'), 'outputs.brake')).toEqual(['up', 'up']);
    expect(right(assigned('v-tail-flaps'), 'outputs.flap')).toEqual(['down', 'down']);
    expect(right(assigned('conventional'), 'outputs.roll')).toEqual(['down', 'up']);
    expect(right(assigned('one-aileron'), 'outputs.roll')).toEqual(['left one down']);
    expect(right(assigned('conventional'), 'outputs.yaw')).toEqual(['right']);
  });

  it('are not kept for a plan that has changed since: from the first step that it is about', () => {
    const given = (['radio', 'attitude', 'outputs', 'stabilised'] as const).reduce<DirectionAnswers>(
      (all, step) => withBasis(graphOf(design), all, step),
      right,
    );
    const steps = (one: Design): readonly string[] =>
      [...new Set(Object.keys(answersOfPlan(graphOf(one), given)).map((key) => key.split('.')[0] ?? ''))].filter(
        (step) => step !== 'basis',
      );
    expect(steps(design)).toEqual(['radio', 'attitude', 'outputs', 'stabilised']);
    const [use] = Object.values(design.aircraft.outputs);
    if (use === undefined) throw new Error('There is no output.');
    const turned = made(design, { kind: 'set-output-travel', item: use.item, output: use.output, value: { reversed: true }, was: {} });
    expect(steps(turned)).toEqual(['radio', 'attitude']);
    expect(steps(told(design, 'yaw-90'))).toEqual(['radio']);
    expect(steps(withDialect(design, roleTable))).toEqual([]);
  });

  it('are asked for one by one, and nothing is judged before what is before it', () => {
    const graph = graphOf(design);
    const questions = directionQuestions(graph);
    let answers: DirectionAnswers = {};
    for (const question of Object.values(questions).flat()) {
      expect(proveDirections(graph, answers).next?.id).toBe(question.id);
      answers = {
        ...answers,
        ...Object.fromEntries(question.parts.map(({ id }) => [answerKey(question.id, id), right[answerKey(question.id, id)] ?? ''])),
      };
    }
    expect(proveDirections(graph, answers)).toMatchObject({ step: undefined, verdict: { is: 'right' } });
    // The first option is always what is right.
    for (const question of Object.values(questions).flat())
      for (const { id, options } of question.parts)
        expect([question.id, options[0]?.value]).toEqual([question.id, right[answerKey(question.id, id)]]);
    expect(proveDirections(graph, { ...answers, 'radio.roll.roll': 'sideways' }).next?.id).toBe('radio.roll');
  });
});
