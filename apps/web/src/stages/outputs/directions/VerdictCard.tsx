import type { StepVerdict } from '@wired-falcon/core';
import { useMake } from '../../../session/SessionContext.tsx';

interface VerdictCardProps {
  readonly verdict: StepVerdict;
  /** The questions of the step, which are asked again after a change. */
  readonly stepIds: readonly string[];
  readonly onAgain: (ids: readonly string[]) => void;
}

/** What the answers of a step come to: what to change, and where; or which answers cannot be true. */
export function VerdictCard({ verdict, stepIds, onAgain }: VerdictCardProps) {
  const make = useMake();
  return (
    <section
      aria-label="Verdict"
      className="mt-4 border-t border-ink pt-3"
      data-testid="verdict"
      data-verdict={verdict.is}
      aria-live="polite"
    >
      {verdict.is === 'right' && (
        <>
          <h3 className="text-xl font-bold">All four steps are correct</h3>
          <p className="mt-1 max-w-prose">
            Sticks, attitude, outputs and stabilisation agree. Repeat the test after every change of wiring, radio or mounting, and before
            the first flight of the day.
          </p>
        </>
      )}
      {verdict.is === 'impossible' && (
        <>
          <h3 className="text-xl font-bold">Check again</h3>
          <p className="mt-1 max-w-prose">{verdict.sentence}</p>
          <button type="button" className="action mt-3 text-[15px]" onClick={() => onAgain(verdict.again)}>
            Ask me again
          </button>
        </>
      )}
      {verdict.is === 'mend' && (
        <>
          <h3 className="text-xl font-bold">Change this first</h3>
          <ul className="mt-1 max-w-prose">
            {verdict.mends.map(({ is, sentence, edit }) => (
              <li key={sentence} className="flex flex-wrap items-center gap-3 py-1" data-mend={is}>
                <span className="text-[15px]">{sentence}</span>
                {edit !== undefined && (
                  <button
                    type="button"
                    className="action no-print"
                    onClick={() => {
                      make(edit);
                      onAgain(stepIds);
                    }}
                  >
                    Change it in the plan, and ask again
                  </button>
                )}
              </li>
            ))}
          </ul>
          <button type="button" className="no-print mt-3 underline" onClick={() => onAgain(stepIds)}>
            Changed at the aircraft: ask again
          </button>
        </>
      )}
    </section>
  );
}
