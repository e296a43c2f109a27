import { dialectOf } from '../../dialects/dialectOf.ts';
import type { Graph, GraphItem } from '../../graph/graph.ts';
import { isPortJoined } from '../../graph/matesAt.ts';
import { protocols } from '../../links/protocols.ts';
import { endName, portOfEnd, serialEnds, type SerialEnd } from '../../links/serialHops.ts';
import { serialSetup } from '../../links/serialSetup.ts';
import { listed } from '../../text/lists.ts';
import type { Check, Remedy, Saying } from '../finding.ts';
import { endSubject } from './serialRemedies.ts';

/** Ports of one controller that are set to a role which its firmware has once. */
export const duplicateRole: Check = {
  id: 'link.duplicate-role',
  stage: 'links',
  title: 'One role on two ports',
  run: ({ graph }) => graph.items.flatMap((entry, item) => (entry.part?.kind === 'controller' ? rolesTwice(graph, entry, item) : [])),
};

function rolesTwice(graph: Graph, entry: GraphItem, item: number): Saying[] {
  const dialect = dialectOf(graph.design);
  if (dialect === undefined) return [];
  const ends = serialEnds(graph).filter((end) => end.item === item);
  return dialect.refusals.flatMap((refusal): Saying[] => {
    if (refusal.is !== 'once') return [];
    const same = ends.filter(({ endpoint }) => serialSetup(entry.item, endpoint).protocol === refusal.role);
    if (same.length < 2) return [];
    const { title } = protocols[refusal.role];
    return [
      {
        severity: 'mend',
        where: same.map(endSubject),
        what: `${listed(same.map(endName))} are all set to ${title}, and the firmware allows it on one port.`,
        evidence: [{ label: `ports set to ${title}`, value: String(same.length), limit: '1' }],
        why: `${dialect.name}: ${refusal.sentence} It does not report which of the ports it uses; the others stay silent.`,
        discriminator: refusal.role,
        remedies: () => unused(graph, same),
      },
    ];
  });
}

/** Ports at which there is nothing give the role up, as long as one keeps it. */
function unused(graph: Graph, same: readonly SerialEnd[]): Remedy[] {
  const empty = same.filter((end) => !isPortJoined(graph, end.entry.item.id, portOfEnd(end)));
  const givenUp = empty.length === same.length ? empty.slice(1) : empty;
  return givenUp.slice(0, same.length === 2 ? 1 : 0).map((end) => {
    const { item } = end.entry;
    const setting = `${end.endpoint.id}.protocol`;
    return {
      label: `Free ${end.endpoint.names.label}`,
      sentence: `Nothing is connected to ${endName(end)}: remove its protocol.`,
      edit: { kind: 'set-item-setting', item: item.id, setting, value: null, was: item.settings[setting] ?? null },
    };
  });
}
