import type { Graph } from '../../graph/graph.ts';
import type { SimpleEdit } from '../../edits/registry.ts';
import { placeTitle } from '../../model/airframes/rotor.ts';
import { OUTPUT_FUNCTIONS, type OutputFunction } from '../../model/outputFunctions.ts';
import { travelOf, type OutputUse } from '../../model/outputPlan.ts';
import type { Stick } from '../../model/rcUses.ts';
import { listed } from '../../text/lists.ts';
import { asSentence } from '../../text/sentences.ts';
import { mixerOf } from '../mixing/mixerOf.ts';
import type { Command, MixerRow } from '../mixing/mixerRow.ts';
import { rotorPlanOf } from '../rotorPlan.ts';
import { answered, type DirectionAnswers, type Mend, type Question, type StepVerdict } from './question.ts';

/** What is asked of surfaces one after the other, each in full to its positive side. */
const ASKED = {
  roll: { ask: 'Push the roll stick to the right.', stick: 'roll', towards: 1 },
  pitch: { ask: 'Pull the pitch stick back, towards you.', stick: 'pitch', towards: -1 },
  yaw: { ask: 'Push the yaw stick to the right.', stick: 'yaw', towards: 1 },
  flap: { ask: 'Put the flaps out.', stick: undefined, towards: 1 },
  brake: { ask: 'Put the air brakes out.', stick: undefined, towards: 1 },
} as const satisfies Partial<
  Readonly<Record<Command, { readonly ask: string; readonly stick: Stick | undefined; readonly towards: 1 | -1 }>>
>;
export type AskedCommand = keyof typeof ASKED;
export const askedCommands = ['roll', 'pitch', 'yaw', 'flap', 'brake'] as const satisfies readonly AskedCommand[];

/** A surface that an output moves. */
export interface Moved {
  readonly row: MixerRow;
  readonly use: OutputUse;
}

/** The surfaces that have an output, with their rows; of several outputs of one function the first. */
export function movedSurfaces({ design }: Graph): readonly Moved[] {
  const uses = Object.values(design.aircraft.outputs);
  return mixerOf(design).flatMap((row): Moved[] => {
    const use = uses.find((one) => one.function === row.function);
    return use === undefined || (row.scale !== 'surface' && row.scale !== 'opens') ? [] : [{ row, use }];
  });
}

/** The way a surface goes for a full command, positive down or right: of a spoiler, which opens upwards, the other way. */
export function wayOf({ function: name, weights }: MixerRow, command: Command): number {
  const weight = weights[command] ?? 0;
  return name.startsWith('spoiler') ? -weight : weight;
}

/** A way in words, of what people see. */
export function wayWords(name: OutputFunction, way: number): string {
  if (name === 'ailerons') return way > 0 ? 'left one down' : 'left one up';
  if (name.startsWith('rudder') || name === 'steering' || name === 'tail-tilt') return way > 0 ? 'right' : 'left';
  return way > 0 ? 'down' : 'up';
}

/** What each surface does for each stick in manual mode, and which motor turns, and which way. */
export function outputQuestions(graph: Graph): readonly Question[] {
  const moved = movedSurfaces(graph);
  const surfaces = askedCommands.flatMap((command): Question[] => {
    const own = moved.filter(({ row }) => wayOf(row, command) !== 0);
    const { ask, stick, towards } = ASKED[command];
    if (own.length === 0) return [];
    return [
      {
        id: `outputs.${command}`,
        step: 'outputs',
        ask: `Manual mode. ${ask} Which way do the trailing edges go?`,
        caution: 'Propellers off. Keep hands clear of the surfaces.',
        parts: own.map(({ row }) => partOf(row, wayOf(row, command))),
        picture: {
          is: 'stick',
          stick: stick ?? 'pitch',
          towards,
          moves: own.map(({ row }) => ({ function: row.function, value: row.weights[command] ?? 0 })),
        },
      },
    ];
  });
  return [...surfaces, ...thrustQuestions(graph), ...motorQuestions(graph)];
}

