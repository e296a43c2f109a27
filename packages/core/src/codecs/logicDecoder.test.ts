import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { decodedBySigrok, hasSigrok } from '../test/sigrok.ts';
import { CRSF_LINE, encodeCrsfChannels } from './crsf.ts';
import { encodePpm, PPM_MARK_US } from './ppm.ts';
import { encodePwm } from './pwm.ts';
import { encodeSbus, SBUS_LINE } from './sbus.ts';
import { byteNs, edgesOfBytes, type UartFrame } from './uartLine.ts';

/** Signals of ours, read by a logic decoder that nobody here wrote. Needs Debian's sigrok-cli, which `npm test` installs. */

function uartBytes(bytes: readonly number[], frame: UartFrame): readonly number[] {
  const startNs = 200_000;
  const endNs = startNs + byteNs(frame) * (bytes.length + 3);
  // It knows stop bits up to one and a half; a second one is idle line to it.
  const options = `uart:rx=D0:baudrate=${frame.baud}:parity=${frame.parity}:invert_rx=${frame.isInverted ? 'yes' : 'no'}`;
  return decodedBySigrok(edgesOfBytes(bytes, frame, startNs), endNs, options, 'uart=rx-data').map((text) => parseInt(text, 16));
}

const values = fc.array(fc.integer({ min: 0, max: 2047 }), { minLength: 16, maxLength: 16 });
const channels = fc.array(fc.integer({ min: 700, max: 2100 }), { minLength: 4, maxLength: 16 });

(hasSigrok ? describe : describe.skip)('an independent logic decoder', () => {
  it('reads the bytes of SBUS at 100 000 baud, 8E2, inverted', () => {
    fc.assert(
      fc.property(values, fc.boolean(), (sent, failsafe) => {
        const bytes = encodeSbus({ values: sent, channel17: true, channel18: false, frameLost: failsafe, failsafe });
        expect(uartBytes(bytes, SBUS_LINE)).toEqual(bytes);
      }),
      { numRuns: 10 },
    );
    expect(byteNs(SBUS_LINE)).toBe(120_000);
  });

  it('reads the bytes of CRSF at 416 666 baud', () => {
    fc.assert(
      fc.property(values, (sent) => {
        const bytes = encodeCrsfChannels(sent);
        expect(uartBytes(bytes, CRSF_LINE)).toEqual(bytes);
      }),
      { numRuns: 10 },
    );
  });

  it('measures the pulses of PPM', () => {
    fc.assert(
      fc.property(channels, (sent) => {
        const edges = encodePpm([sent], { is: 'fixed-gap', gapUs: 6000 }, 100_000);
        const endNs = (edges.atNs.at(-1) ?? 0) + 1_000_000;
        const times = decodedBySigrok(edges, endNs, 'timing:data=D0:edge=rising', 'timing=time').map(microseconds);
        // The last rise is that of the mark behind the gap.
        expect(times).toEqual([...sent, 6000]);
        const marks = decodedBySigrok(edges, endNs, 'timing:data=D0:edge=any', 'timing=time').map(microseconds);
        expect(marks.filter((_, i) => i % 2 === 0)).toEqual(new Array<number>(sent.length + 2).fill(PPM_MARK_US));
      }),
      { numRuns: 8 },
    );
  });

  it('measures the width and the period of PWM', () => {
    for (const us of [1000, 1500, 2000]) {
      const edges = encodePwm([us, us, us], 50, 100_000);
      const periods = decodedBySigrok(edges, 70_000_000, 'pwm:data=D0', 'pwm=period').map(microseconds);
      const duties = decodedBySigrok(edges, 70_000_000, 'pwm:data=D0', 'pwm=duty-cycle').map((text) => parseFloat(text));
      expect(periods.slice(0, 2)).toEqual([20_000, 20_000]);
      expect(duties[0]).toBeCloseTo((100 * us) / 20_000, 2);
    }
  });
});

/** `1.500000 ms (666.667 Hz)` in microseconds. */
function microseconds(text: string): number {
  const [, number = '', unit = ''] = /([\d.]+)\s*([^\s(]+)/.exec(text) ?? [];
  const factor = { s: 1e6, ms: 1e3, μs: 1, µs: 1, us: 1, ns: 1e-3 }[unit] ?? NaN;
  return Math.round(Number(number) * factor * 10) / 10;
}
