import type { Graph } from '../../graph/graph.ts';
import { OUTPUT_FUNCTIONS } from '../../model/outputFunctions.ts';
import { listed } from '../../text/lists.ts';
import { asSentence } from '../../text/sentences.ts';
import { rotorPlanOf } from '../rotorPlan.ts';
import { THRUST } from './movedSurfaces.ts';
import { functionEdit, outputsMend } from './outputMends.ts';
import { answered, type DirectionAnswers, type Mend, type StepVerdict } from './question.ts';

/** Motors that push: which one turns for which throttle, and which way. */
export function thrustVerdicts(graph: Graph, answers: DirectionAnswers): readonly StepVerdict[] {
  const uses = Object.values(graph.design.aircraft.outputs);
  const asked = THRUST.flatMap((name) => {
    const use = uses.find((one) => one.function === name);
    return use === undefined
      ? []
      : [{ name, use, side: answered(answers, `outputs.${name}`, 'side'), turn: answered(answers, `outputs.${name}`, 'turn') }];
  });
  const [left, right] = [asked.find(({ name }) => name === 'throttle-left'), asked.find(({ name }) => name === 'throttle-right')];
  const wrongSides = [left, right].filter((one) => one?.side === 'wrong');
  const still = asked.filter(({ side, turn }) => side === 'still' || turn === 'still');
  if (still.length > 0)
    return [
      {
        is: 'mend',
        mends: [
          {
            is: 'still',
            sentence: `${asSentence(listed(still.map(({ name }) => OUTPUT_FUNCTIONS[name].title)))} turns no motor: not armed, blocked by the safety switch, or not calibrated to this throttle.`,
          },
        ],
      },
    ];
  if (wrongSides.length === 1)
    return [
      {
        is: 'impossible',
        sentence: 'One motor cannot follow both throttles. Check again which one turns.',
        again: ['outputs.throttle-left', 'outputs.throttle-right'],
      },
    ];
  if (wrongSides.length === 2 && left !== undefined && right !== undefined) {
    const sentence = 'Swap the outputs of left throttle and right throttle';
    return [
      {
        is: 'mend',
        mends: [outputsMend(`${sentence}.`, sentence, [functionEdit(left.use, right.name), functionEdit(right.use, left.name)])],
      },
    ];
  }
  const turned = asked.filter(({ turn }) => turn === 'wrong');
  return turned.length === 0 ? [] : [{ is: 'mend', mends: turned.map(({ name }) => swapLeads(OUTPUT_FUNCTIONS[name].title)) }];
}

/** Motors that lift: their places, then their turns. */
export function motorVerdict(graph: Graph, answers: DirectionAnswers): StepVerdict {
  const rows = rotorPlanOf(graph).flatMap((row) => {
    const use = row.slot?.use;
    const ask = `outputs.motor-${row.number}`;
    return use === undefined ? [] : [{ row, use, place: answered(answers, ask, 'place'), turn: answered(answers, ask, 'turn') }];
  });
  const still = rows.filter(({ place }) => place === 'none');
  if (still.length > 0)
    return {
      is: 'mend',
      mends: [
        {
          is: 'still',
          sentence: `No motor turns for ${listed(still.map(({ row }) => `motor ${row.number}`))}: check its supply, its signal and the pulses of its bank.`,
        },
      ],
    };
  if (new Set(rows.map(({ place }) => place)).size < rows.length)
    return {
      is: 'impossible',
      sentence: 'One motor cannot turn for two outputs. Test the motors once more, one at a time.',
      again: rows.map(({ row }) => `outputs.motor-${row.number}`),
    };
  const moved = rows.filter(({ row, place }) => place !== row.rotor.place);
  if (moved.length > 0) {
    const edits = moved.flatMap(({ use, place }) => {
      const wanted = rows.find(({ row }) => row.rotor.place === place)?.row.function;
      return wanted === undefined ? [] : [functionEdit(use, wanted)];
    });
    const sentence = 'Number the motors as tested';
    return {
      is: 'mend',
      mends: [outputsMend(`${sentence}: each output gets the firmware's number for that position.`, sentence, edits)],
    };
  }
  const turned = rows.filter(({ row, turn }) => turn !== row.rotor.turns);
  return turned.length === 0 ? { is: 'right' } : { is: 'mend', mends: turned.map(({ row }) => swapLeads(`motor ${row.number}`)) };
}

function swapLeads(name: string): Mend {
  return { is: 'motor-leads', sentence: `Swap two of the three wires of ${name}, with the pack unplugged. Leave the output as it is.` };
}
