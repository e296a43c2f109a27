import type { Graph } from '../../graph/graph.ts';
import { pinsBefore, type PortAt } from '../../graph/cableJoins.ts';
import { connectorsMate, mateOf } from '../../model/connector.ts';
import { voltsAt } from '../../graph/railsOf.ts';
import { findPin, isSignal, isSupply, joinVerdict, type FoundPin } from '../../harness/joinVerdict.ts';
import { runsOf, type Run } from '../../harness/runs.ts';
import type { Check, Evidence, Saying } from '../finding.ts';
import { oneOrNone, repinByMeaning } from '../helpers/legRemedies.ts';
import { runSubjects } from '../helpers/runSubjects.ts';

/** The plug fits on both sides, and a straight cable burns something. */
export const fitsButWrong: Check = {
  id: 'wire.fits-but-wrong',
  stage: 'wiring',
  title: 'Plug fits, pin order differs',
  run: ({ graph }) => runsOf(graph).flatMap((run) => straightAndWrong(graph, run)),
};

function straightAndWrong(graph: Graph, run: Run): Saying[] {
  const { a, b, joins, leg } = run;
  const isStraight = joins.length > 1 && joins.every((join) => join.contactA?.n === join.contactB?.n);
  // On a row of pins, what the plugs are over.
  const harm = isStraight ? straightCableHarm(graph, leg?.a ?? a, leg?.b ?? b) : undefined;
  // A few wires that go straight and burn nothing, as the branch of a loom may have them, are no straight cable.
  if (harm === undefined || !joins.some((join) => harm.pins.includes(join.contactA?.n ?? join.a.pin.n))) return [];
  return [
    {
      severity: 'stop',
      where: runSubjects(run),
      what: `${run.name} is a straight cable: its plugs fit ${a.ref} ${a.port.label} and ${b.ref} ${b.port.label}, whose pin orders differ.`,
      evidence: harm.evidence,
      why: 'Any straight cable of this kind fits here and does the same damage. Make a dedicated cable, and label it.',
      remedies: () => oneOrNone(repinByMeaning(graph, run)),
    },
  ];
}

/** What a straight cable would do between two ports that take the same plug. */
export interface StraightHarm {
  /** One sentence, for the hint while the ports are being chosen. */
  readonly sentence: string;
  readonly evidence: readonly Evidence[];
  /** The positions at which it does. */
  readonly pins: readonly number[];
}

/**
 * Tells whether a straight cable between two ports fits and would reverse supply and ground or put supply on a signal.
 * Ports of the 3-pin servo kind are left to the check of servo leads.
 * @param a as the plug sees it, where one is over some pins of a row
 * @returns undefined when it does not fit, or does no harm; the positions are contacts of the plugs
 */
export function straightCableHarm(graph: Graph, a: PortAt, b: PortAt): StraightHarm | undefined {
  const [first, second] = [mateOf(a.port.connector), mateOf(b.port.connector)];
  const sameKind = connectorsMate(first, b.port.connector) && connectorsMate(second, a.port.connector);
  if (!sameKind || a.port.connector.gender === 'pads' || isServoPort(a) || isServoPort(b)) return undefined;
  const evidence: Evidence[] = [];
  const pins: number[] = [];
  for (const pin of a.port.pins) {
    const x = findPin(graph, { item: a.itemId, port: a.port.id, n: pin.n + pinsBefore(a) });
    const y = findPin(graph, { item: b.itemId, port: b.port.id, n: pin.n + pinsBefore(b) });
    if (x === undefined || y === undefined || !harms(graph, x, y)) continue;
    pins.push(pin.n);
    evidence.push({ label: `pin ${pin.n}`, value: `${x.pin.label} of ${x.ref} meets ${y.pin.label} of ${y.ref}` });
  }
  if (evidence.length === 0) return undefined;
  const facts = evidence.map((fact) => `${fact.label}: ${fact.value}`).join('; ');
  return { sentence: `A straight cable fits here and would damage something. ${facts}.`, evidence, pins };
}

function harms(graph: Graph, x: FoundPin, y: FoundPin): boolean {
  if (joinVerdict(graph, x, y).is === 'harmful') return isSupply(x.pin.role) !== isSupply(y.pin.role);
  const [supply, other] = isSupply(x.pin.role) ? [x, y] : [y, x];
  return isSupply(supply.pin.role) && isSignal(other.pin.role) && overItsMaximum(graph, supply, other);
}

function overItsMaximum(graph: Graph, supply: FoundPin, signal: FoundPin): boolean {
  const volts = voltsAt(graph, supply.node);
  const most = signal.pin.logic?.inputMaxV;
  return volts !== undefined && most !== undefined && volts > most;
}

/** A 3-pin port of 2.54 mm pitch with a pulse on one pin. */
export function isServoPort(at: PortAt): boolean {
  const { connector, pins } = at.port;
  return (
    connector.family === 'pin-2.54' && connector.positions === 3 && pins.some((pin) => pin.role === 'pulse-in' || pin.role === 'pulse-out')
  );
}
