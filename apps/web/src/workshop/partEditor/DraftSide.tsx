import { dayText } from '@wired-falcon/core';
import type { Json } from '@wired-falcon/core';
import type { PartRevision } from '@wired-falcon/contract';
import { PartPicture } from './PartPicture.tsx';

interface DraftSideProps {
  readonly draft: Json;
  readonly sentences: readonly string[];
  readonly revisions: readonly PartRevision[];
  readonly base: number;
  readonly failure: string | undefined;
  readonly port: number;
  readonly isOwn: boolean;
  /** What of the draft names something of it that is not there. */
  readonly orphans: readonly string[];
  readonly onClean: () => void;
  readonly onPort: (port: number) => void;
  readonly onTake: (revision: PartRevision) => void;
  readonly onAfter: (revision: number) => void;
}

/** Beside the form: the ports as they are, what does not hold together, the revisions. */
export function DraftSide(props: DraftSideProps) {
  const { draft, sentences, orphans, revisions, base, failure } = props;
  const newest = revisions[0]?.revision ?? 0;
  return (
    <aside className="min-h-0 overflow-y-auto border-l border-rule px-4 py-3" aria-label="About this part">
      <PartPicture draft={draft} chosen={props.port} onChoose={props.onPort} />
      <h2 className="mt-4 text-[15px] font-bold">Is it consistent?</h2>
      <div role="status" data-testid="part-problems" data-count={sentences.length}>
        {sentences.length === 0 ? (
          <p className="mt-1 text-[13px]">Yes, with its defaults and with every choice of its settings.</p>
        ) : (
          <>
            <p className="mt-1 text-[13px] text-ink2">Not yet. Fix these problems before saving.</p>
            <ul className="mt-1">
              {sentences.map((sentence) => (
                <li key={sentence} className="border-b border-rule py-1 text-[13px] leading-snug">
                  {sentence}
                </li>
              ))}
            </ul>
            {orphans.length > 0 && (
              <button type="button" className="action mt-2" title={orphans.join(', ')} onClick={props.onClean}>
                Remove {orphans.length} {orphans.length === 1 ? 'entry that refers' : 'entries that refer'} to something missing
              </button>
            )}
          </>
        )}
      </div>
      {failure !== undefined && (
        <p role="alert" className="mt-2 text-[13px] text-rust">
          {failure}
        </p>
      )}
      {newest > base && (
        <p className="mt-2 text-[13px]">
          Revision {newest} was saved after the one this draft started from.{' '}
          <button type="button" className="underline" onClick={() => props.onAfter(newest)}>
            Save mine after it
          </button>
        </p>
      )}
      <h2 className="mt-4 text-[15px] font-bold">Revisions</h2>
      {revisions.length === 0 && (
        <p className="mt-1 text-[13px] text-ink2">None yet. A saved revision never changes; aircraft keep the one they have.</p>
      )}
      <ul>
        {revisions.map((revision) => (
          <li key={revision.revision} className="flex items-baseline gap-2 border-b border-rule py-1 text-[13px]">
            <span className="value font-medium">{revision.revision}</span>
            <span className="text-ink2">
              {revision.by}, {dayText(revision.at)}
            </span>
            <span className="grow" />
            <button
              type="button"
              className="underline"
              onClick={() => props.onTake(revision)}
              aria-label={`Load revision ${revision.revision}`}
            >
              load
            </button>
          </li>
        ))}
      </ul>
      <p className="mt-4 text-[12.5px] text-ink2">
        Take values from the data sheet, and measure what it does not state: results are only as good as these values.
      </p>
    </aside>
  );
}
