import { useState } from 'react';
import {
  CAUTIONS,
  factLines,
  type FactLine,
  type Graph,
  type Item,
  type ItemId,
  type ItemWhere,
  type ResolvedPart,
  stated,
  size,
} from '@wired-falcon/core';
import { useSelection } from '../../selection/SelectionContext.tsx';
import { useSession } from '../../session/SessionContext.tsx';
import { ItemPart } from './ItemPart.tsx';
import { Bonds } from './Bonds.tsx';
import { Mates } from './Mates.tsx';
import { ItemSettings } from './ItemSettings.tsx';
import { OutputUses } from './OutputUses.tsx';
import { Sockets } from './Sockets.tsx';
import { useReadersUnits } from '../../ui/readersUnits.ts';

/** An item in the margin: what it is, its cables, its settings. */
export function ItemFacts({ item: id, graph }: { readonly item: ItemId; readonly graph: Graph }) {
  const session = useSession();
  const { select, clear } = useSelection();
  const { read } = useReadersUnits();
  const ix = graph.itemIx.get(id);
  const entry = graph.items[ix ?? -1];
  if (entry === undefined || ix === undefined) return <p className="mt-2">This item is no longer there.</p>;
  const { item, part } = entry;
  const raw = graph.design.parts.get(item.part);
  const cables = (graph.cablesAtItem[ix] ?? []).map((cable) => graph.cables[cable]).filter((cable) => cable !== undefined);
  return (
    <section className="mt-1">
      <h2 className="text-lg font-bold">{item.ref}</h2>
      <p>{part?.name ?? 'unknown part'}</p>
      <p className="mt-1 text-[12.5px] text-ink2">{part?.summary}</p>
      <dl className="mt-2 grid grid-cols-[92px_1fr] gap-y-0.5">
        <dt className="text-ink2">Mass</dt>
        <dd className="value">{part === undefined ? '?' : read(stated(part.massG, 'g'))}</dd>
        <dt className="text-ink2">Size</dt>
        <dd className="value">{part === undefined ? '?' : read(size(part.sizeMm, 'mm'))}</dd>
        <dt className="text-ink2">Cables</dt>
        <dd className="value flex flex-wrap gap-x-2">
          {cables.length === 0 && 'none yet'}
          {cables.map((cable) => (
            <button
              key={cable.id}
              type="button"
              className="min-h-6 min-w-6 underline"
              onClick={() => select({ is: 'cable', cable: cable.id })}
            >
              {cable.tag}
            </button>
          ))}
        </dd>
        <dt className="text-ink2">Figures</dt>
        <dd>
          {part?.source === 'sample' ? 'sample values: check yours' : part?.source === 'import' ? 'from a file' : "this workshop's own"}
        </dd>
      </dl>
      {(part?.cautions ?? []).map((caution) => (
        <p key={caution} className="mt-2 border-l-2 border-rust pl-2 text-[12.5px]">
          {CAUTIONS[caution] ?? caution}
        </p>
      ))}
      <Mates item={item} graph={graph} />
      <Bonds item={item} graph={graph} />
      {part !== undefined && <Sockets key={`sockets ${item.id}`} item={item} part={part} />}
      <LabelField key={item.label ?? ''} item={item} />
      <WhereField item={item} />
      <SideField item={item} />
      {part !== undefined && <OutputUses item={item} part={part} />}
      {part !== undefined && raw !== undefined && <StatedFacts lines={factLines(item, raw, part)} />}
      {raw !== undefined && <ItemSettings item={item} part={raw} graph={graph} isOpen={part?.kind !== 'controller'} />}
      <Handling part={part} />
      {raw !== undefined && <ItemPart key={item.id} item={item} part={raw} />}
      <button
        type="button"
        className="action mt-3"
        onClick={() => {
          session.make({ kind: 'remove-item', item: item.id });
          clear();
        }}
      >
        Remove {item.ref}
      </button>
    </section>
  );
}

