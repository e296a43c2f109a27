import { describe, expect, it } from '@jest/globals';
import type { SimpleEdit } from '../../edits/registry.ts';
import { asId, type ConductorId, type LegId, type NodeId } from '../../model/ids.ts';
import { bench } from '../../test/checkCases/build.ts';
import { cableOf, made } from '../../test/designs.ts';
import { DraftEdits } from '../draftEdits.ts';
import { farOf, spliceContact, wiresAt } from './spliceContact.ts';

describe('splicing a contact', () => {
  it('whose wires lead to two splices that are joined leaves one wire between them, and one at the contact', () => {
    const one = bench('battery-lipo-4s-5000', 'power-module-analog-60a');
    one.wire('BAT1 main', 'PM1 battery');
    const cable = cableOf(one.design, 'W01');
    const [wire] = Object.values(cable.conductors);
    if (wire === undefined) throw new Error('W01 has no wire.');
    const [s, t] = [asId<NodeId>('s'), asId<NodeId>('t')];
    const node = (id: NodeId) => ({ node: id, n: 1 });
    const leg = (id: string, a: NodeId, b: NodeId, added?: NodeId): SimpleEdit => ({
      kind: 'add-leg',
      cable: cable.id,
      leg: { id: asId<LegId>(id), a, b },
      ...(added === undefined ? {} : { node: { id: added, is: 'splice' } }),
    });
    const join = (id: string, inLeg: string, a: typeof wire.a, b: typeof wire.b): SimpleEdit => ({
      kind: 'add-conductor',
      cable: cable.id,
      conductor: { ...wire, id: asId<ConductorId>(id), leg: asId<LegId>(inLeg), a, b },
    });
    const ring = made(one.design, {
      kind: 'batch',
      title: 'A ring of two splices',
      edits: [
        leg('ls', wire.a.node, s, s),
        leg('lt', wire.a.node, t, t),
        leg('st', s, t),
        join('cs', 'ls', wire.a, node(s)),
        join('ct', 'lt', wire.a, node(t)),
        join('cst', 'st', node(s), node(t)),
        { kind: 'remove-conductor', cable: cable.id, conductor: wire.id },
      ],
    });
    const draft = new DraftEdits(ring);
    expect(spliceContact(draft, cable.id, wire.a)).toBe(true);
    const after = draft.cable(cable.id);
    if (after === undefined) throw new Error('The cable is gone.');
    expect(wiresAt(after, wire.a).map((left) => farOf(left, wire.a))).toEqual([node(s)]);
    expect(wiresAt(after, node(t)).map((left) => farOf(left, node(t)))).toEqual([node(s)]);
  });
});
