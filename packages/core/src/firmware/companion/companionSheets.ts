import type { Graph, GraphItem } from '../../graph/graph.ts';
import { addressesOf } from '../../links/networks/addresses.ts';
import { endName, serialHops, type SerialEnd } from '../../links/serialHops.ts';
import { serialSetup } from '../../links/serialSetup.ts';
import { naturalOrder } from '../../model/naturalOrder.ts';
import type { UartEndpoint } from '../../model/part.ts';
import { effectiveSettings } from '../../model/resolvePart.ts';
import type { SettingValue } from '../../model/setting.ts';
import { socketWords, type Socket } from '../../model/socket.ts';
import { fromSetting, FROM_WIRING } from '../facts/factRow.ts';
import { block, type SetupSheet, type SetupStep } from './setupSheet.ts';

/**
 * What is set on each companion computer so that it talks with the controller: device path, baud and console of each serial port that leads
 * there, where its bytes go on over the network, the ids of its programs, that it starts with the computer, and its clock.
 */
export function companionSheets(graph: Graph): readonly SetupSheet[] {
  return graph.items.flatMap((entry, index): SetupSheet[] => {
    const { item, part } = entry;
    const raw = graph.design.parts.get(item.part);
    if (part?.kind !== 'companion' || raw === undefined) return [];
    const settings = effectiveSettings(raw, item.settings);
    const joined = joinedPorts(graph, index);
    const routes = routesOf(graph, entry);
    return [
      {
        item: item.id,
        ref: item.ref,
        part: part.name,
        steps: [
          ...joined.flatMap((port) => serialSteps(entry, port, settings)),
          ...routes.map(({ socket, id, to }) => routeStep(entry, socket, id, to)),
          ...idSteps(entry, settings),
          ...lastSteps(entry),
        ],
        file: [
          `# ${graph.design.aircraft.name}, ${item.ref}: ${part.name}`,
          '',
          ...joined.map(({ endpoint, far }) =>
            block(`serial ${endpoint.names.label}`, [
              ['path', pathOf(endpoint, settings)],
              ['speed', serialSetup(item, endpoint).baud],
              ['console', endpoint.console === undefined ? undefined : 'off'],
              ['connects to', endName(far)],
            ]),
          ),
          ...routes.map(({ socket, to }, i) =>
            block(`route ${i + 1}`, [
              ['carries', socket.endpoint],
              ['transport', socket.transport],
              ['listens on', socket.localPort],
              ['sends to', socket.remote === undefined ? undefined : `${socket.remote.address}:${socket.remote.port}`],
              ['that is', to],
            ]),
          ),
          ...(part.programs ?? []).map(({ id, title }) =>
            block(title, [
              ['system', numberIn(settings, `${id}.system`)],
              ['component', numberIn(settings, `${id}.component`)],
            ]),
          ),
          block('start', [
            ['with the computer', 'yes'],
            ['again after a fault', 'yes'],
          ]),
        ].join('\n'),
      },
    ];
  });
}

interface JoinedPort {
  readonly endpoint: UartEndpoint;
  readonly far: SerialEnd;
}

/** The serial ports of an item that lead to a controller. */
function joinedPorts(graph: Graph, index: number): readonly JoinedPort[] {
  return serialHops(graph).flatMap(({ a, b }): JoinedPort[] => {
    const [own, far] = a.item === index ? [a, b] : [b, a];
    return own.item === index && far.entry.part?.kind === 'controller' ? [{ endpoint: own.endpoint, far }] : [];
  });
}

function pathOf({ id }: UartEndpoint, settings: ReadonlyMap<string, SettingValue>): string | undefined {
  const path = settings.get(`${id}-device`);
  return typeof path === 'string' ? path : undefined;
}

function numberIn(settings: ReadonlyMap<string, SettingValue>, name: string): number | undefined {
  const value = settings.get(name);
  return typeof value === 'number' ? value : undefined;
}

