import { useState } from 'react';
import { CAUTIONS, serialSetup, settingsOf, type Graph, type Item, type ItemId, type SettingSpec } from '@wired-falcon/core';
import { useSelection } from '../selection/SelectionContext.tsx';
import { useSession } from '../session/SessionContext.tsx';

/** An item in the margin: what it is, its cables, its settings. */
export function ItemFacts({ item: id, graph }: { readonly item: ItemId; readonly graph: Graph }) {
  const session = useSession();
  const { select, clear } = useSelection();
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
        <dd className="value">{part?.massG ?? '?'} g</dd>
        <dt className="text-ink2">Size</dt>
        <dd className="value">{part?.sizeMm.join(' x ')} mm</dd>
        <dt className="text-ink2">Cables</dt>
        <dd className="value flex flex-wrap gap-x-2">
          {cables.length === 0 && 'none yet'}
          {cables.map((cable) => (
            <button key={cable.id} type="button" className="underline" onClick={() => select({ is: 'cable', cable: cable.id })}>
              {cable.tag}
            </button>
          ))}
        </dd>
        <dt className="text-ink2">Figures</dt>
        <dd>{part?.source === 'sample' ? 'sample values: check yours' : part?.source}</dd>
      </dl>
      {(part?.cautions ?? []).map((caution) => (
        <p key={caution} className="mt-2 border-l-2 border-rust pl-2 text-[12.5px]">
          {CAUTIONS[caution] ?? caution}
        </p>
      ))}
      <LabelField key={item.label ?? ''} item={item} />
      <SideField item={item} />
      {raw !== undefined && settingsOf(raw).length > 0 && (
        <details className="mt-3" open={part?.kind !== 'controller'}>
          <summary className="cursor-pointer text-[13px] font-semibold text-ink2">Settings</summary>
          {settingsOf(raw).map((spec) => (
            <SettingField key={spec.id} item={item} spec={spec} delivered={deliveredText(item, graph, spec)} />
          ))}
        </details>
      )}
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

function deliveredText(item: Item, graph: Graph, spec: SettingSpec): string {
  const [endpointId] = spec.id.split('.');
  const endpoint = graph.items[graph.itemIx.get(item.id) ?? -1]?.part?.endpoints.find((candidate) => candidate.id === endpointId);
  if (endpoint?.is !== 'uart' || !spec.id.endsWith('.baud'))
    return spec.default === undefined ? 'not set' : `${String(spec.default)} (as delivered)`;
  const { baud, baudIs } = serialSetup(item, endpoint);
  return baudIs === 'as delivered' ? `${baud ?? ''} (as delivered)` : 'as delivered';
}

function SettingField({ item, spec, delivered }: { readonly item: Item; readonly spec: SettingSpec; readonly delivered: string }) {
  const session = useSession();
  const now = item.settings[spec.id];
  if (spec.is !== 'choice') return null;
  const change = (text: string): void => {
    const value = spec.choices.find((choice) => String(choice.value) === text)?.value ?? null;
    session.make({ kind: 'set-item-setting', item: item.id, setting: spec.id, value, was: now ?? null });
  };
  return (
    <label className="mt-1.5 grid grid-cols-[92px_1fr] items-center text-[13px]">
      {spec.label}
      <select className="field value" value={now === undefined ? '' : String(now)} onChange={(event) => change(event.target.value)}>
        <option value="">{delivered}</option>
        {spec.choices.map((choice) => (
          <option key={String(choice.value)} value={String(choice.value)}>
            {choice.label}
          </option>
        ))}
      </select>
    </label>
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
