import { describe, expect, it } from '@jest/globals';
import loadHighs from 'highs';
import {
  AIRFRAME_KINDS,
  airframeKinds,
  hovers,
  isWingless,
  requiredFunctions,
  survivingSets,
  type AirframeKind,
} from '../../model/airframes.ts';
import { rotorsInOrder } from '../../dialects/rotorsInOrder.ts';
import { sampleDialects } from '../../dialects/sampleDialects.ts';
import type { OutputFunction } from '../../model/outputFunctions.ts';
import { LIFT_FUNCTIONS } from '../../model/outputFunctions.ts';
import { emptyBench } from '../../test/designs.ts';
import type { Design } from '../../model/design.ts';
import { mixed, pulseUs } from './mixed.ts';
import type { Command, Commands, MixerRow } from './mixerRow.ts';
import { mixerOf, ROTOR_AUTHORITY } from './mixerOf.ts';
import { rotorRows } from './rotorRows.ts';
import { rotorsLeft } from './rotorsLeft.ts';
import { saturationOf } from './saturation.ts';
import { stabilised } from './stabilised.ts';
import { surfaceRow } from './surfaceRows.ts';

const rotorKinds = airframeKinds.filter(hovers);
const dialects = [undefined, ...sampleDialects];

function designOf(kind: AirframeKind, mixing: Design['aircraft']['mixing'] = {}): Design {
  const { design } = emptyBench();
  return { ...design, aircraft: { ...design.aircraft, airframe: { kind }, mixing } };
}

function fail(name: string): never {
  throw new Error(`There is no row for ${name}.`);
}

const valuesOf = (rows: readonly MixerRow[], commands: Commands): Readonly<Partial<Record<OutputFunction, number>>> =>
  Object.fromEntries(mixed(rows, commands).map(({ row, value }) => [row.function, value]));

/*
 * Axes of the body: x ahead, y to the right, z down. A force F at r gives the moment r x F; positive about x lowers the right wing, about y
 * raises the nose, about z turns it right.
 */
type Vector = readonly [number, number, number];
const cross = ([ax, ay, az]: Vector, [bx, by, bz]: Vector): Vector => [ay * bz - az * by, az * bx - ax * bz, ax * by - ay * bx];
const scaled = ([x, y, z]: Vector, k: number): Vector => [x * k, y * k, z * k];

/** Where surfaces sit, in spans from the balance, and the force on each when its trailing edge is deflected to the positive side. */
const S = Math.SQRT1_2;
const SURFACES: Readonly<Partial<Record<OutputFunction, { readonly at: Vector; readonly force: Vector }>>> = {
  'aileron-left': { at: [-0.1, -0.8, 0], force: [0, 0, -1] },
  'aileron-right': { at: [-0.1, 0.8, 0], force: [0, 0, -1] },
  // The left one of both: the right one goes the other way.
  ailerons: { at: [-0.1, -0.8, 0], force: [0, 0, -1] },
  'flaperon-left': { at: [-0.1, -0.6, 0], force: [0, 0, -1] },
  'flaperon-right': { at: [-0.1, 0.6, 0], force: [0, 0, -1] },
  'elevon-left': { at: [-0.4, -0.6, 0], force: [0, 0, -1] },
  'elevon-right': { at: [-0.4, 0.6, 0], force: [0, 0, -1] },
  elevator: { at: [-1, 0, 0], force: [0, 0, -1] },
  // To the right: the air pushes the fin to the left.
  rudder: { at: [-1, 0, 0], force: [0, -1, 0] },
  'rudder-left': { at: [-0.5, -0.9, 0], force: [0, -1, 0] },
  'rudder-right': { at: [-0.5, 0.9, 0], force: [0, -1, 0] },
  // The upper side of the left half of a V faces up and to the right, that of an A up and to the left.
  'v-tail-left': { at: [-1, -0.1, -0.1], force: [0, S, -S] },
  'v-tail-right': { at: [-1, 0.1, -0.1], force: [0, -S, -S] },
  'a-tail-left': { at: [-1, -0.1, -0.1], force: [0, -S, -S] },
  'a-tail-right': { at: [-1, 0.1, -0.1], force: [0, S, -S] },
  'throttle-left': { at: [0, -0.4, 0], force: [1, 0, 0] },
  'throttle-right': { at: [0, 0.4, 0], force: [1, 0, 0] },
};

