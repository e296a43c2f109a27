import { describe, expect, it } from '@jest/globals';
import { usualFrame } from '../../layout/usualFrame.ts';
import { graphOf } from '../../graph/graphOf.ts';
import type { Design } from '../../model/design.ts';
import type { Linkage } from '../../model/linkage.ts';
import type { OutputFunction } from '../../model/outputFunctions.ts';
import type { OutputTravel } from '../../model/outputPlan.ts';
import { powerReport } from '../../power/report/powerReport.ts';
import { servos } from '../../test/checkCases/powerDesigns.ts';
import { findingsBy, itemOf, made } from '../../test/designs.ts';
import { surfaceSheet, throwMm, turnWords } from '../documents/surfaceSheet.ts';
import { commandThrows } from './commandThrows.ts';
import { hingeMomentNcm } from './hingeMoment.ts';
import { holesFor } from './holes.ts';
import { loadedSituation } from './loadedSituation.ts';
import { forceOfServo, linkedServos, travelOfServo, type LinkedServo } from './servoTravel.ts';
import { fourBarOf } from './fourBar.ts';
import { limitsOf, safeLimits, surfaceAt, surfaceTravel } from './surfaceTravel.ts';

interface Case {
  readonly name?: OutputFunction;
  readonly figures?: Partial<Linkage>;
  readonly travel?: OutputTravel;
  readonly speeds?: Readonly<Record<'stallMs' | 'neverExceedMs', number>>;
}

/** A fed servo on the first output, linked so. */
function linked({ name = 'elevon-left', figures = {}, travel = {}, speeds = { stallMs: 8, neverExceedMs: 20 } }: Case = {}): Design {
  const design = servos('regulator-buck-selectable-10a', 1, 'servo-12g-metal');
  const [fc, item] = [itemOf(design, 'FC1').id, itemOf(design, 'SRV1').id];
  const frame = usualFrame('flying-wing', 1200);
  const value: Linkage = {
    item,
    armMm: 10,
    hornMm: 14,
    distanceMm: 60,
    horn: 'below',
    arm: 'pushes',
    chordMm: 40,
    lengthMm: 300,
    ...figures,
  };
  return made(design, {
    kind: 'batch',
    title: 'Linked',
    edits: [
      { kind: 'set-output-function', item: fc, output: 'out1', function: name, was: null },
      { kind: 'set-output-travel', item: fc, output: 'out1', value: travel, was: {} },
      { kind: 'set-linkage', item, value, was: null },
      { kind: 'set-frame', frame: { ...frame, numbers: { ...frame.numbers, ...speeds } }, was: null },
    ],
  });
}

function servoOf(design: Design): LinkedServo {
  const [one] = linkedServos(graphOf(design));
  if (one === undefined) throw new Error('There is no servo.');
  return one;
}

function forceOf(design: Design) {
  const force = forceOfServo(graphOf(design), servoOf(design));
  if (force === undefined) throw new Error('It is not fed.');
  return force;
}

