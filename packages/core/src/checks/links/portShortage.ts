import type { Graph } from '../../graph/graph.ts';
import { chainsOf } from '../../links/chains/chainsOf.ts';
import { everyLinkFits } from '../../ports/everyLinkFits.ts';
import { planPorts, type PlannedLink, type PortPlan } from '../../ports/planPorts.ts';
import { OTHER_KIND } from '../../ports/fit.ts';
import { relaxationsOf } from '../../ports/relaxations.ts';
import { listed } from '../../text/lists.ts';
import type { Check, Remedy, Saying, Subject } from '../finding.ts';

/** A link that its item needs, and that no port of any board in the aircraft suits, however free it is. */
export const noPort: Check = {
  id: 'link.no-port',
  stage: 'links',
  title: 'No port for a link',
  run: ({ graph }) => {
    const { plan, left } = shortOf(graph);
    return plan === undefined ? [] : left.filter((link) => !suitsAnywhere(plan, link)).map((link) => noPortSaying(graph, plan, link));
  },
};

/** More links that are needed than ports that suit them. */
export const portShortage: Check = {
  id: 'link.port-shortage',
  stage: 'links',
  title: 'Too few ports',
  run: ({ graph }) => {
    const { plan, left } = shortOf(graph);
    const short = plan === undefined ? [] : left.filter((link) => suitsAnywhere(plan, link));
    return plan === undefined || short.length === 0 ? [] : [shortageSaying(graph, plan, short)];
  },
};

interface Short {
  readonly plan: PortPlan | undefined;
  readonly left: readonly PlannedLink[];
}

const cache = new WeakMap<Graph, Short>();

/** The links that are needed, lead nowhere, and find no port in the best plan. Without any that lead nowhere nothing is planned. */
function shortOf(graph: Graph): Short {
  const known = cache.get(graph);
  if (known !== undefined) return known;
  const isOpen = chainsOf(graph).some(({ kind, state, wish }) => kind.isNeeded && wish === undefined && state.is === 'not-joined');
  // Most aircraft have room, and then nothing is searched for.
  const plan = isOpen && !everyLinkFits(graph) ? planPorts(graph) : undefined;
  const left = (plan?.links ?? []).filter(({ seeker, fit }) => seeker.isNeeded && seeker.now === undefined && fit === undefined);
  const short = { plan: plan?.ports.length === 0 ? undefined : plan, left };
  cache.set(graph, short);
  return short;
}

function suitsAnywhere({ links, cells }: PortPlan, link: PlannedLink): boolean {
  return (cells[links.indexOf(link)] ?? []).some((cell) => !('is' in cell) && cell.some(({ gives }) => gives === undefined));
}

const subjectOf = ({ seeker }: PlannedLink): Subject => ({ is: 'item', item: seeker.entry.item.id });

function noPortSaying(graph: Graph, plan: PortPlan, link: PlannedLink): Saying {
  const reasons = (plan.cells[plan.links.indexOf(link)] ?? []).flatMap((cell, i) =>
    'is' in cell ? [{ label: plan.ports[i]?.title ?? '?', value: cell.why }] : [],
  );
  const told = reasons.filter(({ value }) => value !== OTHER_KIND);
  return {
    severity: 'mend',
    where: [subjectOf(link)],
    what: `No port suits ${link.seeker.title}.`,
    evidence: (told.length > 0 ? told : reasons).slice(0, 4),
    why: 'It cannot reach the controller, whichever ports are freed.',
    discriminator: link.seeker.kinds.join(' '),
    remedies: () => remedies(graph, plan),
  };
}

function shortageSaying(graph: Graph, plan: PortPlan, short: readonly PlannedLink[]): Saying {
  const names = listed(short.map(({ seeker }) => seeker.title));
  return {
    severity: 'mend',
    where: short.map(subjectOf),
    what: `Too few ports: ${names} ${short.length === 1 ? 'gets' : 'get'} none in the best plan.`,
    evidence: [
      { label: 'links that need a port', value: String(plan.links.length) },
      { label: 'links without one', value: String(plan.links.filter(({ fit }) => fit === undefined).length), limit: '0' },
    ],
    why: 'These parts cannot reach the controller. Change a format, a part, or the board.',
    remedies: () => remedies(graph, plan),
  };
}

/** The steps that are enough by themselves. Those that help and are not enough, or wire everything, are on the port board. */
function remedies(graph: Graph, plan: PortPlan): readonly Remedy[] {
  return relaxationsOf(graph, plan)
    .filter(({ isEnough, is }) => isEnough && is !== 'software')
    .map(({ label, sentence, edit }) => ({ label, sentence, edit }));
}
