import { dialectOf } from '../dialects/dialectOf.ts';
import type { Graph } from '../graph/graph.ts';
import { addressOf, type I2cDevice } from '../links/buses/i2cBuses.ts';
import { runsOutOfScale } from '../links/analogReadings.ts';
import { LINK_PROTOCOLS } from '../links/linkProtocols.ts';
import { protocols } from '../links/protocols.ts';
import { RC_FORMATS, rcFormatTitle } from '../links/rcFormats.ts';
import { offersInForce, serialSetup } from '../links/serialSetup.ts';
import type { Endpoint, ProtocolOffer, UartEndpoint } from '../model/part.ts';
import type { SettingValue } from '../model/setting.ts';
import { hexAddress } from '../model/settingsOf.ts';
import { pullUps, roleUses, type BoardPort } from './boardPorts.ts';
import type { LinkSeeker } from './linkSeekers.ts';
import { placePrices, priceOf, type Price } from './portPrices.ts';

/** A setting of one of the two ends, with the value that the link wants. */
export interface WantedSetting {
  readonly item: number;
  readonly setting: string;
  readonly value: SettingValue;
}

/** One way in which a link is on a port of a board. */
export interface Fit {
  readonly is: 'fits';
  readonly seeker: LinkSeeker;
  readonly port: BoardPort;
  /** The endpoints of the device that are wired. */
  readonly from: readonly [Endpoint, ...Endpoint[]];
  /** What it costs, item by item. */
  readonly prices: readonly Price[];
  /** What it uses of the board and of the firmware, the place first. */
  readonly uses: readonly string[];
  readonly settings: readonly WantedSetting[];
  /** What has to give way for it, where the rules are against it and practice is not; undefined for a plain one. */
  readonly gives: 'software' | undefined;
}

/** Why a link is not on a port. */
export interface NoFit {
  readonly is: 'no-fit';
  readonly why: string;
}

/** A port made by software reads up to this baud both ways at once without losing bytes; up to the second with losses. */
const SOFTWARE_BAUD = 19_200;
const SOFTWARE_MARGINAL_BAUD = 57_600;

/** Every way in which a link can be on a port, the cheapest first; or why there is none. */
export function fitsOf(graph: Graph, seeker: LinkSeeker, port: BoardPort): readonly Fit[] | NoFit {
  if (port.heldBy !== undefined) return no(`${port.heldBy} is at it`);
  const answers = seeker.endpoints.map((endpoint) => fitOf(graph, seeker, endpoint, port));
  const fits = answers.flatMap((answer) => ('is' in answer ? [] : answer));
  if (fits.length > 0) return fits.sort((a, b) => priceOf(a.prices) - priceOf(b.prices));
  const reasons = answers.flatMap((answer) => ('is' in answer && answer.why !== OTHER_KIND ? [answer] : []));
  return reasons[0] ?? no(OTHER_KIND);
}

/** Why a UART takes no CAN device: not worth a word in a list of reasons, where there is another. */
export const OTHER_KIND = 'another kind of port';

function fitOf(graph: Graph, seeker: LinkSeeker, endpoint: Endpoint, port: BoardPort): readonly Fit[] | NoFit {
  const [first] = port.endpoints;
  switch (endpoint.is) {
    case 'uart':
      return first.is === 'uart' ? serialFit(graph, seeker, endpoint, port, first) : no(OTHER_KIND);
    case 'rc-out':
      return first.is === 'rc-in' ? channelsFit(seeker, endpoint, port, first.formats) : no(OTHER_KIND);
    case 'can':
      return first.is === 'can' ? [plainFit(seeker, [endpoint], port)] : no(OTHER_KIND);
    case 'i2c-device':
      return first.is === 'i2c-host' ? busFits(seeker, endpoint, port) : no(OTHER_KIND);
    case 'analog-out':
      return first.is === 'analog-sense' ? readingFit(seeker, port) : no(OTHER_KIND);
    default:
      return no(OTHER_KIND);
  }
}

const no = (why: string): NoFit => ({ is: 'no-fit', why });

type FitDetails = Partial<Pick<Fit, 'uses' | 'settings' | 'gives' | 'prices'>>;

function plainFit(seeker: LinkSeeker, from: Fit['from'], port: BoardPort, details: FitDetails = {}): Fit {
  return {
    is: 'fits',
    seeker,
    port,
    from,
    prices: [...placePrices(seeker, from, port), ...(details.prices ?? [])],
    uses: [...port.uses, ...(details.uses ?? [])],
    settings: details.settings ?? [],
    gives: details.gives,
  };
}

