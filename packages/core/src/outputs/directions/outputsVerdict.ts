import type { Graph } from '../../graph/graph.ts';
import type { OutputFunction } from '../../model/outputFunctions.ts';
import type { MixerRow } from '../mixing/mixerRow.ts';
import { motorVerdict, thrustVerdicts } from './motorVerdicts.ts';
import { askedCommands, movedSurfaces, pairsOf, wayOf, type AskedCommand } from './movedSurfaces.ts';
import { answered, together, type DirectionAnswers, type StepVerdict } from './question.ts';
import { pairVerdict, singleVerdict, type Seen } from './surfaceVerdicts.ts';

/** What to change at the outputs, or which answers cannot be true. */
export function outputsVerdict(graph: Graph, answers: DirectionAnswers): StepVerdict {
  const moved = movedSurfaces(graph);
  const seen = new Map(moved.map(({ row }) => [row.function, seenOf(row, answers)] as const));
  const all = [...seen.values()].flatMap((own) => [...own.values()]);
  if (all.length > 0 && all.every((one) => one === 0))
    return {
      is: 'mend',
      mends: [
        {
          is: 'nothing-moves',
          sentence:
            'Nothing moves: the servos have no supply, the safety switch blocks the outputs, the controller is not in manual mode, or no mixer is loaded.',
        },
      ],
    };
  const verdicts: StepVerdict[] = [];
  const done = new Set<OutputFunction>();
  for (const [left, right] of pairsOf(moved)) {
    done.add(left.row.function);
    done.add(right.row.function);
    verdicts.push(pairVerdict(left, right, seen));
  }
  for (const one of moved) if (!done.has(one.row.function)) verdicts.push(singleVerdict(one, seen.get(one.row.function) ?? new Map()));
  verdicts.push(...thrustVerdicts(graph, answers), motorVerdict(graph, answers));
  return together(verdicts);
}

function seenOf(row: MixerRow, answers: DirectionAnswers): Seen {
  return new Map(
    askedCommands.flatMap((command): (readonly [AskedCommand, 1 | -1 | 0])[] => {
      if (wayOf(row, command) === 0) return [];
      const value = answered(answers, `outputs.${command}`, row.function);
      return [[command, value === 'right' ? 1 : value === 'wrong' ? -1 : 0]];
    }),
  );
}
