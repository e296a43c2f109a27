import type { JudgedFinding, Subject } from '@wired-falcon/core';
import type { Selection } from './SelectionContext.tsx';

/** The findings that are about what is selected; all of them when nothing is. */
export function findingsAbout(judged: readonly JudgedFinding[], selection: Selection): readonly JudgedFinding[] {
  switch (selection.is) {
    case 'item':
      return judged.filter(({ finding }) => finding.where.some((subject) => itemOf(subject) === selection.item));
    case 'cable':
    case 'end':
      return judged.filter(({ finding }) => finding.where.some((subject) => cableOf(subject) === selection.cable));
    case 'nothing':
    case 'pin':
    case 'join':
      return judged;
  }
}

function itemOf(subject: Subject): string | undefined {
  return subject.is === 'item' || subject.is === 'port' || subject.is === 'pin' ? subject.item : undefined;
}

function cableOf(subject: Subject): string | undefined {
  return subject.is === 'cable' || subject.is === 'conductor' ? subject.cable : undefined;
}
