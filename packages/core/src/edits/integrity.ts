import { firmwareProblems } from './firmwareIntegrity.ts';
import type { Aircraft, Cable, Item } from '../model/aircraft.ts';
import { outputKey, type BankUse, type OutputUse } from '../model/outputPlan.ts';
import type { Bond } from '../model/bond.ts';
import type { Design } from '../model/design.ts';
import { asId, type ItemId } from '../model/ids.ts';
import { linkOfKey, type LinkWords, type Wish } from '../model/linkWords.ts';
import type { Linkage } from '../model/linkage.ts';
import type { Mate } from '../model/mate.ts';
import { socketProblem } from '../model/socket.ts';
import { brokenInside } from './cableEdits.ts';
import type { Change } from './changes.ts';
import type { Refusal } from './family.ts';
import { mateName, occupantName, placeName } from './lookups.ts';
import { occupantAt, occupantOfMate } from './occupancy.ts';
import { isFresh } from './references.ts';

/**
 * What does not hold together in a design: a key that is not the thing's id, a name used twice, a cable that runs
 * nowhere, an end at a place that is gone or taken. Edits never make such a state; an import or an undo might.
 * In the order of the document; each as a sentence.
 */
export function integrityOf(design: Design): Refusal[] {
  return problemsIn(design, {
    items: 'all',
    cables: 'all',
    mates: 'all',
    bonds: 'all',
    links: 'all',
    wishes: 'all',
    outputs: 'all',
    banks: 'all',
    linkages: 'all',
    isFirmware: true,
    waivers: 'all',
    isAirframe: true,
    isRc: true,
  });
}

/** The same, looked for only where changes were made and where what they touched is mentioned. */
export function integrityAround(design: Design, changes: readonly Change[]): Refusal[] {
  const { cables, outputs, banks, linkages, bonds, links, wishes } = design.aircraft;
  const keysIn = (family: string): Set<string> =>
    new Set(changes.flatMap(({ path: [name, key] }) => (name === family && key !== undefined ? [key] : [])));
  const touched = {
    items: keysIn('items'),
    cables: keysIn('cables'),
    mates: keysIn('mates'),
    bonds: keysIn('bonds'),
    links: keysIn('links'),
    wishes: keysIn('wishes'),
    outputs: keysIn('outputs'),
    banks: keysIn('banks'),
    linkages: keysIn('linkages'),
    waivers: keysIn('waivers'),
  };
  const mentions = ({ nodes }: Cable): boolean =>
    Object.values(nodes).some(
      (node) =>
        node.is === 'end' &&
        ((node.at.is === 'port' && touched.items.has(node.at.item)) || (node.at.is === 'mate' && touched.cables.has(node.at.cable))),
    );
  const isAirframeTouched = changes.some(({ path }) => path[0] === 'airframe');
  return problemsIn(design, {
    items: isAirframeTouched ? 'all' : touched.items,
    cables: union(touched.cables, idsWhere(cables, mentions)),
    // A mate fills its ports whichever of the two came back.
    mates: touched.cables.size > 0 || touched.mates.size > 0 || touched.items.size > 0 ? 'all' : touched.mates,
    bonds: union(
      touched.bonds,
      idsWhere(bonds, ({ a, b }) => touched.items.has(a.item) || touched.items.has(b.item)),
    ),
    links: union(
      touched.links,
      Object.entries(links).flatMap(([key, { port }]) =>
        touched.items.has(linkOfKey(key).item) || (port !== undefined && touched.items.has(port.item)) ? [key] : [],
      ),
    ),
    wishes: union(
      touched.wishes,
      idsWhere(wishes, ({ from, to }) => touched.items.has(from) || touched.items.has(to)),
    ),
    outputs: union(
      touched.outputs,
      idsWhere(outputs, ({ item }) => touched.items.has(item)),
    ),
    banks: union(
      touched.banks,
      idsWhere(banks, ({ item }) => touched.items.has(item)),
    ),
    linkages: union(
      touched.linkages,
      [...touched.items].filter((item) => Object.hasOwn(linkages, item)),
    ),
    waivers: touched.waivers,
    isFirmware: touched.items.size > 0 || changes.some(({ path }) => path[0] === 'firmware'),
    isAirframe: isAirframeTouched,
    isRc: touched.items.size > 0 || changes.some(({ path }) => path[0] === 'rc'),
  });
}

