import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { numbered } from '../../dialects/numbered.ts';
import { mudflat } from '../../demo/mudflat.ts';
import { saltmarsh } from '../../demo/saltmarsh.ts';
import { graphOf } from '../../graph/graphOf.ts';
import { linkSheet } from '../../harness/documents/linkSheet.ts';
import { partKeyOf } from '../../model/contentHash.ts';
import type { Design } from '../../model/design.ts';
import { asId, type AircraftId } from '../../model/ids.ts';
import type { Part, UartEndpoint } from '../../model/part.ts';
import type { SettingValue } from '../../model/setting.ts';
import { powered, removed, withDialect } from '../../test/checkCases/build.ts';
import { countingIds, demoDesign, emptyBench, findingsBy, itemOf, made } from '../../test/designs.ts';
import { draws } from '../../test/randomEdits/draw.ts';
import { play } from '../../test/randomEdits/play.ts';
import { smallAircraft } from '../../test/smallAircraft.ts';
import { withPlainSpaces } from '../../text/numbers.ts';
import { clockErrorShare } from '../clockError.ts';
import { otherValue } from '../../test/otherValue.ts';
import { BAUD_TOLERANCE } from '../serialSetup.ts';
import { chainsOf, type Chain } from './chainsOf.ts';
import { chainWords } from './chainWords.ts';
import { agrees, endKey, hopEndName } from './hop.ts';
import { hopsOf } from './hopsOf.ts';
import { LINK_KINDS } from './linkKinds.ts';

const whole = saltmarsh(asId<AircraftId>('saltmarsh'), countingIds());

function named(design: Design, { kind, item }: Chain): string {
  return `${graphOf(design).items[item]?.item.ref ?? '?'} ${kind.id}`;
}
const statesOf = (design: Design): Readonly<Record<string, string>> =>
  Object.fromEntries(chainsOf(graphOf(design)).map((chain) => [named(design, chain), chain.state.is]));
const wordsOf = (design: Design, name: string): string => {
  const chain = chainsOf(graphOf(design)).find((one) => named(design, one) === name);
  return chain === undefined ? 'no such chain' : withPlainSpaces(chainWords(graphOf(design), chain));
};
const set = (design: Design, ref: string, setting: string, value: SettingValue): Design => {
  const item = itemOf(design, ref);
  return made(design, { kind: 'set-item-setting', item: item.id, setting, value, was: item.settings[setting] ?? null });
};

