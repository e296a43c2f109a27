import { grouped } from '../../text/grouped.ts';
import { programsAt, type JoinedProgram } from '../../links/programs.ts';
import { listed } from '../../text/lists.ts';
import type { Check, Remedy, Saying, Subject } from '../finding.ts';

/** Programs at one vehicle that have one id, or that all ask for streams. */
export const twoMasters: Check = {
  id: 'link.two-masters',
  stage: 'links',
  title: 'Two programs with one MAVLink id',
  run: ({ graph }) =>
    graph.items.flatMap(({ part }, item) => {
      if (part?.kind !== 'controller') return [];
      const programs = programsAt(graph, item);
      return [...sameId(programs), ...askers(programs)];
    }),
};

const nameOf = ({ entry, program }: JoinedProgram): string => `${entry.item.ref} ${program.title}`;
const subjects = (programs: readonly JoinedProgram[]): Subject[] =>
  [...new Set(programs.map(({ entry }) => entry.item.id))].map((item) => ({ is: 'item', item }));

function sameId(programs: readonly JoinedProgram[]): Saying[] {
  return [...grouped(programs, ({ system, component }) => `${system}/${component}`)].flatMap(([id, group]): Saying[] => {
    if (group.length < 2) return [];
    const commanding = group.filter(({ commands }) => commands);
    return [
      {
        severity: commanding.length > 1 ? 'mend' : 'note',
        where: subjects(group),
        what: `${listed(group.map(nameOf))} have the same system and component id, ${id}.`,
        evidence: group.map((one) => ({ label: nameOf(one), value: `${id}, ${one.commands ? 'sends commands' : 'only listens'}` })),
        why:
          commanding.length > 1
            ? 'The vehicle cannot tell them apart: replies go to both, and each overrides the other.'
            : 'Replies to the two are mixed up. As long as one of them only listens, no command is sent twice.',
        discriminator: `id ${id}`,
        remedies: () => otherSystem(programs, group.at(-1)),
      },
    ];
  });
}

/** Ids of ground programs go down from 255. */
function otherSystem(all: readonly JoinedProgram[], last: JoinedProgram | undefined): Remedy[] {
  if (last === undefined) return [];
  const taken = new Set(all.map(({ system }) => system));
  const free = Array.from({ length: 255 }, (_, i) => 255 - i).find((id) => !taken.has(id));
  return free === undefined ? [] : [set(last, 'system', free, `Give ${last.entry.item.ref} system id ${free}`)];
}

function askers(programs: readonly JoinedProgram[]): Saying[] {
  const asking = programs.filter(({ asksForStreams }) => asksForStreams);
  if (asking.length < 2) return [];
  return [
    {
      severity: 'mend',
      where: subjects(asking),
      what: `${listed(asking.map(nameOf))} all request streams from the vehicle.`,
      evidence: asking.map((one) => ({ label: nameOf(one), value: 'requests streams' })),
      why: 'Each overrides the rates of the other: the last request counts, and narrow links fill up.',
      discriminator: 'streams',
      remedies: () => asking.slice(1).map((one) => set(one, 'streams', false, `Stop ${nameOf(one)} requesting streams`)),
    },
  ];
}

function set({ entry: { item }, program }: JoinedProgram, name: string, value: number | boolean, label: string): Remedy {
  const setting = `${program.id}.${name}`;
  return {
    label,
    sentence: `${label}.`,
    edit: { kind: 'set-item-setting', item: item.id, setting, value, was: item.settings[setting] ?? null },
  };
}
