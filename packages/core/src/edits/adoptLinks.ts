import type { Aircraft, Item } from '../model/aircraft.ts';
import type { Bond, RadioPlace } from '../model/bond.ts';
import type { Part } from '../model/part.ts';
import { socketWords, type Socket } from '../model/socket.ts';
import { withoutPorts } from './linkEdits.ts';
import { carriesSockets } from '../model/socketEndpoints.ts';

/** What becomes of something that is told, in sentences. */
interface Losses {
  readonly losses: string[];
}

/** The bonds of an aircraft after an item became one of another part: by the radio of the same id, or by the only one that there is. */
export function moveBonds(aircraft: Aircraft, item: Item, to: Part, said: Losses): Aircraft['bonds'] {
  const bonds: Record<string, Bond> = {};
  for (const bond of Object.values(aircraft.bonds)) {
    const [a, b] = [bond.a, bond.b].map((place) => movedRadio(place, item, to));
    if (a !== undefined && b !== undefined) bonds[bond.id] = { ...bond, a, b };
    else said.losses.push(`A pairing of ${item.ref} is removed: the new part has no such radio.`);
  }
  return bonds;
}

/** What is said about links after an item became one of another part: a port that it has not is no longer insisted on. */
export function moveLinkPorts(aircraft: Aircraft, item: Item, to: Part, said: Losses): Aircraft['links'] {
  return withoutPorts(aircraft.links, (port) => {
    const isGone = port.item === item.id && !to.endpoints.some(({ id }) => id === port.endpoint);
    if (isGone) said.losses.push(`No link stays fixed to ${item.ref} ${port.endpoint}: the new part has no such port.`);
    return isGone;
  });
}

function movedRadio(place: RadioPlace, item: Item, to: Part): RadioPlace | undefined {
  const radios = to.radios?.filter(({ diversityOf }) => diversityOf === undefined) ?? [];
  if (place.item !== item.id || radios.some(({ id }) => id === place.radio)) return place;
  const [only, second] = radios;
  return only === undefined || second !== undefined ? undefined : { ...place, radio: only.id };
}

/** The sockets of an item after it became one of another part; undefined where there are none. */
export function moveSockets(item: Item, to: Part, said: Losses): Item['sockets'] {
  const kept = Object.entries(item.sockets ?? {}).filter(([, socket]) => {
    const isKept = carriesSockets(to, socket.endpoint);
    if (!isKept)
      said.losses.push(`${item.ref} ${socketWords(socket)} is removed: the new part has no "${socket.endpoint}" that can use a network.`);
    return isKept;
  });
  const sockets: Record<string, Socket> = Object.fromEntries(kept);
  return kept.length === 0 ? undefined : sockets;
}
