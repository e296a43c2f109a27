import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import type { PortAt } from '../graph/cableJoins.ts';
import { graphOf } from '../graph/graphOf.ts';
import type { PinRole } from '../model/part.ts';
import { demoDesign } from '../test/designs.ts';
import { byRank, joinRank } from './joinRank.ts';

const graph = graphOf(demoDesign());

function portOf(ref: string, label: string): PortAt {
  const itemIx = graph.items.findIndex(({ item }) => item.ref === ref);
  const entry = graph.items[itemIx];
  const port = entry?.part?.ports.find((one) => one.label === label);
  if (entry === undefined || port === undefined) throw new Error(`There is no ${ref} ${label}.`);
  return { item: itemIx, itemId: entry.item.id, ref, port };
}

const uart = portOf('FC1', 'S1');
const input = portOf('BEC1', 'in');

/** The rank of a map of pins of these roles. */
function rank(at: PortAt, roles: readonly PinRole[], left = 0): readonly number[] {
  const pairs = roles.map((role) => ({
    a: at.port.pins.findIndex((pin) => pin.role === role) + 1,
    b: 1,
    verdict: { is: 'good', why: '' } as const,
  }));
  const leftOut = Array.from({ length: left }, (_, i) => ({ side: 'a' as const, n: i + 1, label: '', why: '' }));
  return joinRank({ a: at, b: uart, pairs, leftOut });
}

describe('what makes most sense to join', () => {
  it('is a signal before a supply, even with fewer conductors', () => {
    expect(byRank(rank(uart, ['tx']), rank(uart, ['supply-out', 'gnd']))).toBeLessThan(0);
  });

  it('is a supply that flows the way that was typed before one that flows back, even with fewer conductors', () => {
    expect(byRank(rank(uart, ['supply-out']), rank(input, ['supply-in', 'gnd']))).toBeLessThan(0);
  });

  it('is more conductors, then fewer pins left out', () => {
    expect(byRank(rank(uart, ['tx', 'rx'], 3), rank(uart, ['tx']))).toBeLessThan(0);
    expect(byRank(rank(uart, ['tx'], 1), rank(uart, ['tx'], 2))).toBeLessThan(0);
  });

  it('is never a ground alone', () => {
    expect(byRank(rank(input, ['supply-in'], 4), rank(uart, ['gnd']))).toBeLessThan(0);
  });

  it('is not a supply into a USB port, which a computer feeds', () => {
    const usb = portOf('FC1', 'USB');
    const pairs = [{ a: 1, b: 1, verdict: { is: 'good', why: '' } as const }];
    const [beside, into] = [uart, usb].map((to) => joinRank({ a: uart, b: to, pairs, leftOut: [] }));
    expect(byRank(beside ?? [], into ?? [])).toBeLessThan(0);
  });

  it('is an order: the other way round it is the opposite, and nothing is before itself', () => {
    const any = fc.array(fc.integer({ min: -5, max: 5 }), { minLength: 5, maxLength: 5 });
    fc.assert(
      fc.property(any, any, any, (x, y, z) => {
        expect(Math.sign(byRank(x, y)) + Math.sign(byRank(y, x))).toBe(0);
        expect(byRank(x, x)).toBe(0);
        if (byRank(x, y) <= 0 && byRank(y, z) <= 0) expect(byRank(x, z)).toBeLessThanOrEqual(0);
      }),
    );
  });
});
