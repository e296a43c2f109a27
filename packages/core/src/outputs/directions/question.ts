import type { Edit } from '../../edits/registry.ts';
import type { OutputFunction } from '../../model/outputFunctions.ts';
import type { Stick } from '../../model/rcUses.ts';

/** The four steps, in the order in which they have to be proven: nothing is judged before what is before it is right. */
export const DIRECTION_STEPS = {
  radio: { title: 'Radio', aim: 'Each channel moves as the firmware expects, and no other moves with it.' },
  attitude: { title: 'Attitude', aim: "The controller's attitude follows the aircraft on all axes." },
  outputs: { title: 'Outputs', aim: 'In manual mode each surface and motor follows its stick.' },
  stabilised: { title: 'Stabilisation', aim: 'In a self-levelling mode the surfaces act against the disturbance.' },
} as const;
export type DirectionStep = keyof typeof DIRECTION_STEPS;
export const directionSteps = ['radio', 'attitude', 'outputs', 'stabilised'] as const satisfies readonly DirectionStep[];

/** One thing that a person looks at, with what can be seen of it. The first option is what is right; people see them in another order. */
export interface QuestionPart {
  readonly id: string;
  readonly about: string;
  readonly options: readonly { readonly value: string; readonly words: string }[];
}

/** What is drawn beside a question: what is done, and what must move for it. */
export type DirectionPicture =
  | { readonly is: 'channels'; readonly stick: Stick; readonly towards: 1 | -1; readonly rises: boolean }
  | { readonly is: 'stick'; readonly stick: Stick; readonly towards: 1 | -1; readonly moves: readonly PictureMove[] }
  | { readonly is: 'airframe'; readonly motion: 'level' | 'nose-up' | 'right-down' | 'nose-right'; readonly moves: readonly PictureMove[] }
  | { readonly is: 'motor'; readonly number: number };

/** A surface that moves, down or right positive; or a motor that turns. */
export interface PictureMove {
  readonly function: OutputFunction;
  readonly value: number;
}

/** Something to do, and what to look at. */
export interface Question {
  readonly id: string;
  readonly step: DirectionStep;
  readonly ask: string;
  /** Beside the question where the work can hurt. */
  readonly caution?: string;
  readonly parts: readonly QuestionPart[];
  readonly picture: DirectionPicture;
}

/** What was seen, by `question.part`. */
export type DirectionAnswers = Readonly<Record<string, string>>;

/** What to change, where, and the edit that keeps the plan with it. */
export interface Mend {
  readonly is:
    | 'reverse-channel'
    | 'plain-channels'
    | 'channel-order'
    | 'no-link'
    | 'orientation'
    | 'compass'
    | 'no-attitude'
    | 'outputs'
    | 'motor-leads'
    | 'mixed-twice'
    | 'nothing-moves'
    | 'still';
  readonly sentence: string;
  readonly edit?: Edit;
  /** The channels that it turns round, where it is about the radio. */
  readonly sticks?: readonly Stick[];
}

/** What the answers of a step come to. */
export type StepVerdict =
  | { readonly is: 'open' }
  | { readonly is: 'right' }
  | { readonly is: 'mend'; readonly mends: readonly Mend[] }
  /** The answers cannot all be true. `again`: the questions to ask once more. */
  | { readonly is: 'impossible'; readonly sentence: string; readonly again: readonly string[] };

const NOT_MOVING = ['still', 'none', 'nothing'];

/** The options in an order that does not tell which one is right: by their words, and last that nothing moves. */
export function optionsInOrder({ options }: QuestionPart): QuestionPart['options'] {
  const isLast = (value: string): number => (NOT_MOVING.includes(value) ? 1 : 0);
  return [...options].sort((a, b) => isLast(a.value) - isLast(b.value) || (a.words < b.words ? -1 : 1));
}

/** The key of an answer. */
export function answerKey(question: string, part: string): string {
  return `${question}.${part}`;
}

/** The answer to a part of a question. */
export function answered(answers: DirectionAnswers, question: string, part: string): string | undefined {
  return answers[answerKey(question, part)];
}

/** True when each part of each question has an answer that it offers. */
export function isAnswered(questions: readonly Question[], answers: DirectionAnswers): boolean {
  return questions.every(({ id, parts }) =>
    parts.every((part) => part.options.some(({ value }) => value === answered(answers, id, part.id))),
  );
}

/** What cannot be true comes first: nothing is changed before it was looked at again. Else all that is to mend. */
export function together(verdicts: readonly StepVerdict[]): StepVerdict {
  const impossible = verdicts.find(({ is }) => is === 'impossible');
  if (impossible !== undefined) return impossible;
  const mends = verdicts.flatMap((verdict) => (verdict.is === 'mend' ? verdict.mends : []));
  return mends.length > 0 ? { is: 'mend', mends } : { is: 'right' };
}
