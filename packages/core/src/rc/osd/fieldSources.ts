import { counterpartsOf } from '../../graph/counterparts.ts';
import type { Graph } from '../../graph/graph.ts';
import { chainsOf } from '../../links/chains/chainsOf.ts';
import type { LinkKindId } from '../../model/linkIds.ts';
import type { OsdField } from '../../model/osdFields.ts';
import { isStick } from '../../model/rcUses.ts';
import { listed } from '../../text/lists.ts';
import { withArticle } from '../../text/sentences.ts';
import { channelPlanOf } from '../channelPlan.ts';
import { rcChannelsOf } from '../channelsOf.ts';
import { rcOutOf } from '../rcFeeds.ts';

/** Where the figure of a field comes from. */
export interface FieldSource {
  /** What gives it, or what is missing, in words. */
  readonly words: string;
  readonly isThere: boolean;
}

/** What a field rests on; the first that is there gives it. */
type Need =
  | { readonly is: 'firmware' }
  | { readonly is: 'link'; readonly kind: LinkKindId; readonly words: string }
  | { readonly is: 'board-sensor'; readonly sensor: string }
  | { readonly is: 'battery'; readonly what: 'voltage' | 'current' }
  | { readonly is: 'report'; readonly what: 'strength' | 'quality' }
  | { readonly is: 'channel'; readonly use: 'throttle' };

const FIRMWARE: Need = { is: 'firmware' };
const POSITION: Need = { is: 'link', kind: 'position', words: 'a GNSS receiver' };
const needs: Readonly<Record<OsdField, readonly Need[]>> = {
  'pack-volts': [{ is: 'battery', what: 'voltage' }],
  'pack-amps': [{ is: 'battery', what: 'current' }],
  'used-mah': [{ is: 'battery', what: 'current' }],
  timer: [FIRMWARE],
  mode: [FIRMWARE],
  armed: [FIRMWARE],
  'link-quality': [{ is: 'report', what: 'quality' }],
  'link-strength': [{ is: 'report', what: 'strength' }],
  satellites: [POSITION],
  'home-distance': [POSITION],
  'home-arrow': [POSITION],
  'ground-speed': [POSITION],
  airspeed: [{ is: 'link', kind: 'airspeed', words: 'an airspeed sensor' }],
  height: [{ is: 'board-sensor', sensor: 'barometer' }, POSITION],
  climb: [{ is: 'board-sensor', sensor: 'barometer' }, POSITION],
  horizon: [{ is: 'board-sensor', sensor: 'IMU' }],
  heading: [{ is: 'board-sensor', sensor: 'compass' }, { is: 'link', kind: 'heading', words: 'a compass' }, POSITION],
  'height-above-ground': [{ is: 'link', kind: 'height', words: 'a rangefinder' }],
  throttle: [{ is: 'channel', use: 'throttle' }],
  'aircraft-name': [FIRMWARE],
};

/** What gives the controller the figure of a field: what is wired and gets through, not what merely lies in the aircraft. */
export function fieldSource(graph: Graph, field: OsdField): FieldSource {
  const found = needs[field].map((need) => sourceOf(graph, need));
  return (
    found.find(({ isThere }) => isThere) ?? {
      isThere: false,
      words: `needs ${listed([...new Set(found.map(({ words }) => words))], 'or')}`,
    }
  );
}

function sourceOf(graph: Graph, need: Need): FieldSource {
  const there = (words: string): FieldSource => ({ isThere: true, words });
  const missing = (words: string): FieldSource => ({ isThere: false, words });
  const boards = graph.items.filter(({ part, item }) => part?.kind === 'controller' && item.where === 'aircraft');
  switch (need.is) {
    case 'firmware': {
      const [board] = boards;
      return board === undefined ? missing('a controller') : there(`${board.item.ref} itself`);
    }
    case 'board-sensor': {
      const board = boards.find(({ part }) => part?.board?.sensors.some((sensor) => sensor.endsWith(need.sensor)) === true);
      return board === undefined ? missing(withArticle(need.sensor)) : there(`${need.sensor} of ${board.item.ref}`);
    }
    case 'link': {
      const from = linkFrom(graph, need.kind);
      return from === undefined ? missing(need.words) : there(from);
    }
    case 'battery': {
      const from = batterySource(graph, need.what);
      return from === undefined ? missing(`a sensor of battery ${need.what}`) : there(from);
    }
    case 'report': {
      const from = reportSource(graph, need.what);
      return from === undefined ? missing(`a receiver that reports its link ${need.what}`) : there(from);
    }
    case 'channel': {
      const planned = rcChannelsOf(graph.design).some(([, { use }]) => isStick(use) && use === need.use);
      return planned ? there('its channel') : missing('a channel for the throttle');
    }
  }
}

/** The item at which a link of a kind begins that gets through to the controller. */
function linkFrom(graph: Graph, kind: LinkKindId): string | undefined {
  const chain = chainsOf(graph).find((one) => one.kind.id === kind && (one.state.is === 'agrees' || one.state.is === 'open'));
  return chain === undefined ? undefined : graph.items[chain.item]?.item.ref;
}

/** What measures the pack for a controller: itself, an input that something is wired to, or a monitor on a bus. */
function batterySource(graph: Graph, what: 'voltage' | 'current'): string | undefined {
  const purpose = `battery ${what}`;
  for (const [ix, { item, part }] of graph.items.entries()) {
    if (part?.kind !== 'controller' || item.where !== 'aircraft') continue;
    if (part.board?.sensors.includes(purpose) === true) return `${item.ref} itself`;
    for (const endpoint of part.endpoints) {
      if (endpoint.is !== 'analog-sense' || endpoint.purpose !== purpose) continue;
      const [from] = counterpartsOf(graph, ix, endpoint).filter((other) => other.endpoint.is === 'analog-out');
      if (from !== undefined) return graph.items[from.item]?.item.ref;
    }
  }
  // A monitor on a bus tells both.
  const chain = chainsOf(graph).find(
    ({ kind, state, hops }) =>
      kind.id === 'battery' &&
      (state.is === 'agrees' || state.is === 'open') &&
      hops.some(({ medium }) => medium === 'i2c' || medium === 'can'),
  );
  return chain === undefined ? undefined : graph.items[chain.item]?.item.ref;
}

function reportSource(graph: Graph, what: 'strength' | 'quality'): string | undefined {
  const { feeds, rows } = channelPlanOf(graph);
  for (const { source } of feeds) {
    for (const report of rcOutOf(source)?.tells ?? []) {
      if (report.what !== what) continue;
      const { ref } = source.entry.item;
      if (report.is === 'frames') return ref;
      if (
        report.is === 'channel' &&
        report.channel > 0 &&
        rows.some(({ no, of }) => of === report.channel && no === String(report.channel))
      )
        return `${ref} on channel ${report.channel}`;
      const endpoint = report.is === 'output' ? source.entry.part?.endpoints.find(({ id }) => id === report.endpoint) : undefined;
      if (endpoint !== undefined && counterpartsOf(graph, source.item, endpoint).some((other) => other.endpoint.is === 'analog-sense'))
        return `${ref} at its output`;
    }
  }
  return undefined;
}
