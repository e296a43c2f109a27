import { OSD_FIELDS, osdFields, isOsdField } from '../../model/osdFields.ts';
import { fact, type FactRow, type FactSource, type Source } from './factRow.ts';

/** Where each field over the picture begins. */
export const osdFacts: FactSource = {
  family: 'osd',
  rows: ({ graph }) =>
    osdFields.flatMap((field): FactRow[] => {
      const spot = graph.design.aircraft.rc.osd[field];
      if (spot === undefined) return [];
      const from: Source = { path: ['rc', 'osd', field], words: `${OSD_FIELDS[field].title} in the OSD` };
      return [
        {
          keys: { field },
          what: OSD_FIELDS[field].title,
          from: [from],
          tags: ['used'],
          facts: { col: fact(spot.col, from), row: fact(spot.row, from) },
        },
      ];
    }),
  take: ({ graph }, { keys, field, value }) => {
    const name = String(keys['field']);
    const was = isOsdField(name) ? graph.design.aircraft.rc.osd[name] : undefined;
    if (!isOsdField(name) || was === undefined || typeof value !== 'number' || (field !== 'col' && field !== 'row')) return undefined;
    return { kind: 'set-osd-field', field: name, spot: { ...was, [field]: value }, was };
  },
  takeRow: (_, { keys, values: { col, row } }) => {
    const name = String(keys['field']);
    if (!isOsdField(name) || typeof col !== 'number' || typeof row !== 'number') return undefined;
    return { kind: 'set-osd-field', field: name, spot: { col, row }, was: null };
  },
};
