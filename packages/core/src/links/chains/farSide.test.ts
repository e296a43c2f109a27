import { describe, expect, it } from '@jest/globals';
import { graphOf } from '../../graph/graphOf.ts';
import type { Design } from '../../model/design.ts';
import { asId } from '../../model/ids.ts';
import type { SettingValue } from '../../model/setting.ts';
import type { Socket } from '../../model/socket.ts';
import { joined, powered, removed } from '../../test/checkCases/build.ts';
import { overNetwork, pairOnGround } from '../../test/linkBenches.ts';
import { emptyBench, itemOf, made } from '../../test/designs.ts';
import { withPlainSpaces } from '../../text/numbers.ts';
import { chainsOf, type Chain } from './chainsOf.ts';
import { bondsOf } from './proposeBonds.ts';
import { chainWords } from './chainWords.ts';
import { hopEndName } from './hop.ts';

const set = (design: Design, ref: string, setting: string, value: SettingValue): Design => {
  const item = itemOf(design, ref);
  return made(design, { kind: 'set-item-setting', item: item.id, setting, value, was: item.settings[setting] ?? null });
};
const setAll = (design: Design, ...all: readonly (readonly [ref: string, setting: string, value: SettingValue])[]): Design =>
  all.reduce((now, [ref, setting, value]) => set(now, ref, setting, value), design);

function chain(design: Design, ref: string, kind: string): Chain {
  const graph = graphOf(design);
  const found = chainsOf(graph).find((one) => one.kind.id === kind && graph.items[one.item]?.item.ref === ref);
  if (found === undefined) throw new Error(`There is no chain ${ref} ${kind}.`);
  return found;
}
const words = (design: Design, ref: string, kind: string): string => withPlainSpaces(chainWords(graphOf(design), chain(design, ref, kind)));
const path = (design: Design, ref: string, kind: string): readonly string[] =>
  chain(design, ref, kind).hops.map(({ medium, a, b }) => `${medium}: ${hopEndName(a)} - ${b === undefined ? 'ground' : hopEndName(b)}`);

const peer = (endpoint: string, port: number, address: string): Socket => ({
  endpoint,
  transport: 'udp',
  role: 'peer',
  localPort: port,
  remote: { address, port },
});