function serialSteps({ item }: GraphItem, { endpoint, far }: JoinedPort, settings: ReadonlyMap<string, SettingValue>): SetupStep[] {
  const { id, names } = endpoint;
  const { baud } = serialSetup(item, endpoint);
  const path = pathOf(endpoint, settings);
  const other = serialSetup(far.entry.item, far.endpoint).baud;
  const differs =
    baud !== undefined && other !== undefined && baud !== other ? ` ${endName(far)} has ${other} baud: set both to the same rate.` : '';
  return [
    ...(endpoint.console === true
      ? [
          {
            title: `Console at ${names.label}`,
            text:
              settings.get(`${id}.console`) === false
                ? 'The login console is off at this port. Check that nothing is printed on it during start-up.'
                : "Switch the login console off at this port, then restart. It prints into the link and reads the controller's data as a login.",
            from: [fromSetting(item.id, `${id}.console`, `console of ${item.ref} ${names.label}`)],
          },
        ]
      : []),
    {
      title: `Serial device at ${names.label}`,
      text: `${path === undefined ? 'Its device path is not known.' : `Device ${path}.`} ${baud === undefined ? 'No baud is set yet.' : `${baud} baud.`} It connects to ${endName(far)}.${differs}`,
      from: [
        fromSetting(item.id, `${id}-device`, `device path of ${item.ref}`),
        fromSetting(item.id, `${id}.baud`, `baud of ${item.ref} ${names.label}`),
        fromSetting(far.entry.item.id, `${far.endpoint.id}.baud`, `baud of ${endName(far)}`),
        ...FROM_WIRING,
      ],
    },
  ];
}

interface Route {
  readonly id: string;
  readonly socket: Socket;
  /** Who has the address that it sends to. */
  readonly to: string | undefined;
}

/** The sockets of an item, in natural order of what they say, each with whose address it sends to. */
function routesOf(graph: Graph, { item }: GraphItem): readonly Route[] {
  return Object.entries(item.sockets ?? {})
    .map(([id, socket]) => ({ id, socket, to: ownerOf(graph, socket.remote?.address) }))
    .sort((a, b) => naturalOrder(`${a.socket.endpoint} ${socketWords(a.socket)}`, `${b.socket.endpoint} ${socketWords(b.socket)}`));
}

function ownerOf(graph: Graph, address: string | undefined): string | undefined {
  if (address === undefined) return undefined;
  return graph.items.find((entry) => addressesOf(entry, graph.design.parts.get(entry.item.part)).some((own) => own.address === address))
    ?.item.ref;
}

function routeStep({ item }: GraphItem, socket: Socket, id: string, to: string | undefined): SetupStep {
  return {
    title: `Route of ${socket.endpoint} over the network`,
    text: `${socketWords(socket)}${to === undefined ? '' : ` (${to})`}.`,
    from: [{ path: ['items', item.id, 'sockets', id], words: `socket of ${item.ref}` }],
  };
}

function idSteps({ item, part }: GraphItem, settings: ReadonlyMap<string, SettingValue>): SetupStep[] {
  return (part?.programs ?? []).map(({ id, title }) => ({
    title: `Ids of ${title}`,
    text: `System ${numberIn(settings, `${id}.system`) ?? 'not known'}, component ${numberIn(settings, `${id}.component`) ?? 'not known'}.`,
    from: [fromSetting(item.id, `${id}.system`, `ids of ${item.ref}`), fromSetting(item.id, `${id}.component`, `ids of ${item.ref}`)],
  }));
}

function lastSteps({ item }: GraphItem): SetupStep[] {
  const from = [{ path: ['items', item.id, 'part'], words: item.ref }];
  return [
    {
      title: 'Start with the computer',
      text: 'Make the link program start with the computer, and restart after a fault. Disconnect the supply once while it runs, and check that the link comes back.',
      caution: 'Propellers off.',
      from,
    },
    {
      title: 'Clock',
      text: 'Without a network the computer has no time of day. Set its clock from the vehicle, which has the time from its GNSS receiver, before it writes logs; otherwise their dates are wrong.',
      from,
    },
  ];
}
