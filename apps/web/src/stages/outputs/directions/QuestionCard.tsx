import { useState } from 'react';
import { answerKey, DIRECTION_STEPS, optionsInOrder, type DirectionAnswers, type Graph, type Question } from '@wired-falcon/core';
import { QuestionPicture } from './QuestionPicture.tsx';

interface QuestionCardProps {
  readonly graph: Graph;
  readonly question: Question;
  readonly place: string;
  readonly onTake: (answers: DirectionAnswers) => void;
}

/** One question, large: what to do, what has to be seen, and what was. */
export function QuestionCard({ graph, question, place, onTake }: QuestionCardProps) {
  const [given, setGiven] = useState<DirectionAnswers>({});
  const { id, step, ask, caution, parts } = question;
  const isWhole = parts.every((part) => given[answerKey(id, part.id)] !== undefined);
  return (
    <form
      className="mt-4 grid gap-x-8 gap-y-3 border-t border-ink pt-3 min-[900px]:grid-cols-[minmax(0,1fr)_340px]"
      data-question={id}
      onSubmit={(event) => {
        event.preventDefault();
        if (isWhole) onTake(given);
      }}
    >
      <div>
        <p className="text-[12.5px] text-ink2">
          {DIRECTION_STEPS[step].title}, question {place}
        </p>
        <h3 className="max-w-prose text-xl font-bold">{ask}</h3>
        {caution !== undefined && <p className="mt-1 max-w-prose border-l-4 border-rust pl-2 text-[13px]">{caution}</p>}
        {parts.map((part) => (
          <fieldset key={part.id} className="mt-3">
            <legend className="text-[14px] font-semibold">{part.about}</legend>
            <div className="mt-1 flex flex-wrap gap-2">
              {optionsInOrder(part).map(({ value, words }) => (
                <label
                  key={value}
                  className="flex min-h-11 cursor-pointer items-center gap-2 border border-ink bg-white px-3 text-[15px] has-checked:bg-ink has-checked:text-sheet"
                >
                  <input
                    type="radio"
                    name={answerKey(id, part.id)}
                    value={value}
                    checked={given[answerKey(id, part.id)] === value}
                    onChange={() => setGiven({ ...given, [answerKey(id, part.id)]: value })}
                  />
                  {words}
                </label>
              ))}
            </div>
          </fieldset>
        ))}
        <button type="submit" className="action mt-4 text-[15px]" disabled={!isWhole}>
          That is what I observe
        </button>
      </div>
      <QuestionPicture graph={graph} question={question} />
    </form>
  );
}
