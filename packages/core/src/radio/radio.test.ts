import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { saltmarsh } from '../demo/saltmarsh.ts';
import { graphOf } from '../graph/graphOf.ts';
import { asId, type AircraftId, type ItemId } from '../model/ids.ts';
import type { Design } from '../model/design.ts';
import type { Spot } from '../model/frame.ts';
import type { Settings } from '../model/resolvePart.ts';
import { radioSheet } from '../harness/documents/radioSheet.ts';
import { carrying, SKY } from '../test/checkCases/placement.ts';
import { countingIds, findingsBy, made } from '../test/designs.ts';
import { ofOlderParts } from '../test/olderParts.ts';
import { antennaOptions } from './antennaOptions.ts';
import { placedAntennas, radiosOf, type PlacedAntenna } from './antennasOf.ts';
import { freeSpaceLossDb, gainTowards, isolationBetween, NEAR_FIELD_DB, polarisationLossDb, wavelengthMm } from './isolation.ts';
import { bearableLossDb, directionsOf, linkBudget, marginDb, pathLossDb, reachM } from './linkBudget.ts';
import { baselinesOf } from './baselines.ts';
import { disturbancesOf, loudPairs, neighboursOf, noisyNeighbours } from './nearby.ts';
import { productsOf } from './products.ts';

const graph = graphOf(saltmarsh(asId<AircraftId>('saltmarsh'), countingIds('r')));
const radio = radiosOf(graph).find(({ item }) => item.ref === 'RADIO1');
if (radio === undefined) throw new Error('Saltmarsh has no radio.');

const heights = { flightM: 100, groundM: 2 };

describe('what spreads away', () => {
  it('is 32.4 dB + 20 log f + 20 log d in MHz and km', () => {
    for (const [mhz, km] of [
      [915, 8],
      [2440, 1],
      [5800, 0.5],
    ] as const) {
      const wanted = 32.45 + 20 * Math.log10(mhz) + 20 * Math.log10(km);
      expect(freeSpaceLossDb(km * 1e6, mhz)).toBeCloseTo(wanted, 1);
      expect(pathLossDb(km * 1000, mhz, { flightM: 1e5, groundM: 1e5 })).toBeCloseTo(wanted, 1);
    }
  });

  it('far out and low is 40 log d - 20 log (h1 h2)', () => {
    expect(pathLossDb(20_000, 915, heights)).toBeCloseTo(40 * Math.log10(20_000) - 20 * Math.log10(200), 9);
  });

  it('and the reach are each the other way round', () => {
    fc.assert(
      fc.property(fc.double({ min: 60, max: 160, noNaN: true }), fc.integer({ min: 400, max: 6000 }), (lossDb, mhz) => {
        expect(pathLossDb(reachM(lossDb, mhz, heights), mhz, heights)).toBeCloseTo(lossDb, 6);
      }),
    );
  });
});

describe('a link budget', () => {
  it('is power, gains, lying, cables and sensitivity, added by hand', () => {
    // 20 dBm + 112 + whip 0 + dipole 2.15 - 1 of cables
    const [down] = directionsOf(radio);
    if (down === undefined) throw new Error('The radio sends nothing.');
    expect(bearableLossDb(down, radio, 'dipole')).toBeCloseTo(133.15, 9);
    expect(bearableLossDb(down, { antenna: 'whip', axis: 'along' }, 'dipole')).toBeCloseTo(113.15, 9);
    expect(bearableLossDb(down, { antenna: 'crossed-loops', axis: 'up' }, 'dipole')).toBeCloseTo(133.15 + 1.3 - 3, 9);
    const budget = linkBudget(radio);
    expect(budget === undefined ? NaN : marginDb(budget, 8000, heights)).toBeCloseTo(133.15 - pathLossDb(8000, 915, heights), 9);
  });

  it('goes by the weaker direction', () => {
    const quiet = { ...radio, radio: { ...radio.radio, sendsDbm: 10 } };
    expect(linkBudget(quiet)?.weaker.is).toBe('down');
    const deaf = { ...radio, radio: { ...radio.radio, hears: { sensitivityDbm: -100, blockingDbm: 0 } } };
    expect(linkBudget(deaf)?.weaker.is).toBe('up');
    const { otherEnd: _gone, ...alone } = radio.radio;
    expect(linkBudget({ ...radio, radio: alone })).toBeUndefined();
  });

  it('antenna pairs are compared with the one that is there, the furthest first', () => {
    const options = antennaOptions(radio, heights, 10);
    expect(options.filter(({ isPresent }) => isPresent)).toHaveLength(1);
    expect(options.find(({ isPresent }) => isPresent)?.share).toBe(1);
    for (const [i, option] of options.entries()) expect(option.reachM).toBeLessThanOrEqual(options[i - 1]?.reachM ?? Infinity);
    // 2.85 dB more on the ground, beyond where the two rays meet: 10 ^ (2.85 / 40)
    const stacked = options.find(({ air, ground }) => air === 'whip' && ground === 'stacked');
    expect(stacked?.share).toBeCloseTo(10 ** (2.85 / 40), 2);
  });
});

