import type { Edit } from '../../edits/registry.ts';
import type { Graph } from '../../graph/graph.ts';
import { givesName, type ModeRange } from '../../model/rcPlan.ts';
import { combinationsOf, modeChannels, type Combination } from '../../rc/modes/combinations.ts';
import { clashesOn, type Clash } from '../../rc/modes/valueStrip.ts';
import { positionWords } from '../../rc/switchPositions.ts';
import { listed } from '../../text/lists.ts';
import { range as spanText } from '../../text/numbers.ts';
import type { Check, Remedy, Saying } from '../finding.ts';
import { rcSubjects } from '../helpers/rcSubjects.ts';

/** Values at which two modes are chosen at once. */
export const modeOverlap: Check = {
  id: 'rc.mode-overlap',
  stage: 'links',
  title: 'Two modes at once',
  run: ({ graph }) => [
    ...modeChannels(graph.design).flatMap((channel) => clashesOn(graph.design, channel).map((clash) => clashSaying(graph, channel, clash))),
    ...togetherSayings(graph),
  ],
};

function clashSaying(graph: Graph, channel: string, clash: Clash): Saying {
  const { ranges } = graph.design.aircraft.rc;
  const [a, b] = clash.ranges.map((id) => ranges[id]);
  const names = [a, b].map((one) => (one === undefined ? '?' : givesName(one.gives)));
  return {
    severity: 'mend',
    where: rcSubjects(graph),
    what: `${spanText(clash.fromUs, clash.toUs, 'us')} of channel ${channel} selects ${listed(names)} at once.`,
    evidence: [{ label: 'shared values', value: spanText(clash.fromUs, clash.toUs, 'us'), limit: 'none' }],
    why: 'The firmware decides which of the two applies.',
    discriminator: `clash ${clash.ranges.join(' ')}`,
    remedies: () => partings(clash, a, b),
  };
}

/** The earlier range ends where the later one begins, or the later one begins where the earlier one ends. */
function partings({ ranges: [idA, idB], fromUs, toUs }: Clash, a: ModeRange | undefined, b: ModeRange | undefined): Remedy[] {
  if (a === undefined || b === undefined) return [];
  const shortened = (id: string, now: ModeRange, then: ModeRange): Remedy[] => {
    if (then.fromUs >= then.toUs) return [];
    const edit: Edit = { kind: 'set-mode-range', id, value: then, was: now };
    const words = spanText(then.fromUs, then.toUs, 'us');
    return [{ label: `Shorten ${givesName(now.gives)}`, sentence: `Change ${givesName(now.gives)} to ${words}.`, edit }];
  };
  return [...shortened(idA, a, { ...a, toUs: fromUs }), ...shortened(idB, b, { ...b, fromUs: toUs })];
}

/** Ranges that go with other channels and clash in some positions of the switches. */
function togetherSayings(graph: Graph): Saying[] {
  const { rc } = graph.design.aircraft;
  const isPlain = ({ ranges }: Combination): boolean => {
    const channels = new Set(ranges.map((id) => rc.ranges[id]?.channel));
    return channels.size === 1 && ranges.every((id) => rc.ranges[id]?.with === undefined);
  };
  const clashing = (combinationsOf(graph.design) ?? []).filter((one) => one.isOverlap && !isPlain(one));
  const bySet = new Map<string, Combination[]>();
  for (const one of clashing) bySet.set(one.ranges.join(' '), [...(bySet.get(one.ranges.join(' ')) ?? []), one]);
  return [...bySet].map(([key, some]): Saying => {
    const names = (some[0]?.ranges ?? []).flatMap((id) => (rc.ranges[id] === undefined ? [] : [givesName(rc.ranges[id].gives)]));
    return {
      severity: 'mend',
      where: rcSubjects(graph),
      what: `${listed([...new Set(names)])} are active at once with ${positionWords(rc, some[0]?.positions ?? [])}.`,
      evidence: [{ label: 'positions of the switches', value: String(some.length), limit: '0' }],
      why: 'The firmware decides which of them applies.',
      discriminator: `together ${key}`,
      remedies: () => [],
    };
  });
}