/** A device on an I2C bus, once for each address that it can have: two of one address are not on one bus. */
function busFits(seeker: LinkSeeker, device: I2cDevice, port: BoardPort): Fit[] {
  const { item, entry } = seeker;
  const now = addressOf({ item, entry, endpoint: device });
  return device.addresses.flatMap((address) => {
    const place = [`${port.key} address ${hexAddress(address)}`];
    const change = address === now ? [] : [{ words: `its address has to be changed to ${hexAddress(address)}`, cost: 5 }];
    const settings = address === now ? [] : [{ item, setting: `${device.id}.address`, value: address }];
    if (device.pullUpOhm === undefined) return [plainFit(seeker, [device], port, { uses: place, settings, prices: change })];
    return [
      plainFit(seeker, [device], port, { uses: [...place, pullUps(port.key)], settings, prices: change }),
      plainFit(seeker, [device], port, {
        uses: place,
        settings,
        prices: [...change, { words: 'too many pull-ups on the bus then', cost: 40 }],
      }),
    ];
  });
}

function channelsFit(
  seeker: LinkSeeker,
  from: Extract<Endpoint, { is: 'rc-out' }>,
  port: BoardPort,
  read: readonly string[],
): readonly Fit[] | NoFit {
  const format = from.formats.find((one) => read.includes(one));
  if (format === undefined)
    return no(`it reads ${read.map(rcFormatTitle).join(' or ')}, and ${from.formats.map(rcFormatTitle).join(' or ')} arrives`);
  if (RC_FORMATS[format]?.channels === 1) return no('each of these inputs reads one channel');
  return [plainFit(seeker, [from], port)];
}

/** Battery current and voltage, each to its own input of one port; another reading to an input that is for it. */
function readingFit(seeker: LinkSeeker, port: BoardPort): readonly Fit[] | NoFit {
  const gives = seeker.endpoints.flatMap((endpoint) => (endpoint.is === 'analog-out' ? [endpoint] : []));
  const reads = port.endpoints.flatMap((endpoint) => (endpoint.is === 'analog-sense' ? [endpoint] : []));
  const missing = gives.find(({ purpose }) => !reads.some((input) => input.purpose.split(' or ').includes(purpose)));
  if (missing !== undefined) return no(`it has no input for ${missing.purpose}`);
  const tooHigh = gives.find((one) =>
    reads.some((input) => input.purpose.split(' or ').includes(one.purpose) && runsOutOfScale(one, input)),
  );
  if (tooHigh !== undefined) return no(`${tooHigh.purpose} goes higher than it reads`);
  const [first, ...others] = gives;
  return first === undefined ? no(OTHER_KIND) : [plainFit(seeker, [first, ...others], port)];
}

/** A device and a port with one protocol, both ways where it goes both ways, at a baud that both take. */
function serialFit(graph: Graph, seeker: LinkSeeker, device: UartEndpoint, port: BoardPort, board: UartEndpoint): readonly Fit[] | NoFit {
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
  if (baud === undefined) return no(`it takes no baud of those that ${seeker.entry.item.ref} has`);
  // 3. What is upside down.
  const [sent, read] = [offer.inverted ?? protocols[offer.protocol].inverted, other.inverted ?? protocols[other.protocol].inverted];
  if (board.inverts === 'none' && device.inverts !== 'both' && talks && sent !== read) {
    return no(`it cannot invert, and ${seeker.entry.item.ref} sends ${sent ? 'inverted' : 'uninverted'}`);
  }
  // 4. A port made by software.
  const refusal = dialect?.refusals.find((one) => one.is === 'not-by-software' && one.role === other.protocol);
  if (board.software === true && refusal !== undefined) return no(refusal.sentence);
  if (board.software === true && baud > SOFTWARE_MARGINAL_BAUD) return no(`it is made by software, and ${baud} baud is too much for it`);
  const isMarginal = board.software === true && baud > SOFTWARE_BAUD && !seeker.kinds.includes('reports');
  const fixed = dialect?.roles[other.protocol]?.fixedBaud;
  const { protocol } = other;
  return plainFit(seeker, [device], port, {
    uses: roleUses(port, protocol),
    gives: isMarginal ? 'software' : undefined,
    settings: [
      ...(board.speaks.length > 1 ? [{ item: port.item, setting: `${board.id}.protocol`, value: protocol }] : []),
      ...(fixed === undefined ? [{ item: port.item, setting: `${board.id}.baud`, value: baud }] : []),
      ...(device.speaks.length > 1 ? [{ item: seeker.item, setting: `${device.id}.protocol`, value: offer.protocol }] : []),
      { item: seeker.item, setting: `${device.id}.baud`, value: baud },
    ],
    prices: [
      ...(board.software === true ? [{ words: 'a port made by software', cost: 30 }] : []),
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