function partOf({ function: name }: MixerRow, way: number): Question['parts'][number] {
  return {
    id: name,
    about: OUTPUT_FUNCTIONS[name].title,
    options: [
      { value: 'right', words: wayWords(name, way) },
      { value: 'wrong', words: wayWords(name, -way) },
      { value: 'still', words: 'does not move' },
    ],
  };
}

const THRUST = ['throttle', 'throttle-left', 'throttle-right'] as const satisfies readonly OutputFunction[];

function thrustQuestions({ design }: Graph): readonly Question[] {
  const used = THRUST.filter((name) => Object.values(design.aircraft.outputs).some((use) => use.function === name));
  return used.map((name): Question => ({
    id: `outputs.${name}`,
    step: 'outputs',
    ask: `Raise the ${OUTPUT_FUNCTIONS[name].title} alone, a little. What turns?`,
    caution: 'Propellers off: a motor that starts by mistake cuts. Keep clear of it all the same.',
    parts: [
      ...(used.length < 2
        ? []
        : [
            {
              id: 'side',
              about: 'the motor that turns',
              options: [
                { value: 'right', words: name === 'throttle-left' ? 'the left one' : 'the right one' },
                { value: 'wrong', words: name === 'throttle-left' ? 'the right one' : 'the left one' },
                { value: 'still', words: 'none' },
              ],
            },
          ]),
      {
        id: 'turn',
        about: 'it turns',
        options: [
          { value: 'right', words: 'as its propeller wants: the air goes aft' },
          { value: 'wrong', words: 'the other way' },
          { value: 'still', words: 'not at all' },
        ],
      },
    ],
    picture: { is: 'stick', stick: 'throttle', towards: 1, moves: [{ function: name, value: 1 }] },
  }));
}

function motorQuestions(graph: Graph): readonly Question[] {
  const rows = rotorPlanOf(graph).filter(({ slot }) => slot !== undefined);
  return rows.map(({ number, rotor }): Question => ({
    id: `outputs.motor-${number}`,
    step: 'outputs',
    ask: `Test motor ${number} alone. Which one turns, and which way from above?`,
    caution: 'Propellers off: test motors one by one, with the pack held ready to unplug.',
    parts: [
      {
        id: 'place',
        about: 'the motor that turns sits',
        options: [
          { value: rotor.place, words: placeTitle(rotor.place) },
          ...rows
            .filter((other) => other.rotor !== rotor)
            .map((other) => ({ value: other.rotor.place, words: placeTitle(other.rotor.place) })),
          { value: 'none', words: 'none turns' },
        ],
      },
      {
        id: 'turn',
        about: 'it turns',
        options: [
          { value: rotor.turns, words: rotor.turns },
          rotor.turns === 'clockwise'
            ? { value: 'counter-clockwise', words: 'counter-clockwise' }
            : { value: 'clockwise', words: 'clockwise' },
        ],
      },
    ],
    picture: { is: 'motor', number },
  }));
}

/** What was seen of a surface by command: 1 as it should, -1 the other way, 0 still. */
type Seen = ReadonlyMap<AskedCommand, 1 | -1 | 0>;

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
            'Nothing moves: the servos have no supply, the safety switch holds the outputs back, the controller is not in manual mode, or no mixer is loaded.',
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

/** Left and right of what shares two commands or more: elevons, tail halves, flaperons. Their answers tell swapped outputs from reversed ones. */
export function pairsOf(moved: readonly Moved[]): readonly (readonly [Moved, Moved])[] {
  return moved.flatMap((left) => {
    if (!left.row.function.endsWith('-left')) return [];
    const name = left.row.function.replace(/-left$/, '-right');
    const right = moved.find(({ row }) => row.function === name);
    const commands = askedCommands.filter((command) => wayOf(left.row, command) !== 0);
    return right === undefined || commands.length < 2 ? [] : [[left, right] as const];
  });
}

