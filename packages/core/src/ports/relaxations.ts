import type { Patience } from '../assign/problem.ts';
import type { Edit } from '../edits/registry.ts';
import type { Graph, GraphItem } from '../graph/graph.ts';
import { listed } from '../text/lists.ts';
import { GIVING_WAY, type GivesWay } from './fit.ts';
import { linkSeekers } from './linkSeekers.ts';
import { planPorts, type PortPlan } from './planPorts.ts';
import { smallestSteps } from './smallestSteps.ts';
import { afterSteps, anyPortSteps, formatSteps, partSteps, servesAsBefore, type Step } from './steps.ts';
import { takePlan } from './takePlan.ts';

/** Something that gives way, so that more links find a port. */
export interface Relaxation {
  readonly label: string;
  /** What is done, and what it costs. */
  readonly sentence: string;
  readonly edit: Edit;
  readonly is: GivesWay | Step['is'] | 'several';
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
 * What can give way where links are left out, what helps most first: a port that a person insists on, a software port, a part in the
 * wire, another format that a device can be set to, another part of its kind that goes another way. Each is tried; none is offered that
 * does not help. Where no single step is enough, the fewest that are together come first.
 * @param plan the best plan without them
 */
export function relaxationsOf(graph: Graph, plan: PortPlan): readonly Relaxation[] {
  const steps = relaxationSteps(graph, plan);
  for (let step = steps.next(); ; step = steps.next()) if (step.done === true) return step.value;
}

/**
 * The same in steps, each a way that is tried: it gives the share that is done.
 * @param patience where it is over, the fewest steps that are enough together are not searched for any longer
 */
export function* relaxationSteps(graph: Graph, plan: PortPlan, patience?: Patience): Generator<number, readonly Relaxation[], void> {
  const before = leftOutOf(plan);
  if (before.all === 0 || plan.ports.length === 0) return [];
  const steps = [
    ...anyPortSteps(graph, plan),
    ...movableItems(plan).flatMap((entry) => [...formatSteps(graph, entry), ...partSteps(graph, entry)]),
  ];
  const ways = [
    ...GIVING_WAY.map((way) => (): Relaxation[] => byGivingWay(graph, way)),
    ...steps.map((step) => (): Relaxation[] => tried(graph, step)),
  ];
  const single: Relaxation[] = [];
  for (const [i, way] of ways.entries()) {
    single.push(...way().filter(({ leftOut }) => isFewer(leftOut, before)));
    yield (i + 1) / (ways.length + 1);
  }
  single.sort((a, b) => a.leftOut.needed - b.leftOut.needed || a.leftOut.all - b.leftOut.all);
  const several = before.needed > 0 && !single.some(({ isEnough }) => isEnough) ? together(graph, steps, patience) : [];
  return [...several, ...single].slice(0, MOST_OFFERED);
}

/** Who has a serial port can free it, and who has none can go another way. */
function movableItems({ links }: PortPlan): readonly GraphItem[] {
  return [...new Set(links.flatMap(({ seeker, fit }) => (fit === undefined || fit.from[0].is === 'uart' ? [seeker.entry] : [])))];
}

function leftOutOf({ links }: PortPlan): LeftOut {
  const left = links.filter(({ fit }) => fit === undefined);
  return { needed: left.filter(({ seeker }) => seeker.isNeeded).length, all: left.length };
}

/** A needed link counts more than any number of others. */
function isFewer(a: LeftOut, b: LeftOut): boolean {
  return a.needed < b.needed || (a.needed === b.needed && a.all < b.all);
}

/** What is said of a way out: on the button, and behind "Put RX1 on S4". */
const WAYS_OUT: Readonly<Record<GivesWay, { readonly label: string; readonly which: string }>> = {
  software: {
    label: 'Use a software port',
    which: 'which is a software port: it costs processor time, and bytes are lost when both sides send at once',
  },
  inverter: { label: 'Insert an inverter', which: 'with an inverter in the wire' },
  'level-shifter': { label: 'Insert a level shifter', which: 'with a level shifter in the wires' },
};

function byGivingWay(graph: Graph, way: GivesWay): Relaxation[] {
  const plan = planPorts(graph, { giveWay: [way] });
  const sentence = plan === undefined ? undefined : givingSentence(plan, way);
  if (plan === undefined || sentence === undefined) return [];
  const { edit, undone } = takePlan(graph, plan);
  if (edit === undefined || undone.length > 0) return [];
  return [{ label: WAYS_OUT[way].label, sentence, edit, is: way, ...outcomeOf(plan) }];
}

/** Which links a plan puts where something of a kind gives way; undefined where none. */
function givingSentence({ links }: PortPlan, way: GivesWay): string | undefined {
  const given = links.filter(({ fit }) => fit?.gives?.way === way);
  const moved = listed(given.map(({ seeker, fit }) => `${seeker.title} on ${fit?.port.title ?? ''}`));
  return given.length === 0 ? undefined : `Put ${moved}, ${WAYS_OUT[way].which}.`;
}

function outcomeOf(plan: PortPlan): Pick<Relaxation, 'leftOut' | 'isEnough'> {
  const leftOut = leftOutOf(plan);
  return { leftOut, isEnough: leftOut.needed === 0 };
}

/** A step with what it brings; none where the item would not serve what it served before. */
function tried(graph: Graph, step: Step): Relaxation[] {
  const after = afterSteps(graph, [step]);
  const plan = after === undefined ? undefined : planPorts(after);
  if (after === undefined || plan === undefined || !servesAsBefore(linkSeekers(graph), linkSeekers(after), step)) return [];
  const { label, sentence, edit, is } = step;
  return [{ label, sentence, edit, is, ...outcomeOf(plan) }];
}

/** The fewest steps that are enough together, as one edit; none where all of them are not. */
function together(graph: Graph, steps: readonly Step[], patience?: Patience): Relaxation[] {
  const chosen = smallestSteps(graph, steps, patience);
  const after = chosen === undefined ? undefined : afterSteps(graph, chosen);
  const then = after === undefined ? undefined : planPorts(after, { giveWay: GIVING_WAY });
  if (chosen === undefined || after === undefined || then === undefined) return [];
  const { edit: taken, undone } = takePlan(after, then);
  if (undone.length > 0 || leftOutOf(then).needed > 0) return [];
  const gives = GIVING_WAY.flatMap((way) => givingSentence(then, way) ?? []);
  const count = chosen.length + then.links.filter(({ fit }) => fit?.gives !== undefined).length;
  const edits = [...chosen.map(({ edit }) => edit), ...(gives.length > 0 && taken !== undefined ? [taken] : [])];
  return [
    {
      label: `Take ${count} steps`,
      sentence: [...chosen.map(({ sentence }) => sentence), ...gives].join(' '),
      edit: batchOf(`Take ${count} steps for ports`, edits),
      is: 'several',
      ...outcomeOf(then),
    },
  ];
}

function batchOf(title: string, edits: readonly Edit[]): Edit {
  return {
    kind: 'batch',
    title,
    edits: edits.flatMap((edit) => (edit.kind === 'batch' ? edit.edits : edit.kind === 'undo' ? [] : [edit])),
  };
}
