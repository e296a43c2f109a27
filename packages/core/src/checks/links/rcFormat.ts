import type { Graph } from '../../graph/graph.ts';
import { hopEndName, portOfSignal, type Hop, type HopEnd } from '../../links/chains/hop.ts';
import { hopsOf } from '../../links/chains/hopsOf.ts';
import type { Edit } from '../../edits/registry.ts';
import { graphAfter } from '../helpers/tryEdit.ts';
import { portUnsuitable } from './portUnsuitable.ts';
import type { Check, Remedy, Saying, Subject } from '../finding.ts';

/** An input that does not read the form in which the channels arrive. */
export const rcFormat: Check = {
  id: 'rc.format-unsupported',
  stage: 'links',
  title: 'RC format not read',
  run: ({ graph }) => unreadHops(graph).map((hop) => sayingFor(graph, hop)),
};

function unreadHops(graph: Graph): readonly Hop[] {
  return hopsOf(graph).hops.filter(({ facets }) => facets.some(({ id, verdict }) => id === 'format' && verdict === 'differ'));
}

function sayingFor(graph: Graph, hop: Hop): Saying {
  const { a, b } = hop;
  const facet = hop.facets.find(({ id }) => id === 'format');
  const [sends, reads] = [facet?.a.value ?? '?', facet?.b.value ?? '?'];
  const to = b === undefined ? '?' : hopEndName(b);
  return {
    severity: 'mend',
    where: b === undefined ? [subjectOf(a)] : [subjectOf(a), subjectOf(b)],
    what: `${to} does not read ${sends}, which ${hopEndName(a)} sends.`,
    evidence: [
      { label: hopEndName(a), value: sends },
      { label: to, value: reads },
    ],
    why: 'The controller hears nothing, or takes noise for channels. Take another output of the receiver, another input, or an encoder in between.',
    discriminator: `${a.signal.id} ${b?.signal.id ?? ''}`,
    remedies: () => otherFormats(graph, a),
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
            unreadHops(after).every(({ a }) => a.entry.item.id !== item.id) &&
            portUnsuitable.run({ graph: after }).length <= portUnsuitable.run({ graph }).length;
          return isMended
            ? [{ label: `Set ${item.ref} to ${label}`, sentence: `Set the ${spec.label} of ${item.ref} to ${label}.`, edit }]
            : [];
        }),
  );
}
