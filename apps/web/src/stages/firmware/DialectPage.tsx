import { useMemo } from 'react';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import {
  asId,
  codeTables,
  dialectKeyOf,
  dialectOf,
  draftOf,
  judgeDraft,
  ownDialectOf,
  sampleDialects,
  scopeOf,
  writeDialectFile,
  withDialect,
  withTables,
  type Dialect,
  type DialectId,
} from '@wired-falcon/core';
import { authorName, makeId } from '../../session/author.ts';
import { useDesign, useGraph, useMake, useSession } from '../../session/SessionContext.tsx';
import { dialectsApi } from '../../session/transport.ts';
import { useWorkshopDialects, WORKSHOP_DIALECTS } from '../../session/workshopDialects.ts';
import { CodeField, type CodeProblem } from '../../ui/CodeField.tsx';
import { downloadText } from '../../ui/download.ts';
import { CodeTableForm } from './CodeTableForm.tsx';
import { DialectPreviewPanel } from './DialectPreviewPanel.tsx';
import { ExpectedList } from './ExpectedList.tsx';
import { TeachPanel } from './TeachPanel.tsx';
import { useDialectDraft } from './useDialectDraft.ts';
import { useController } from './useController.ts';

/** The dialect of the aircraft: its lines, its codes and its tests, with what a change comes to on this aircraft. */
export function DialectPage() {
  const design = useDesign();
  const dialect = dialectOf(design);
  return (
    <section data-scroll className="min-h-0 overflow-y-auto px-5 py-4" aria-label="Dialect" data-testid="dialect-page">
      <h2 className="text-lg font-bold">Dialect{dialect === undefined ? '' : `: ${dialect.name}`}</h2>
      {dialect === undefined ? (
        <p className="mt-2 max-w-prose">The dialect of this aircraft is not known here. Choose one on the Brief.</p>
      ) : (
        <Editor key={dialectKeyOf(dialect)} dialect={dialect} />
      )}
    </section>
  );
}

