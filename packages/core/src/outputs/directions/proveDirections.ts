import type { Graph, GraphItem } from '../../graph/graph.ts';
import { mainRack } from '../plan/racks.ts';
import { attitudeQuestions, attitudeVerdict, toldMounting } from './attitudeStep.ts';
import { outputQuestions } from './outputQuestions.ts';
import { outputsVerdict } from './outputsVerdict.ts';
import {
  answered,
  answerKey,
  directionSteps,
  isAnswered,
  type DirectionAnswers,
  type DirectionStep,
  type Question,
  type StepVerdict,
} from './question.ts';
import { radioQuestions, radioVerdict } from './radioStep.ts';
import { stabilisedQuestions, stabilisedVerdict } from './stabilisedStep.ts';

/** Where the proof of the directions is. */
export interface Directions {
  /** The step that is looked at; undefined when all four are right. */
  readonly step: DirectionStep | undefined;
  /** The questions of every step, for the card of the bench. */
  readonly questions: Readonly<Record<DirectionStep, readonly Question[]>>;
  /** The next question of the step that has no answer. */
  readonly next: Question | undefined;
  /** Of the step that is looked at, as soon as its answers are enough. */
  readonly verdict: StepVerdict;
}

/** The questions of an aircraft, step by step. */
export function directionQuestions(graph: Graph): Directions['questions'] {
  return {
    radio: radioQuestions(graph),
    attitude: attitudeQuestions(),
    outputs: outputQuestions(graph),
    stabilised: stabilisedQuestions(graph),
  };
}

/** What the answers come to: the first step that is not proven, and what to do there. */
export function proveDirections(graph: Graph, answers: DirectionAnswers): Directions {
  const questions = directionQuestions(graph);
  for (const step of directionSteps) {
    const own = questions[step];
    const next = own.find((question) => !isAnswered([question], answers));
    const isEnough = next === undefined || (step === 'attitude' && isTilted(answers));
    if (!isEnough) return { step, questions, next, verdict: { is: 'open' } };
    const verdict = verdictOf(graph, step, answers);
    if (verdict.is !== 'right') return { step, questions, next: undefined, verdict };
  }
  return { step: undefined, questions, next: undefined, verdict: { is: 'right' } };
}

/** A board on another face shows every move askew: what it shows at rest is enough, and the rest is asked when that is right. */
function isTilted(answers: DirectionAnswers): boolean {
  const rest = answered(answers, 'attitude.rest', 'shows');
  return rest !== undefined && rest !== 'level';
}

function verdictOf(graph: Graph, step: DirectionStep, answers: DirectionAnswers): StepVerdict {
  switch (step) {
    case 'radio':
      return radioVerdict(graph, answers);
    case 'attitude':
      return attitudeVerdict(mainRack(graph)?.entry, answers);
    case 'outputs':
      return outputsVerdict(graph, answers);
    case 'stabilised':
      return stabilisedVerdict(graph, answers);
  }
}

/** The answers without those of some questions and of everything that comes after them. */
export function answersBefore(questions: Directions['questions'], answers: DirectionAnswers, again: readonly string[]): DirectionAnswers {
  const all = directionSteps.flatMap((step) => questions[step].map(({ id }) => ({ id, step })));
  const first = all.find(({ id }) => again.includes(id));
  if (first === undefined) return answers;
  const later = directionSteps.slice(directionSteps.indexOf(first.step) + 1);
  const gone = new Set([...again, ...all.filter(({ step }) => later.includes(step)).map(({ id }) => id)]);
  return Object.fromEntries(Object.entries(answers).filter(([key]) => ![...gone].some((id) => key.startsWith(`${id}.`))));
}

/** What of the plan the answers of each step were given for: when that changes, they say nothing of the aircraft any more. */
export function stepBasis({ design: { aircraft, dialects } }: Graph, step: DirectionStep, board: GraphItem | undefined): string {
  const { rc, outputs, mixing, airframe, dialect } = aircraft;
  switch (step) {
    case 'radio':
      return JSON.stringify([rc.channels, rc.choices.radioMixes, dialect, dialects.has(dialect)]);
    case 'attitude':
      return board === undefined ? '' : `${board.item.id} ${toldMounting(board)}`;
    case 'outputs':
    case 'stabilised':
      return JSON.stringify([outputs, mixing, airframe.kind, dialect]);
  }
}

const BASIS = 'basis';

/** Answers with the plan that each step was answered for. */
export function withBasis(graph: Graph, answers: DirectionAnswers, step: DirectionStep): DirectionAnswers {
  return { ...answers, [answerKey(BASIS, step)]: stepBasis(graph, step, mainRack(graph)?.entry) };
}

/** The answers that still are of this plan: none of a step that was answered for another one, and none after it. */
export function answersOfPlan(graph: Graph, answers: DirectionAnswers): DirectionAnswers {
  const questions = directionQuestions(graph);
  const board = mainRack(graph)?.entry;
  const stale = directionSteps.find((step) => {
    const basis = answered(answers, BASIS, step);
    return basis !== undefined && basis !== stepBasis(graph, step, board);
  });
  if (stale === undefined) return answers;
  const later = directionSteps.slice(directionSteps.indexOf(stale));
  const gone = later.flatMap((step) => [...questions[step].map(({ id }) => `${id}.`), `${step}.`, answerKey(BASIS, step)]);
  return Object.fromEntries(Object.entries(answers).filter(([key]) => !gone.some((start) => key.startsWith(start))));
}
