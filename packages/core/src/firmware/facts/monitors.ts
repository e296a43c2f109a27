import { circuitNode, groupOf, pinsOf, type Graph } from '../../graph/graph.ts';
import type { CircuitElement } from '../../model/part.ts';
import type { FirmwareScope } from '../scope.ts';
import { fact, FROM_WIRING, type FactRow, type FactSource, type Source } from './factRow.ts';
import { countedFrom, sensorsRead } from './sensors.ts';

/** What measures a pack for this controller: its own sensor, power modules, motor controllers that tell the current. */
export const monitorFacts: FactSource = {
  family: 'monitor',
  rows: (scope) =>
    monitorsOf(scope).map(({ item, reached }, i): FactRow => {
      const entry = scope.graph.items[item];
      const part = entry?.part;
      const ref = entry?.item.ref ?? '';
      const ofPart: Source = { path: ['items', entry?.item.id ?? '', 'part'], words: `data of ${ref}` };
      const pack = packBefore(scope.graph, item);
      const isAnalog = reached === 'analog' || reached === 'board';
      return {
        keys: { n: i + 1 },
        what: pack === undefined ? ref : `${ref}, which measures ${pack.ref}`,
        from: countedFrom(scope, 'battery', item),
        tags: ['used'],
        facts: {
          kind: fact(reached, ofPart, ...FROM_WIRING),
          voltsPerV: isAnalog ? fact(part?.monitor?.voltsPerV, ofPart) : undefined,
          ampsPerV: isAnalog ? fact(part?.monitor?.ampsPerV, ofPart) : undefined,
          capacityMah: fact(pack?.capacityMah, ...(pack === undefined ? [] : [pack.from]), ...FROM_WIRING),
          cells: fact(pack?.cells, ...(pack === undefined ? [] : [pack.from]), ...FROM_WIRING),
        },
      };
    }),
};

interface Monitor {
  readonly item: number;
  readonly reached: string;
}

function monitorsOf(scope: FirmwareScope): readonly Monitor[] {
  const own = sensesOf(scope.graph, scope.index).length > 0 ? [{ item: scope.index, reached: 'board' }] : [];
  return [...own, ...sensorsRead(scope, 'battery').map(({ item, reached }) => ({ item, reached }))];
}

function sensesOf({ items }: Graph, item: number): readonly Extract<CircuitElement, { is: 'sense' }>[] {
  return (items[item]?.part?.circuit ?? []).flatMap((element) => (element.is === 'sense' ? [element] : []));
}

interface Pack {
  readonly ref: string;
  readonly capacityMah: number;
  readonly cells: number;
  readonly from: Source;
}

/** The pack whose plus is on the copper at the sensor of a part; undefined where there is none, or more than one. */
function packBefore(graph: Graph, item: number): Pack | undefined {
  const packs = sensesOf(graph, item).flatMap(({ a, b }) =>
    [a, b].flatMap((address) => {
      const node = circuitNode(graph, item, address);
      if (node === undefined) return [];
      return pinsOf(graph, graph.nets, groupOf(graph.nets, node)).flatMap(({ at }): Pack[] => {
        const entry = graph.items[at.item];
        const pack = entry?.part?.circuit.find((element) => element.is === 'battery');
        if (entry === undefined || pack === undefined) return [];
        const from: Source = { path: ['items', entry.item.id, 'part'], words: `data of ${entry.item.ref}` };
        return [{ ref: entry.item.ref, capacityMah: pack.capacityMah, cells: pack.cells, from }];
      });
    }),
  );
  const refs = new Set(packs.map(({ ref }) => ref));
  return refs.size === 1 ? packs[0] : undefined;
}
