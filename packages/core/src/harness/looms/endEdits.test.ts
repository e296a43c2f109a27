import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { applyEdit } from '../../edits/applyEdit.ts';
import { withFreshIds } from '../../edits/freshIds.ts';
import { integrityOf } from '../../edits/integrity.ts';
import type { Edit } from '../../edits/registry.ts';
import { graphOf } from '../../graph/graphOf.ts';
import type { Cable, CableEnd } from '../../model/aircraft.ts';
import type { Design } from '../../model/design.ts';
import { bench } from '../../test/checkCases/build.ts';
import { cableOf, countingIds, findingsBy, made, portOfItem } from '../../test/designs.ts';
import { addBranch, clearContact, joinContacts, removeEnd, swapContacts, toggleContact } from './endEdits.ts';
import { contactJoins } from './loomJoins.ts';
import { nodeNames } from './nodeNames.ts';
import { planJoin } from './planJoin.ts';
import { crowdedContacts } from './spliceContact.ts';

function needed(edit: Edit | undefined): Edit {
  if (edit === undefined) throw new Error('There is no edit.');
  return edit;
}

function endOf(design: Design, cable: Cable, name: string): CableEnd {
  const names = nodeNames(graphOf(design), cable);
  const node = Object.values(cable.nodes).find(({ id }) => names.get(id) === name);
  if (node?.is !== 'end') throw new Error(`${cable.tag} has no end ${name}.`);
  return node;
}

const lead = bench('controller-f4-wing', 'servo-9g-analog', 'servo-9g-analog');
lead.wire('SRV1 lead', 'FC1 out1');
const straight = lead.design;

/** Two servos on one output: three splices. */
const yLead = made(
  straight,
  needed(planJoin(graphOf(straight), portOfItem(straight, 'SRV2', 'lead'), portOfItem(straight, 'FC1', 'out1'), 'meaning')),
);

/** The cable as what it joins of its ends, by their names: the same for the same copper. */
function copperOf(design: Design, tag: string): readonly string[] {
  const cable = cableOf(design, tag);
  const names = nodeNames(graphOf(design), cable);
  const ends = Object.values(cable.nodes).filter((node): node is CableEnd => node.is === 'end');
  return ends
    .flatMap((a) =>
      ends
        .filter((b) => b !== a)
        .flatMap((b) => contactJoins(cable, a, b).map((join) => `${names.get(a.id)}.${join.a}-${names.get(b.id)}.${join.b}`)),
    )
    .sort();
}

