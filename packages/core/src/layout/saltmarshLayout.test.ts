import { describe, expect, it } from '@jest/globals';
import { saltmarsh } from '../demo/saltmarsh.ts';
import { applyEdit } from '../edits/applyEdit.ts';
import type { Edit } from '../edits/registry.ts';
import { documentKinds } from '../formats/documentKinds.ts';
import { graphOf } from '../graph/graphOf.ts';
import { sheetToCsv } from '../harness/documents/sheet.ts';
import { conductorLengthMm } from '../harness/wireFacts.ts';
import { asId, type AircraftId } from '../model/ids.ts';
import type { Design } from '../model/design.ts';
import { conductorOhm, wireOhm } from '../power/network/wireOhm.ts';
import { balanceOf, balancingSwaps, solvePack } from './balance.ts';
import { placedItems } from './placedItems.ts';
import { legWays } from './ways.ts';

let count = 0;
const design = saltmarsh(asId<AircraftId>('saltmarsh'), () => `l${++count}`);
const graph = graphOf(design);

function after(edit: Edit, from: Design = design): Design {
  const result = applyEdit(from, edit);
  if ('refused' in result) throw new Error(result.refused.sentence);
  return result.design;
}

function packAt(stationMm: number, from: Design = design): Design {
  const pack = placedItems(graphOf(from)).find(({ item }) => item.ref === 'BAT1');
  if (pack === undefined) throw new Error('The pack is placed.');
  const { item, place } = pack;
  const { bay: _free, ...rest } = place;
  return after({ kind: 'place-item', item: item.id, place: { ...rest, at: [stationMm, place.at[1], place.at[2]] }, was: place }, from);
}

function number(name: 'targetMm' | 'massG', value: number, from: Design = design): Design {
  const was = from.aircraft.airframe.frame?.numbers[name] ?? null;
  return after({ kind: 'set-frame-number', number: name, value, was }, from);
}

