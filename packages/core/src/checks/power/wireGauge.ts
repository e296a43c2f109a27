import { against, currentAgainst, quantity } from '../../text/numbers.ts';
import { wireAmps } from '../../harness/wireLimits.ts';
import { wireLoads, type WireLoad } from '../../power/report/wireLoads.ts';
import type { Check, Remedy, Saying } from '../finding.ts';
import { workingSituations } from './helpers/situations.ts';

/** A wire that is too thin for its current, or that loses more voltage than is allowed. */
export const wireGauge: Check = {
  id: 'power.wire-gauge',
  stage: 'power',
  title: 'A wire is too thin',
  run: ({ graph }) => wireLoads(graph, workingSituations(graph)).flatMap((load) => sayingOf(load)),
};

function sayingOf(load: WireLoad): Saying[] {
  const { cable, conductor, heat, drop } = load;
  const limitA = wireAmps(conductor.awg, heat.result.scenario.durationS) ?? Infinity;
  const share = heat.amps / limitA;
  const isTooThin = share > 1.0005;
  const isTooLong = drop.volts > drop.allowedV * 1.0005;
  if (!isTooThin && !isTooLong) return [];
  const name = `${cable.tag} wire ${conductor.a.n} (${conductor.colour}, AWG ${conductor.awg})`;
  const situation = (isTooThin ? heat : drop).result.scenario.title.toLowerCase();
  const carried = currentAgainst(heat.amps, limitA);
  const lost = against(drop.volts, drop.allowedV, 'V');
  return [
    {
      severity: share > 1.5 ? 'stop' : 'mend',
      where: [
        { is: 'conductor', cable: cable.id, conductor: conductor.id },
        { is: 'cable', cable: cable.id },
      ],
      what: isTooThin
        ? `${name} carries ${carried.value} and is good for ${carried.limit} (${situation}).`
        : `${name} loses ${lost.value} of ${lost.limit} that are allowed (${situation}).`,
      evidence: [
        { label: 'current', ...carried },
        { label: `lost on ${quantity(load.lengthMm, 'mm')}`, ...lost },
      ],
      why: isTooThin
        ? 'The wire gets hot, and its insulation and its contacts age.'
        : 'What hangs on it is weaker than its data say, and resets first.',
      remedies: () => thicker(load),
    },
  ];
}

function thicker({ cable, conductor, propose }: WireLoad): readonly Remedy[] {
  const proposedAwg = propose();
  if (proposedAwg === undefined || proposedAwg >= conductor.awg) return [];
  return [
    {
      label: `Take AWG ${proposedAwg}`,
      sentence: `Make the ${conductor.colour} wire at contact ${conductor.a.n} of ${cable.tag} AWG ${proposedAwg} instead of ${conductor.awg}.`,
      edit: { kind: 'set-conductor-gauge', cable: cable.id, conductor: conductor.id, awg: proposedAwg, was: conductor.awg },
    },
  ];
}
