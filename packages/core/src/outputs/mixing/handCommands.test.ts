import { describe, expect, it } from '@jest/globals';
import { saltmarsh } from '../../demo/saltmarsh.ts';
import { graphOf } from '../../graph/graphOf.ts';
import type { Design } from '../../model/design.ts';
import { asId, type AircraftId } from '../../model/ids.ts';
import type { RcChannel } from '../../model/rcPlan.ts';
import { wantedEnds } from '../../rc/channelScale.ts';
import { HANDS_OFF, type Hands } from '../../rc/stickMonitor.ts';
import { countingIds, itemOf, made } from '../../test/designs.ts';
import { channelCommands, handCommands, movesByChannel } from './handCommands.ts';
import { mixerOf } from './mixerOf.ts';

const design = saltmarsh(asId<AircraftId>('saltmarsh'), countingIds());
const asked = (one: Design, hands: Partial<Hands>) => handCommands(graphOf(one), mixerOf(one), { ...HANDS_OFF, ...hands });
const withChannel = (no: string, value: RcChannel): Design =>
  made(design, { kind: 'set-rc-channel', channel: no, value, was: design.aircraft.rc.channels[no] ?? null });

describe('what switches and knobs ask for', () => {
  it.each(channelCommands)('%s follows a switch of two positions from end to end', (use) => {
    const planned = withChannel('9', { use, from: { is: 'switches', switches: ['s4'] } });
    const others = Object.entries(planned.aircraft.rc.channels).filter(([no, channel]) => no !== '9' && channel.use === use);
    let one = planned;
    for (const [channel, was] of others) one = made(one, { kind: 'set-rc-channel', channel, value: null, was });
    const [first, last] = [0, 1].map((at) => asked(one, { switches: { s4: at } }).commands[use]);
    expect(first).toBeCloseTo(use === 'flap' || use === 'brake' ? 0 : -1, 2);
    expect(last).toBeCloseTo(1, 2);
  });

  it('follows a knob in proportion, through the frames by which it arrives', () => {
    const knob = withChannel('9', { use: 'pan', from: { is: 'knob' } });
    for (const share of [-1, -0.4, 0, 0.25, 1]) {
      const value = asked(knob, { knobs: { '9': share } }).commands.pan;
      // Radio and controller count the values of a frame on scales of their own, which differ by a few microseconds.
      expect(Math.abs((value ?? 9) - share)).toBeLessThan(0.015);
    }
  });

  it('asks for nothing where no channel is planned, and leaves the sticks alone', () => {
    const { commands } = asked(design, { sticks: { roll: 1, pitch: 1, yaw: 1, throttle: 1 } });
    expect(Object.keys(commands).filter((name) => ['roll', 'pitch', 'yaw', 'throttle', 'gear'].includes(name))).toEqual([]);
  });

  it('passes a channel with the pulse width that arrives', () => {
    const free = Object.keys(design.aircraft.outputs)[0] ?? '';
    const use = design.aircraft.outputs[free];
    if (use === undefined) throw new Error('No output is assigned.');
    const passed = made(withChannel('9', { use: 'dropper', from: { is: 'switches', switches: ['s4'] } }), {
      kind: 'set-output-function',
      item: itemOf(design, 'FC1').id,
      output: use.output,
      function: 'rc-9',
      was: use.function,
    });
    const { leastUs, mostUs } = wantedEnds(passed);
    for (const [at, us] of [leastUs, mostUs].entries())
      expect(Math.abs((asked(passed, { switches: { s4: at } }).passedUs.get('rc-9') ?? 0) - us)).toBeLessThan(2);
    const channels = passed.aircraft.rc.channels;
    const moving = Object.entries(channels).filter(([no, channel]) => movesByChannel(mixerOf(passed), no, channel));
    expect(moving.map(([no]) => no)).toContain('9');
    expect(moving.map(([, { use: named }]) => named)).not.toContain('mode');
  });
});
