import { dialectOf } from '../../dialects/dialectOf.ts';
import { boardOf } from '../../dialects/boardOf.ts';
import type { SimpleEdit } from '../../edits/registry.ts';
import { configurable, plannedTarget } from '../../firmware/scope.ts';
import type { Graph, GraphItem } from '../../graph/graph.ts';
import type { FirmwareFacts } from '../../model/firmwarePlan.ts';
import type { Check, Saying } from '../finding.ts';

/** A board target or a version that is otherwise than planned, or a board that the dialect does not know. */
export const target: Check = {
  id: 'firmware.target',
  stage: 'firmware',
  title: 'Target or version not as planned',
  run: ({ graph }) =>
    configurable(graph).flatMap((entry) => [...unknownBoard(graph, entry), ...otherBoard(graph, entry), ...otherRead(graph, entry)]),
};

function unknownBoard(graph: Graph, { item, part }: GraphItem): Saying[] {
  const dialect = dialectOf(graph.design);
  const own = part?.board?.target;
  if (dialect === undefined || part === undefined || own === undefined || boardOf(dialect, part) !== undefined) return [];
  return [
    {
      severity: 'mend',
      where: [{ is: 'item', item: item.id }],
      what: `${dialect.name} does not know the board of ${item.ref}.`,
      evidence: [{ label: 'board target', value: own, limit: `${Object.keys(dialect.boards).length} boards that it knows` }],
      why: "The firmware's numbers for its ports and outputs are unknown, so no line can name them.",
      discriminator: 'unknown',
    },
  ];
}

function otherBoard(graph: Graph, entry: GraphItem): Saying[] {
  const { item, part } = entry;
  const planned = plannedTarget(graph, entry);
  const own = part?.board?.target;
  if (planned === undefined || own === undefined || planned === own) return [];
  return [
    {
      severity: 'mend',
      where: [{ is: 'item', item: item.id }],
      what: `${item.ref} is board target ${own}, and ${planned} is planned.`,
      evidence: [{ label: 'planned target', value: planned, limit: own }],
      why: 'Firmware for another board does not start, or uses other pins for its ports and outputs.',
      discriminator: 'board',
      remedies: () => [{ label: `Plan ${own}`, sentence: `Plan the target of the board, ${own}.`, edit: setFacts(graph, 'target', {}) }],
    },
  ];
}

function otherRead(graph: Graph, entry: GraphItem): Saying[] {
  const { item } = entry;
  const { facts, read } = graph.design.aircraft.firmware;
  const found = read[item.id];
  const planned = plannedTarget(graph, entry);
  if (found === undefined) return [];
  const { version } = found;
  return [
    ...(found.target === undefined || planned === undefined || found.target === planned
      ? []
      : [
          {
            severity: 'mend' as const,
            where: [{ is: 'item' as const, item: item.id }],
            what: `${item.ref} has firmware of target ${found.target}, and ${planned} is planned.`,
            evidence: [{ label: 'target as read', value: found.target, limit: planned }],
            why: 'Firmware for another board uses other pins for its ports and outputs. Load the planned one, with the propellers off.',
            discriminator: 'target read',
          },
        ]),
    ...(version === undefined || facts.version === undefined || version === facts.version
      ? []
      : [
          {
            severity: 'mend' as const,
            where: [{ is: 'item' as const, item: item.id }],
            what: `${item.ref} has firmware version ${version}, and ${facts.version} is planned.`,
            evidence: [{ label: 'version as read', value: version, limit: facts.version }],
            why: 'Names, codes and defaults may be different in that version.',
            discriminator: 'version read',
            remedies: () => [
              {
                label: `Plan version ${version}`.slice(0, 40),
                sentence: `Plan the version that was read, ${version}.`,
                edit: setFacts(graph, 'version', { version }),
              },
            ],
          },
        ]),
  ];
}

function setFacts(graph: Graph, name: keyof FirmwareFacts, value: FirmwareFacts): SimpleEdit {
  const { facts } = graph.design.aircraft.firmware;
  return { kind: 'set-firmware-facts', value, was: facts[name] === undefined ? {} : { [name]: facts[name] } };
}