describe('isolation', () => {
  const at = (spot: Spot, antenna: PlacedAntenna['antenna'] = 'whip', axis: PlacedAntenna['axis'] = 'up') => ({ at: spot, antenna, axis });

  it('is what spreads away less both gains beyond a wavelength, and the stated figure within', () => {
    const apart = isolationBetween(at([0, 0, 0]), at([1000, 0, 0], 'dipole'), 915);
    expect(apart.db).toBeCloseTo(freeSpaceLossDb(1000, 915) - 2.15, 9);
    expect(isolationBetween(at([0, 0, 0]), at([wavelengthMm(915) - 1, 0, 0]), 915)).toMatchObject({ db: NEAR_FIELD_DB, isNear: true });
    expect(isolationBetween(at([0, 0, 0]), at([0, 0, 0]), 915).db).toBe(NEAR_FIELD_DB);
  });

  it('is larger along the axis of a round antenna, and behind a beam', () => {
    const beside = isolationBetween(at([0, 0, 0]), at([900, 0, 0]), 2440).db;
    expect(isolationBetween(at([0, 0, 0]), at([0, 0, 900]), 2440).db).toBeCloseTo(beside + 40, 6);
    expect(gainTowards('sky-plate', [0, 0, 1], [0, 0, 0], [0, 0, -500])).toBeCloseTo(3 - 20, 9);
  });

  it('counts how the fields lie', () => {
    expect(polarisationLossDb(at([0, 0, 0]), at([0, 0, 0]))).toBe(0);
    expect(polarisationLossDb(at([0, 0, 0]), at([0, 0, 0], 'whip', 'across'))).toBe(20);
    expect(polarisationLossDb(at([0, 0, 0], 'crossed-loops'), at([0, 0, 0], 'crossed-loops-left'))).toBe(20);
    expect(polarisationLossDb(at([0, 0, 0], 'crossed-loops'), at([0, 0, 0]))).toBe(3);
  });
});

