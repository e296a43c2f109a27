import { describe, expect, it } from '@jest/globals';
import { graphOf } from '../graph/graphOf.ts';
import type { Bench } from '../demo/bench.ts';
import { emptyBench, itemOf, made } from '../test/designs.ts';
import { bench } from '../test/checkCases/build.ts';
import { withChannel } from '../test/checkCases/rc.ts';
import type { Design } from '../model/design.ts';
import { channelPlanOf } from './channelPlan.ts';
import { rcFeedsOf } from './rcFeeds.ts';

/** What arrives, as `controller channel: receiver channel`. */
function arriving(design: Design): Readonly<Record<string, string>> {
  return Object.fromEntries(
    rcFeedsOf(graphOf(design)).flatMap(({ channels, source, format }) =>
      channels.map(({ at, of }) => [String(at), `${source.entry.item.ref} ${of} ${format}`]),
    ),
  );
}

describe('channels that arrive at a controller', () => {
  it('come by the wires of a receiver one each, as they are plugged', () => {
    const one = bench('controller-8-bit-carrier', 'receiver-pwm-6');
    one.wire('RX1 ch1', 'FC1 in1');
    one.wire('RX1 ch2', 'FC1 in3');
    one.wire('RX1 ch5', 'FC1 in2');
    expect(arriving(one.design)).toEqual({ '1': 'RX1 1 pwm', '2': 'RX1 5 pwm', '3': 'RX1 2 pwm' });
    expect(
      channelPlanOf(graphOf(one.design))
        .rows.slice(0, 4)
        .map(({ of }) => of),
    ).toEqual([1, 5, 2, undefined]);
  });

  it('are gathered by an encoder, each input a channel of its train', () => {
    const one = bench('controller-8-bit-servo-fed', 'encoder-pwm-to-ppm', 'receiver-pwm-6');
    one.wire('RX1 ch1', 'CONV1 in2');
    one.wire('RX1 ch4', 'CONV1 in1');
    one.wire('CONV1 out', 'FC1 PPM');
    expect(arriving(one.design)).toEqual({ '1': 'RX1 4 ppm', '2': 'RX1 1 ppm' });
  });

  it('come as many as output, format and converters on the way have room for', () => {
    const plain = bench('controller-f4-wing', 'receiver-sbus-16');
    plain.wire('RX1 SBUS', 'FC1 S2');
    plain.setting('FC1', 'S2.protocol', 'sbus');
    expect(channelPlanOf(graphOf(plain.design)).room).toBe(16);
    const converted = bench('controller-8-bit-servo-fed', 'receiver-sbus-16', 'converter-sbus-to-ppm');
    converted.wire('RX1 SBUS', 'CONV1 SBUS');
    converted.wire('CONV1 out', 'FC1 PPM');
    expect(channelPlanOf(graphOf(converted.design)).room).toBe(8);
    expect(arriving(converted.design)['8']).toBe('RX1 8 ppm');
    expect(arriving(converted.design)['9']).toBeUndefined();
  });

  it('are followed over bridges and IP radios to the receiver on the ground', () => {
    const one = emptyBench();
    one.add('controller-h7-carrier', '', { 'RC.protocol': 'sbus' });
    one.add('bridge-serial-to-sbus', '');
    one.add('radio-ip-two-serial', '', { 'S1.baud': 115_200 });
    one.add('radio-ip-two-serial', '', { 'S1.baud': 115_200, 'ETH.ip': '10.77.0.2' }, 'ground');
    one.add('bridge-sbus-to-serial', '', {}, 'ground');
    one.add('receiver-sbus-16', '', {}, 'ground');
    one.wire('CONV1 SBUS', 'FC1 RC');
    one.wire('RADIO1 S1', 'CONV1 serial');
    one.bond('RADIO1', 'RADIO2');
    one.wire('RADIO2 S1', 'CONV2 serial');
    one.wire('RX1 SBUS', 'CONV2 SBUS');
    overUdp(one);
    const [feed] = rcFeedsOf(graphOf(one.design));
    expect(feed?.hops.map(({ a, b }) => `${a.entry.item.ref} ${b?.entry.item.ref ?? ''}`)).toEqual([
      'RX1 CONV2',
      'CONV2 RADIO2',
      'RADIO2 RADIO1',
      'RADIO1 CONV1',
      'CONV1 FC1',
    ]);
    expect(channelPlanOf(graphOf(one.design)).room).toBe(16);
  });

  it('are none where nothing is wired, and where the wire leads to no receiver', () => {
    expect(rcFeedsOf(graphOf(emptyBench().design))).toEqual([]);
    const one = bench('controller-8-bit-servo-fed', 'encoder-pwm-to-ppm');
    one.wire('CONV1 out', 'FC1 PPM');
    expect(rcFeedsOf(graphOf(one.design))).toEqual([]);
    expect(channelPlanOf(graphOf(one.design))).toMatchObject({ room: 0, feeds: [] });
  });

  it('are cut into steps by the air mode, but for the first four', () => {
    const one = bench('controller-f4-wing', 'receiver-crsf-full');
    one.wire('RX1 UART', 'FC1 S1');
    one.setting('FC1', 'S1.protocol', 'crsf');
    const steps = (design: Design) =>
      channelPlanOf(graphOf(design))
        .rows.slice(3, 6)
        .map((row) => row.steps);
    expect(steps(one.design)).toEqual([undefined, 64, 64]);
    const slow = made(one.design, {
      kind: 'set-item-setting',
      item: itemOf(one.design, 'RX1').id,
      setting: 'rc.rate',
      value: 50,
      was: null,
    });
    expect(steps(slow)).toEqual([undefined, 128, 128]);
    expect(channelPlanOf(graphOf(withChannel(slow, '20', { use: 'light' }))).rows).toHaveLength(20);
  });
});

/** Sockets of the two radios that meet. */
function overUdp(one: Bench): void {
  const end = (remote: string) =>
    ({ endpoint: 'S1', transport: 'udp', role: 'peer', localPort: 14_600, remote: { address: remote, port: 14_600 } }) as const;
  one.socket('RADIO1', end('10.77.0.2'));
  one.socket('RADIO2', end('10.77.0.1'));
}
