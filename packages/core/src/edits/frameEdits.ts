import { Type } from '@sinclair/typebox';
import type { Aircraft } from '../model/aircraft.ts';
import { sameJson } from '../model/canonicalJson.ts';
import {
  BayIdSchema,
  BaySchema,
  FRAME_PIECES,
  FRAME_NUMBERS,
  frameNumbers,
  framePieces,
  FramePointSchema,
  FramePlanSchema,
  PointIdSchema,
  RouteIdSchema,
  RouteSchema,
  type FramePlan,
} from '../model/frame.ts';
import { oneOf } from '../model/oneOf.ts';
import { editKind, refuse, type Outcome } from './family.ts';

const closed = { additionalProperties: false } as const;
const frameOrNone = Type.Union([FramePlanSchema, Type.Null()]);
const numberOrNone = Type.Union([Type.Number(), Type.Null()]);

const EMPTY: FramePlan = { numbers: {}, bays: {}, points: {}, routes: {} };

function frameOf({ airframe }: Aircraft): FramePlan {
  return airframe.frame ?? EMPTY;
}

function withFrame(aircraft: Aircraft, frame: FramePlan): Outcome {
  return { aircraft: { ...aircraft, airframe: { ...aircraft.airframe, frame } } };
}

const setFrame = editKind({
  kind: 'set-frame',
  schema: Type.Object({ kind: Type.Literal('set-frame'), frame: frameOrNone, was: frameOrNone }, closed),
  title: (edit) => (edit.frame === null ? 'Leave the airframe open' : 'Lay out the airframe'),
  apply: ({ aircraft }, { frame, was }) => {
    const { frame: now, ...airframe } = aircraft.airframe;
    if (!sameJson(now ?? null, was)) return refuse('changed-since', 'The airframe was changed meanwhile. Check it, then decide.');
    const homeless = Object.values(aircraft.items).find(({ place }) => place?.bay !== undefined && frame?.bays[place.bay] === undefined);
    if (homeless !== undefined) {
      return refuse(
        'bad-shape',
        `${homeless.ref} is in a bay that this airframe does not have. Remove it from the layout first.`,
        homeless.id,
      );
    }
    const loose = Object.values(frame?.routes ?? {}).find(
      ({ a, b }) => a === b || frame?.points[a] === undefined || frame.points[b] === undefined,
    );
    if (loose !== undefined)
      return refuse('bad-shape', `A route from "${loose.a}" to "${loose.b}" does not join two points of the airframe.`);
    return frame === null ? { aircraft: { ...aircraft, airframe } } : withFrame(aircraft, frame);
  },
});

const setNumber = editKind({
  kind: 'set-frame-number',
  schema: Type.Object(
    { kind: Type.Literal('set-frame-number'), number: oneOf(frameNumbers), value: numberOrNone, was: numberOrNone },
    closed,
  ),
  title: (edit) =>
    `${FRAME_NUMBERS[edit.number].title}: ${edit.value === null ? 'open' : `${edit.value} ${FRAME_NUMBERS[edit.number].unit}`}`,
  apply: ({ aircraft }, { number, value, was }) => {
    const { title, least, most, unit } = FRAME_NUMBERS[number];
    const frame = frameOf(aircraft);
    if ((frame.numbers[number] ?? null) !== was) return refuse('changed-since', `"${title}" was changed meanwhile. Check it, then decide.`);
    if (value !== null && !(value >= least && value <= most)) {
      return refuse('bad-shape', `"${title}" must be from ${least} to ${most} ${unit}.`);
    }
    const { [number]: _old, ...rest } = frame.numbers;
    return withFrame(aircraft, { ...frame, numbers: value === null ? rest : { ...rest, [number]: value } });
  },
});

