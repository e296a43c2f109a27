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
    subtitle: 'Four steps, in this order; continue only when a step is correct',
    columns: [
      { title: 'Step', kind: 'words' },
      { title: 'Do', kind: 'words' },
      { title: 'Expected', kind: 'words' },
      { title: 'Observed', kind: 'words' },
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
      ...(lies === undefined
        ? []
        : [`${lies.entry.item.ref} is mounted ${lies.told}${lies.code === undefined ? '' : `, code ${lies.code}`}.`]),
      'Correct an error where it is: in the radio, in the orientation of the controller, or by reversing an output. Never correct one with another.',
      'Surfaces respond to yaw only while the aircraft turns; a self-levelling mode responds to a bank as long as it lasts.',
    ],
    cautions: ['Propellers off for all four steps. Hold the aircraft so that it cannot fall, and keep hands clear of surfaces and motors.'],
  };
}
