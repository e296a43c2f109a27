import { type Static, Type } from '@sinclair/typebox';
import {
  offsetOf,
  portPlace,
  type Aircraft,
  type Cable,
  type CableEnd,
  type Conductor,
  type Item,
  type NodePin,
} from '../model/aircraft.ts';
import { connectorsMate, isPinRow, mateOf, plugGoesOnto, takesSeveralCables } from '../model/connector.ts';
import type { Design } from '../model/design.ts';
import { ItemIdSchema, PartKeySchema } from '../model/ids.ts';
import { mateOffset, type Mate } from '../model/mate.ts';
import type { Part, PartPort } from '../model/part.ts';
import { settingsOf, settingTakes } from '../model/settingsOf.ts';
import type { DeepReadonly } from '../model/shape.ts';
import { moveBonds, moveLinkPorts, moveSockets } from './adoptLinks.ts';
import { keptBanks, keptLinkages, moveOutputs } from './adoptOutputs.ts';
import { refuse, type Refusal } from './family.ts';
import { RevisionMapSchema, type RevisionMap } from './revisionMap.ts';

const closed = { additionalProperties: false } as const;

export const AdoptRevisionSchema = Type.Object(
  { kind: Type.Literal('adopt-part-revision'), item: ItemIdSchema, part: PartKeySchema, was: PartKeySchema, map: RevisionMapSchema },
  closed,
);
export type AdoptRevision = DeepReadonly<Static<typeof AdoptRevisionSchema>>;

/** What adopting makes of the aircraft, and in sentences what moves with it and what is lost because nothing stands for it. */
export interface Adoption {
  readonly aircraft: Aircraft;
  readonly moves: readonly string[];
  readonly losses: readonly string[];
}

/** Makes an item one of another part, or of another revision of its part, taking along what the map says. */
export function planAdoption(design: Design, edit: AdoptRevision): Adoption | { readonly refused: Refusal } {
  const { aircraft, parts } = design;
  const item = aircraft.items[edit.item];
  if (item === undefined) return refuse('unknown-item', 'The item is no longer there.', edit.item);
  if (item.part !== edit.was) {
    return refuse('changed-since', `The part of ${item.ref} was changed meanwhile. Check again what would change.`, item.id);
  }
  const to = parts.get(edit.part);
  const from = parts.get(edit.was);
  if (to === undefined) return refuse('unknown-part', `The part "${edit.part}" is not known here.`, edit.part);
  const wrong = mapProblem(edit.map, from, to);
  if (wrong !== undefined) return refuse('bad-shape', `${item.ref} cannot become "${to.name}": ${wrong}`, item.id);
  const said: Said = { moves: [], losses: [], filled: new Set() };
  const cables: Record<string, Cable> = {};
  for (const cable of Object.values(aircraft.cables)) {
    const moved = moveEnds(cable, item, edit.map, from, to, said);
    if (moved === 'unmapped') {
      return refuse(
        'changed-since',
        `${cable.tag} is at a port of ${item.ref} that is not in the mapping. Make the mapping again.`,
        cable.id,
      );
    }
    cables[cable.id] = moved;
  }
  const mates = moveMates(design, item, edit.map, to, said);
  const settings = mapSettings(item, edit.map, to, said);
  const outputs = moveOutputs(aircraft, item, edit.map, to, said);
  const banks = keptBanks(aircraft, item, to, said);
  const linkages = keptLinkages(aircraft, item, to, said);
  const { sockets: _before, ...rest } = item;
  const sockets = moveSockets(item, to, said);
  const made: Item = { ...rest, part: edit.part, settings, ...(sockets === undefined ? {} : { sockets }) };
  const items = { ...aircraft.items, [item.id]: made };
  const bonds = moveBonds(aircraft, item, to, said);
  const links = moveLinkPorts(aircraft, item, to, said);
  return {
    aircraft: { ...aircraft, items, cables, mates, bonds, links, outputs, banks, linkages },
    moves: said.moves,
    losses: said.losses,
  };
}

interface Said {
  readonly moves: string[];
  readonly losses: string[];
  /** Ports of the new part that a cable was plugged into already. */
  readonly filled: Set<string>;
}