describe.each(airframeKinds.map((kind) => [kind] as const))('the mixer of %s', (kind) => {
  const rows = mixerOf(designOf(kind));

  it('has a row with a reason for each function that it needs, once, within -1 to 1', () => {
    expect(rows.map((row) => row.function)).toEqual([...requiredFunctions(kind)]);
    for (const { weights, reason } of rows) {
      expect(reason.length).toBeGreaterThan(10);
      for (const weight of Object.values(weights)) expect(Math.abs(weight)).toBeLessThanOrEqual(1);
    }
  });

  it.each([
    ['roll', 0],
    ['pitch', 1],
    ['yaw', 2],
  ] as const)('turns about %s by the forces on what it moves, whichever way it is asked', (command, axis) => {
    const isFlown = rows.some((row) => SURFACES[row.function] !== undefined && (row.weights[command] ?? 0) !== 0);
    // A wing without rudders does not yaw by itself, and what hangs on motors has no surfaces.
    if (!isFlown) return expect(isWingless(kind) || (['flying-wing', 'no-rudder'].includes(kind) && command === 'yaw')).toBe(true);
    const rest = valuesOf(rows, { lift: 0, throttle: 0.5 });
    for (const way of [-1, 1]) {
      const now = valuesOf(rows, { lift: 0, throttle: 0.5, [command]: way });
      let total: Vector = [0, 0, 0];
      for (const [name, surface] of Object.entries(SURFACES)) {
        const row = rows.find((one) => one.function === name);
        if (row === undefined) continue;
        const moment = cross(surface.at, scaled(surface.force, (now[row.function] ?? 0) - (rest[row.function] ?? 0)));
        total = [total[0] + moment[0], total[1] + moment[1], total[2] + moment[2]];
      }
      expect(Math.sign(total[axis])).toBe(way);
    }
  });
});

describe.each(rotorKinds.map((kind) => [kind] as const))('the lift motors of %s', (kind) => {
  const isTilting = requiredFunctions(kind).includes('tail-tilt');

  it.each(dialects.map((dialect) => [dialect?.name ?? 'no firmware', dialect] as const))(
    'give pure moments as %s numbers them',
    (_, dialect) => {
      const rotors = rotorsInOrder(kind, dialect);
      const { motors, tilt } = rotorRows(rotors, isTilting);
      expect(rotors).toHaveLength(AIRFRAME_KINDS[kind].rotors.length);
      // Moments by forces at the places of the motors, and by the torque against their turning.
      const moments = (thrusts: readonly number[], lean: number): Vector & { readonly length: 3 } => {
        let total: Vector = [0, 0, 0];
        rotors.forEach(({ azimuthDeg, turns }, i) => {
          const angle = (azimuthDeg * Math.PI) / 180;
          const thrust = thrusts[i] ?? 0;
          const moment = cross([Math.cos(angle), Math.sin(angle), 0], [0, 0, -thrust]);
          const torque = 0.05 * thrust * (turns === 'clockwise' ? -1 : 1);
          total = [total[0] + moment[0], total[1] + moment[1], total[2] + moment[2] + torque];
        });
        // A rear motor that leans pushes the tail to the left for a nose to the right.
        const push = cross([-1, 0, 0], [0, -lean, 0]);
        return [total[0], total[1], total[2] + push[2]];
      };
      for (const [command, axis] of [
        ['roll', 0],
        ['pitch', 1],
        ['yaw', 2],
      ] as const) {
        const changes = motors.map((row) => row[command]);
        const got = moments(changes, command === 'yaw' ? (tilt?.yaw ?? 0) : 0);
        expect(got[axis]).toBeGreaterThan(0.05);
        got.forEach((value, other) => {
          if (other !== axis) expect(value).toBeCloseTo(0, 9);
        });
        expect(changes.reduce((sum, value) => sum + value, 0)).toBeCloseTo(0, 9);
        expect(Math.max(...changes.map(Math.abs), Math.abs(command === 'yaw' ? (tilt?.yaw ?? 0) : 0))).toBeCloseTo(1, 9);
      }
      // All alike: no moment, where a rear motor that tilts holds against the torque.
      for (const value of moments(
        rotors.map(() => 1),
        tilt?.trim ?? 0,
      ))
        expect(value).toBeCloseTo(0, 9);
    },
  );

  it('keep between still and full, and give way alike', () => {
    const rows = mixerOf(designOf(kind)).filter((row) => LIFT_FUNCTIONS.some((name) => name === row.function));
    for (const lift of [0.1, 0.5, 0.95])
      for (const roll of [-1, 0, 1])
        for (const pitch of [-1, 0, 1])
          for (const yaw of [-1, 0, 1]) {
            const values = mixed(rows, { lift, roll, pitch, yaw });
            for (const { value } of values) expect(value).toBeGreaterThanOrEqual(0);
            for (const { value } of values) expect(value).toBeLessThanOrEqual(1);
            // The common thrust stays, whatever the attitude takes.
            expect(values.reduce((sum, { value }) => sum + value, 0)).toBeCloseTo(lift * rows.length, 9);
          }
    expect(mixed(rows, { lift: 0, roll: 1 }).every(({ value }) => value === 0)).toBe(true);
  });
});