function pairVerdict(left: Moved, right: Moved, seen: ReadonlyMap<OutputFunction, Seen>): StepVerdict {
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
          sentence: `${asSentence(listed(names))} answer one stick each: they are mixed twice. Make the model in the radio plain, then begin again with the first step.`,
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
    sentence: `Two servos cannot do this: ${listed(names)} would each have to follow one stick rightly and the other wrongly, and not alike. Look at both again, one stick at a time.`,
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

function singleVerdict({ row, use }: Moved, seen: Seen): StepVerdict {
  const values = [...seen.values()];
  const { title } = OUTPUT_FUNCTIONS[row.function];
  if (values.length === 0) return { is: 'right' };
  if (values.includes(0)) return stillVerdict([{ row, use }]);
  if (values.includes(1) && values.includes(-1))
    return {
      is: 'impossible',
      sentence: `One servo cannot do this: ${title} follows one command rightly and another wrongly. Look again.`,
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
        sentence: `${asSentence(names)} ${stills.length === 1 ? 'does' : 'do'} not move: look at plug, supply and function of ${stills.length === 1 ? 'its output' : 'their outputs'}.`,
      },
    ],
  };
}

function thrustVerdicts(graph: Graph, answers: DirectionAnswers): readonly StepVerdict[] {
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
            sentence: `${asSentence(listed(still.map(({ name }) => OUTPUT_FUNCTIONS[name].title)))} turns nothing: not armed, held back by the safety switch, or not calibrated to this throttle.`,
          },
        ],
      },
    ];
  if (wrongSides.length === 1)
    return [
      {
        is: 'impossible',
        sentence: 'One motor cannot answer both throttles. Look again which one turns.',
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

function motorVerdict(graph: Graph, answers: DirectionAnswers): StepVerdict {
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
          sentence: `No motor turns for ${listed(still.map(({ row }) => `motor ${row.number}`))}: look at its supply, its signal and the pulses of its bank.`,
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
    const sentence = 'Number the motors as they turned';
    return {
      is: 'mend',
      mends: [outputsMend(`${sentence}: each output gets the number that the firmware has for that place.`, sentence, edits)],
    };
  }
  const turned = rows.filter(({ row, turn }) => turn !== row.rotor.turns);
  return turned.length === 0 ? { is: 'right' } : { is: 'mend', mends: turned.map(({ row }) => swapLeads(`motor ${row.number}`)) };
}

function swapLeads(name: string): Mend {
  return { is: 'motor-leads', sentence: `Swap two of the three wires of ${name}, with the pack unplugged. The output stays as it is.` };
}

function outputsMend(sentence: string, title: string, edits: readonly SimpleEdit[]): Mend {
  return { is: 'outputs', sentence, edit: { kind: 'batch', title, edits: [...edits] } };
}

function functionEdit({ item, output, function: was }: OutputUse, name: OutputFunction): SimpleEdit {
  return { kind: 'set-output-function', item, output, function: name, was };
}

function reversalOf(use: OutputUse): SimpleEdit {
  const was = travelOf(use);
  const { reversed, ...rest } = was;
  return {
    kind: 'set-output-travel',
    item: use.item,
    output: use.output,
    value: reversed === true ? rest : { ...rest, reversed: true },
    was,
  };
}

/** What cannot be true comes first: nothing is changed before it was looked at again. Else all that is to mend. */
export function together(verdicts: readonly StepVerdict[]): StepVerdict {
  const impossible = verdicts.find(({ is }) => is === 'impossible');
  if (impossible !== undefined) return impossible;
  const mends = verdicts.flatMap((verdict) => (verdict.is === 'mend' ? verdict.mends : []));
  return mends.length > 0 ? { is: 'mend', mends } : { is: 'right' };
}
