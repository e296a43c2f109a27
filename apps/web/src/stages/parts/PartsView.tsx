import { useState } from 'react';
import { Link } from 'react-router';
import { nextReference, PART_KINDS, SEVERITIES, type Graph, type Item, type Part, stated } from '@wired-falcon/core';
import { paths } from '../../addresses/paths.ts';
import { addParts } from '../../entry/addCommand.ts';
import { searchParts, wordsOf } from '../../entry/searchParts.ts';
import { useSelection } from '../../selection/SelectionContext.tsx';
import { findingsAbout } from '../../selection/findingsAbout.ts';
import { useDesign, useGraph, useMake } from '../../session/SessionContext.tsx';
import { useFindings } from '../../workers/FollowerContext.tsx';
import { partsOnOffer, useWorkshopParts } from '../../session/workshopParts.ts';
import { NewerRevisions } from '../../adopt/NewerRevisions.tsx';
import { LongList } from '../../ui/LongList.tsx';
import { SeverityMark } from '../../ui/SeverityMark.tsx';
import { useReadersUnits } from '../../ui/readersUnits.ts';

/** The items of the aircraft, and the catalogue to add from. */
export function PartsView() {
  return (
    <div className="grid h-full grid-cols-[minmax(0,1fr)_minmax(0,330px)]">
      <ItemList />
      <Catalogue />
    </div>
  );
}

/** The columns of the list of items. */
const ROW = 'grid grid-cols-[64px_minmax(0,1.3fr)_minmax(0,0.8fr)_56px_minmax(0,1fr)_44px] gap-x-2';

function ItemList() {
  const graph = useGraph();
  const { items } = graph;
  const { unit, figure } = useReadersUnits();
  const massG = items.reduce((sum, { part }) => sum + (part?.massG ?? 0), 0);
  return (
    <section data-scroll className="min-h-0 overflow-y-auto px-5 py-4" aria-label="Items">
      <h2 className="text-lg font-bold">In this aircraft</h2>
      <NewerRevisions />
      {items.length === 0 ? (
        <p className="mt-2 max-w-prose text-ink2">
          Nothing yet. Add the controller from the catalogue first: everything else is wired to it. For example, type "add controller" in
          the entry line.
        </p>
      ) : (
        <>
          <div className={`${ROW} mt-2 border-b border-ink py-1 text-[13px] font-semibold text-ink2`}>
            <span>Ref</span>
            <span>Part</span>
            <span>Description</span>
            <span className="text-right">Mass {unit('g')}</span>
            <span className="pl-2">Cables</span>
            <span>Worst</span>
          </div>
          <LongList
            entries={items.map((entry, ix) => ({ ...entry, tags: tagsAt(graph, ix) }))}
            keyOf={({ item }) => item.id}
            render={({ item, part, tags }) => <ItemRow item={item} name={part?.name ?? 'unknown part'} massG={part?.massG} tags={tags} />}
            estimate={32}
            testId="items"
          />
          <div className={`${ROW} py-1.5`}>
            <span className="col-span-3 text-ink2">{items.length} items, cables not counted</span>
            <span className="value text-right">{figure(massG, 'g')}</span>
          </div>
        </>
      )}
    </section>
  );
}

function ItemRow({
  item,
  name,
  massG,
  tags,
}: {
  readonly item: Item;
  readonly name: string;
  readonly massG: number | undefined;
  readonly tags: readonly string[];
}) {
  const { selection, select } = useSelection();
  const { figure } = useReadersUnits();
  const { judged } = useFindings();
  const about = findingsAbout(judged, { is: 'item', item: item.id }).filter(({ waiver }) => waiver === undefined);
  const worst = SEVERITIES.find((severity) => about.some(({ finding }) => finding.severity === severity));
  const isSelected = selection.is === 'item' && selection.item === item.id;
  return (
    <div className={`${ROW} items-center border-b border-rule py-1 ${isSelected ? 'bg-grid' : ''}`}>
      <span>
        <button
          type="button"
          className="value font-medium underline decoration-rule underline-offset-4 hover:decoration-ink"
          onClick={() => select({ is: 'item', item: item.id })}
        >
          {item.ref}
        </button>
      </span>
      <span className="leading-snug">{name}</span>
      <span className="leading-snug text-ink2">{item.label ?? ''}</span>
      <span className="value text-right">{massG === undefined ? '?' : figure(massG, 'g')}</span>
      <span className="value pl-2 leading-snug">{tags.length === 0 ? 'none' : tags.join(' ')}</span>
      <span>{worst !== undefined && <SeverityMark severity={worst} />}</span>
    </div>
  );
}

function tagsAt(graph: Graph, item: number): string[] {
  return (graph.cablesAtItem[item] ?? []).map((cable) => graph.cables[cable]?.tag ?? '');
}

function Catalogue() {
  const [text, setText] = useState('');
  const own = useWorkshopParts();
  const onOffer = partsOnOffer(own);
  const found = searchParts(onOffer, wordsOf(text));
  return (
    <section className="min-h-0 overflow-y-auto border-l border-rule bg-paper px-4 py-4" aria-label="Catalogue">
      <h2 className="text-lg font-bold">Catalogue</h2>
      <label className="mt-2 block text-[13px] text-ink2" htmlFor="catalogue-search">
        Search by words, for example "servo 12g"
      </label>
      <input
        id="catalogue-search"
        type="search"
        className="field mt-1 w-full"
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      <p className="mt-2 text-[12.5px] text-ink2">
        {found.length} of {onOffer.length} parts. Sample values: check yours.{' '}
        <Link className="underline" to={paths.workshopParts()}>
          Parts of the workshop
        </Link>
      </p>
      <ul className="mt-1" data-testid="catalogue">
        {found.map((part) => (
          <CatalogueRow key={part.id} part={part} />
        ))}
      </ul>
    </section>
  );
}

function CatalogueRow({ part }: { readonly part: Part }) {
  const { read } = useReadersUnits();
  const make = useMake();
  const design = useDesign();
  const ref = nextReference(design.aircraft, part.kind);
  return (
    <li className="grid grid-cols-[1fr_auto] gap-x-3 border-b border-rule py-2">
      <div className="min-w-0">
        <p className="font-semibold">{part.name}</p>
        <p className="text-[12.5px] leading-snug text-ink2">
          {part.source !== 'sample' && <span className="font-medium text-ink">own: </span>}
          {PART_KINDS[part.kind].title}, {read(stated(part.massG, 'g'))}. {part.summary}
        </p>
      </div>
      <button
        type="button"
        className="action self-start whitespace-nowrap"
        aria-label={`Add ${part.name}`}
        onClick={() => make(addParts(part, [ref]))}
      >
        Add {ref}
      </button>
    </li>
  );
}
