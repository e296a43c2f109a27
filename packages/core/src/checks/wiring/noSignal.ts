import type { Graph } from '../../graph/graph.ts';
import { isSignal, type FoundPin } from '../../harness/joinVerdict.ts';
import type { Run } from '../../harness/runs.ts';
import { endpointPins, portOfEndpoint } from '../../model/endpointPins.ts';
import type { Endpoint } from '../../model/part.ts';
import type { PartKind } from '../../model/partKinds.ts';
import { rcFeedsOf } from '../../rc/rcFeeds.ts';
import { listed } from '../../text/lists.ts';
import { oneOrNone, repinByMeaning } from '../helpers/legRemedies.ts';
import { runsAt } from '../helpers/runsAt.ts';
import type { Check, Remedy, Saying, Severity } from '../finding.ts';

/** A part that is plugged in, and none of its signals leads to another; or whose compass does not, though the rest does. */
export const noSignal: Check = {
  id: 'wire.no-signal',
  stage: 'wiring',
  title: 'Signal not connected',
  run: ({ graph }) => graph.items.flatMap((_, item) => signalsOf(graph, item)),
};

/** What does nothing without a signal. Controllers and computers have many ports, and leave some of them empty. */
const NEED_A_SIGNAL: readonly PartKind[] = [
  'servo',
  'motor-controller',
  'gnss',
  'compass',
  'airspeed',
  'rangefinder',
  'rc-receiver',
  'handheld-link',
  'telemetry-radio',
  'osd',
  'payload',
  'light',
];

function signalsOf(graph: Graph, itemIx: number): Saying[] {
  const entry = graph.items[itemIx];
  if (entry?.part === undefined || entry.item.where !== 'aircraft' || !NEED_A_SIGNAL.includes(entry.part.kind)) return [];
  const endpoints = entry.part.endpoints.filter((endpoint) => endpoint.is !== 'phase' && endpointPins(endpoint).length > 0);
  const runs = runsAt(graph, itemIx).filter(({ joins }) => joins.length > 0);
  const reached = new Set(runs.flatMap((run) => leadingOn(run, itemIx)));
  const isHeard = (endpoint: Endpoint): boolean => endpointPins(endpoint).some((pin) => reached.has(pin));
  // 1. Not plugged in yet is not wrong.
  const plugged = endpoints.filter((endpoint) => runs.some((run) => isAtPort(run, itemIx, portOfEndpoint(endpoint))));
  if (plugged.length === 0) return [];
  // 2. Where one signal is joined, the part does its job; another one may be a choice, but for a sensor of its own inside.
  const silent = plugged.filter((endpoint) => !isHeard(endpoint));
  const isMute = !endpoints.some(isHeard);
  // A cable to a port that has nothing for it, such as one from a receiver to an output, carries power only.
  if (isMute && !runs.some((run) => couldSpeak(graph, run, itemIx))) return [];
  const missing = isMute ? silent : silent.filter((endpoint) => isSensor(endpoint, entry.part?.kind) && endpoint.exclusive === undefined);
  const [first] = missing;
  if (first === undefined) return [];
  const { ref } = entry.item;
  const pins = missing.flatMap((endpoint) => endpointPins(endpoint));
  return [
    {
      severity: isMute || first.is === 'uart' ? severityOfMute(graph, entry.part.kind) : severityOfCompass(graph, itemIx),
      where: [{ is: 'port', item: entry.item.id, port: portOfEndpoint(first) ?? '' }],
      what: isMute
        ? `${ref} is plugged in, but its signal is not connected.`
        : `The ${first.id} of ${ref} is not connected: ${listed(labelsOf(graph, itemIx, pins))} are open.`,
      evidence: [{ label: `pins of ${ref}`, value: `${listed(labelsOf(graph, itemIx, pins))}: not connected` }],
      why: isMute ? whyMute(entry.part.kind) : 'This signal is not read; the rest of the part works.',
      discriminator: isMute ? 'mute' : first.id,
      remedies: () => runs.flatMap((run) => joinedByMeaning(graph, run, itemIx, first)),
    },
  ];
}

