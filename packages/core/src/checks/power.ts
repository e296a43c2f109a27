import { plainCable, type PlainCable } from '../graph/cableJoins.ts';
import { groupOf, membersOf, pinsOf, type Graph } from '../graph/graph.ts';
import { graphOf } from '../graph/graphOf.ts';
import { railsOf, voltsAt, type Driver } from '../graph/railsOf.ts';
import { applyEdit } from '../edits/applyEdit.ts';
import type { SimpleEdit } from '../edits/registry.ts';
import { isSupply } from '../harness/joinVerdict.ts';
import type { Check, Remedy, Saying, Subject } from './finding.ts';
import { joinedCables, voltsText, type Join, type JoinedCable } from './joins.ts';
import { repinByMeaning, takeOut } from './remedies.ts';

/** A supply pin of one part joined to the ground of another. */
export const reversed: Check = {
  id: 'power.reversed',
  stage: 'power',
  title: 'Supply and ground swapped',
  run: ({ graph }) => [...joinedCables(graph).flatMap((cable) => reversedIn(graph, cable)), ...reversedInLooms(graph)],
};

function isReversed({ a, b }: Join): boolean {
  return (isSupply(a.pin.role) && b.pin.role === 'gnd') || (a.pin.role === 'gnd' && isSupply(b.pin.role));
}

function reversedIn(graph: Graph, { plain, joins }: JoinedCable): Saying[] {
  const wrong = joins.filter(isReversed);
  const first = wrong[0];
  if (first === undefined) return [];
  const [supply, ground] = isSupply(first.a.pin.role) ? [first.a, first.b] : [first.b, first.a];
  const remedy = repinByMeaning(graph, plain);
  return [
    {
      severity: 'stop',
      where: [
        { is: 'cable', cable: plain.cable.id },
        ...wrong.map((join): Subject => ({ is: 'conductor', cable: plain.cable.id, conductor: join.conductor.id })),
      ],
      what: `${plain.cable.tag} joins the supply of ${supply.ref} ${supply.port.label} (pin ${supply.pin.n}) to the ground of ${ground.ref} ${ground.port.label} (pin ${ground.pin.n}).`,
      evidence: wrong.map((join) => ({
        label: `${join.a.ref}.${join.a.pin.n} to ${join.b.ref}.${join.b.pin.n}`,
        value: `${join.a.pin.label} to ${join.b.pin.label}`,
      })),
      why: `The supply is shorted, or ${plain.a.ref} or ${plain.b.ref} is fed the wrong way round and burns. Do not apply power.`,
      remedies: remedy === undefined ? [] : [remedy],
    },
  ];
}

/** Looms and splices: one piece of copper that holds a supply pin and a ground pin of different parts. */
function reversedInLooms(graph: Graph): Saying[] {
  const sayings: Saying[] = [];
  for (let group = 0; group < graph.wires.count; group++) {
    const loom = loomIn(graph, group);
    if (loom === undefined) continue;
    const pins = pinsOf(graph, graph.wires, group);
    const supply = pins.find(({ at }) => isSupply(at.pin.role));
    const ground = pins.find(({ at }) => at.pin.role === 'gnd' && at.item !== supply?.at.item);
    const [from, to] = [graph.items[supply?.at.item ?? -1], graph.items[ground?.at.item ?? -1]];
    const cable = graph.cables[loom];
    if (supply === undefined || ground === undefined || from === undefined || to === undefined || cable === undefined) continue;
    sayings.push({
      severity: 'stop',
      where: [
        { is: 'cable', cable: cable.id },
        pinSubject(from.item.id, supply.at.port.id, supply.at.pin.n),
        pinSubject(to.item.id, ground.at.port.id, ground.at.pin.n),
      ],
      what: `${cable.tag} joins the supply of ${from.item.ref} ${supply.at.port.label} (pin ${supply.at.pin.n}) to the ground of ${to.item.ref} ${ground.at.port.label} (pin ${ground.at.pin.n}).`,
      evidence: [{ label: 'joined', value: `${supply.at.pin.label} and ${ground.at.pin.label}` }],
      why: 'The supply is shorted or reversed. Do not apply power.',
    });
  }
  return sayings;
}

/** The first cable in a piece of copper that is not plain, so that `reversedIn` did not look at it. */
function loomIn(graph: Graph, group: number): number | undefined {
  for (const node of membersOf(graph.wires, group)) {
    const at = graph.nodes[node];
    if (at?.is !== 'contact' && at?.is !== 'splice') continue;
    const cable = graph.cables[at.cable];
    if (cable !== undefined && plainCable(graph, cable) === undefined) return at.cable;
  }
  return undefined;
}

function pinSubject(item: Extract<Subject, { is: 'pin' }>['item'], port: string, n: number): Subject {
  return { is: 'pin', item, port, n };
}

