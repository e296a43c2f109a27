import { against, currentAgainst, quantity } from '../../text/numbers.ts';
import { wireAmps } from '../../harness/wireLimits.ts';
import { wireLoads, type WireLoad } from '../../power/report/wireLoads.ts';
import type { Check, Remedy, Saying } from '../finding.ts';
import { grouped } from '../../text/grouped.ts';
import { listed } from '../../text/lists.ts';
import { ofCable } from './helpers/causes.ts';
import { situationWords, workingSituations } from './helpers/situations.ts';

/** A wire that is too thin for its current, or that loses more voltage than is allowed. */
export const wireGauge: Check = {
  id: 'power.wire-gauge',
  stage: 'power',
  title: 'Wire too thin',
  run: ({ graph }) => {
    const wrong = wireLoads(graph, workingSituations(graph)).filter((load) => shareOf(load) > 1.0005 || isTooLongIn(load));
    return wrong.map((load) => sayingOf(load, wrong));
  },
};

/** What a wire carries, of what it is good for. */
function shareOf({ conductor, heat }: WireLoad): number {
  return heat.amps / (wireAmps(conductor.awg, heat.result.scenario.durationS) ?? Infinity);
}

function isTooLongIn({ drop }: WireLoad): boolean {
  return drop.volts > drop.allowedV * 1.0005;
}

function sayingOf(load: WireLoad, wrong: readonly WireLoad[]): Saying {
  const { cable, conductor, heat, drop } = load;
  const limitA = wireAmps(conductor.awg, heat.result.scenario.durationS) ?? Infinity;
  const share = shareOf(load);
  const isTooThin = share > 1.0005;
  const name = `${cable.tag} wire ${conductor.a.n} (${conductor.colour}, AWG ${conductor.awg})`;
  const situation = situationWords((isTooThin ? heat : drop).result.scenario);
  const carried = currentAgainst(heat.amps, limitA);
  const lost = against(drop.volts, drop.allowedV, 'V');
  return {
    severity: share > 1.5 ? 'stop' : 'mend',
    where: [
      { is: 'conductor', cable: cable.id, conductor: conductor.id },
      { is: 'cable', cable: cable.id },
    ],
    what: isTooThin
      ? `${name} carries ${carried.value}, rated ${carried.limit} (${situation}).`
      : `${name} drops ${lost.value}, above the ${lost.limit} allowed (${situation}).`,
    evidence: [
      { label: 'current', ...carried },
      { label: `dropped over ${quantity(load.lengthMm, 'mm')}${load.isAssumed ? ' (assumed)' : ''}`, ...lost },
    ],
    why: isTooThin
      ? 'The wire gets hot, and its insulation and contacts age.'
      : 'Its load runs weaker than its data say, and resets first.',
    cause: { of: ofCable(cable), distance: 1 },
    remedies: () => thicker(wrong.filter((other) => other.cable === cable)),
  };
}

/** All wires of a cable that are too thin, as one edit: supply and return carry the same. */
function thicker(loads: readonly WireLoad[]): readonly Remedy[] {
  const wires = loads.flatMap(({ cable, conductor, propose }) => {
    const awg = propose();
    return awg === undefined || awg >= conductor.awg ? [] : [{ cable, conductor, awg }];
  });
  const [first] = wires;
  if (first === undefined || wires.length < loads.length) return [];
  const { tag } = first.cable;
  const sizes = [...grouped(wires, ({ awg }) => awg)].sort(([a], [b]) => a - b);
  const words = sizes.map(
    ([awg, same]) => `${listed(same.map(({ conductor }) => `the ${conductor.colour} one at contact ${conductor.a.n}`))} AWG ${awg}`,
  );
  return [
    {
      label: `Use AWG ${listed(sizes.map(([awg]) => String(awg)))}`,
      sentence: `Of ${tag}, make ${listed(words)}.`,
      edit: {
        kind: 'batch',
        title: `Thicker wires in ${tag}`,
        edits: wires.map(({ cable, conductor, awg }) => ({
          kind: 'set-conductor-gauge',
          cable: cable.id,
          conductor: conductor.id,
          awg,
          was: conductor.awg,
        })),
      },
    },
  ];
}