describe('the ends of a cable', () => {
  it('joined and taken away again leave the cable as it was, without its splices', () => {
    expect(copperOf(yLead, 'W01')).toHaveLength(18);
    const cable = cableOf(yLead, 'W01');
    const after = made(yLead, needed(removeEnd(graphOf(yLead), cable, endOf(yLead, cable, 'SRV2 lead').id)));
    expect(copperOf(after, 'W01')).toEqual(copperOf(straight, 'W01'));
    const now = cableOf(after, 'W01');
    expect([now.nodes, now.legs, now.conductors].map((all) => Object.keys(all).length)).toEqual([2, 1, 3]);
  });

  it('are not taken off where others hang on them, nor off a cable with two', () => {
    const cable = cableOf(straight, 'W01');
    expect(removeEnd(graphOf(straight), cable, endOf(straight, cable, 'SRV1 lead').id)).toBeUndefined();
    const branched = made(straight, addBranch(cable, endOf(straight, cable, 'SRV1 lead')));
    const loom = cableOf(branched, 'W01');
    expect(removeEnd(graphOf(branched), loom, endOf(branched, loom, 'SRV1 lead').id)).toBeUndefined();
  });

  it('a branch begins as a free end of the same kind, is told, and is plugged in', () => {
    const cable = cableOf(straight, 'W01');
    const branched = made(straight, addBranch(cable, endOf(straight, cable, 'FC1 out 1')));
    const free = endOf(branched, cableOf(branched, 'W01'), 'free end');
    expect(free.connector).toEqual(endOf(straight, cable, 'FC1 out 1').connector);
    const told = (design: Design) => findingsBy(design, 'wire.not-wired').filter(({ where }) => where[0]?.is === 'cable');
    expect(told(branched).map(({ what }) => what)).toEqual(['W01 at FC1 out 1 and SRV1 lead has an unplugged end.']);
    const at = { is: 'port', item: portOfItem(branched, 'SRV2', 'lead').itemId, port: 'lead' } as const;
    const plugged = made(branched, { kind: 'set-cable-end', cable: cable.id, node: free.id, at, was: { is: 'free' } });
    expect(told(plugged)).toEqual([]);
  });

  it('swap, pull and clear their contacts, spliced or not', () => {
    const cable = cableOf(straight, 'W01');
    const board = endOf(straight, cable, 'FC1 out 1');
    const swapped = cableOf(made(straight, needed(swapContacts(cable, board, 1))), 'W01');
    expect(
      contactJoins(swapped, endOf(straight, swapped, 'SRV1 lead'), endOf(straight, swapped, 'FC1 out 1'))
        .map(({ b }) => b)
        .sort(),
    ).toEqual([1, 2, 3]);
    expect(swapContacts(cable, board, 3)).toBeUndefined();
    expect(made(straight, toggleContact(cable, board, 2))).not.toEqual(straight);
    const loom = cableOf(yLead, 'W01');
    const cleared = made(yLead, needed(clearContact(graphOf(yLead), loom, { node: endOf(yLead, loom, 'FC1 out 1').id, n: 1 })));
    expect(copperOf(cleared, 'W01')).toHaveLength(14);
    expect(Object.values(cableOf(cleared, 'W01').nodes).filter(({ is }) => is === 'splice')).toHaveLength(2);
  });

  it('joined anywhere, and cleared anywhere, make a cable that holds together, without a dead splice or a crowded contact', () => {
    const makeId = countingIds('p');
    let splices = 0;
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.nat(), fc.nat(), fc.nat(), fc.nat(), fc.nat(4)), { minLength: 3, maxLength: 12 }), (steps) => {
        let design = yLead;
        for (const [x, y, n, m, kind] of steps) {
          const cable = cableOf(design, 'W01');
          const ends = Object.values(cable.nodes).filter((node): node is CableEnd => node.is === 'end');
          const [a, b] = [ends[x % ends.length], ends[y % ends.length]];
          if (a === undefined || b === undefined) continue;
          const [from, to] = [1 + (n % a.connector.positions), 1 + (m % b.connector.positions)];
          const graph = graphOf(design);
          const edit =
            kind === 0
              ? clearContact(graph, cable, { node: a.id, n: from })
              : kind === 1
                ? removeEnd(graph, cable, a.id)
                : kind === 2 && ends.length < 5
                  ? addBranch(cable, a)
                  : a === b
                    ? undefined
                    : joinContacts(graph, cable, { end: a, n: from }, { end: b, n: to });
          if (edit === undefined) continue;
          const result = applyEdit(design, withFreshIds(edit, makeId));
          if ('refused' in result) throw new Error(result.refused.sentence);
          design = result.design;
          expect(integrityOf(design)).toEqual([]);
          const after = cableOf(design, 'W01');
          const kept = ends.filter((end) => kind !== 1 || end !== a);
          expect(kept.filter(({ id }) => after.nodes[id] === undefined)).toEqual([]);
          const joints = Object.values(after.nodes).filter(({ is }) => is === 'splice');
          splices += joints.length;
          for (const { id } of joints)
            expect(Object.values(after.conductors).filter((wire) => wire.a.node === id || wire.b.node === id).length).toBeGreaterThan(2);
          for (const node of Object.values(after.nodes)) if (node.is === 'end') expect(crowdedContacts(after, node)).toEqual([]);
          if (kind > 2 && a !== b) expect(contactJoins(after, a, b)).toContainEqual(expect.objectContaining({ a: from, b: to }));
        }
      }),
      { numRuns: 40, endOnFailure: true },
    );
    expect(splices).toBeGreaterThan(30);
  });
});
