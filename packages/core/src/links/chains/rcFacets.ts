import type { Endpoint, ResolvedPart, UartEndpoint } from '../../model/part.ts';
import { protocols } from '../protocols.ts';
import { RC_FORMATS, rcFormatTitle } from '../rcFormats.ts';
import type { Facet } from './hop.ts';
import { fixedSide } from './sides.ts';

/** What one end of an RC wire sends, and what the other reads. */
export function rcFormatFacet(from: Endpoint, to: Endpoint): readonly Facet[] {
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
    ...(from.is === 'rc-out' ? [channelsFacet(from, reads.formats)] : []),
  ];
}

type RcOut = Extract<Endpoint, { is: 'rc-out' }>;

/** How many channels are sent, against the room that the format has where it is read. */
function channelsFacet({ channels, formats }: RcOut, read: readonly string[]): Facet {
  const common = formats.filter((format) => read.includes(format));
  const room = Math.max(0, ...common.flatMap((format) => RC_FORMATS[format]?.channels ?? []));
  const words = (count: number): string => (count === 1 ? '1 channel' : `${count} channels`);
  return {
    id: 'channels',
    title: 'channels',
    a: fixedSide(words(channels)),
    b: fixedSide(room === 0 ? undefined : `up to ${words(room)}`),
    verdict: room === 0 ? 'unknown' : channels <= room ? 'agree' : 'differ',
  };
}

/** The same of a serial wire whose talker gives channels: on the pin of a serial port there is what sends them. */
export function serialChannelsFacet(part: ResolvedPart | undefined, talker: UartEndpoint): readonly Facet[] {
  const sender = part?.endpoints.find((endpoint) => endpoint.is === 'rc-out' && endpoint.pin === talker.tx);
  if (sender?.is !== 'rc-out') return [];
  return [channelsFacet(sender, sender.formats)];
}

function formatsReadBy(endpoint: Endpoint): { readonly formats: readonly string[]; readonly words: string } {
  if (endpoint.is === 'rc-in') return { formats: endpoint.formats, words: endpoint.formats.map(rcFormatTitle).join(' or ') };
  if (endpoint.is !== 'uart') return { formats: [], words: 'nothing' };
  const spoken = endpoint.speaks.map(({ protocol }) => protocol);
  const formats = Object.entries(RC_FORMATS).flatMap(([format, { protocol }]) =>
    protocol !== undefined && spoken.includes(protocol) ? [format] : [],
  );
  const words = formats.length > 0 ? formats.map(rcFormatTitle).join(' or ') : spoken.map((id) => protocols[id].title).join(' or ');
  return { formats, words };
}
