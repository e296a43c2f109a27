import { useMemo } from 'react';
import type { Dialect, ItemId } from '@wired-falcon/core';
import { HeadRow } from '../../ui/HeadRow.tsx';
import { NotComputed } from '../../ui/NotComputed.tsx';
import { WideRegion } from '../../ui/WideRegion.tsx';
import { useCalculated } from '../../workers/useCalculated.ts';
import type { preview } from './calculators.ts';

/** So many changed lines are shown; the rest is counted. */
const MOST_SHOWN = 60;

interface DialectPreviewPanelProps {
  readonly title: string;
  readonly dialect: Dialect;
  readonly controller: ItemId | undefined;
  readonly action?: { readonly label: string; readonly run: () => void };
}

/** The lines that another dialect writes otherwise for the open aircraft, and the whole text. */
export function DialectPreviewPanel({ title, dialect, controller, action }: DialectPreviewPanelProps) {
  const ask = useMemo(() => ({ dialect, controller }), [dialect, controller]);
  const { shown, failure } = useCalculated<typeof preview>('firmware.preview', ask);
  const answer = shown?.answer;
  return (
    <section
      aria-label={title}
      className="mt-4 border border-rule p-3 text-[13px]"
      data-testid="dialect-preview"
      data-current={shown !== undefined && shown.ask === ask}
    >
      <h3 className="text-[15px] font-bold">{title}</h3>
      <NotComputed what="The result could not be computed" failure={failure} />
      {answer === undefined ? null : 'sentence' in answer ? (
        <p>{answer.sentence}</p>
      ) : (
        <>
          <p>
            {answer.changed.length === 0
              ? `No line of this aircraft changes; it has ${answer.count}.`
              : `${answer.changed.length} of ${answer.count} lines of this aircraft change.`}
          </p>
          {answer.leftOut.map((sentence) => (
            <p key={sentence} className="text-rust">
              {sentence}
            </p>
          ))}
          {answer.changed.length > 0 && (
            <WideRegion label={`${title}: lines that change`}>
              <table className="mt-1 w-full min-w-[480px] text-[12.5px]">
                <HeadRow heads={['Meaning', 'Now', 'Then']} cell="pr-3" />
                <tbody>
                  {answer.changed.slice(0, MOST_SHOWN).map(({ what, was, now }) => (
                    <tr key={`${what} ${was ?? ''} ${now ?? ''}`} className="border-b border-grid" data-changed={now ?? ''}>
                      <td className="pr-3">{what}</td>
                      <td className="value pr-3">{was ?? 'no line'}</td>
                      <td className="value">{now ?? 'no line'}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </WideRegion>
          )}
          {answer.changed.length > MOST_SHOWN && <p>and {answer.changed.length - MOST_SHOWN} more</p>}
          <details className="mt-1">
            <summary className="cursor-pointer">The whole text</summary>
            <pre className="value max-h-80 overflow-auto" tabIndex={0} aria-label={`${title}: the whole text`}>
              {answer.text}
            </pre>
          </details>
          {action !== undefined && (
            <button type="button" className="action action-main mt-2" onClick={action.run}>
              {action.label}
            </button>
          )}
        </>
      )}
    </section>
  );
}
