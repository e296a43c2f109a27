import type { SimpleEdit } from '../../edits/registry.ts';
import { OUTPUT_FUNCTIONS, type OutputFunction } from '../../model/outputFunctions.ts';
import { listed } from '../../text/lists.ts';
import { asSentence } from '../../text/sentences.ts';
import { wayOf, type AskedCommand, type Moved } from './movedSurfaces.ts';
import { functionEdit, outputsMend, reversalOf } from './outputMends.ts';
import type { StepVerdict } from './question.ts';

/** What was seen of a surface by command: 1 as it should, -1 the other way, 0 still. */
export type Seen = ReadonlyMap<AskedCommand, 1 | -1 | 0>;

/** Two surfaces that share two commands: swapped, reversed, mixed twice, or seen wrongly. */
export function pairVerdict(left: Moved, right: Moved, seen: ReadonlyMap<OutputFunction, Seen>): StepVerdict {
  const names = [left, right].map(({ row }) => OUTPUT_FUNCTIONS[row.function].title);
  const own = [left, right].map(({ row }) => seen.get(row.function) ?? new Map<AskedCommand, 1 | -1 | 0>());
  const commands = [...(own[0]?.keys() ?? [])];
  const still = own.map((one) => commands.filter((command) => one.get(command) === 0));
  // Each of the two answers one command only, and not the same one: what the radio mixes is mixed again.
  if (
    still.every((one) => one.length === commands.length - 1) &&
    still[0]?.some((command) => still[1]?.includes(command) !== true) === true
  )
    return {
      is: 'mend',
      mends: [
        {
          is: 'mixed-twice',
          sentence: `${asSentence(listed(names))} follow one stick each: they are mixed twice. Remove the mixing from the radio, then start again with the first step.`,
        },
      ],
    };
  const stills = [left, right].filter((_, i) => (still[i]?.length ?? 0) > 0);
  if (stills.length > 0) return stillVerdict(stills);
  // Eight ways in which two outputs can be swapped and reversed; the answers fit one of them, or none.
  for (const isSwapped of [false, true])
    for (const leftWay of [1, -1] as const)
      for (const rightWay of [1, -1] as const) {
        const fits = [left, right].every(({ row }, i) => {
          const driver = isSwapped ? (i === 0 ? right : left) : i === 0 ? left : right;
          const way = i === 0 ? leftWay : rightWay;
          return commands.every(
            (command) => own[i]?.get(command) === way * Math.sign(wayOf(driver.row, command)) * Math.sign(wayOf(row, command)),
          );
        });
        if (fits) return exchanged(left, right, isSwapped, leftWay, rightWay);
      }
  return {
    is: 'impossible',
    sentence: `Two servos cannot do this: ${listed(names)} would each have to follow one stick correctly and the other in reverse, and not in the same way. Test both again, one stick at a time.`,
    again: commands.map((command) => `outputs.${command}`),
  };
}

/** What brings two outputs right: the functions change over, and each is reversed where its servo turns the other way. */
function exchanged(left: Moved, right: Moved, isSwapped: boolean, leftWay: 1 | -1, rightWay: 1 | -1): StepVerdict {
  if (!isSwapped && leftWay === 1 && rightWay === 1) return { is: 'right' };
  const [atLeft, atRight] = isSwapped ? [right.use, left.use] : [left.use, right.use];
  const names = [left, right].map(({ row }) => OUTPUT_FUNCTIONS[row.function].title);
  const edits: SimpleEdit[] = [
    ...(isSwapped ? [functionEdit(atLeft, left.row.function), functionEdit(atRight, right.row.function)] : []),
    ...(leftWay === -1 ? [reversalOf(atLeft)] : []),
    ...(rightWay === -1 ? [reversalOf(atRight)] : []),
  ];
  const turned = [...(leftWay === -1 ? [names[0] ?? ''] : []), ...(rightWay === -1 ? [names[1] ?? ''] : [])];
  const parts = [
    ...(isSwapped ? [`swap the outputs of ${listed(names)}`] : []),
    ...(turned.length === 0 ? [] : [`reverse the output of ${listed(turned)}`]),
  ];
  return { is: 'mend', mends: [outputsMend(`${asSentence(listed(parts))}.`, asSentence(listed(parts)), edits)] };
}

/** A surface by itself. */
export function singleVerdict({ row, use }: Moved, seen: Seen): StepVerdict {
  const values = [...seen.values()];
  const { title } = OUTPUT_FUNCTIONS[row.function];
  if (values.length === 0) return { is: 'right' };
  if (values.includes(0)) return stillVerdict([{ row, use }]);
  if (values.includes(1) && values.includes(-1))
    return {
      is: 'impossible',
      sentence: `One servo cannot do this: ${title} follows one command correctly and another in reverse. Test it again.`,
      again: [...seen.keys()].map((command) => `outputs.${command}`),
    };
  if (values[0] === 1) return { is: 'right' };
  const sentence = `Reverse the output of ${title}`;
  return { is: 'mend', mends: [outputsMend(`${sentence}.`, sentence, [reversalOf(use)])] };
}

function stillVerdict(stills: readonly Moved[]): StepVerdict {
  const names = listed(stills.map(({ row }) => OUTPUT_FUNCTIONS[row.function].title));
  return {
    is: 'mend',
    mends: [
      {
        is: 'still',
        sentence: `${asSentence(names)} ${stills.length === 1 ? 'does' : 'do'} not move: check plug, supply and function of ${stills.length === 1 ? 'its output' : 'their outputs'}.`,
      },
    ],
  };
}
