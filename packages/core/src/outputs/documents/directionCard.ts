import type { Graph } from '../../graph/graph.ts';
import type { Sheet } from '../../harness/documents/sheet.ts';
import { directionQuestions } from '../directions/proveDirections.ts';
import { boardLies } from '../directions/boardLies.ts';
import { DIRECTION_STEPS, directionSteps } from '../directions/question.ts';

/** Every question of the four steps with what has to be seen, to tick off at the bench. */
export function directionCard(graph: Graph): Sheet {
  const questions = directionQuestions(graph);
  const lies = boardLies(graph);
  return {
    title: `Direction card ${graph.design.aircraft.name}`,
    subtitle: 'Four steps, in this order; go on only when a step is right',
    columns: [
      { title: 'Step', kind: 'words' },
      { title: 'Do', kind: 'words' },
      { title: 'Has to be seen', kind: 'words' },
      { title: 'Seen', kind: 'words' },
    ],
    rows: directionSteps.flatMap((step, i) =>
      questions[step].map(({ ask, parts }) => [
        `${i + 1} ${DIRECTION_STEPS[step].title}`,
        ask,
        parts.map(({ about, options }) => `${about}: ${options[0]?.words ?? ''}`).join('; '),
        '',
      ]),
    ),
    notes: [
      ...(lies === undefined ? [] : [`${lies.entry.item.ref} lies ${lies.told}${lies.code === undefined ? '' : `, code ${lies.code}`}.`]),
      'What is wrong in the radio is mended in the radio, a mounting by its orientation, an output by its reversal: never one by another.',
      'Yaw is answered only while the aircraft turns; a self-levelling mode answers a bank as long as it lasts.',
    ],
    cautions: ['Propellers off for all of it. Hold the aircraft so that it cannot fall, and keep hands clear of surfaces and motors.'],
  };
}