describe('products of transmitters', () => {
  const [model] = placedAntennas(graph);
  if (model === undefined) throw new Error('Nothing is placed.');
  const { sendsDbm: _sends, hears: _hears, ...plain } = model.radio;

  function antenna(n: number, low: number, width: number, sendsDbm: number | undefined, hears: boolean): PlacedAntenna {
    const radio = {
      ...plain,
      mhz: [low, low + width] as const,
      ...(hears ? { hears: { sensitivityDbm: -110, blockingDbm: 0 } } : {}),
      ...(sendsDbm === undefined ? {} : { sendsDbm }),
    };
    return { ...PLACED, item: { ...PLACED.item, id: asId<ItemId>(`i${n}`) }, radio, name: `R${n}`, at: [n * 400, 0, 0] };
  }
  const PLACED: PlacedAntenna = model;

  it('are found as by trying every whole megahertz of every pair', () => {
    const one = fc.record({ low: fc.integer({ min: 100, max: 900 }), width: fc.integer({ min: 0, max: 12 }), sends: fc.boolean() });
    fc.assert(
      fc.property(fc.array(one, { minLength: 2, maxLength: 4 }), (list) => {
        const antennas = list.map(({ low, width, sends }, n) => antenna(n, low, width, sends ? 30 : undefined, true));
        const found = new Set(productsOf(antennas).map(({ name, receiver }) => `${name} at ${receiver.name}`));
        const wanted = new Set<string>();
        const each = ({ radio: { mhz } }: PlacedAntenna): number[] => Array.from({ length: mhz[1] - mhz[0] + 1 }, (_, k) => mhz[0] + k);
        for (const receiver of antennas) {
          const hears = (mhz: number): boolean => mhz >= receiver.radio.mhz[0] && mhz <= receiver.radio.mhz[1];
          const senders = antennas.filter((other) => other !== receiver && other.radio.sendsDbm !== undefined);
          for (const a of senders) {
            for (const n of [2, 3, 4, 5]) {
              const touches = n * a.radio.mhz[0] <= receiver.radio.mhz[1] && n * a.radio.mhz[1] >= receiver.radio.mhz[0];
              if (touches) wanted.add(`${n} x ${a.name} at ${receiver.name}`);
            }
            for (const b of senders) {
              if (a === b) continue;
              const ends = each(a).flatMap((f) => each(b).map((g) => 2 * f - g));
              if (ends.some(hears)) wanted.add(`2 x ${a.name} - ${b.name} at ${receiver.name}`);
            }
          }
        }
        // Between whole megahertz the bands go on: every product of the search is found, and harmonics are the same.
        for (const name of wanted) expect(found).toContain(name);
        for (const name of found) if (!name.includes('-')) expect(wanted).toContain(name);
      }),
      { numRuns: 150 },
    );
  });

  it('speak when they are stronger than sensitivity less 10 dB, and not of one part by itself', () => {
    const receiver = antenna(0, 1575, 1, undefined, true);
    const loud = antenna(1, 787.5, 0.5, 20, false);
    expect(productsOf([receiver, loud]).map(({ name }) => name)).toEqual(['2 x R1']);
    const [product] = productsOf([receiver, loud]);
    expect(product?.levelDbm).toBeCloseTo(20 - 40 - isolationBetween(loud, receiver, 1575.5).db, 0);
    expect(productsOf([receiver, { ...loud, radio: { ...loud.radio, sendsDbm: -80 } }])).toEqual([]);
    expect(productsOf([receiver, { ...loud, item: receiver.item }])).toEqual([]);
  });
});

