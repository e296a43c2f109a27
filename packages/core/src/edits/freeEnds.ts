import type { Aircraft, Cable, CableEndAt, CableNode } from '../model/aircraft.ts';
import type { CableId } from '../model/ids.ts';

/** The cables with every end that is at a vanishing place set free: the wire on the bench does not vanish with the part. */
export function freeEnds(cables: Aircraft['cables'], vanishes: (at: CableEndAt) => boolean): Aircraft['cables'] {
  const freed = Object.values(cables).flatMap((cable): (readonly [CableId, Cable])[] => {
    const ends = Object.values(cable.nodes).filter((node) => node.is === 'end' && vanishes(node.at));
    return ends.length === 0 ? [] : [[cable.id, withFreed(cable, ends)]];
  });
  return freed.length === 0 ? cables : { ...cables, ...Object.fromEntries(freed) };
}

function withFreed(cable: Cable, ends: readonly CableNode[]): Cable {
  let nodes = cable.nodes;
  for (const node of ends) {
    if (node.is === 'end') nodes = { ...nodes, [node.id]: { ...node, at: { is: 'free' } } };
  }
  return { ...cable, nodes };
}
