import type { Graph } from '../../graph/graph.ts';
import type { Cable, Conductor, NodePin } from '../../model/aircraft.ts';
import { CONNECTOR_FAMILIES, type Connector } from '../../model/connector.ts';
import { asId, type CableId, type LegId } from '../../model/ids.ts';
import { byNatural } from '../../model/naturalOrder.ts';
import { listed } from '../../text/lists.ts';
import { stated } from '../../text/numbers.ts';
import { endsIn, endsOf, placeIn, placeKey, wireKey } from './cablePlaces.ts';
import { wireSteps } from './wireSteps.ts';

/** What a change makes of a cable, from the least work to the most. */
export const CABLE_WORK = {
  stays: 'stays',
  'put-elsewhere': 'move an end',
  'loose-end': 'leave an end unplugged',
  're-pinned': 're-pin',
  'new-plug': 'fit another plug',
  'made-anew': 'make',
  'taken-out': 'remove',
} as const;
export type CableWorkKind = keyof typeof CABLE_WORK;

/** One cable in a work list. */
export interface CableWork {
  readonly cable: CableId;
  readonly tag: string;
  readonly is: CableWorkKind;
  /** What is done, in the order of work. */
  readonly steps: readonly string[];
  /** Contacts to crimp and joints to solder. */
  readonly contacts: number;
}

/** What a change makes of every cable of an aircraft that it touches, by tag; and of those at the given ports that it leaves alone. */
export function cableWork(before: Graph, after: Graph, isWatched: (cable: Cable) => boolean): readonly CableWork[] {
  const merged = wiresOfMerged(before, after);
  const all = new Map([...before.cables, ...after.cables].map((cable) => [cable.id, cable.tag] as const));
  return [...all].sort(byNatural(([, tag]) => tag)).flatMap(([id]): CableWork[] => {
    const [was, now] = [before.design.aircraft.cables[id], after.design.aircraft.cables[id]];
    if (was === undefined) return now === undefined ? [] : [madeAnew(after, now)];
    if (now === undefined) return [gone(before, after, was)];
    const work = changed(before, after, was, now, merged);
    return work.steps.length > 0 || isWatched(now) ? [work] : [];
  });
}

/** A cable that is no longer there: taken out, or all of its ends are in one of the others now. */
function gone(before: Graph, after: Graph, was: Cable): CableWork {
  const into = mergedInto(after, was);
  return into === undefined
    ? { cable: was.id, tag: was.tag, is: 'taken-out', steps: [`Remove it: ${endsIn(before, was)}.`], contacts: 0 }
    : { cable: was.id, tag: was.tag, is: 'stays', steps: [`It stays, and becomes part of ${into.tag}.`], contacts: 0 };
}

function mergedInto(after: Graph, was: Cable): Cable | undefined {
  const places = endsOf(was).flatMap(placeKey);
  return places.length < 2
    ? undefined
    : after.cables.find((cable) => places.every((place) => endsOf(cable).some((end) => placeKey(end).includes(place))));
}

/** The wires of cables that became part of others, by what they join. */
function wiresOfMerged(before: Graph, after: Graph): ReadonlySet<string> {
  const merged = before.cables.filter(
    (cable) => after.design.aircraft.cables[cable.id] === undefined && mergedInto(after, cable) !== undefined,
  );
  return new Set(merged.flatMap((cable) => Object.values(cable.conductors).map((wire) => wireKey(cable, wire))));
}

function madeAnew(after: Graph, cable: Cable): CableWork {
  const wires = Object.values(cable.conductors).length;
  return {
    cable: cable.id,
    tag: cable.tag,
    is: 'made-anew',
    steps: [`Make it: ${endsIn(after, cable)}, ${wires} ${wires === 1 ? 'wire' : 'wires'}. Its pin table says which contact goes where.`],
    contacts: endContacts(cable).length,
  };
}