describe('one lift motor lost', () => {
  it.each(rotorKinds.map((kind) => [kind] as const))('of %s leaves what a linear program says', async (kind) => {
    const highs = await loadHighs();
    const { rotors, sparesRotors } = AIRFRAME_KINDS[kind];
    const isTilting = requiredFunctions(kind).includes('tail-tilt');
    rotors.forEach((_, lost) => {
      const found = rotorsLeft(rotors, [lost], isTilting);
      for (const [what, axes] of [
        ['steadyThrust', ['roll', 'pitch', 'yaw']],
        ['levelThrust', ['roll', 'pitch']],
      ] as const) {
        const terms = (weight: (i: number) => number): string =>
          rotors.map((__, i) => `${weight(i) < 0 ? '-' : '+'} ${Math.abs(weight(i)).toFixed(12)} t${i}`).join(' ');
        const sin = (i: number): number => Math.sin(((rotors[i]?.azimuthDeg ?? 0) * Math.PI) / 180);
        const cos = (i: number): number => Math.cos(((rotors[i]?.azimuthDeg ?? 0) * Math.PI) / 180);
        const turn = (i: number): number => (rotors[i]?.turns === 'clockwise' ? -1 : 1);
        const rowsOf = {
          roll: `${terms((i) => -sin(i))} = 0`,
          pitch: `${terms(cos)} = 0`,
          yaw: `${terms((i) => 0.05 * turn(i))} ${isTilting ? '+ lean' : ''} = 0`,
        };
        const program = [
          'Maximize',
          ` thrust: ${rotors.map((__, i) => `t${i}`).join(' + ')}`,
          'Subject To',
          ...axes.map((axis) => ` ${axis}: ${rowsOf[axis]}`),
          'Bounds',
          ...rotors.map((__, i) => ` 0 <= t${i} <= ${i === lost ? 0 : 1}`),
          ' -1 <= lean <= 1',
          'End',
        ].join('\n');
        const { ObjectiveValue } = highs.solve(program);
        const share = ObjectiveValue / rotors.length;
        if (share < 1e-6) expect(found[what]).toBeUndefined();
        else expect(found[what]).toBeCloseTo(share, 6);
      }
      // An airframe that spares a motor still lifts more than half of what it could, and lies level.
      if (sparesRotors === 1) expect(found.levelThrust).toBeGreaterThanOrEqual(0.5);
    });
    const enough = survivingSets(kind).hover;
    expect(enough[0]).toHaveLength(sparesRotors === 0 ? 1 : rotors.length);
  });
});