function Editor({ dialect }: { readonly dialect: Dialect }) {
  const { id: controller } = useController();
  const graph = useGraph();
  const own = useWorkshopDialects();
  const make = useMake();
  const session = useSession();
  const queries = useQueryClient();
  const { draft, change, discard, forget, undo, redo } = useDialectDraft(dialect);
  const verdict = useMemo(() => judgeDraft(draft), [draft]);
  const scope = scopeOf(graph, controller);
  const part = typeof scope === 'string' ? undefined : scope.part;
  const tables = useMemo(() => codeTables(draft.dialect, part), [draft.dialect, part]);
  const saved = own.find((revision) => revision.dialect.id === dialect.id);
  const isSample = sampleDialects.some(({ id }) => id === dialect.id);
  // Saved after the newest revision, what is made from an older one would undo what that has changed.
  const isNewest = saved !== undefined && dialectKeyOf(saved.dialect) === dialectKeyOf(dialect);
  const newest = saved?.dialect ?? sampleDialects.find(({ id }) => id === dialect.id);
  const isChanged = verdict.dialect === undefined || dialectKeyOf(verdict.dialect) !== dialectKeyOf(dialect);
  const save = useMutation({
    mutationFn: (next: Dialect) => dialectsApi.save(next, own.find((one) => one.dialect.id === next.id)?.revision ?? 0, authorName()),
    onSuccess: async ({ dialect: kept }) => {
      // The edit names a revision that the session has to know first.
      session.learn({ parts: [], dialects: [kept] });
      forget();
      await queries.invalidateQueries({ queryKey: WORKSHOP_DIALECTS });
      const key = dialectKeyOf(kept);
      if (key !== dialectKeyOf(dialect)) make({ kind: 'set-dialect', dialect: key, was: dialectKeyOf(dialect) });
    },
  });
  const copy = (): void => save.mutate(ownDialectOf(dialect, asId<DialectId>(makeId())));
  return (
    <>
      <p className="max-w-prose text-[13px] text-ink2">
        {isSample
          ? 'A made-up sample to start from; it cannot be changed. Copy it to adapt it to the firmware that you fly.'
          : saved === undefined
            ? 'It came with this aircraft, and the workshop has no such dialect. Copy it to change it.'
            : isNewest
              ? `Revision ${saved.revision} of the workshop, by ${saved.by}.`
              : `An older revision; revision ${saved.revision} is the newest. Use that one to change the dialect.`}
      </p>
      <div className="mt-2 flex flex-wrap items-center gap-2">
        <button type="button" className="action" onClick={copy} disabled={save.isPending}>
          Copy it, and use the copy here
        </button>
        {!isSample && isNewest && (
          <button
            type="button"
            className="action action-main"
            disabled={!isChanged || verdict.dialect === undefined || save.isPending}
            onClick={() => verdict.dialect !== undefined && save.mutate({ ...verdict.dialect, source: 'workshop' })}
          >
            Save as revision {saved.revision + 1}, and use it here
          </button>
        )}
        {isChanged && (
          <button type="button" className="action" onClick={discard}>
            Discard the changes
          </button>
        )}
        {!isSample && (
          <>
            <button type="button" className="action" disabled={undo === undefined} onClick={undo}>
              Undo in the draft
            </button>
            <button type="button" className="action" disabled={redo === undefined} onClick={redo}>
              Redo in the draft
            </button>
          </>
        )}
        <button
          type="button"
          className="action"
          onClick={() => downloadText(`${dialect.id}.dialect.json`, writeDialectFile(verdict.dialect ?? dialect), 'application/json')}
        >
          Export
        </button>
      </div>
      {save.error !== null && (
        <p role="alert" className="mt-2 text-[13px] text-rust">
          {save.error.message}
        </p>
      )}
      {newest !== undefined && dialectKeyOf(newest) !== dialectKeyOf(dialect) && (
        <DialectPreviewPanel
          title="A newer revision"
          dialect={newest}
          controller={controller}
          action={{
            label: 'Use the newer revision',
            run: () => make({ kind: 'set-dialect', dialect: dialectKeyOf(newest), was: dialectKeyOf(dialect) }),
          }}
        />
      )}
      <h3 className="mt-4 text-[15px] font-bold">Lines</h3>
      <p className="max-w-prose text-[12.5px] text-ink2">
        Each row is one line of the configuration: its name, what it is of in brackets, and how it is written, with the facts in braces.
      </p>
      <CodeField
        label="Lines of the dialect"
        value={draft.sheet}
        problems={verdict.inSheet}
        isReadOnly={isSample}
        onChange={(sheet) => change('lines', { ...draft, sheet })}
      />
      <div
        role="status"
        data-testid="draft-problems"
        data-count={verdict.inSheet.length + verdict.others.length + verdict.inTables.length}
        className="text-[13px] text-rust"
      >
        {[...verdict.inSheet.map(({ line, sentence }) => `Line ${line}: ${sentence}`), ...verdict.others].slice(0, 8).map((sentence) => (
          <p key={sentence}>{sentence}</p>
        ))}
      </div>
      {verdict.inTables.length > 0 && (
        <p className="mt-4 text-[13px] text-rust">Fix the tables below first; then codes can be changed here again.</p>
      )}
      <CodeTableForm
        tables={tables}
        target={part?.board?.target}
        dialect={draft.dialect}
        isReadOnly={isSample || verdict.inTables.length > 0}
        onCode={(place, next) => change(`code ${place}`, withDialect(draft, next))}
      />
      <h3 className="mt-4 text-[15px] font-bold">All tables</h3>
      <p className="max-w-prose text-[12.5px] text-ink2">
        Everything else that the dialect says, as JSON: boards and their outputs kept for motors, bauds, limits and refusals, and under
        &quot;text&quot; the signs between values, head and foot, prerequisites, steps by hand and buttons to press.
      </p>
      <CodeField
        label="Tables of the dialect"
        value={draft.tables}
        problems={verdict.inTables}
        isReadOnly={isSample}
        onChange={(tables) => change('tables', withTables(draft, tables))}
      />
      <Sentences at={verdict.inTables} />
      {!isSample && verdict.dialect !== undefined && (
        <TeachPanel
          dialect={verdict.dialect}
          tables={tables}
          target={part?.board?.target}
          onLearn={(learned) => change('lesson', draftOf(learned))}
        />
      )}
      <h3 className="mt-4 text-[15px] font-bold">Tests</h3>
      <p className="max-w-prose text-[12.5px] text-ink2">
        Facts of an aircraft and the line they must give, one per line: port on ESTUARY7: port=B role=mavlink-2 -&gt; P20.ROLE 31
      </p>
      <CodeField
        label="Tests of the dialect"
        value={draft.tests}
        problems={verdict.inTests}
        isReadOnly={isSample}
        onChange={(tests) => change('tests', { ...draft, tests })}
      />
      <ExpectedList results={verdict.results} problems={verdict.inTests} />
      {verdict.dialect !== undefined && <DialectPreviewPanel title="On this aircraft" dialect={verdict.dialect} controller={controller} />}
    </>
  );
}

/** What is wrong in a text, each with its line. */
function Sentences({ at }: { readonly at: readonly CodeProblem[] }) {
  return (
    <div role="status" className="text-[13px] text-rust">
      {at.slice(0, 8).map(({ line, sentence }) => (
        <p key={`${line} ${sentence}`}>
          Line {line}: {sentence}
        </p>
      ))}
    </div>
  );
}
