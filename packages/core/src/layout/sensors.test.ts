import { describe, expect, it } from '@jest/globals';
import { hoverOf } from '../power/scenarios/hoverOf.ts';
import { mudflat } from '../demo/mudflat.ts';
import { graphOf } from '../graph/graphOf.ts';
import { placementSheet } from '../harness/documents/layoutSheets.ts';
import { radioSheet } from '../harness/documents/radioSheet.ts';
import { asId, type AircraftId } from '../model/ids.ts';
import { placedAntennas } from '../radio/antennasOf.ts';
import { shadowsOf, sideWords } from '../radio/shadows.ts';
import { carrying, inBay } from '../test/checkCases/placement.ts';
import { countingIds, findingsBy, itemOf, made } from '../test/designs.ts';
import { balanceOf } from './balance.ts';
import { inertialSensors } from './inertialSensors.ts';
import { stepMs, tubeLagMs } from './pitots.ts';
import { distanceMm, placedItems } from './placedItems.ts';
import { reachOf } from './reachOf.ts';

describe('what stands between an antenna and the horizon', () => {
  const [antenna] = placedAntennas(graphOf(carrying([['receiver-sbus-16', 'RX1', [500, 0, 0]]])));
  if (antenna === undefined) throw new Error('It has no antenna.');
  const { at } = antenna;
  /** The receiver with a pack so far aft of its antenna, to the right of it, and above it. */
  const beside = (aft: number, right: number, up: number) =>
    graphOf(
      carrying([
        ['receiver-sbus-16', 'RX1', [500, 0, 0]],
        ['battery-lipo-4s-5000', 'BAT1', [at[0] + aft, at[1] + right, at[2] + up]],
      ]),
    );

  it.each([
    [-200, 0, 'ahead'],
    [200, 0, 'aft'],
    [0, 200, 'to the right'],
    [0, -200, 'to the left'],
  ])('is a pack at its height, %d mm aft and %d mm to the right, by the angle between its corners', (aft, right, words) => {
    const graph = beside(aft, right, 0);
    const shadows = shadowsOf(graph);
    expect(shadows.map(({ bearingDeg }) => sideWords(bearingDeg))).toEqual([words]);
    const [length = 0, width = 0] = placedItems(graph).find(({ item }) => item.ref === 'BAT1')?.half ?? [];
    // The near corners stand widest.
    const half = aft === 0 ? Math.atan(length / (200 - width)) : Math.atan(width / (200 - length));
    expect(shadows[0]?.spanDeg).toBeCloseTo((2 * half * 180) / Math.PI, 6);
    expect(shadows[0]?.distanceMm).toBeCloseTo(200, 6);
    expect(radioSheet(graph).notes.join(' ')).toMatch(new RegExp(`BAT1 hides \\d+\\sdegrees of the horizon ${words} from`));
  });

  it('is nothing above or below it, and nothing far away', () => {
    expect(shadowsOf(beside(-200, 0, 60))).toEqual([]);
    expect(shadowsOf(beside(0, 3000, 0))).toEqual([]);
  });
});

describe('an airspeed tube', () => {
  it('lags by the resistance of its bore times the air behind it', () => {
    // 500 mm of 2 mm bore before 0.3 cm3: 128 * 1.79e-5 * 0.5 * 1.0854e-6 / (pi * 1.6e-11 * 101325) s
    expect(tubeLagMs(500)).toBeCloseTo(0.2441, 3);
    expect(tubeLagMs(0)).toBe(0);
    expect(tubeLagMs(1000)).toBeGreaterThan(2 * tubeLagMs(500));
  });

  it('gives a coarser step the slower it flies', () => {
    // q = 61.25 Pa at 10 m/s; a step of 1 Pa is 1 / (rho V) = 0.0816 m/s, a little less for the bend of the square.
    expect(stepMs(1, 10)).toBeCloseTo(1 / (1.225 * 10), 3);
    expect(stepMs(1, 5)).toBeGreaterThan(stepMs(1, 10));
  });
});