/** True where the port at the other end could speak with one of the endpoints of an item. */
function couldSpeak(graph: Graph, { a, b }: Run, itemIx: number): boolean {
  const [own, other] = a.item === itemIx ? [a, b] : [b, a];
  const endpointsAt = ({ item, port }: Run['a']): readonly Endpoint[] =>
    (graph.items[item]?.part?.endpoints ?? []).filter((endpoint) => portOfEndpoint(endpoint) === port.id);
  return endpointsAt(own).some((one) => endpointsAt(other).some((far) => speakTogether(one, far)));
}

function speakTogether(one: Endpoint, far: Endpoint): boolean {
  if (one.is === 'uart' && far.is === 'uart') {
    const heard = far.speaks.map(({ protocol }) => protocol);
    return one.speaks.some(({ protocol }) => heard.includes(protocol));
  }
  if (one.is === 'rc-out' && far.is === 'rc-in') return one.formats.some((format) => far.formats.includes(format));
  return PARTNERS.some(([own, other]) => one.is === own && far.is === other);
}

const PARTNERS: readonly (readonly [Endpoint['is'], Endpoint['is']])[] = [
  ['pulse-in', 'pulse-out'],
  ['rc-out', 'pulse-in'],
  ['i2c-device', 'i2c-host'],
  ['can', 'can'],
  ['analog-out', 'analog-sense'],
  ['video-in', 'video-out'],
  ['video-out', 'video-in'],
];

/** What is read by a signal of its own: a device on I2C, and the position of a receiver that has a compass too. */
function isSensor({ is }: Endpoint, kind: PartKind | undefined): boolean {
  return is === 'i2c-device' || (is === 'uart' && kind === 'gnss');
}

/** The signal pins of an item that a run leads on from, as `port.n`. */
function leadingOn({ joins }: Run, itemIx: number): readonly string[] {
  return joins.flatMap(({ a, b }) => {
    const [own, other] = a.itemIx === itemIx ? [a, b] : [b, a];
    return isSignal(own.pin.role) && other.pin.role !== 'nc' && other.itemIx !== itemIx ? [addressOf(own)] : [];
  });
}

function addressOf({ port, pin }: FoundPin): string {
  return `${port.id}.${pin.n}`;
}

function isAtPort({ a, b }: Run, itemIx: number, port: string | undefined): boolean {
  return [a, b].some((at) => at.item === itemIx && at.port.id === port);
}

function labelsOf(graph: Graph, itemIx: number, pins: readonly string[]): readonly string[] {
  const ports = graph.items[itemIx]?.part?.ports ?? [];
  return ports.flatMap((port) => port.pins.flatMap(({ n, label }) => (pins.includes(`${port.id}.${n}`) ? [label] : [])));
}

/** Without its receiver an aircraft is lost, unless another one is heard. */
function severityOfMute(graph: Graph, kind: PartKind): Severity {
  const isReceiver = kind === 'rc-receiver' || kind === 'handheld-link';
  return isReceiver && rcFeedsOf(graph).length === 0 ? 'stop' : 'mend';
}

/** Another compass does, of the board itself or of another part. */
function severityOfCompass(graph: Graph, itemIx: number): Severity {
  const hasOther = graph.items.some(
    ({ part }, other) =>
      part?.board?.sensors.includes('compass') === true ||
      (other !== itemIx && part?.compass !== undefined && runsAt(graph, other).some((run) => leadingOn(run, other).length > 0)),
  );
  return graph.items[itemIx]?.part?.compass !== undefined && !hasOther ? 'mend' : 'note';
}

function whyMute(kind: PartKind): string {
  switch (kind) {
    case 'rc-receiver':
    case 'handheld-link':
      return "The pilot's commands do not arrive.";
    case 'motor-controller':
      return 'The motor gets no throttle signal and does not start.';
    case 'servo':
      return 'The servo does not move.';
    default:
      return 'It is powered, but nothing that it measures or sends arrives.';
  }
}

/** The cable re-pinned by meaning, where that joins the endpoint. */
function joinedByMeaning(graph: Graph, run: Run, itemIx: number, endpoint: Endpoint): readonly Remedy[] {
  return isAtPort(run, itemIx, portOfEndpoint(endpoint)) ? oneOrNone(repinByMeaning(graph, run)) : [];
}
