import { dialectOf } from '../../dialects/dialectOf.ts';
import { configurationOf } from '../../firmware/configuration.ts';
import type { LeftOut } from '../../firmware/text/writeLine.ts';
import { configurable, scopeOf } from '../../firmware/scope.ts';
import type { Graph, GraphItem } from '../../graph/graph.ts';
import { protocols } from '../../links/protocols.ts';
import { endName, serialEnds, type SerialEnd } from '../../links/serialHops.ts';
import { serialSetup } from '../../links/serialSetup.ts';
import type { Dialect } from '../../model/dialect.ts';
import type { FactFamilyId } from '../../model/firmwareFacts.ts';
import { listed } from '../../text/lists.ts';
import type { Check, Remedy, Saying } from '../finding.ts';
import { endSubject } from '../links/serialRemedies.ts';
import { modeSlotSayings } from './modeSlots.ts';

/** What the firmware does not take, perhaps without a word: modes, roles that do not go together, more links than it has, values without a code. */
export const dialectRefuses: Check = {
  id: 'link.dialect-refuses',
  stage: 'links',
  title: 'Not possible with this firmware',
  run: ({ graph }) => {
    const dialect = dialectOf(graph.design);
    const refused = dialect === undefined ? [] : configurable(graph).flatMap((entry) => roleSayings(graph, dialect, entry));
    return [...modeSlotSayings(graph), ...refused, ...withoutCode(graph)];
  },
};

function roleSayings(graph: Graph, dialect: Dialect, { item }: GraphItem): Saying[] {
  const ends = serialEnds(graph).filter(({ entry }) => entry.item.id === item.id);
  const withRole = (role: string): readonly SerialEnd[] =>
    ends.filter(({ entry, endpoint }) => serialSetup(entry.item, endpoint).protocol === role);
  const together = dialect.refusals.flatMap((refusal): Saying[] => {
    if (refusal.is !== 'not-together') return [];
    const [some, others] = [withRole(refusal.role), withRole(refusal.with)];
    const [first] = others;
    if (some.length === 0 || first === undefined) return [];
    return [
      {
        severity: 'mend',
        where: [...some, ...others].map(endSubject),
        what: `${listed([...some, ...others].map(endName))} are set to ${protocols[refusal.role].title} and ${protocols[refusal.with].title}, which ${dialect.name} does not allow together.`,
        evidence: [...some, ...others].map((end) => ({ label: endName(end), value: titleOf(end) })),
        why: `${refusal.sentence} The firmware may reset all its ports to their defaults, without a message.`,
        discriminator: `${refusal.role} ${refusal.with}`,
        remedies: () => [freed(first)],
      },
    ];
  });
  return [...together, ...tooMany(dialect, withRole('mavlink-2'))];
}

function titleOf({ entry, endpoint }: SerialEnd): string {
  const { protocol } = serialSetup(entry.item, endpoint);
  return protocol === undefined ? 'no protocol' : protocols[protocol].title;
}

function tooMany(dialect: Dialect, ends: readonly SerialEnd[]): Saying[] {
  const limit = dialect.limits.find(({ of }) => of === 'ground-links');
  const last = ends.at(-1);
  if (limit === undefined || last === undefined || ends.length <= limit.most) return [];
  return [
    {
      severity: 'mend',
      where: ends.map(endSubject),
      what: `${listed(ends.map(endName))} carry MAVLink: ${ends.length} ports, and ${dialect.name} allows ${limit.most}.`,
      evidence: [{ label: 'ports that carry MAVLink', value: String(ends.length), limit: String(limit.most) }],
      why: `${limit.sentence} It does not report which of them stay silent.`,
      discriminator: 'ground-links',
      remedies: () => (ends.length - limit.most === 1 ? [freed(last)] : []),
    },
  ];
}

function freed({ entry: { item }, endpoint }: SerialEnd): Remedy {
  const setting = `${endpoint.id}.protocol`;
  return {
    label: `Free ${endpoint.names.label}`,
    sentence: `Remove the protocol of ${item.ref} ${endpoint.names.label}.`,
    edit: { kind: 'set-item-setting', item: item.id, setting, value: null, was: item.settings[setting] ?? null },
  };
}

/** Families about which other checks speak: functions, the way to lie, modes. */
const SAID_ELSEWHERE: readonly FactFamilyId[] = ['output', 'mixer', 'board', 'mode-slot', 'mode-range'];

/** Facts for which the dialect has no code, so that they cannot be loaded. */
function withoutCode(graph: Graph): Saying[] {
  return configurable(graph).flatMap(({ item }): Saying[] => {
    const scope = scopeOf(graph, item.id);
    // A board that the dialect does not know has no code for anything; another check says so.
    if (typeof scope === 'string' || scope.board === undefined) return [];
    return configurationOf(scope)
      .leftOut.filter(({ family }) => !SAID_ELSEWHERE.includes(family))
      .map((left): Saying => ({
        severity: 'mend',
        where: [{ is: 'item', item: item.id }],
        what: `${item.ref}, ${left.what}: ${scope.dialect.name} has no code for ${left.words}.`,
        evidence: [{ label: left.title, value: left.words, limit: 'a code of the dialect' }],
        why: 'This line cannot be loaded: the controller keeps its present value.',
        discriminator: `${left.family} ${left.what} ${left.title}`,
        remedies: () => leftOpen(graph, left),
      }));
  });
}

/** An action that nobody wants after all. */
function leftOpen({ design }: Graph, { family, value }: LeftOut): Remedy[] {
  const choice =
    family === 'loss' ? 'onLoss' : family === 'ground-loss' ? 'onGroundLoss' : family === 'low-pack' ? 'onLowBattery' : undefined;
  if (choice === undefined || design.aircraft.rc.choices[choice] !== value) return [];
  return [
    {
      label: 'Leave the action unset',
      sentence: 'Leave the action unset until you choose one that the firmware has.',
      edit: { kind: 'set-rc-choice', choice, value: null, was: value },
    },
  ];
}
