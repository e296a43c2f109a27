import { EMPTY_RC } from '../model/rcPlan.ts';
import { splitReference } from '../edits/references.ts';
import type { Aircraft, Cable, CableEndAt, CableNode, Item } from '../model/aircraft.ts';
import type { Design } from '../model/design.ts';
import type { Mate } from '../model/mate.ts';
import type { Bond } from '../model/bond.ts';
import { asId, type BondId, type CableId, type ConductorId, type ItemId, type MateId } from '../model/ids.ts';

/**
 * A design several times over in one aircraft, for tests and measurements: every item and cable again under further ids,
 * references and tags, each copy wired within itself.
 */
export function multiplied(design: Design, times: number): Design {
  const { aircraft } = design;
  const items: Record<ItemId, Item> = {};
  const cables: Record<CableId, Cable> = {};
  const mates: Record<MateId, Mate> = {};
  const bonds: Record<BondId, Bond> = {};
  for (let copy = 0; copy < times; copy++) {
    for (const item of Object.values(aircraft.items)) {
      const again = { ...item, id: copyOf<ItemId>(item.id, copy), ref: shifted(item.ref, aircraft, copy) };
      items[again.id] = again;
    }
    for (const cable of Object.values(aircraft.cables)) {
      const again = copyCable(cable, aircraft, copy);
      cables[again.id] = again;
    }
    for (const mate of Object.values(aircraft.mates)) {
      const id = copyOf<MateId>(mate.id, copy);
      const [a, b] = [mate.a, mate.b].map(({ item, port }) => ({ item: copyOf<ItemId>(item, copy), port }));
      if (a !== undefined && b !== undefined) mates[id] = { ...mate, id, a, b };
    }
    for (const { id: first, a, b } of Object.values(aircraft.bonds)) {
      const id = copyOf<BondId>(first, copy);
      bonds[id] = { id, a: { ...a, item: copyOf<ItemId>(a.item, copy) }, b: { ...b, item: copyOf<ItemId>(b.item, copy) } };
    }
  }
  const issued = Object.fromEntries(Object.entries(aircraft.issued).map(([prefix, count]) => [prefix, count * times]));
  return {
    ...design,
    aircraft: { ...aircraft, items, cables, mates, bonds, links: {}, wishes: {}, rc: EMPTY_RC, outputs: {}, waivers: {}, issued },
  };
}

function copyOf<B extends ItemId | CableId | ConductorId | MateId | BondId>(id: B, copy: number): B {
  return asId<B>(copy === 0 ? id : `${id}-${copy}`);
}

function shifted(reference: string, { issued }: Aircraft, copy: number): string {
  const { prefix, number } = splitReference(reference);
  const next = number + copy * (issued[prefix] ?? 0);
  return `${prefix}${prefix === 'W' ? String(next).padStart(2, '0') : next}`;
}

function copyCable(cable: Cable, aircraft: Aircraft, copy: number): Cable {
  const nodes: Record<CableNode['id'], CableNode> = {};
  for (const node of Object.values(cable.nodes)) nodes[node.id] = node.is === 'end' ? { ...node, at: movedTo(node.at, copy) } : node;
  const conductors: Record<ConductorId, Cable['conductors'][ConductorId]> = {};
  for (const conductor of Object.values(cable.conductors)) {
    const id = copyOf<ConductorId>(conductor.id, copy);
    conductors[id] = { ...conductor, id };
  }
  return { ...cable, id: copyOf<CableId>(cable.id, copy), tag: shifted(cable.tag, aircraft, copy), nodes, conductors };
}

function movedTo(at: CableEndAt, copy: number): CableEndAt {
  switch (at.is) {
    case 'port':
      return { ...at, item: copyOf<ItemId>(at.item, copy) };
    case 'mate':
      return { ...at, cable: copyOf<CableId>(at.cable, copy) };
    case 'free':
      return at;
  }
}
