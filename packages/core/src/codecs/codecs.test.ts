import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { FRAME_CHANNELS, packChannels, RADIO_SCALE, unpackChannels, usOfValue, valueOfUs } from './channelBits.ts';
import { decodeCrsf, encodeCrsfChannels, encodeCrsfStatistics } from './crsf.ts';
import { quiet } from './edges.ts';
import { decodePpm, encodePpm, leastPpmFrameUs, PPM_LEAST_GAP_US, ppmGapUs, ppmRoom, usualPpmFrameUs } from './ppm.ts';
import { decodePwm, encodePwm } from './pwm.ts';
import { decodeSbus, encodeSbus, SBUS_LINE } from './sbus.ts';
import { byteNs, bytesOfEdges, edgesOfBytes, type UartFrame } from './uartLine.ts';

const values = fc.array(fc.integer({ min: 0, max: 2047 }), { minLength: FRAME_CHANNELS, maxLength: FRAME_CHANNELS });
const flags = { channel17: false, channel18: false, frameLost: false, failsafe: false };

/**
 * The layout as it is published, written out by hand for the first eight channels (the other eight repeat it eleven bytes on): for each
 * channel the byte that its lowest bit is in, and which bit of it.
 */
const LOWEST_BITS: readonly (readonly [byte: number, bit: number])[] = [
  [0, 0],
  [1, 3],
  [2, 6],
  [4, 1],
  [5, 4],
  [6, 7],
  [8, 2],
  [9, 5],
];

/** Reads a channel by that table as a number of 24 bits, shifted: another way than the code under test goes. */
function byLayout(bytes: readonly number[], channel: number): number {
  const [byte, bit] = LOWEST_BITS[channel % 8] ?? [NaN, NaN];
  const at = byte + 11 * Math.floor(channel / 8);
  const word = (bytes[at] ?? 0) + 256 * (bytes[at + 1] ?? 0) + 65_536 * (bytes[at + 2] ?? 0);
  return Math.floor(word / 2 ** bit) % 2048;
}

describe('sixteen channels of eleven bits', () => {
  it('lie where the published layout has them, every value in every channel', () => {
    for (let value = 0; value < 2048; value++) {
      const sent = Array.from({ length: FRAME_CHANNELS }, (_, i) => (value + 137 * i) % 2048);
      const bytes = packChannels(sent);
      expect(sent.map((_, i) => byLayout(bytes, i))).toEqual(sent);
      expect(unpackChannels(bytes)).toEqual(sent);
    }
  });

  it('refuse what is no value, and another count', () => {
    expect(() => packChannels(new Array<number>(16).fill(2048))).toThrow('whole values from 0 to 2047');
    expect(() => packChannels(new Array<number>(16).fill(0.5))).toThrow('whole values from 0 to 2047');
    expect(() => packChannels([1])).toThrow('16 channels, not 1');
    expect(() => unpackChannels([1])).toThrow('22 bytes, not 1');
  });

  it('stand for pulse widths on a scale, there and back', () => {
    expect([172, 992, 1811].map((value) => Math.round(usOfValue(value)))).toEqual([988, 1500, 2012]);
    // The controllers of some dialects have it so that 200 to 1800 is 1000 to 2000.
    const own = { low: { value: 200, us: 1000 }, high: { value: 1800, us: 2000 } };
    expect(usOfValue(172, own)).toBe(982.5);
    for (let value = 0; value < 2048; value++)
      for (const scale of [own, RADIO_SCALE]) expect(valueOfUs(usOfValue(value, scale), scale)).toBe(value);
    expect([valueOfUs(-5000), valueOfUs(5000)]).toEqual([0, 2047]);
  });
});

describe('SBUS', () => {
  it('brings all 2048 values and all flags through bytes and through the wire', () => {
    for (let value = 0; value < 2048; value += FRAME_CHANNELS) {
      const frame = {
        values: Array.from({ length: FRAME_CHANNELS }, (_, i) => value + i),
        channel17: value % 32 === 0,
        channel18: value % 48 === 0,
        frameLost: value % 64 === 0,
        failsafe: value % 80 === 0,
      };
      const line = bytesOfEdges(edgesOfBytes(encodeSbus(frame), SBUS_LINE), SBUS_LINE);
      expect(line.every(({ error }) => error === undefined)).toBe(true);
      expect(decodeSbus(line.map(({ byte }) => byte))).toEqual(frame);
    }
  });

  it('has its flags in the last byte but one, and nothing else is a frame', () => {
    const bytes = encodeSbus({ values: new Array<number>(16).fill(992), ...flags, failsafe: true });
    expect([bytes.length, bytes[0], bytes[23], bytes[24]]).toEqual([25, 0x0f, 0x08, 0x00]);
    expect(encodeSbus({ values: new Array<number>(16).fill(992), ...flags, frameLost: true })[23]).toBe(0x04);
    expect(decodeSbus(bytes.slice(1))).toBeUndefined();
    expect(decodeSbus([0x0e, ...bytes.slice(1)])).toBeUndefined();
    expect(decodeSbus([...bytes.slice(0, 24), 0x55])).toBeUndefined();
  });
});