describe('saturation', () => {
  const remainsOf = (kind: AirframeKind, mixing: Design['aircraft']['mixing'], full: string, other: string): number | undefined =>
    saturationOf(mixerOf(designOf(kind, mixing))).find((one) => one.full === full && one.other === other)?.remains;

  it('is what is left of one axis of surfaces that do two things', () => {
    // At full pitch 0.6 is used, and 0.4 is left of the 0.6 that a full roll asks for.
    expect(remainsOf('flying-wing', {}, 'pitch', 'roll')).toBeCloseTo(0.4 / 0.6, 9);
    expect(remainsOf('flying-wing', { roll: 1, pitch: 0.8 }, 'pitch', 'roll')).toBeCloseTo(0.2, 9);
    expect(remainsOf('flying-wing', { roll: 0.5, pitch: 0.5 }, 'pitch', 'roll')).toBeCloseTo(1, 9);
    expect(remainsOf('v-tail', { yaw: 1, pitch: 1 }, 'yaw', 'pitch')).toBe(0);
    expect(saturationOf(mixerOf(designOf('conventional')))).toEqual([]);
  });

  it('of lift motors is what hover leaves', () => {
    const remains = remainsOf('quad', {}, 'roll', 'pitch') ?? 0;
    // Half of the thrust is there for both; each asks for ROTOR_AUTHORITY on the same motor, and both give way alike.
    const asked = 2 * ROTOR_AUTHORITY;
    expect(remains).toBeCloseTo(Math.min(1, 0.5 / asked), 9);
  });
});

describe('pulses', () => {
  const row = (name: OutputFunction): MixerRow => surfaceRow(name, { differential: 0.4 }) ?? fail(name);
  const pulse = (name: OutputFunction, commands: Partial<Record<Command, number>>, travel = {}): number =>
    mixed([row(name)], commands).map((value) => pulseUs(value, travel))[0] ?? 0;

  it('go from the trim to the limits on both sides', () => {
    expect([-1, 0, 0.5, 1].map((yaw) => pulse('rudder', { yaw }, { minUs: 1100, trimUs: 1480, maxUs: 1900 }))).toEqual([
      1100, 1480, 1690, 1900,
    ]);
    expect([-1, 0, 1].map((yaw) => pulse('rudder', { yaw }, { reversed: true }))).toEqual([2000, 1500, 1000]);
    expect([0, 0.25, 1].map((throttle) => pulse('throttle', { throttle }))).toEqual([1000, 1250, 2000]);
    expect([0, 1].map((flap) => pulse('flap-left', { flap }, { reversed: true }))).toEqual([2000, 1000]);
  });

  it('go less down than up with differential ailerons', () => {
    expect([-1, 1].map((roll) => pulse('aileron-left', { roll }))).toEqual([1000, 1800]);
    expect([-1, 1].map((roll) => pulse('aileron-right', { roll }))).toEqual([1800, 1000]);
  });

  it('stop at the limits whatever is asked', () => {
    for (const yaw of [-7, 7, Infinity]) expect(pulse('rudder', { yaw })).toBe(yaw < 0 ? 1000 : 2000);
  });
});

describe('a levelled aircraft', () => {
  it('is asked back as long as it lies over, and by hand is not', () => {
    expect(stabilised({ roll: 0.2 }, { bankDeg: 20, pitchDeg: 0 }, 'manual')).toEqual({ roll: 0.2 });
    expect(stabilised({}, { bankDeg: 45, pitchDeg: -90 }, 'level')).toEqual({ roll: -1, pitch: 1 });
    expect(stabilised({ roll: 0.5 }, { bankDeg: 22.5, pitchDeg: 0 }, 'level').roll).toBeCloseTo(0, 12);
  });
});
