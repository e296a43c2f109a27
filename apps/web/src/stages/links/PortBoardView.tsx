import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import type { BoardCell, BoardRow, PortBoard } from '@wired-falcon/core';
import { paths } from '../../addresses/paths.ts';
import { useSelection } from '../../selection/SelectionContext.tsx';
import { useMake, useSessionState } from '../../session/SessionContext.tsx';
import { WideRegion } from '../../ui/WideRegion.tsx';
import { NotComputed } from '../../ui/NotComputed.tsx';
import { useCalculated } from '../../workers/useCalculated.ts';
import type { ports, PortWish } from './calculators.ts';
import { GivingWay } from './GivingWay.tsx';

/** Links against the ports of the controllers: where each is, where it is best, and why not elsewhere. */
export function PortBoardView() {
  const [wish, setWish] = useState<PortWish>({ giveWay: false });
  const { shown, failure } = useCalculated<typeof ports>('links.ports', wish);
  const board = shown?.answer;
  const make = useMake();
  const pin = ({ title, keys, pins }: BoardRow, port: PortBoard['columns'][number] | undefined): void => {
    const cleared = pins.map(({ link, port: was }) => ({ kind: 'set-link-port', link, port: null, was }) as const);
    const [link] = keys;
    const set = port === undefined || link === undefined ? [] : [{ kind: 'set-link-port', link, port: port.end, was: null } as const];
    make({
      kind: 'batch',
      title: port === undefined ? `${title}: on any port` : `${title}: on ${port.title}`,
      edits: [...cleared, ...set],
    });
  };
  const pinned = board?.rows.filter(({ pins }) => pins.length > 0) ?? [];
  return (
    <section
      data-scroll
      className="min-h-0 overflow-y-auto px-5 py-4"
      aria-label="Port board"
      data-testid="ports"
      data-seq={shown?.seq ?? 0}
    >
      <h2 className="text-lg font-bold">Port board</h2>
      <p className="mt-1 max-w-prose text-[13px] text-ink2">
        Every link that ends at a controller, against its ports. A number is the cost of a port; a dash means that the link cannot use it.
        Choose a cell to read why, and to fix the link to that port.
      </p>
      <NotComputed what="The ports of this version could not be planned" failure={failure} />
      {shown !== undefined && board === undefined && <p className="mt-3">The search was stopped before it found a plan.</p>}
      {shown !== undefined && board !== undefined && (
        <>
          <Plan board={board} seq={shown.seq} isAsked={shown.ask === wish} givesWay={wish.giveWay} />
          <div className="no-print mt-2 flex flex-wrap items-center gap-4 text-[13px]">
            <label className="flex items-center gap-2">
              <input type="checkbox" checked={wish.giveWay} onChange={(event) => setWish({ giveWay: event.target.checked })} />
              If nothing else is left, also software ports, inverters and level shifters
            </label>
            {pinned.length > 0 && (
              <button
                type="button"
                className="underline"
                onClick={() =>
                  make({
                    kind: 'batch',
                    title: 'All links: on any port',
                    edits: pinned.flatMap(({ pins }) =>
                      pins.map(({ link, port: was }) => ({ kind: 'set-link-port', link, port: null, was }) as const),
                    ),
                  })
                }
              >
                Release all ports ({pinned.length})
              </button>
            )}
          </div>
          {board.rows.length > 0 && board.columns.length > 0 && <BoardTable board={board} onPin={pin} />}
        </>
      )}
    </section>
  );
}

interface PlanProps {
  readonly board: PortBoard;
  readonly seq: number;
  /** True where the plan is of what is asked now. */
  readonly isAsked: boolean;
  /** True where what gives way is in the plan. */
  readonly givesWay: boolean;
}

/** What the plan comes to, and the button that makes it real. A plan of an older document cannot be taken. */
function Plan({ board: { summary, edit, rows, columns, proof }, seq, isAsked, givesWay }: PlanProps) {
  const make = useMake();
  const { design, seq: now } = useSessionState();
  const isCurrent = now === seq && isAsked;
  const isShort = rows.some(({ planned }) => planned === undefined);
  return (
    <div className="mt-2">
      <p className="font-semibold" data-proof={proof.is}>
        {summary}
      </p>
      {rows.length > 0 && columns.length > 0 && edit === undefined && (
        <p className="text-[13px]">Everything is wired and set up as planned.</p>
      )}
      {edit !== undefined && (
        <button type="button" className="action no-print mt-2" disabled={!isCurrent} onClick={() => make(edit)}>
          {isCurrent ? 'Apply the plan' : 'Solving again'}
        </button>
      )}
      {isShort && (
        <p className="no-print mt-2 text-[13px]">
          <Link className="underline" to={paths.boards(design.aircraft.id)}>
            Which controller has a port for each link, and at what cost
          </Link>
        </p>
      )}
      {isShort && !givesWay && <GivingWay />}
    </div>
  );
}

interface BoardTableProps {
  readonly board: PortBoard;
  readonly onPin: (row: BoardRow, port: PortBoard['columns'][number] | undefined) => void;
}

interface Spot {
  readonly row: number;
  readonly column: number;
}

