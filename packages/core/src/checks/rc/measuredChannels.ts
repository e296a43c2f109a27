import type { Graph } from '../../graph/graph.ts';
import { rcChannelsOf } from '../../rc/channelsOf.ts';
import { measuredFaults } from '../../rc/measuredVerdict.ts';
import { stated } from '../../text/numbers.ts';
import type { RcChannel } from '../../model/rcPlan.ts';
import type { Check, Evidence, Remedy, Saying } from '../finding.ts';
import { rcSubjects } from '../helpers/rcSubjects.ts';

/** A channel that was measured and goes the wrong way. */
export const rcDirection: Check = {
  id: 'rc.direction',
  stage: 'links',
  title: 'Channel reversed',
  run: ({ graph }) =>
    faultSayings(graph, true).map(({ saying, no, channel, mend }) => {
      const cannotArm = channel.use === 'yaw' && graph.design.aircraft.rc.choices.arming === 'stick';
      return {
        ...saying,
        why: `Stabilisation acts on what the controller reads: with a channel reversed it works against the pilot.${cannotArm ? ' The stick gesture for arming is not recognised either.' : ''}`,
        remedies: () => [turnedRound(no, channel, mend)],
      };
    }),
};

/** A channel that was measured and does not reach its ends, or does not rest in its middle. */
export const rcEnds: Check = {
  id: 'rc.channel-ends',
  stage: 'links',
  title: 'Channel end points or centre',
  run: ({ graph }) =>
    faultSayings(graph, false).map(({ saying, no, channel, mend }) => ({
      ...saying,
      why: 'Full stick does not give full command, modes near a limit are missed, and the aircraft turns with the stick released.',
      remedies: () => [measuredAnew(no, channel, mend)],
    })),
};

interface FaultSaying {
  readonly no: string;
  readonly channel: RcChannel;
  readonly mend: string;
  readonly saying: Omit<Saying, 'why'>;
}

function faultSayings(graph: Graph, isSense: boolean): FaultSaying[] {
  return rcChannelsOf(graph.design).flatMap(([no, channel]) =>
    measuredFaults(graph.design, no, channel)
      .filter(({ is }) => (is === 'reversed') === isSense)
      .map(({ is, what, mend }) => ({
        no,
        channel,
        mend,
        saying: {
          severity: 'mend' as const,
          where: rcSubjects(graph),
          what,
          evidence: measuredEvidence(channel),
          discriminator: `channel ${no} ${is} ${what.includes('upper') ? 'upper' : 'lower'}`,
        },
      })),
  );
}

function measuredEvidence({ measured }: RcChannel): Evidence[] {
  if (measured === undefined) return [];
  const { firstUs, centreUs, lastUs } = measured;
  return [
    { label: 'left, back or first', value: stated(firstUs, 'us') },
    ...(centreUs === undefined ? [] : [{ label: 'released', value: stated(centreUs, 'us') }]),
    { label: 'right, forward or last', value: stated(lastUs, 'us') },
  ];
}

/** It is reversed in the radio; what was measured before says nothing any more. */
function turnedRound(no: string, channel: RcChannel, mend: string): Remedy {
  const { measured: _before, reversed, ...rest } = channel;
  const value: RcChannel = reversed === true ? rest : { ...rest, reversed: true };
  return {
    label: `Reverse channel ${no}`,
    sentence: `${mend} Then measure channel ${no} again.`,
    edit: { kind: 'set-rc-channel', channel: no, value, was: channel },
  };
}

function measuredAnew(no: string, channel: RcChannel, mend: string): Remedy {
  const { measured: _before, ...value } = channel;
  return {
    label: 'Changed in the radio',
    sentence: `${mend} Then measure channel ${no} again: its old values are dropped.`,
    edit: { kind: 'set-rc-channel', channel: no, value, was: channel },
  };
}
