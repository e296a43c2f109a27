import { useState } from 'react';
import { isToSettle, type AircraftId, type DriftRow, type DriftView, type TakenSide, type TextContents } from '@wired-falcon/core';
import { useMake } from '../../session/SessionContext.tsx';
import { CopyButton } from '../../ui/CopyButton.tsx';
import { LongList } from '../../ui/LongList.tsx';
import { useFollower } from '../../workers/FollowerContext.tsx';
import type { DriftAsk, load, take } from './calculators.ts';
import { DriftLineRow } from './DriftLineRow.tsx';

interface DriftTableProps {
  readonly aircraft: AircraftId;
  readonly view: DriftView;
  readonly ask: DriftAsk;
  readonly onContents: (contents: TextContents) => void;
}

type RowKind = DriftRow['is'];

/** What is shown, each with the rows that it holds. */
const FILTERS: readonly (readonly [title: string, kinds: readonly RowKind[]])[] = [
  ['differ', ['differs', 'extra']],
  ['missing', ['missing']],
  ['lost by a missed pass', ['lost']],
  ['as planned', ['same']],
  ['calibration', ['calibration']],
  ['identity and counters', ['identity', 'counter']],
  ['not planned, default', ['at-delivered']],
  ['not understood', ['unknown', 'bad']],
  ['repeated', ['repeated']],
];

/** The plan went on while it was asked. */
const NOT_MADE = 'The plan has changed meanwhile. Try again.';

/** The drift line by line, what is to settle first; either side can be taken, for a line or for all that are shown. */
export function DriftTable({ aircraft, view, ask, onContents }: DriftTableProps) {
  const make = useMake();
  const follower = useFollower();
  const [filter, setFilter] = useState<string>();
  const [section, setSection] = useState('');
  const [toLoad, setToLoad] = useState<ReadonlySet<string>>(new Set());
  const [said, setSaid] = useState<readonly string[]>([]);
  const kinds = FILTERS.find(([title]) => title === filter)?.[1];
  const rows = view.rows.filter((row) => (kinds === undefined || kinds.includes(row.is)) && (section === '' || row.section === section));
  const open = rows.filter(isToSettle);
  const sections = [...new Set(view.rows.map((row) => row.section))].filter((one) => one !== '');
  const takeAircraft = async (keys: readonly string[]): Promise<void> => {
    const reply = await follower.once<typeof take>('firmware.take', { ...ask, keys });
    if (reply.is !== 'answer') return setSaid([reply.is === 'failed' ? reply.sentence : NOT_MADE]);
    if ('sentence' in reply.answer) return setSaid([reply.answer.sentence]);
    setSaid(madeWords(reply.answer, make));
  };
  /** Undefined where it could not be made, which is said. */
  const textToLoad = async (): Promise<string | undefined> => {
    const marked = view.rows.filter((row) => toLoad.has(row.key) && isToSettle(row)).map(({ key }) => key);
    const keys = marked.length > 0 ? marked : view.rows.filter(isToSettle).map(({ key }) => key);
    const reply = await follower.once<typeof load>('firmware.load', { ...ask, keys });
    if (reply.is !== 'answer' || 'sentence' in reply.answer) {
      setSaid([NOT_MADE]);
      return undefined;
    }
    setSaid(reply.answer.byHand.map((line) => `No text can undo "${line}": the dialect does not state its default. Set it by hand.`));
    return reply.answer.texts.join('\n');
  };
  return (
    <>
      <Summary view={view} onContents={onContents} />
      <div className="no-print mt-2 flex flex-wrap items-center gap-1" role="group" aria-label="Which lines">
        <FilterButton title="all" count={view.rows.length} isOn={filter === undefined} onPress={() => setFilter(undefined)} />
        {FILTERS.map(([title, some]) => {
          const count = some.reduce((sum, kind) => sum + (view.kinds[kind] ?? 0), 0);
          return count === 0 ? null : (
            <FilterButton key={title} title={title} count={count} isOn={filter === title} onPress={() => setFilter(title)} />
          );
        })}
        <label className="ml-2 text-[13px]">
          in{' '}
          <select className="field" value={section} onChange={(event) => setSection(event.target.value)}>
            <option value="">all sections</option>
            {sections.map((one) => (
              <option key={one}>{one}</option>
            ))}
          </select>
        </label>
      </div>
      <div className="no-print mt-2 flex flex-wrap items-center gap-2">
        {open.length > 0 ? (
          <>
            <CopyButton label="Copy the lines to load" text={textToLoad} />
            <button type="button" className="action" onClick={() => void takeAircraft(open.map(({ key }) => key))}>
              Take the aircraft&apos;s side for {open.length === 1 ? 'this line' : `all ${open.length} shown`}
            </button>
            <span className="text-[12.5px] text-ink2">Taking the aircraft&apos;s side changes the plan, as one edit.</span>
          </>
        ) : (
          <p className="font-semibold">
            Nothing to settle{kinds === undefined && section === '' ? ': the dump matches the plan.' : ' among these lines.'}
          </p>
        )}
      </div>
      {said.length > 0 && (
        <div role="status" data-testid="drift-said" className="mt-1 text-[13px]">
          {said.map((sentence) => (
            <p key={sentence}>{sentence}</p>
          ))}
        </div>
      )}
      <div
        className="mt-3 grid grid-cols-[44px_150px_90px_90px_minmax(0,1fr)_150px] gap-x-2 border-b border-ink text-[12.5px] font-semibold text-ink2"
        aria-hidden
      >
        <span>No.</span>
        <span>Line</span>
        <span>Plan</span>
        <span>There</span>
        <span>In words</span>
        <span />
      </div>
      <LongList
        entries={rows}
        keyOf={({ key }) => key}
        estimate={30}
        testId="drift-lines"
        render={(row) => (
          <DriftLineRow
            aircraft={aircraft}
            row={row}
            isToLoad={toLoad.has(row.key)}
            onPlan={() => setToLoad(toggled(toLoad, row.key))}
            onAircraft={() => void takeAircraft([row.key])}
          />
        )}
      />
    </>
  );
}

