import { describe, expect, it } from '@jest/globals';
import { remediesOf } from '../../checks/findingsOf.ts';
import { roleTable } from '../../dialects/roleTable.ts';
import { graphOf } from '../../graph/graphOf.ts';
import type { Design } from '../../model/design.ts';
import type { ModeRange, RcChannel } from '../../model/rcPlan.ts';
import { bench, withDialect } from '../../test/checkCases/build.ts';
import { heard, planned, withChannel, withRange } from '../../test/checkCases/rc.ts';
import { findingsBy, itemOf, made } from '../../test/designs.ts';
import { leastPpmFrameUs, PPM_LEAST_GAP_US, PPM_MOST_CHANNEL_US, ppmGapUs } from '../../codecs/ppm.ts';
import { channelPlanOf } from '../channelPlan.ts';

const free = (): Design => planned(withDialect(heard(), roleTable));
const span = (fromUs: number, toUs: number, gives: ModeRange['gives'], channel = '5'): ModeRange => ({ channel, fromUs, toUs, gives });

/** What is said, each with what mends it; and that each of them does. */
function said(design: Design): readonly (readonly [string, readonly string[]])[] {
  const found = findingsBy(design, 'rc.mode-reach');
  return found.map((finding) => {
    const remedies = remediesOf(design, finding);
    for (const { edit } of remedies)
      expect(findingsBy(made(design, edit), 'rc.mode-reach').map(({ key }) => key)).not.toContain(finding.key);
    return [finding.what, remedies.map(({ label }) => label)];
  });
}

describe('what the checks say of modes, and what mends it', () => {
  it("a position in nobody's range: the ranges beside it reach over it", () => {
    expect(said(withRange(free(), 'm2', null))).toEqual([
      [
        "With switch 1 middle, switch 2 up the values are outside every mode's range: channel 5 at 1500 us and channel 6 at 988 us.",
        ['Widen manual', 'Widen return'],
      ],
      ['1244 to 1756 us of channel 5 belongs to no mode, and its switch passes through it.', ['Widen manual']],
    ]);
  });

  it('no way home: it takes the place of what is there besides', () => {
    expect(said(withRange(free(), 'm3', span(1756, 2200, 'circle')))).toEqual([
      [
        'No switch position brings the aircraft home on its own.',
        ['return instead of loiter around a point', 'return instead of self-level'],
      ],
    ]);
  });

  it('manual out of reach, and for what hovers a mode that levels', () => {
    const noManual = withRange(free(), 'm1', span(800, 1244, 'rate'));
    expect(said(noManual)[0]).toEqual([
      'From switch 1 up, switch 2 up, manual is more than one switch movement away.',
      ['manual instead of self-level', 'manual instead of rate'],
    ]);
    const quad = { ...free(), aircraft: { ...free().aircraft, airframe: { kind: 'quad' as const } } };
    const allByHand = withRange(withRange(quad, 'm2', span(1244, 1756, 'manual')), 'm3', span(1756, 2200, 'manual'));
    expect(said(allByHand).map(([what]) => what)).toContain(
      'From switch 1 up, switch 2 up, a self-levelling mode is more than one switch movement away.',
    );
  });

  it('arming on the switch of the modes: it gets a channel and a switch of its own', () => {
    const shared = withRange(free(), 'arm', span(1700, 2200, 'armed'));
    expect(said(shared)).toEqual([['Arming shares channel 5 and switch 1 with the flight modes.', ['Arm on channel 7']]]);
  });

  it('nothing chooses a mode, and too many switches do', () => {
    const none = ['m1', 'm2', 'm3'].reduce<Design>((design, id) => withRange(design, id, null), free());
    const noSwitch = { ...free(), aircraft: { ...free().aircraft, rc: { ...free().aircraft.rc, switches: {} } } };
    expect(said(noSwitch)).toEqual([['Modes are selected by channel 5 and 6, and no switch of the radio is assigned to them.', []]]);
    expect(said(none)).toEqual([['No channel selects a flight mode.', []]]);
  });

  it('modes that the firmware does not have, or on two channels where it has slots on one', () => {
    const what = (design: Design): readonly string[] => findingsBy(design, 'link.dialect-refuses').map((finding) => finding.what);
    expect(what(withRange(planned(), 'm2', span(1290, 1685, 'attitude-hold')))).toEqual(['The firmware has no mode "attitude hold".']);
    expect(what(withRange(withChannel(planned(), '9', { use: 'sub-mode' }), 'x', span(1685, 2200, 'circle', '9')))).toEqual([
      'Modes are on channels 5 and 9; the firmware has all its slots on one channel.',
    ]);
  });
});

