import { describe, expect, it } from '@jest/globals';
import { saltmarsh } from '../../demo/saltmarsh.ts';
import { balanceOf } from '../../layout/balance.ts';
import { graphOf } from '../../graph/graphOf.ts';
import type { Design } from '../../model/design.ts';
import type { FrameNumber } from '../../model/frame.ts';
import { asId, type AircraftId } from '../../model/ids.ts';
import { remediesOf } from '../findingsOf.ts';
import { countingIds, findingsBy, made } from '../../test/designs.ts';
import { stallSpeedMs } from './mass.ts';

const whole = saltmarsh(asId<AircraftId>('saltmarsh'), countingIds());

function number(name: FrameNumber, value: number, from: Design = whole): Design {
  return made(from, { kind: 'set-frame-number', number: name, value, was: from.aircraft.airframe.frame?.numbers[name] ?? null });
}

describe('the balance of what is placed', () => {
  it('is a note within a fifth of the edge of its band, and nothing further in', () => {
    const station = balanceOf(graphOf(whole))?.at[0] ?? NaN;
    // A band of 100 mm: 19 mm from its edge, and 21.
    const near = number('aftLimitMm', station + 81, number('foreLimitMm', station - 19));
    expect(findingsBy(near, 'place.cg').map(({ severity, what }) => [severity, what])).toEqual([
      ['note', 'With BAT1 where it is, the centre of gravity is near its forward limit.'],
    ]);
    expect(findingsBy(number('aftLimitMm', station + 79, number('foreLimitMm', station - 21)), 'place.cg')).toEqual([]);
  });

  it('says by how much it is outside, and on which side', () => {
    const station = balanceOf(graphOf(whole))?.at[0] ?? NaN;
    const [forward] = findingsBy(number('aftLimitMm', station + 60, number('foreLimitMm', station + 30)), 'place.cg');
    expect([forward?.severity, forward?.what]).toEqual(['stop', expect.stringContaining('30 mm too far forward')]);
    const [aft] = findingsBy(number('aftLimitMm', station - 12, number('foreLimitMm', station - 60)), 'place.cg');
    expect([aft?.severity, aft?.what]).toEqual(['stop', expect.stringContaining('12 mm too far aft')]);
  });

  it('offers swaps, and one that is taken brings it inside', () => {
    const heavy = number('massG', 1);
    const swaps = findingsBy(heavy, 'place.cg').flatMap((finding) =>
      remediesOf(heavy, finding).filter(({ label }) => label.startsWith('Swap')),
    );
    expect(swaps.length).toBeGreaterThan(0);
    for (const { edit } of swaps) {
      expect(findingsBy(made(heavy, edit), 'place.cg').filter(({ severity }) => severity === 'stop')).toEqual([]);
    }
  });
});

describe('the stall speed', () => {
  it('is where lift equals weight', () => {
    // 1.225 / 2 * 10^2 * 0.5 m2 * 1.2 = 36.75 N
    expect(stallSpeedMs((36.75 / 9.81) * 1000, 500_000)).toBeCloseTo(10, 9);
  });

  it('is a note when it is above the speed of the brief', () => {
    expect(findingsBy(whole, 'place.mass')).toEqual([]);
    const [slow] = findingsBy(number('stallMs', 8), 'place.mass');
    expect([slow?.severity, slow?.what]).toEqual(['note', expect.stringContaining('above the 8 m/s of the brief')]);
  });
});
