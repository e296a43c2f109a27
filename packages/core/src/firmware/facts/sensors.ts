import type { GraphItem } from '../../graph/graph.ts';
import { mountingOf } from '../../layout/mountingTurns.ts';
import { chainsOf, type Chain } from '../../links/chains/chainsOf.ts';
import { LINK_KINDS } from '../../links/chains/linkKinds.ts';
import type { HopEnd, Medium } from '../../links/chains/hop.ts';
import type { FactFamilyId } from '../../model/firmwareFacts.ts';
import type { LinkKindId } from '../../model/linkIds.ts';
import { linkKey } from '../../model/linkWords.ts';
import { COMPASS_TURN, isMounting } from '../../model/mounting.ts';
import { settingsOf, settingTakes } from '../../model/settingsOf.ts';
import type { FirmwareScope } from '../scope.ts';
import { fact, fromSetting, FROM_WIRING, type Fact, type FactRow, type FactSource, type Source } from './factRow.ts';

/** How a sensor is reached, by what carries its last hop. */
const REACHED: Readonly<Partial<Record<Medium, string>>> = { serial: 'serial', i2c: 'i2c', can: 'can', analog: 'analog', rc: 'pulse' };

/** A sensor that this controller reads, in the order in which firmware counts them. */
export interface ReadSensor {
  readonly n: number;
  readonly item: number;
  readonly entry: GraphItem;
  readonly chain: Chain;
  /** The end of its last hop at the controller. */
  readonly at: HopEnd;
  readonly reached: string;
}

/** The sensors whose link of a kind ends at this controller, in natural order of the items. */
export function sensorsRead({ graph, index }: FirmwareScope, kind: LinkKindId): readonly ReadSensor[] {
  const found = chainsOf(graph).flatMap((chain): Omit<ReadSensor, 'n'>[] => {
    const entry = graph.items[chain.item];
    if (chain.kind.id !== kind || chain.wish !== undefined || entry === undefined) return [];
    const at = chain.hops.flatMap(({ a, b }) => [a, b]).find((end) => end?.item === index);
    const medium = chain.hops.find(({ a, b }) => a.item === index || b?.item === index)?.medium;
    const reached = medium === undefined ? undefined : REACHED[medium];
    return at === undefined || reached === undefined ? [] : [{ item: chain.item, entry, chain, at, reached }];
  });
  return found.map((one, i) => ({ n: i + 1, ...one }));
}

/**
 * What makes a sensor the n-th: that it and those before it are in the aircraft, wired, and wanted. So does one before it that could be read
 * and is not, such as one on the ground: with it all numbers would be higher.
 */
export function countedFrom({ graph }: FirmwareScope, kind: LinkKindId, last: number): readonly Source[] {
  const starts = LINK_KINDS.find(({ id }) => id === kind)?.starts;
  return [
    ...graph.items.slice(0, last + 1).flatMap(({ item, part }): readonly Source[] =>
      part === undefined || starts === undefined || starts(part).length === 0
        ? []
        : [
            { path: ['items', item.id, 'where'], words: `${item.ref} in the aircraft` },
            { path: ['items', item.id, 'part'], words: item.ref },
            { path: ['items', item.id, 'ref'], words: `${item.ref} in reference order` },
            { path: ['links', linkKey(kind, item.id), 'off'], words: `the link of ${item.ref}` },
          ],
    ),
    ...FROM_WIRING,
  ];
}

/** Where an item is as seen from the controller, forward, right and down, in mm; nothing as long as one of them is placed nowhere. */
function spotFacts({ entry: board }: FirmwareScope, { item }: GraphItem): Readonly<Record<string, Fact | undefined>> {
  const [there, here] = [item.place?.at, board.item.place?.at];
  if (there === undefined || here === undefined) return {};
  const from: readonly Source[] = [
    { path: ['items', item.id, 'place'], words: `position of ${item.ref}` },
    { path: ['items', board.item.id, 'place'], words: `position of ${board.item.ref}` },
  ];
  return {
    foreMm: fact(here[0] - there[0], ...from),
    rightMm: fact(there[1] - here[1], ...from),
    downMm: fact(here[2] - there[2], ...from),
  };
}

function reachedFact({ entry, reached }: ReadSensor): Fact | undefined {
  return fact(reached, { path: ['items', entry.item.id, 'part'], words: entry.item.ref }, ...FROM_WIRING);
}

/** Sensors of one kind of link, each with how it is reached and where it sits. */
function readSensors(family: FactFamilyId, kind: LinkKindId, isSpotKnown: boolean): FactSource {
  return {
    family,
    rows: (scope) =>
      sensorsRead(scope, kind).map((sensor): FactRow => ({
        keys: { n: sensor.n },
        what: sensor.entry.item.ref,
        from: countedFrom(scope, kind, sensor.item),
        tags: ['used'],
        facts: { kind: reachedFact(sensor), ...(isSpotKnown ? spotFacts(scope, sensor.entry) : {}) },
      })),
  };
}

export const gnssFacts = readSensors('gnss', 'position', true);
export const airspeedFacts = readSensors('airspeed', 'airspeed', false);
export const rangefinderFacts = readSensors('rangefinder', 'height', true);

/** Compasses with how they are set to lie; one on the board itself comes after the others. */
export const compassFacts: FactSource = {
  family: 'compass',
  rows: (scope) => {
    const sensors = sensorsRead(scope, 'heading');
    const outside = sensors.map((sensor): FactRow => {
      const { item } = sensor.entry;
      const set = item.settings[COMPASS_TURN];
      const lies = isMounting(set) ? set : item.place === undefined ? undefined : mountingOf(item.place);
      return {
        keys: { n: sensor.n },
        what: item.ref,
        from: countedFrom(scope, 'heading', sensor.item),
        tags: ['used'],
        facts: {
          kind: reachedFact(sensor),
          lies: fact(lies, fromSetting(item.id, COMPASS_TURN, `orientation setting of ${item.ref}`), {
            path: ['items', item.id, 'place'],
            words: `orientation of ${item.ref} in the layout`,
          }),
        },
      };
    });
    const { item } = scope.entry;
    if (scope.part.compass === undefined) return outside;
    const from: Source = { path: ['items', item.id, 'part'], words: `compass of ${item.ref}` };
    return [
      ...outside,
      {
        keys: { n: outside.length + 1 },
        what: `${item.ref} itself`,
        from: [from, ...countedFrom(scope, 'heading', scope.graph.items.length)],
        tags: ['used'],
        facts: { kind: fact('board', from) },
      },
    ];
  },
  take: (scope, { keys, field, value }) => {
    const item = sensorsRead(scope, 'heading').find(({ n }) => n === keys['n'])?.entry.item;
    const part = item === undefined ? undefined : scope.graph.design.parts.get(item.part);
    const spec = part === undefined ? undefined : settingsOf(part).find(({ id }) => id === COMPASS_TURN);
    if (item === undefined || field !== 'lies' || spec === undefined || !settingTakes(spec, value)) return undefined;
    return { kind: 'set-item-setting', item: item.id, setting: COMPASS_TURN, value, was: item.settings[COMPASS_TURN] ?? null };
  },
};
