import { describe, expect, it } from '@jest/globals';
import { Bench } from '../../demo/bench.ts';
import { saltmarsh } from '../../demo/saltmarsh.ts';
import { graphOf } from '../../graph/graphOf.ts';
import type { Design } from '../../model/design.ts';
import { asId, type AircraftId } from '../../model/ids.ts';
import { cellVolts } from '../../power/scenarios/cellVolts.ts';
import { withPlainSpaces } from '../../text/numbers.ts';
import { countingIds, made } from '../../test/designs.ts';
import { bench } from '../../test/checkCases/build.ts';
import { planned } from '../../test/checkCases/rc.ts';
import { batteryReserve } from './batteryReserve.ts';
import { lossTimeline } from './lossTimeline.ts';

/** A motor of a measured current on a pack of 5 Ah, and the figures of the way home. */
function cruising(figures: Readonly<Partial<Record<'wayHomeM' | 'homeSpeedMps', number>>>, usableShare = 0.6): Design {
  const one = new Bench(asId<AircraftId>('m'), 'Motor', countingIds());
  for (const part of ['battery-lipo-4s-5000', 'motor-controller-40a-5v2a', 'motor-28mm-9x6', 'distribution-plain-bus']) one.add(part, '');
  one.wire('BAT1 main', 'PWR1 battery', 'meaning', 100);
  one.wire('PWR1 b1', 'ESC1 power', 'meaning', 100);
  one.wire('ESC1 motor', 'MOT1 phases', 'straight', 60);
  const { design } = one;
  const rc = { ...design.aircraft.rc, figures };
  return { ...design, aircraft: { ...design.aircraft, rc, power: { cruiseA: 10, usableShare } } };
}

describe('when the pack has to send the aircraft home', () => {
  it('is its usable charge less the current of cruise over the time of the way home', () => {
    const reserve = batteryReserve(graphOf(cruising({ wayHomeM: 3000, homeSpeedMps: 10 })));
    if (typeof reserve === 'string') throw new Error(reserve);
    // 300 s at 10 A and the 10 mA of the regulator itself; 60 % of 5000 mAh may be used.
    expect(reserve.homeMinutes).toBeCloseTo(5, 9);
    expect(reserve.homeMah).toBeCloseTo((10_010 * 5) / 60, 0);
    expect(reserve.atMah).toBeCloseTo(3000 - (10_010 * 5) / 60, 0);
    expect(reserve.outMinutes).toBeCloseTo((reserve.atMah * 60) / 10_010, 1);
    // The voltage of four cells at that charge, less what the pack's own resistance takes.
    const rest = 4 * cellVolts('lipo', 1 - reserve.atMah / 5000);
    expect(reserve.atVolts).toBeLessThan(rest);
    expect(reserve.atVolts).toBeGreaterThan(rest - 0.6);
  });

  it('comes earlier from farther away, and not at all from too far', () => {
    const at = (wayHomeM: number): number | string => {
      const reserve = batteryReserve(graphOf(cruising({ wayHomeM, homeSpeedMps: 10 })));
      return typeof reserve === 'string' ? reserve : reserve.atMah;
    };
    expect(Number(at(2000))).toBeGreaterThan(Number(at(4000)));
    expect(at(20_000)).toBe('too-far');
  });

  it('is not known without the way home, or without a pack', () => {
    expect(batteryReserve(graphOf(cruising({ wayHomeM: 3000 })))).toBe('no-way-home');
    const empty = bench('controller-f4-wing').design;
    const figures = { wayHomeM: 3000, homeSpeedMps: 10 };
    expect(batteryReserve(graphOf({ ...empty, aircraft: { ...empty.aircraft, rc: { ...empty.aircraft.rc, figures } } }))).toBe('no-pack');
  });
});

describe('the picture of the loss of the signal', () => {
  const lanes = (design: Design): Readonly<Record<string, readonly string[]>> =>
    Object.fromEntries(
      (lossTimeline(graphOf(design))?.lanes ?? []).map(({ who, spans }) => [
        who,
        spans.map(({ fromS, toS, is, words }) => withPlainSpaces(`${fromS} ${toS} ${is} ${words.slice(0, 25)}`)),
      ]),
    );

  it('is to scale: the receiver says it after its own time, the controller acts after its delay, the pilot has control back last', () => {
    const design = saltmarsh(asId<AircraftId>('saltmarsh'), countingIds());
    expect(lanes(design)).toMatchObject({
      RX1: ['0 0.3 waits waits', '0.3 5.8 acts keeps sending, with the f', '5.8 9.8 acts signal back'],
      FC1: ['0 1.8 waits keeps the last channels', '1.8 6.8 acts returns at 80 m (needs po'],
      pilot: ['5.8 6.8 waits signal back', '6.8 9.8 control control, on a mode change'],
    });
    const later = made(design, { kind: 'set-rc-figure', figure: 'lossDelayS', value: 3, was: 1.5 });
    expect(lanes(later)['FC1']?.[0]).toBe('0 3.3 waits keeps the last channels');
    for (const { spans } of lossTimeline(graphOf(later))?.lanes ?? []) {
      spans.forEach((span, i) => {
        expect(span.toS).toBeGreaterThan(span.fromS);
        if (i > 0) expect(span.fromS).toBe(spans[i - 1]?.toS);
      });
    }
  });

  it('shows that nothing is noticed, and what is not planned', () => {
    const one = bench('controller-8-bit-servo-fed', 'receiver-sbus-16', 'converter-sbus-to-ppm');
    one.wire('RX1 SBUS', 'CONV1 SBUS');
    one.wire('CONV1 out', 'FC1 PPM');
    const shown = lanes(planned(one.design));
    expect(shown['CONV1 out']?.[1]).toContain('wrong repeats the last channel');
    expect(shown['FC1']).toEqual(['0 4.3 wrong does not detect it: flies']);
    expect(lossTimeline(graphOf(bench('controller-f4-wing').design))).toBeUndefined();
  });
});