function idsWhere<T>(record: Readonly<Record<string, T>>, isMeant: (thing: T) => boolean): string[] {
  return Object.entries(record).flatMap(([id, thing]) => (isMeant(thing) ? [id] : []));
}

function union(a: ReadonlySet<string>, b: readonly string[]): ReadonlySet<string> {
  return new Set([...a, ...b]);
}

/** The keys of a record that are looked at. */
type Scope = ReadonlySet<string> | 'all';

function entriesIn<T>(record: Readonly<Record<string, T>>, scope: Scope): [string, T][] {
  if (scope === 'all') return Object.entries(record);
  return [...scope].flatMap((key): [string, T][] => {
    const thing = Object.hasOwn(record, key) ? record[key] : undefined;
    return thing === undefined ? [] : [[key, thing]];
  });
}

interface Places extends Readonly<
  Record<'items' | 'cables' | 'mates' | 'bonds' | 'links' | 'wishes' | 'outputs' | 'banks' | 'linkages' | 'waivers', Scope>
> {
  readonly isAirframe: boolean;
  readonly isRc: boolean;
  readonly isFirmware: boolean;
}

function problemsIn(design: Design, scope: Places): Refusal[] {
  const { aircraft } = design;
  const items = entriesIn(aircraft.items, scope.items);
  const cables = entriesIn(aircraft.cables, scope.cables);
  const refsTwice = namesTwice(aircraft.items, items, ({ ref }) => ref);
  const tagsTwice = namesTwice(aircraft.cables, cables, ({ tag }) => tag);
  return [
    ...items.flatMap(([id, item]) => itemProblems(design, id, item, refsTwice)),
    ...(scope.isAirframe ? routeProblems(aircraft) : []),
    ...cables.flatMap(([id, cable]) => cableProblems(design, id, cable, tagsTwice)),
    ...entriesIn(aircraft.mates, scope.mates).flatMap(([id, mate]) => mateProblems(design, id, mate)),
    ...entriesIn(aircraft.bonds, scope.bonds).flatMap(([id, bond]) => bondProblems(aircraft, id, bond)),
    ...entriesIn(aircraft.links, scope.links).flatMap(([key, words]) => linkProblems(aircraft, key, words)),
    ...entriesIn(aircraft.wishes, scope.wishes).flatMap(([id, wish]) => wishProblems(aircraft, id, wish)),
    ...(scope.isRc ? rcProblems(aircraft) : []),
    ...(scope.isFirmware ? firmwareProblems(aircraft) : []),
    ...entriesIn(aircraft.outputs, scope.outputs).flatMap(([key, use]) => outputProblems(aircraft, key, use)),
    ...entriesIn(aircraft.banks, scope.banks).flatMap(([key, use]) => bankProblems(aircraft, key, use)),
    ...entriesIn(aircraft.linkages, scope.linkages).flatMap(([key, linkage]) => linkageProblems(aircraft, key, linkage)),
    ...entriesIn(aircraft.waivers, scope.waivers)
      .filter(([id, waiver]) => waiver.id !== id)
      .map(([id]) => problem('id-taken', 'A waiver is filed under another id than its own.', id)),
  ];
}

function problem(code: Refusal['code'], sentence: string, ...about: readonly string[]): Refusal {
  return { code, sentence, about };
}

/** The names of some things that more than one of all things bears. */
function namesTwice<T>(
  all: Readonly<Record<string, T>>,
  some: readonly (readonly [string, T])[],
  nameOf: (thing: T) => string,
): ReadonlySet<string> {
  const bearers = new Map(some.map(([, thing]) => [nameOf(thing), 0]));
  for (const thing of Object.values(all)) {
    const count = bearers.get(nameOf(thing));
    if (count !== undefined) bearers.set(nameOf(thing), count + 1);
  }
  return new Set([...bearers].flatMap(([name, count]) => (count > 1 ? [name] : [])));
}