function changed(before: Graph, after: Graph, was: Cable, now: Cable, merged: ReadonlySet<string>): CableWork {
  const steps: string[] = [];
  let is: CableWorkKind = 'stays';
  const atLeast = (kind: CableWorkKind): void => {
    if (ORDER.indexOf(kind) > ORDER.indexOf(is)) is = kind;
  };
  // 1. Ends that go elsewhere, hang free, or get another plug.
  const refitted = new Set<string>();
  for (const end of endsOf(now)) {
    const old = was.nodes[end.id];
    const there = placeIn(after, end);
    if (old?.is !== 'end') {
      atLeast('re-pinned');
      steps.push(`Add a branch to ${there ?? 'an unplugged end'}.`);
      continue;
    }
    const here = placeIn(before, old);
    if (!isSamePlug(old.connector, end.connector)) {
      refitted.add(end.id);
      atLeast('new-plug');
      const { family, positions, gender } = end.connector;
      steps.push(
        gender === 'pads'
          ? `Remove the plug at ${here ?? 'its unplugged end'}, and strip the wires to solder them.`
          : `Fit another plug at ${here ?? 'its unplugged end'}: ${CONNECTOR_FAMILIES[family].title}, ${positions} ways.`,
      );
    }
    const pulled = end.absent?.filter((n) => old.absent?.includes(n) !== true) ?? [];
    if (pulled.length > 0) {
      atLeast('re-pinned');
      steps.push(`Pull contact ${listed(pulled.map(String))} at ${there ?? 'the unplugged end'}, and insulate it.`);
    }
    if (there === undefined && here !== undefined) {
      atLeast('loose-end');
      steps.push(`Unplug the end at ${here}, and insulate it.`);
    } else if (there !== undefined && there !== here) {
      atLeast('put-elsewhere');
      const isSoldered = end.connector.gender === 'pads';
      steps.push(`${isSoldered ? 'Solder' : 'Plug'} it from ${here ?? 'its unplugged end'} ${isSoldered ? 'to' : 'into'} ${there}.`);
    }
  }
  for (const node of endsOf(was))
    if (now.nodes[node.id] === undefined) steps.push(`Remove the branch to ${placeIn(before, node) ?? 'its unplugged end'}.`);
  for (const [id, leg] of Object.entries(now.legs)) {
    const before = was.legs[asId<LegId>(id)]?.typedLengthMm;
    if (leg.typedLengthMm === undefined || before === undefined || leg.typedLengthMm === before) continue;
    atLeast('re-pinned');
    steps.push(`Make it ${stated(leg.typedLengthMm, 'mm')} long, from ${stated(before, 'mm')}.`);
  }
  // 2. Wires.
  const wires = wireSteps(before, after, was, now, { refitted, merged });
  if (wires.length > 0) atLeast('re-pinned');
  steps.push(...wires);
  const kept = new Set(endContacts(was).map(contactKey));
  const isNew = (wire: Conductor): boolean => !merged.has(wireKey(now, wire));
  const isThicker = ({ id, awg }: Conductor): boolean => was.conductors[id] !== undefined && was.conductors[id].awg !== awg;
  const moved = endContacts(now, (wire) => isNew(wire) && !isThicker(wire)).filter(
    (at) => refitted.has(at.node) || !kept.has(contactKey(at)),
  );
  const contacts = moved.length + endContacts(now, isThicker).length;
  return { cable: now.id, tag: now.tag, is, steps, contacts };
}

const ORDER: readonly CableWorkKind[] = ['stays', 'put-elsewhere', 'loose-end', 're-pinned', 'new-plug', 'made-anew', 'taken-out'];

function isSamePlug(a: Connector, b: Connector): boolean {
  return a.family === b.family && a.positions === b.positions && a.gender === b.gender;
}

/** The contacts of plugs and pads that have a wire, each once for each wire. */
function endContacts({ nodes, conductors }: Cable, counts: (wire: Conductor) => boolean = () => true): readonly NodePin[] {
  return Object.values(conductors)
    .filter(counts)
    .flatMap(({ a, b }) => [a, b].filter(({ node }) => nodes[node]?.is === 'end'));
}

function contactKey({ node, n }: NodePin): string {
  return `${node} ${n}`;
}