describe('what is beside an antenna', () => {
  const placed = (parts: Parameters<typeof carrying>[0]) => graphOf(carrying(parts));
  const sky = ['gnss-serial', 'GNSS1', SKY] as const;

  it('arrives with its power less the isolation, and 30 dB less is borne on the own band', () => {
    const of = placed([
      ['receiver-sbus-16', 'RX1', [100, 0, 0]],
      ['handheld-air-unit', 'LINK1', [700, 0, 0]],
    ]);
    const [pair] = neighboursOf(of).filter(({ receiver }) => receiver.name === 'RX1');
    expect(pair?.arrivesDbm).toBeCloseTo(25 - (pair?.isolation.db ?? NaN), 9);
    expect(pair?.bearsDbm).toBe(5 - 30);
    const other = placed([
      ['receiver-sbus-16', 'RX1', [100, 0, 0]],
      ['radio-900-class', 'RADIO1', [700, 0, 0]],
    ]);
    expect(neighboursOf(other).find(({ receiver }) => receiver.name === 'RX1')?.bearsDbm).toBe(5);
  });

  it('a transmitter whose antenna is not fitted sends nothing', () => {
    const bare = placed([sky, ['radio-900-class', 'RADIO1', [420, 60, 0], { antenna: 'none yet' }]]);
    expect(neighboursOf(bare)).toEqual([]);
    expect([...loudPairs(placed([sky, ['radio-900-class', 'RADIO1', [420, 60, 0]]]))]).toEqual(['GNSS1 < RADIO1']);
  });

  it('a computer is heard by its noise less what spreads away', () => {
    const [far] = noisyNeighbours(placed([sky, ['companion-small-5v', 'CC1', [420, 500, 44]]]));
    expect(far?.distanceMm).toBeCloseTo(500, 6);
    expect(far?.arrivesDbm).toBeCloseTo(-88 - freeSpaceLossDb(500, 1584.5), 9);
    const [near] = noisyNeighbours(placed([sky, ['companion-small-5v', 'CC1', [420, 0, 0]]]));
    expect(near?.arrivesDbm).toBe(-88 - NEAR_FIELD_DB);
  });

  it('two antennas of one receiver have a length, a bearing and an error', () => {
    const of = placed([['gnss-dual-antenna', 'GNSS1', SKY, { 'a1.butt': -200, 'a2.butt': 200 }]]);
    const [across] = baselinesOf(of);
    expect([across?.lengthMm, across?.bearingDeg]).toEqual([400, 90]);
    expect(across?.errorDeg).toBeCloseTo((Math.atan(5 / 400) * 180) / Math.PI, 9);
    const [ahead] = baselinesOf(placed([['gnss-dual-antenna', 'GNSS1', SKY, { 'a2.station': -300 }]]));
    expect([ahead?.lengthMm, ahead?.bearingDeg]).toEqual([300, 0]);
  });

  it('an antenna whose end of the line is not stated gives no line', () => {
    expect(baselinesOf(graphOf(ofOlderParts(carrying([['gnss-dual-antenna', 'GNSS1', SKY, { 'a2.butt': 200 }]]))))).toEqual([]);
    expect(baselinesOf(placed([['receiver-sbus-rssi', 'RX1', SKY]]))).toEqual([]);
  });

  describe('a receiver with two antennas', () => {
    const beside = (settings: Settings) =>
      carrying([
        ['receiver-sbus-rssi', 'RX1', [420, 0, 0], settings],
        ['handheld-air-unit', 'LINK1', [420, 0, 40]],
      ]);

    it('is deaf when a sender is beside both, and not when one of them is far away', () => {
      const both = graphOf(beside({}));
      expect(neighboursOf(both).filter(({ receiver }) => receiver.item.ref === 'RX1')).toHaveLength(2);
      expect([...loudPairs(both)]).toEqual(['RX1 rc < LINK1']);
      expect(findingsBy(beside({}), 'place.antenna-separation')).toHaveLength(1);
      // 8 m away: 58 dB of free space between two antennas that lie square to each other.
      const one = beside({ 'rc2.butt': 8000, 'rc2.axis': 'along' });
      const [first, second] = disturbancesOf(graphOf(one));
      expect([first?.receiver.radio.id, second]).toEqual(['rc2', undefined]);
      expect([...loudPairs(graphOf(one))]).toEqual([]);
      expect(findingsBy(one, 'place.antenna-separation')).toEqual([]);
    });

    it('reaches as far as the better of them', () => {
      const mission = (settings: Settings): Design => {
        const design = carrying([['receiver-sbus-rssi', 'RX1', SKY, settings]]);
        const { frame } = design.aircraft.airframe;
        if (frame === undefined) throw new Error('There is no frame.');
        return made(design, { kind: 'set-frame', frame: { ...frame, numbers: { ...frame.numbers, missionKm: 1 } }, was: frame });
      };
      expect(findingsBy(mission({}), 'place.range')).toEqual([]);
      expect(findingsBy(mission({ 'rc.axis': 'along' }), 'place.range')).toEqual([]);
      expect(findingsBy(mission({ 'rc.axis': 'along', 'rc2.axis': 'across' }), 'place.range')).toHaveLength(1);
    });
  });

  it('stands on the radio sheet with the worst of its neighbours', () => {
    const sheet = radioSheet(placed([sky, ['radio-900-class', 'RADIO1', [420, 60, 0]]]));
    const row = sheet.rows.find(([name]) => name === 'GNSS1');
    expect(row?.at(-1)).toMatch(/^RADIO1, \d+\smm, 5\.0\sdB too much$/);
  });
});
