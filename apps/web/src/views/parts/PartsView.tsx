import { useState } from 'react';
import { nextReference, PART_KINDS, sampleParts, SEVERITIES, type Item, type Part } from '@wired-falcon/core';
import { addParts } from '../../entry/addCommand.ts';
import { searchParts, wordsOf } from '../../entry/searchParts.ts';
import { useSelection } from '../../selection/SelectionContext.tsx';
import { findingsAbout } from '../../selection/findingsAbout.ts';
import { useFindings, useGraph, useMake, useSessionState } from '../../session/SessionContext.tsx';
import { usePageTitle } from '../../ui/pageTitle.ts';
import { SeverityMark } from '../../ui/SeverityMark.tsx';

/** The items of the aircraft, and the catalogue to add from. */
export function PartsView() {
  const { design } = useSessionState();
  usePageTitle(`${design.aircraft.name}, parts`);
  return (
    <div className="grid h-full grid-cols-[minmax(0,1fr)_minmax(0,330px)]">
      <ItemList />
      <Catalogue />
    </div>
  );
}

function ItemList() {
  const graph = useGraph();
  const { items } = graph;
  const massG = items.reduce((sum, { part }) => sum + (part?.massG ?? 0), 0);
  return (
    <section className="min-h-0 overflow-y-auto px-5 py-4" aria-label="Items">
      <h2 className="text-lg font-bold">In this aircraft</h2>
      {items.length === 0 ? (
        <p className="mt-2 max-w-prose text-ink2">
          Nothing yet. Take the controller from the catalogue first: everything else is wired to it. For example, type "add controller" in
          the entry line.
        </p>
      ) : (
        <table className="mt-2 w-full">
          <thead>
            <tr className="border-b border-ink text-left text-[13px] text-ink2">
              <th className="py-1 font-semibold">Ref</th>
              <th className="pl-3 font-semibold">Part</th>
              <th className="pl-3 font-semibold">Description</th>
              <th className="text-right font-semibold whitespace-nowrap">Mass g</th>
              <th className="pl-4 font-semibold">Cables</th>
              <th className="pl-3 font-semibold">Worst</th>
            </tr>
          </thead>
          <tbody>
            {items.map(({ item, part }, ix) => (
              <ItemRow
                key={item.id}
                item={item}
                name={part?.name ?? 'unknown part'}
                massG={part?.massG}
                tags={(graph.cablesAtItem[ix] ?? []).map((cable) => graph.cables[cable]?.tag ?? '')}
              />
            ))}
          </tbody>
          <tfoot>
            <tr>
              <td className="py-1.5 text-ink2" colSpan={3}>
                {items.length} items, cables not counted
              </td>
              <td className="value text-right">{massG.toFixed(1)}</td>
              <td colSpan={2} />
            </tr>
          </tfoot>
        </table>
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
  const { judged } = useFindings();
  const about = findingsAbout(judged, { is: 'item', item: item.id }).filter(({ waiver }) => waiver === undefined);
  const worst = SEVERITIES.find((severity) => about.some(({ finding }) => finding.severity === severity));
  const isSelected = selection.is === 'item' && selection.item === item.id;
  return (
    <tr className={`border-b border-rule ${isSelected ? 'bg-grid' : ''}`}>
      <td className="py-1">
        <button
          type="button"
          className="value font-medium underline decoration-rule underline-offset-4 hover:decoration-ink"
          onClick={() => select({ is: 'item', item: item.id })}
        >
          {item.ref}
        </button>
      </td>
      <td className="py-1 pl-3 leading-snug">{name}</td>
      <td className="py-1 pl-3 leading-snug text-ink2">{item.label ?? ''}</td>
      <td className="value text-right">{massG?.toFixed(1) ?? '?'}</td>
      <td className="value max-w-[190px] py-1 pl-4 leading-snug">{tags.length === 0 ? 'none' : tags.join(' ')}</td>
      <td className="pl-3">{worst !== undefined && <SeverityMark severity={worst} />}</td>
    </tr>
  );
}

function Catalogue() {
  const [text, setText] = useState('');
  const found = searchParts(sampleParts, wordsOf(text));
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
        {found.length} of {sampleParts.length} parts. Sample values: check yours.
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
  const make = useMake();
  const { design } = useSessionState();
  const ref = nextReference(design.aircraft, part.kind);
  return (
    <li className="grid grid-cols-[1fr_auto] gap-x-3 border-b border-rule py-2">
      <div className="min-w-0">
        <p className="font-semibold">{part.name}</p>
        <p className="text-[12.5px] leading-snug text-ink2">
          {PART_KINDS[part.kind].title}, {part.massG} g. {part.summary}
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