function itemProblems({ aircraft, parts }: Design, id: string, item: Item, refsTwice: ReadonlySet<string>): Refusal[] {
  const found: Refusal[] = [];
  if (item.id !== id) found.push(problem('id-taken', `${item.ref} is filed under another id than its own.`, id));
  if (!parts.has(item.part)) found.push(problem('unknown-part', `${item.ref} uses the part "${item.part}", which is not known here.`, id));
  if (refsTwice.has(item.ref)) found.push(problem('ref-taken', `${item.ref} is the name of two items.`, id));
  const bay = item.place?.bay;
  if (bay !== undefined && aircraft.airframe.frame?.bays[bay] === undefined)
    found.push(problem('unknown-bay', `${item.ref} is in a bay that the airframe does not have.`, id));
  const socket = Object.values(item.sockets ?? {})
    .map(socketProblem)
    .find((wrong) => wrong !== undefined);
  if (socket !== undefined) found.push(problem('bad-shape', `${item.ref}: ${socket}`, id));
  if (isFresh(aircraft.issued, item.ref)) found.push(problem('ref-taken', notGivenOut(item.ref), id));
  return found;
}

function routeProblems({ airframe: { frame } }: Aircraft): Refusal[] {
  return Object.values(frame?.routes ?? {})
    .filter(({ a, b }) => a === b || frame?.points[a] === undefined || frame.points[b] === undefined)
    .map(({ a, b }) => problem('bad-shape', `A route of the airframe runs from "${a}" to "${b}", which are not two of its points.`));
}

function cableProblems(design: Design, id: string, cable: Cable, tagsTwice: ReadonlySet<string>): Refusal[] {
  const { aircraft } = design;
  const found: Refusal[] = [];
  if (cable.id !== id) found.push(problem('id-taken', `${cable.tag} is filed under another id than its own.`, id));
  if (tagsTwice.has(cable.tag)) found.push(problem('ref-taken', `${cable.tag} is the tag of two cables.`, id));
  if (isFresh(aircraft.issued, cable.tag)) found.push(problem('ref-taken', notGivenOut(cable.tag), id));
  const broken = brokenInside(cable);
  if (broken !== undefined) found.push(broken.refused);
  for (const node of Object.values(cable.nodes)) {
    if (node.is !== 'end') continue;
    const { at } = node;
    if (at.is === 'port' && aircraft.items[at.item] === undefined)
      found.push(problem('unknown-item', `${cable.tag} ends at an item that is not there.`, id, at.item));
    if (at.is === 'mate' && at.cable === cable.id) found.push(problem('cable-to-itself', `${cable.tag} is plugged into itself.`, id));
    if (at.is === 'mate' && aircraft.cables[at.cable]?.nodes[at.node]?.is !== 'end')
      found.push(problem('unknown-cable', `${cable.tag} is plugged into a cable that is not there.`, id));
    const occupant = occupantAt(design, at, { except: { cable: cable.id, node: node.id }, positions: node.connector.positions });
    if (occupant !== undefined) {
      const words = `${cable.tag} and ${occupantName(design, occupant)} are both at ${placeName(design, at)}.`;
      found.push(problem('port-occupied', words, id));
    }
  }
  return found;
}

function mateProblems(design: Design, id: string, mate: Mate): Refusal[] {
  const { items } = design.aircraft;
  if (mate.id !== id) return [problem('id-taken', 'Two mated ports are filed under another id than their own.', id)];
  const gone = [mate.a, mate.b].find(({ item }) => items[item] === undefined);
  if (gone !== undefined)
    return [problem('unknown-item', 'Two ports mate, and one of them belongs to an item that is not there.', id, gone.item)];
  const blocked = occupantOfMate(design, mate);
  if (blocked === undefined) return [];
  return [problem('port-occupied', `${mateName(design, mate)} and ${occupantName(design, blocked)} are at one port.`, id)];
}