describe('the links of an aircraft', () => {
  it('exist by themselves, and all of Saltmarsh hold from end to end', () => {
    expect(statesOf(whole)).toEqual({
      'RX1 rc': 'agrees',
      'RX1 reports': 'agrees',
      'GNSS1 position': 'agrees',
      'GNSS1 heading': 'agrees',
      'ASPD1 airspeed': 'agrees',
      'RADIO1 telemetry': 'agrees',
      'CC1 companion': 'agrees',
      'PM1 battery': 'agrees',
    });
  });

  it('break in Reedbed where it was set up wrongly, and say which hop and why', () => {
    const reedbed = demoDesign();
    expect(wordsOf(reedbed, 'RADIO1 telemetry')).toBe(
      'Breaks in the air between RADIO2 radio and RADIO1 radio: link id: network number 31 against network number 25.',
    );
    expect(wordsOf(set(reedbed, 'RADIO2', 'air.number', 25), 'RADIO1 telemetry')).toBe(
      'Breaks at the serial wire between RADIO1 UART and FC1 S1: baud, 4 % apart at most: 57600 baud against 115200 baud.',
    );
    expect(statesOf(reedbed)['VTX2 text']).toBe('breaks');
    expect(wordsOf(reedbed, 'RNG1 height')).toBe('RNG1 is wired, and its height above ground goes nowhere.');
    expect(wordsOf(reedbed, 'RX1 rc')).toBe('FC1 S2 rc in is not set yet: protocol, baud.');
    expect(statesOf(reedbed)['CAM1 picture']).toBe('agrees');
  });

  it('are of every kind, between the demo aircraft and the small ones', () => {
    const designs = [
      whole,
      demoDesign(),
      mudflat(asId<AircraftId>('m'), countingIds()),
      ...Object.values(smallAircraft).map((make) => make()),
    ];
    const kinds = new Set(designs.flatMap((design) => chainsOf(graphOf(design)).map(({ kind }) => kind.id)));
    expect(LINK_KINDS.map(({ id }) => id).filter((id) => !kinds.has(id) && id !== 'motor-reports')).toEqual([]);
  });

  it('lead over encoders, level converters, hubs and chained buses', () => {
    const one = powered();
    one.add('receiver-pwm-6', 'RC');
    one.add('encoder-pwm-to-ppm', 'encoder');
    for (const n of [1, 2]) one.wire(`CONV1 in${n}`, `RX1 ch${n}`);
    const started = one.design;
    expect(statesOf(started)['RX1 rc']).toBe('not-joined');
    const board = emptyBench();
    board.add('controller-8-bit-carrier', 'board');
    board.add('receiver-pwm-6', 'RC');
    board.add('encoder-pwm-to-ppm', 'encoder');
    board.wire('CONV1 in1', 'RX1 ch1');
    board.wire('CONV1 out', 'FC1 in1');
    const [rc] = chainsOf(graphOf(board.design));
    expect(rc?.hops.map(({ medium, a, b }) => `${hopEndName(a)} ${medium} ${b === undefined ? '?' : hopEndName(b)}`)).toEqual([
      'RX1 sticks air ?',
      'RX1 ch 1 rc CONV1 in 1',
      'CONV1 out rc FC1 in 1',
    ]);
    expect(rc?.state.is).toBe('agrees');
  });

  it('take the way on which the ends agree, where two are as short', () => {
    const board = emptyBench();
    board.add('controller-8-bit-carrier', 'board');
    board.add('receiver-sbus-rssi', 'RC');
    // The first output of the receiver comes to an input that reads no SBUS.
    board.wire('RX1 SBUS', 'FC1 in1');
    board.join(1, 1, 26, 'white');
    board.wire('RX1 ch2', 'FC1 in2');
    const design = board.design;
    expect(
      hopsOf(graphOf(design))
        .hops.filter((hop) => hop.medium === 'rc')
        .map(agrees),
    ).toEqual([false, true]);
    expect(statesOf(design)['RX1 rc']).toBe('agrees');
  });

  it('part where flow control or frames differ', () => {
    const board = emptyBench();
    board.add('controller-h7-carrier', 'board');
    board.add('radio-900-six-way', 'telemetry', { 'UART.flow': 'required' });
    board.add('radio-ip-two-serial', 'second');
    board.wire('RADIO1 UART', 'FC1 A');
    board.wire('RADIO2 S1', 'FC1 B');
    const design = set(board.design, 'FC1', 'B.protocol', 'mavlink-2');
    expect(statesOf(set(design, 'FC1', 'A.protocol', 'mavlink-2'))['RADIO1 telemetry']).toBe('agrees');
    expect(wordsOf(set(design, 'FC1', 'A.flow', 'off'), 'RADIO1 telemetry')).toContain('flow control: required against off');
    const [said, ...others] = findingsBy(set(design, 'FC1', 'A.flow', 'off'), 'link.frame-mismatch');
    expect([said?.what, others]).toEqual(['RADIO1 UART requires flow control, and FC1 link A has it off.', []]);
    expect(statesOf(design)['RADIO2 telemetry']).toBe('agrees');
    expect(wordsOf(set(design, 'RADIO2', 'S1.frame', '8E2'), 'RADIO2 telemetry')).toContain('frame: 8E2 against 8N1');
  });

  it('do not compare bauds that the controller finds by itself, or that the firmware fixes', () => {
    const one = powered('gnss-serial', 'receiver-sbus-16');
    one.wire('GNSS1 UART', 'FC1 S4');
    const heard = set(set(one.design, 'FC1', 'S4.protocol', 'gnss-binary'), 'FC1', 'S4.baud', 230_400);
    const asGnss = set(heard, 'GNSS1', 'UART.protocol', 'gnss-binary');
    expect(statesOf(asGnss)['GNSS1 position']).toBe('agrees');
    expect(findingsBy(asGnss, 'link.baud-mismatch')).toEqual([]);
    // The controller's TX is the receiver's RX: without it nobody sets the receiver up.
    const [cable] = Object.values(asGnss.aircraft.cables)
      .filter(({ conductors }) => Object.keys(conductors).length === 4)
      .slice(-1);
    const deaf = removed(asGnss, cable?.tag ?? '', 3);
    expect(statesOf(deaf)['GNSS1 position']).toBe('breaks');
    expect(findingsBy(deaf, 'link.baud-mismatch')).toHaveLength(1);

    const board = emptyBench();
    board.add('controller-h7-carrier', 'board', { 'RC.protocol': 'sbus', 'RC.baud': 115_200 });
    board.add('receiver-sbus-16', 'RC');
    board.wire('RX1 SBUS', 'FC1 RC');
    expect(statesOf(board.design)['RX1 rc']).toBe('agrees');
    const { fixedBaud: _fixed, ...plain } = numbered.roles.sbus ?? { code: '1' };
    const loose = withDialect(board.design, { ...numbered, roles: { ...numbered.roles, sbus: plain } });
    expect(wordsOf(loose, 'RX1 rc')).toContain('100000 baud against 115200 baud');
  });

  it('know a host from a device, and one video standard from another', () => {
    const bench = emptyBench();
    bench.add('computer-bench', 'set-up', {}, 'ground');
    bench.add('controller-f7-rows', 'board');
    bench.add('companion-small-5v', 'log');
    bench.wire('PC1 usb1', 'FC1 usb', 'straight');
    bench.wire('PC1 usb2', 'CC1 usb', 'straight');
    const usb = hopsOf(graphOf(bench.design)).hops.filter(({ medium }) => medium === 'usb');
    expect(usb.map((hop) => [hopEndName(hop.a), hop.b === undefined ? '' : hopEndName(hop.b), agrees(hop)])).toEqual([
      ['CC1 USB', 'PC1 USB 2', false],
      ['FC1 USB', 'PC1 USB 1', true],
    ]);
    const one = powered('camera-analog-7-25v', 'video-transmitter-analog');
    one.wire('CAM1 AV', 'VTX1 AV');
    expect(statesOf(one.design)['CAM1 picture']).toBe('agrees');
    const sender = itemOf(one.design, 'VTX1');
    const part = one.design.parts.get(sender.part);
    if (part === undefined) throw new Error('There is no transmitter.');
    const onlyPal: Part = {
      ...part,
      endpoints: part.endpoints.map((each) => (each.is === 'video-in' ? { ...each, standards: ['PAL'] } : each)),
    };
    const parts = new Map([...one.design.parts, [partKeyOf(onlyPal), onlyPal]]);
    const items = { ...one.design.aircraft.items, [sender.id]: { ...sender, part: partKeyOf(onlyPal) } };
    expect(wordsOf({ ...one.design, parts, aircraft: { ...one.design.aircraft, items } }, 'CAM1 picture')).toContain(
      'video standard: NTSC against PAL',
    );
  });

  it('part where a signal arrives upside down', () => {
    const one = powered('receiver-sbus-16');
    one.wire('RX1 SBUS', 'FC1 S5');
    const design = set(one.design, 'FC1', 'S5.protocol', 'sbus');
    expect(wordsOf(design, 'RX1 rc')).toBe(
      'Breaks at the serial wire between RX1 SBUS and FC1 S5: polarity: arrives inverted against needed not inverted.',
    );
  });

  it('part where a level is too high or too low, and not behind a converter', () => {
    const one = powered();
    one.add('modem-cellular', 'modem');
    one.wire('RADIO1 UART', 'FC1 S1');
    // 3.3 V into a pin for 2.1 V; 1.8 V where 1.98 V are needed.
    expect(wordsOf(one.design, 'RADIO1 telemetry')).toBe(
      'Breaks at the serial wire between RADIO1 UART and FC1 S1: level: reads from 1.08 V, withstands 2.1 V against high 3.3 V; level: high 1.8 V against reads from 1.98 V, withstands 5.5 V.',
    );
    expect(findingsBy(one.design, 'wire.level').length).toBeGreaterThan(0);
    expect(statesOf(smallAircraft['a wing that is flown from a handheld link']?.() ?? whole)['RADIO1 telemetry']).toBe('agrees');
  });

  it('that end where PPM comes to an input for PWM break there', () => {
    const board = emptyBench();
    board.add('controller-8-bit-carrier', 'board');
    board.add('receiver-ppm-8', 'RC');
    board.wire('RX1 PPM', 'FC1 in2');
    expect(wordsOf(board.design, 'RX1 rc')).toBe('Breaks at the RC wire between RX1 PPM and FC1 in 2: RC format: PPM against PWM.');
  });

  it('with nothing joined to their item have not begun; without a controller there are none', () => {
    const one = powered('gnss-serial');
    expect(chainsOf(graphOf(one.design)).map(({ state }) => state)).toEqual([{ is: 'not-joined', begun: false }]);
    const bare = emptyBench();
    bare.add('gnss-serial', 'alone');
    expect(chainsOf(graphOf(bare.design))).toEqual([]);
  });
});

