import { listed } from '../text/lists.ts';
import { Type } from '@sinclair/typebox';
import {
  AbsentSchema,
  CableEndAtSchema,
  CableSchema,
  offsetOf,
  type Aircraft,
  type Cable,
  type CableEnd,
  type CableEndAt,
} from '../model/aircraft.ts';
import { sameJson } from '../model/canonicalJson.ts';
import { isPinRow, type Connector } from '../model/connector.ts';
import type { Design } from '../model/design.ts';
import { CableIdSchema, NodeIdSchema, type CableId, type NodeId } from '../model/ids.ts';
import { LIMITS } from '../model/limits.ts';
import { editKind, refuse, type Outcome, type Refused } from './family.ts';
import { freeEnds } from './freeEnds.ts';
import { occupantName, placeName, portOf, tagOf } from './lookups.ts';
import { occupantAt } from './occupancy.ts';
import { isFresh, issue, nextTag } from './references.ts';

const closed = { additionalProperties: false } as const;

const addCable = editKind({
  kind: 'add-cable',
  schema: Type.Object({ kind: Type.Literal('add-cable'), cable: CableSchema }, closed),
  title: (edit, design) => {
    const ends = Object.values(edit.cable.nodes).filter((node) => node.is === 'end');
    return `Wire ${ends.map((end) => placeName(design, end.at)).join(' to ')} with ${edit.cable.tag}`;
  },
  apply: (design, { cable }) => {
    const { aircraft } = design;
    if (Object.hasOwn(aircraft.cables, cable.id)) return refuse('id-taken', 'A cable with this id is already there.', cable.id);
    const taken = Object.values(aircraft.cables).find((other) => other.tag === cable.tag);
    if (taken !== undefined) return refuse('ref-taken', `${cable.tag} is already the tag of another cable.`, taken.id);
    if (!isFresh(aircraft.issued, cable.tag)) {
      return refuse(
        'ref-taken',
        `${cable.tag} was the tag of a cable before; tags are never used twice. The next free one is ${nextTag(aircraft)}.`,
      );
    }
    const broken = brokenInside(cable);
    if (broken !== undefined) return broken;
    const after = {
      ...aircraft,
      cables: { ...aircraft.cables, [cable.id]: cable },
      issued: issue(aircraft.issued, cable.tag),
    };
    for (const node of Object.values(cable.nodes)) {
      const blocked = node.is === 'end' ? blockedEnd({ ...design, aircraft: after }, cable.id, node, node.at) : undefined;
      if (blocked !== undefined) return blocked;
    }
    return { aircraft: after };
  },
});

/** What is wrong inside a cable: legs and conductors must name what the cable has. */
export function brokenInside(cable: Cable): Refused | undefined {
  for (const [id, node] of Object.entries(cable.nodes)) {
    if (node.id !== id) return refuse('unknown-node', `A node of ${cable.tag} is filed under another id than its own.`, id);
  }
  for (const [id, leg] of Object.entries(cable.legs)) {
    if (leg.id !== id || leg.a === leg.b || cable.nodes[leg.a] === undefined || cable.nodes[leg.b] === undefined) {
      return refuse('unknown-node', `A leg of ${cable.tag} does not run between two of its nodes.`, id);
    }
  }
  for (const [id, conductor] of Object.entries(cable.conductors)) {
    const leg = cable.legs[conductor.leg];
    if (conductor.id !== id || leg === undefined || leg.a !== conductor.a.node || leg.b !== conductor.b.node) {
      return refuse('unknown-leg', `A conductor of ${cable.tag} does not run in one of its legs.`, id);
    }
    const outside = outsideContact(cable, conductor.a) ?? outsideContact(cable, conductor.b);
    if (outside !== undefined) return outside;
  }
  return undefined;
}

/** Refuses a contact that the connector at that node does not have. */
export function outsideContact(cable: Cable, at: { readonly node: NodeId; readonly n: number }): Refused | undefined {
  const node = cable.nodes[at.node];
  if (node === undefined) return refuse('unknown-node', `${cable.tag} has no such end.`, at.node);
  const positions = node.is === 'end' ? node.connector.positions : 1;
  if (at.n <= positions) return undefined;
  return refuse('contact-out-of-range', `${cable.tag} has no contact ${at.n} at that end; its connector has ${positions}.`, cable.id);
}