function toggled(keys: ReadonlySet<string>, key: string): ReadonlySet<string> {
  const others = new Set(keys);
  if (!others.delete(key)) others.add(key);
  return others;
}

/** Makes the edits; gives what became of them, in sentences. */
function madeWords({ edits, taken, kept, refused }: TakenSide, make: ReturnType<typeof useMake>): readonly string[] {
  const wrong = edits.flatMap((edit) => {
    const made = make(edit);
    return 'refused' in made ? [made.refused.sentence] : [];
  });
  if (wrong.length > 0) return [...wrong, ...refused];
  const parts = [
    ...(taken > 0 ? [`${lines(taken)} changed in the plan`] : []),
    ...(kept > 0 ? [`${lines(kept)} kept as in the aircraft, since the plan has nothing for ${kept === 1 ? 'it' : 'them'}`] : []),
  ];
  return [...(parts.length > 0 ? [`${parts.join('; ')}.`] : []), ...refused];
}

function lines(count: number): string {
  return count === 1 ? '1 line' : `${count} lines`;
}

interface FilterButtonProps {
  readonly title: string;
  readonly count: number;
  readonly isOn: boolean;
  readonly onPress: () => void;
}

function FilterButton({ title, count, isOn, onPress }: FilterButtonProps) {
  return (
    <button
      type="button"
      aria-pressed={isOn}
      className={`border px-2 py-0.5 text-[12.5px] ${isOn ? 'border-ink font-semibold' : 'border-rule'}`}
      onClick={onPress}
    >
      {count} {title}
    </button>
  );
}

/** How much was read, of what, and what it holds. */
function Summary({ view: { counts, about, contents, otherFirmware }, onContents }: Pick<DriftTableProps, 'view' | 'onContents'>) {
  const read = counts.total === 1 ? '1 line' : `${counts.total} lines`;
  const strange = counts.unknown + counts.bad;
  return (
    <div className="mt-2 text-[13px]" data-testid="dump-summary">
      <p>
        {read} read, {strange === 0 ? 'all understood' : `${strange} not understood`}
        {about.board === undefined ? '' : `; board ${about.board}`}
        {about.version === undefined ? '' : `; version ${about.version}`}
      </p>
      {otherFirmware.map((sentence) => (
        <p key={sentence} className="text-rust">
          {sentence}
        </p>
      ))}
      <fieldset className="no-print mt-1 flex flex-wrap gap-3">
        <legend className="sr-only">Content of the dump</legend>
        {(['complete', 'differences'] as const).map((one) => (
          <label key={one}>
            <input type="radio" name="dump-contents" checked={contents === one} onChange={() => onContents(one)} />{' '}
            {one === 'complete' ? 'a complete dump: what is not in it is missing' : 'differences only: what is not in it has its default'}
          </label>
        ))}
      </fieldset>
    </div>
  );
}
