import { planAdoption } from '../../edits/adoptPlan.ts';
import { proposeAdoption } from '../../edits/proposeAdoption.ts';
import type { Graph } from '../../graph/graph.ts';
import type { Aircraft } from '../../model/aircraft.ts';
import { sameJson } from '../../model/canonicalJson.ts';
import type { ItemId, PartKey } from '../../model/ids.ts';
import { naturalOrder } from '../../model/naturalOrder.ts';
import type { Part } from '../../model/part.ts';
import { catalogue, sampleParts } from '../../parts/catalogue.ts';
import { listed } from '../../text/lists.ts';
import { stated } from '../../text/numbers.ts';
import { inSentence, withArticle } from '../../text/sentences.ts';
import type { Remedy } from '../finding.ts';

/**
 * Every other part of its kind in the place of an item, as far as all that is wired to it and set of it stays; what is nearest in mass
 * first. They are drafts: which of them mend a finding is tried when somebody asks, and the best three are offered.
 * @param suits what no check would notice: a pack of fewer cells is overloaded less, and is not what was meant
 */
export function replacements(graph: Graph, id: ItemId, suits: (part: Part) => boolean = () => true): readonly Remedy[] {
  const item = graph.design.aircraft.items[id];
  const from = item === undefined ? undefined : graph.design.parts.get(item.part);
  if (item === undefined || from === undefined) return [];
  const apart = ({ massG }: Part): number => Math.abs(Math.log(massG / from.massG));
  return othersOfKind(graph, from)
    .filter(([, part]) => suits(part))
    .sort(([, a], [, b]) => apart(a) - apart(b))
    .flatMap(([key, part]): Remedy[] => {
      const edit = proposeAdoption(graph.design, id, key);
      const plan = edit === undefined ? undefined : planAdoption(graph.design, edit);
      if (edit === undefined || plan === undefined || 'refused' in plan || plan.losses.length > 0) return [];
      const plugs = replugged(graph.design.aircraft, plan.aircraft);
      const changes = [
        `${stated(part.massG, 'g')} instead of ${stated(from.massG, 'g')}`,
        ...(plugs.length === 0 ? [] : [`${listed(plugs)} ${plugs.length === 1 ? 'gets' : 'get'} another connector`]),
      ];
      return [
        {
          label: `Use ${inSentence(part.name)}`,
          sentence: `Replace ${item.ref} with ${withArticle(inSentence(part.name))} (${changes.join('; ')}).`,
          edit,
          isChoice: true,
        },
      ];
    });
}

/** The cables that have another connector at an end, in natural order of their tags. */
function replugged(before: Aircraft, after: Aircraft): readonly string[] {
  return Object.values(after.cables)
    .filter(({ id, nodes }) =>
      Object.values(nodes).some((node) => {
        const was = before.cables[id]?.nodes[node.id];
        return node.is === 'end' && was?.is === 'end' && !sameJson(node.connector, was.connector);
      }),
    )
    .map(({ tag }) => tag)
    .sort(naturalOrder);
}

/** The other parts of a kind: those of the catalogue as they are today, and those that a workshop made. */
function othersOfKind({ design }: Graph, from: Part): [PartKey, Part][] {
  const shipped = new Set(sampleParts.map(({ id }) => id));
  return [...design.parts].filter(
    ([key, part]) => part.kind === from.kind && part.id !== from.id && (catalogue.has(key) || !shipped.has(part.id)),
  );
}
