import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { useQuery } from '@tanstack/react-query';
import {
  asId,
  jsonOf,
  ownCopyOf,
  PART_KINDS,
  readPartFile,
  sampleParts,
  writePartFile,
  type Part,
  type PartId,
  dayText,
} from '@wired-falcon/core';
import type { PartRevision } from '@wired-falcon/contract';
import { paths } from '../../addresses/paths.ts';
import { searchParts, wordsOf } from '../../entry/searchParts.ts';
import { makeId } from '../../session/author.ts';
import { partsApi } from '../../session/transport.ts';
import { WORKSHOP_PARTS } from '../../session/workshopParts.ts';
import { downloadText } from '../../ui/download.ts';
import { FileButton } from '../../ui/FileButton.tsx';
import { usePageTitle } from '../../ui/pageTitle.ts';
import { forgetDraft, keepDraft, keptDraft, keptDraftIds, type KeptDraft } from '../../partDrafts/draftStore.ts';
import { textOf } from '../partEditor/DraftContext.tsx';
import { useCopyPart } from '../../partDrafts/useCopyPart.ts';
import { WorkshopHeader } from '../WorkshopHeader.tsx';

/** The parts that the workshop made itself, drafts of some, and the samples to start from. */
export function WorkshopPartsView() {
  usePageTitle('Parts of the workshop');
  const own = useQuery({ queryKey: WORKSHOP_PARTS, queryFn: partsApi.list });
  const [discarded, setDiscarded] = useState<Discarded>();
  const drafts = keptDraftIds().filter((id) => own.data?.some(({ part }) => part.id === id) !== true);
  const discard = (id: PartId): void => {
    const kept = keptDraft(id);
    if (kept === undefined) return;
    forgetDraft(id);
    setDiscarded({ id, kept });
  };
  return (
    <div className="grid h-full grid-rows-[auto_minmax(0,1fr)]">
      <WorkshopHeader room="parts">
        <ImportPart own={own.data ?? []} />
      </WorkshopHeader>
      <div className="grid min-h-0 grid-cols-[minmax(0,1fr)_420px]">
        <main className="min-h-0 overflow-y-auto bg-sheet px-5 py-4">
          <h1 className="text-lg font-bold">Made by this workshop</h1>
          {own.isError && <p className="mt-2 text-rust">{own.error.message}</p>}
          {own.data?.length === 0 && drafts.length === 0 && (
            <p className="mt-2 max-w-prose text-ink2">
              Nothing yet. Copy the sample closest to your part, for example "GNSS receiver, serial"; then put in your part's own pins,
              currents and mass.
            </p>
          )}
          <ul className="mt-2" data-testid="own-parts">
            {(own.data ?? []).map((revision) => (
              <OwnPart key={revision.part.id} revision={revision} />
            ))}
            {drafts.map((id) => (
              <OwnDraft key={id} id={id} onDiscard={() => discard(id)} />
            ))}
          </ul>
          {discarded !== undefined && (
            <p role="status" className="mt-2 text-[13px]">
              The draft of "{textOf(discarded.kept.draft, 'name')}" is discarded.{' '}
              <button
                type="button"
                className="underline"
                onClick={() => {
                  keepDraft(discarded.id, discarded.kept);
                  setDiscarded(undefined);
                }}
              >
                Restore it
              </button>
            </p>
          )}
        </main>
        <Samples />
      </div>
    </div>
  );
}

interface Discarded {
  readonly id: PartId;
  readonly kept: KeptDraft;
}

function OwnDraft({ id, onDiscard }: { readonly id: PartId; readonly onDiscard: () => void }) {
  const name = textOf(keptDraft(id)?.draft, 'name') || id;
  return (
    <li className="flex items-baseline gap-3 border-b border-rule py-2">
      <Link className="font-semibold underline" to={paths.partEditor(id)}>
        {name}
      </Link>
      <span className="text-[13px] text-ink2">a draft in this browser, not saved yet</span>
      <span className="grow" />
      <button type="button" className="text-[13px] underline" aria-label={`Discard the draft of ${name}`} onClick={onDiscard}>
        discard
      </button>
    </li>
  );
}

function OwnPart({ revision: { part, revision, by, at } }: { readonly revision: PartRevision }) {
  return (
    <li className="flex items-baseline gap-3 border-b border-rule py-2">
      <Link className="font-semibold underline" to={paths.partEditor(part.id)}>
        {part.name}
      </Link>
      <span className="text-[13px] text-ink2">
        {PART_KINDS[part.kind].title}, revision <span className="value">{revision}</span>, {by}, {dayText(at)}
        {keptDraft(part.id) !== undefined && '; changed here, not saved yet'}
      </span>
      <span className="grow" />
      <button
        type="button"
        className="text-[13px] underline"
        aria-label={`Export ${part.name}`}
        onClick={() => downloadText(`${part.id}.part.json`, writePartFile(part), 'application/json')}
      >
        export
      </button>
    </li>
  );
}

function Samples() {
  const [text, setText] = useState('');
  const copy = useCopyPart();
  return (
    <section className="min-h-0 overflow-y-auto border-l border-rule px-4 py-4" aria-label="Samples to copy">
      <h2 className="text-lg font-bold">Start from a sample</h2>
      <label className="mt-2 block text-[13px] text-ink2" htmlFor="sample-search">
        Search by words, for example "servo 12g"
      </label>
      <input
        id="sample-search"
        type="search"
        className="field mt-1 w-full"
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      <ul className="mt-2">
        {searchParts(sampleParts, wordsOf(text)).map((part) => (
          <li key={part.id} className="grid grid-cols-[1fr_auto] items-center gap-x-3 border-b border-rule py-1.5">
            <span>
              {part.name} <span className="text-[12.5px] text-ink2">{PART_KINDS[part.kind].title}</span>
            </span>
            <button type="button" className="action" aria-label={`Copy ${part.name}`} onClick={() => copy(part)}>
              Copy
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Takes a part file in as a draft: as a new part, or as changes to the part of the workshop that has its id. */
function ImportPart({ own }: { readonly own: readonly PartRevision[] }) {
  const [problem, setProblem] = useState('');
  const navigate = useNavigate();
  const take = (text: string): void => {
    const read = readPartFile(text);
    if ('sentence' in read) return setProblem(read.sentence);
    const part = importedPart(read.part);
    const base = own.find((revision) => revision.part.id === part.id)?.revision ?? 0;
    keepDraft(part.id, { draft: jsonOf(part), base });
    void navigate(paths.partEditor(part.id));
  };
  return (
    <>
      {problem !== '' && (
        <span role="alert" className="text-[13px] text-rust">
          {problem}
        </span>
      )}
      <FileButton label="Import a part" fileLabel="Part file" onText={take} />
    </>
  );
}

/** The samples' ids stay theirs: an exported sample comes in as a copy. */
function importedPart(part: Part): Part {
  const isSample = sampleParts.some((sample) => sample.id === part.id);
  return isSample ? { ...ownCopyOf(part, asId<PartId>(makeId())), name: part.name, source: 'import' } : { ...part, source: 'import' };
}