function mapProblem(map: RevisionMap, from: Part | undefined, to: Part): string | undefined {
  const targets = map.ports.flatMap((row) => (row.to === null ? [] : [row.to]));
  if (new Set(targets).size !== targets.length) return 'two of its ports would be merged into one.';
  for (const row of map.ports) {
    if (row.to === null) continue;
    const there = to.ports.find((candidate) => candidate.id === row.to);
    if (there === undefined) return `the new part has no port "${row.to}".`;
    const pins = row.pins.flatMap((each) => (each.to === null ? [] : [each.to]));
    if (new Set(pins).size !== pins.length) return `two pins of its port "${row.from}" would be merged into one.`;
    if (pins.some((n) => n > there.pins.length))
      return `the port "${row.to}" of the new part has ${there.pins.length} pins, and the mapping has more.`;
  }
  const known = new Set(settingsOf(to).map((spec) => spec.id));
  const strange = map.settings.find((row) => row.to !== null && !known.has(row.to));
  if (strange !== undefined) return `the new part has no setting "${strange.to ?? ''}".`;
  const missing = from?.ports.find((candidate) => !map.ports.some((row) => row.from === candidate.id));
  return missing === undefined ? undefined : `the mapping has no entry for its port "${missing.id}".`;
}

function moveEnds(cable: Cable, item: Item, map: RevisionMap, from: Part | undefined, to: Part, said: Said): Cable | 'unmapped' {
  let moved = cable;
  for (const node of Object.values(cable.nodes)) {
    if (node.is !== 'end' || node.at.is !== 'port' || node.at.item !== item.id) continue;
    const { port: portId } = node.at;
    const row = map.ports.find((candidate) => candidate.from === portId);
    if (row === undefined) return 'unmapped';
    const labels = { before: labelOf(from, portId), after: labelOf(to, row.to) };
    if (row.to === null) {
      said.losses.push(`${cable.tag} becomes unplugged: ${item.ref} has nothing for the port ${labels.before}.`);
      moved = withNode(moved, { ...node, at: { is: 'free' } });
      continue;
    }
    const there = portOf(to, row.to);
    const isRow = there !== undefined && isPinRow(there.connector);
    const before = offsetOf(node.at);
    const ways = portOf(from, portId)?.connector.positions;
    const isOverSome = before > 0 || (isRow && ways !== undefined && node.connector.positions < ways);
    const shift = isRow && isOverSome ? shiftOf(moved, node, row, there.connector.positions) : 0;
    if (shift === undefined || (!isRow && before > 0)) {
      said.losses.push(`${cable.tag} becomes unplugged: the pins under its plug at ${labels.before} are not adjacent in the new part.`);
      moved = withNode(moved, { ...node, at: { is: 'free' } });
      continue;
    }
    const after = before + shift;
    // A row takes several plugs, each over other pins; any other port one.
    const fills = isRow ? node.connector.positions : 1;
    const filled = Array.from({ length: fills }, (_, i) => (isRow ? `${row.to ?? ''} ${after + 1 + i}` : (row.to ?? '')));
    if (there !== undefined && filled.some((place) => said.filled.has(place)) && !takesSeveralCables(there.connector)) {
      said.losses.push(`${cable.tag} becomes unplugged: ${labels.after} of the new part accepts one cable, and another is in it.`);
      moved = withNode(moved, { ...node, at: { is: 'free' } });
      continue;
    }
    for (const place of filled) said.filled.add(place);
    if (row.to !== portId) said.moves.push(`${cable.tag} moves from ${item.ref} ${labels.before} to ${labels.after}.`);
    const end: CableEnd = { ...node, at: portPlace(item.id, row.to, after) };
    moved = isOverSome ? withNode(moved, end) : moveContacts(withNode(moved, end), end, portOf(from, portId), there, row, said);
  }
  return moved;
}

/** Mates go with their ports, where the two still go together and nothing else is there; else they are parted. */
function moveMates({ aircraft, parts }: Design, item: Item, map: RevisionMap, to: Part, said: Said): Aircraft['mates'] {
  const mates: Record<string, Mate> = {};
  for (const mate of Object.values(aircraft.mates)) {
    const side = mate.a.item === item.id ? 'a' : mate.b.item === item.id ? 'b' : undefined;
    if (side === undefined) {
      mates[mate.id] = mate;
      continue;
    }
    const now = map.ports.find(({ from }) => from === mate[side].port)?.to ?? null;
    const there = now === null ? undefined : portOf(to, now);
    const other = mate[side === 'a' ? 'b' : 'a'];
    const far = portOf(parts.get(aircraft.items[other.item]?.part ?? item.part), other.port);
    const [a, b] = side === 'a' ? [there, far] : [far, there];
    const isInTheWay = [...said.filled].some((filled) => filled === there?.id || filled.startsWith(`${there?.id ?? ''} `));
    const goOn = a !== undefined && b !== undefined && plugGoesOnto(a.connector, b.connector);
    if (now === null || !goOn || isInTheWay || mateOffset(mate) + a.connector.positions > b.connector.positions) {
      said.losses.push(`${item.ref} and ${aircraft.items[other.item]?.ref ?? '?'} are separated: the two no longer mate.`);
      continue;
    }
    mates[mate.id] = { ...mate, [side]: { item: item.id, port: now } };
  }
  return mates;
}

