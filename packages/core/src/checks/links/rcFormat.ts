import type { Graph } from '../../graph/graph.ts';
import { hopEndName, portOfSignal, type Facet, type FacetId, type Hop, type HopEnd } from '../../links/chains/hop.ts';
import { hopsOf } from '../../links/chains/hopsOf.ts';
import { LINK_REPORTS } from '../../model/endpoint.ts';
import type { Edit } from '../../edits/registry.ts';
import { graphAfter } from '../helpers/tryEdit.ts';
import { portUnsuitable } from './portUnsuitable.ts';
import type { Check, Remedy, Saying, Subject } from '../finding.ts';

/** An input that does not read the form in which the channels arrive. */
export const rcFormat: Check = {
  id: 'rc.format-unsupported',
  stage: 'links',
  title: 'RC format not readable',
  run: ({ graph }) => unreadHops(graph).map((unread) => sayingFor(graph, unread)),
};

/** What of an RC wire parts its ends so that channels, or how well they are heard, do not arrive. */
const ASTRAY: readonly FacetId[] = ['format', 'channels', ...LINK_REPORTS];

interface Unread {
  readonly hop: Hop;
  readonly facet: Facet;
}

function unreadHops(graph: Graph): readonly Unread[] {
  return hopsOf(graph).hops.flatMap((hop) =>
    hop.facets.filter(({ id, verdict }) => ASTRAY.includes(id) && verdict === 'differ').map((facet): Unread => ({ hop, facet })),
  );
}

function sayingFor(graph: Graph, { hop, facet }: Unread): Saying {
  const { a, b } = hop;
  const [sends, reads] = [facet.a.value ?? '?', facet.b.value ?? '?'];
  const to = b === undefined ? '?' : hopEndName(b);
  const shared = {
    severity: 'mend',
    where: b === undefined ? [subjectOf(a)] : [subjectOf(a), subjectOf(b)],
    evidence: [
      { label: hopEndName(a), value: sends },
      { label: to, value: reads },
    ],
    remedies: () => otherFormats(graph, a),
  } as const;
  if (facet.id === 'format') {
    return {
      ...shared,
      what: `${to} does not read ${sends}, which ${hopEndName(a)} sends.`,
      why: 'The controller receives nothing, or takes noise for channels. Use another output of the receiver, another input, or an encoder.',
      discriminator: `${a.signal.id} ${b?.signal.id ?? ''}`,
    };
  }
  return {
    ...shared,
    what: `${hopEndName(a)} sends more than arrives at ${to}: ${sends}, and ${reads}.`,
    why: 'Channels above the last one that arrives are lost.',
    discriminator: `${facet.id} ${a.signal.id} ${b?.signal.id ?? ''}`,
  };
}

function subjectOf({ entry, signal }: HopEnd): Subject {
  const port = portOfSignal(signal);
  return port === undefined ? { is: 'item', item: entry.item.id } : { is: 'port', item: entry.item.id, port };
}

/** Other values of the sender's own settings with which what it sends is read. */
function otherFormats(graph: Graph, { entry: { item } }: HopEnd): readonly Remedy[] {
  const specs = graph.design.parts.get(item.part)?.settings ?? [];
  return specs.flatMap((spec) =>
    spec.is !== 'choice'
      ? []
      : spec.choices.flatMap(({ value, label }): Remedy[] => {
          const edit: Edit = { kind: 'set-item-setting', item: item.id, setting: spec.id, value, was: item.settings[spec.id] ?? null };
          const after = item.settings[spec.id] === value ? undefined : graphAfter(graph, edit);
          const isMended =
            after !== undefined &&
            unreadHops(after).every(({ hop }) => hop.a.entry.item.id !== item.id) &&
            portUnsuitable.run({ graph: after }).length <= portUnsuitable.run({ graph }).length;
          return isMended
            ? [{ label: `Set ${item.ref} to ${label}`, sentence: `Set the ${spec.label} of ${item.ref} to ${label}.`, edit }]
            : [];
        }),
  );
}
