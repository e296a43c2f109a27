import { useMemo, useState } from 'react';
import { scopeOf, type ItemId, type TextContents } from '@wired-falcon/core';
import type { DumpResponse } from '@wired-falcon/contract';
import { makeId } from '../../session/author.ts';
import { useDumps } from '../../session/dumps.ts';
import { useDesign, useGraph, useSessionState } from '../../session/SessionContext.tsx';
import { usePageLine } from '../../session/usePageLine.tsx';
import { DumpInput } from '../../ui/DumpInput.tsx';
import { NotComputed } from '../../ui/NotComputed.tsx';
import { useCalculated } from '../../workers/useCalculated.ts';
import { BetweenDumps } from './BetweenDumps.tsx';
import type { drift } from './calculators.ts';
import { DriftTable } from './DriftTable.tsx';
import { DumpShelf } from './DumpShelf.tsx';
import { KeepDump } from './KeepDump.tsx';
import { SeriesPanel } from './SeriesPanel.tsx';
import { useController } from './useController.ts';

/** The dump that is compared. */
interface OpenDump {
  readonly text: string;
  /** Under which it is kept, or would be. */
  readonly id: string;
  readonly isKept: boolean;
}

/** What was read from a controller beside what is planned: what differs, and which side is taken. */
export function ReadBackPage() {
  const { id } = useController();
  const graph = useGraph();
  const { aircraft } = useDesign();
  const shelf = useDumps(aircraft.id);
  const [dump, setDump] = useState<OpenDump>();
  const [pair, setPair] = useState<readonly [DumpResponse, DumpResponse]>();
  const [contents, setContents] = useState<TextContents>();
  const [isSeries, setSeries] = useState(false);
  /** Why a kept dump could not be had. */
  const [unread, setUnread] = useState<string>();
  const text = dump?.text;
  const ask = useMemo(() => (text === undefined ? undefined : { controller: id, dump: text, contents }), [id, text, contents]);
  const between = useMemo(
    () => (pair === undefined ? undefined : { controller: id, first: pair[0].text, second: pair[1].text }),
    [id, pair],
  );
  const { shown, share, failure } = useCalculated<typeof drift>('firmware.drift', ask);
  const { seq } = useSessionState();
  const { style } = usePageLine();
  const scope = scopeOf(graph, id);
  const controller: ItemId | undefined = typeof scope === 'string' ? undefined : scope.entry.item.id;
  const answer = shown !== undefined && shown.ask === ask ? shown.answer : undefined;
  const fetched = <T,>(promise: Promise<T>, use: (value: T) => void): void => {
    setUnread(undefined);
    promise.then(use).catch((error: unknown) => setUnread(error instanceof Error ? error.message : String(error)));
  };
  const open = (next: OpenDump): void => {
    setContents(undefined);
    setDump(next);
  };
  return (
    <section
      data-scroll
      className="print-plain min-h-0 overflow-y-auto px-5 py-4"
      aria-label="Read back"
      data-testid="read-back"
      data-drift-seq={answer === undefined ? 0 : shown?.seq}
      data-current={answer !== undefined && shown?.seq === seq}
    >
      {style}
      <h2 className="text-lg font-bold">Planned against read back</h2>
      <details key={String(dump === undefined)} open={dump === undefined} className="no-print mt-2 text-[13px]">
        <summary className="cursor-pointer font-semibold">{dump === undefined ? 'A dump of the controller' : 'Another dump'}</summary>
        {dump === undefined && (
          <p className="mt-1 max-w-prose">
            Export the configuration from the controller, all of it or only what differs from its defaults, and bring the text here. Each
            line is compared with the plan; where they differ, you decide which side is right.
          </p>
        )}
        <DumpInput action="Compare with the plan" onDump={(pasted) => open({ text: pasted, id: makeId(), isKept: false })} />
      </details>
      {controller !== undefined && (
        <DumpShelf
          shelf={shelf}
          controller={controller}
          open={dump?.id}
          onOpen={(entry) => fetched(shelf.open(entry.id), ({ text: kept, id: own }) => open({ text: kept, id: own, isKept: true }))}
          onBetween={(first, second) => fetched(Promise.all([shelf.open(first.id), shelf.open(second.id)]), setPair)}
        />
      )}
      {unread !== undefined && (
        <p role="alert" className="mt-2 text-[13px] text-rust">
          {unread}
        </p>
      )}
      {pair !== undefined && between !== undefined && (
        <BetweenDumps first={pair[0]} second={pair[1]} ask={between} onClose={() => setPair(undefined)} />
      )}
      <NotComputed what="The dump could not be compared with this version" failure={failure} />
      {share !== undefined && (
        <p role="status" className="mt-2 text-[13px]">
          <progress value={share} max={1} aria-label="Reading the dump" /> Reading the dump
          <button type="button" className="action ml-2" onClick={() => setDump(undefined)}>
            Stop
          </button>
        </p>
      )}
      {answer === undefined || ask === undefined ? null : 'sentence' in answer ? (
        <p className="mt-2 max-w-prose">{answer.sentence}</p>
      ) : (
        <>
          {dump !== undefined && !dump.isKept && controller !== undefined && (
            <KeepDump
              key={dump.id}
              shelf={shelf}
              controller={controller}
              id={dump.id}
              dump={dump.text}
              found={answer.found}
              onKept={() => setDump({ ...dump, isKept: true })}
            />
          )}
          {isSeries ? (
            <SeriesPanel ask={ask} onClose={() => setSeries(false)} />
          ) : (
            <button type="button" className="action no-print mt-2" onClick={() => setSeries(true)}>
              For the next aircraft of the series
            </button>
          )}
          <DriftTable aircraft={aircraft.id} view={answer} ask={ask} onContents={setContents} />
        </>
      )}
    </section>
  );
}