describe('each setting that has to agree', () => {
  const designs = { Saltmarsh: whole, Mudflat: mudflat(asId<AircraftId>('mudflat'), countingIds()), ...small() };

  function small(): Record<string, Design> {
    return Object.fromEntries(Object.entries(smallAircraft).map(([name, make]) => [name, make()]));
  }

  it('set to something else at either end, parts that hop and no other', () => {
    const tried = new Map<string, number>();
    for (const design of Object.values(designs)) {
      for (const hop of hopsOf(graphOf(design)).hops.filter(agrees)) {
        // A satellite receiver's driver tries all bauds.
        const isProbed = [hop.a, hop.b].some((one) => one?.entry.part?.kind === 'gnss');
        for (const facet of hop.facets.filter(({ verdict, id }) => verdict === 'agree' && !(id === 'baud' && isProbed))) {
          for (const side of ['a', 'b'] as const) {
            const end = hop[side];
            const { setting } = facet[side];
            const value = end === undefined ? undefined : otherValue(facet, side, design, end.entry.item.ref);
            if (end === undefined || setting === undefined || value === undefined) continue;
            const after = hopsOf(graphOf(set(design, end.entry.item.ref, setting, value))).hops;
            const apart = after.filter((one) => !agrees(one)).map(({ a, b }) => [endKey(a), b === undefined ? '' : endKey(b)]);
            expect(apart).toEqual([[endKey(hop.a), hop.b === undefined ? '' : endKey(hop.b)]]);
            tried.set(facet.id, (tried.get(facet.id) ?? 0) + 1);
          }
        }
      }
    }
    expect(tried.get('baud')).toBeGreaterThan(15);
    expect(tried.get('protocol')).toBeGreaterThan(15);
  });
});