describe('a link goes on through the air', () => {
  it('to the computer that the ground side is on, once the two are bonded', () => {
    const one = pairOnGround();
    expect(path(one.design, 'RADIO1', 'telemetry')).toEqual(['air: RADIO1 radio - ground', 'serial: RADIO1 UART - FC1 S1']);
    one.bond('RADIO1', 'RADIO2');
    const bonded = one.design;
    expect(path(bonded, 'RADIO1', 'telemetry')).toEqual([
      'usb: PC1 USB 1 - RADIO2 USB',
      'air: RADIO2 radio - RADIO1 radio',
      'serial: RADIO1 UART - FC1 S1',
    ]);
    expect(words(bonded, 'RADIO1', 'telemetry')).toBe('RADIO1 telemetry: all settings match.');
  });

  it.each([
    ['air.number', 26, 'network number 25 against network number 26'],
    ['air.rate', 128, '64 kbit/s in the air against 128 kbit/s in the air'],
    ['air.version', 1, 'version 2 against version 1'],
    ['air.region', '915 to 928 MHz', 'region 902 to 928 MHz against region 915 to 928 MHz'],
  ])('and parts where %s differs at either end', (setting, value, told) => {
    const one = pairOnGround();
    one.bond('RADIO2', 'RADIO1');
    const there = chain(set(one.design, 'RADIO1', setting, value), 'RADIO1', 'telemetry');
    expect(there.state).toMatchObject({ is: 'breaks', at: 1 });
    expect(words(set(one.design, 'RADIO1', setting, value), 'RADIO1', 'telemetry')).toContain(told);
    expect(chain(set(one.design, 'RADIO2', setting, value), 'RADIO1', 'telemetry').state.is).toBe('breaks');
    const alike = setAll(one.design, ['RADIO1', setting, value], ['RADIO2', setting, value]);
    expect(chain(alike, 'RADIO1', 'telemetry').state.is).toBe('agrees');
  });

  it('and ends early where the ground side leads to nobody', () => {
    const one = pairOnGround();
    one.bond('RADIO1', 'RADIO2');
    expect(words(removed(removed(one.design, 'W03', 2), 'W03', 3), 'RADIO1', 'telemetry')).toBe(
      'Ends at RADIO2 radio: no program reads what arrives there.',
    );
  });

  it('not between radios of two bands, or of one band that speak different things', () => {
    const one = pairOnGround();
    one.add('radio-433-class', 'other band');
    one.add('radio-hopping-long-range', 'other language');
    one.bond('RADIO3', 'RADIO2');
    one.bond('RADIO4', 'RADIO2');
    one.wire('RADIO3 UART', 'FC1 S2');
    one.wire('RADIO4 UART', 'FC1 S5');
    expect(words(one.design, 'RADIO3', 'telemetry')).toContain('Breaks in the air between RADIO2 radio and RADIO3 radio: band');
    expect(words(one.design, 'RADIO4', 'telemetry')).toContain('air protocol: hopping data against far data');
  });

  it('from the sticks to the receiver, by way of the module that is in their bay', () => {
    const one = powered('receiver-sbus-16');
    one.wire('RX1 SBUS', 'FC1 S2');
    one.add('stick-unit-16-bay', 'pilot', {}, 'ground');
    one.bond('STK1', 'RX1');
    expect(path(one.design, 'RX1', 'rc')[0]).toBe('air: STK1 sticks - RX1 sticks');
    expect(words(one.design, 'RX1', 'rc')).toBe('STK1 sticks and RX1 sticks are not set yet: pairing.');
    const paired = setAll(one.design, ['STK1', 'rc.paired', true], ['RX1', 'rc.paired', false]);
    expect(words(paired, 'RX1', 'rc')).toContain('pairing: paired against not paired');
    const neither = setAll(one.design, ['STK1', 'rc.paired', false], ['RX1', 'rc.paired', false]);
    expect(words(neither, 'RX1', 'rc')).toContain('pairing: not paired against not paired');
    one.add('stick-module-900', 'far', {}, 'ground');
    one.make({
      kind: 'add-mate',
      mate: { id: asId('?1'), a: { item: one.itemId('STK2'), port: 'bay' }, b: { item: one.itemId('STK1'), port: 'bay' } },
    });
    const there = setAll(one.design, ['RX1', 'rc.paired', true]);
    const bond = Object.keys(there.aircraft.bonds)[0] ?? '';
    const module = made(made(there, { kind: 'remove-bond', bond: asId(bond) }), {
      kind: 'add-bond',
      bond: { id: asId('b9'), a: { item: one.itemId('STK2'), radio: 'air' }, b: { item: one.itemId('RX1'), radio: 'rc' } },
    });
    expect(path(module, 'RX1', 'rc').slice(0, 2)).toEqual(['rc: STK1 module bay - STK2 bay', 'air: STK2 sticks - RX1 sticks']);
    expect(words(module, 'RX1', 'rc')).toContain('band');
  });

  it('of a picture to the screen', () => {
    const one = powered('camera-analog-7-25v', 'video-transmitter-analog');
    one.wire('CAM1 AV', 'VTX1 AV');
    one.add('screen-ground-7in', 'pilot', {}, 'ground');
    expect(path(one.design, 'CAM1', 'picture').at(-1)).toBe('air: VTX1 pictures - ground');
    one.bond('VTX1', 'SCR1');
    expect(path(one.design, 'CAM1', 'picture').at(-1)).toBe('air: VTX1 pictures - SCR1 pictures');
    expect(words(set(one.design, 'SCR1', 'air.number', 7), 'CAM1', 'picture')).toContain('channel 1 against channel 7');
  });
});

