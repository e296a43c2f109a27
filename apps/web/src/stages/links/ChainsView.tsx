import { useEffect, useMemo, useRef, useState } from 'react';
import { Link } from 'react-router';
import { chainsOf, chainWords, LINKS, type Chain, type Graph } from '@wired-falcon/core';
import { paths } from '../../addresses/paths.ts';
import { useSelection } from '../../selection/SelectionContext.tsx';
import { useGraph, useMake } from '../../session/SessionContext.tsx';
import { StreamBudget } from './StreamBudget.tsx';
import { WishForm } from './WishForm.tsx';
import { HopMends } from './HopMends.tsx';
import { HopTiles } from './HopTiles.tsx';

/** Every link from end to end, one line each: hops as facing half-tiles that meet where the ends agree. */
export function ChainsView() {
  const graph = useGraph();
  const chains = useMemo(() => chainsOf(graph), [graph]);
  const [isOnlyOpen, setOnlyOpen] = useState(false);
  const { selection } = useSelection();
  const isOfSelected = ({ item }: Chain): boolean => selection.is === 'item' && graph.items[item]?.item.id === selection.item;
  const begun = chains.filter(({ state }) => state.is !== 'not-joined' || state.begun);
  const shown = inOrder(begun).filter(({ kind, state }) => !isOnlyOpen || isAstray(kind.isNeeded, state.is));
  return (
    <section data-scroll className="min-h-0 overflow-y-auto px-5 py-4" aria-label="Chains" data-testid="chains">
      <h2 className="text-lg font-bold">Chains</h2>
      <p className="mt-1 max-w-prose text-[13px] text-ink2">
        Every link from end to end, as wired and set. Two halves that meet match; two that are apart do not. Choose a half to see its item
        and its settings.
      </p>
      {chains.length === 0 ? (
        <p className="mt-3 max-w-prose">
          No links yet. Links are not drawn: they follow from the parts of the aircraft. Add a controller and a receiver; their chain
          appears here as soon as they are wired.
        </p>
      ) : (
        <>
          <label className="no-print mt-2 flex items-center gap-2 text-[13px]">
            <input type="checkbox" checked={isOnlyOpen} onChange={(event) => setOnlyOpen(event.target.checked)} />
            Only chains with problems
          </label>
          {shown.length === 0 && <p className="mt-3">{isOnlyOpen ? 'Every chain works from end to end.' : 'None of it is wired yet.'}</p>}
          <ul className="mt-2">
            {shown.map((chain) => (
              <ChainLine
                key={chain.key}
                chain={chain}
                graph={graph}
                isOfSelected={isOfSelected(chain)}
                isShown={chain === shown.find(isOfSelected)}
              />
            ))}
          </ul>
          <NotBegun graph={graph} chains={chains.filter((chain) => !begun.includes(chain))} />
          <WishForm graph={graph} />
        </>
      )}
    </section>
  );
}

/** What does not hold comes first. */
const ORDER: readonly Chain['state']['is'][] = ['breaks', 'not-joined', 'short', 'open', 'agrees', 'off'];

function inOrder(chains: readonly Chain[]): readonly Chain[] {
  return [...chains].sort((a, b) => ORDER.indexOf(a.state.is) - ORDER.indexOf(b.state.is));
}

/** True for a chain that is to be looked at; one that may be left unused is not, as long as nothing disagrees. */
function isAstray(isNeeded: boolean, state: Chain['state']['is']): boolean {
  return state === 'breaks' || state === 'open' || state === 'short' || (state === 'not-joined' && isNeeded);
}

const STATE_WORDS: Readonly<Record<Chain['state']['is'], string>> = {
  agrees: 'agrees',
  breaks: 'breaks',
  open: 'not set yet',
  short: 'ends early',
  off: 'not needed',
  'not-joined': 'not connected',
};

interface ChainLineProps {
  readonly chain: Chain;
  readonly graph: Graph;
  readonly isOfSelected: boolean;
  /** True for the line that is to be seen when its item is chosen. */
  readonly isShown: boolean;
}

function ChainLine({ chain, graph, isOfSelected, isShown }: ChainLineProps) {
  const { kind, state, hops, item } = chain;
  const { select } = useSelection();
  const line = useRef<HTMLLIElement>(null);
  useEffect(() => {
    if (isShown) line.current?.scrollIntoView({ block: 'nearest' });
  }, [isShown]);
  const ref = graph.items[item]?.item.ref ?? '?';
  const isAlarm = state.is === 'breaks';
  const broken = state.is === 'breaks' ? hops[state.at] : undefined;
  return (
    <li
      className={`border-b border-rule py-3 ${isOfSelected ? 'border-l-2 border-l-rust pl-3' : ''}`}
      data-chain={`${ref} ${kind.id}`}
      data-state={state.is}
      ref={line}
    >
      <h3 className="flex flex-wrap items-baseline gap-x-3 text-[14px]">
        <span className="font-bold">{ref}</span>
        <span>{LINKS[kind.id]}</span>
        <span className={`text-[12.5px] ${isAlarm ? 'font-semibold text-rust' : 'text-ink2'}`}>{STATE_WORDS[state.is]}</span>
        <Link
          className="no-print text-[12.5px] underline"
          to={paths.wiring(graph.design.aircraft.id)}
          aria-label={`${ref} on the sheet`}
          onClick={() => {
            const id = graph.items[item]?.item.id;
            if (id !== undefined) select({ is: 'item', item: id });
          }}
        >
          on the sheet
        </Link>
        <Wanted chain={chain} />
      </h3>
      {state.is !== 'agrees' && <p className={`mt-0.5 text-[13px] ${isAlarm ? 'text-rust' : ''}`}>{chainWords(graph, chain)}</p>}
      {hops.length > 0 && (
        <ol className="mt-2 flex flex-wrap items-stretch gap-x-2 gap-y-3">
          {hops.map((hop, i) => (
            <HopTiles key={i} hop={hop} />
          ))}
        </ol>
      )}
      {broken !== undefined && <HopMends hop={broken} />}
      <StreamBudget chain={chain} graph={graph} />
    </li>
  );
}

/** Leaves a link out that exists by itself, or drops one that a person wanted. */
function Wanted({ chain: { key, wish, state } }: { readonly chain: Chain }) {
  const make = useMake();
  const isOff = state.is === 'off';
  return (
    <button
      type="button"
      className="no-print text-[12.5px] underline"
      onClick={() =>
        make(wish !== undefined ? { kind: 'remove-wish', wish } : { kind: 'set-link-flag', link: key, flag: 'off', on: !isOff, was: isOff })
      }
    >
      {wish !== undefined ? 'remove it' : isOff ? 'include it again' : 'leave it out'}
    </button>
  );
}

/** Links of items at which nothing is joined yet: one line for all. */
function NotBegun({ chains, graph }: { readonly chains: readonly Chain[]; readonly graph: Graph }) {
  if (chains.length === 0) return null;
  const names = [...new Set(chains.map(({ item, kind }) => `${graph.items[item]?.item.ref ?? '?'} (${LINKS[kind.id]})`))];
  return <p className="mt-3 text-[13px] text-ink2">Not wired yet: {names.join(', ')}.</p>;
}