/** Refuses a place that is not there, is taken, or is the cable itself. */
export function blockedEnd(design: Design, cable: CableId, node: CableEnd, at: CableEndAt): Refused | undefined {
  if (at.is === 'port') {
    const item = design.aircraft.items[at.item];
    if (item === undefined) return refuse('unknown-item', 'The item to plug into is no longer there.', at.item);
    const port = portOf(design, item, at.port);
    if (port === undefined) return refuse('unknown-port', `${item.ref} has no port "${at.port}".`, item.id);
    const beside = besideRow(placeName(design, { is: 'port', item: at.item, port: at.port }), port.connector, node.connector, offsetOf(at));
    if (beside !== undefined) return beside;
  }
  if (at.is === 'mate') {
    if (at.cable === cable) return refuse('cable-to-itself', 'A cable cannot be plugged into itself.', cable);
    const other = design.aircraft.cables[at.cable]?.nodes[at.node];
    if (other?.is !== 'end') return refuse('unknown-cable', 'The cable end to plug into is no longer there.', at.cable);
  }
  const occupant = occupantAt(design, at, { except: { cable, node: node.id }, positions: node.connector.positions });
  if (occupant === undefined) return undefined;
  const name = occupantName(design, occupant);
  return refuse(
    'port-occupied',
    occupant.is === 'mate'
      ? `${placeName(design, at)} is occupied: ${name}. Separate the two first, or choose another port.`
      : `${placeName(design, at)} is occupied by ${name}. Unplug ${name} first, or choose another port.`,
    occupant.is === 'mate' ? occupant.mate : occupant.cable,
  );
}

/** Refuses a plug that is not at the first pin of a port that is no row of pins, or that would hang over the end of the row. */
function besideRow(place: string, port: Connector, plug: Connector, offset: number): Refused | undefined {
  if (offset === 0) return undefined;
  if (!isPinRow(port)) return refuse('contact-out-of-range', `${place} is not a row of pins: a plug cannot be offset there.`);
  if (offset + plug.positions <= port.positions) return undefined;
  return refuse(
    'contact-out-of-range',
    `From pin ${offset + 1} on, ${place} has ${Math.max(0, port.positions - offset)} pins, and the plug has ${plug.positions} contacts.`,
  );
}

const removeCable = editKind({
  kind: 'remove-cable',
  schema: Type.Object({ kind: Type.Literal('remove-cable'), cable: CableIdSchema }, closed),
  title: (edit, design) => `Remove ${tagOf(design, edit.cable)}`,
  apply: ({ aircraft }, edit) => {
    if (!Object.hasOwn(aircraft.cables, edit.cable)) return refuse('unknown-cable', 'The cable to remove is no longer there.', edit.cable);
    const { [edit.cable]: _gone, ...rest } = aircraft.cables;
    return { aircraft: { ...aircraft, cables: freeEnds(rest, (at) => at.is === 'mate' && at.cable === edit.cable) } };
  },
});

const setText = editKind({
  kind: 'set-cable-text',
  schema: Type.Object(
    {
      kind: Type.Literal('set-cable-text'),
      cable: CableIdSchema,
      field: Type.Union([Type.Literal('label'), Type.Literal('note')]),
      value: Type.String({ maxLength: LIMITS.noteChars }),
      was: Type.String({ maxLength: LIMITS.noteChars }),
    },
    closed,
  ),
  title: (edit, design) => `Change the ${edit.field} of ${tagOf(design, edit.cable)}`,
  apply: ({ aircraft }, edit) =>
    changeCable(aircraft, edit.cable, (cable) => {
      if (edit.field === 'label' && edit.value.length > LIMITS.labelChars) {
        return refuse('bad-shape', `A label has at most ${LIMITS.labelChars} characters.`, cable.id);
      }
      if ((cable[edit.field] ?? '') !== edit.was)
        return refuse('changed-since', `The ${edit.field} of ${cable.tag} was changed meanwhile.`, cable.id);
      const { [edit.field]: _old, ...rest } = cable;
      return edit.value === '' ? rest : { ...rest, [edit.field]: edit.value };
    }),
});

