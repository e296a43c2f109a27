import { stated } from '../../text/numbers.ts';
import { groupOf, pinsOf, type Graph } from '../../graph/graph.ts';
import { driverAt, voltsAt } from '../../graph/railsOf.ts';
import type { SimpleEdit } from '../../edits/registry.ts';
import { isSignal, isSupply, type FoundPin } from '../../harness/joinVerdict.ts';
import type { Check, Remedy, Saying } from '../finding.ts';
import { runsOf, type Join, type Run } from '../../harness/runs.ts';
import { groundWire, oneOrNone, repinByMeaning } from '../helpers/legRemedies.ts';
import { groundlessSignal } from '../helpers/commonGround.ts';
import { joinsSupplyToGround, joinSubjects, runSubjects } from '../helpers/runSubjects.ts';

/** A supply on a signal pin above what the pin stands. */
export const supplyOnSignal: Check = {
  id: 'wire.supply-on-signal',
  stage: 'wiring',
  title: 'Supply on a signal pin',
  run: ({ graph }) => runsOf(graph).flatMap((run) => suppliesOnSignals(graph, run)),
};

function suppliesOnSignals(graph: Graph, run: Run): Saying[] {
  return run.joins.flatMap((join) => {
    const [supply, signal] = isSupply(join.a.pin.role) ? [join.a, join.b] : [join.b, join.a];
    const volts = voltsAt(graph, supply.node);
    const most = signal.pin.logic?.inputMaxV;
    if (!isSupply(supply.pin.role) || !isSignal(signal.pin.role) || volts === undefined || most === undefined || volts <= most) return [];
    const source = graph.items[driverAt(graph, supply.node)?.item ?? -1]?.item.ref ?? supply.ref;
    return [
      {
        severity: 'stop' as const,
        where: joinSubjects(run, [join]),
        what: `${run.name} puts ${stated(volts, 'V')} from ${source} on pin ${signal.pin.n} (${signal.pin.label}) of ${signal.ref}.`,
        evidence: [
          {
            label: `${signal.ref} ${signal.port.label} pin ${signal.pin.n}`,
            value: stated(volts, 'V'),
            limit: `${stated(most, 'V')} at most`,
          },
        ],
        why: `The pin withstands ${stated(most, 'V')}; the input, or the whole of ${signal.ref}, is destroyed.`,
        remedies: () => oneOrNone(repinByMeaning(graph, run)),
      },
    ];
  });
}

/** Talker to talker, or listener to listener. */
export const txToTx: Check = {
  id: 'wire.tx-to-tx',
  stage: 'wiring',
  title: 'TX connected to TX',
  run: ({ graph }) => runsOf(graph).flatMap((run) => sameEnds(graph, run)),
};

function isSerialPair({ a, b }: Join, role: 'tx' | 'rx'): boolean {
  return a.pin.role === role && b.pin.role === role;
}

function sameEnds(graph: Graph, run: Run): Saying[] {
  const { joins } = run;
  const talkers = joins.filter((join) => isSerialPair(join, 'tx'));
  const listeners = joins.filter((join) => isSerialPair(join, 'rx') && !hasTalker(graph, join.a));
  const wrong = [...talkers, ...listeners];
  const first = wrong[0];
  if (first === undefined) return [];
  const isTalker = first.a.pin.role === 'tx';
  return [
    {
      severity: 'mend',
      where: joinSubjects(run, wrong),
      what: `${run.name} joins ${first.a.pin.label} of ${first.a.ref} to ${first.b.pin.label} of ${first.b.ref} ${first.b.port.label}. ${
        isTalker ? 'Both drive the wire, and neither hears the other.' : 'Both listen, and nothing drives the wire.'
      }`,
      evidence: wrong.map((join) => ({
        label: `${join.a.ref} ${join.a.port.label}.${join.a.pin.n} ${join.a.pin.label} to ${join.b.ref} ${join.b.port.label}.${join.b.pin.n} ${join.b.pin.label}`,
        value: logicText(join),
      })),
      why: 'No data arrives in this direction; two outputs on one wire also overload both drivers.',
      remedies: () => oneOrNone(crossThePair(graph, run)),
    },
  ];
}

function logicText({ a, b }: Join): string {
  return [a, b].map((pin) => (pin.pin.logic === undefined ? '' : `${pin.pin.role} ${stated(pin.pin.logic.highV, 'V')}`)).join(', ');
}

/** Another talker on the same piece of copper: listeners may share one. */
function hasTalker(graph: Graph, pin: FoundPin): boolean {
  return pinsOf(graph, graph.wires, groupOf(graph.wires, pin.node)).some(({ at }) => at.pin.role === 'tx');
}

/** Moves the B ends of the pair to their counterparts, exchanging them with whatever is there. */
function crossThePair(graph: Graph, run: Run): Remedy | undefined {
  const { leg, joins } = run;
  if (leg === undefined) return undefined;
  const edits: SimpleEdit[] = [];
  const counterpart = (role: 'tx' | 'rx'): number | undefined => leg.b.port.pins.find((pin) => pin.role === role)?.n;
  for (const join of joins.filter((one) => isSerialPair(one, 'tx') || isSerialPair(one, 'rx'))) {
    const n = counterpart(join.a.pin.role === 'tx' ? 'rx' : 'tx');
    const conductor = leg.conductors.find((candidate) => candidate === join.wires[0]?.conductor);
    if (n === undefined || conductor === undefined) return undefined;
    edits.push({
      kind: 'move-conductor',
      cable: leg.cable.id,
      conductor: conductor.id,
      end: 'b',
      to: { node: conductor.b.node, n },
      was: conductor.b,
    });
  }
  if (edits.length === 0) return undefined;
  const moved = new Set(edits.map((edit) => ('conductor' in edit ? edit.conductor : undefined)));
  const targets = new Set(edits.map((edit) => ('to' in edit ? edit.to.n : undefined)));
  const inTheWay = leg.conductors.some((conductor) => targets.has(conductor.b.n) && !moved.has(conductor.id));
  if (inTheWay) return repinByMeaning(graph, run);
  return {
    label: 'Cross the pair',
    sentence: `Swap the wires of ${run.name} at ${leg.b.ref} ${leg.b.port.label}, so that TX meets RX in both directions.`,
    edit: { kind: 'batch', title: `Cross the pair of ${run.name}`, edits },
  };
}

/** Two parts that share a signal and no ground. */
export const noCommonGround: Check = {
  id: 'wire.no-common-ground',
  stage: 'wiring',
  title: 'No common ground',
  run: ({ graph }) => runsOf(graph).flatMap((run) => withoutGround(graph, run)),
};

function withoutGround(graph: Graph, run: Run): Saying[] {
  const { a, b, joins } = run;
  const signal = groundlessSignal(graph, run);
  if (signal === undefined) return [];
  return [
    {
      severity: 'mend',
      where: runSubjects(run),
      what: `${run.name} joins a signal of ${a.ref} and ${b.ref} ${b.port.label}, and the two share no ground.`,
      evidence: [{ label: `${signal.a.pin.label} to ${signal.b.pin.label}`, value: 'no ground path between the two' }],
      why: 'A signal is a voltage against ground: without a common ground it is read wrong or not at all, and its return current finds another path.',
      // With supply on a ground the wire would be a short; the cable is turned right first.
      remedies: () => (joins.some(joinsSupplyToGround) ? [] : groundWire(graph, run)),
    },
  ];
}
