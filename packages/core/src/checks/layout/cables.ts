import { listed } from '../../text/lists.ts';
import { against, quantity, stated } from '../../text/numbers.ts';
import type { Graph } from '../../graph/graph.ts';
import { legWays, type LegWay } from '../../layout/ways.ts';
import type { FramePlan, RouteId } from '../../model/frame.ts';
import { outerDiameterMm } from '../../model/wire.ts';
import { legOfCable } from '../../harness/looms/nodeNames.ts';
import type { Check, Saying } from '../finding.ts';
import { splitRemedies } from './helpers/splitCable.ts';

/** Round wires in a round hole: so much of it can be filled when one still wants to pull them through. */
const FILLED = 0.6;

/** A typed length that is shorter than the way. */
export const cableTooShort: Check = {
  id: 'place.cable-too-short',
  stage: 'layout',
  title: 'Cable too short',
  run: ({ graph }) => [...legWays(graph).values()].flatMap((entry) => tooShort(graph, entry)),
};

function tooShort(graph: Graph, { cable, leg, way, lengthMm }: LegWay): Saying[] {
  const { typedLengthMm: typed } = leg;
  if (typed === undefined || typed >= way.lengthMm) return [];
  const named = legOfCable(graph, cable, leg);
  return [
    {
      severity: 'mend',
      where: [{ is: 'cable', cable: cable.id }],
      what: `${named} is ${stated(typed, 'mm')} long, and its route is ${quantity(way.lengthMm, 'mm')}.`,
      evidence: [{ label: `${named}, as typed`, value: stated(typed, 'mm'), limit: quantity(way.lengthMm, 'mm') }],
      why: 'It does not reach, or it strains its plugs.',
      discriminator: leg.id,
      remedies: () => [
        {
          label: `Make ${cable.tag} ${stated(lengthMm, 'mm')}`,
          sentence: `Make ${cable.tag} ${stated(lengthMm, 'mm')} long: its route plus slack.`,
          edit: { kind: 'set-leg-length', cable: cable.id, leg: leg.id, lengthMm, was: typed },
        },
        {
          label: "Use the layout's length",
          sentence: `Remove the typed length of ${cable.tag}, so that the layout gives it.`,
          edit: { kind: 'set-leg-length', cable: cable.id, leg: leg.id, lengthMm: null, was: typed },
        },
      ],
    },
  ];
}

/** A cable in one piece over a place where the airframe comes apart. */
export const jointUnbroken: Check = {
  id: 'place.joint-unbroken',
  stage: 'layout',
  title: 'Cable over a joint',
  run: ({ graph }) => {
    const { frame } = graph.design.aircraft.airframe;
    return frame === undefined ? [] : [...legWays(graph).values()].flatMap((entry) => overJoints(graph, frame, entry));
  },
};

function overJoints(graph: Graph, { routes }: FramePlan, entry: LegWay): Saying[] {
  const { cable, leg } = entry;
  const joints = [...new Set(entry.joints.flatMap((id) => routes[id]?.joint ?? []))];
  if (joints.length === 0) return [];
  const names = listed(joints.map((joint) => `"${joint}"`));
  return [
    {
      severity: 'mend',
      where: [{ is: 'cable', cable: cable.id }],
      what: `${legOfCable(graph, cable, leg)} runs in one piece over the joint ${names}.`,
      evidence: [{ label: 'joints on its route', value: joints.join(', '), limit: 'a connector at each' }],
      why: 'The airframe cannot be taken apart there without cutting it.',
      discriminator: leg.id,
      remedies: () => splitRemedies(graph, cable, leg, joints[0] ?? ''),
    },
  ];
}

/** More cables than a hole or channel takes. */
export const routeFull: Check = {
  id: 'place.route-full',
  stage: 'layout',
  title: 'Route too full',
  run: ({ graph }) => {
    const { frame } = graph.design.aircraft.airframe;
    return frame === undefined ? [] : fullRoutes(graph, frame);
  },
};

function fullRoutes(graph: Graph, frame: FramePlan): Saying[] {
  const users = new Map<RouteId, LegWay[]>();
  for (const entry of legWays(graph).values()) {
    for (const route of entry.way.routes) users.set(route, [...(users.get(route) ?? []), entry]);
  }
  return [...users].flatMap(([id, entries]): Saying[] => {
    const route = frame.routes[id];
    if (route === undefined) return [];
    const wires = entries.flatMap(({ cable, leg }) => Object.values(cable.conductors).filter((conductor) => conductor.leg === leg.id));
    const needed = Math.sqrt(wires.reduce((sum, { awg }) => sum + outerDiameterMm(awg) ** 2, 0) / FILLED);
    if (needed <= route.diameterMm) return [];
    const [from, to] = [frame.points[route.a]?.title ?? route.a, frame.points[route.b]?.title ?? route.b];
    return [
      {
        severity: 'mend',
        where: entries.slice(0, 12).map(({ cable }) => ({ is: 'cable', cable: cable.id })),
        what: `${tagsOf(entries)}: ${wires.length} wires do not fit from ${from} to ${to}.`,
        evidence: [{ label: `needed for ${wires.length} wires`, ...against(needed, route.diameterMm, 'mm') }],
        why: 'They cannot be pulled through, or their insulation is damaged.',
        discriminator: id,
        remedies: () => [
          {
            label: `Widen to ${stated(Math.ceil(needed), 'mm')}`,
            sentence: `Make the passage from ${from} to ${to} ${stated(Math.ceil(needed), 'mm')} wide, if the airframe allows it.`,
            edit: { kind: 'set-route', id, route: { ...route, diameterMm: Math.ceil(needed) }, was: route },
          },
        ],
      },
    ];
  });
}

function tagsOf(entries: readonly LegWay[]): string {
  const tags = [...new Set(entries.map(({ cable }) => cable.tag))];
  return `${tags.slice(0, 6).join(', ')}${tags.length > 6 ? ` and ${tags.length - 6} others` : ''}`;
}
