import { useMemo } from 'react';
import {
  answerKey,
  answersBefore,
  answersOfPlan,
  withBasis,
  DIRECTION_STEPS,
  proveDirections,
  directionSteps,
  mainRack,
  type DirectionAnswers,
  type Graph,
  type Question,
} from '@wired-falcon/core';
import { useGraph } from '../../../session/SessionContext.tsx';
import { usePageLine } from '../../../session/usePageLine.tsx';
import { useRememberedAnswers } from './rememberedAnswers.ts';
import { BoardFigure } from './BoardFigure.tsx';
import { QuestionCard } from './QuestionCard.tsx';
import { VerdictCard } from './VerdictCard.tsx';

/** The proof of the directions at the aircraft: one question after the other, in four steps, and what the answers come to. */
export function DirectionsPage() {
  const graph = useGraph();
  const { style } = usePageLine();
  return (
    <section data-scroll className="min-h-0 overflow-y-auto px-5 py-4" aria-label="Directions" data-testid="directions">
      {style}
      <h2 className="text-lg font-bold">Directions</h2>
      {mainRack(graph) === undefined ? (
        <p className="mt-2 max-w-prose">
          Here you prove at the aircraft that every stick and every correction moves the right surface in the right direction. Add a
          controller with outputs and assign functions first (Output rack).
        </p>
      ) : (
        <Proof graph={graph} />
      )}
    </section>
  );
}

function Proof({ graph }: { readonly graph: Graph }) {
  const [remembered, setAnswers] = useRememberedAnswers(graph.design.aircraft.id);
  // What was answered for another plan, before an undo or a colleague's edit, is asked again.
  const answers = useMemo(() => answersOfPlan(graph, remembered), [graph, remembered]);
  const found = useMemo(() => proveDirections(graph, answers), [graph, answers]);
  const { step, next, verdict, questions } = found;
  const reached = step === undefined ? directionSteps.length : directionSteps.indexOf(step);
  const again = (ids: readonly string[]): void => setAnswers(answersBefore(questions, answers, ids));
  const take = (question: Question, given: DirectionAnswers): void =>
    setAnswers({
      ...withBasis(graph, answers, question.step),
      ...Object.fromEntries(question.parts.map(({ id }) => [answerKey(question.id, id), given[answerKey(question.id, id)] ?? ''])),
    });
  const own = step === undefined ? [] : questions[step];
  return (
    <>
      <p className="mt-1 max-w-prose text-[13px] text-ink2">
        Propellers off. Four steps, in this order: two results alone cannot separate the radio, the outputs and the mounting, and two errors
        can cancel.
      </p>
      <ol className="mt-3 grid gap-2 min-[760px]:grid-cols-4">
        {directionSteps.map((one, i) => (
          <li
            key={one}
            aria-current={one === step ? 'step' : undefined}
            className={`border-t-4 pt-1 text-[12.5px] ${i < reached ? 'border-ink' : one === step ? 'border-rust' : 'border-grid'}`}
            data-step={one}
            data-state={i < reached ? 'right' : one === step ? 'now' : 'later'}
          >
            <span className="block text-[14px] font-semibold">
              {i + 1}. {DIRECTION_STEPS[one].title}
              {i < reached ? ', proven' : ''}
            </span>
            <span className="text-ink2">{DIRECTION_STEPS[one].aim}</span>
            {i < reached && (
              <button type="button" className="no-print block underline" onClick={() => again(questions[one].map(({ id }) => id))}>
                Check again
              </button>
            )}
          </li>
        ))}
      </ol>
      {next !== undefined ? (
        <QuestionCard
          key={next.id}
          graph={graph}
          question={next}
          place={`${own.indexOf(next) + 1} of ${own.length}`}
          onTake={(given) => take(next, given)}
        />
      ) : (
        <VerdictCard verdict={verdict} stepIds={own.map(({ id }) => id)} onAgain={again} />
      )}
      {Object.keys(answers).length > 0 && (
        <button type="button" className="no-print mt-4 text-[13px] underline" onClick={() => setAnswers({})}>
          Start from the first step
        </button>
      )}
      <BoardFigure graph={graph} />
    </>
  );
}
