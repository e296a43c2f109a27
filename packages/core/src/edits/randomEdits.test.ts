import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { findingsOf } from '../checks/findingsOf.ts';
import { AircraftSchema } from '../model/aircraft.ts';
import { canonicalJson } from '../model/canonicalJson.ts';
import type { Design } from '../model/design.ts';
import { asId, type EditId } from '../model/ids.ts';
import { shapeProblems } from '../model/shape.ts';
import { demoDesign, emptyBench } from '../test/designs.ts';
import { draws } from '../test/randomEdits/draw.ts';
import { play } from '../test/randomEdits/play.ts';
import { applyEdit, titleOf } from './applyEdit.ts';
import { integrityOf } from './integrity.ts';
import { editKinds, EditSchema, PutBackSchema } from './registry.ts';

function withoutIssued(design: Design): string {
  const { issued: _issued, ...rest } = design.aircraft;
  return canonicalJson(rest);
}

const starts = fc.constantFrom<'demo' | 'empty'>('demo', 'empty');
const begin = (name: 'demo' | 'empty'): Design => (name === 'demo' ? demoDesign() : emptyBench().design);

describe('random edits', () => {
  it('undone in reverse give the same document, but for the numbers given out', () => {
    let accepted = 0;
    fc.assert(
      fc.property(starts, draws, (name, list) => {
        const start = begin(name);
        const { end, steps } = play(start, list);
        accepted += steps.length;
        let design = end;
        for (const step of [...steps].reverse()) {
          const result = applyEdit(design, { kind: 'undo', of: asId<EditId>('e') }, () => step.inverse);
          if ('refused' in result) throw new Error(result.refused.sentence);
          design = result.design;
          expect(withoutIssued(design)).toBe(withoutIssued(step.before));
        }
        expect(withoutIssued(design)).toBe(withoutIssued(start));
      }),
      { numRuns: 60 },
    );
    expect(accepted).toBeGreaterThan(200);
  });

  it('redone after being undone give the same document again', () => {
    fc.assert(
      fc.property(draws, (list) => {
        for (const step of play(demoDesign(), list).steps) {
          const after = applyEdit(step.before, step.edit);
          if ('refused' in after) throw new Error('An edit that was accepted before is refused.');
          const undone = applyEdit(after.design, { kind: 'undo', of: asId<EditId>('e') }, () => after.inverse);
          if ('refused' in undone) throw new Error(undone.refused.sentence);
          const redone = applyEdit(undone.design, { kind: 'undo', of: asId<EditId>('u') }, () => undone.inverse);
          if ('refused' in redone) throw new Error(redone.refused.sentence);
          expect(withoutIssued(redone.design)).toBe(withoutIssued(after.design));
        }
      }),
      { numRuns: 25 },
    );
  });

  it('leave a document that has its shape, holds together, and can be checked', () => {
    fc.assert(
      fc.property(starts, draws, (name, list) => {
        const { end } = play(begin(name), list);
        expect(shapeProblems(AircraftSchema, end.aircraft)).toEqual([]);
        expect(integrityOf(end)).toEqual([]);
        findingsOf(end);
      }),
      { numRuns: 60 },
    );
  });

  it('reach every kind of edit, so that these properties speak for all of them', () => {
    const missing = new Set<string>(editKinds.keys());
    for (const list of fc.sample(draws, { numRuns: 280, seed: 13 })) {
      if (missing.size === 0) break;
      for (const { edit } of play(demoDesign(), list).steps) {
        for (const one of edit.kind === 'batch' ? edit.edits : [edit]) missing.delete(one.kind);
      }
    }
    expect([...missing]).toEqual([]);
  });

  it('are named with the references that people know, never with an id', () => {
    fc.assert(
      fc.property(draws, (list) => {
        for (const { edit, before } of play(demoDesign(), list).steps) {
          const title = titleOf(before, edit);
          expect(title.length).toBeGreaterThan(3);
          expect(title).not.toMatch(/\b(r|id)\d+\b|undefined|\?/);
        }
      }),
      { numRuns: 25 },
    );
  });

  it('never change what they were given', () => {
    fc.assert(
      fc.property(draws, (list) => {
        const start = demoDesign();
        const before = canonicalJson(start.aircraft);
        play(start, list);
        expect(canonicalJson(start.aircraft)).toBe(before);
      }),
      { numRuns: 20 },
    );
  });

  it('mean the same after a trip over the wire: the other side gets the same document', () => {
    fc.assert(
      fc.property(draws, (list) => {
        const { end, steps } = play(demoDesign(), list);
        let other = demoDesign();
        for (const step of steps) {
          const sent: unknown = JSON.parse(JSON.stringify({ edit: step.edit, inverse: step.inverse }));
          const edit = typeof sent === 'object' && sent !== null && 'edit' in sent ? sent.edit : undefined;
          const inverse = typeof sent === 'object' && sent !== null && 'inverse' in sent ? sent.inverse : undefined;
          expect(shapeProblems(EditSchema, edit)).toEqual([]);
          expect(shapeProblems(PutBackSchema, inverse)).toEqual([]);
          const result = applyEdit(other, step.edit);
          if ('refused' in result) throw new Error(result.refused.sentence);
          other = result.design;
        }
        expect(canonicalJson(other.aircraft)).toBe(canonicalJson(end.aircraft));
      }),
      { numRuns: 25 },
    );
  });
});
