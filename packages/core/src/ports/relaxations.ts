import type { Patience } from '../assign/problem.ts';
import { applyEdit } from '../edits/applyEdit.ts';
import { withFreshIds } from '../edits/freshIds.ts';
import { proposeAdoption } from '../edits/proposeAdoption.ts';
import type { Edit } from '../edits/registry.ts';
import type { Graph, GraphItem } from '../graph/graph.ts';
import { graphOf } from '../graph/graphOf.ts';
import type { ItemId } from '../model/ids.ts';
import { partKeyOf } from '../model/contentHash.ts';
import type { Endpoint } from '../model/part.ts';
import { sampleParts } from '../parts/catalogue.ts';
import { listed } from '../text/lists.ts';
import { quantity } from '../text/numbers.ts';
import { linkSeekers, type LinkSeeker } from './linkSeekers.ts';
import { planPorts, type PortPlan } from './planPorts.ts';
import { takePlan } from './takePlan.ts';

/** One thing that gives way, so that more links find a port. */
export interface Relaxation {
  readonly label: string;
  /** What is done, and what it costs. */
  readonly sentence: string;
  readonly edit: Edit;
  readonly is: 'by-software' | 'other-format' | 'other-part';
  /** How many links are left out after it, those that are needed and the others. */
  readonly leftOut: LeftOut;
  /** True where no link that is needed is left out after it. */
  readonly isEnough: boolean;
}

interface LeftOut {
  readonly needed: number;
  readonly all: number;
}

/** So many are offered. */
const MOST_OFFERED = 6;

/**
 * The single steps after which fewer links are left out, those that help most first: a port made by software, another format that a
 * device can be set to, another part of its kind that goes another way. Each is tried; none is offered that does not help.
 * @param plan the best plan without them
 * @param patience where it is over, what is left is not tried
 */
export function relaxationsOf(graph: Graph, plan: PortPlan, patience?: Patience): readonly Relaxation[] {
  const before = leftOutOf(plan);
  if (before.all === 0 || plan.ports.length === 0) return [];
  // Who has a serial port can free it, and who has none can go another way.
  const items = [
    ...new Set(plan.links.flatMap(({ seeker, fit }) => (fit === undefined || fit.from[0].is === 'uart' ? [seeker.entry] : []))),
  ];
  const steps = [
    ...bySoftware(graph),
    ...items.flatMap((entry) => (patience?.isOver() === true ? [] : [...byFormat(graph, entry), ...byOtherPart(graph, entry)])),
  ];
  return steps
    .filter(({ leftOut }) => isFewer(leftOut, before))
    .sort((a, b) => a.leftOut.needed - b.leftOut.needed || a.leftOut.all - b.leftOut.all)
    .slice(0, MOST_OFFERED);
}

function leftOutOf({ links }: PortPlan): LeftOut {
  const left = links.filter(({ fit }) => fit === undefined);
  return { needed: left.filter(({ seeker }) => seeker.isNeeded).length, all: left.length };
}

/** A needed link counts more than any number of others. */
function isFewer(a: LeftOut, b: LeftOut): boolean {
  return a.needed < b.needed || (a.needed === b.needed && a.all < b.all);
}

function bySoftware(graph: Graph): Relaxation[] {
  const plan = planPorts(graph, { giveWay: true });
  const soft = plan?.links.filter(({ fit }) => fit?.gives !== undefined) ?? [];
  const edit = plan === undefined || soft.length === 0 ? undefined : takePlan(graph, plan).edit;
  if (plan === undefined || edit === undefined) return [];
  const moved = listed(soft.map(({ seeker, fit }) => `${seeker.title} on ${fit?.port.title ?? ''}`));
  return [
    {
      label: 'Use a port made by software',
      sentence: `Put ${moved}, which is made by software: it costs processor time, and bytes are lost when both sides talk at once.`,
      edit,
      is: 'by-software',
      ...outcomeOf(plan),
    },
  ];
}

function outcomeOf(plan: PortPlan): Pick<Relaxation, 'leftOut' | 'isEnough'> {
  const leftOut = leftOutOf(plan);
  return { leftOut, isEnough: leftOut.needed === 0 };
}

/** Another value of a setting of the device itself. */
function byFormat(graph: Graph, { item }: GraphItem): Relaxation[] {
  const specs = graph.design.parts.get(item.part)?.settings ?? [];
  return specs.flatMap((spec) =>
    spec.is !== 'choice'
      ? []
      : spec.choices
          .filter(({ value }) => value !== (item.settings[spec.id] ?? spec.default))
          .flatMap(({ value, label }) =>
            tried(graph, `Set ${item.ref} to ${label}`, `Set the ${spec.label} of ${item.ref} to ${label}: nothing is bought.`, {
              kind: 'set-item-setting',
              item: item.id,
              setting: spec.id,
              value,
              was: item.settings[spec.id] ?? null,
            }),
          ),
  );
}

/** What goes to a controller, and not by a serial port. */
const NOT_SERIAL: readonly Endpoint['is'][] = ['can', 'i2c-device', 'analog-out', 'rc-out'];

/** Another part of the catalogue of the same kind: on a bus, or in another format. */
function byOtherPart({ design, ...rest }: Graph, { item, part }: GraphItem): Relaxation[] {
  return sampleParts
    .filter((other) => other.kind === part?.kind && other.id !== part.id && other.endpoints.some(({ is }) => NOT_SERIAL.includes(is)))
    .flatMap((other) => {
      const edit = proposeAdoption(design, item.id, partKeyOf(other));
      const grams = other.massG - (part?.massG ?? other.massG);
      const price = `${grams < 0 ? '' : '+'}${quantity(grams, 'g')}`;
      return edit === undefined
        ? []
        : tried({ design, ...rest }, `Exchange ${item.ref}`, `Exchange ${item.ref} for "${other.name}": ${price}.`, edit, item.id);
    });
}

/** @param exchanged the item that becomes another part: it has to serve every link that it served before */
function tried(graph: Graph, label: string, sentence: string, edit: Edit, exchanged?: ItemId): Relaxation[] {
  let ids = 0;
  const result = applyEdit(
    graph.design,
    withFreshIds(edit, () => `tried-${++ids}`),
  );
  const plan = 'refused' in result ? undefined : planPorts(graphOf(result.design));
  const kindsAt = (links: readonly LinkSeeker[]): readonly string[] =>
    links.flatMap(({ entry, kinds }) => (entry.item.id === exchanged ? kinds : []));
  const served = plan === undefined ? [] : kindsAt(plan.links.map(({ seeker }) => seeker));
  if (!kindsAt(linkSeekers(graph)).every((kind) => served.includes(kind))) return [];
  return plan === undefined
    ? []
    : [{ label, sentence, edit, is: exchanged === undefined ? 'other-format' : 'other-part', ...outcomeOf(plan) }];
}
