import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { mudflat } from '../../demo/mudflat.ts';
import { saltmarsh } from '../../demo/saltmarsh.ts';
import { graphOf } from '../../graph/graphOf.ts';
import { linkSheet } from '../../harness/documents/linkSheet.ts';
import { partKeyOf } from '../../model/contentHash.ts';
import type { Design } from '../../model/design.ts';
import { asId, type AircraftId } from '../../model/ids.ts';
import type { Part, UartEndpoint } from '../../model/part.ts';
import { PROTOCOL_IDS } from '../../model/protocolIds.ts';
import type { SettingValue } from '../../model/setting.ts';
import { settingsOf } from '../../model/settingsOf.ts';
import { powered } from '../../test/checkCases/build.ts';
import { countingIds, demoDesign, emptyBench, findingsBy, itemOf, made } from '../../test/designs.ts';
import { smallAircraft } from '../../test/smallAircraft.ts';
import { withPlainSpaces } from '../../text/numbers.ts';
import { clockErrorShare } from '../clockError.ts';
import { protocols } from '../protocols.ts';
import { BAUD_TOLERANCE } from '../serialSetup.ts';
import { chainsOf, chainWords, type Chain } from './chainsOf.ts';
import { agrees, endKey, hopEndName, type Facet } from './hop.ts';
import { hopsOf } from './hopsOf.ts';
import { LINK_KINDS } from './linkKinds.ts';

const whole = saltmarsh(asId<AircraftId>('saltmarsh'), countingIds());

function named(design: Design, { key, item }: Chain): string {
  return `${graphOf(design).items[item]?.item.ref ?? '?'} ${key.split(' ')[0] ?? ''}`;
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
      'Breaks at the serial wire between RADIO1 UART and FC1 S1: baud, 4 % apart at most: 57600 baud against 115200 baud.',
    );
    expect(statesOf(reedbed)['VTX2 text']).toBe('breaks');
    expect(wordsOf(reedbed, 'RNG1 height')).toBe('RNG1 is wired, and its height above ground reaches nothing.');
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

/** A value of a setting with which a facet that agrees can no longer agree; undefined where there is none. */
function otherValue(facet: Facet, side: 'a' | 'b', design: Design, ref: string): SettingValue | undefined {
  const { setting, value } = facet[side];
  const part = design.parts.get(itemOf(design, ref).part);
  const spec = part === undefined ? undefined : settingsOf(part).find(({ id }) => id === setting);
  if (spec?.is !== 'choice') return undefined;
  const far = facet[side === 'a' ? 'b' : 'a'].value;
  return spec.choices.find(({ value: choice }) => {
    if (facet.id === 'protocol') {
      const known = PROTOCOL_IDS.find((id) => id === choice);
      return known !== undefined && known !== 'transparent' && far !== 'any bytes' && protocols[known].title !== far;
    }
    if (facet.id !== 'baud') return false;
    const [baud, other] = [Number(choice), Number.parseInt(far ?? '', 10)];
    return `${baud} baud` !== value && Math.abs(baud - other) > BAUD_TOLERANCE * Math.max(baud, other);
  })?.value;
}

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
      'The clocks of FC1 S1 and RADIO1 UART do not make the same baud: FC1 S1 makes 62500 baud.',
    ]);
    expect(statesOf(slowed)['RADIO1 telemetry']).toBe('breaks');
    expect(findingsBy(design, 'link.baud-mismatch')).toEqual([]);
  });

  it('is unknown where a part states no clock', () => {
    const { clock: _clock, ...plain } = endpoint(16, [16]);
    expect(clockErrorShare(plain, 57_600)).toBeUndefined();
  });
});

describe('the link sheet', () => {
  it('has every hop of every chain with what is set at both ends and how', () => {
    const sheet = linkSheet(graphOf(whole));
    expect(sheet.rows).toHaveLength(chainsOf(graphOf(whole)).reduce((sum, { hops }) => sum + hops.length, 0));
    const telemetry = sheet.rows.find(([name, medium]) => name === 'RADIO1 telemetry' && medium === 'serial wire');
    expect(telemetry?.slice(2, 5)).toEqual([
      'RADIO1 UART',
      'MAVLink 2, 57600 baud, 8N1, none',
      'In the radio tool on the bench computer over UART: "Serial speed", the same at both ends of the pair. It confirms by: the tool finds both ends again.',
    ]);
    expect(telemetry?.at(-1)).toBe('agrees');
    const broken = linkSheet(graphOf(demoDesign())).rows.find(([name, medium]) => name === 'RADIO1 telemetry' && medium === 'serial wire');
    expect(broken?.at(-1)).toMatch(/^Breaks at the serial wire/);
  });
});
