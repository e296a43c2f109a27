import { firmwareWithout } from '../model/firmwarePlan.ts';
import { Type } from '@sinclair/typebox';
import { ItemSchema, ItemWhereSchema, RefSchema, type Aircraft, type ItemWhere } from '../model/aircraft.ts';
import { ItemIdSchema } from '../model/ids.ts';
import { LIMITS } from '../model/limits.ts';
import { rcWithout } from '../model/rcPlan.ts';
import { SettingIdSchema, SettingValueSchema, type SettingValue } from '../model/setting.ts';
import { socketProblem } from '../model/socket.ts';
import { settingsOf, settingTakes } from '../model/settingsOf.ts';
import { bondsWithout } from './bondEdits.ts';
import { changeItem } from './changeItem.ts';
import { editKind, refuse, type Outcome } from './family.ts';
import { freeEnds } from './freeEnds.ts';
import { linksWithout, wishesWithout } from './linkEdits.ts';
import { matesWithout } from './mateEdits.ts';
import { refOf } from './lookups.ts';
import { isFresh, issue, splitReference } from './references.ts';

const closed = { additionalProperties: false } as const;

const addItem = editKind({
  kind: 'add-item',
  schema: Type.Object({ kind: Type.Literal('add-item'), item: ItemSchema }, closed),
  title: (edit, design) => `Add ${edit.item.ref}, ${design.parts.get(edit.item.part)?.name ?? 'unknown part'}`,
  apply: (design, { item }) => {
    const { aircraft } = design;
    if (Object.hasOwn(aircraft.items, item.id)) return refuse('id-taken', 'An item with this id is already there.', item.id);
    if (!design.parts.has(item.part)) {
      return refuse('unknown-part', `The part "${item.part}" of ${item.ref} is neither in the catalogue nor in this aircraft.`, item.part);
    }
    const taken = Object.values(aircraft.items).find((other) => other.ref === item.ref);
    if (taken !== undefined) return refuse('ref-taken', `${item.ref} is already the name of another item.`, taken.id);
    if (!isFresh(aircraft.issued, item.ref)) return usedBefore(aircraft, item.ref);
    const wrong = Object.values(item.sockets ?? {})
      .map(socketProblem)
      .find((problem) => problem !== undefined);
    if (wrong !== undefined) return refuse('bad-shape', `${item.ref}: ${wrong}`, item.id);
    return {
      aircraft: { ...aircraft, items: { ...aircraft.items, [item.id]: item }, issued: issue(aircraft.issued, item.ref) },
    };
  },
});

function usedBefore({ issued }: Aircraft, ref: string): Extract<Outcome, { refused: unknown }> {
  const { prefix } = splitReference(ref);
  return refuse(
    'ref-taken',
    `${ref} was the name of an item before; names are never used twice. The next free one is ${prefix}${(issued[prefix] ?? 0) + 1}.`,
  );
}

const removeItem = editKind({
  kind: 'remove-item',
  schema: Type.Object({ kind: Type.Literal('remove-item'), item: ItemIdSchema }, closed),
  title: (edit, design) => `Remove ${refOf(design, edit.item)}`,
  apply: ({ aircraft }, edit) => {
    if (!Object.hasOwn(aircraft.items, edit.item)) return refuse('unknown-item', 'The item to remove is no longer there.', edit.item);
    const { [edit.item]: _gone, ...items } = aircraft.items;
    const outputs = Object.fromEntries(Object.entries(aircraft.outputs).filter(([, use]) => use.item !== edit.item));
    const banks = Object.fromEntries(Object.entries(aircraft.banks).filter(([, use]) => use.item !== edit.item));
    const { [edit.item]: _linkage, ...linkages } = aircraft.linkages;
    return {
      aircraft: {
        ...aircraft,
        items,
        outputs,
        banks,
        linkages,
        cables: freeEnds(aircraft.cables, (at) => at.is === 'port' && at.item === edit.item),
        mates: matesWithout(aircraft.mates, edit.item),
        bonds: bondsWithout(aircraft.bonds, edit.item),
        links: linksWithout(aircraft.links, edit.item),
        wishes: wishesWithout(aircraft.wishes, edit.item),
        rc: rcWithout(aircraft.rc, edit.item),
        firmware: firmwareWithout(aircraft.firmware, edit.item),
      },
    };
  },
});

const renameItem = editKind({
  kind: 'rename-item',
  schema: Type.Object({ kind: Type.Literal('rename-item'), item: ItemIdSchema, ref: RefSchema, was: RefSchema }, closed),
  title: (edit) => `Rename ${edit.was} to ${edit.ref}`,
  apply: ({ aircraft }, edit) =>
    changeItem(
      aircraft,
      edit.item,
      (item) => {
        if (item.ref !== edit.was) return refuse('changed-since', `${edit.was} was renamed to ${item.ref} meanwhile.`, item.id);
        const other = Object.values(aircraft.items).find((candidate) => candidate.ref === edit.ref && candidate.id !== item.id);
        if (other !== undefined) return refuse('ref-taken', `${edit.ref} is already the name of another item.`, other.id);
        if (edit.ref !== item.ref && !isFresh(aircraft.issued, edit.ref)) return usedBefore(aircraft, edit.ref);
        return { ...item, ref: edit.ref };
      },
      edit.ref,
    ),
});