/**
 * By how many pins the plug over some pins of a row moves; undefined where its wires would have to move against one another, or it would
 * hang over an end of the new row.
 * @param pins of the new row
 */
function shiftOf(cable: Cable, end: CableEnd, row: RevisionMap['ports'][number], pins: number): number | undefined {
  const before = offsetOf(end.at);
  const shifts = Object.values(cable.conductors)
    .flatMap(({ a, b }) => [a, b].filter(({ node }) => node === end.id))
    .map(({ n }) => {
      const mapped = row.pins.find((pin) => pin.from === n + before);
      const now = mapped === undefined ? n + before : mapped.to;
      return now === null ? undefined : now - n - before;
    });
  const [first = 0] = shifts;
  const isOnRow = before + first >= 0 && before + first + end.connector.positions <= pins;
  return isOnRow && shifts.every((shift) => shift === first) ? first : undefined;
}

function moveContacts(
  cable: Cable,
  end: CableEnd,
  before: PartPort | undefined,
  after: PartPort | undefined,
  row: RevisionMap['ports'][number],
  said: Said,
): Cable {
  const fitted = before !== undefined && after !== undefined && connectorsMate(before.connector, end.connector);
  const connector = fitted && !connectorsMate(after.connector, end.connector) ? mateOf(after.connector) : end.connector;
  if (connector !== end.connector)
    said.moves.push(`${cable.tag} gets another connector at ${after?.label ?? '?'}: ${connector.positions} positions.`);
  const contactAfter = (n: number): number | null => {
    const mapped = row.pins.find((each) => each.from === n);
    const now = mapped === undefined ? n : mapped.to;
    return now === null || now > connector.positions ? null : now;
  };
  const conductors: Record<string, Conductor> = {};
  for (const conductor of Object.values(cable.conductors)) {
    const at = conductor.a.node === end.id ? 'a' : conductor.b.node === end.id ? 'b' : undefined;
    const pinBefore: NodePin | undefined = at === undefined ? undefined : conductor[at];
    if (at === undefined || pinBefore === undefined) {
      conductors[conductor.id] = conductor;
      continue;
    }
    const n = contactAfter(pinBefore.n);
    const label = before?.pins.find((candidate) => candidate.n === pinBefore.n)?.label ?? '?';
    if (n === null)
      said.losses.push(
        `The wire of ${cable.tag} at ${before?.label ?? '?'} ${pinBefore.n} (${label}) is removed: the new part has no such pin.`,
      );
    else {
      if (n !== pinBefore.n)
        said.moves.push(`The wire of ${cable.tag} at ${before?.label ?? '?'} ${pinBefore.n} (${label}) moves to contact ${n}.`);
      conductors[conductor.id] = n === pinBefore.n ? conductor : { ...conductor, [at]: { ...pinBefore, n } };
    }
  }
  const { absent = [], ...rest } = end;
  const pulled = absent
    .map(contactAfter)
    .filter((n) => n !== null)
    .sort((a, b) => a - b);
  return { ...withNode(cable, { ...rest, connector, ...(pulled.length === 0 ? {} : { absent: pulled }) }), conductors };
}

function withNode(cable: Cable, node: CableEnd): Cable {
  return { ...cable, nodes: { ...cable.nodes, [node.id]: node } };
}

function portOf(part: Part | undefined, id: string): PartPort | undefined {
  return part?.ports.find((candidate) => candidate.id === id);
}

function labelOf(part: Part | undefined, id: string | null): string {
  return id === null ? 'nothing' : (portOf(part, id)?.label ?? id);
}

function mapSettings(item: Item, map: RevisionMap, to: Part, said: Said): Item['settings'] {
  const kept: Record<string, Item['settings'][string]> = {};
  for (const [id, value] of Object.entries(item.settings)) {
    const now = map.settings.find((row) => row.from === id)?.to ?? null;
    const spec = now === null ? undefined : settingsOf(to).find((candidate) => candidate.id === now);
    if (spec === undefined || !settingTakes(spec, value)) {
      said.losses.push(
        `The setting ${id} = ${String(value)} of ${item.ref} is removed: ${spec === undefined ? 'the new part has no such setting' : 'the new part does not accept its value'}.`,
      );
      continue;
    }
    if (spec.id !== id) said.moves.push(`The setting ${id} = ${String(value)} of ${item.ref} becomes ${spec.id}.`);
    kept[spec.id] = value;
  }
  return kept;
}
