import type { Graph } from '../../graph/graph.ts';
import { hopEndName, type Facet, type FacetSide, type Hop, type HopEnd } from '../../links/chains/hop.ts';
import { settingInForce } from '../../model/settingInForce.ts';
import type { SettingSpec, SettingValue } from '../../model/setting.ts';
import { settingsOf, settingTakes } from '../../model/settingsOf.ts';
import type { Evidence, Remedy, Subject } from '../finding.ts';

/** The item at an end: a radio and a socket are on no port. */
export function hopEndSubject({ entry }: HopEnd): Subject {
  return { is: 'item', item: entry.item.id };
}

/** What each end of a hop has of a facet. */
export function evidenceOf({ a, b }: Hop, facet: Facet): readonly Evidence[] {
  return [a, ...(b === undefined ? [] : [b])].map((end) => ({
    label: `${hopEndName(end)}, ${facet.title}`,
    value: (end === a ? facet.a : facet.b).value ?? 'not set',
  }));
}

/** Sets an end to what the other end has, where its part takes that. */
export function setLikeOther(graph: Graph, end: HopEnd, { setting }: FacetSide, other: HopEnd, otherSide: FacetSide): Remedy[] {
  const { item } = end.entry;
  const part = graph.design.parts.get(item.part);
  const spec = part === undefined ? undefined : settingsOf(part).find(({ id }) => id === setting);
  const value = spec === undefined ? undefined : valueLike(graph, spec, other, otherSide);
  if (setting === undefined || spec === undefined || value === undefined || !settingTakes(spec, value)) return [];
  return [
    {
      label: `Set ${item.ref} like ${other.entry.item.ref}`,
      sentence: `Set ${hopEndName(end)} to ${otherSide.value ?? String(value)}.`,
      edit: { kind: 'set-item-setting', item: item.id, setting, value, was: item.settings[setting] ?? null },
    },
  ];
}

/** What the other end is set to; where its part leaves no choice, that one of the choices here which its words name. */
function valueLike(
  { design }: Graph,
  spec: SettingSpec,
  { entry: { item } }: HopEnd,
  { setting, value }: FacetSide,
): SettingValue | undefined {
  if (setting !== undefined) return settingInForce(design, item, setting);
  return spec.is === 'choice' ? spec.choices.find(({ label }) => value?.split(' ').includes(label) === true)?.value : undefined;
}
