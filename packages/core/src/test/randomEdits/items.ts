import type { SimpleEdit } from '../../edits/registry.ts';
import { proposeAdoption } from '../../edits/proposeAdoption.ts';
import { nextReference } from '../../edits/references.ts';
import { graphOf } from '../../graph/graphOf.ts';
import { outputKey } from '../../model/outputPlan.ts';
import { partKeyOf } from '../../model/contentHash.ts';
import type { Design } from '../../model/design.ts';
import { asId, type ItemId } from '../../model/ids.ts';
import { outputFunctions } from '../../model/outputFunctions.ts';
import type { SettingSpec, SettingValue } from '../../model/setting.ts';
import { settingsOf } from '../../model/settingsOf.ts';
import { sampleParts } from '../../parts/catalogue.ts';
import { pick, type Draw } from './draw.ts';

export function addItem(design: Design, { x, y, isStale }: Draw): SimpleEdit {
  const part = pick(sampleParts, x) ?? sampleParts[0];
  if (part === undefined) throw new Error('The catalogue is empty.');
  const ref = isStale && y % 3 === 0 ? 'FC1' : nextReference(design.aircraft, part.kind);
  return { kind: 'add-item', item: { id: asId<ItemId>('?1'), ref, part: partKeyOf(part), where: 'aircraft', settings: {} } };
}

function anyItem(design: Design, n: number) {
  return pick(graphOf(design).items, n)?.item;
}

/** Another part of the kind in the item's place, with the proposed mapping. */
export function adopt(design: Design, { x, y, isStale }: Draw): SimpleEdit | undefined {
  const item = pick(Object.values(design.aircraft.items), x);
  const kind = item === undefined ? undefined : design.parts.get(item.part)?.kind;
  const part = pick(
    sampleParts.filter((candidate) => candidate.kind === kind),
    y,
  );
  if (item === undefined || part === undefined) return undefined;
  const proposed = proposeAdoption(design, item.id, partKeyOf(part));
  return proposed === undefined || !isStale ? proposed : { ...proposed, was: partKeyOf(part) };
}

export function setting(design: Design, { x, y, z, isStale }: Draw): SimpleEdit | undefined {
  const item = anyItem(design, x);
  const part = item === undefined ? undefined : design.parts.get(item.part);
  const spec = pick(part === undefined ? [] : settingsOf(part), y);
  if (item === undefined || spec === undefined) return undefined;
  const value = valueFor(spec, z);
  return {
    kind: 'set-item-setting',
    item: item.id,
    setting: spec.id,
    value: z % 5 === 0 ? null : value,
    was: isStale ? 'stale' : (item.settings[spec.id] ?? null),
  };
}

function valueFor(spec: SettingSpec, n: number): SettingValue | null {
  switch (spec.is) {
    case 'choice':
      return pick(spec.choices, n)?.value ?? null;
    case 'number':
      return spec.min;
    case 'text':
      return spec.form === 'ipv4' ? `10.77.0.${n % 300}` : `phrase ${n % 5}`;
  }
}

export function label(design: Design, { x, z }: Draw): SimpleEdit | undefined {
  const item = anyItem(design, x);
  return item === undefined
    ? undefined
    : { kind: 'label-item', item: item.id, label: z % 3 === 0 ? '' : `label ${z}`, was: item.label ?? '' };
}

export function rename(design: Design, { x, z }: Draw): SimpleEdit | undefined {
  const item = anyItem(design, x);
  return item === undefined ? undefined : { kind: 'rename-item', item: item.id, ref: `AUX${1 + (z % 30)}`, was: item.ref };
}

export function side(design: Design, { x, z }: Draw): SimpleEdit | undefined {
  const item = anyItem(design, x);
  const sides = ['left', 'right', 'auto'] as const;
  return item === undefined
    ? undefined
    : { kind: 'set-sheet-side', item: item.id, side: pick(sides, z) ?? 'auto', was: item.sheetSide ?? 'auto' };
}

export function where(design: Design, { x, z, isStale }: Draw): SimpleEdit | undefined {
  const item = anyItem(design, x);
  const places = ['aircraft', 'ground', 'bench'] as const;
  const was = isStale ? (pick(places, z + 1) ?? 'aircraft') : item?.where;
  return item === undefined || was === undefined
    ? undefined
    : { kind: 'set-item-where', item: item.id, where: pick(places, z) ?? 'aircraft', was };
}

export function removeItem(design: Design, { x, isStale }: Draw): SimpleEdit | undefined {
  const item = anyItem(design, x);
  if (isStale) return { kind: 'remove-item', item: asId<ItemId>('nobody') };
  return item === undefined ? undefined : { kind: 'remove-item', item: item.id };
}

export function output(design: Design, { x, y, z, isStale }: Draw): SimpleEdit | undefined {
  const boards = graphOf(design).items.filter(({ part }) => part?.endpoints.some((endpoint) => endpoint.is === 'pulse-out') === true);
  const board = pick(boards, x);
  const outputs = board?.part?.endpoints.filter((endpoint) => endpoint.is === 'pulse-out') ?? [];
  const one = pick(outputs, y);
  if (board === undefined || one === undefined) return undefined;
  const now = design.aircraft.outputs[outputKey(board.item.id, one.id)]?.function ?? null;
  const wanted = z % 4 === 0 ? null : (pick(outputFunctions, z) ?? null);
  return { kind: 'set-output-function', item: board.item.id, output: one.id, function: wanted, was: isStale ? 'tilt' : now };
}
