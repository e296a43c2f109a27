import { stated } from '../text/numbers.ts';
import { Type } from '@sinclair/typebox';
import { CableNodeSchema, LegSchema, LengthMmSchema, TwistMmSchema, type Aircraft, type Cable, type Leg } from '../model/aircraft.ts';
import { PointIdSchema } from '../model/frame.ts';
import { CableIdSchema, LegIdSchema, type CableId, type LegId } from '../model/ids.ts';
import { blockedEnd, changeCable } from './cableEdits.ts';
import { editKind, refuse, type Outcome, type Refused } from './family.ts';
import { placeName, tagOf } from './lookups.ts';

const closed = { additionalProperties: false } as const;

/**
 * Adds a branch: a new node (an end or a splice) and the leg that leads to it; without a node, a leg between two nodes that are there.
 * Makes a loom of a plain cable.
 */
const addLeg = editKind({
  kind: 'add-leg',
  schema: Type.Object(
    { kind: Type.Literal('add-leg'), cable: CableIdSchema, leg: LegSchema, node: Type.Optional(CableNodeSchema) },
    closed,
  ),
  title: (edit, design) => {
    const to = edit.node?.is === 'end' && edit.node.at.is !== 'free' ? ` to ${placeName(design, edit.node.at)}` : '';
    return edit.node?.is === 'splice'
      ? `Add a splice to ${tagOf(design, edit.cable)}`
      : `Add a branch of ${tagOf(design, edit.cable)}${to}`;
  },
  apply: (design, edit) =>
    changeCable(design.aircraft, edit.cable, (cable) => {
      const { leg, node } = edit;
      if (cable.legs[leg.id] !== undefined || (node !== undefined && cable.nodes[node.id] !== undefined)) {
        return refuse('id-taken', `${cable.tag} already has a leg or an end with this id.`, leg.id);
      }
      if (node === undefined) return withLegBetween(cable, leg);
      const startsHere = cable.nodes[leg.a] !== undefined && leg.b === node.id;
      const endsHere = cable.nodes[leg.b] !== undefined && leg.a === node.id;
      if (!startsHere && !endsHere) return refuse('unknown-node', `The branch does not begin at a node of ${cable.tag}.`, leg.id);
      const blocked = node.is === 'end' ? blockedEnd(design, cable.id, node, node.at) : undefined;
      if (blocked !== undefined) return blocked;
      return { ...cable, nodes: { ...cable.nodes, [node.id]: node }, legs: { ...cable.legs, [leg.id]: leg } };
    }),
});

function withLegBetween(cable: Cable, leg: Leg): Cable | Refused {
  if (leg.a === leg.b || cable.nodes[leg.a] === undefined || cable.nodes[leg.b] === undefined)
    return refuse('unknown-node', `The leg does not run between two nodes of ${cable.tag}.`, leg.id);
  const same = Object.values(cable.legs).find(({ a, b }) => (a === leg.a && b === leg.b) || (a === leg.b && b === leg.a));
  if (same !== undefined) return refuse('nothing-to-do', `${cable.tag} already has a leg between these two.`, same.id);
  return { ...cable, legs: { ...cable.legs, [leg.id]: leg } };
}

/** Removes a branch that holds no conductor, with the node that only it led to. */
const removeLeg = editKind({
  kind: 'remove-leg',
  schema: Type.Object({ kind: Type.Literal('remove-leg'), cable: CableIdSchema, leg: LegIdSchema }, closed),
  title: (edit, design) => `Remove a branch of ${tagOf(design, edit.cable)}`,
  apply: ({ aircraft }, edit) =>
    changeCable(aircraft, edit.cable, (cable) => {
      const leg = cable.legs[edit.leg];
      if (leg === undefined) return refuse('unknown-leg', `${cable.tag} no longer has that leg.`, edit.leg);
      const held = Object.values(cable.conductors).filter((conductor) => conductor.leg === leg.id).length;
      if (held > 0) return refuse('leg-in-use', `The leg of ${cable.tag} still holds ${held} conductors. Remove them first.`, leg.id);
      const { [leg.id]: _gone, ...legs } = cable.legs;
      const used = new Set(Object.values(legs).flatMap((other) => [other.a, other.b]));
      const lonely = [leg.a, leg.b].filter((node) => !used.has(node));
      const nodes = Object.fromEntries(Object.entries(cable.nodes).filter(([, node]) => !lonely.includes(node.id)));
      if (Object.keys(legs).length === 0) return refuse('leg-in-use', `${cable.tag} has only this leg. Remove the cable instead.`, leg.id);
      return { ...cable, legs, nodes };
    }),
});

