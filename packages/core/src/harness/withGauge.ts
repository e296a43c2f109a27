import type { Edit } from '../edits/registry.ts';

/** A drafted cable with all its wires of one gauge; any other edit as it is. */
export function withGauge<E extends Edit>(edit: E, awg: number): E {
  if (edit.kind !== 'add-cable') return edit;
  const conductors = Object.fromEntries(Object.entries(edit.cable.conductors).map(([id, conductor]) => [id, { ...conductor, awg }]));
  return { ...edit, cable: { ...edit.cable, conductors } };
}
