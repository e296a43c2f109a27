import type { Endpoint } from '../../model/part.ts';
import { protocols } from '../protocols.ts';
import { RC_FORMATS, rcFormatTitle } from '../rcFormats.ts';
import type { Facet } from './hop.ts';

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
  ];
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
