import type { Graph } from '../../graph/graph.ts';
import { isSignal, isSupply } from '../../harness/joinVerdict.ts';
import { runsOf, type Join, type Run } from '../../harness/runs.ts';
import type { PinRole } from '../../model/part.ts';
import type { Check, Evidence, Saying } from '../finding.ts';
import { oneOrNone, repinByMeaning } from '../helpers/legRemedies.ts';
import { joinSubjects } from '../helpers/runSubjects.ts';
import { isServoPort } from './fitsButWrong.ts';

/** Data on clock and clock on data. */
export const i2cCrossed: Check = {
  id: 'wire.i2c-crossed',
  stage: 'wiring',
  title: 'SDA and SCL crossed',
  run: ({ graph }) =>
    runsOf(graph).flatMap((run) => {
      const crossed = run.joins.filter((join) => joins(join, 'sda', 'scl'));
      return crossed.length === 0 ? [] : [crossedSaying(graph, run, crossed)];
    }),
};

function joins({ a, b }: Join, one: PinRole, other: PinRole): boolean {
  return (a.pin.role === one && b.pin.role === other) || (a.pin.role === other && b.pin.role === one);
}

function crossedSaying(graph: Graph, run: Run, crossed: readonly Join[]): Saying {
  return {
    severity: 'mend',
    where: joinSubjects(run, crossed),
    what: `${run.name} swaps SDA and SCL between ${run.a.ref} and ${run.b.ref} ${run.b.port.label}.`,
    evidence: crossed.map(pinsMeeting),
    why: 'Nothing answers on the bus, and a device that holds its clock low can block the others.',
    remedies: () => oneOrNone(repinByMeaning(graph, run)),
  };
}

/** The ground of one part on a signal of another, as a plug has it that is turned round or a pin row that is read from the wrong side. */
export const groundOnSignal: Check = {
  id: 'wire.ground-on-signal',
  stage: 'wiring',
  title: 'Ground on a signal pin',
  run: ({ graph }) =>
    runsOf(graph).flatMap((run) => {
      const { a, b, leg } = run;
      // Leads of servos have a check of their own, and supply on a ground is told as a reversed supply.
      if (isServoPort(leg?.a ?? a) && isServoPort(leg?.b ?? b)) return [];
      if (run.joins.some((join) => [join.a, join.b].some(({ pin }) => isSupply(pin.role)) && groundSide(join) !== undefined)) return [];
      const wrong = run.joins.filter((join) => {
        const ground = groundSide(join);
        return ground !== undefined && isSignal((ground === join.a ? join.b : join.a).pin.role);
      });
      return wrong.length === 0 ? [] : [groundSaying(graph, run, wrong)];
    }),
};

/** The end of a join that is a ground, where the other is none. */
function groundSide({ a, b }: Join): Join['a'] | undefined {
  if ((a.pin.role === 'gnd') === (b.pin.role === 'gnd')) return undefined;
  return a.pin.role === 'gnd' ? a : b;
}

function groundSaying(graph: Graph, run: Run, wrong: readonly Join[]): Saying {
  return {
    severity: 'mend',
    where: joinSubjects(run, wrong),
    what: `${run.name} puts the ground of one part on a signal pin of the other, between ${run.a.ref} and ${run.b.ref} ${run.b.port.label}.`,
    evidence: wrong.map(pinsMeeting),
    why: 'The signal is held low, and this cable does not join the grounds of the two.',
    remedies: () => oneOrNone(repinByMeaning(graph, run)),
  };
}

function pinsMeeting({ a, b }: Join): Evidence {
  return { label: `pin ${a.pin.n} of ${a.ref} to pin ${b.pin.n} of ${b.ref}`, value: `${a.pin.label} to ${b.pin.label}` };
}
