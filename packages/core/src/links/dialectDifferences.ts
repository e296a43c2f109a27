import { boardOf } from '../dialects/boardOf.ts';
import { dialectOf } from '../dialects/dialectOf.ts';
import type { Graph } from '../graph/graph.ts';
import type { Dialect } from '../model/dialect.ts';
import { FLIGHT_MODES } from '../model/flightModes.ts';
import { OUTPUT_FUNCTIONS } from '../model/outputFunctions.ts';

/** One thing of an aircraft that two dialects write in different ways. */
export interface DialectDifference {
  /** `FC1 S4`, `left elevon`. */
  readonly what: string;
  /** As the dialect in use writes it; undefined where it does not know it. */
  readonly was: string | undefined;
  readonly now: string | undefined;
}

/** What another dialect writes in another way of what this aircraft has: ports, outputs that have a function, and the sticks. */
export function dialectDifferences(graph: Graph, other: Dialect): readonly DialectDifference[] {
  const { design } = graph;
  const present = dialectOf(design);
  const both = [present, other] as const;
  const found: DialectDifference[] = [];
  const compare = (what: string, read: (dialect: Dialect | undefined) => string | undefined): void => {
    const [was, now] = both.map(read);
    if (was !== now) found.push({ what, was, now });
  };
  for (const { item, part } of graph.items) {
    if (part?.kind !== 'controller') continue;
    for (const endpoint of part.endpoints) {
      if (endpoint.is === 'uart')
        compare(`${item.ref} ${endpoint.names.label}`, (dialect) => boardOf(dialect, part)?.serial?.[endpoint.id]);
      else if (endpoint.is === 'pulse-out' && isUsed(graph, item.id, endpoint.id))
        compare(`${item.ref} ${endpoint.id}`, (dialect) => boardOf(dialect, part)?.outputs?.[endpoint.id]);
    }
  }
  for (const name of new Set(Object.values(design.aircraft.outputs).map((use) => use.function)))
    compare(OUTPUT_FUNCTIONS[name].title, (dialect) => dialect?.functions[name]?.code);
  compare('pitch channel rises on', (dialect) => dialect?.pitchRisesOn);
  compare('RC scale, us', (dialect) => scaleWords(dialect));
  for (const mode of new Set(Object.values(design.aircraft.rc.ranges).map((range) => range.gives)))
    if (mode !== 'armed') compare(FLIGHT_MODES[mode].title, (dialect) => dialect?.modes[mode]?.code);
  return found;
}

function scaleWords(dialect: Dialect | undefined): string | undefined {
  if (dialect === undefined) return undefined;
  const { least, middle, most } = dialect.rcScaleUs;
  return `${least} ${middle} ${most}`;
}

function isUsed({ design }: Graph, item: string, output: string): boolean {
  return Object.values(design.aircraft.outputs).some((use) => use.item === item && use.output === output);
}
