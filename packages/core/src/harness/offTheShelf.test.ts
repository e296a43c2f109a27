import { describe, expect, it } from '@jest/globals';
import { mudflat } from '../demo/mudflat.ts';
import { plainCable, type PortLeg } from '../graph/cableJoins.ts';
import { graphOf } from '../graph/graphOf.ts';
import { asId, type AircraftId } from '../model/ids.ts';
import { countingIds, cableOf } from '../test/designs.ts';
import { labelSheet } from './documents/labelSheet.ts';
import { pinTable } from './documents/pinTable.ts';
import { offTheShelf } from './offTheShelf.ts';

const design = mudflat(asId<AircraftId>('a'), countingIds());
const graph = graphOf(design);
const flags = new Map(labelSheet(graph).rows.map(([tag, , , flag]) => [tag, flag]));

function cable(tag: string): { readonly leg: PortLeg; readonly pairs: string; readonly notes: string } {
  const found = cableOf(design, tag);
  const leg = plainCable(graph, found);
  if (leg === undefined) throw new Error(`${tag} is no plain cable.`);
  return {
    leg,
    pairs: leg.conductors.map(({ a, b }) => `${a.n}-${b.n}`).join(' '),
    notes: pinTable(graph, found.id)?.notes.join(' ') ?? '',
  };
}

describe('a servo lead on a board that counts its pins from the other side', () => {
  const { leg, pairs, notes } = cable('W25');

  it('is what a shop sells, and is not flagged', () => {
    expect(pairs).toBe('1-3 2-2 3-1');
    expect(offTheShelf(leg)).toBe('a servo lead or extension');
    expect(flags.get('W25')).toBe('');
    expect(notes).not.toContain('Custom pin map');
  });

  it('with its supply pulled is still straight', () => {
    expect(cable('W12').pairs).toBe('1-3 3-1');
    expect(flags.get('W12')).toBe('');
  });
});

describe('a plug with a key', () => {
  it('whose wires go to other positions has a pin map of its own', () => {
    const { leg, pairs, notes } = cable('W30');
    expect(pairs).toBe('1-4 2-3 3-2');
    expect(offTheShelf(leg)).toBeUndefined();
    expect(flags.get('W30')).toBe('pins swapped: only here');
    expect(notes).toContain('Custom pin map');
  });
});
