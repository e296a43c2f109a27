import { useEffect, useMemo, useState } from 'react';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import {
  canonicalJson,
  hasShape,
  jsonAt,
  jsonOf,
  PartSchema,
  withJsonAt,
  withoutOrphans,
  writePartFile,
  type PartId,
} from '@wired-falcon/core';
import type { PartRevision } from '@wired-falcon/contract';
import { authorName } from '../../session/author.ts';
import { partsApi } from '../../session/transport.ts';
import { WORKSHOP_PARTS } from '../../session/workshopParts.ts';
import { downloadText } from '../../ui/download.ts';
import { usePageTitle } from '../../ui/pageTitle.ts';
import { WorkshopHeader } from '../WorkshopHeader.tsx';
import { DraftProvider, pathText, textOf } from './DraftContext.tsx';
import { draftProblems } from './draftProblems.ts';
import { forgetDraft, keepDraft, type KeptDraft } from '../../partDrafts/draftStore.ts';
import { DraftSide } from './DraftSide.tsx';
import { EditorTabs } from './EditorTabs.tsx';
import { useDraftHistory } from './useDraftHistory.ts';

interface PartEditorProps {
  readonly id: PartId;
  readonly start: KeptDraft;
  /** True when `start` was kept in this browser and is not a saved revision. */
  readonly isKept: boolean;
  readonly revisions: readonly PartRevision[];
}

/** The form of a part with what does not hold together beside it. What is typed is kept in this browser until it is saved. */
export function PartEditor({ id, start, isKept, revisions }: PartEditorProps) {
  const history = useDraftHistory(start.draft);
  const { draft, change } = history;
  const [base, setBase] = useState(start.base);
  const [port, setPort] = useState(0);
  const [tab, setTab] = useState(0);
  const [isRoomLeft, setRoomLeft] = useState(true);
  const found = useMemo(() => draftProblems(draft), [draft]);
  const cleaned = useMemo(() => (hasShape(PartSchema, draft) ? withoutOrphans(draft) : undefined), [draft]);
  const saving = useSaving(id, (saved) => setBase(saved.revision));
  const newest = revisions.find((revision) => revision.revision === base)?.part;
  const isChanged = newest === undefined || canonicalJson(newest) !== canonicalJson(draft);
  const name = textOf(draft, 'name');
  usePageTitle(`${name}, part`);
  useEffect(() => {
    if (isChanged) setRoomLeft(keepDraft(id, { draft, base }));
    else forgetDraft(id);
  }, [id, draft, base, isChanged]);
  useUndoKeys(history.undo, history.redo);
  const access = {
    draft,
    problems: found.byPath,
    set: (path: Parameters<typeof withJsonAt>[1], now: Parameters<typeof withJsonAt>[2]) =>
      change(withJsonAt(draft, path, now), typeof now === 'string' || typeof now === 'number' ? pathText(path) : ''),
    change,
  };
  return (
    <div className="grid h-full grid-rows-[auto_minmax(0,1fr)]">
      <WorkshopHeader room="parts" name={name} state={stateText(base, isChanged, isRoomLeft)}>
        <button type="button" disabled={!history.canUndo} className="disabled:text-[#767060]" onClick={history.undo}>
          undo <kbd className="key">Ctrl Z</kbd>
        </button>
        <button type="button" disabled={!history.canRedo} className="disabled:text-[#767060]" onClick={history.redo}>
          redo <kbd className="key">Ctrl Y</kbd>
        </button>
        <button
          type="button"
          className="action"
          disabled={found.sentences.length > 0}
          onClick={() => hasShape(PartSchema, draft) && downloadText(`${id}.part.json`, writePartFile(draft), 'application/json')}
        >
          Export
        </button>
        <button
          type="button"
          className="action action-main"
          disabled={found.sentences.length > 0 || !isChanged || saving.isPending}
          onClick={() => hasShape(PartSchema, draft) && saving.mutate({ part: draft, base })}
        >
          Save as revision {base + 1}
        </button>
      </WorkshopHeader>
      <div className="grid min-h-0 grid-cols-[minmax(0,1fr)_400px]">
        <main className="min-h-0 overflow-y-auto bg-sheet px-5 py-3">
          {isKept && (
            <p className="mb-2 text-[13px] text-ink2">
              {base === 0
                ? 'A part that is not saved yet; it is kept'
                : `Changes to revision ${base} that are not saved yet; they are kept`}{' '}
              in this browser.
            </p>
          )}
          <DraftProvider access={access}>
            <EditorTabs tab={tab} onTab={setTab} port={port} onPort={setPort} />
          </DraftProvider>
        </main>
        <DraftSide
          draft={draft}
          sentences={found.sentences}
          orphans={cleaned?.removed ?? []}
          onClean={() => cleaned !== undefined && change(jsonOf(cleaned.part), '')}
          revisions={revisions}
          base={base}
          failure={saving.error?.message}
          port={port}
          onPort={(chosen) => {
            setPort(chosen);
            setTab(1);
          }}
          onTake={(revision) => change(jsonOf(revision.part), '')}
          onAfter={(revision) => setBase(revision)}
          isOwn={jsonAt(draft, ['id']) === id}
        />
      </div>
    </div>
  );
}

function stateText(base: number, isChanged: boolean, isRoomLeft: boolean): string {
  if (!isRoomLeft) return 'this browser has no room to keep the draft: save or export it before you leave';
  if (!isChanged) return `revision ${base}, saved`;
  return base === 0 ? 'not saved yet' : `revision ${base}, changed since`;
}

function useSaving(id: PartId, onSaved: (saved: PartRevision) => void) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: ({ part, base }: { part: PartRevision['part']; base: number }) => partsApi.save(part, base, authorName()),
    onSuccess: async (saved) => {
      forgetDraft(id);
      await queries.invalidateQueries({ queryKey: ['part', id] });
      await queries.invalidateQueries({ queryKey: WORKSHOP_PARTS });
      onSaved(saved);
    },
    onError: () => queries.invalidateQueries({ queryKey: ['part', id] }),
  });
}

function useUndoKeys(undo: () => void, redo: () => void): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (!event.ctrlKey && !event.metaKey) return;
      const key = event.key.toLowerCase();
      if (key !== 'z' && key !== 'y') return;
      event.preventDefault();
      if (key === 'y' || event.shiftKey) redo();
      else undo();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [undo, redo]);
}
