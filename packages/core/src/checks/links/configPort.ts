import type { Graph, GraphItem } from '../../graph/graph.ts';
import { isPortJoined } from '../../graph/matesAt.ts';
import { usbPorts } from '../../layout/reachOf.ts';
import { chainsOf } from '../../links/chains/chainsOf.ts';
import { programsAt } from '../../links/programs.ts';
import { portOfEnd, serialEnds } from '../../links/serialHops.ts';
import type { Endpoint } from '../../model/part.ts';
import { serialSetup } from '../../links/serialSetup.ts';
import type { Check, Evidence, Saying } from '../finding.ts';

/** A controller that nothing can set up any more once the aircraft is together. */
export const configPort: Check = {
  id: 'link.config-port',
  stage: 'links',
  title: 'No access to configure the controller',
  leftToPeople: 'only a person knows which port to free, or where to cut a hatch',
  run: ({ graph }) => graph.items.flatMap((entry, item) => (entry.part?.kind === 'controller' ? locked(graph, entry, item) : [])),
};

function locked(graph: Graph, entry: GraphItem, item: number): Saying[] {
  const ways = waysIn(graph, entry, item);
  if (!isSetUpByProgram(entry) || ways.some(({ isOpen }) => isOpen)) return [];
  return [
    {
      severity: 'mend',
      where: [{ is: 'item', item: entry.item.id }],
      what: `${entry.item.ref} cannot be configured once the aircraft is assembled.`,
      evidence: ways.map(({ evidence }) => evidence),
      why: 'Firmware, parameters and logs are out of reach in the field: the aircraft has to be opened for each change.',
    },
  ];
}

/** True for a board that a program sets up at all, and not buttons or jumpers alone. */
function isSetUpByProgram({ part }: GraphItem): boolean {
  return part?.endpoints.some((endpoint) => endpoint.is === 'usb' || isForMavlink(endpoint)) === true;
}

function isForMavlink(endpoint: Endpoint): boolean {
  return endpoint.is === 'uart' && endpoint.speaks.some(({ protocol }) => protocol === 'mavlink-2');
}

interface WayIn {
  readonly isOpen: boolean;
  readonly evidence: Evidence;
}

function waysIn(graph: Graph, entry: GraphItem, item: number): WayIn[] {
  return [...usbWays(graph, entry), linkWay(graph, item), freePortWay(graph, item)];
}

/** Each USB port: open where it can be got at and nothing else is in it; a computer in it is as good. */
function usbWays(graph: Graph, { item, part }: GraphItem): WayIn[] {
  const bay = item.place?.bay;
  const isClosed = bay !== undefined && graph.design.aircraft.airframe.frame?.bays[bay]?.access === 'closed';
  return (part === undefined ? [] : usbPorts(part)).map((port) => {
    const isTaken = isPortJoined(graph, item.id, port.id);
    return {
      isOpen: !isClosed && !isTaken,
      evidence: { label: port.label, value: isClosed ? 'behind what is closed once glued' : isTaken ? 'taken' : 'accessible' },
    };
  });
}

/** A program that is joined by some link, or a link that is on its way there. */
function linkWay(graph: Graph, item: number): WayIn {
  const isJoined =
    programsAt(graph, item).length > 0 ||
    chainsOf(graph).some(
      ({ kind, state, hops }) =>
        (kind.id === 'telemetry' || kind.id === 'companion') &&
        (state.is === 'agrees' || state.is === 'open') &&
        [hops[0]?.a.item, hops.at(-1)?.b?.item].includes(item),
    );
  return { isOpen: isJoined, evidence: { label: 'data link or companion', value: isJoined ? 'reaches it' : 'none reaches it' } };
}

/** A serial port that nothing is at and that can speak with a program. */
function freePortWay(graph: Graph, item: number): WayIn {
  const free = serialEnds(graph).find(
    (end) =>
      end.item === item &&
      isForMavlink(end.endpoint) &&
      [undefined, 'mavlink-2'].includes(serialSetup(end.entry.item, end.endpoint).protocol) &&
      !isPortJoined(graph, end.entry.item.id, portOfEnd(end)),
  );
  return {
    isOpen: free !== undefined,
    evidence: { label: 'free serial port for MAVLink', value: free === undefined ? 'none' : free.endpoint.names.label },
  };
}
