import type { Graph } from '../../graph/graph.ts';
import { chainsOf } from '../../links/chains/chainsOf.ts';
import { chainName, chainWords } from '../../links/chains/chainWords.ts';
import { hopEndName, isByNature, MEDIA, portOfSignal, type Facet, type Hop, type HopEnd } from '../../links/chains/hop.ts';
import { howText } from '../../model/how.ts';
import { settingInForce } from '../../model/settingInForce.ts';
import { listed } from '../../text/lists.ts';
import { settingsOf } from '../../model/settingsOf.ts';
import type { Sheet } from './sheet.ts';

/** Every link from end to end with what is set at both ends of each hop, and how it is set: what radios and ports are set up by. */
export function linkSheet(graph: Graph): Sheet {
  const chains = chainsOf(graph).filter(({ state }) => state.is !== 'not-joined' || state.begun);
  return {
    title: `Links ${graph.design.aircraft.name}`,
    subtitle: 'Hop by hop, from the far end to the controller',
    columns: [
      { title: 'Link', kind: 'words' },
      { title: 'Over', kind: 'words' },
      { title: 'End', kind: 'value' },
      { title: 'Set there', kind: 'value' },
      { title: 'How', kind: 'words' },
      { title: 'Other end', kind: 'value' },
      { title: 'Set there', kind: 'value' },
      { title: 'How', kind: 'words' },
      { title: 'State', kind: 'words' },
    ],
    rows: chains.flatMap((chain) => {
      const name = chainName(graph, chain);
      const { state } = chain;
      if (chain.hops.length === 0) return [[name, '', '', '', '', '', '', '', chainWords(graph, chain)]];
      return chain.hops.map((hop, i) => [
        name,
        MEDIA[hop.medium],
        ...endCells(graph, hop, 'a'),
        ...endCells(graph, hop, 'b'),
        (state.is === 'breaks' || state.is === 'open') && state.at === i ? chainWords(graph, chain) : 'agrees',
      ]);
    }),
    notes: ['What is not set is the default of the part. A baud rate fixed by the protocol is not set at all.'],
    cautions: ['Fit every antenna before applying power, and remove the propellers for work on the bench.'],
  };
}

function endCells(graph: Graph, hop: Hop, side: 'a' | 'b'): readonly [string, string, string] {
  const end = hop[side];
  if (end === undefined) return ['on the ground', '', ''];
  const set = [...hop.facets.flatMap((facet) => valueOf(facet, side)), ...deviceOf(graph, end)];
  return [[hopEndName(end), ...padsOf(end)].join(', '), set.join(', '), waysAt(graph, end, hop.facets, side)];
}

/** The pins of a serial end as they are printed, so that a cable and a set-up file are made side by side: `second serial pins 1 (T2) and 2 (R2)`. */
function padsOf({ entry, signal }: HopEnd): string[] {
  if (signal.is !== 'endpoint' || signal.endpoint.is !== 'uart') return [];
  const { tx, rx } = signal.endpoint;
  const port = entry.part?.ports.find(({ id }) => id === portOfSignal(signal));
  const pins = [tx, rx].flatMap((address) => port?.pins.find(({ n }) => address === `${port.id}.${n}`) ?? []);
  if (port === undefined || pins.length === 0) return [];
  const place = port.label === signal.endpoint.names.label ? '' : `${port.label} `;
  return [`${place}${pins.length === 1 ? 'pin' : 'pins'} ${listed(pins.map(({ n, label }) => `${n} (${label})`))}`];
}

/** Under what name the system of a computer knows a serial port. */
function deviceOf(graph: Graph, { entry: { item }, signal }: HopEnd): string[] {
  const device = settingInForce(graph.design, item, `${signal.id}-device`);
  return device === undefined ? [] : [String(device)];
}

/** What is set at an end. */
function valueOf(facet: Facet, side: 'a' | 'b'): string[] {
  const { value } = facet[side];
  return value === undefined || isByNature(facet) ? [] : [value];
}

/** How the settings of an end are set on its part, each way once. */
function waysAt(graph: Graph, { entry }: HopEnd, facets: readonly Facet[], side: 'a' | 'b'): string {
  const part = graph.design.parts.get(entry.item.part);
  if (part === undefined) return '';
  const label = (port: string): string => part.ports.find(({ id }) => id === port)?.label ?? port;
  const ways = facets.flatMap((facet) => {
    const spec = settingsOf(part).find(({ id }) => id === facet[side].setting);
    return spec?.how === undefined ? [] : [howText(spec.how, label)];
  });
  return [...new Set(ways)].join(' ');
}
