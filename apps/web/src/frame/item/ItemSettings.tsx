import { useState } from 'react';
import {
  LIMITS,
  howText,
  serialSetup,
  settingsOf,
  settingTakes,
  type Graph,
  type Item,
  type Part,
  type SettingSpec,
  type SettingValue,
} from '@wired-falcon/core';
import { useSession } from '../../session/SessionContext.tsx';
import { useNumberText } from '../../ui/useNumberText.ts';

/** Everything that can be set on an item, each with what it is as delivered. */
export function ItemSettings({
  item,
  part,
  graph,
  isOpen,
}: {
  readonly item: Item;
  readonly part: Part;
  readonly graph: Graph;
  readonly isOpen: boolean;
}) {
  const specs = settingsOf(part);
  if (specs.length === 0) return null;
  return (
    <details className="mt-3" open={isOpen}>
      <summary className="cursor-pointer text-[13px] font-semibold text-ink2">Settings</summary>
      {specs.map((spec) => (
        <div key={spec.id}>
          <SettingField item={item} spec={spec} delivered={deliveredText(item, graph, spec)} />
          {spec.how !== undefined && (
            <p id={howId(item, spec)} className="ml-[92px] text-[12px] leading-snug text-ink2">
              {howText(spec.how, (port) => part.ports.find(({ id }) => id === port)?.label ?? port)}
            </p>
          )}
        </div>
      ))}
    </details>
  );
}

function deliveredText(item: Item, graph: Graph, spec: SettingSpec): string {
  const [endpointId] = spec.id.split('.');
  const endpoint = graph.items[graph.itemIx.get(item.id) ?? -1]?.part?.endpoints.find((candidate) => candidate.id === endpointId);
  if (endpoint?.is !== 'uart' || !spec.id.endsWith('.baud'))
    return spec.default === undefined ? 'not set' : `${labelOf(spec, spec.default)} (default)`;
  const { baud, baudIs } = serialSetup(item, endpoint);
  return baudIs === 'default' ? `${baud ?? ''} (default)` : 'default';
}

/** The text that says how a setting is set, for readers that do not see it beside the field. */
function howId(item: Item, spec: SettingSpec): string {
  return `how-${item.id}-${spec.id.replace('.', '-')}`;
}

/** A value as people read it. */
function labelOf(spec: SettingSpec, value: SettingValue): string {
  const choice = spec.is === 'choice' ? spec.choices.find((one) => one.value === value) : undefined;
  return choice?.label ?? String(value);
}

function SettingField({ item, spec, delivered }: { readonly item: Item; readonly spec: SettingSpec; readonly delivered: string }) {
  const session = useSession();
  const now = item.settings[spec.id];
  if (spec.is === 'number') return <NumberSetting key={String(now ?? '')} item={item} spec={spec} delivered={delivered} />;
  if (spec.is === 'text') return <TextSetting key={String(now ?? '')} item={item} spec={spec} delivered={delivered} />;
  const change = (text: string): void => {
    const value = spec.choices.find((choice) => String(choice.value) === text)?.value ?? null;
    session.make({ kind: 'set-item-setting', item: item.id, setting: spec.id, value, was: now ?? null });
  };
  return (
    <label className="mt-1.5 grid grid-cols-[92px_minmax(0,1fr)] items-center text-[13px]">
      {spec.label}
      <select
        className="field value w-full min-w-0"
        aria-describedby={spec.how === undefined ? undefined : howId(item, spec)}
        value={now === undefined ? '' : String(now)}
        onChange={(event) => change(event.target.value)}
      >
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

type TextSpec = Extract<SettingSpec, { is: 'text' }>;

const WRONG_TEXT: Readonly<Record<TextSpec['form'], string>> = {
  ipv4: 'four numbers from 0 to 255 with dots between them, such as 10.77.0.2',
  phrase: `a text of ${LIMITS.labelChars} characters at most`,
};

function TextSetting({ item, spec, delivered }: { readonly item: Item; readonly spec: TextSpec; readonly delivered: string }) {
  const session = useSession();
  const now = item.settings[spec.id];
  const shown = now === undefined ? '' : String(now);
  const [typed, setTyped] = useState(shown);
  const text = typed.trim();
  const isWrong = text !== '' && !settingTakes(spec, text);
  const save = (): void => {
    if (isWrong || text === shown) return;
    session.make({ kind: 'set-item-setting', item: item.id, setting: spec.id, value: text === '' ? null : text, was: now ?? null });
  };
  return (
    <label className="mt-1.5 grid grid-cols-[92px_minmax(0,1fr)] items-center text-[13px]">
      {spec.label}
      <input
        className="field value w-full min-w-0"
        placeholder={delivered}
        aria-describedby={spec.how === undefined ? undefined : howId(item, spec)}
        aria-invalid={isWrong}
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={save}
        onKeyDown={(event) => {
          if (event.key === 'Enter') save();
          if (event.key === 'Escape') setTyped(shown);
        }}
      />
      {isWrong && (
        <span role="alert" className="col-span-2 text-rust">
          {spec.label} is {WRONG_TEXT[spec.form]}.
        </span>
      )}
    </label>
  );
}

type NumberSpec = Extract<SettingSpec, { is: 'number' }>;

function NumberSetting({ item, spec, delivered }: { readonly item: Item; readonly spec: NumberSpec; readonly delivered: string }) {
  const session = useSession();
  const now = item.settings[spec.id];
  const { isWrong, input } = useNumberText({
    value: typeof now === 'number' ? now : undefined,
    unit: spec.unit === 'mm' ? spec.unit : undefined,
    mayBeEmpty: true,
    takes: (value) => settingTakes(spec, value),
    onSave: (value) => session.make({ kind: 'set-item-setting', item: item.id, setting: spec.id, value: value ?? null, was: now ?? null }),
  });
  return (
    <label className="mt-1.5 grid grid-cols-[92px_minmax(0,1fr)] items-center text-[13px]">
      {spec.label}
      <input
        className="field value"
        placeholder={delivered}
        aria-describedby={spec.how === undefined ? undefined : howId(item, spec)}
        {...input}
      />
      {isWrong && (
        <span role="alert" className="col-span-2 text-rust">
          {spec.label} is a number from {spec.min} to {spec.max}.
        </span>
      )}
    </label>
  );
}
