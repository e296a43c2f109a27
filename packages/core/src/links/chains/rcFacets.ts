import { counterpartsOf } from '../../graph/counterparts.ts';
import type { Graph } from '../../graph/graph.ts';
import type { Endpoint, UartEndpoint } from '../../model/part.ts';
import { protocols } from '../protocols.ts';
import { LINK_REPORT_WORDS, RC_FORMATS, rcFormatTitle, type RcOut } from '../rcFormats.ts';
import type { Facet, HopEnd } from './hop.ts';
import type { PinnedEnd } from './sharedCopper.ts';
import { fixedSide } from './sides.ts';

/** What one end of an RC wire sends, and what the other reads. */
export function rcFacets(graph: Graph, { end, endpoint: from }: PinnedEnd, { endpoint: to }: PinnedEnd): readonly Facet[] {
  const sends = from.is === 'rc-out' ? from.formats : [];
  const reads = formatsReadBy(to);
  return [
    {
      id: 'format',
      title: 'RC format',
      a: { value: sends.map(rcFormatTitle).join(' or '), source: 'fixed by the part', setting: undefined },
      b: { value: reads.words, source: 'fixed by the part', setting: undefined },
      verdict: sends.some((format) => reads.formats.includes(format)) ? 'agree' : 'differ',
    },
    ...(from.is === 'rc-out' ? [channelsFacet(from, reads.formats), ...reportFacets(graph, end, from, reads.formats)] : []),
  ];
}

/** The channels that the format has room for where it is read. */
function roomFor({ formats }: RcOut, read: readonly string[]): number {
  const common = formats.filter((format) => read.includes(format));
  return Math.max(0, ...common.flatMap((format) => RC_FORMATS[format]?.channels ?? []));
}

/** How many channels are sent, against the room that the format has where it is read. */
function channelsFacet(from: RcOut, read: readonly string[]): Facet {
  const { channels } = from;
  const room = roomFor(from, read);
  const words = (count: number): string => (count === 1 ? '1 channel' : `${count} channels`);
  return {
    id: 'channels',
    title: 'channels',
    a: fixedSide(words(channels)),
    b: fixedSide(room === 0 ? undefined : `up to ${words(room)}`),
    verdict: room === 0 ? 'unknown' : channels <= room ? 'agree' : 'differ',
  };
}

/** How the receiver tells how well it hears, and whether that arrives with what is read. */
function reportFacets(graph: Graph, { item, entry }: HopEnd, from: RcOut, read: readonly string[]): Facet[] {
  const carried = Math.min(from.channels, roomFor(from, read));
  return (from.tells ?? []).map((report): Facet => {
    const about = { id: report.what, title: LINK_REPORT_WORDS[report.what] };
    switch (report.is) {
      case 'frames':
        return { ...about, a: fixedSide(`${about.title} in the frames`), b: fixedSide('read from the frames'), verdict: 'agree' };
      case 'channel': {
        const tells = fixedSide(`${about.title} on channel ${report.channel}`);
        const arrive = carried === 1 ? 'channel 1 arrives' : `channels 1 to ${carried} arrive`;
        return { ...about, a: tells, b: fixedSide(arrive), verdict: report.channel <= carried ? 'agree' : 'differ' };
      }
      case 'output': {
        const readAt = entry.part?.endpoints.flatMap((endpoint) =>
          endpoint.id === report.endpoint
            ? counterpartsOf(graph, item, endpoint).filter((other) => other.endpoint.is === 'analog-sense')
            : [],
        )[0];
        const words = readAt === undefined ? 'not connected to an input' : `read at ${readAt.endpoint.id}`;
        const verdict = readAt === undefined ? 'unknown' : 'agree';
        return { ...about, a: fixedSide(`${about.title} at its output ${report.endpoint}`), b: fixedSide(words), verdict };
      }
    }
  });
}

/** The same of a serial wire whose talker gives channels: on the pin of a serial port there is what sends them. */
export function serialRcFacets(graph: Graph, end: HopEnd, talker: UartEndpoint): readonly Facet[] {
  const sender = end.entry.part?.endpoints.find((endpoint) => endpoint.is === 'rc-out' && endpoint.pin === talker.tx);
  if (sender?.is !== 'rc-out') return [];
  return [channelsFacet(sender, sender.formats), ...reportFacets(graph, end, sender, sender.formats)];
}

function formatsReadBy(endpoint: Endpoint): { readonly formats: readonly string[]; readonly words: string } {
  if (endpoint.is === 'rc-in') return { formats: endpoint.formats, words: endpoint.formats.map(rcFormatTitle).join(' or ') };
  if (endpoint.is !== 'uart') return { formats: [], words: 'nothing' };
  // What sends channels and is no serial port sends them as their format is usual: SBUS upside down.
  const spoken = endpoint.speaks
    .filter(
      ({ protocol, inverted }) =>
        endpoint.inverts !== 'none' || (inverted ?? protocols[protocol].inverted) === protocols[protocol].inverted,
    )
    .map(({ protocol }) => protocol);
  const formats = Object.entries(RC_FORMATS).flatMap(([format, { protocol }]) =>
    protocol !== undefined && spoken.includes(protocol) ? [format] : [],
  );
  const words = formats.length > 0 ? formats.map(rcFormatTitle).join(' or ') : spoken.map((id) => protocols[id].title).join(' or ');
  return { formats, words };
}