const lengthOrNone = Type.Union([LengthMmSchema, Type.Null()]);

/** Types the length of a leg, or leaves it to the layout. */
const setLegLength = editKind({
  kind: 'set-leg-length',
  schema: Type.Object(
    { kind: Type.Literal('set-leg-length'), cable: CableIdSchema, leg: LegIdSchema, lengthMm: lengthOrNone, was: lengthOrNone },
    closed,
  ),
  title: (edit, design) =>
    edit.lengthMm === null
      ? `Clear the length of ${tagOf(design, edit.cable)}`
      : `Set ${tagOf(design, edit.cable)} to ${stated(edit.lengthMm, 'mm')}`,
  apply: ({ aircraft }, edit) =>
    changeLeg(aircraft, edit, ({ typedLengthMm, ...rest }, cable) => {
      if ((typedLengthMm ?? null) !== edit.was)
        return refuse('changed-since', `The length of ${cable.tag} was set to ${typedLengthMm ?? 'none'} meanwhile.`, cable.id);
      return edit.lengthMm === null ? rest : { ...rest, typedLengthMm: edit.lengthMm };
    }),
});

const twistOrNone = Type.Union([TwistMmSchema, Type.Null()]);

/** Twists the wires of a leg together, or lets them lie side by side. */
const setLegTwist = editKind({
  kind: 'set-leg-twist',
  schema: Type.Object(
    { kind: Type.Literal('set-leg-twist'), cable: CableIdSchema, leg: LegIdSchema, twistMm: twistOrNone, was: twistOrNone },
    closed,
  ),
  title: (edit, design) =>
    edit.twistMm === null
      ? `${tagOf(design, edit.cable)} is not twisted`
      : `Twist ${tagOf(design, edit.cable)}, one turn per ${stated(edit.twistMm, 'mm')}`,
  apply: ({ aircraft }, edit) =>
    changeLeg(aircraft, edit, ({ twistMm, ...rest }, cable) => {
      if ((twistMm ?? null) !== edit.was)
        return refuse('changed-since', `${cable.tag} was ${twistMm === undefined ? 'untwisted' : 'twisted'} meanwhile.`, cable.id);
      return edit.twistMm === null ? rest : { ...rest, twistMm: edit.twistMm };
    }),
});

const pointOrNone = Type.Union([PointIdSchema, Type.Null()]);

/** Leads a leg by way of a point of the airframe, or the shortest way. */
const setLegVia = editKind({
  kind: 'set-leg-via',
  schema: Type.Object(
    { kind: Type.Literal('set-leg-via'), cable: CableIdSchema, leg: LegIdSchema, via: pointOrNone, was: pointOrNone },
    closed,
  ),
  title: (edit, design) =>
    edit.via === null
      ? `Route ${tagOf(design, edit.cable)} the shortest way`
      : `Route ${tagOf(design, edit.cable)} via ${design.aircraft.airframe.frame?.points[edit.via]?.title ?? edit.via}`,
  apply: ({ aircraft }, edit) =>
    changeLeg(aircraft, edit, ({ via, ...rest }, cable) => {
      if ((via ?? null) !== edit.was) return refuse('changed-since', `${cable.tag} was rerouted meanwhile.`, cable.id);
      if (edit.via === null) return rest;
      if (aircraft.airframe.frame?.points[edit.via] === undefined)
        return refuse('bad-shape', `The airframe has no point "${edit.via}" to route ${cable.tag} via.`, cable.id);
      return { ...rest, via: edit.via };
    }),
});

/** Changes one leg of a cable, or refuses when it is gone. */
function changeLeg(
  aircraft: Aircraft,
  at: { readonly cable: CableId; readonly leg: LegId },
  change: (leg: Leg, cable: Cable) => Leg | Refused,
): Outcome {
  return changeCable(aircraft, at.cable, (cable) => {
    const leg = cable.legs[at.leg];
    if (leg === undefined) return refuse('unknown-leg', `${cable.tag} no longer has that leg.`, at.leg);
    const changed = change(leg, cable);
    return 'refused' in changed ? changed : { ...cable, legs: { ...cable.legs, [leg.id]: changed } };
  });
}

export const legEdits = [addLeg, removeLeg, setLegLength, setLegTwist, setLegVia] as const;
