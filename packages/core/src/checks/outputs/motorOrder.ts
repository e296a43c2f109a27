import type { Graph } from '../../graph/graph.ts';
import type { SimpleEdit } from '../../edits/registry.ts';
import { placeTitle } from '../../model/airframes/rotor.ts';
import { turnSetting } from '../../model/turns.ts';
import { rotorPlanOf, type RotorRow } from '../../outputs/rotorPlan.ts';
import type { Check, Evidence, Remedy, Saying } from '../finding.ts';

/** Lift motors that sit, turn or are numbered otherwise than the firmware has it. */
export const motorOrder: Check = {
  id: 'output.motor-order',
  stage: 'outputs',
  title: 'Motor order or direction wrong',
  run: ({ graph }) => {
    const rows = rotorPlanOf(graph);
    const moved = rows.filter(({ sitsAt, rotor }) => sitsAt !== undefined && sitsAt.place !== rotor.place);
    return [...(moved.length === 0 ? [] : [orderSaying(graph, rows, moved)]), ...rows.flatMap((row) => turnSayings(row, rows))];
  },
};

function orderSaying(graph: Graph, rows: readonly RotorRow[], moved: readonly RotorRow[]): Saying {
  const words = (row: RotorRow): Evidence => ({
    label: `motor ${row.number}`,
    value: `${row.motor?.entry.item.ref ?? ''} ${row.sitsAt === undefined ? '' : placeTitle(row.sitsAt.place)}`,
    limit: placeTitle(row.rotor.place),
  });
  const [first] = moved;
  const evidence = moved.map(words);
  return {
    severity: 'stop',
    where: moved.flatMap(({ motor }) => (motor === undefined ? [] : [{ is: 'item', item: motor.entry.item.id }])),
    what: `${first?.motor?.entry.item.ref ?? ''} is motor ${first?.number ?? 0} and sits ${evidence[0]?.value.split(' ').slice(1).join(' ') ?? ''}; the firmware has motor ${first?.number ?? 0} ${evidence[0]?.limit ?? ''}.`,
    evidence,
    why: 'Corrections go to the wrong corner: the aircraft flips over on take-off.',
    discriminator: 'order',
    remedies: () => byPlace(graph, rows),
  };
}

/** Each output gets the number of the place where its motor sits. */
function byPlace(graph: Graph, rows: readonly RotorRow[]): Remedy[] {
  const wanted = rows.flatMap((row) => {
    const number = rows.find(({ rotor }) => rotor.place === row.sitsAt?.place);
    return row.slot === undefined || number === undefined ? [] : [{ slot: row.slot, now: row.function, next: number.function }];
  });
  const isWhole = wanted.length === rows.length && new Set(wanted.map(({ next }) => next)).size === rows.length;
  if (!isWhole) return [];
  const edits = wanted.flatMap(({ slot, now, next }): SimpleEdit[] => {
    const item = graph.items[slot.item]?.item.id;
    return now === next || item === undefined
      ? []
      : [{ kind: 'set-output-function', item, output: slot.output.id, function: next, was: now }];
  });
  return [
    {
      label: 'Number by position',
      sentence: "Give each output the firmware's number for the position of its motor.",
      edit: { kind: 'batch', title: 'Number the lift motors by position', edits },
    },
  ];
}

/** Which way a motor has to turn hangs on where it sits, whatever its number. */
function turnSayings({ motor, turns, propellerTurns, sitsAt, rotor: numbered, number }: RotorRow, rows: readonly RotorRow[]): Saying[] {
  const rotor = rows.find((row) => row.rotor.place === sitsAt?.place)?.rotor ?? numbered;
  if (motor === undefined) return [];
  const { item, part } = motor.entry;
  const wrongMotor = turns !== undefined && turns !== rotor.turns;
  const wrongPropeller = propellerTurns !== undefined && propellerTurns !== (turns ?? rotor.turns);
  if (!wrongMotor && !wrongPropeller) return [];
  const settings = [wrongMotor ? turnSetting(part, 'spin') : undefined, turnSetting(part, 'propeller')].filter((one) => one !== undefined);
  const edits = [...new Set(settings)].flatMap((setting): SimpleEdit[] => {
    const was = item.settings[setting] ?? null;
    return was === rotor.turns ? [] : [{ kind: 'set-item-setting', item: item.id, setting, value: rotor.turns, was }];
  });
  return [
    {
      severity: 'stop',
      where: [{ is: 'item', item: item.id }],
      what: wrongMotor
        ? `${item.ref} sits ${placeTitle(rotor.place)} and turns ${turns}; it must turn ${rotor.turns}.`
        : `The propeller of ${item.ref} lifts when it turns ${propellerTurns ?? ''}; its motor turns ${turns ?? rotor.turns}.`,
      evidence: [
        { label: `motor ${number}, ${placeTitle(rotor.place)}`, value: wrongMotor ? turns : (propellerTurns ?? ''), limit: rotor.turns },
      ],
      why: wrongMotor ? 'The aircraft spins as soon as it leaves the ground.' : 'It pushes down: that corner drops.',
      discriminator: 'turn',
      remedies: () =>
        edits.length === 0
          ? []
          : [
              {
                label: `Turn ${rotor.turns}`,
                sentence: `Swap two phases of ${item.ref} and fit a propeller for ${rotor.turns}, with the pack unplugged.`,
                edit: { kind: 'batch', title: `${item.ref} turns ${rotor.turns}`, edits },
              },
            ],
    },
  ];
}
