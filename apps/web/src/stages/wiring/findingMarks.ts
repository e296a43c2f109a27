import { SEVERITIES, type JudgedFinding, type Severity } from '@wired-falcon/core';

/** The worst open finding of each thing on the sheet. */
export interface FindingMarks {
  readonly items: ReadonlyMap<string, Severity>;
  readonly cables: ReadonlyMap<string, Severity>;
  /** By cable and conductor, `cable|conductor`. */
  readonly conductors: ReadonlyMap<string, Severity>;
}

/** Which marks stand where. Notes stand in the margin alone: on the sheet they would be everywhere. */
export function marksOf(judged: readonly JudgedFinding[]): FindingMarks {
  const items = new Map<string, Severity>();
  const cables = new Map<string, Severity>();
  const conductors = new Map<string, Severity>();
  for (const { finding, waiver } of judged) {
    if (waiver !== undefined || finding.severity === 'note') continue;
    for (const subject of finding.where) {
      switch (subject.is) {
        case 'item':
        case 'port':
        case 'pin':
          raise(items, subject.item, finding.severity);
          break;
        case 'cable':
          raise(cables, subject.cable, finding.severity);
          break;
        case 'conductor':
          raise(cables, subject.cable, finding.severity);
          raise(conductors, `${subject.cable}|${subject.conductor}`, finding.severity);
          break;
      }
    }
  }
  return { items, cables, conductors };
}

function raise(marks: Map<string, Severity>, key: string, severity: Severity): void {
  const now = marks.get(key);
  if (now === undefined || SEVERITIES.indexOf(severity) < SEVERITIES.indexOf(now)) marks.set(key, severity);
}
