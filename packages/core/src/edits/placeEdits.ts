import { stated } from '../text/numbers.ts';
import { Type } from '@sinclair/typebox';
import { WeighedGSchema } from '../model/aircraft.ts';
import { sameJson } from '../model/canonicalJson.ts';
import { PlaceSchema } from '../model/frame.ts';
import { ItemIdSchema } from '../model/ids.ts';
import { changeItem } from './changeItem.ts';
import { editKind, refuse } from './family.ts';
import { refOf } from './lookups.ts';

const closed = { additionalProperties: false } as const;
const placeOrNone = Type.Union([PlaceSchema, Type.Null()]);
const massOrNone = Type.Union([WeighedGSchema, Type.Null()]);

const placeItem = editKind({
  kind: 'place-item',
  schema: Type.Object({ kind: Type.Literal('place-item'), item: ItemIdSchema, place: placeOrNone, was: placeOrNone }, closed),
  title: (edit, design) => {
    const ref = refOf(design, edit.item);
    if (edit.place === null) return `Remove ${ref} from the layout`;
    const [station, butt, water] = edit.place.at;
    return `${edit.was === null ? 'Place' : 'Move'} ${ref} ${edit.was === null ? 'at' : 'to'} ${station}, ${butt}, ${water}`;
  },
  apply: ({ aircraft }, { item: id, place, was }) =>
    changeItem(aircraft, id, (item) => {
      if (!sameJson(item.place ?? null, was)) return refuse('changed-since', `${item.ref} was moved meanwhile. Check it, then decide.`, id);
      if (place?.bay !== undefined && aircraft.airframe.frame?.bays[place.bay] === undefined) {
        return refuse('unknown-bay', `The airframe has no bay "${place.bay}" for ${item.ref}.`, id);
      }
      const { place: _old, ...rest } = item;
      return place === null ? rest : { ...rest, place };
    }),
});

const weighItem = editKind({
  kind: 'weigh-item',
  schema: Type.Object({ kind: Type.Literal('weigh-item'), item: ItemIdSchema, massG: massOrNone, was: massOrNone }, closed),
  title: (edit, design) =>
    edit.massG === null
      ? `${refOf(design, edit.item)}: mass from its data`
      : `${refOf(design, edit.item)}, weighed: ${stated(edit.massG, 'g')}`,
  apply: ({ aircraft }, { item: id, massG, was }) =>
    changeItem(aircraft, id, (item) => {
      if ((item.weighedG ?? null) !== was)
        return refuse('changed-since', `${item.ref} was weighed meanwhile: ${item.weighedG ?? 'from its data'}.`, id);
      const { weighedG: _old, ...rest } = item;
      return massG === null ? rest : { ...rest, weighedG: massG };
    }),
});

export const placeEdits = [placeItem, weighItem] as const;