function BoardTable({ board: { rows, columns }, onPin }: BoardTableProps) {
  const [spot, setSpot] = useState<Spot>();
  const chosen = useMemo(() => {
    const [row, column] = [rows[spot?.row ?? -1], columns[spot?.column ?? -1]];
    const cell = row?.cells[spot?.column ?? -1];
    return row === undefined || column === undefined || cell === undefined ? undefined : { row, column, cell };
  }, [rows, columns, spot]);
  const { select } = useSelection();
  return (
    <>
      <div className="mt-3">
        <WideRegion label="Links against ports">
          <table className="border-collapse text-[12px]">
            <thead>
              <tr>
                <th scope="col" className="pr-2 text-left align-bottom font-semibold">
                  Link
                </th>
                {columns.map(({ key, label }) => (
                  <th key={key} scope="col" className="h-24 w-[30px] min-w-[26px] px-0 pb-1 align-bottom font-normal">
                    <span className="inline-block whitespace-nowrap [writing-mode:vertical-rl] rotate-180">{label}</span>
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {rows.map((row, r) => (
                <tr key={row.keys.join(' ')} className="border-t border-rule" data-link={row.title} data-planned={row.planned ?? 'none'}>
                  <th scope="row" className="pr-3 text-left font-normal whitespace-nowrap">
                    <button
                      type="button"
                      className="min-h-6 text-left hover:underline"
                      onClick={() => select({ is: 'item', item: row.item })}
                    >
                      {row.title}
                    </button>
                  </th>
                  {row.cells.map((cell, c) => (
                    <td key={columns[c]?.key ?? c} className="p-0 text-center">
                      <CellButton
                        name={`${row.title} on ${columns[c]?.title ?? ''}`}
                        cell={cell}
                        isNow={row.now === columns[c]?.key}
                        isPlanned={row.planned === columns[c]?.key}
                        isPinned={row.pinned === columns[c]?.key}
                        isChosen={spot?.row === r && spot.column === c}
                        onChoose={() => setSpot({ row: r, column: c })}
                      />
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </WideRegion>
      </div>
      <p className="mt-1 text-[12px] text-ink2">Filled: planned. Framed: wired there now. Underlined: fixed there by you.</p>
      <div aria-live="polite" className="no-print mt-2 min-h-12 text-[13px]">
        {chosen !== undefined && <Reason {...chosen} onPin={onPin} />}
      </div>
      <h3 className="mt-3 text-[15px] font-bold">Reason for each port</h3>
      <dl className="mt-1 text-[13px]">
        {rows.map(({ title, keys, planned, why }) => (
          <div key={keys.join(' ')} className="border-b border-rule py-1">
            <dt className="font-semibold">
              {title}: {planned === undefined ? 'no port' : columns.find(({ key }) => key === planned)?.title}
            </dt>
            <dd className={planned === undefined ? 'text-rust' : 'text-ink2'}>{why}</dd>
          </div>
        ))}
      </dl>
    </>
  );
}

interface CellButtonProps {
  readonly name: string;
  readonly cell: BoardCell;
  readonly isNow: boolean;
  readonly isPlanned: boolean;
  readonly isPinned: boolean;
  readonly isChosen: boolean;
  readonly onChoose: () => void;
}

function CellButton({ name, cell, isNow, isPlanned, isPinned, isChosen, onChoose }: CellButtonProps) {
  const marks = [isPlanned ? 'planned' : '', isNow ? 'wired there now' : '', isPinned ? 'fixed there by you' : ''].filter(
    (mark) => mark !== '',
  );
  return (
    <button
      type="button"
      aria-label={`${name}: ${[...marks, cell.words].join(', ')}`}
      aria-pressed={isChosen}
      className={`h-6 w-[28px] min-w-6 border font-mono text-[11px] ${isPlanned ? 'bg-ink text-sheet' : ''} ${isNow ? 'border-ink' : 'border-transparent'} ${isPinned ? 'underline' : ''} ${isChosen ? 'outline-2 outline-rust' : ''}`}
      onClick={onChoose}
    >
      {markOf(cell)}
    </button>
  );
}

function markOf(cell: BoardCell): string {
  switch (cell.is) {
    case 'fits':
      return String(cell.cost);
    case 'gives-way':
      return '~';
    case 'no-fit':
      return '-';
  }
}

interface ReasonProps extends Pick<BoardTableProps, 'onPin'> {
  readonly row: BoardRow;
  readonly column: PortBoard['columns'][number];
  readonly cell: BoardCell;
}

/** Why a link is, or is not, on a port; and the way to keep it there. */
function Reason({ row, column, cell, onPin }: ReasonProps) {
  const isPinned = row.pinned === column.key;
  return (
    <>
      <p>
        <span className="font-semibold">
          {row.title} on {column.title}:
        </span>{' '}
        {cell.words}.
      </p>
      {cell.is !== 'no-fit' && (
        <button type="button" className="action mt-1" onClick={() => onPin(row, isPinned ? undefined : column)}>
          {isPinned ? 'Release it' : 'Fix it there'}
        </button>
      )}
    </>
  );
}
