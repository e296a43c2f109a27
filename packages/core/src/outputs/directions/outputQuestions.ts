import type { Graph } from '../../graph/graph.ts';
import { placeTitle } from '../../model/airframes/rotor.ts';
import { OUTPUT_FUNCTIONS } from '../../model/outputFunctions.ts';
import type { MixerRow } from '../mixing/mixerRow.ts';
import { rotorPlanOf } from '../rotorPlan.ts';
import { ASKED, askedCommands, movedSurfaces, THRUST, wayOf, wayWords } from './movedSurfaces.ts';
import type { Question } from './question.ts';

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

function thrustQuestions({ design }: Graph): readonly Question[] {
  const used = THRUST.filter((name) => Object.values(design.aircraft.outputs).some((use) => use.function === name));
  return used.map((name): Question => ({
    id: `outputs.${name}`,
    step: 'outputs',
    ask: `Raise the ${OUTPUT_FUNCTIONS[name].title} alone, a little. What turns?`,
    caution: 'Propellers off: a motor that starts by mistake can injure. Keep clear of it all the same.',
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
          { value: 'right', words: 'as its propeller needs: air flows aft' },
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
