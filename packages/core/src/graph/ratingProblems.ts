import { burstAmps } from '../model/burst.ts';
import { CONNECTOR_FAMILIES } from '../model/connector.ts';
import type { CircuitElement, Part, ResolvedPart } from '../model/part.ts';
import { variantsOf } from './partProblems.ts';
import { stated } from '../text/numbers.ts';

type Of<K extends CircuitElement['is']> = Extract<CircuitElement, { is: K }>;

/** The voltage of a cell that a controller still runs on, and of a full one. */
const CELL_V = { empty: 3.2, full: 4.2 } as const;
/** A stalled servo is let go within this time. */
const STALL_S = 10;
/** Between these shares of what a transmitter takes more while it sends leaves by its antenna: from wasteful to the best there is. */
const SENT_SHARE = { least: 0.08, most: 0.7 } as const;
/** What the rest of a transmitter may take more while it sends. */
const BESIDE_W = 0.6;

/**
 * What in the figures of a part cannot be: contacts that do not carry what it draws, a pack that gives more than its plug carries, cells
 * that its least and greatest voltage do not allow, a motor controller that takes nothing with its motor stopped, a transmitter that sends
 * more than it takes or next to nothing of it. As sentences; the catalogue holds them, under every choice of each setting.
 */
export function ratingProblems(part: Part): readonly string[] {
  const problems = variantsOf(part).flatMap((resolved) => [
    ...contactProblems(resolved),
    ...resolved.circuit.flatMap((element) => {
      switch (element.is) {
        case 'battery':
          return packProblems(resolved, element);
        case 'drive':
          return [...cellProblems(element), ...idleProblems(element)];
        default:
          return [];
      }
    }),
    ...sentProblems(resolved),
  ]);
  return [...new Set(problems)];
}

/** The supply contacts that lead to a node without anything in between, by port, and what those of one port carry. */
function contactsAt(
  { ports, circuit }: ResolvedPart,
  node: string,
  durationS: number,
): readonly { readonly port: string; readonly amps: number }[] {
  const same = new Set([node]);
  for (const at of same) {
    for (const element of circuit) {
      if (element.is === 'link' || element.is === 'sense' || element.is === 'switch') {
        if (element.a === at) same.add(element.b);
        if (element.b === at) same.add(element.a);
      } else if (element.is === 'limiter' && element.out === at) same.add(element.in);
    }
  }
  return ports.flatMap(({ id, pins, connector }) => {
    const contacts = pins.filter(({ n, role }) => role === 'supply-in' && same.has(`${id}.${n}`)).length;
    return contacts === 0 ? [] : [{ port: id, amps: contacts * burstAmps(CONNECTOR_FAMILIES[connector.family].contactA, durationS) }];
  });
}

/** The loads of a node against the port that carries most of them. */
function contactProblems(part: ResolvedPart): string[] {
  const supplies = new Map<string, { lastingA: number; stallA: number }>();
  for (const element of part.circuit) {
    if (element.is !== 'load') continue;
    const known = supplies.get(element.supply) ?? { lastingA: 0, stallA: 0 };
    const lastingA = element.stallA === undefined ? element.peakA : element.typicalA;
    supplies.set(element.supply, { lastingA: known.lastingA + lastingA, stallA: known.stallA + (element.stallA ?? element.peakA) });
  }
  return [...supplies].flatMap(([node, { lastingA, stallA }]) =>
    (
      [
        ['draws', lastingA, Infinity],
        ['draws for a moment', stallA, STALL_S],
      ] as const
    ).flatMap(([verb, amps, durationS]) => {
      const ports = contactsAt(part, node, durationS);
      const most = Math.max(...ports.map((port) => port.amps));
      return ports.length === 0 || amps <= most ? [] : [`It ${verb} ${stated(amps, 'A')} through contacts for ${stated(most, 'A')}.`];
    }),
  );
}

function packProblems({ ports }: ResolvedPart, { plus, continuousA }: Of<'battery'>): string[] {
  const port = ports.find(({ id, pins }) => pins.some(({ n }) => `${id}.${n}` === plus));
  if (port === undefined) return [];
  const { contactA } = CONNECTOR_FAMILIES[port.connector.family];
  return continuousA <= contactA ? [] : [`The pack gives ${stated(continuousA, 'A')} through a plug for ${stated(contactA, 'A')}.`];
}

function cellProblems({ cells, minV, maxV }: Of<'drive'>): string[] {
  if (cells === undefined) return [];
  return [
    ...(cells.least * CELL_V.empty < minV - 1e-9 ? [`It is for ${cells.least} cells and more, and needs ${stated(minV, 'V')}.`] : []),
    ...(cells.most * CELL_V.full > maxV + 1e-9 ? [`It is for up to ${cells.most} cells, and withstands ${stated(maxV, 'V')}.`] : []),
  ];
}

/** A controller that counts cells and listens takes something with its motor stopped. */
function idleProblems({ id, idleA = 0, continuousA }: Of<'drive'>): string[] {
  return idleA > 0 && idleA < continuousA / 20 ? [] : [`"${id}" draws ${stated(idleA, 'A')} with its motor stopped.`];
}

/** What a transmitter takes more at its peak than idle, against what leaves by its antennas. */
function sentProblems({ kind, radios = [], circuit, endpoints }: ResolvedPart): string[] {
  const [load, ...others] = circuit.flatMap((element) => (element.is === 'load' ? [element] : []));
  const sentW = radios.reduce((sum, { sendsDbm }) => sum + (sendsDbm === undefined ? 0 : 10 ** (sendsDbm / 10) / 1000), 0);
  if (load === undefined || others.length > 0 || sentW === 0 || !['telemetry-radio', 'video-transmitter'].includes(kind)) return [];
  const takenW = (load.peakA - load.idleA) * load.nominalV;
  if (sentW > takenW * SENT_SHARE.most) return [`It sends ${stated(sentW, 'W')} and draws ${stated(takenW, 'W')} for it.`];
  // A modem or a video unit computes; only of a plain radio is it known what the power is for.
  const isPlain = kind === 'telemetry-radio' && !endpoints.some(({ is }) => is === 'network');
  return isPlain && sentW < (takenW - BESIDE_W) * SENT_SHARE.least
    ? [`It draws ${stated(takenW, 'W')} to send ${stated(sentW, 'W')}.`]
    : [];
}
