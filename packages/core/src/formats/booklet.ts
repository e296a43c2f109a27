import { judge, findingsOf } from '../checks/findingsOf.ts';
import { graphOf } from '../graph/graphOf.ts';
import { documentKinds } from './documentKinds.ts';
import type { Sheet } from '../harness/documents/sheet.ts';
import type { Design } from '../model/design.ts';
import { STAGES } from '../model/stages.ts';

/** The aircraft as planned, in one: its findings with what people decided about them, then every document. */
export function bookletOf(design: Design): readonly Sheet[] {
  const graph = graphOf(design);
  const documents = documentKinds
    .filter((kind) => kind.isOnlyByItself !== true)
    .flatMap((kind) => kind.subjects(graph).map(({ id }) => kind.build(graph, id)));
  return [findingsSheet(design), ...documents.filter((sheet) => sheet !== undefined)];
}

/** Every finding, open or accepted; accepted ones stay listed with who accepted them and why. */
export function findingsSheet(design: Design): Sheet {
  const judged = judge(findingsOf(design), design.aircraft);
  const open = judged.filter(({ waiver }) => waiver === undefined).length;
  return {
    title: `Findings ${design.aircraft.name}`,
    subtitle: `${open} open, ${judged.length - open} accepted`,
    columns: [
      { title: 'Severity', kind: 'words' },
      { title: 'Stage', kind: 'words' },
      { title: 'Finding', kind: 'words' },
      { title: 'Evidence', kind: 'value' },
      { title: 'Accepted', kind: 'words' },
    ],
    rows: judged.map(({ finding, waiver }) => [
      finding.severity,
      STAGES[finding.stage],
      [finding.what, ...finding.follows.map(({ what }) => what)].join(' '),
      finding.evidence
        .map(({ label, value, limit }) => [label, value, ...(limit === undefined ? [] : [`(${limit})`])].join(' '))
        .join('; '),
      waiver === undefined ? '' : `${waiver.by}: ${waiver.reason}`,
    ]),
    notes: [
      'Computed from sample values and from what was entered. Local codes, radio and aviation rules and licensed practice come first.',
    ],
    cautions: open > 0 ? ['Do not apply power while a stop is open.'] : [],
  };
}
