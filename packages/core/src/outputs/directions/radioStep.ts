import type { Graph } from '../../graph/graph.ts';
import { CHANNEL_USES, STICKS, type Stick } from '../../model/rcUses.ts';
import { channelOfUse } from '../../rc/channelsOf.ts';
import { risesForward } from '../../rc/measuredVerdict.ts';
import { listed } from '../../text/lists.ts';
import { answered, type DirectionAnswers, type Mend, type Question, type StepVerdict } from './question.ts';

const TOWARDS: Readonly<Record<Stick, string>> = {
  roll: 'Push the roll stick to the right',
  pitch: 'Push the pitch stick forward, away from you',
  throttle: 'Push the throttle forward',
  yaw: 'Push the yaw stick to the right',
};

/** One question a stick: what its own bar in the channel monitor does, and whether another one moves with it. */
export function radioQuestions(graph: Graph): readonly Question[] {
  return STICKS.map((stick): Question => {
    const rises = risesForward(graph.design, stick) !== false;
    const [right, wrong] = rises ? ['rises', 'falls'] : ['falls', 'rises'];
    return {
      id: `radio.${stick}`,
      step: 'radio',
      ask: `${TOWARDS[stick]}, and nothing else. What do the channels of the controller do?`,
      caution: 'Propellers off. Keep the controller disarmed.',
      parts: STICKS.map((other) => {
        const about = channelName(graph, other);
        return other === stick
          ? {
              id: other,
              about,
              options: [
                { value: 'right', words: right },
                { value: 'wrong', words: wrong },
                { value: 'still', words: 'does not move' },
              ],
            }
          : {
              id: other,
              about,
              options: [
                { value: 'still', words: 'does not move' },
                { value: 'moves', words: 'moves too' },
              ],
            };
      }),
      picture: { is: 'channels', stick, towards: 1, rises },
    };
  });
}

function channelName(graph: Graph, stick: Stick): string {
  const [no] = channelOfUse(graph.design, stick) ?? [];
  return no === undefined ? CHANNEL_USES[stick].title : `channel ${no}, ${CHANNEL_USES[stick].title}`;
}

/** What to change in the radio: nothing moves, channels in another order, mixing that was left in, a channel the wrong way round. */
export function radioVerdict(graph: Graph, answers: DirectionAnswers): StepVerdict {
  const own = (stick: Stick): string | undefined => answered(answers, `radio.${stick}`, stick);
  const others = (stick: Stick): readonly Stick[] =>
    STICKS.filter((other) => other !== stick && answered(answers, `radio.${stick}`, other) === 'moves');
  const moved = STICKS.filter((stick) => own(stick) !== 'still' || others(stick).length > 0);
  if (moved.length === 0)
    return mend({
      is: 'no-link',
      sentence: 'No channel moves: the receiver is not bound, not wired to this port, or sends another protocol than the one set.',
    });
  const mixed = STICKS.filter((stick) => own(stick) !== 'still' && others(stick).length > 0);
  if (mixed.length > 0) return mend(plainChannels(graph, mixed));
  const strayed = STICKS.filter((stick) => own(stick) === 'still');
  if (strayed.length > 0) {
    const silent = strayed.filter((stick) => others(stick).length === 0);
    return silent.length > 0
      ? mend({
          is: 'channel-order',
          sentence: `Nothing moves for ${listed(silent)}: assign ${silent.length === 1 ? 'it its' : 'them their'} stick in the radio.`,
        })
      : mend({
          is: 'channel-order',
          sentence: `The channels are in another order: ${listed(strayed.map((stick) => `${stick} moves ${listed(others(stick))}`))}. Set the planned order, in the radio or in the controller.`,
        });
  }
  const turned = STICKS.filter((stick) => own(stick) === 'wrong');
  if (turned.length === 0) return { is: 'right' };
  return {
    is: 'mend',
    mends: turned.map((stick): Mend => {
      const found = channelOfUse(graph.design, stick);
      const sentence = `Reverse ${channelName(graph, stick)} in the radio. Leave the outputs as they are.`;
      if (found === undefined) return { is: 'reverse-channel', sentence, sticks: [stick] };
      const [channel, was] = found;
      const { reversed, ...rest } = was;
      return {
        is: 'reverse-channel',
        sentence,
        sticks: [stick],
        edit: { kind: 'set-rc-channel', channel, value: reversed === true ? rest : { ...rest, reversed: true }, was },
      };
    }),
  };
}

function plainChannels({ design }: Graph, mixed: readonly Stick[]): Mend {
  const was = design.aircraft.rc.choices.radioMixes ?? null;
  return {
    is: 'plain-channels',
    sentence: `The radio still mixes: ${listed(mixed)} ${mixed.length === 1 ? 'moves' : 'move'} more than one channel. Set up the model again with plain channels: the controller mixes.`,
    ...(was === 'plain' ? {} : { edit: { kind: 'set-rc-choice', choice: 'radioMixes', value: 'plain', was } }),
  };
}

function mend(one: Mend): StepVerdict {
  return { is: 'mend', mends: [one] };
}
