import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { AircraftSchema, offsetOf, type Aircraft, type CableEndAt } from '../model/aircraft.ts';
import { isPinRow, takesSeveralCables } from '../model/connector.ts';
import type { Design } from '../model/design.ts';
import { asId, type EditId } from '../model/ids.ts';
import { hasShape } from '../model/shape.ts';
import { cableOf, demoDesign, emptyBench } from '../test/designs.ts';
import { draws } from '../test/randomEdits/draw.ts';
import { play } from '../test/randomEdits/play.ts';
import { applyEdit } from './applyEdit.ts';
import { withChanges } from './changes.ts';
import { integrityOf } from './integrity.ts';
import { portOf } from './lookups.ts';
import { occupantEnd } from './occupancy.ts';
import type { EndAddress } from './occupant.ts';
import type { PutBack } from './registry.ts';
import { undoStacksOf } from './undoStacks.ts';

/** Whether an edit can be taken back, found the long way: by looking at the whole document after it was. */
function canBePutBack(design: Design, inverse: PutBack): boolean {
  const changed = withChanges({ ...design.aircraft }, inverse.changes);
  if ('differs' in changed || !hasShape(AircraftSchema, changed.value)) return false;
  return integrityOf({ ...design, aircraft: changed.value }).length === 0;
}

describe('an undo that is not of the newest edit', () => {
  it('looks at what it touches and finds what a look at the whole document finds', () => {
    const seen = { refused: 0, made: 0 };
    fc.assert(
      fc.property(fc.boolean(), draws, fc.nat(9999), (isEmpty, list, which) => {
        const { end, steps } = play(isEmpty ? emptyBench().design : demoDesign(), list);
        for (let n = 0; n < 4; n++) {
          const inverse = steps[(which + n * 7) % Math.max(1, steps.length)]?.inverse;
          if (inverse === undefined) continue;
          const result = applyEdit(end, { kind: 'undo', of: asId<EditId>('e') }, () => inverse);
          seen['refused' in result ? 'refused' : 'made'] += 1;
          expect('design' in result).toBe(canBePutBack(end, inverse));
        }
      }),
      { numRuns: 150 },
    );
    expect(Math.min(seen.refused, seen.made)).toBeGreaterThan(40);
  });

  it('takes it off the stack where it lies, and redo puts it back on top', () => {
    const [a, b, c, u, r] = ['a', 'b', 'c', 'u', 'r'].map((text) => asId<EditId>(text));
    const rows = [{ editId: a }, { editId: b }, { editId: c }, { editId: u, undoOf: a }].map((row) => ({
      ...row,
      editId: row.editId ?? asId<EditId>(''),
    }));
    expect(undoStacksOf(rows)).toEqual({ undo: [b, c], redo: [u] });
    expect(undoStacksOf([...rows, { editId: r ?? asId<EditId>(''), undoOf: u }])).toEqual({ undo: [b, c, r], redo: [] });
  });
});

function occupantTag(design: Design, at: CableEndAt, except: EndAddress, positions: number): string | undefined {
  const there = occupantEnd(design, at, { except, positions });
  return there === undefined ? undefined : design.aircraft.cables[there.cable]?.tag;
}

/** The pins of a row under a plug. */
function pinsUnder(at: CableEndAt, ways: number): readonly number[] {
  return Array.from({ length: ways }, (_, i) => offsetOf(at) + i + 1);
}

/** Who is plugged in at a place, found by looking at every end. */
function occupantByLooking(design: Design, at: CableEndAt, except: { cable: string; node: string }, ways: number): string | undefined {
  const { items, cables } = design.aircraft;
  if (at.is === 'free') return undefined;
  const item = at.is === 'port' ? items[at.item] : undefined;
  const port = at.is === 'port' && item !== undefined ? portOf(design, item, at.port) : undefined;
  if (port !== undefined && takesSeveralCables(port.connector)) return undefined;
  for (const cable of Object.values(cables)) {
    for (const node of Object.values(cable.nodes)) {
      if (node.is !== 'end' || node.at.is === 'free' || (cable.id === except.cable && node.id === except.node)) continue;
      const isSamePort = node.at.is === 'port' && at.is === 'port' && node.at.item === at.item && node.at.port === at.port;
      if (
        isSamePort &&
        (port === undefined ||
          !isPinRow(port.connector) ||
          pinsUnder(node.at, node.connector.positions).some((n) => pinsUnder(at, ways).includes(n)))
      )
        return cable.tag;
      if (at.is === 'mate' && JSON.stringify(node.at) === JSON.stringify(at)) return cable.tag;
      if (at.is === 'mate' && at.cable === cable.id && at.node === node.id) return cable.tag;
    }
  }
  return undefined;
}

describe('who occupies a place', () => {
  it('is what looking at every end finds', () => {
    let occupied = 0;
    fc.assert(
      fc.property(draws, (list) => {
        const { end } = play(demoDesign(), list);
        const ends = Object.values(end.aircraft.cables).flatMap((cable) =>
          Object.values(cable.nodes).flatMap((node) =>
            node.is === 'end' ? [{ cable: cable.id, node: node.id, at: node.at, ways: node.connector.positions }] : [],
          ),
        );
        const nobody = { cable: asId<(typeof ends)[number]['cable']>('x'), node: asId<(typeof ends)[number]['node']>('x') };
        for (const one of ends) {
          for (const at of [one.at, { is: 'mate' as const, cable: one.cable, node: one.node }]) {
            for (const except of [one, nobody]) {
              const found = occupantTag(end, at, except, one.ways);
              if (found !== undefined) occupied += 1;
              expect(found).toBe(occupantByLooking(end, at, except, one.ways));
            }
          }
        }
      }),
      { numRuns: 25, endOnFailure: true },
    );
    expect(occupied).toBeGreaterThan(100);
  });

  it('is asked of the cables as they are now, not as they were', () => {
    const demo = demoDesign();
    const w10 = cableOf(demo, 'W10');
    const [node] = Object.values(w10.nodes);
    if (node?.is !== 'end') throw new Error('W10 does not begin at an end.');
    const other = { cable: cableOf(demo, 'W11').id, node: node.id };
    expect(occupantTag(demo, node.at, other, node.connector.positions)).toBe('W10');
    const aircraft: Aircraft = {
      ...demo.aircraft,
      cables: Object.fromEntries(Object.entries(demo.aircraft.cables).filter(([id]) => id !== w10.id)),
    };
    expect(occupantTag({ ...demo, aircraft }, node.at, other, node.connector.positions)).toBeUndefined();
  });
});
