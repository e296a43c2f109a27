import { dialectOf } from '../dialects/dialectOf.ts';
import type { Graph } from '../graph/graph.ts';
import { LINK_PROTOCOLS } from '../links/linkProtocols.ts';
import { protocols } from '../links/protocols.ts';
import { offersInForce, serialSetup } from '../links/serialSetup.ts';
import type { ProtocolOffer, UartEndpoint } from '../model/part.ts';
import { roleUses, type BoardPort } from './boardPorts.ts';
import { no, OTHER_KIND, plainFit, type Fit, type NoFit } from './fit.ts';
import { isConvertedThere, levelAgainst } from './levelAgainst.ts';
import type { LinkSeeker } from './linkSeekers.ts';

/** A port made by software reads up to this baud both ways at once without losing bytes; up to the second with losses. */
const SOFTWARE_BAUD = 19_200;
const SOFTWARE_MARGINAL_BAUD = 57_600;

/** A device and a port with one protocol, both ways where it goes both ways, at a baud that both take. */
export function serialFit(
  graph: Graph,
  seeker: LinkSeeker,
  device: UartEndpoint,
  port: BoardPort,
  board: UartEndpoint,
): readonly Fit[] | NoFit {
  const { item } = seeker.entry;
  const wanted = seeker.kinds.flatMap((kind) => LINK_PROTOCOLS[kind]);
  const spoken = offersInForce(item, device).filter(({ protocol }) => wanted.includes(protocol));
  const answers = spoken
    .sort((a, b) => wanted.indexOf(a.protocol) - wanted.indexOf(b.protocol))
    .map((offer) => {
      const other = board.speaks.find(({ protocol }) => protocol === (offer.protocol === 'transparent' ? 'mavlink-2' : offer.protocol));
      return other === undefined
        ? no(`it does not speak ${protocols[offer.protocol].title}`)
        : offerFit(graph, seeker, device, port, board, [offer, other]);
    });
  const fits = answers.flatMap((answer) => (answer.is === 'fits' ? [answer] : []));
  return fits.length > 0 ? fits : (answers.find((answer) => answer.is === 'no-fit') ?? no(OTHER_KIND));
}

function offerFit(
  graph: Graph,
  seeker: LinkSeeker,
  device: UartEndpoint,
  port: BoardPort,
  board: UartEndpoint,
  [offer, other]: readonly [ProtocolOffer, ProtocolOffer],
): Fit | NoFit {
  const dialect = dialectOf(graph.design);
  // 1. Which ways it goes, and whether the port has the pins for them.
  const [talks, listens] = [offer.as !== 'listener' && device.tx !== undefined, offer.as !== 'talker'];
  if (talks && other.as === 'talker') return no('it only sends');
  if (talks && board.rx === undefined) return no('it has no RX');
  if (listens && device.duplex === 'full' && offer.as === 'both' && (board.tx === undefined || board.rx === undefined)) {
    return no(`it goes one way only, and ${protocols[offer.protocol].title} goes both ways`);
  }
  if (serialSetup(seeker.entry.item, device).flow === 'required' && (board.cts === undefined || board.rts === undefined))
    return no('it has no CTS and RTS');
  // 2. A baud that both take, as near to what is set or delivered as it gets.
  const baud = commonBaud(seeker, device, board, [offer, other]);
  if (baud === undefined) return no(`it has no baud rate in common with ${seeker.entry.item.ref}`);
  // 3. What is upside down, or of another level: a part in the wire makes up for one of the two.
  const [sent, read] = [offer.inverted ?? protocols[offer.protocol].inverted, other.inverted ?? protocols[other.protocol].inverted];
  const isInverted = board.inverts === 'none' && device.inverts !== 'both' && talks && sent !== read && !isConvertedThere(seeker, port);
  const upsideDown = `it cannot invert, and ${seeker.entry.item.ref} sends ${sent ? 'inverted' : 'uninverted'}`;
  if (isInverted && listens) return no(upsideDown);
  const unlike = isConvertedThere(seeker, port)
    ? undefined
    : ((talks ? levelAgainst(seeker.entry, device.tx, port.entry, board.rx) : undefined) ??
      // A cable by meaning joins the other direction too: what only reads badly does not matter there, and what does harm does.
      levelAgainst(port.entry, board.tx, seeker.entry, device.rx, listens ? 'all' : 'too-high'));
  if (isInverted && unlike !== undefined) return no(`${upsideDown}; ${unlike}`);
  // 4. A port made by software.
  const refusal = dialect?.refusals.find((one) => one.is === 'not-by-software' && one.role === other.protocol);
  if (board.software === true && refusal !== undefined) return no(refusal.sentence);
  if (board.software === true && baud > SOFTWARE_MARGINAL_BAUD) return no(`it is a software port, and ${baud} baud is too fast for it`);
  const isMarginal = board.software === true && baud > SOFTWARE_BAUD && !seeker.kinds.includes('reports');
  if (isMarginal && (isInverted || unlike !== undefined)) return no(unlike ?? upsideDown);
  const gives =
    unlike !== undefined
      ? ({ way: 'level-shifter', why: unlike } as const)
      : isInverted
        ? ({ way: 'inverter', why: upsideDown } as const)
        : isMarginal
          ? ({ way: 'software', why: 'software port' } as const)
          : undefined;
  const fixed = dialect?.roles[other.protocol]?.fixedBaud;
  const { protocol } = other;
  return plainFit(seeker, [device], port, {
    uses: roleUses(port, protocol),
    gives,
    settings: [
      ...(board.speaks.length > 1 ? [{ item: port.item, setting: `${board.id}.protocol`, value: protocol }] : []),
      ...(fixed === undefined ? [{ item: port.item, setting: `${board.id}.baud`, value: baud }] : []),
      ...(device.speaks.length > 1 ? [{ item: seeker.item, setting: `${device.id}.protocol`, value: offer.protocol }] : []),
      { item: seeker.item, setting: `${device.id}.baud`, value: baud },
    ],
    prices: [
      ...(isInverted || unlike !== undefined ? [{ words: unlike ?? upsideDown, cost: 30 }] : []),
      ...(board.software === true ? [{ words: 'a software port', cost: 30 }] : []),
      ...(board.cts !== undefined && serialSetup(seeker.entry.item, device).flow === 'off'
        ? [{ words: 'its CTS and RTS stay unused', cost: 3 }]
        : []),
      ...(board.inverts !== 'none' && sent === protocols['mavlink-2'].inverted ? [{ words: 'its inverter stays unused', cost: 1 }] : []),
      ...(board.duplex === 'full' && board.tx !== undefined && !listens ? [{ words: 'its TX stays unused', cost: 2 }] : []),
    ],
  });
}

function commonBaud(
  seeker: LinkSeeker,
  device: UartEndpoint,
  board: UartEndpoint,
  [offer, other]: readonly [ProtocolOffer, ProtocolOffer],
): number | undefined {
  const now = serialSetup(seeker.entry.item, device).baud ?? offer.defaultBaud;
  const takes = (baud: number): boolean => baud <= board.maxBaud && other.bauds.includes(baud);
  if (takes(now)) return now;
  return [...offer.bauds].sort((a, b) => Math.abs(a - now) - Math.abs(b - now)).find(takes);
}
