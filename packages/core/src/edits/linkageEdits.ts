import { Type } from '@sinclair/typebox';
import { sameJson } from '../model/canonicalJson.ts';
import { ItemIdSchema } from '../model/ids.ts';
import { LinkageSchema } from '../model/linkage.ts';
import { editKind, refuse } from './family.ts';
import { refOf } from './lookups.ts';

const linkageOrNone = Type.Union([LinkageSchema, Type.Null()]);

const setLinkage = editKind({
  kind: 'set-linkage',
  schema: Type.Object(
    { kind: Type.Literal('set-linkage'), item: ItemIdSchema, value: linkageOrNone, was: linkageOrNone },
    { additionalProperties: false },
  ),
  title: ({ item, value }, design) => `Linkage of ${refOf(design, item)}${value === null ? ' left open' : ''}`,
  apply: ({ aircraft, parts }, { item: id, value, was }) => {
    const item = aircraft.items[id];
    if (item === undefined) return refuse('unknown-item', 'The servo is no longer there.', id);
    if (parts.get(item.part)?.servo === undefined) return refuse('bad-shape', `${item.ref} is not a servo: it has no arm.`, id);
    if (value !== null && value.item !== id) return refuse('bad-shape', `The linkage belongs to another item than ${item.ref}.`, id);
    const { [id]: now, ...others } = aircraft.linkages;
    if (!sameJson(now ?? null, was))
      return refuse('changed-since', `The linkage of ${item.ref} was changed meanwhile. Check it, then decide.`, id);
    return { aircraft: { ...aircraft, linkages: value === null ? others : { ...others, [id]: value } } };
  },
});

export const linkageEdits = [setLinkage] as const;
