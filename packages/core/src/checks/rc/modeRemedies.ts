import { hovers } from '../../model/airframes.ts';
import { dialectOf } from '../../dialects/dialectOf.ts';
import type { Edit, SimpleEdit } from '../../edits/registry.ts';
import type { Graph } from '../../graph/graph.ts';
import { flightModes, type FlightMode } from '../../model/flightModes.ts';
import { givesName, type ModeRange } from '../../model/rcPlan.ts';
import { channelPlanOf } from '../../rc/channelPlan.ts';
import type { Combination } from '../../rc/modes/combinations.ts';
import { isSafeMode, modeReachOf, type ModeReach } from '../../rc/modes/modeReach.ts';
import { STRIP_US } from '../../rc/modes/valueStrip.ts';
import type { Remedy } from '../finding.ts';
import { graphAfter } from '../helpers/tryEdit.ts';

/** Counts of what is wrong, to see whether an edit makes anything else worse. */
function faults(graph: Graph): Readonly<Record<string, number>> {
  const reach = modeReachOf(graph.design);
  return {
    unreached: reach?.unreached.length ?? 0,
    overlaps: reach?.overlaps.length ?? 0,
    gaps: reach?.gaps.length ?? 0,
    noReturn: reach?.hasReturn === false ? 1 : 0,
    far: reach?.farFromSafe.length ?? 0,
    shared: reach?.sharedWithArming.length ?? 0,
  };
}

/** The first of some edits that settle something and bring nothing worse. */
function settling(graph: Graph, candidates: readonly Remedy[], isSettled: (reach: ModeReach) => boolean): Remedy[] {
  const before = faults(graph);
  return candidates
    .filter(({ edit }) => {
      const after = graphAfter(graph, edit);
      const reach = after === undefined ? undefined : modeReachOf(after.design);
      if (after === undefined || reach === undefined || !isSettled(reach)) return false;
      const now = faults(after);
      return Object.keys(now).every((kind) => (now[kind] ?? 0) <= (before[kind] ?? 0));
    })
    .slice(0, 2);
}

/** Another mode on a range. */
function giving(graph: Graph, mode: FlightMode): Remedy[] {
  const known = dialectOf(graph.design)?.modes;
  if (known !== undefined && known[mode] === undefined) return [];
  return Object.entries(graph.design.aircraft.rc.ranges)
    .filter(([, { gives }]) => gives !== 'armed' && gives !== mode)
    .sort(([, a], [, b]) => b.fromUs - a.fromUs)
    .map(([id, range]): Remedy => {
      const edit: Edit = { kind: 'set-mode-range', id, value: { ...range, gives: mode }, was: range };
      const from = givesName(range.gives);
      return {
        label: `${givesName(mode)} instead of ${from}`,
        sentence: `Make ${range.fromUs} to ${range.toUs} us of channel ${range.channel} select ${givesName(mode)} instead of ${from}.`,
        edit,
      };
    });
}

/** The way home in place of a mode that is there besides. */
export function homewards(graph: Graph): Remedy[] {
  return settling(graph, giving(graph, 'return'), ({ hasReturn }) => hasReturn);
}

/** A safe mode in place of another, so that it is one movement away from everywhere. */
export function towardsSafe(graph: Graph): Remedy[] {
  const { kind } = graph.design.aircraft.airframe;
  const safe = hovers(kind) ? flightModes.filter((mode) => mode.startsWith('hover') && isSafeMode(kind, mode)) : (['manual'] as const);
  return settling(
    graph,
    safe.flatMap((mode) => giving(graph, mode)),
    ({ farFromSafe }) => farFromSafe.length === 0,
  );
}

/** A range beside a gap reaches over the value that falls into it. */
export function overGap(graph: Graph, { values }: Combination): Remedy[] {
  const ranges = Object.entries(graph.design.aircraft.rc.ranges).filter(
    ([, { gives, with: also }]) => gives !== 'armed' && also === undefined,
  );
  const wider = [...values].flatMap(([channel, us]) => {
    const own = ranges.filter(([, range]) => range.channel === channel);
    const below = own.filter(([, { toUs }]) => toUs <= us).sort(([, a], [, b]) => b.toUs - a.toUs)[0];
    const above = own.filter(([, { fromUs }]) => fromUs > us).sort(([, a], [, b]) => a.fromUs - b.fromUs)[0];
    const end = above?.[1].fromUs ?? STRIP_US.most;
    const start = below?.[1].toUs ?? STRIP_US.least;
    return [
      ...(below === undefined ? [] : [widened(below[0], below[1], { toUs: end })]),
      ...(above === undefined ? [] : [widened(above[0], above[1], { fromUs: start })]),
    ];
  });
  const before = modeReachOf(graph.design)?.gaps.length ?? 0;
  return settling(graph, wider, ({ gaps }) => gaps.length < before);
}

function widened(id: string, was: ModeRange, change: Partial<Pick<ModeRange, 'fromUs' | 'toUs'>>): Remedy {
  const value = { ...was, ...change };
  return {
    label: `Widen ${givesName(was.gives)}`,
    sentence: `Widen ${givesName(was.gives)} to ${value.fromUs} to ${value.toUs} us of channel ${was.channel}.`,
    edit: { kind: 'set-mode-range', id, value, was },
  };
}

/** Arming on a free channel by a switch of its own. */
export function armingApart(graph: Graph): Remedy[] {
  const { rc } = graph.design.aircraft;
  const armed = Object.entries(rc.ranges).filter(([, { gives }]) => gives === 'armed');
  const free = channelPlanOf(graph).rows.find(({ no, channel, of }) => channel === undefined && of !== undefined && Number(no) > 4)?.no;
  const id = Array.from({ length: 24 }, (_, i) => `s${i + 1}`).find((one) => rc.switches[one] === undefined);
  if (free === undefined || id === undefined || armed.length === 0) return [];
  const edits: SimpleEdit[] = [
    { kind: 'set-rc-switch', id, value: { title: `switch ${id.slice(1)}`, positions: 2 }, was: null },
    { kind: 'set-rc-channel', channel: free, value: { use: 'arm', from: { is: 'switches', switches: [id] } }, was: null },
    ...armed.map(([range, was]): SimpleEdit => ({
      kind: 'set-mode-range',
      id: range,
      value: { channel: free, fromUs: 1700, toUs: STRIP_US.most, gives: 'armed' },
      was,
    })),
  ];
  const title = `Arm with a separate switch on channel ${free}`;
  const remedy: Remedy = { label: `Arm on channel ${free}`, sentence: `${title}.`, edit: { kind: 'batch', title, edits } };
  return settling(graph, [remedy], ({ sharedWithArming }) => sharedWithArming.length === 0);
}