describe('an inertial sensor', () => {
  it('is as far from the balance as its controller, square to the axes but for a fine turn', () => {
    const design = inBay('open');
    const fc = itemOf(design, 'FC1');
    const was = fc.place;
    if (was === undefined) throw new Error('It has no place.');
    const graph = graphOf(made(design, { kind: 'place-item', item: fc.id, place: { ...was, turn: [180, 0, 90], yawDeg: 7 }, was }));
    const [sensor] = inertialSensors(graph);
    expect(sensor?.offSquareDeg).toBe(7);
    expect(sensor?.fromBalanceMm).toBeCloseTo(distanceMm(was.at, balanceOf(graph)?.at ?? [0, 0, 0]), 9);
    // On its back, its top points down.
    expect(sensor?.turning[2][2]).toBeCloseTo(-1, 9);
  });
});

describe('what one gets at', () => {
  it('is by the bay that a part lies in; what is closed stands on the placement sheet', () => {
    const closed = graphOf(inBay('closed'));
    const of = (ref: string): string[] =>
      reachOf(closed).flatMap(({ placed, what, by }) => (placed.item.ref === ref ? [`${what}: ${by}`] : []));
    expect(of('FC1')).toEqual(['USB: closed', 'memory card: closed', 'status light: closed']);
    expect(of('BAT1')).toEqual([]);
    expect(placementSheet(closed).notes.join(' ')).toMatch(/Configure before the bay is closed: .*FC1 USB; FC1 memory card/);
    expect(placementSheet(graphOf(inBay('open'))).notes.join(' ')).not.toContain('Set up');
  });
});

const design = mudflat(asId<AircraftId>('mudflat'), countingIds());

describe('a network port', () => {
  it('is no USB port, though it has data pairs', () => {
    const ports = reachOf(graphOf(design)).flatMap(({ placed, what }) => (placed.item.ref === 'FC1' ? [what] : []));
    expect(ports).toEqual(['USB', 'memory card', 'status light']);
  });
});

describe('hovering', () => {
  it('is read from the thrust that its motors state', () => {
    const graph = graphOf(design);
    const hover = hoverOf(graph);
    const each = (balanceOf(graph)?.massG ?? NaN) / 4;
    expect(hover?.motors).toBe(4);
    // From the table of its motors: 1600 g at half of the throttle and 2500 g at three quarters of it.
    expect(hover?.throttle).toBeCloseTo(0.5 + (0.25 * (each - 1600)) / (2500 - 1600), 9);
    expect(hover?.throttle).toBeGreaterThan(0.2);
    expect(hover?.throttle).toBeLessThan(0.6);
    expect(findingsBy(design, 'place.mass').filter(({ what }) => what.includes('hover'))).toEqual([]);
  });

  it('is a note above 60 % of the throttle, and says when it is not enough', () => {
    const loaded = (massG: number) => {
      const [heaviest] = [...placedItems(graphOf(design))].sort((a, b) => b.massG - a.massG);
      if (heaviest === undefined) throw new Error('Nothing is placed.');
      return made(design, { kind: 'weigh-item', item: heaviest.item.id, massG, was: heaviest.item.weighedG ?? null });
    };
    const said = (massG: number): string[] =>
      findingsBy(loaded(massG), 'place.mass').flatMap(({ severity, what }) => (what.includes('hover') ? [`${severity}: ${what}`] : []));
    expect(said(6000).join()).toMatch(/^note: .*it hovers at about 92\s% throttle\.$/);
    expect(said(20_000).join()).toMatch(/^note: .*it does not hover even at full throttle \(estimate\)\.$/);
  });

  it('is not known of what only flies forward', () => {
    expect(hoverOf(graphOf(inBay('open')))).toBeUndefined();
  });
});