/**
 * True when a receiver that samples a bit `samples` times reads a byte right: it finds the falling edge at one of its samples, whichever
 * offset that has, and then takes the middle of every bit by its own clock. Bit by bit, for 8N1.
 */
function readsByte(byte: number, errorShare: number, samples: number, offset: number): boolean {
  const bits = [0, ...Array.from({ length: 8 }, (_, i) => (byte >> i) & 1), 1];
  // The talker's bit lasts 1; the listener's sample lasts (1 + error) / samples.
  const sample = (1 + errorShare) / samples;
  const found = Math.ceil(offset) * sample - offset * sample;
  return bits.every((bit, i) => {
    const at = found + (i + 0.5) * (1 + errorShare);
    return (bits[Math.floor(at)] ?? 1) === bit;
  });
}

describe('the tolerance of clocks', () => {
  it('is one at which every byte is read from every offset, and not far from where that ends', () => {
    const bytes = fc.integer({ min: 0, max: 255 });
    const offsets = fc.double({ min: 0.001, max: 0.999, noNaN: true });
    fc.assert(
      fc.property(bytes, offsets, fc.constantFrom(8, 16), fc.boolean(), (byte, offset, samples, isSlow) => {
        // Sampling at 8 or 16 times a bit costs up to an eighth of one.
        expect(readsByte(byte, (isSlow ? 1 : -1) * (samples === 16 ? BAUD_TOLERANCE : 0.035), samples, offset)).toBe(true);
      }),
    );
    const isRead = (share: number): boolean => [0, 1].every((last) => readsByte(last === 0 ? 0x55 : 0xaa, share, 16, 0.5));
    expect([isRead(0.07), isRead(-0.07)]).toEqual([false, false]);
  });

  const endpoint = (mhz: number, samplesPerBit: readonly number[], dividerSteps?: number): UartEndpoint => ({
    is: 'uart',
    id: 'S1',
    names: { label: 'S1' },
    duplex: 'full',
    inverts: 'none',
    maxBaud: 921_600,
    speaks: [],
    clock: { mhz, samplesPerBit, ...(dividerSteps === undefined ? {} : { dividerSteps }) },
  });

  it.each([
    // 16 MHz / (8 * 17) is 117 647; / (16 * 9) is 111 111.
    [16, [16, 8], undefined, 115_200, 117_647 / 115_200 - 1],
    [16, [16], undefined, 115_200, 111_111 / 115_200 - 1],
    // 16 MHz / (8 * 35) is 57 143.
    [16, [16, 8], undefined, 57_600, 57_143 / 57_600 - 1],
    // 42 MHz / (16 * 2.875) is 913 043; / (8 * 5.6875) is 923 077.
    [42, [16, 8], 16, 921_600, 923_077 / 921_600 - 1],
    [42, [16], 16, 921_600, 913_043 / 921_600 - 1],
    [48, [16], undefined, 9600, 48e6 / (16 * 313) / 9600 - 1],
  ] as const)('%d MHz cut into %j samples, in steps of 1/%s, makes %d baud within its share', (mhz, samples, steps, baud, share) => {
    expect(clockErrorShare(endpoint(mhz, samples, steps), baud)).toBeCloseTo(share, 5);
  });

  it('is a finding, and parts the hop, where a clock does not divide to the baud', () => {
    const one = powered('radio-900-class');
    one.wire('RADIO1 UART', 'FC1 S1');
    const design = set(one.design, 'FC1', 'S1.baud', 57_600);
    const fc = itemOf(design, 'FC1');
    const board = design.parts.get(fc.part);
    if (board === undefined) throw new Error('There is no board.');
    const slow: Part = {
      ...board,
      endpoints: board.endpoints.map((each) =>
        each.is === 'uart' && each.id === 'S1' ? { ...each, clock: { mhz: 2, samplesPerBit: [16] } } : each,
      ),
    };
    const items = { ...design.aircraft.items, [fc.id]: { ...fc, part: partKeyOf(slow) } };
    const slowed: Design = {
      ...design,
      parts: new Map([...design.parts, [partKeyOf(slow), slow]]),
      aircraft: { ...design.aircraft, items },
    };
    expect(findingsBy(slowed, 'link.baud-mismatch').map(({ what }) => what)).toEqual([
      'The clocks of FC1 S1 and RADIO1 UART do not make the same baud rate: FC1 S1 makes 62500 baud.',
    ]);
    expect(statesOf(slowed)['RADIO1 telemetry']).toBe('breaks');
    expect(findingsBy(design, 'link.baud-mismatch')).toEqual([]);
  });

  it('is unknown where a part states no clock', () => {
    const { clock: _clock, ...plain } = endpoint(16, [16]);
    expect(clockErrorShare(plain, 57_600)).toBeUndefined();
  });
});

