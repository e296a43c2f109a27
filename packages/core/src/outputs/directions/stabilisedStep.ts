import type { Graph } from '../../graph/graph.ts';
import { hovers, isWingless } from '../../model/airframes.ts';
import { OUTPUT_FUNCTIONS } from '../../model/outputFunctions.ts';
import { listed } from '../../text/lists.ts';
import { asSentence } from '../../text/sentences.ts';
import { movedSurfaces, wayOf, wayWords } from './movedSurfaces.ts';
import { answered, together, type DirectionAnswers, type Question, type StepVerdict } from './question.ts';

/** What is done to the aircraft, which command it is answered with, and which earlier answers that rests on. */
const DONE = {
  roll: {
    ask: 'Self-levelling mode, sticks released. Lower the right wing.',
    motion: 'right-down',
    attitude: 'attitude.wing',
    low: 'on the right',
  },
  pitch: { ask: 'Self-levelling mode, sticks released. Raise the nose.', motion: 'nose-up', attitude: 'attitude.nose', low: 'at the rear' },
  yaw: {
    ask: 'Self-levelling mode. Turn the nose to the right, quickly: surfaces respond to yaw only while it turns.',
    motion: 'nose-right',
    attitude: 'attitude.turn',
    low: undefined,
  },
} as const;
const axes = ['roll', 'pitch', 'yaw'] as const;
const ROTORS = 'rotors';

/** What surfaces do against what happens to the aircraft; of a frame that only hovers, what its motors do. */
export function stabilisedQuestions(graph: Graph): readonly Question[] {
  const moved = movedSurfaces(graph);
  const { kind } = graph.design.aircraft.airframe;
  return axes.flatMap((axis): Question[] => {
    const { ask, motion, low } = DONE[axis];
    // Against a bank to the right a command to the left is asked for.
    const own = moved.filter(({ row }) => row.scale === 'surface' && wayOf(row, axis) !== 0);
    const surfaces = own.map(({ row }) => ({
      id: row.function,
      about: OUTPUT_FUNCTIONS[row.function].title,
      options: [
        { value: 'right', words: wayWords(row.function, -wayOf(row, axis)) },
        { value: 'wrong', words: wayWords(row.function, wayOf(row, axis)) },
        { value: 'still', words: 'does not move' },
      ],
    }));
    const rotors =
      hovers(kind) && isWingless(kind) && low !== undefined
        ? [
            {
              id: ROTORS,
              about: `the motors ${low}`,
              options: [
                { value: 'right', words: 'speed up' },
                { value: 'wrong', words: 'slow down' },
                { value: 'still', words: 'do not change' },
              ],
            },
          ]
        : [];
    const parts = [...surfaces, ...rotors];
    if (parts.length === 0) return [];
    return [
      {
        id: `stabilised.${axis}`,
        step: 'stabilised',
        ask: `${ask} What responds?`,
        caution: 'Propellers off. Hold the aircraft so that it cannot fall.',
        parts,
        picture: { is: 'airframe', motion, moves: own.map(({ row }) => ({ function: row.function, value: -(row.weights[axis] ?? 0) })) },
      },
    ];
  });
}

/** With the first three steps right this has to be right; where it is not, which of the earlier answers cannot be true. */
export function stabilisedVerdict(graph: Graph, answers: DirectionAnswers): StepVerdict {
  const questions = stabilisedQuestions(graph);
  const seen = questions.map(({ id, parts }) => ({ id, parts: parts.map((part) => ({ part, value: answered(answers, id, part.id) })) }));
  if (seen.length > 0 && seen.every(({ parts }) => parts.every(({ value }) => value === 'still')))
    return {
      is: 'mend',
      mends: [
        {
          is: 'nothing-moves',
          sentence: 'Nothing responds: the mode does not stabilise, or the controller must be armed first. Check the modes.',
        },
      ],
    };
  return together(
    seen.map(({ id, parts }): StepVerdict => {
      const axis = axes.find((one) => id === `stabilised.${one}`) ?? 'roll';
      const wrong = parts.filter(({ value }) => value === 'wrong');
      const still = parts.filter(({ value }) => value === 'still');
      const names = (some: typeof parts): string => listed(some.map(({ part }) => part.about));
      if (wrong.length === parts.length)
        return {
          is: 'impossible',
          sentence: `${asSentence(names(wrong))} ${wrong.length === 1 && wrong[0]?.part.id !== ROTORS ? 'acts' : 'act'} the wrong way with the right stick: the result of the attitude step about ${axis} cannot be right. Repeat it; reverse nothing.`,
          again: [DONE[axis].attitude],
        };
      if (wrong.length > 0)
        return {
          is: 'impossible',
          sentence: `${asSentence(names(wrong))} ${wrong.length === 1 ? 'acts' : 'act'} against the others: the result for ${wrong.length === 1 ? 'it' : 'them'} in manual mode cannot be right. Repeat that step.`,
          again: [`outputs.${axis}`],
        };
      if (still.length > 0)
        return {
          is: 'mend',
          mends: [
            {
              is: 'still',
              sentence: `${asSentence(names(still))} ${still.length === 1 ? 'does' : 'do'} not respond: check the gains of that axis, and whether the mode stabilises it.`,
            },
          ],
        };
      return { is: 'right' };
    }),
  );
}
