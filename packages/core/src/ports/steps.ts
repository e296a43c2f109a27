import { applyEdit } from '../edits/applyEdit.ts';
import { withFreshIds } from '../edits/freshIds.ts';
import { proposeAdoption } from '../edits/proposeAdoption.ts';
import type { Edit } from '../edits/registry.ts';
import type { Graph, GraphItem } from '../graph/graph.ts';
import { graphOf } from '../graph/graphOf.ts';
import { partKeyOf } from '../model/contentHash.ts';
import type { ItemId } from '../model/ids.ts';
import type { Endpoint } from '../model/part.ts';
import { sampleParts } from '../parts/catalogue.ts';
import { quantity } from '../text/numbers.ts';
import type { LinkSeeker } from './linkSeekers.ts';
import type { PortPlan } from './planPorts.ts';

/** One thing that can be done so that more links find a port, before it is known whether it helps. */
export interface Step {
  readonly is: 'any-port' | 'other-format' | 'other-part';
  readonly label: string;
  /** What is done, and what it costs. */
  readonly sentence: string;
  readonly edit: Edit;
  /** The item that it is about. */
  readonly item: ItemId;
}

/** A link that a person wants on a port, on whichever is best. */
export function anyPortSteps(graph: Graph, { links }: PortPlan): readonly Step[] {
  return links.flatMap(({ seeker, pinned }) => {
    const edit = pinned === undefined ? undefined : withoutPin(graph, seeker);
    if (pinned === undefined || edit === undefined) return [];
    const { item } = seeker.entry;
    const sentence = `Release ${seeker.title} from ${pinned.title}: nothing to buy.`;
    return [{ is: 'any-port', label: `Release ${item.ref}`, sentence, edit, item: item.id }];
  });
}

function withoutPin({ design }: Graph, { keys, title }: LinkSeeker): Edit | undefined {
  const edits = keys.flatMap((link) => {
    const was = design.aircraft.links[link]?.port;
    return was === undefined ? [] : [{ kind: 'set-link-port', link, port: null, was } as const];
  });
  return edits.length === 0 ? undefined : { kind: 'batch', title: `${title}: on any port`, edits };
}

/** Another value of a setting of the device itself. */
export function formatSteps({ design }: Graph, { item }: GraphItem): readonly Step[] {
  const specs = design.parts.get(item.part)?.settings ?? [];
  return specs.flatMap((spec) => {
    if (spec.is !== 'choice') return [];
    const others = spec.choices.filter(({ value }) => value !== (item.settings[spec.id] ?? spec.default));
    return others.map(({ value, label }): Step => ({
      is: 'other-format',
      label: `Set ${item.ref} to ${label}`,
      sentence: `Set the ${spec.label} of ${item.ref} to ${label}: nothing to buy.`,
      edit: { kind: 'set-item-setting', item: item.id, setting: spec.id, value, was: item.settings[spec.id] ?? null },
      item: item.id,
    }));
  });
}

/** What goes to a controller, and not by a serial port. */
const NOT_SERIAL: readonly Endpoint['is'][] = ['can', 'i2c-device', 'analog-out', 'rc-out'];

/** Another part of the catalogue of the same kind: on a bus, or in another format. */
export function partSteps({ design }: Graph, { item, part }: GraphItem): readonly Step[] {
  const others = sampleParts.filter(
    (other) => other.kind === part?.kind && other.id !== part.id && other.endpoints.some(({ is }) => NOT_SERIAL.includes(is)),
  );
  return others.flatMap((other): Step[] => {
    const edit = proposeAdoption(design, item.id, partKeyOf(other));
    if (edit === undefined) return [];
    const grams = other.massG - (part?.massG ?? other.massG);
    const sentence = `Replace ${item.ref} with "${other.name}": ${grams < 0 ? '' : '+'}${quantity(grams, 'g')}.`;
    return [{ is: 'other-part', label: `Replace ${item.ref}`, sentence, edit, item: item.id }];
  });
}

/** The graph with some steps made; undefined where the document does not allow one. */
export function afterSteps(graph: Graph, steps: readonly Step[]): Graph | undefined {
  let ids = 0;
  let { design } = graph;
  for (const { edit } of steps) {
    const result = applyEdit(
      design,
      withFreshIds(edit, () => `tried-${++ids}`),
    );
    if ('refused' in result) return undefined;
    ({ design } = result);
  }
  return graphOf(design);
}

/** True where an item that becomes another part serves every link that it served. */
export function servesAsBefore(before: readonly LinkSeeker[], after: readonly LinkSeeker[], { is, item }: Step): boolean {
  const kindsAt = (links: readonly LinkSeeker[]): readonly string[] =>
    links.flatMap(({ entry, kinds }) => (entry.item.id === item ? kinds : []));
  const served = kindsAt(after);
  return is !== 'other-part' || kindsAt(before).every((kind) => served.includes(kind));
}