describe('whatever a person does to an aircraft', () => {
  it('chains end, go over no hop twice, and each stands to its word', () => {
    let seen = 0;
    fc.assert(
      fc.property(draws, (list) => {
        for (const { before } of play(demoDesign(), list).steps) {
          const graph = graphOf(before);
          const chains = chainsOf(graph);
          seen += chains.length;
          expect(new Set(chains.map(({ key }) => key)).size).toBe(chains.length);
          for (const chain of chains) {
            const ends = chain.hops.map(({ a, b }) => `${endKey(a)} ${b === undefined ? '' : endKey(b)}`);
            expect(new Set(ends).size).toBe(ends.length);
            // Each hop goes on where the one before arrived, in the same item.
            chain.hops.slice(1).forEach((hop, i) => {
              const from = chain.hops[i]?.b ?? chain.hops[i]?.a;
              // What carries a socket comes before it.
              if (hop.medium !== 'socket') expect(hop.a.item).toBe(from?.item);
            });
            const isApart = chain.hops.some((hop) => !agrees(hop));
            expect(chain.state.is === 'breaks').toBe(isApart);
            expect(chainWords(graph, chain).length).toBeGreaterThan(5);
          }
        }
      }),
      { numRuns: 12 },
    );
    expect(seen).toBeGreaterThan(200);
  });

  it('a loop of wires and converters is followed once', () => {
    const one = powered();
    one.add('converter-rs232', 'one');
    one.add('converter-rs232', 'two');
    one.add('radio-900-class', 'telemetry');
    one.wire('CONV1 logic', 'RADIO1 UART');
    one.wire('CONV1 RS232', 'CONV2 RS232');
    one.wire('CONV2 logic', 'FC1 S1');
    const [telemetry] = chainsOf(graphOf(one.design)).filter(({ kind }) => kind.id === 'telemetry');
    expect(telemetry?.hops.map(({ medium }) => medium)).toEqual(['air', 'serial']);
    const looped = powered();
    looped.add('converter-rs232', 'one');
    looped.add('converter-rs232', 'two');
    looped.wire('CONV1 logic', 'CONV2 logic');
    looped.wire('CONV1 RS232', 'CONV2 RS232');
    expect(hopsOf(graphOf(looped.design)).hops.filter(({ medium }) => medium === 'serial')).toEqual([]);
  });
});