/** Two regulators, or a regulator and a source, on one rail with nothing between them. */
export const parallelRegulators: Check = {
  id: 'power.parallel-regulators',
  stage: 'power',
  title: 'Two supplies drive one rail',
  run: ({ graph }) => railsOf(graph).sharedRails.flatMap((drivers) => parallelOn(graph, drivers)),
};

function parallelOn(graph: Graph, drivers: readonly Driver[]): Saying[] {
  if (drivers.every((driver) => driver.element.is === 'battery')) return [];
  const named = drivers.map((driver) => ({ driver, ref: graph.items[driver.item]?.item.ref ?? '?' }));
  const refs = named.map(({ ref }) => ref);
  return [
    {
      severity: 'stop',
      where: [...new Set(drivers.map((driver) => driver.item))].flatMap((item): Subject[] => {
        const id = graph.items[item]?.item.id;
        return id === undefined ? [] : [{ is: 'item', item: id }];
      }),
      what: `${refs.slice(0, -1).join(', ')} and ${refs.at(-1) ?? ''} drive one rail with no diode or selector between them.`,
      evidence: named.map(({ driver, ref }) => ({
        label: `${ref} ${driver.element.id}`,
        value: voltsText(driver.volts),
        limit: 'one supply a rail',
      })),
      why: 'The one with the slightly higher voltage pushes current into the other; one of them overheats or shuts down, and with it the rail.',
      discriminator: drivers
        .map((driver) => `${graph.items[driver.item]?.item.id ?? ''} ${driver.element.id}`)
        .sort()
        .join(' '),
      remedies: byBuiltInFirst(graph, drivers).flatMap((driver) => pullSupply(graph, driver)),
    },
  ];
}

/** A regulator inside a motor controller is the first to be taken off the rail: with it one failure costs two things. */
function byBuiltInFirst(graph: Graph, drivers: readonly Driver[]): Driver[] {
  const rank = (driver: Driver): number => (graph.items[driver.item]?.part?.kind === 'motor-controller' ? 0 : 1);
  return [...drivers].sort((a, b) => rank(a) - rank(b));
}

/** Takes the supply pin out of the one cable over which a driver reaches the rail, where the rail is still fed afterwards. */
function pullSupply(graph: Graph, driver: Driver): Remedy[] {
  const pull = supplyPull(graph, driver);
  return pull === undefined || !takesOff(graph, driver, pull.edit, pull.carrier) ? [] : [pull.remedy];
}

interface Carrier {
  readonly plain: PlainCable;
  readonly join: Join;
  readonly atA: boolean;
}

/** The edit that takes a driver off the one cable over which it reaches its rail; undefined where there is none or are several. */
export function supplyPull(
  graph: Graph,
  driver: Driver,
): { readonly edit: SimpleEdit; readonly remedy: Remedy; readonly carrier: Carrier } | undefined {
  const net = groupOf(graph.nets, driver.node);
  const carriers: Carrier[] = [];
  for (const { plain, joins } of joinedCables(graph)) {
    for (const join of joins) {
      const atA = join.a.itemIx === driver.item;
      const own = atA ? join.a : join.b;
      if (own.itemIx !== driver.item || !isSupply(own.pin.role) || groupOf(graph.nets, own.node) !== net) continue;
      carriers.push({ plain, join, atA });
    }
  }
  const [carrier] = carriers;
  if (carrier === undefined || carriers.length !== 1) return undefined;
  const { plain, join, atA } = carrier;
  const contact = atA ? join.conductor.b.n : join.conductor.a.n;
  const edit = takeOut(plain, atA ? plain.endB : plain.endA, contact);
  if (edit === undefined) return undefined;
  const ref = graph.items[driver.item]?.item.ref ?? '?';
  const far = atA ? plain.b : plain.a;
  const sentence = `Pull contact ${contact} (supply) of ${plain.cable.tag} at ${far.ref} ${far.port.label}, so that ${ref} no longer feeds the rail. Insulate the loose contact.`;
  return { edit, carrier, remedy: { label: `Pull ${ref}'s supply pin`, sentence, edit } };
}

/** True when the edit really takes the driver off the rail, and the rail is still fed afterwards. */
function takesOff(graph: Graph, driver: Driver, edit: SimpleEdit, carrier: Carrier): boolean {
  const result = applyEdit(graph.design, edit);
  if ('refused' in result) return false;
  const after = graphOf(result.design);
  const stillFights = railsOf(after).sharedRails.some((drivers) =>
    drivers.some((other) => other.item === driver.item && other.element.id === driver.element.id),
  );
  const far = carrier.atA ? carrier.join.b : carrier.join.a;
  return !stillFights && voltsAt(after, far.node) !== undefined;
}