describe('the force of a servo', () => {
  it('is that of its data at the lowest voltage of flight, through the linkage', () => {
    const design = linked();
    const { servo, entry } = servoOf(design);
    const { volts, torqueNcm, margins, situation } = forceOf(design);
    // The bench and the jammed servo are no flight.
    const all = powerReport(graphOf(design)).scenarios.flatMap(({ title, loads }) =>
      loads.flatMap((load) => (load.item === entry.item.id ? [{ title, volts: load.volts }] : [])),
    );
    expect(all).toContainEqual({ title: situation, volts });
    expect(torqueNcm).toBeCloseTo((servo.torqueNcm * volts) / servo.atV, 9);
    expect(volts).not.toBe(servo.atV);
    const bar = fourBarOf(servoOf(design).linkage ?? never());
    for (const { of, pose, deflectionDeg, neededNcm, givenNcm, margin } of margins) {
      expect(neededNcm).toBeCloseTo(hingeMomentNcm({ chordMm: 40, lengthMm: 300 }, 0.6, of.speedMs, deflectionDeg), 9);
      // Moment by moment of arm: what one degree of the servo does to the surface.
      const [before, after] = [-1, 1].map((us) =>
        bar === undefined ? 0 : (surfaceAt(servoOf(design).linkage ?? never(), bar, pose.us + us)?.surfaceDeg ?? 0),
      );
      const perServoDeg = Math.abs((after ?? 0) - (before ?? 0)) / (2 * (45 / 500));
      expect(givenNcm).toBeCloseTo(torqueNcm / perServoDeg, 1);
      expect(margin).toBeCloseTo(givenNcm / neededNcm, 9);
    }
    expect(margins.map(({ of }) => of.share)).toEqual([1, expect.closeTo(1 / 3, 9)]);
  });

  it('takes current between idle and stall as it is loaded, and no more than stalled', () => {
    const load = servoOf(linked()).entry.part?.circuit.find((element) => element.is === 'load');
    if (load?.is !== 'load' || load.stallA === undefined) throw new Error('The servo has no load.');
    const { servo } = servoOf(linked());
    const force = forceOf(linked());
    const hardest = Math.max(...force.margins.map(({ margin }) => 1 / margin));
    expect(hardest).toBeLessThan(1);
    expect(force.loadedA).toBeCloseTo(load.idleA + hardest * (load.stallA * (force.volts / servo.atV) - load.idleA), 9);
    const weak = forceOf(linked({ figures: { chordMm: 300, lengthMm: 900 } }));
    expect(weak.loadedA).toBeCloseTo((load.stallA * weak.volts) / servo.atV, 9);
    expect(forceOf(linked({ speeds: { stallMs: 0.5, neverExceedMs: 0.5 } })).loadedA).toBeCloseTo(load.idleA, 1);
  });

  it('of all is offered to the power stage once, and says when moving servos take less', () => {
    const calm = loadedSituation(graphOf(linked()));
    if (calm?.edit === undefined) throw new Error('There is nothing to offer.');
    expect(calm.totalA).toBeCloseTo(forceOf(linked()).loadedA ?? 0, 9);
    const after = made(linked(), calm.edit);
    expect(after.aircraft.power?.situations?.['own-loaded']?.servos).toBe(calm.share);
    const situation = powerReport(graphOf(after)).scenarios.find(({ id }) => id === 'own-loaded');
    expect(situation?.title).toBe('Surfaces loaded');
    const again = loadedSituation(graphOf(after));
    // A lower rail in that situation changes the share a little, or not at all; then there is nothing to do.
    expect(Math.abs((again?.share ?? 9) - calm.share)).toBeLessThan(0.05);
    const weak = loadedSituation(graphOf(linked({ figures: { chordMm: 300, lengthMm: 900 } })));
    expect([calm.isBeyond, weak?.isBeyond]).toEqual([calm.totalA > 0 && calm.share === 1 && calm.isBeyond, true]);
    expect(weak?.share).toBe(1);
  });
});

describe('what opens', () => {
  it('goes from closed, whichever end that is', () => {
    expect(servoOf(linked({ name: 'flap-left' })).limits.trimUs).toBe(1000);
    expect(servoOf(linked({ name: 'flap-left', travel: { reversed: true } })).limits.trimUs).toBe(2000);
    expect(servoOf(linked({ name: 'elevon-left', travel: { trimUs: 1480 } })).limits.trimUs).toBe(1480);
    const travel = travelOfServo(servoOf(linked({ name: 'flap-left', figures: { arm: 'pulls' } })));
    expect([travel?.upDeg, (travel?.downDeg ?? 0) > 40]).toEqual([0, true]);
  });
});

describe('the way from command to surface', () => {
  const throwsOf = (one: Case) => commandThrows(graphOf(linked(one)), servoOf(linked(one)));

  it('goes through mixer, limits, trim, reversal and linkage', () => {
    const plain = throwsOf({});
    expect(plain.map(({ command }) => command)).toEqual(['roll', 'pitch']);
    // 60 % of the pulse from the trim to an end, as the mixer has it; a longer pulse lifts this surface.
    const linkage = servoOf(linked()).linkage ?? never();
    const bar = fourBarOf(linkage) ?? never();
    const at = (us: number): number => surfaceAt(linkage, bar, us)?.surfaceDeg ?? NaN;
    expect(plain[0]?.forwardDeg).toBeCloseTo(at(1800), 9);
    expect(plain[0]?.backDeg).toBeCloseTo(at(1200), 9);
    // The left elevon goes up to raise the nose: the other way than for a roll to the right.
    expect(plain[1]?.forwardDeg).toBeCloseTo(at(1200), 9);
    const turned = throwsOf({ travel: { reversed: true, trimUs: 1550, maxUs: 1900 } });
    expect(turned[0]?.forwardDeg).toBeCloseTo(at(1550 - 0.6 * 550) - at(1550), 9);
    expect(turned[0]?.backDeg).toBeCloseTo(at(1550 + 0.6 * 350) - at(1550), 9);
  });

  it('of a flap may begin with its arm in line, which locks it; of an elevon that is too close', () => {
    // At 1000 us the arm is 62 degrees from square, and the rod leans towards it.
    const figures = { arm: 'pulls', servoDeg: 62, armMm: 6, hornMm: 20 } as const;
    const said = (name: OutputFunction, travel: OutputTravel): readonly string[] =>
      findingsBy(linked({ name, figures, travel }), 'output.linkage').map(({ what }) => what);
    expect(said('flap-left', { maxUs: 1500 })).toEqual([]);
    expect(said('elevon-left', { maxUs: 1500 })[0]).toMatch(/^SRV1: rod and arm come within \d+ degrees of one line\.$/);
  });

  it('opens from closed, and is nothing where nothing is linked', () => {
    const [flap] = throwsOf({ name: 'flap-left', figures: { arm: 'pulls' } });
    expect(flap?.backDeg).toBeCloseTo(0, 9);
    expect(flap?.forwardDeg).toBeGreaterThan(40);
    const open = made(linked(), {
      kind: 'set-linkage',
      item: itemOf(linked(), 'SRV1').id,
      value: null,
      was: servoOf(linked()).linkage ?? null,
    });
    expect(commandThrows(graphOf(open), servoOf(open))).toEqual([]);
    expect(throwsOf({ figures: { rodMm: 20 } })).toEqual([]);
  });
});

