import { NEEDS, needIds, needsOffered, shortagesOf, type GraphItem, type NeedId } from '@wired-falcon/core';
import { useDesign, useGraph, useMake } from '../../session/SessionContext.tsx';

/** What the aircraft wants, against what each controller in it has. */
export function NeedsTable() {
  const graph = useGraph();
  const design = useDesign();
  const boards = graph.items.filter(({ part }) => part?.kind === 'controller');
  const offers = boards.map(({ part }) => (part === undefined ? [] : needsOffered(part)));
  return (
    <section className="mt-6 max-w-[880px]">
      <h3 className="text-[15px] font-semibold">Needs</h3>
      <p className="text-[13px] text-ink2">
        How many of each, and how many endpoints of the controller suit. Each need is counted alone; the Links stage plans which link uses
        which port.
      </p>
      <table className="mt-2 w-full border-t border-ink" data-testid="needs">
        <thead>
          <tr className="border-b border-ink text-left text-[13px]">
            <th className="py-1 font-semibold">Need</th>
            <th className="w-24 py-1 font-semibold">Needed</th>
            {boards.map(({ item, part }) => (
              <th key={item.id} className="py-1 font-semibold">
                {item.ref} <span className="font-normal text-ink2">{part?.name.replace('Controller ', '')}</span>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {needIds.map((need) => (
            <tr key={need} className="border-b border-rule">
              <td className="py-0.5">{NEEDS[need].title}</td>
              <td className="py-0.5">
                <CountField need={need} />
              </td>
              {boards.map(({ item }, i) => (
                <Offered
                  key={item.id}
                  names={offers[i]?.find((offer) => offer.need === need)?.suitable ?? []}
                  wanted={design.aircraft.needs[need] ?? 0}
                />
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      {boards.length === 0 && (
        <p className="mt-2 text-ink2">
          There is no controller yet. Press <kbd className="key">/</kbd> and type <span className="value">add controller</span> to compare
          one with these needs.
        </p>
      )}
      {boards.map((board) => (
        <Shortages key={board.item.id} board={board} />
      ))}
    </section>
  );
}

function CountField({ need }: { readonly need: NeedId }) {
  const make = useMake();
  const design = useDesign();
  const now = design.aircraft.needs[need];
  return (
    <select
      className="field value"
      aria-label={`${NEEDS[need].title} needed`}
      value={now ?? 0}
      onChange={(event) => {
        const count = Number(event.target.value);
        make({ kind: 'set-need', need, count: count === 0 ? null : count, was: now ?? null });
      }}
    >
      {Array.from({ length: 17 }, (_, count) => (
        <option key={count} value={count}>
          {count === 0 ? '-' : count}
        </option>
      ))}
    </select>
  );
}

function Offered({ names, wanted }: { readonly names: readonly string[]; readonly wanted: number }) {
  const isShort = wanted > names.length;
  const shown = names.length > 6 ? `${names.slice(0, 5).join(', ')} ...` : names.join(', ');
  return (
    <td className="py-0.5">
      <span className={`value ${isShort ? 'font-medium text-rust' : ''}`}>{names.length}</span>
      <span className="ml-2 text-[12.5px] text-ink2">{isShort ? `${wanted - names.length} short. ${shown}` : shown}</span>
    </td>
  );
}

function Shortages({ board: { item, part } }: { readonly board: GraphItem }) {
  const design = useDesign();
  const shortages = part === undefined ? [] : shortagesOf(part, design.aircraft.needs);
  if (shortages.length === 0) return <p className="mt-2">{item.ref} has enough of everything.</p>;
  return (
    <ul className="mt-2" aria-label={`Shortages of ${item.ref}`}>
      {shortages.map(({ needs, wanted, there }) => (
        <li key={needs.join()}>
          {needs.map((need) => NEEDS[need].title).join(', ')}: {wanted} needed, {there} suitable on {item.ref}.
        </li>
      ))}
    </ul>
  );
}