function bondProblems({ items }: Aircraft, id: string, { id: own, a, b }: Bond): Refusal[] {
  if (own !== id) return [problem('id-taken', 'A pairing is filed under another id than its own.', id)];
  if (a.item === b.item) return [problem('cable-to-itself', 'A radio is paired with itself.', id, a.item)];
  const gone = [a, b].find(({ item }) => items[item] === undefined);
  return gone === undefined ? [] : [problem('unknown-item', 'A radio is paired with an item that is not there.', id, gone.item)];
}

function linkProblems({ items }: Aircraft, key: string, { port }: LinkWords): Refusal[] {
  const { item } = linkOfKey(key);
  if (items[item] === undefined) return [problem('unknown-item', 'A setting is for a link of an item that is not there.', item)];
  return port === undefined || items[port.item] !== undefined
    ? []
    : [problem('unknown-item', 'A link is fixed to a port of an item that is not there.', item, port.item)];
}

function wishProblems({ items }: Aircraft, id: string, { id: own, from, to }: Wish): Refusal[] {
  if (own !== id) return [problem('id-taken', 'A link is filed under another id than its own.', id)];
  if (from === to) return [problem('cable-to-itself', 'A link goes from an item to itself.', id, from)];
  const gone = [from, to].find((item) => items[item] === undefined);
  return gone === undefined ? [] : [problem('unknown-item', 'A link ends at an item that is not there.', id, gone)];
}

function rcProblems({ items, rc }: Aircraft): Refusal[] {
  const trackers = Object.values(rc.channels).flatMap(({ from }) => (from?.is === 'tracker' ? [from.item] : []));
  const named = [
    ...trackers.map((item) => [item, 'A channel comes from a head tracker that is not there.'] as const),
    ...Object.keys(rc.takeOvers)
      .map((key) => asId<ItemId>(key))
      .map((item) => [item, 'Channels are taken over by a companion that is not there.'] as const),
    ...Object.keys(rc.seen)
      .map((key) => asId<ItemId>(key))
      .map((item) => [item, 'A loss-of-signal test is of a receiver that is not there.'] as const),
  ];
  return [
    ...named.flatMap(([item, sentence]) => (items[item] === undefined ? [problem('unknown-item', sentence, item)] : [])),
    ...Object.values(rc.ranges).flatMap((range) =>
      [range, range.with].some((span) => span !== undefined && span.fromUs >= span.toUs)
        ? [problem('bad-shape', 'A range of channel values ends before it begins.')]
        : [],
    ),
  ];
}

function outputProblems(aircraft: Aircraft, key: string, use: OutputUse): Refusal[] {
  const found: Refusal[] = [];
  if (key !== outputKey(use.item, use.output))
    found.push(problem('id-taken', `The use of output ${use.output} is filed under another key than its own.`, key));
  if (aircraft.items[use.item] === undefined)
    found.push(problem('unknown-item', `Output ${use.output} belongs to an item that is not there.`, use.item));
  return found;
}

function bankProblems(aircraft: Aircraft, key: string, use: BankUse): Refusal[] {
  const found: Refusal[] = [];
  if (key !== outputKey(use.item, use.bank))
    found.push(problem('id-taken', `Bank ${use.bank} is filed under another key than its own.`, key));
  if (aircraft.items[use.item] === undefined)
    found.push(problem('unknown-item', `Bank ${use.bank} belongs to an item that is not there.`, use.item));
  return found;
}

function linkageProblems(aircraft: Aircraft, key: string, { item }: Linkage): Refusal[] {
  if (key !== item) return [problem('id-taken', 'A linkage is filed under another item than its own.', key)];
  return aircraft.items[item] === undefined ? [problem('unknown-item', 'A linkage belongs to an item that is not there.', item)] : [];
}

function notGivenOut(reference: string): string {
  return `${reference} is in use, and "issued" does not count it as given out, so that it would be given out again.`;
}
