import type { Aircraft } from '../model/aircraft.ts';
import type { ItemId } from '../model/ids.ts';

/** Names a member of the document, or one record of it, at the start of a sentence. */
type Namer = (aircraft: Aircraft, id: string) => string;

const always =
  (words: string): Namer =>
  () =>
    words;

const namers: { readonly [K in keyof Aircraft]-?: Namer } = {
  schema: always('The version of the document'),
  id: always('The aircraft'),
  name: always('The name of the aircraft'),
  note: always('The note on the aircraft'),
  airframe: always('The airframe'),
  plannedBattery: always('The planned pack'),
  power: always('The power plan'),
  needs: always('The list of needs'),
  dialect: always('The dialect'),
  colourScheme: always('The colour scheme'),
  items: ({ items }, id) => Object.values(items).find((item) => item.id === id)?.ref ?? 'The item',
  cables: ({ cables }, id) => Object.values(cables).find((cable) => cable.id === id)?.tag ?? 'The cable',
  mates: always('What mates with what'),
  bonds: always('The pairing of two radios'),
  links: always('What is set for the link'),
  wishes: always('The link'),
  rc: always('The RC plan'),
  outputs: (aircraft, id) => planned(aircraft, aircraft.outputs[id]?.item, 'An output'),
  banks: (aircraft, id) => planned(aircraft, aircraft.banks[id]?.item, 'A bank'),
  mixing: always('The mixing'),
  linkages: (aircraft, id) => planned(aircraft, Object.values(aircraft.items).find((item) => item.id === id)?.id, 'The linkage'),
  firmware: always('The firmware plan'),
  waivers: always('The accepted finding'),
  issued: always('The list of names given out'),
};

function planned({ items }: Aircraft, item: ItemId | undefined, what: string): string {
  const ref = item === undefined ? undefined : items[item]?.ref;
  return ref === undefined ? what : `${what} of ${ref}`;
}

/** What the path of a change is about, in words: `FC1`, `The linkage of SRV2`, `The RC plan`. */
export function placeInWords(aircraft: Aircraft, [member, id = '']: readonly string[]): string {
  return isMember(member) ? namers[member](aircraft, id) : 'The aircraft';
}

function isMember(name: string | undefined): name is keyof Aircraft {
  return name !== undefined && Object.hasOwn(namers, name);
}