describe('channels that a companion takes over', () => {
  it('are not taken back by a channel that it sends too', () => {
    const one = bench('controller-f4-wing', 'receiver-sbus-16', 'companion-small-5v');
    one.wire('RX1 SBUS', 'FC1 S2');
    one.setting('FC1', 'S2.protocol', 'sbus');
    one.make({ kind: 'set-rc-switch', id: 's1', value: { title: 'back', positions: 2 }, was: null });
    const design = withChannel(one.design, '9', { use: 'take-back', from: { is: 'switches', switches: ['s1'] } });
    const taking = (channels: readonly string[]): readonly string[] =>
      findingsBy(
        made(design, { kind: 'set-take-over', item: itemOf(design, 'CC1').id, value: { channels }, was: null }),
        'rc.take-over',
      ).map(({ what }) => what);
    expect(taking(['1', '2'])).toEqual([]);
    expect(taking(['1', '9'])).toEqual(['CC1 also sends channel 9, with which the pilot takes control back from it.']);
  });
});

describe('steps of an air mode', () => {
  const at = (rate: number, channel: RcChannel): readonly (readonly [string, string])[] => {
    const one = bench('controller-f4-wing', 'receiver-crsf-full');
    one.wire('RX1 UART', 'FC1 S1');
    one.setting('FC1', 'S1.protocol', 'crsf');
    one.setting('RX1', 'rc.rate', rate);
    one.make({ kind: 'set-rc-switch', id: 's1', value: { title: 'six', positions: 6 }, was: null });
    return findingsBy(withChannel(one.design, '7', channel), 'rc.channel-resolution').map(({ severity, what }) => [severity, what]);
  };
  const bySwitch: RcChannel = { use: 'light', from: { is: 'switches', switches: ['s1'] } };

  it('are too few for what moves smoothly, and for a switch whose positions fall together', () => {
    // Of six positions twelve steps are wanted: 16 do, 3 do not.
    expect(at(250, bySwitch)).toEqual([]);
    expect(at(500, bySwitch)).toEqual([['note', 'Channel 7 (light) has only 3 steps at the packet rate of RX1.']]);
    expect(at(250, { use: 'tilt', from: { is: 'knob' } })).toEqual([
      ['mend', 'Channel 7 (tilt) has only 16 steps at the packet rate of RX1.'],
    ]);
    expect(at(50, { use: 'tilt', from: { is: 'knob' } })).toEqual([]);
  });
});

describe('a yaw channel reversed', () => {
  const reversed = (): Design => withChannel(planned(), '4', { use: 'yaw', measured: { firstUs: 2000, centreUs: 1500, lastUs: 1000 } });

  it('cannot arm where a stick gesture arms, which is said', () => {
    const bySwitch = findingsBy(reversed(), 'rc.direction')[0]?.why;
    expect(bySwitch).not.toContain('gesture');
    const byStick = made(reversed(), { kind: 'set-rc-choice', choice: 'arming', value: 'stick', was: 'switch' });
    expect(findingsBy(byStick, 'rc.direction')[0]?.why).toContain('The stick gesture for arming is not recognised either.');
  });
});

describe('channels of a pulse train', () => {
  /** The PPM receiver with another frame. */
  function framed(frameMs: number, channels: number): Design {
    const one = bench('controller-8-bit-servo-fed', 'receiver-ppm-8');
    one.wire('RX1 PPM', 'FC1 PPM');
    const parts = new Map(
      [...one.design.parts].map(([key, part]) => [
        key,
        part.id !== 'receiver-ppm-8'
          ? part
          : { ...part, endpoints: part.endpoints.map((end) => (end.is === 'rc-out' ? { ...end, frameMs, channels } : end)) },
      ]),
    );
    let design: Design = { ...one.design, parts };
    for (let no = 1; no <= channels; no++) design = withChannel(design, String(no), { use: 'knob', from: { is: 'knob' } });
    return design;
  }

  it.each([4, 6, 8, 10, 12, 16])(
    '%i of them keep the least gap whatever their values, or the check says which do not arrive',
    (channels) => {
      for (const frameUs of [
        leastPpmFrameUs(channels) - 2100,
        leastPpmFrameUs(channels) - 1,
        leastPpmFrameUs(channels),
        leastPpmFrameUs(channels) + 5000,
      ]) {
        const design = framed(frameUs / 1000, channels);
        const lost = findingsBy(design, 'rc.channel-capacity').length;
        const { room } = channelPlanOf(graphOf(design));
        expect(lost).toBe(channels - room);
        const gap = ppmGapUs(new Array<number>(room).fill(PPM_MOST_CHANNEL_US), { is: 'fixed-frame', frameUs });
        expect(gap).toBeGreaterThanOrEqual(PPM_LEAST_GAP_US);
        if (lost > 0) expect(gap - PPM_MOST_CHANNEL_US).toBeLessThan(PPM_LEAST_GAP_US);
      }
    },
  );
});