/** What the part states of itself beyond ports, mass and size. */
function StatedFacts({ lines }: { readonly lines: readonly FactLine[] }) {
  if (lines.length === 0) return null;
  return (
    <details className="mt-3">
      <summary className="cursor-pointer text-[13px] font-semibold text-ink2">Facts of the part</summary>
      <dl className="mt-1.5 text-[12.5px] leading-snug" data-testid="part-facts">
        {lines.map(({ label, text }) => (
          <div key={`${label} ${text}`} className="mb-1">
            <dt className="inline font-medium">{label}: </dt>
            <dd className="inline text-ink2">{text}</dd>
          </div>
        ))}
      </dl>
    </details>
  );
}

function LabelField({ item }: { readonly item: Item }) {
  const session = useSession();
  const [text, setText] = useState(item.label ?? '');
  const save = (): void => {
    if (text.trim() !== (item.label ?? '')) session.make({ kind: 'label-item', item: item.id, label: text.trim(), was: item.label ?? '' });
  };
  return (
    <label className="mt-3 grid grid-cols-[92px_1fr] items-center text-[13px]">
      Description
      <input
        className="field"
        maxLength={60}
        value={text}
        onChange={(event) => setText(event.target.value)}
        onBlur={save}
        onKeyDown={(event) => event.key === 'Enter' && save()}
      />
    </label>
  );
}

const PLACES: Readonly<Record<ItemWhere, string>> = { aircraft: 'in the aircraft', ground: 'on the ground', bench: 'on the bench' };

function WhereField({ item }: { readonly item: Item }) {
  const session = useSession();
  return (
    <label className="mt-1.5 grid grid-cols-[92px_1fr] items-center text-[13px]">
      Where
      <select
        className="field"
        value={item.where}
        onChange={(event) => {
          const where = event.target.value;
          if (where === 'aircraft' || where === 'ground' || where === 'bench')
            session.make({ kind: 'set-item-where', item: item.id, where, was: item.where });
        }}
      >
        {Object.entries(PLACES).map(([place, words]) => (
          <option key={place} value={place}>
            {words}
          </option>
        ))}
      </select>
    </label>
  );
}

const SIDES = { auto: 'where it fits best', left: 'left', right: 'right' } as const;

function SideField({ item }: { readonly item: Item }) {
  const session = useSession();
  const now = item.sheetSide ?? 'auto';
  return (
    <label className="mt-1.5 grid grid-cols-[92px_1fr] items-center text-[13px]">
      Sheet side
      <select
        className="field"
        value={now}
        onChange={(event) => {
          const side = event.target.value;
          if (side === 'auto' || side === 'left' || side === 'right')
            session.make({ kind: 'set-sheet-side', item: item.id, side, was: now });
        }}
      >
        {Object.entries(SIDES).map(([side, words]) => (
          <option key={side} value={side}>
            {words}
          </option>
        ))}
      </select>
    </label>
  );
}

/** What the part's lights mean, and what is done once with it. */
function Handling({ part }: { readonly part: ResolvedPart | undefined }) {
  const indications = part?.indications ?? [];
  const steps = part?.steps ?? [];
  if (indications.length + steps.length === 0) return null;
  return (
    <details className="mt-3">
      <summary className="cursor-pointer text-[13px] font-semibold text-ink2">Lights, sounds and first steps</summary>
      <dl className="mt-1.5 text-[12.5px] leading-snug">
        {indications.map(({ shows, means }) => (
          <div key={shows} className="mb-1">
            <dt className="inline font-medium">{shows}: </dt>
            <dd className="inline text-ink2">{means}</dd>
          </div>
        ))}
        {steps.map(({ title, text }) => (
          <div key={title} className="mb-1">
            <dt className="inline font-medium">{title}: </dt>
            <dd className="inline text-ink2">{text}</dd>
          </div>
        ))}
      </dl>
    </details>
  );
}
