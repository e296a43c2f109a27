import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { roleTable } from '../dialects/roleTable.ts';
import { graphOf } from '../graph/graphOf.ts';
import type { Design } from '../model/design.ts';
import type { RcChannel } from '../model/rcPlan.ts';
import { channelUses } from '../model/rcUses.ts';
import { bench, withDialect } from '../test/checkCases/build.ts';
import { planned, withChannel } from '../test/checkCases/rc.ts';
import { made } from '../test/designs.ts';
import { withPlainSpaces } from '../text/numbers.ts';
import { radioUsFor, travelPercent, usOfTravel } from './channelScale.ts';
import { measuredEdit, measuredFromCsv } from './measuredCsv.ts';
import { CENTRE_TOLERANCE_US, END_TOLERANCE_US, measuredFaults } from './measuredVerdict.ts';
import { HANDS_OFF, monitorOf, type Hands } from './stickMonitor.ts';

const faults = (design: Design, no: string, channel: RcChannel): readonly string[] =>
  measuredFaults(design, no, channel).map(({ is }) => is);

describe('a measured channel', () => {
  const numbered = planned();
  const table = withDialect(planned(), roleTable);
  const at = (firstUs: number, centreUs: number | undefined, lastUs: number) => ({
    firstUs,
    lastUs,
    ...(centreUs === undefined ? {} : { centreUs }),
  });

  it('is judged by its sense, its centre and its ends, with what to change in the radio', () => {
    const short = measuredFaults(numbered, '1', { use: 'roll', measured: at(1100, 1500, 2000) });
    expect(short.map(({ what, mend }) => withPlainSpaces(`${what} ${mend}`))).toEqual([
      'The lower end of channel 1 (roll) is 1100 us, 100 us short of 1000 us. Set the travel of channel 1 on that side to 125 % of its present value.',
    ]);
    expect(faults(numbered, '1', { use: 'roll', measured: at(1000, 1532, 2000) })).toEqual(['off-centre']);
    expect(faults(numbered, '1', { use: 'roll', measured: at(2000, 1500, 1000) })).toEqual(['reversed']);
    expect(faults(numbered, '1', { use: 'roll', measured: at(940, 1500, 2060) })).toEqual(['long', 'long']);
    expect(faults(numbered, '1', { use: 'roll', measured: at(1500, 1500, 1510) })).toEqual(['still']);
    expect(faults(numbered, '1', { use: 'roll' })).toEqual([]);
    expect(faults(numbered, '1', { use: 'strength', measured: at(1000, undefined, 1000) })).toEqual([]);
  });

  it('of pitch rises or falls as the dialect has it, and of a switch has no sense', () => {
    const pulled = { use: 'pitch', measured: at(2000, 1500, 1000) } as const;
    const pushed = { use: 'pitch', measured: at(1000, 1500, 2000) } as const;
    expect([faults(numbered, '2', pulled), faults(numbered, '2', pushed)]).toEqual([[], ['reversed']]);
    // The other firmware: push raises, and its ends are wider.
    expect(faults(table, '2', { use: 'pitch', measured: at(988, 1500, 2012) })).toEqual([]);
    expect(faults(table, '2', { use: 'pitch', measured: at(2012, 1500, 988) })).toEqual(['reversed']);
    expect(faults(numbered, '5', { use: 'mode', measured: at(2000, 1500, 1000) })).toEqual([]);
    expect(
      faults(withDialect(numbered, { ...roleTable, rcScaleUs: roleTable.rcScaleUs }), '5', {
        use: 'arm',
        measured: at(988, undefined, 2012),
      }),
    ).toEqual([]);
  });

  it('is called wrong exactly where a figure is beyond its tolerance', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 900, max: 1100 }),
        fc.integer({ min: 1480, max: 1520 }),
        fc.integer({ min: 1900, max: 2100 }),
        (low, centre, high) => {
          const found = faults(numbered, '1', { use: 'roll', measured: at(low, centre, high) });
          expect(found.includes('off-centre')).toBe(Math.abs(centre - 1500) > CENTRE_TOLERANCE_US);
          expect(found.filter((is) => is === 'short' || is === 'long')).toHaveLength(
            Number(Math.abs(low - 1000) > END_TOLERANCE_US) + Number(Math.abs(high - 2000) > END_TOLERANCE_US),
          );
          expect(found).not.toContain('reversed');
        },
      ),
    );
  });
});

