import { listed } from '../../text/lists.ts';
import { counterpartsOf } from '../../graph/counterparts.ts';
import type { Graph, GraphItem } from '../../graph/graph.ts';
import { settingsOf } from '../../model/settingsOf.ts';
import type { Endpoint } from '../../model/part.ts';
import { runsOf, type Run } from '../../harness/runs.ts';
import type { Check, Remedy, Saying } from '../finding.ts';
import { groundWire, oneOrNone, repinByMeaning } from '../helpers/legRemedies.ts';
import { runSubjects } from '../helpers/runSubjects.ts';
import { replacements } from '../helpers/replacements.ts';
import { joinedGroups, pinOf } from '../helpers/signalGroups.ts';

type Picture = Extract<Endpoint, { is: 'video-out' }>;

/** Pictures that cannot get through: standards, the wrong way round, two cameras on one input, no ground beside the signal. */
export const video: Check = {
  id: 'wire.video',
  stage: 'wiring',
  title: 'Video',
  run: ({ graph }) => [
    ...graph.items.flatMap((entry, item) => (entry.part?.kind === 'camera' ? standards(graph, entry, item) : [])),
    ...sharedWires(graph),
    ...runsOf(graph).flatMap((run) => withoutGround(graph, run)),
  ],
};

/** A camera whose standard something on the way to the screen does not take. */
function standards(graph: Graph, camera: GraphItem, item: number): Saying[] {
  const picture = camera.part?.endpoints.find((endpoint): endpoint is Picture => endpoint.is === 'video-out');
  if (picture === undefined) return [];
  const others = counterpartsOf(graph, item, picture).flatMap(({ item: ix, endpoint }) => {
    const entry = graph.items[ix];
    const taken = entry === undefined || endpoint.is !== 'video-in' ? undefined : standardsTaken(graph, entry, endpoint.standards);
    return taken === undefined || entry === undefined || taken.some((one) => picture.standards.includes(one)) ? [] : [{ entry, taken }];
  });
  const [first] = others;
  if (first === undefined) return [];
  const given = picture.standards.join(' or ');
  const wanted = first.taken[0];
  return [
    {
      severity: 'mend',
      where: [
        { is: 'item', item: camera.item.id },
        { is: 'item', item: first.entry.item.id },
      ],
      what: `${camera.item.ref} outputs ${given}, and ${first.entry.item.ref} needs ${first.taken.join(' or ')}.`,
      evidence: [
        { label: camera.item.ref, value: given },
        { label: first.entry.item.ref, value: first.taken.join(' or ') },
      ],
      why: 'The picture rolls, has no colour, or stays black.',
      discriminator: 'standard',
      remedies: () => [
        ...(wanted === undefined ? [] : setStandard(graph, camera, wanted)),
        ...(picture.standards[0] === undefined ? [] : setStandard(graph, first.entry, picture.standards[0])),
        ...replacements(graph, camera.item.id),
      ],
    },
  ];
}

/** A part with a setting of its own works in that standard, whatever its input would take. */
function standardsTaken(graph: Graph, entry: GraphItem, offered: readonly string[]): readonly string[] {
  const part = graph.design.parts.get(entry.item.part);
  const spec = part === undefined ? undefined : settingsOf(part).find((candidate) => candidate.id === 'standard');
  const set = entry.item.settings['standard'] ?? spec?.default;
  return typeof set === 'string' ? [set] : offered;
}

function setStandard(graph: Graph, { item }: GraphItem, standard: string): Remedy[] {
  const part = graph.design.parts.get(item.part);
  const spec = part === undefined ? undefined : settingsOf(part).find((candidate) => candidate.id === 'standard');
  if (spec?.is !== 'choice' || !spec.choices.some((choice) => choice.value === standard)) return [];
  const was = item.settings['standard'] ?? null;
  return [
    {
      label: `Set ${item.ref} to ${standard}`,
      sentence: `Set ${item.ref} to ${standard}.`,
      edit: { kind: 'set-item-setting', item: item.id, setting: 'standard', value: standard, was },
    },
  ];
}

/** Two pictures on one wire, or two inputs and no picture. */
function sharedWires(graph: Graph): Saying[] {
  return joinedGroups(graph).flatMap((group): Saying[] => {
    const outs = group.filter(({ pin }) => pin.role === 'video-out');
    const ins = group.filter(({ pin }) => pin.role === 'video-in');
    const isTwice = new Set(outs.map(({ item }) => item)).size > 1;
    const isNone = outs.length === 0 && new Set(ins.map(({ item }) => item)).size > 1;
    if (!isTwice && !isNone) return [];
    const about = isTwice ? outs : ins;
    const refs = [...new Set(about.map(({ entry }) => entry.item.ref))];
    const isOverlay = about.some(({ entry }) => entry.part?.routes.some((route) => route.transform === 'overlay') === true);
    const said = isTwice
      ? isOverlay
        ? `${listed(refs)} both output video on one wire: the overlay is the wrong way round.`
        : `${listed(refs)} both output video on one wire.`
      : `${listed(refs)} both expect video on one wire, and nothing outputs any.`;
    return [
      {
        severity: 'mend',
        where: about.map(pinOf),
        what: said,
        evidence: about.map(({ entry, port, pin }) => ({ label: `${entry.item.ref} ${port.label} pin ${pin.n}`, value: pin.role })),
        why: 'No picture gets through. An input takes one camera, and the overlay goes between camera and transmitter.',
        discriminator: 'wire',
      },
    ];
  });
}

/** A video wire whose cable carries no ground, though the two share one elsewhere. */
function withoutGround(graph: Graph, run: Run): Saying[] {
  const { a, b, joins, leg } = run;
  const picture = joins.find((join) => [join.a, join.b].every(({ pin }) => pin.role === 'video-in' || pin.role === 'video-out'));
  const hasGround = joins.some((join) => join.a.pin.role === 'gnd' && join.b.pin.role === 'gnd');
  if (picture === undefined || hasGround) return [];
  const [groundA, groundB] = [leg?.a ?? a, leg?.b ?? b].map((at) => at.port.pins.find((pin) => pin.role === 'gnd')?.n);
  const canJoin = groundA !== undefined && groundB !== undefined;
  const isThere = leg?.conductors.some((conductor) => conductor.a.n === groundA && conductor.b.n === groundB) === true;
  return [
    {
      severity: 'mend',
      where: runSubjects(run),
      what: `${run.name} carries the video of ${a.ref} and ${b.ref} without a ground beside it.`,
      evidence: [{ label: run.name, value: 'no ground wire', limit: 'one beside the signal' }],
      why: 'The return current flows through the supply wires: bars and noise that follow the throttle.',
      discriminator: 'ground',
      remedies: () => (isThere ? [] : canJoin ? groundWire(graph, run) : oneOrNone(repinByMeaning(graph, run))),
    },
  ];
}
