import { useState } from 'react';
import { momentText, type ItemId } from '@wired-falcon/core';
import type { DumpEntry } from '@wired-falcon/contract';
import type { DumpShelf as Shelf } from '../../session/dumps.ts';
import { HeadRow } from '../../ui/HeadRow.tsx';
import { WideRegion } from '../../ui/WideRegion.tsx';

interface DumpShelfProps {
  readonly shelf: Shelf;
  readonly controller: ItemId;
  /** The dump that is compared with the plan. */
  readonly open: string | undefined;
  readonly onOpen: (dump: DumpEntry) => void;
  /** Two dumps to compare with each other, the older one first. */
  readonly onBetween: (first: DumpEntry, second: DumpEntry) => void;
}

/** The dumps that are kept of a controller: compared with the plan, or any two with each other. */
export function DumpShelf({ shelf, controller, open, onOpen, onBetween }: DumpShelfProps) {
  const [chosen, setChosen] = useState<readonly string[]>([]);
  const [gone, setGone] = useState<DumpEntry>();
  const dumps = shelf.dumps.filter((dump) => dump.controller === controller);
  const pair = dumps.filter(({ id }) => chosen.includes(id));
  const [second, first] = pair;
  if (dumps.length === 0 && gone === undefined && shelf.failure === undefined) return null;
  return (
    <section aria-label="Kept dumps" className="no-print mt-3 text-[13px]" data-testid="dump-shelf">
      <h3 className="text-[15px] font-bold">Kept dumps</h3>
      {shelf.failure !== undefined && (
        <p role="alert" className="text-rust">
          {shelf.failure}
        </p>
      )}
      <WideRegion label="Kept dumps, table">
        <table className="w-full min-w-[620px] text-[12.5px]">
          <HeadRow
            heads={[{ text: 'Compare two', isHidden: true }, 'Read', 'By', 'Note', 'Lines', { text: 'Actions', isHidden: true }]}
            cell="pr-3"
          />
          <tbody>
            {dumps.map((dump) => (
              <tr key={dump.id} className="border-b border-grid" data-dump={dump.id}>
                <td className="pr-3">
                  <input
                    type="checkbox"
                    aria-label={`Choose the dump of ${momentText(dump.at)}`}
                    className="size-6"
                    checked={chosen.includes(dump.id)}
                    onChange={(event) =>
                      setChosen(event.target.checked ? [...chosen, dump.id].slice(-2) : chosen.filter((id) => id !== dump.id))
                    }
                  />
                </td>
                <td className="pr-3">{momentText(dump.at)}</td>
                <td className="pr-3">{dump.by}</td>
                <td className="pr-3">
                  {dump.note}
                  {dump.copiedFrom !== undefined && <span className="text-rust"> Has the calibration of {dump.copiedFrom.aircraft}.</span>}
                </td>
                <td className="value pr-3">{dump.lines}</td>
                <td className="py-0.5 text-right whitespace-nowrap">
                  <button type="button" className="action" aria-pressed={open === dump.id} onClick={() => onOpen(dump)}>
                    Compare with the plan
                  </button>{' '}
                  <button
                    type="button"
                    className="action"
                    aria-label={`Remove the dump of ${momentText(dump.at)}`}
                    onClick={() => {
                      shelf.setRemoved(dump.id, true, () => setGone(dump));
                    }}
                  >
                    Remove
                  </button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </WideRegion>
      {dumps.length > 1 && (
        <button
          type="button"
          className="action mt-1"
          disabled={first === undefined || second === undefined}
          onClick={() => {
            if (first !== undefined && second !== undefined) onBetween(first, second);
          }}
        >
          Compare the two chosen with each other
        </button>
      )}
      {gone !== undefined && (
        <p role="status" className="mt-1">
          The dump of {momentText(gone.at)} is removed.{' '}
          <button
            type="button"
            className="action"
            onClick={() => {
              shelf.setRemoved(gone.id, false, () => setGone(undefined));
            }}
          >
            Restore it
          </button>
        </p>
      )}
    </section>
  );
}
