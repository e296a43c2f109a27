import { stated } from '../../text/numbers.ts';
import { circuitNode, groupOf, type Graph } from '../../graph/graph.ts';
import { graphOf } from '../../graph/graphOf.ts';
import { railsOf, voltsAt, type Driver } from '../../graph/railsOf.ts';
import { applyEdit } from '../../edits/applyEdit.ts';
import type { SimpleEdit } from '../../edits/registry.ts';
import { isSupply } from '../../harness/joinVerdict.ts';
import { runsOf, type Join } from '../../harness/runs.ts';
import type { Check, Remedy, Saying, Subject } from '../finding.ts';
import { takeOut } from '../helpers/legRemedies.ts';

/** Two regulators, or a regulator and a source, on one rail with nothing between them. */
export const parallelRegulators: Check = {
  id: 'power.parallel-regulators',
  stage: 'power',
  title: 'Two supplies on one rail',
  run: ({ graph }) => railsOf(graph).sharedRails.flatMap((drivers) => parallelOn(graph, drivers)),
};

function parallelOn(graph: Graph, together: readonly Driver[]): Saying[] {
  const drivers = together.filter((driver) => canDrive(graph, driver));
  if (drivers.length < 2 || drivers.every((driver) => driver.element.is === 'battery')) return [];
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
        value: stated(driver.volts, 'V'),
        limit: 'one supply a rail',
      })),
      why: 'The one with the slightly higher voltage feeds current back into the other; one of them overheats or shuts down, and the rail fails.',
      discriminator: drivers
        .map((driver) => `${graph.items[driver.item]?.item.id ?? ''} ${driver.element.id}`)
        .sort()
        .join(' '),
      remedies: () => byBuiltInFirst(graph, drivers).flatMap((driver) => pullSupply(graph, driver)),
    },
  ];
}

/** False for a regulator that nothing feeds and no computer can: it drives nothing. */
function canDrive(graph: Graph, { item, element }: Driver): boolean {
  if (element.is !== 'regulator') return true;
  const input = circuitNode(graph, item, element.in);
  if (input !== undefined && voltsAt(graph, input) !== undefined) return true;
  return graph.items[item]?.part?.ports.some(({ pins }) => pins.some(({ role }) => role === 'usb')) === true;
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
  for (const { joins } of runsOf(graph)) {
    for (const join of joins) {
      const atA = join.a.itemIx === driver.item;
      const own = atA ? join.a : join.b;
      if (own.itemIx !== driver.item || !isSupply(own.pin.role) || groupOf(graph.nets, own.node) !== net) continue;
      carriers.push({ join, atA });
    }
  }
  const [carrier] = carriers;
  if (carrier === undefined || carriers.length !== 1) return undefined;
  const { join, atA } = carrier;
  const [contact, far] = atA ? [join.contactB, join.b] : [join.contactA, join.a];
  const edit = takeOut(join, atA ? 'b' : 'a');
  if (edit === undefined || contact === undefined) return undefined;
  const ref = graph.items[driver.item]?.item.ref ?? '?';
  const sentence = `Pull contact ${contact.n} (supply) of ${contact.cable.tag} at ${far.ref} ${far.port.label}, so that ${ref} no longer feeds the rail. Insulate the loose contact.`;
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
