import type { Graph } from '../graph/graph.ts';
import { runsOutOfScale } from '../links/analogReadings.ts';
import { addressOf, type I2cDevice } from '../links/buses/i2cBuses.ts';
import { RC_FORMATS, rcFormatTitle } from '../links/rcFormats.ts';
import type { Endpoint } from '../model/part.ts';
import { hexAddress } from '../model/settingsOf.ts';
import { pullUps, type BoardPort } from './boardPorts.ts';
import { no, OTHER_KIND, plainFit, type Fit, type NoFit } from './fit.ts';
import { isConvertedThere, levelAgainst } from './levelAgainst.ts';
import type { LinkSeeker } from './linkSeekers.ts';
import { priceOf } from './portPrices.ts';
import { serialFit } from './serialFit.ts';

/** Every way in which a link can be on a port, the cheapest first; or why there is none. */
export function fitsOf(graph: Graph, seeker: LinkSeeker, port: BoardPort): readonly Fit[] | NoFit {
  if (port.heldBy !== undefined) return no(`${port.heldBy} is connected to it`);
  const answers = seeker.endpoints.map((endpoint) => fitOf(graph, seeker, endpoint, port));
  const fits = answers.flatMap((answer) => ('is' in answer ? [] : answer));
  if (fits.length > 0) return fits.sort((a, b) => priceOf(a.prices) - priceOf(b.prices));
  const reasons = answers.flatMap((answer) => ('is' in answer && answer.why !== OTHER_KIND ? [answer] : []));
  return reasons[0] ?? no(OTHER_KIND);
}

function fitOf(graph: Graph, seeker: LinkSeeker, endpoint: Endpoint, port: BoardPort): readonly Fit[] | NoFit {
  const [first] = port.endpoints;
  switch (endpoint.is) {
    case 'uart':
      return first.is === 'uart' ? serialFit(graph, seeker, endpoint, port, first) : no(OTHER_KIND);
    case 'rc-out':
      return first.is === 'rc-in' ? channelsFit(seeker, endpoint, port, first) : no(OTHER_KIND);
    case 'can':
      return first.is === 'can' ? [plainFit(seeker, [endpoint], port)] : no(OTHER_KIND);
    case 'i2c-device':
      return first.is === 'i2c-host' ? busFits(seeker, endpoint, port, first) : no(OTHER_KIND);
    case 'analog-out':
      return first.is === 'analog-sense' ? readingFit(seeker, port) : no(OTHER_KIND);
    default:
      return no(OTHER_KIND);
  }
}

/** A device on an I2C bus, once for each address that it can have: two of one address are not on one bus. */
function busFits(seeker: LinkSeeker, device: I2cDevice, port: BoardPort, host: Extract<Endpoint, { is: 'i2c-host' }>): Fit[] | NoFit {
  const { item, entry } = seeker;
  // Only pull-ups make a bus high.
  const unlike =
    (host.pullUpOhm === undefined ? undefined : levelAgainst(port.entry, host.sda, entry, device.sda)) ??
    (device.pullUpOhm === undefined ? undefined : levelAgainst(entry, device.sda, port.entry, host.sda));
  if (unlike !== undefined) return no(unlike);
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
        prices: [...change, { words: 'too many pull-ups on the bus', cost: 40 }],
      }),
    ];
  });
}

function channelsFit(
  seeker: LinkSeeker,
  from: Extract<Endpoint, { is: 'rc-out' }>,
  port: BoardPort,
  { formats: read, pin }: Extract<Endpoint, { is: 'rc-in' }>,
): readonly Fit[] | NoFit {
  const format = from.formats.find((one) => read.includes(one));
  if (format === undefined)
    return no(`it reads ${read.map(rcFormatTitle).join(' or ')}, and ${from.formats.map(rcFormatTitle).join(' or ')} arrives`);
  if (RC_FORMATS[format]?.channels === 1) return no('each of these inputs reads one channel');
  const unlike = levelAgainst(seeker.entry, from.pin, port.entry, pin);
  return unlike === undefined || isConvertedThere(seeker, port) ? [plainFit(seeker, [from], port)] : no(unlike);
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
  if (tooHigh !== undefined) return no(`${tooHigh.purpose} exceeds its range`);
  const [first, ...others] = gives;
  return first === undefined ? no(OTHER_KIND) : [plainFit(seeker, [first, ...others], port)];
}