describe('limits that are safe', () => {
  it('stay inside the servo and clear of the dead points, and are no wider than asked', () => {
    const { linkage } = servoOf(linked({ figures: { armMm: 20, hornMm: 10 } }));
    const safe = safeLimits(linkage ?? never(), limitsOf({ minUs: 800, maxUs: 2200 }), [900, 2100]);
    if (safe === undefined) throw new Error('There are none.');
    expect(safe.minUs).toBeGreaterThan(900);
    const travel = surfaceTravel(linkage ?? never(), safe);
    expect([travel?.binds, (travel?.hornMarginDeg ?? 0) >= 15, (travel?.armMarginDeg ?? 0) >= 15]).toEqual([undefined, true, true]);
    // As far as it goes: a little more comes too close.
    const more = surfaceTravel(linkage ?? never(), { ...safe, minUs: safe.minUs - 15, maxUs: safe.maxUs + 15 });
    expect(more?.binds !== undefined || Math.min(more?.hornMarginDeg ?? 0, more?.armMarginDeg ?? 0) < 15).toBe(true);
    const plain = servoOf(linked()).linkage ?? never();
    expect(safeLimits(plain, limitsOf({ minUs: 800, maxUs: 2200 }), [900, 2100])).toMatchObject({ minUs: 900, maxUs: 2100 });
    expect(safeLimits(plain, limitsOf({ minUs: 1100, maxUs: 1900 }), [900, 2100])).toMatchObject({ minUs: 1100, maxUs: 1900 });
  });
});

describe('holes', () => {
  it('are clear of the dead points, and those at the end of the servo come last', () => {
    const { linkage } = servoOf(linked());
    const choices = holesFor(linkage ?? never(), { upDeg: 25, downDeg: 25 }, 1500, [1000, 2000]);
    expect(choices.length).toBeGreaterThan(3);
    const tight = choices.map(({ endMarginUs }) => endMarginUs < 25);
    expect(tight).toEqual([...tight].sort());
    for (const { travel } of choices) expect(Math.min(travel.armMarginDeg, travel.hornMarginDeg)).toBeGreaterThanOrEqual(15);
    // A throw at which every horn is nearly in line with its rod is none that can be built.
    expect(holesFor(linkage ?? never(), { upDeg: 80, downDeg: 80 }, 1500, [900, 2100])).toEqual([]);
  });
});

describe('the surface sheet', () => {
  it('has the throw at the trailing edge square to the surface, and trims as turns', () => {
    expect(throwMm(50, -30)).toBeCloseTo(25, 9);
    expect([turnWords(2.4), turnWords(-1.1), turnWords(0.1)]).toEqual(['2.5 turns out', '1 turn in', 'less than half a turn']);
    const [row] = surfaceSheet(graphOf(linked({ travel: { trimUs: 1550 } }))).rows;
    expect(row?.join(' | ').replaceAll('\u00a0', ' ')).toMatch(
      /^SRV1 \| left elevon \| 10, 14, 60.1 mm \| \d+ deg, \d+ mm \| \d+ deg, \d+ mm \| 1000 to 2000 us \| 0.06\d \| 1550 us: [0-9.]+ turns? (in|out) instead \| \d/,
    );
    const open = surfaceSheet(
      graphOf(
        made(linked(), { kind: 'set-linkage', item: itemOf(linked(), 'SRV1').id, value: null, was: servoOf(linked()).linkage ?? null }),
      ),
    );
    expect(open.rows[0]?.[2]).toBe('not stated');
  });
});

function never(): never {
  throw new Error('There is no linkage.');
}
