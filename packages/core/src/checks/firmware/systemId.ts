import { configurable } from '../../firmware/scope.ts';
import type { Graph, GraphItem } from '../../graph/graph.ts';
import { programsAt, type JoinedProgram } from '../../links/programs.ts';
import { effectiveSettings } from '../../model/resolvePart.ts';
import { CONTROLLER_COMPONENT, SYSTEM_ID } from '../../model/settingsOf.ts';
import type { Check, Remedy, Saying } from '../finding.ts';

/** A vehicle of a network with the id of another one, or a program with that of the vehicle's controller. */
export const systemId: Check = {
  id: 'mavlink.system-id',
  stage: 'links',
  title: 'One MAVLink id used twice',
  run: ({ graph }) => {
    const vehicles = vehiclesOf(graph);
    return [...vehicles.flatMap((vehicle) => programsWithItsId(vehicle)), ...sameVehicles(vehicles)];
  },
};

interface Vehicle {
  readonly entry: GraphItem;
  readonly id: number;
  readonly programs: readonly JoinedProgram[];
}

/** Controllers that some program is joined with. */
function vehiclesOf(graph: Graph): readonly Vehicle[] {
  return configurable(graph).flatMap((entry): Vehicle[] => {
    const index = graph.itemIx.get(entry.item.id);
    const part = graph.design.parts.get(entry.item.part);
    const id = part === undefined ? undefined : effectiveSettings(part, entry.item.settings).get(SYSTEM_ID);
    const programs = index === undefined ? [] : programsAt(graph, index);
    return typeof id !== 'number' || programs.length === 0 ? [] : [{ entry, id, programs }];
  });
}

const programName = ({ entry, program }: JoinedProgram): string => `${entry.item.ref} ${program.title}`;

function programsWithItsId({ entry, id, programs }: Vehicle): Saying[] {
  return programs
    .filter(({ system, component }) => system === id && component === CONTROLLER_COMPONENT)
    .map((joined): Saying => {
      const taken = new Set(programs.filter(({ system }) => system === id).map(({ component }) => component));
      const free = Array.from({ length: 254 }, (_, i) => i + 2).find((component) => !taken.has(component));
      const { item } = joined.entry;
      const setting = `${joined.program.id}.component`;
      return {
        severity: 'mend',
        where: [
          { is: 'item', item: entry.item.id },
          { is: 'item', item: item.id },
        ],
        what: `${programName(joined)} has the id of ${entry.item.ref} itself, ${id}/${CONTROLLER_COMPONENT}.`,
        evidence: [
          { label: `${entry.item.ref}, system and component`, value: `${id}/${CONTROLLER_COMPONENT}` },
          { label: programName(joined), value: `${joined.system}/${joined.component}` },
        ],
        why: "Messages of one are taken for the other's: commands are answered by the wrong one, or by both.",
        discriminator: joined.program.id,
        remedies: () =>
          free === undefined
            ? []
            : [
                {
                  label: `Component ${free}`,
                  sentence: `Give ${programName(joined)} component id ${free}.`,
                  edit: { kind: 'set-item-setting', item: item.id, setting, value: free, was: item.settings[setting] ?? null },
                },
              ],
      };
    });
}

/** Two vehicles that one program sees under one id. */
function sameVehicles(vehicles: readonly Vehicle[]): Saying[] {
  return vehicles.flatMap((a, i) =>
    vehicles.slice(i + 1).flatMap((b): Saying[] => {
      const shared = a.programs.find((one) => b.programs.some(({ item, program }) => item === one.item && program.id === one.program.id));
      if (a.id !== b.id || shared === undefined) return [];
      return [
        {
          severity: 'mend',
          where: [
            { is: 'item', item: a.entry.item.id },
            { is: 'item', item: b.entry.item.id },
          ],
          what: `${a.entry.item.ref} and ${b.entry.item.ref} have the same system id, ${a.id}, for ${programName(shared)}.`,
          evidence: [a, b].map(({ entry, id }) => ({ label: `${entry.item.ref}, system id`, value: String(id) })),
          why: 'The program shows the two as one vehicle that jumps back and forth, and commands reach both.',
          remedies: () => otherId(vehicles, b),
        },
      ];
    }),
  );
}

function otherId(vehicles: readonly Vehicle[], { entry: { item }, programs }: Vehicle): Remedy[] {
  const taken = new Set([...vehicles.map(({ id }) => id), ...programs.map(({ system }) => system)]);
  const free = Array.from({ length: 250 }, (_, i) => i + 1).find((id) => !taken.has(id));
  if (free === undefined) return [];
  return [
    {
      label: `System id ${free}`,
      sentence: `Give ${item.ref} system id ${free}.`,
      edit: { kind: 'set-item-setting', item: item.id, setting: SYSTEM_ID, value: free, was: item.settings[SYSTEM_ID] ?? null },
    },
  ];
}
