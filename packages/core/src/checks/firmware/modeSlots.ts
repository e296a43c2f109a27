import { dialectOf } from '../../dialects/dialectOf.ts';
import type { Graph } from '../../graph/graph.ts';
import { givesName, type ModeRange } from '../../model/rcPlan.ts';
import { STRIP_US } from '../../rc/modes/valueStrip.ts';
import { listed } from '../../text/lists.ts';
import type { Remedy, Saying } from '../finding.ts';
import { rcSubjects } from '../helpers/rcSubjects.ts';

/** Modes that the firmware does not have, or not in this way. */
export function modeSlotSayings(graph: Graph): readonly Saying[] {
  const where = rcSubjects(graph);
  return where.length === 0 ? [] : [...unknownModes(graph), ...outsideSlots(graph), ...otherChannels(graph)];
}

type Named = readonly [id: string, range: ModeRange];

function flightRanges(graph: Graph): readonly Named[] {
  return Object.entries(graph.design.aircraft.rc.ranges)
    .filter(([, { gives }]) => gives !== 'armed')
    .sort(([, a], [, b]) => a.fromUs - b.fromUs);
}

function unknownModes(graph: Graph): Saying[] {
  const dialect = dialectOf(graph.design);
  if (dialect === undefined) return [];
  return flightRanges(graph).flatMap(([id, range]): Saying[] => {
    const { gives } = range;
    if (gives === 'armed' || dialect.modes[gives] !== undefined) return [];
    return [
      {
        severity: 'mend',
        where: rcSubjects(graph),
        what: `The firmware has no mode "${givesName(gives)}".`,
        evidence: [{ label: 'dialect', value: dialect.name }],
        why: 'This mode cannot be loaded.',
        discriminator: `mode ${id}`,
        remedies: () => [takenOut(id, range)],
      },
    ];
  });
}

/** In a firmware with slots a mode begins and ends where a slot does. */
function outsideSlots(graph: Graph): Saying[] {
  const slots = dialectOf(graph.design)?.modeSlotsUs;
  if (slots === undefined) return [];
  const edges = [STRIP_US.least, ...slots, STRIP_US.most];
  return flightRanges(graph).flatMap(([id, range]): Saying[] => {
    const off = [range.fromUs, range.toUs].filter((us) => !edges.includes(us));
    if (off.length === 0 && range.with === undefined) return [];
    return [
      {
        severity: 'mend',
        where: rcSubjects(graph),
        what:
          off.length > 0
            ? `The range of ${givesName(range.gives)} on channel ${range.channel} has a limit at ${listed(off.map(String))} us, where no slot of the firmware has one.`
            : `The range of ${givesName(range.gives)} on channel ${range.channel} depends on another channel; slots of the firmware do not.`,
        evidence: [{ label: 'limits of the slots', value: slots.join(' ') }],
        why: 'The firmware divides the channel at its own limits.',
        discriminator: `slot ${id}`,
        remedies: () => onEdges(id, range, edges),
      },
    ];
  });
}

function onEdges(id: string, range: ModeRange, edges: readonly number[]): Remedy[] {
  const nearest = (us: number): number => edges.reduce((best, one) => (Math.abs(one - us) < Math.abs(best - us) ? one : best));
  const [fromUs, toUs] = [nearest(range.fromUs), nearest(range.toUs)];
  const { with: _also, ...plain } = range;
  if (fromUs >= toUs) return [takenOut(id, range)];
  return [
    {
      label: `${fromUs} to ${toUs} us`,
      sentence: `Give ${givesName(range.gives)} the slots from ${fromUs} to ${toUs} us.`,
      edit: { kind: 'set-mode-range', id, value: { ...plain, fromUs, toUs }, was: range },
    },
  ];
}

function otherChannels(graph: Graph): Saying[] {
  if (dialectOf(graph.design)?.modeSlotsUs === undefined) return [];
  const channels = [...new Set(flightRanges(graph).map(([, { channel }]) => channel))];
  if (channels.length < 2) return [];
  return [
    {
      severity: 'mend',
      where: rcSubjects(graph),
      what: `Modes are on channels ${listed(channels)}; the firmware has all its slots on one channel.`,
      evidence: [{ label: 'channels with modes', value: String(channels.length), limit: '1' }],
      why: 'Those on the other channels cannot be loaded. Two switches can be mixed into one channel in the radio.',
      discriminator: 'channels',
    },
  ];
}

function takenOut(id: string, range: ModeRange): Remedy {
  return {
    label: 'Remove it',
    sentence: `Remove the range of ${givesName(range.gives)}.`,
    edit: { kind: 'set-mode-range', id, value: null, was: range },
  };
}
