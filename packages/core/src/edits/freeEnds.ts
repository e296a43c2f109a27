import type { Aircraft, Cable, CableEndAt, CableNode } from '../model/aircraft.ts';

/** The cables with every end that is at a vanishing place set free: the wire on the bench does not vanish with the part. */
export function freeEnds(cables: Aircraft['cables'], vanishes: (at: CableEndAt) => boolean): Aircraft['cables'] {
  let now = cables;
  for (const cable of Object.values(cables)) {
    const ends = Object.values(cable.nodes).filter((node) => node.is === 'end' && vanishes(node.at));
    if (ends.length > 0) now = { ...now, [cable.id]: withFreed(cable, ends) };
  }
  return now;
}

function withFreed(cable: Cable, ends: readonly CableNode[]): Cable {
  let nodes = cable.nodes;
  for (const node of ends) {
    if (node.is === 'end') nodes = { ...nodes, [node.id]: { ...node, at: { is: 'free' } } };
  }
  return { ...cable, nodes };
}
