import { hovers, isWingless } from '../../model/airframes.ts';
import { dialectOf } from '../../dialects/dialectOf.ts';
import type { Graph } from '../../graph/graph.ts';
import { givesName, isRcBegun, type ModeRange } from '../../model/rcPlan.ts';
import { combinationsOf, modeChannels, MOST_COMBINATIONS } from '../../rc/modes/combinations.ts';
import { modeReachOf, type ModeReach } from '../../rc/modes/modeReach.ts';
import { gapsOn } from '../../rc/modes/valueStrip.ts';
import { positionWords } from '../../rc/switchPositions.ts';
import { listed } from '../../text/lists.ts';
import { range as spanText } from '../../text/numbers.ts';
import type { Check, Remedy, Saying } from '../finding.ts';
import { rcSubjects } from '../helpers/rcSubjects.ts';
import { armingApart, homewards, overGap, towardsSafe } from './modeRemedies.ts';

/** Modes that no switch reaches, positions in nobody's range, no way home, no safe mode within one movement, an arming switch that is shared. */
export const modeReach: Check = {
  id: 'rc.mode-reach',
  stage: 'links',
  title: 'Modes out of reach',
  run: ({ graph }) => {
    const { rc } = graph.design.aircraft;
    if (!isRcBegun(rc) || rcSubjects(graph).length === 0) return [];
    const combinations = combinationsOf(graph.design);
    if (combinations === undefined) return [tooMany(graph)];
    const reach = modeReachOf(graph.design);
    if (reach === undefined) return [];
    const hasModes = Object.values(rc.ranges).some(({ gives }) => gives !== 'armed');
    if (!hasModes) return [noModes(graph)];
    if (combinations.length === 0) return [noSwitch(graph)];
    return [
      ...unreached(graph, reach),
      ...gaps(graph, reach),
      ...passing(graph),
      ...noReturn(graph, reach),
      ...farFromSafe(graph, reach),
      ...shared(graph, reach),
    ];
  },
};

function tooMany(graph: Graph): Saying {
  return {
    severity: 'mend',
    where: rcSubjects(graph),
    what: `The switches of the modes have more than ${MOST_COMBINATIONS} combinations: they are not checked.`,
    why: 'Nobody can fly with so many, and which modes are out of reach is unknown.',
    discriminator: 'too-many',
  };
}

function noModes(graph: Graph): Saying {
  return {
    severity: 'mend',
    where: rcSubjects(graph),
    what: 'No channel selects a flight mode.',
    why: 'The aircraft stays in the start-up mode of its firmware.',
    discriminator: 'none',
  };
}

function noSwitch(graph: Graph): Saying {
  const channels = modeChannels(graph.design);
  return {
    severity: 'mend',
    where: rcSubjects(graph),
    what: `Modes are selected by channel ${listed(channels)}, and no switch of the radio is assigned to ${channels.length === 1 ? 'it' : 'them'}.`,
    evidence: [{ label: 'switches', value: '0', limit: 'at least 1' }],
    why: 'No mode can be selected in flight.',
    discriminator: 'no-switch',
  };
}

function unreached(graph: Graph, reach: ModeReach): Saying[] {
  const { ranges } = graph.design.aircraft.rc;
  return reach.unreached.flatMap((id): Saying[] => {
    const range = ranges[id];
    if (range === undefined) return [];
    const name = range.gives === 'armed' ? 'Arming' : `The mode "${givesName(range.gives)}"`;
    return [
      {
        severity: 'mend',
        where: rcSubjects(graph),
        what: `${name} at ${spanText(range.fromUs, range.toUs, 'us')} of channel ${range.channel} is not reached by any switch position.`,
        evidence: [{ label: 'positions in the range', value: '0', limit: 'at least 1' }],
        why: 'It cannot be selected in flight.',
        discriminator: `unreached ${id}`,
        remedies: () => [takeOut(id, range)],
      },
    ];
  });
}

function takeOut(id: string, range: ModeRange): Remedy {
  return {
    label: 'Remove the range',
    sentence: `Remove the range of ${givesName(range.gives)} at ${spanText(range.fromUs, range.toUs, 'us')}.`,
    edit: { kind: 'set-mode-range', id, value: null, was: range },
  };
}