const labelItem = editKind({
  kind: 'label-item',
  schema: Type.Object(
    {
      kind: Type.Literal('label-item'),
      item: ItemIdSchema,
      label: Type.String({ maxLength: LIMITS.labelChars }),
      was: Type.String({ maxLength: LIMITS.labelChars }),
    },
    closed,
  ),
  title: (edit, design) => `Describe ${refOf(design, edit.item)} as "${edit.label}"`,
  apply: ({ aircraft }, edit) =>
    changeItem(aircraft, edit.item, (item) => {
      if ((item.label ?? '') !== edit.was)
        return refuse('changed-since', `The description of ${item.ref} was changed to "${item.label ?? ''}" meanwhile.`, item.id);
      const { label: _old, ...rest } = item;
      return edit.label === '' ? rest : { ...rest, label: edit.label };
    }),
});

const setSetting = editKind({
  kind: 'set-item-setting',
  schema: Type.Object(
    {
      kind: Type.Literal('set-item-setting'),
      item: ItemIdSchema,
      setting: SettingIdSchema,
      /** Null: as delivered. */
      value: Type.Union([SettingValueSchema, Type.Null()]),
      was: Type.Union([SettingValueSchema, Type.Null()]),
    },
    closed,
  ),
  title: (edit, design) =>
    edit.value === null
      ? `Set ${refOf(design, edit.item)} ${edit.setting} to its default`
      : `Set ${refOf(design, edit.item)} ${edit.setting} to ${String(edit.value)}`,
  apply: (design, edit) =>
    changeItem(design.aircraft, edit.item, (item) => {
      const part = design.parts.get(item.part);
      const spec = part === undefined ? undefined : settingsOf(part).find((candidate) => candidate.id === edit.setting);
      if (spec === undefined) return refuse('unknown-setting', `${item.ref} has no setting "${edit.setting}".`, item.id);
      if (edit.value !== null && !settingTakes(spec, edit.value)) {
        return refuse('unknown-setting', `${item.ref} ${spec.label} does not accept ${String(edit.value)}.`, item.id);
      }
      const now: SettingValue | null = Object.hasOwn(item.settings, edit.setting) ? (item.settings[edit.setting] ?? null) : null;
      if (now !== edit.was) {
        return refuse('changed-since', `${item.ref} ${spec.label} was set to ${String(now ?? 'default')} meanwhile.`, item.id);
      }
      const { [edit.setting]: _old, ...others } = item.settings;
      return { ...item, settings: edit.value === null ? others : { ...others, [edit.setting]: edit.value } };
    }),
});

const sideSchema = Type.Union([Type.Literal('left'), Type.Literal('right'), Type.Literal('auto')]);

const setSide = editKind({
  kind: 'set-sheet-side',
  schema: Type.Object({ kind: Type.Literal('set-sheet-side'), item: ItemIdSchema, side: sideSchema, was: sideSchema }, closed),
  title: (edit, design) =>
    edit.side === 'auto'
      ? `Place automatically on the sheet: ${refOf(design, edit.item)}`
      : `Keep ${refOf(design, edit.item)} on the ${edit.side} of the sheet`,
  apply: ({ aircraft }, edit) =>
    changeItem(aircraft, edit.item, (item) => {
      if ((item.sheetSide ?? 'auto') !== edit.was)
        return refuse('changed-since', `${item.ref} was moved to another side meanwhile.`, item.id);
      const { sheetSide: _old, ...rest } = item;
      return edit.side === 'auto' ? rest : { ...rest, sheetSide: edit.side };
    }),
});

const WHERE_WORDS: Readonly<Record<ItemWhere, string>> = { aircraft: 'into the aircraft', ground: 'on the ground', bench: 'on the bench' };

const setWhere = editKind({
  kind: 'set-item-where',
  schema: Type.Object({ kind: Type.Literal('set-item-where'), item: ItemIdSchema, where: ItemWhereSchema, was: ItemWhereSchema }, closed),
  title: (edit, design) => `Put ${refOf(design, edit.item)} ${WHERE_WORDS[edit.where]}`,
  apply: ({ aircraft }, edit) =>
    changeItem(aircraft, edit.item, (item) =>
      item.where === edit.was
        ? { ...item, where: edit.where }
        : refuse('changed-since', `${item.ref} was put ${WHERE_WORDS[item.where]} meanwhile.`, item.id),
    ),
});

export const itemEdits = [addItem, removeItem, renameItem, labelItem, setSetting, setSide, setWhere] as const;
