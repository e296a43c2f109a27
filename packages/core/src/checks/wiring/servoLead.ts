import { groupOf, type Graph } from '../../graph/graph.ts';
import { railsOf } from '../../graph/railsOf.ts';
import { isSupply } from '../../harness/joinVerdict.ts';
import { runsOf, type Join, type Run } from '../../harness/runs.ts';
import type { Check, Remedy, Saying } from '../finding.ts';
import { isServoPort } from './fitsButWrong.ts';
import { oneOrNone, repinByMeaning, takeOut } from '../helpers/legRemedies.ts';
import { joinSubjects, runSubjects } from '../helpers/runSubjects.ts';

/** A 3-pin lead turned round, or its supply pin left in where it must be pulled. */
export const servoLead: Check = {
  id: 'wire.servo-lead',
  stage: 'wiring',
  title: 'Servo lead',
  run: ({ graph }) =>
    runsOf(graph)
      .filter(({ a, b, leg }) => isServoPort(leg?.a ?? a) && isServoPort(leg?.b ?? b))
      .flatMap((run) => [...turnedRound(graph, run), ...supplyLeftIn(graph, run)]),
};

function turnedRound(graph: Graph, run: Run): Saying[] {
  const { a, b, joins } = run;
  const wrong = joins.filter((join) => (join.a.pin.role === 'gnd') !== (join.b.pin.role === 'gnd'));
  if (wrong.length === 0 || isShifted(run)) return [];
  const burns = wrong.some((join) => isSupply(join.a.pin.role) || isSupply(join.b.pin.role));
  const board = a.port.signalRow === undefined ? b : a;
  const signal = board.port.pins.find((pin) => pin.role === 'pulse-in' || pin.role === 'pulse-out');
  const row = board.port.signalRow === undefined ? '' : `, the ${board.port.signalRow} row`;
  return [
    {
      severity: burns ? 'stop' : 'mend',
      where: runSubjects(run),
      what: `${run.name} between ${a.ref} and ${b.ref} ${b.port.label} is plugged in the wrong way round: signal and ground are swapped.`,
      evidence: [
        ...wrong.map((join) => ({
          label: `pin ${join.a.pin.n} to pin ${join.b.pin.n}`,
          value: `${join.a.pin.label} to ${join.b.pin.label}`,
        })),
        { label: `signal on ${board.ref} ${board.port.label}`, value: `pin ${signal?.n ?? '?'}${row}` },
      ],
      why: burns ? 'Supply meets ground: the rail is shorted.' : 'The signal is shorted to ground, and the part does not respond.',
      discriminator: 'turned',
      remedies: () => oneOrNone(repinByMeaning(graph, run)),
    },
  ];
}

/** On a row of pins, a lead whose ground meets the rail is not turned round but sits beside its pins: that is a reversed supply. */
function isShifted({ leg, joins }: Run): boolean {
  if (leg?.a.stretch === undefined && leg?.b.stretch === undefined) return false;
  return joins.some(({ a, b }) => (a.pin.role === 'gnd' && isSupply(b.pin.role)) || (b.pin.role === 'gnd' && isSupply(a.pin.role)));
}

/** The lead of a motor controller whose built-in regulator feeds a rail that something else feeds too. */
function supplyLeftIn(graph: Graph, run: Run): Saying[] {
  const supply = run.joins.find((join) => isSupply(join.a.pin.role) && isSupply(join.b.pin.role));
  if (supply === undefined) return [];
  const controller = [supply.a, supply.b].find((pin) => graph.items[pin.itemIx]?.part?.kind === 'motor-controller');
  if (controller === undefined) return [];
  const net = groupOf(graph.nets, controller.node);
  const together = railsOf(graph).sharedRails.find((drivers) =>
    drivers.some((driver) => driver.item === controller.itemIx && groupOf(graph.nets, driver.node) === net),
  );
  const other = together?.find((driver) => driver.item !== controller.itemIx);
  const otherRef = graph.items[other?.item ?? -1]?.item.ref;
  if (otherRef === undefined) return [];
  return [
    {
      severity: 'mend',
      where: joinSubjects(run, [supply]),
      what: `The supply pin of ${run.name} must be pulled: ${controller.ref}'s built-in regulator is on the rail that ${otherRef} feeds.`,
      evidence: [
        {
          label: `${controller.ref} ${controller.port.label} pin ${controller.pin.n}`,
          value: 'supply connected',
          limit: 'signal and ground only',
        },
      ],
      why: 'Exactly one supply may feed the rail; the others connect signal and ground only.',
      discriminator: 'supply',
      remedies: () => pull(supply, run, controller.ref),
    },
  ];
}

/** Pulls the contact at the end that is not the motor controller's own. */
function pull(supply: Join, { a, b }: Run, controller: string): Remedy[] {
  const atA = a.ref === controller;
  const [contact, board] = atA ? [supply.contactB, b] : [supply.contactA, a];
  const edit = takeOut(supply, atA ? 'b' : 'a');
  if (edit === undefined || contact === undefined) return [];
  return [
    {
      label: 'Pull the supply pin',
      sentence: `Pull contact ${contact.n} of ${contact.cable.tag} at ${board.ref} ${board.port.label} and insulate it; signal and ground stay.`,
      edit,
    },
  ];
}