describe('CRSF', () => {
  it('brings channels through, whatever surrounds their frames, and nothing that was damaged', () => {
    fc.assert(
      fc.property(
        values,
        fc.array(fc.integer({ min: 0, max: 255 }), { maxLength: 30 }),
        fc.nat(25),
        fc.integer({ min: 1, max: 255 }),
        (sent, noise, at, bits) => {
          const frame = encodeCrsfChannels(sent);
          const clean = noise.filter((byte) => byte !== 0xc8);
          expect(decodeCrsf([...clean, ...frame, ...frame])).toEqual([
            { is: 'channels', values: sent },
            { is: 'channels', values: sent },
          ]);
          const damaged = frame.map((byte, i) => (i === at ? byte ^ bits : byte));
          // A check byte of eight bits finds every error within one byte.
          expect(decodeCrsf(damaged)).toEqual([]);
        },
      ),
    );
  });

  it('has the published head, and its check byte is that of the published polynomial', () => {
    const frame = encodeCrsfChannels(new Array<number>(16).fill(0));
    expect(frame.slice(0, 3)).toEqual([0xc8, 24, 0x16]);
    expect(frame).toHaveLength(26);
    // By long division in a number without end: the content behind it is all zero, so the rest is that of 0x16 * x^184.
    let rest = 0x16n << 184n;
    for (let i = 188n; i >= 8n; i--) if ((rest >> i) & 1n) rest ^= 0x1d5n << (i - 8n);
    expect(BigInt(frame[25] ?? -1)).toBe(rest);
  });

  it('tells how well it hears, in its own steps', () => {
    const sent = { strengthDbm: -97, qualityPercent: 64, snrDb: -7 };
    expect(decodeCrsf(encodeCrsfStatistics(sent))).toEqual([{ is: 'link-statistics', statistics: sent }]);
    expect(decodeCrsf([0xc8, 3, 0x55, 1, 0])).toEqual([]);
  });
});

describe('a serial wire', () => {
  const frames: fc.Arbitrary<UartFrame> = fc.record({
    baud: fc.constantFrom(9600, 57_600, 100_000, 115_200, 416_666, 921_600),
    parity: fc.constantFrom('none', 'even', 'odd'),
    stopBits: fc.constantFrom(1, 2),
    isInverted: fc.boolean(),
  });

  it('carries any bytes in any frame', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 255 }), { maxLength: 40 }), frames, (bytes, frame) => {
        const line = bytesOfEdges(edgesOfBytes(bytes, frame, 5000), frame);
        expect(line.map(({ byte, error }) => [byte, error])).toEqual(bytes.map((byte) => [byte, undefined]));
        if (bytes.length > 1) expect((line[1]?.atNs ?? NaN) - (line[0]?.atNs ?? NaN)).toBeCloseTo(byteNs(frame), -1);
      }),
    );
  });

  it('shows wrong parity, a wrong stop bit, and nothing on a quiet line', () => {
    const even: UartFrame = { baud: 9600, parity: 'even', stopBits: 1, isInverted: false };
    expect(bytesOfEdges(edgesOfBytes([0x01], { ...even, parity: 'odd' }), even)[0]?.error).toBe('parity');
    // A break: low for longer than a byte.
    expect(bytesOfEdges({ startsAt: 1, atNs: [1000, 3_000_000] }, even)[0]).toMatchObject({ byte: 0, error: 'framing' });
    expect(bytesOfEdges(quiet(1), even)).toEqual([]);
    // A spike shorter than half a bit is no start bit.
    expect(bytesOfEdges({ startsAt: 1, atNs: [1000, 20_000] }, even)).toEqual([]);
  });
});

describe('PPM', () => {
  const channelUs = fc.integer({ min: 700, max: 2100 });

  it('brings all channels through whenever the gap is long enough, in frames of one length and in gaps of one length', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 4, max: 16 }),
        fc.array(channelUs, { minLength: 16, maxLength: 16 }),
        fc.boolean(),
        (count, drawn, isFrame) => {
          const sent = drawn.slice(0, count);
          const timing = isFrame
            ? ({ is: 'fixed-frame', frameUs: leastPpmFrameUs(count) } as const)
            : ({ is: 'fixed-gap', gapUs: PPM_LEAST_GAP_US } as const);
          expect(ppmGapUs(sent, timing)).toBeGreaterThanOrEqual(PPM_LEAST_GAP_US);
          // The first of three is not known to be whole.
          expect(decodePpm(encodePpm([sent, sent, sent], timing))).toEqual([sent, sent]);
        },
      ),
    );
  });

  it('has the frame arithmetic of the field: eight channels in 22.5 ms, 2 ms for each further one, and room by the gap', () => {
    expect([8, 12].map(usualPpmFrameUs)).toEqual([22_500, 30_500]);
    expect([4, 8, 12, 16].map(leastPpmFrameUs)).toEqual([12_400, 20_800, 29_200, 37_600]);
    for (let channels = 4; channels <= 16; channels++) {
      expect(ppmRoom(leastPpmFrameUs(channels))).toBe(channels);
      expect(ppmRoom(leastPpmFrameUs(channels) - 1)).toBe(channels - 1);
      expect(usualPpmFrameUs(channels)).toBeGreaterThanOrEqual(leastPpmFrameUs(channels));
    }
    expect(ppmRoom(0)).toBe(0);
  });

  it('loses its frames where too many channels leave no gap', () => {
    const sent = new Array<number>(10).fill(2000);
    const timing = { is: 'fixed-frame', frameUs: 22_500 } as const;
    expect(ppmGapUs(sent, timing)).toBe(2500);
    expect(decodePpm(encodePpm([sent, sent, sent], timing))).toEqual([]);
  });
});

describe('PWM', () => {
  it('brings widths and rate through', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 500, max: 2500 }), { minLength: 2, maxLength: 20 }),
        fc.constantFrom(50, 100, 333),
        (widths, rate) => {
          const read = decodePwm(encodePwm(widths, rate));
          expect(read.widthsUs).toEqual(widths);
          expect(read.rateHz).toBeCloseTo(rate, 3);
        },
      ),
    );
    expect(decodePwm(quiet(0))).toEqual({ widthsUs: [], rateHz: undefined });
  });
});
