import { Fragment, useRef, useState } from 'react';
import { asId, type JudgedFinding, type Subject, type WaiverId } from '@wired-falcon/core';
import { authorName, makeId } from '../../session/author.ts';
import { useSelection } from '../../selection/SelectionContext.tsx';
import { useMake, useSession } from '../../session/SessionContext.tsx';
import { SeverityMark } from '../../ui/SeverityMark.tsx';
import { useInSight } from '../../ui/useInSight.ts';
import { NotComputed } from '../../ui/NotComputed.tsx';
import { useRemedies } from '../../workers/useRemedies.ts';
import { useReadersUnits } from '../../ui/readersUnits.ts';

/** One finding: what, the numbers, why, and what mends it. */
export function FindingCard({ judged }: { readonly judged: JudgedFinding }) {
  const { finding, waiver, lapsed } = judged;
  const make = useMake();
  const session = useSession();
  const { select } = useSelection();
  const [isAccepting, setAccepting] = useState(false);
  const card = useRef<HTMLDivElement>(null);
  const isInSight = useInSight(card);
  const { seq, remedies, failure } = useRemedies(finding.key, isInSight);
  const { read } = useReadersUnits();
  const pointAt = selectionFor(finding.where[0]);
  return (
    <div
      ref={card}
      className="grid grid-cols-[20px_1fr] border-b border-rule py-3"
      data-check={finding.check}
      data-severity={finding.severity}
      data-drafted-for={seq}
      data-out-of-sight={isInSight === false ? '' : undefined}
    >
      <span className="pt-0.5">
        <SeverityMark severity={finding.severity} />
      </span>
      <div className="min-w-0">
        {pointAt === undefined ? (
          <p>{read(finding.what)}</p>
        ) : (
          <button type="button" className="text-left hover:underline" onClick={() => select(pointAt)}>
            {read(finding.what)}
          </button>
        )}
        <ul className="value mt-1 text-[11.5px] leading-snug text-ink2">
          {finding.evidence.map((fact) => (
            <li key={fact.label}>
              {read(fact.label)}: {read(fact.value)}
              {fact.limit !== undefined && `; ${read(fact.limit)}`}
            </li>
          ))}
        </ul>
        <p className="mt-1 text-[12.5px] leading-snug text-ink2">{read(finding.why)}</p>
        {finding.follows.length > 0 && (
          <div className="mt-1 text-[12.5px] leading-snug">
            <p className="text-ink2">From the same cause:</p>
            <ul className="list-disc pl-4">
              {finding.follows.map(({ key, what }) => (
                <li key={key}>{read(what)}</li>
              ))}
            </ul>
          </div>
        )}
        {lapsed !== undefined && (
          <p className="mt-1 text-[12.5px] text-rust">
            Accepted by {lapsed.by} before ("{lapsed.reason}"); the facts have changed since.
          </p>
        )}
        <NotComputed what="The remedies could not be computed" failure={failure} />
        {waiver === undefined ? (
          <div className="mt-2 flex flex-wrap gap-1.5">
            {remedies.map((remedy, i) => (
              <Fragment key={remedy.sentence}>
                <button
                  type="button"
                  data-remedy
                  title={read(remedy.sentence)}
                  className={`action ${i === 0 ? 'action-main' : ''}`}
                  onClick={() => make(remedy.edit)}
                >
                  {read(remedy.label)}
                </button>
                {/* One of several parts: what would change is what they are chosen by. */}
                {remedy.isChoice === true && <p className="w-full text-[12px] leading-snug text-ink2">{read(remedy.sentence)}</p>}
              </Fragment>
            ))}
            {!isAccepting && (
              <button type="button" className="action border-rule font-normal" onClick={() => setAccepting(true)}>
                Accept, with a reason
              </button>
            )}
          </div>
        ) : (
          <p className="mt-1 text-[12.5px]">
            Accepted by {waiver.by}: {waiver.reason}{' '}
            <button type="button" className="underline" onClick={() => session.make({ kind: 'remove-waiver', waiver: waiver.id })}>
              withdraw
            </button>
          </p>
        )}
        {isAccepting && waiver === undefined && <AcceptForm judged={judged} onDone={() => setAccepting(false)} />}
      </div>
    </div>
  );
}

const STOP_WORDS = 'accept this stop';

/** Asks for the reason, and for the words themselves where it is a stop. */
function AcceptForm({ judged: { finding }, onDone }: { readonly judged: JudgedFinding; readonly onDone: () => void }) {
  const session = useSession();
  const [reason, setReason] = useState('');
  const [words, setWords] = useState('');
  const needsWords = finding.severity === 'stop';
  const isReady = reason.trim().length >= 3 && (!needsWords || words.trim().toLowerCase() === STOP_WORDS);
  const accept = (): void => {
    const waiver = {
      id: asId<WaiverId>(makeId()),
      findingKey: finding.key,
      basis: finding.basis,
      reason: reason.trim(),
      by: authorName(),
      at: new Date().toISOString(),
    };
    const made = session.make({ kind: 'add-waiver', waiver });
    if (!('refused' in made)) onDone();
  };
  return (
    <form
      className="mt-2 flex flex-col gap-1.5"
      onSubmit={(event) => {
        event.preventDefault();
        if (isReady) accept();
      }}
    >
      <label className="text-[12.5px]">
        Reason
        <input className="field mt-0.5 w-full" value={reason} onChange={(event) => setReason(event.target.value)} autoFocus />
      </label>
      {needsWords && (
        <label className="text-[12.5px]">
          This can damage or lose the aircraft. Type "{STOP_WORDS}".
          <input className="field mt-0.5 w-full" value={words} onChange={(event) => setWords(event.target.value)} />
        </label>
      )}
      <div className="flex gap-1.5">
        <button type="submit" className="action" disabled={!isReady}>
          Accept
        </button>
        <button type="button" className="action border-rule font-normal" onClick={onDone}>
          Cancel
        </button>
      </div>
    </form>
  );
}

function selectionFor(subject: Subject | undefined) {
  switch (subject?.is) {
    case 'cable':
    case 'conductor':
      return { is: 'cable', cable: subject.cable } as const;
    case 'item':
    case 'port':
    case 'pin':
      return { is: 'item', item: subject.item } as const;
    case undefined:
      return undefined;
  }
}
