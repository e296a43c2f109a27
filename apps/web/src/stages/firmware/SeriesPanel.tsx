import type { NextOfSeries } from '@wired-falcon/core';
import { CopyButton } from '../../ui/CopyButton.tsx';
import { NotComputed } from '../../ui/NotComputed.tsx';
import { useCalculated } from '../../workers/useCalculated.ts';
import type { DriftAsk, series } from './calculators.ts';

interface SeriesPanelProps {
  readonly ask: DriftAsk;
  readonly onClose: () => void;
}

/** The configuration for the next aircraft of the series: this one as built, less what is of it alone, and what is done anew. */
export function SeriesPanel({ ask, onClose }: SeriesPanelProps) {
  const { shown, failure } = useCalculated<typeof series>('firmware.series', ask);
  const answer = shown !== undefined && shown.ask === ask ? shown.answer : undefined;
  return (
    <section
      aria-label="For the next aircraft of the series"
      className="mt-4 border border-ink p-3 text-[13px]"
      data-testid="series"
      data-ready={answer !== undefined}
    >
      <h3 className="text-[15px] font-bold">For the next aircraft of the series</h3>
      <NotComputed what="The configuration for the next aircraft could not be made" failure={failure} />
      {answer === undefined ? null : 'sentence' in answer ? <p>{answer.sentence}</p> : <Next next={answer} />}
      <button type="button" className="action no-print mt-2" onClick={onClose}>
        Close
      </button>
    </section>
  );
}

function Next({ next: { texts, count, left, unknown, byHand } }: { readonly next: NextOfSeries }) {
  const own = left.reduce((sum, { lines }) => sum + lines.length, 0);
  return (
    <>
      <p>
        {count} lines are loaded as in this aircraft. {own} lines belong to this aircraft alone and are left out.
        {unknown.length === 0
          ? ''
          : ` ${unknown.length} lines are not in the dialect and are left out too: it is unknown whether they belong to this aircraft alone.`}
      </p>
      <div className="no-print mt-2 flex flex-wrap items-center gap-2">
        {texts.map((text, i) => (
          <CopyButton key={i} label={texts.length === 1 ? 'Copy' : `Copy pass ${i + 1}`} text={text} />
        ))}
      </div>
      <h4 className="mt-2 font-semibold">To do again on the next aircraft</h4>
      <ol className="list-decimal pl-5">
        {left
          .filter(({ todo }) => todo !== undefined)
          .map(({ title, todo, lines }) => (
            <li key={title}>
              {todo}{' '}
              <span className="text-ink2">
                ({lines.length === 1 ? '1 line' : `${lines.length} lines`}: {title})
              </span>
            </li>
          ))}
        {byHand
          .filter(({ when }) => when === 'after')
          .map(({ id, text, caution }) => (
            <li key={id}>
              {caution !== undefined && <strong>{caution} </strong>}
              {text}
            </li>
          ))}
      </ol>
    </>
  );
}