describe('the link sheet', () => {
  it('has every hop of every chain with what is set at both ends and how', () => {
    const sheet = linkSheet(graphOf(whole));
    expect(sheet.rows).toHaveLength(chainsOf(graphOf(whole)).reduce((sum, { hops }) => sum + hops.length, 0));
    const telemetry = sheet.rows.find(([name, medium]) => name === 'RADIO1 telemetry' && medium === 'serial wire');
    expect(telemetry?.slice(2, 5)).toEqual([
      'RADIO1 UART, pins 3 (TX) and 2 (RX)',
      'MAVLink 2, 57600 baud, 8N1, none',
      'In the radio tool on the bench computer over UART: "Serial speed", the same at both ends of the pair. Confirmation: the tool finds both ends again.',
    ]);
    expect(telemetry?.at(-1)).toBe('agrees');
    const broken = linkSheet(graphOf(demoDesign())).rows.find(([name, medium]) => name === 'RADIO1 telemetry' && medium === 'air');
    expect(broken?.at(-1)).toMatch(/^Breaks in the air/);
    const companion = sheet.rows.find(([name]) => name === 'CC1 companion');
    expect(companion?.slice(2, 4)).toEqual([
      'CC1 UART2, second serial pins 1 (T2) and 2 (R2)',
      'MAVLink 2, 921600 baud, 8N1, none, /dev/ttyS1',
    ]);
    const rc = sheet.rows.find(([name, medium]) => name === 'RX1 RC control' && medium === 'serial wire');
    expect([rc?.[3], rc?.[6]]).toEqual([expect.stringContaining('16 channels'), expect.stringContaining('up to 16 channels')]);
  });
});