/** A piece of the airframe is made of carbon, or is not. */
const setCarbon = editKind({
  kind: 'set-frame-carbon',
  schema: Type.Object(
    { kind: Type.Literal('set-frame-carbon'), piece: oneOf(framePieces), isCarbon: Type.Boolean(), was: Type.Boolean() },
    closed,
  ),
  title: ({ piece, isCarbon }) => `The ${FRAME_PIECES[piece]} ${piece === 'arm' ? 'are' : 'is'} ${isCarbon ? '' : 'not '}of carbon`,
  apply: ({ aircraft }, { piece, isCarbon, was }) => {
    const { carbon: now = [], ...frame } = frameOf(aircraft);
    if (now.includes(piece) !== was)
      return refuse('changed-since', `The material of the ${FRAME_PIECES[piece]} was changed meanwhile. Check it, then decide.`);
    const carbon = framePieces.filter((other) => (other === piece ? isCarbon : now.includes(other)));
    return withFrame(aircraft, carbon.length === 0 ? frame : { ...frame, carbon });
  },
});

const bayOrNone = Type.Union([BaySchema, Type.Null()]);

const setBay = editKind({
  kind: 'set-bay',
  schema: Type.Object({ kind: Type.Literal('set-bay'), id: BayIdSchema, bay: bayOrNone, was: bayOrNone }, closed),
  title: (edit) => (edit.bay === null ? `Remove the bay "${edit.was?.title ?? edit.id}"` : `Bay "${edit.bay.title}"`),
  apply: ({ aircraft }, { id, bay, was }) => {
    const frame = frameOf(aircraft);
    const { [id]: now, ...others } = frame.bays;
    if (!sameJson(now ?? null, was)) return refuse('changed-since', 'That bay was changed meanwhile. Check it, then decide.');
    const inIt = Object.values(aircraft.items).find(({ place }) => place?.bay === id);
    if (bay === null && inIt !== undefined) {
      return refuse('bad-shape', `${inIt.ref} is in this bay. Move its parts first.`, inIt.id);
    }
    return withFrame(aircraft, { ...frame, bays: bay === null ? others : { ...others, [id]: bay } });
  },
});

const pointOrNone = Type.Union([FramePointSchema, Type.Null()]);

const setPoint = editKind({
  kind: 'set-frame-point',
  schema: Type.Object({ kind: Type.Literal('set-frame-point'), id: PointIdSchema, point: pointOrNone, was: pointOrNone }, closed),
  title: (edit) => (edit.point === null ? `Remove the point "${edit.was?.title ?? edit.id}"` : `Point "${edit.point.title}"`),
  apply: ({ aircraft }, { id, point, was }) => {
    const frame = frameOf(aircraft);
    const { [id]: now, ...others } = frame.points;
    if (!sameJson(now ?? null, was)) return refuse('changed-since', 'That point was changed meanwhile. Check it, then decide.');
    if (point === null && Object.values(frame.routes).some(({ a, b }) => a === id || b === id)) {
      return refuse('bad-shape', 'Routes end at this point. Remove those first.');
    }
    const led =
      point !== null ? undefined : Object.values(aircraft.cables).find(({ legs }) => Object.values(legs).some(({ via }) => via === id));
    if (led !== undefined) return refuse('bad-shape', `${led.tag} is routed via this point. Reroute it first.`, led.id);
    return withFrame(aircraft, { ...frame, points: point === null ? others : { ...others, [id]: point } });
  },
});

const routeOrNone = Type.Union([RouteSchema, Type.Null()]);

const setRoute = editKind({
  kind: 'set-route',
  schema: Type.Object({ kind: Type.Literal('set-route'), id: RouteIdSchema, route: routeOrNone, was: routeOrNone }, closed),
  title: (edit) => (edit.route === null ? 'Remove a route' : `Route from ${edit.route.a} to ${edit.route.b}`),
  apply: ({ aircraft }, { id, route, was }) => {
    const frame = frameOf(aircraft);
    const { [id]: now, ...others } = frame.routes;
    if (!sameJson(now ?? null, was)) return refuse('changed-since', 'That route was changed meanwhile. Check it, then decide.');
    const missing = route === null ? undefined : [route.a, route.b].find((point) => frame.points[point] === undefined);
    if (missing !== undefined) return refuse('bad-shape', `The airframe has no point "${missing}" for a route to end at.`);
    if (route !== null && route.a === route.b) return refuse('bad-shape', 'A route needs two different ends.');
    return withFrame(aircraft, { ...frame, routes: route === null ? others : { ...others, [id]: route } });
  },
});

export const frameEdits = [setFrame, setNumber, setCarbon, setBay, setPoint, setRoute] as const;