describe('measured channels from CSV', () => {
  it('come with a head or without, with commas, semicolons or tabs, in any order of columns', () => {
    const wanted = { '1': { firstUs: 1002, centreUs: 1500, lastUs: 1998 }, '5': { firstUs: 1000, lastUs: 2000 } };
    for (const text of [
      'channel,first,centre,last\n1,1002,1500,1998\n5,1000,,2000',
      '1;1002;1500;1998\n5;1000;;2000\n',
      '\uFEFFright\tleft\tmid\tch\r\n1998\t1002\t1500\tCH1\r\n2000\t1000\t\tch 5\r\n',
      'channel,left,right,centre\n1,1002,1998,1500\n5,1000,2000,',
    ])
      expect(measuredFromCsv(text)).toEqual({ channels: wanted, problems: [] });
  });

  it('that are none are said line by line, and the others are taken', () => {
    const read = measuredFromCsv(
      'channel,first,centre,last\n0,1000,1500,2000\n2,1000,1500,9000\n3,1000,1500,2000\n99,1,2,3\n3,1,1,1\nx,1,2,3\n,,,\n4,,1500,2000',
    );
    expect(Object.keys(read.channels)).toEqual(['3']);
    expect(read.problems).toEqual([
      'Line 2: "0" is not a channel from 1 to 32.',
      'Line 3: "9000" is not a pulse width from 500 to 2500 us.',
      'Line 5: "99" is not a channel from 1 to 32.',
      'Line 6: "1" is not a pulse width from 500 to 2500 us.',
      'Line 7: "x" is not a channel from 1 to 32.',
      'and 1 more lines',
    ]);
    expect(measuredFromCsv('2,1000,1500,2000\n2,1100,1500,1900')).toEqual({
      channels: { '2': { firstUs: 1000, centreUs: 1500, lastUs: 2000 } },
      problems: ['Line 2: channel 2 is listed twice.'],
    });
    expect(measuredFromCsv('ch,min,mid,max\n1,1000,1500,2000')).toEqual({
      channels: { '1': { firstUs: 1000, centreUs: 1500, lastUs: 2000 } },
      problems: [expect.stringContaining('a reversed channel is not detected')],
    });
    expect(measuredFromCsv('')).toEqual({ channels: {}, problems: ['The file is empty.'] });
    expect(measuredFromCsv('a,b\n1,2').problems[0]).toContain('has no column "channel, first and last"');
    const long = Array.from({ length: 10_000 }, (_, i) => `${i + 1},1000,1500,2000`).join('\n');
    expect(measuredFromCsv(long)).toEqual({
      channels: {},
      problems: ['It has 10000 lines, and a controller reads at most 32 channels: is this the right file?'],
    });
    fc.assert(
      fc.property(fc.string({ maxLength: 300 }), (text) => {
        const { channels, problems } = measuredFromCsv(text);
        expect(Object.keys(channels).length > 0 || problems.length > 0).toBe(true);
      }),
    );
  });

  it('become one edit; channels that are not planned are left out and named', () => {
    const design = planned();
    const { edit, leftOut } = measuredEdit(design, measuredFromCsv('1,1000,1500,2000\n3,1000,1500,2000\n14,1000,1500,2000'));
    expect(leftOut).toEqual(['14']);
    if (edit === undefined) throw new Error('There is no edit.');
    const after = made(design, edit).aircraft.rc.channels;
    expect([after['1']?.measured?.lastUs, after['3']?.measured?.firstUs, after['14']]).toEqual([2000, 1000, undefined]);
    expect(measuredEdit(design, { channels: {}, problems: [] }).edit).toBeUndefined();
  });
});

