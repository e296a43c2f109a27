import { hopEndName, isByNature, MEDIA, type Facet, type FacetSide, type Hop, type HopEnd } from '@wired-falcon/core';
import { useSelection } from '../../selection/SelectionContext.tsx';

/** A hop as two facing halves: they meet where the ends agree, and are apart where they do not. */
export function HopTiles({ hop }: { readonly hop: Hop }) {
  const { a, b, medium } = hop;
  const isApart = hop.facets.some(({ verdict }) => verdict === 'differ');
  // What copper and clocks do by themselves is told only where it parts the ends.
  const facets = hop.facets.filter((facet) => facet.verdict === 'differ' || !isByNature(facet));
  return (
    <li className="flex flex-col" data-hop={medium} data-agrees={!isApart}>
      <span className="text-[11.5px] text-ink2">{MEDIA[medium]}</span>
      <span className={`grid auto-cols-fr grid-flow-col items-stretch ${isApart ? 'gap-4' : ''}`}>
        <Half end={a} facets={facets} of="a" isApart={isApart} />
        {b === undefined ? <Ground isApart={isApart} /> : <Half end={b} facets={facets} of="b" isApart={isApart} />}
      </span>
    </li>
  );
}

interface HalfProps {
  readonly end: HopEnd;
  readonly facets: readonly Facet[];
  readonly of: 'a' | 'b';
  readonly isApart: boolean;
}

function Half({ end, facets, of, isApart }: HalfProps) {
  const { select } = useSelection();
  const isLeft = of === 'a';
  // Two halves that are apart are open where they would meet.
  const facing = isLeft ? 'border-r-0 rounded-l' : `rounded-r ${isApart ? 'border-l-0' : ''}`;
  return (
    <button
      type="button"
      className={`flex min-w-[136px] flex-col justify-start border bg-sheet px-2 py-1 text-left hover:bg-paper ${facing} ${isApart ? 'border-rust' : 'border-ink'}`}
      onClick={() => select({ is: 'item', item: end.entry.item.id })}
    >
      <span className="block text-[13px] font-semibold">{hopEndName(end)}</span>
      <span className="value block text-[11.5px] leading-snug">
        {facets.map((facet, i) => (
          <FacetLine key={`${facet.id} ${i}`} facet={facet} side={facet[of]} />
        ))}
      </span>
    </button>
  );
}

function FacetLine({ facet, side }: { readonly facet: Facet; readonly side: FacetSide }) {
  const isApart = facet.verdict === 'differ';
  return (
    <span className={`block ${isApart ? 'font-semibold text-rust' : 'text-ink2'}`}>
      <span className="sr-only">{facet.title}: </span>
      {facet.id === 'clock' && side.value !== undefined && 'clock makes '}
      {side.value ?? `${facet.id} ${side.setting === undefined ? 'not stated' : 'not set'}`}
      {side.source === 'default' && ', default'}
    </span>
  );
}

/** The other end of a radio that is on the ground and no item of the aircraft. */
function Ground({ isApart }: { readonly isApart: boolean }) {
  return (
    <span
      className={`min-w-[110px] border border-dashed bg-paper px-2 py-1 text-[12.5px] text-ink2 ${isApart ? 'border-rust' : 'border-ink'}`}
    >
      on the ground
    </span>
  );
}