describe('a link goes on over a network', () => {
  const ready = (): Design => overNetwork().design;

  it('from a serial port of an IP radio to the program, with what carries it told first', () => {
    expect(path(ready(), 'RADIO1', 'telemetry')).toEqual([
      'network: PC1 Ethernet - RADIO2 Ethernet',
      'air: RADIO2 radio - RADIO1 radio',
      'socket: PC1 ground program - RADIO1 serial 1',
      'serial: RADIO1 serial 1 - FC1 S1',
    ]);
    expect(words(ready(), 'RADIO1', 'telemetry')).toBe('RADIO1 telemetry: all settings match.');
  });

  it.each([
    [
      'the address that it sends to',
      { endpoint: 'S1', transport: 'udp', role: 'client', remote: { address: '10.77.0.8', port: 14_550 } },
      'address',
    ],
    [
      'the port that it sends to',
      { endpoint: 'S1', transport: 'udp', role: 'client', remote: { address: '10.77.0.9', port: 14_551 } },
      'port',
    ],
    ['the transport', { endpoint: 'S1', transport: 'tcp', role: 'client', remote: { address: '10.77.0.9', port: 14_550 } }, 'transport'],
  ] as const)('and parts there and nowhere else where %s is wrong', (_what, socket, facet) => {
    const design = ready();
    const radio = itemOf(design, 'RADIO1');
    const [id = ''] = Object.keys(radio.sockets ?? {});
    const wrong = made(design, {
      kind: 'set-socket',
      item: radio.id,
      id: asId(id),
      socket,
      was: Object.values(radio.sockets ?? {})[0] ?? null,
    });
    const { state, hops } = chain(wrong, 'RADIO1', 'telemetry');
    expect(state).toMatchObject({ is: 'breaks', at: 2 });
    expect(hops.flatMap(({ facets }) => facets.filter(({ verdict }) => verdict === 'differ')).map((one) => one.id)).toEqual([facet]);
  });

  it('and parts where the computer has another address, or another subnet', () => {
    const moved = set(ready(), 'PC1', 'ETH.ip', '10.77.0.10');
    expect(words(moved, 'RADIO1', 'telemetry')).toContain('address: 10.77.0.10/24 against sends to 10.77.0.9');
    const away = set(ready(), 'PC1', 'ETH.ip', '10.78.0.9');
    expect(words(away, 'RADIO1', 'telemetry')).toContain('subnet');
    const narrow = set(ready(), 'PC1', 'ETH.prefix', 29);
    expect(words(narrow, 'RADIO1', 'telemetry')).toContain('subnet: 10.77.0.9/29 against 10.77.0.1/24');
  });

  it('parts in the air beneath the sockets too', () => {
    expect(words(set(ready(), 'RADIO2', 'air.number', 2), 'RADIO1', 'telemetry')).toContain('network id 2 against network id 1');
  });

  it('reaches the computer and no program, as long as no socket leads there', () => {
    const design = ready();
    const radio = itemOf(design, 'RADIO1');
    const [[id, was] = ['', null]] = Object.entries(radio.sockets ?? {});
    const without = made(design, { kind: 'set-socket', item: radio.id, id: asId(id), socket: null, was });
    expect(words(without, 'RADIO1', 'telemetry')).toBe('No socket carries RADIO1 serial 1 over the network.');
  });

  it('from serial port to serial port of two IP radios, and on to a computer', () => {
    const one = powered('radio-ip-two-serial');
    one.wire('RADIO1 S2', 'FC1 S1');
    one.add('radio-ip-two-serial', 'ground', { 'ETH.ip': '10.77.0.2' }, 'ground');
    one.add('adapter-usb-serial', 'adapter', {}, 'ground');
    one.add('computer-bench', 'pilot', {}, 'ground');
    one.wire('RADIO2 S1', 'CONV1 serial');
    one.wire('CONV1 usb', 'PC1 usb2');
    one.bond('RADIO1', 'RADIO2');
    one.socket('RADIO1', peer('S2', 5000, '10.77.0.2'));
    one.socket('RADIO2', peer('S1', 5000, '10.77.0.1'));
    const design = setAll(one.design, ['FC1', 'S1.protocol', 'mavlink-2'], ['FC1', 'S1.baud', 57_600], ['CONV1', 'serial.baud', 57_600]);
    expect(path(design, 'RADIO1', 'telemetry')).toEqual([
      'usb: PC1 USB 2 - CONV1 USB',
      'serial: CONV1 serial - RADIO2 serial 1',
      'air: RADIO2 radio - RADIO1 radio',
      'socket: RADIO2 serial 1 - RADIO1 serial 2',
      'serial: RADIO1 serial 2 - FC1 S1',
    ]);
    expect(chain(design, 'RADIO1', 'telemetry').state.is).toBe('agrees');
  });

  it('from a companion, by its router over Ethernet or a cellular modem', () => {
    const one = powered('companion-small-5v', 'modem-cellular');
    one.wire('CC1 header', 'FC1 S1');
    one.wire('RADIO1 usb', 'CC1 usb');
    one.add('router-ground-cellular', 'field', {}, 'ground');
    one.add('computer-bench', 'pilot', { 'ETH.ip': '10.79.0.9' }, 'ground');
    one.wire('RADIO2 ETH', 'PC1 ETH');
    one.bond('RADIO1', 'RADIO2');
    one.socket('CC1', { endpoint: 'net', transport: 'tcp', role: 'client', remote: { address: '10.79.0.9', port: 5760 } });
    one.socket('PC1', { endpoint: 'program1', transport: 'tcp', role: 'server', localPort: 5760 });
    const design = setAll(one.design, ['FC1', 'S1.protocol', 'mavlink-2'], ['FC1', 'S1.baud', 115_200], ['CC1', 'net.ip', '10.79.0.20']);
    expect(path(design, 'RADIO1', 'telemetry')).toEqual([
      'network: PC1 Ethernet - RADIO2 Ethernet',
      'air: RADIO2 cellular - RADIO1 cellular',
      'socket: PC1 ground program - CC1 net',
      'usb: RADIO1 USB - CC1 USB',
      'serial: CC1 UART1 - FC1 S1',
    ]);
    expect(chain(design, 'RADIO1', 'telemetry').state.is).toBe('agrees');
  });

  it('from a handheld link to the program on its handset, over its own network', () => {
    const one = powered('handheld-air-unit');
    one.wire('LINK1 data', 'FC1 S1');
    one.add('handheld-ground-handset', 'pilot', {}, 'ground');
    one.bond('LINK1', 'LINK2');
    one.socket('LINK2', { endpoint: 'local', transport: 'udp', role: 'client', remote: { address: '127.0.0.1', port: 14_550 } });
    one.socket('LINK2', { endpoint: 'program1', transport: 'udp', role: 'server', localPort: 14_550 });
    const design = setAll(
      one.design,
      ['FC1', 'S1.protocol', 'mavlink-2'],
      ['FC1', 'S1.baud', 57_600],
      ['LINK1', 'air.paired', true],
      ['LINK2', 'air.paired', true],
    );
    expect(path(design, 'LINK1', 'telemetry')).toEqual([
      'socket: LINK2 ground program - LINK2 local',
      'air: LINK2 handset - LINK1 radio',
      'serial: LINK1 data - FC1 S1',
    ]);
    expect(chain(design, 'LINK1', 'telemetry').state.is).toBe('agrees');
  });

  it("a link of one's own leads wherever its two items are joined", () => {
    const one = overNetwork();
    one.make({ kind: 'add-wish', wish: { id: asId('?1'), kind: 'telemetry', from: one.itemId('PC1'), to: one.itemId('FC1') } });
    const graph = graphOf(one.design);
    const wished = chainsOf(graph).find(({ wish }) => wish !== undefined);
    expect(wished?.hops.map(({ medium }) => medium)).toEqual(['network', 'air', 'socket', 'serial']);
    one.make({ kind: 'add-wish', wish: { id: asId('?1'), kind: 'rc', from: one.itemId('BAT1'), to: one.itemId('PC1') } });
    expect(chainsOf(graphOf(one.design)).filter(({ wish, state }) => wish !== undefined && state.is === 'not-joined')).toHaveLength(1);
  });

  it("leads RC over two IP radios by bridges at both ends, as a link of one's own", () => {
    const one = powered('radio-ip-two-serial', 'bridge-serial-to-sbus');
    one.wire('CONV1 SBUS', 'FC1 S2');
    one.wire('RADIO1 S1', 'CONV1 serial');
    one.add('radio-ip-two-serial', 'ground', { 'ETH.ip': '10.77.0.2' }, 'ground');
    one.add('bridge-sbus-to-serial', 'ground', {}, 'ground');
    one.add('stick-unit-16-bay', 'pilot', { 'bay-format': 'sbus' }, 'ground');
    one.wire('CONV2 serial', 'RADIO2 S1');
    one.wire('STK1 bay', 'CONV2 SBUS', 'none');
    one.bond('RADIO1', 'RADIO2');
    one.socket('RADIO1', peer('S1', 6000, '10.77.0.2'));
    one.socket('RADIO2', peer('S1', 6000, '10.77.0.1'));
    one.make({ kind: 'add-wish', wish: { id: asId('?1'), kind: 'rc', from: one.itemId('STK1'), to: one.itemId('FC1') } });
    const design = setAll(
      joined(one.design, 'W05', [[1, 1]]),
      ['RADIO1', 'S1.baud', 115_200],
      ['RADIO2', 'S1.baud', 115_200],
      ['FC1', 'S2.protocol', 'sbus'],
      ['FC1', 'S2.baud', 100_000],
    );
    const wished = chainsOf(graphOf(design)).find(({ wish }) => wish !== undefined);
    expect(wished?.hops.map(({ medium }) => medium)).toEqual(['rc', 'serial', 'air', 'socket', 'serial', 'serial']);
    expect(wished?.state.is).toBe('agrees');
    const slow = chainsOf(graphOf(setAll(design, ['RADIO2', 'S1.baud', 57_600]))).find(({ wish }) => wish !== undefined);
    expect(slow?.state).toMatchObject({ is: 'breaks', at: 1 });
  });

  it('does not lead from the wire of such a port back into the same wire: in a loom of three ends nobody hears through it', () => {
    const one = powered('gnss-serial', 'radio-ip-two-serial');
    one.wire('RADIO1 S1', 'GNSS1 UART');
    // The controller hears what the radio sends, and not the satellite receiver.
    one.branch('FC1 S4', 2, 3, 'green', 100);
    const { state } = chain(one.design, 'GNSS1', 'position');
    expect(state).toEqual({ is: 'not-joined', begun: true });
    expect(chain(one.design, 'RADIO1', 'telemetry').hops.map(({ medium }) => medium)).toContain('serial');
  });

  it('that nobody wants is not followed', () => {
    const design = ready();
    const off = made(design, { kind: 'set-link-flag', link: chain(design, 'RADIO1', 'telemetry').key, flag: 'off', on: true, was: false });
    expect(chain(off, 'RADIO1', 'telemetry')).toMatchObject({ hops: [], state: { is: 'off' } });
  });
});

describe('the bonds of an item', () => {
  it('are told by what it is bonded with, in natural order', () => {
    const bench = emptyBench();
    for (let i = 0; i < 11; i++) bench.add('radio-900-class', 'one of many');
    for (const ref of ['RADIO11', 'RADIO3', 'RADIO2']) bench.bond(ref, 'RADIO1');
    const graph = graphOf(bench.design);
    const refs = bondsOf(graph, bench.itemId('RADIO1')).map(({ a }) => bench.design.aircraft.items[a.item]?.ref);
    expect(refs).toEqual(['RADIO2', 'RADIO3', 'RADIO11']);
  });
});