describe('the monitor of a radio that is set up right', () => {
  const shown = (design: Design, hands: Partial<Hands>) =>
    new Map(monitorOf(graphOf(design), { ...HANDS_OFF, ...hands }).map(({ no, us }) => [no, us]));
  const full = { roll: 1, pitch: 1, throttle: 1, yaw: 1 };

  it('shows what no verdict objects to, at rest and at every end, in both dialects', () => {
    for (const design of [planned(), withDialect(planned(), roleTable)]) {
      const [left, rest, right] = [
        shown(design, { sticks: { roll: -1, pitch: -1, throttle: -1, yaw: -1 } }),
        shown(design, { sticks: { roll: 0, pitch: 0, throttle: 0, yaw: 0 } }),
        shown(design, { sticks: full }),
      ];
      for (const no of ['1', '2', '3', '4']) {
        const channel = design.aircraft.rc.channels[no];
        const [firstUs, centreUs, lastUs] = [left, rest, right].map((all) => all.get(no));
        if (channel === undefined || firstUs === undefined || centreUs === undefined || lastUs === undefined) throw new Error('Not shown.');
        expect([no, faults(design, no, { ...channel, measured: { firstUs, centreUs, lastUs } })]).toEqual([no, []]);
      }
    }
  });

  it('counts a stick at rest as the firmware does, whose scale is another than that of the radio', () => {
    expect(shown(planned(), {}).get('1')).toBe(1495);
    expect(shown(withDialect(planned(), roleTable), {}).get('1')).toBeCloseTo(1500, 0);
  });

  it('follows switches, knobs and steps of the air mode, and shows no channel that does not arrive', () => {
    const design = withChannel(withChannel(planned(), '9', { use: 'knob', from: { is: 'knob' } }), '20', { use: 'light' });
    expect(shown(design, { switches: { s1: 2, s2: 1 } }).get('5')).toBeCloseTo(2000, 0);
    expect(shown(design, { knobs: { '9': -1 } }).get('9')).toBeCloseTo(1000, 0);
    expect(shown(design, {}).get('20')).toBeUndefined();
    const one = bench('controller-f4-wing', 'receiver-crsf-full');
    one.wire('RX1 UART', 'FC1 S1');
    one.setting('FC1', 'S1.protocol', 'crsf');
    one.setting('RX1', 'rc.rate', 500);
    // Three steps are all that this air rate leaves above the fourth channel.
    const cut = withChannel(withChannel(one.design, '4', { use: 'yaw' }), '9', { use: 'knob', from: { is: 'knob' } });
    const seen = new Set(Array.from({ length: 41 }, (_, i) => Math.round(shown(cut, { knobs: { '9': i / 20 - 1 } }).get('9') ?? NaN)));
    expect([...seen]).toEqual([1000, 1500, 2000]);
    expect(shown(cut, { sticks: { ...HANDS_OFF.sticks, yaw: 0.3 } }).get('4')).toBeCloseTo(1495 + 0.3 * 505, 0);
  });
});

describe('travel', () => {
  it('is said as the radio and as the controller have it', () => {
    expect([-100, 0, 100].map(usOfTravel)).toEqual([988, 1500, 2012]);
    expect(travelPercent(usOfTravel(83))).toBeCloseTo(83, 9);
    // 200 to 1800 is 1000 to 2000 at this controller: 1000 us there is value 200, which the radio calls 1005.5 us.
    expect(radioUsFor(planned(), 1000)).toBeCloseTo(988 + ((200 - 172) * 1024) / 1639, 6);
    expect(radioUsFor(withDialect(planned(), roleTable), 988)).toBeCloseTo(988, 6);
  });
});

it('every use can stand on a channel and be judged', () => {
  for (const use of channelUses)
    expect(Array.isArray(faults(planned(), '7', { use, measured: { firstUs: 1000, lastUs: 2000 } }))).toBe(true);
});