function gaps(graph: Graph, { gaps: found }: ModeReach): Saying[] {
  const [first] = found;
  if (first === undefined) return [];
  const { rc } = graph.design.aircraft;
  const values = [...first.values].map(([channel, us]) => `channel ${channel} at ${Math.round(us)} us`);
  return [
    {
      severity: 'mend',
      where: rcSubjects(graph),
      what: `With ${positionWords(rc, first.positions)} the values are outside every mode's range: ${listed(values)}.`,
      evidence: [{ label: 'such combinations', value: String(found.length), limit: '0' }],
      why: 'The firmware falls back to a mode that nobody selected.',
      discriminator: 'gap',
      remedies: () => overGap(graph, first),
    },
  ];
}

/** Values between ranges that a switch passes on its way, though it does not stay there. */
function passing(graph: Graph): Saying[] {
  const inSlots = dialectOf(graph.design)?.modeSlotsUs !== undefined;
  return modeChannels(graph.design).flatMap((channel) =>
    gapsOn(graph.design, channel).map(({ fromUs, toUs }): Saying => ({
      severity: 'note',
      where: rcSubjects(graph),
      what: `${spanText(fromUs, toUs, 'us')} of channel ${channel} belongs to no mode, and its switch passes through it.`,
      evidence: [{ label: 'values without a mode', value: spanText(fromUs, toUs, 'us'), limit: 'none' }],
      why: inSlots ? "The slot there keeps the firmware's default mode." : 'The firmware falls back to another mode for a moment.',
      discriminator: `passing ${channel} ${Math.round(fromUs)}`,
      remedies: () => closings(graph, channel, fromUs, toUs),
    })),
  );
}

/** The range before the gap goes on to the next one. */
function closings(graph: Graph, channel: string, fromUs: number, toUs: number): Remedy[] {
  const before = Object.entries(graph.design.aircraft.rc.ranges).find(
    ([, one]) => one.channel === channel && one.with === undefined && one.gives !== 'armed' && one.toUs === fromUs,
  );
  if (before === undefined || toUs <= fromUs) return [];
  const [id, range] = before;
  return [
    {
      label: `Widen ${givesName(range.gives)}`,
      sentence: `Extend ${givesName(range.gives)} to ${Math.round(toUs)} us.`,
      edit: { kind: 'set-mode-range', id, value: { ...range, toUs }, was: range },
    },
  ];
}

function noReturn(graph: Graph, { hasReturn }: ModeReach): Saying[] {
  if (hasReturn || graph.items.every(({ part }) => part?.kind !== 'gnss')) return [];
  return [
    {
      severity: 'mend',
      where: rcSubjects(graph),
      what: 'No switch position brings the aircraft home on its own.',
      why: 'Return-to-home helps when video or orientation is lost.',
      discriminator: 'no-return',
      remedies: () => homewards(graph),
    },
  ];
}

function farFromSafe(graph: Graph, { farFromSafe: far }: ModeReach): Saying[] {
  const [first] = far;
  const { rc, airframe } = graph.design.aircraft;
  if (first === undefined || !(hovers(airframe.kind) || !isWingless(airframe.kind))) return [];
  const wanted = hovers(airframe.kind) ? 'a self-levelling mode' : 'manual';
  return [
    {
      severity: 'mend',
      where: rcSubjects(graph),
      what: `From ${positionWords(rc, first.positions)}, ${wanted} is more than one switch movement away.`,
      evidence: [{ label: 'combinations too far from it', value: String(far.length), limit: '0' }],
      why: 'When stabilisation fails or acts in reverse, one movement has to be enough.',
      discriminator: 'far',
      remedies: () => towardsSafe(graph),
    },
  ];
}

function shared(graph: Graph, { sharedWithArming }: ModeReach): Saying[] {
  if (sharedWithArming.length === 0) return [];
  return [
    {
      severity: 'mend',
      where: rcSubjects(graph),
      what: `Arming shares ${listed(sharedWithArming)} with the flight modes.`,
      why: 'A mode change can stop the motors in flight, or start them on the ground.',
      discriminator: 'arming',
      remedies: () => armingApart(graph),
    },
  ];
}