const setEnd = editKind({
  kind: 'set-cable-end',
  schema: Type.Object(
    { kind: Type.Literal('set-cable-end'), cable: CableIdSchema, node: NodeIdSchema, at: CableEndAtSchema, was: CableEndAtSchema },
    closed,
  ),
  title: (edit, design) =>
    edit.at.is === 'free'
      ? `Unplug ${tagOf(design, edit.cable)} from ${placeName(design, edit.was)}`
      : `Plug ${tagOf(design, edit.cable)} into ${placeName(design, edit.at)}`,
  apply: (design, edit) =>
    changeEnd(design.aircraft, edit.cable, edit.node, (end, cable) => {
      if (!sameJson(end.at, edit.was)) {
        return refuse('changed-since', `That end of ${cable.tag} was moved to ${placeName(design, end.at)} meanwhile.`, cable.id);
      }
      return blockedEnd(design, cable.id, end, edit.at) ?? { ...end, at: edit.at };
    }),
});

const setAbsent = editKind({
  kind: 'set-absent-contacts',
  schema: Type.Object(
    { kind: Type.Literal('set-absent-contacts'), cable: CableIdSchema, node: NodeIdSchema, absent: AbsentSchema, was: AbsentSchema },
    closed,
  ),
  title: (edit, design) => {
    const pulled = edit.absent.filter((n) => !edit.was.includes(n));
    const fitted = edit.was.filter((n) => !edit.absent.includes(n));
    const words = [
      pulled.length > 0 ? `pull contact ${pulled.join(', ')}` : '',
      fitted.length > 0 ? `fit contact ${fitted.join(', ')}` : '',
    ];
    const text = listed(words.filter((word) => word !== ''));
    return `${tagOf(design, edit.cable)}: ${text === '' ? 'contacts unchanged' : text}`;
  },
  apply: (design, edit) =>
    changeEnd(design.aircraft, edit.cable, edit.node, (end, cable) => {
      if (!sameJson(end.absent ?? [], edit.was))
        return refuse('changed-since', `The contacts of ${cable.tag} were changed meanwhile.`, cable.id);
      for (const n of edit.absent) {
        const outside = outsideContact(cable, { node: end.id, n });
        if (outside !== undefined) return outside;
      }
      const { absent: _old, ...rest } = end;
      const absent = [...new Set(edit.absent)].sort((a, b) => a - b);
      return absent.length === 0 ? rest : { ...rest, absent };
    }),
});

/** Changes one cable, or refuses when it is gone. */
export function changeCable(aircraft: Aircraft, id: CableId, change: (cable: Cable) => Cable | Refused): Outcome {
  const cable = aircraft.cables[id];
  if (cable === undefined) return refuse('unknown-cable', 'The cable is no longer there.', id);
  const changed = change(cable);
  if ('refused' in changed) return changed;
  return tooMuchIn(changed) ?? { aircraft: { ...aircraft, cables: { ...aircraft.cables, [id]: changed } } };
}

/** Refuses a cable that holds more than a document can: a loom grows branch by branch. */
function tooMuchIn({ id, tag, nodes, legs, conductors }: Cable): Refused | undefined {
  const counts = [
    { words: 'ends and splices', count: Object.keys(nodes).length, most: LIMITS.nodesPerCable },
    { words: 'legs', count: Object.keys(legs).length, most: LIMITS.legsPerCable },
    { words: 'wires', count: Object.keys(conductors).length, most: LIMITS.conductorsPerCable },
  ];
  const over = counts.find(({ count, most }) => count > most);
  return over === undefined
    ? undefined
    : refuse('bad-shape', `${tag} can have ${over.most} ${over.words} at most. Make another cable.`, id);
}

/** Changes one end of a cable, or refuses when it is gone. */
export function changeEnd(
  aircraft: Aircraft,
  id: CableId,
  nodeId: NodeId,
  change: (end: CableEnd, cable: Cable) => CableEnd | Refused,
): Outcome {
  return changeCable(aircraft, id, (cable) => {
    const node = cable.nodes[nodeId];
    if (node?.is !== 'end') return refuse('unknown-node', `${cable.tag} no longer has that end.`, nodeId);
    const changed = change(node, cable);
    return 'refused' in changed ? changed : { ...cable, nodes: { ...cable.nodes, [nodeId]: changed } };
  });
}

export const cableEdits = [addCable, removeCable, setText, setEnd, setAbsent] as const;