describe('Saltmarsh, laid out', () => {
  it('balances within its band, as the sum of what weighs', () => {
    const balance = balanceOf(graph);
    const { foreLimitMm = 0, aftLimitMm = 0 } = design.aircraft.airframe.frame?.numbers ?? {};
    const sum = balance?.weights.reduce((total, { massG, at }) => total + massG * at[0], 0) ?? 0;
    expect(balance?.at[0]).toBeCloseTo(sum / (balance?.massG ?? 1), 9);
    expect(balance?.at[0]).toBeGreaterThan(foreLimitMm);
    expect(balance?.at[0]).toBeLessThan(aftLimitMm);
    expect(balance?.weights.filter(({ what }) => what === 'item')).toHaveLength(26);
  });

  it('is brought to its target to a tenth of a millimetre by the solved place of the pack, with the cables as they are', () => {
    const off = number('targetMm', 480);
    const solved = solvePack(graphOf(off));
    if (solved === undefined) throw new Error('There is a pack and a target.');
    const before = balanceOf(graphOf(off));
    const shift = ((solved.stationMm - solved.pack.place.at[0]) * solved.pack.massG) / (before?.massG ?? 1);
    expect((before?.at[0] ?? 0) + shift).toBeCloseTo(480, 6);
    // Without a bay it reaches anywhere; its cables follow, which is little.
    const moved = packAt(solved.stationMm, off);
    expect(Math.abs((balanceOf(graphOf(moved))?.at[0] ?? 0) - 480)).toBeLessThan(4);
    // In its bay it reaches only so far, and the rest would be ballast at the nose or the end.
    expect(solved.reachableMm).toBeGreaterThanOrEqual(80 + solved.pack.half[0]);
    const far = solvePack(graphOf(number('targetMm', 300)));
    if (far?.ballast === undefined || before === undefined) throw new Error('Its bay does not reach so far.');
    const withBallast = (before.massG * far.balanceMm + far.ballast.massG * far.ballast.stationMm) / (before.massG + far.ballast.massG);
    expect(withBallast).toBeCloseTo(300, 6);
  });

  it('proposes swaps only that put it into its band', () => {
    const heavy = number('massG', 1300);
    const swaps = balancingSwaps(graphOf(heavy));
    const { foreLimitMm = 0, aftLimitMm = 0 } = design.aircraft.airframe.frame?.numbers ?? {};
    for (const { a, b, balanceMm } of swaps) {
      expect(balanceMm).toBeGreaterThanOrEqual(foreLimitMm);
      expect(balanceMm).toBeLessThanOrEqual(aftLimitMm);
      expect(a.place.bay).toBeDefined();
      expect(b.place.bay).toBeDefined();
    }
    // By hand for the first: what is exchanged moves the balance by the difference of masses times the distance.
    const [first] = balancingSwaps(graphOf(number('massG', 1)));
    const light = balanceOf(graphOf(number('massG', 1)));
    if (first === undefined || light === undefined) throw new Error('A swap is proposed.');
    const { a, b, balanceMm } = first;
    const shift = (a.massG * (b.place.at[0] - a.place.at[0]) + b.massG * (a.place.at[0] - b.place.at[0])) / light.massG;
    expect(balanceMm).toBeCloseTo(light.at[0] + shift, 9);
  });

  it('gives a cable without a typed length its way with slack, and its resistance with it', () => {
    const cable = graph.cables.find(({ tag }) => tag === 'W09');
    const [leg] = Object.values(cable?.legs ?? {});
    if (cable === undefined || leg?.typedLengthMm === undefined) throw new Error('W09 has a typed length.');
    const open = after({ kind: 'set-leg-length', cable: cable.id, leg: leg.id, lengthMm: null, was: leg.typedLengthMm });
    const now = graphOf(open);
    const same = now.cables.find(({ tag }) => tag === 'W09');
    const [conductor] = Object.values(same?.conductors ?? {});
    if (same === undefined || conductor === undefined) throw new Error('W09 is still there.');
    const way = [...legWays(now).values()].find((entry) => entry.cable.tag === 'W09');
    expect(way?.way.lengthMm).toBeGreaterThan(700);
    expect(conductorLengthMm(now, same, conductor)).toBe(way?.lengthMm);
    expect(conductorOhm(now, same, conductor)).toBeCloseTo(wireOhm(conductor.awg, way?.lengthMm ?? 0), 12);
    expect(conductorLengthMm(graph, cable, Object.values(cable.conductors)[0] ?? conductor)).toBe(780);
  });

  it('is written down as a placement and a balance sheet, with sides as words', () => {
    const build = (id: string) => documentKinds.find((kind) => kind.id === id)?.build(graph, 'aircraft');
    const placement = build('placement');
    expect(placement?.rows).toHaveLength(26);
    expect(placement?.rows.map((cells) => cells[0])).toEqual(Array.from({ length: 26 }, (_, i) => String(i + 1)));
    expect(placement?.rows.map((cells) => Number(cells[3]))).toEqual(
      [...(placement?.rows ?? [])].map((cells) => Number(cells[3])).sort((a, b) => a - b),
    );
    expect(placement?.rows.find((cells) => cells[1] === 'SRV1')?.slice(3, 6)).toEqual(['560', '620 left', '55 up']);
    expect(placement === undefined ? '' : sheetToCsv(placement)).not.toContain("'-");
    const balance = build('balance');
    expect(balance?.rows.at(-1)?.[0]).toBe('Sum');
    const moments = (balance?.rows ?? []).slice(0, -1).reduce((sum, cells) => sum + Number(cells[3]), 0);
    expect(moments).toBeCloseTo(Number(balance?.rows.at(-1)?.[3]), 2);
    expect(
      documentKinds.find((kind) => kind.id === 'placement')?.subjects(graphOf({ ...design, aircraft: { ...design.aircraft, items: {} } })),
    ).toEqual([]);
  });
});
