import { describe, expect, it } from '@jest/globals';
import { asId, demoAircraft, graphOf, racksOf, slotsIn, type AircraftId, type Rack } from '@wired-falcon/core';
import { neighbour } from './useSlotKeys.ts';

let count = 0;
const demo = demoAircraft.find(({ id }) => id === 'mudflat');

function rackOf(): Rack {
  const [rack] = demo === undefined ? [] : racksOf(graphOf(demo.build(asId<AircraftId>('m'), () => `k${++count}`)));
  if (rack === undefined) throw new Error('Mudflat has no outputs.');
  return rack;
}

describe('the keys of the rack', () => {
  const rack = rackOf();
  const labelled = (label: string): string => slotsIn(rack).find((slot) => slot.label === label)?.key ?? '';
  const to = (from: string, key: string): string | undefined =>
    slotsIn(rack).find((slot) => slot.key === neighbour(rack.banks, labelled(from), key))?.label;

  it('go along the board, and from bank to bank in the same column', () => {
    expect(to('out 4', 'ArrowRight')).toBe('out 5');
    expect(to('out 5', 'ArrowLeft')).toBe('out 4');
    expect(to('out 2', 'ArrowDown')).toBe('out 6');
    expect(to('out 6', 'ArrowUp')).toBe('out 2');
  });

  it('take the last of a bank that has no such column, and stop at the ends', () => {
    expect(to('out 8', 'ArrowDown')).toBe('out 11');
    expect(to('out 1', 'ArrowLeft')).toBeUndefined();
    expect(to('out 16', 'ArrowDown')).toBeUndefined();
    expect(to('out 1', 'Enter')).toBeUndefined();
  });
});
