import { rcFormatTitle } from '../links/rcFormats.ts';
import type { Graph } from '../graph/graph.ts';
import type { Item } from '../model/aircraft.ts';
import type { Part } from '../model/part.ts';
import { effectiveSettings } from '../model/resolvePart.ts';
import { RC_CHOICES } from '../model/rcWords.ts';
import { CHANNEL_USES } from '../model/rcUses.ts';
import { howText } from '../model/how.ts';
import { listed } from '../text/lists.ts';
import { stated } from '../text/numbers.ts';
import { channelPlanOf } from './channelPlan.ts';
import { plannedEnds, radioUsFor, travelPercent } from './channelScale.ts';
import { rcChannelsOf } from './channelsOf.ts';
import { risesForward } from './measuredVerdict.ts';

/** One thing to do in the radio, or with what belongs to it. */
export interface SetupStep {
  readonly title: string;
  readonly text: string;
  /** The id of a caution that stands at this step. */
  readonly caution?: string;
}

/** Travel of a channel, as the radio has it and as the controller shows it. */
export interface ChannelTravel {
  readonly no: string;
  readonly lowPercent: number;
  readonly highPercent: number;
  readonly lowRadioUs: number;
  readonly highRadioUs: number;
  readonly lowUs: number;
  readonly highUs: number;
}

/** The travel that each planned channel needs in the radio. */
export function channelTravels(graph: Graph): readonly ChannelTravel[] {
  const { design } = graph;
  return rcChannelsOf(design)
    .filter(([, { use }]) => CHANNEL_USES[use].sort !== 'told')
    .map(([no, channel]) => {
      const { leastUs, mostUs } = plannedEnds(design, channel);
      const [lowRadioUs, highRadioUs] = [radioUsFor(design, leastUs), radioUsFor(design, mostUs)];
      return {
        no,
        lowPercent: travelPercent(lowRadioUs),
        highPercent: travelPercent(highRadioUs),
        lowRadioUs,
        highRadioUs,
        lowUs: leastUs,
        highUs: mostUs,
      };
    });
}

/** What has to be done in the radio and with the receiver, in the order of the work, computed from the plan. */
export function radioSetup(graph: Graph): readonly SetupStep[] {
  return [...modelSteps(graph), ...channelSteps(graph), ...formatSteps(graph), ...partSteps(graph)];
}

function modelSteps({ design }: Graph): SetupStep[] {
  const { rc, name } = design.aircraft;
  const { stickMode, radioMixes = 'plain' } = rc.choices;
  return [
    {
      title: 'A separate model',
      text:
        radioMixes === 'plain'
          ? `Make a new model "${name}" of a type without mixing: one channel for each stick. The controller mixes.`
          : `The plan says that the radio mixes ${RC_CHOICES.radioMixes.values[radioMixes] ?? radioMixes}. Make the model plain where the controller mixes.`,
      caution: 'propellers-off',
    },
    ...(stickMode === undefined
      ? []
      : [
          {
            title: 'Stick mode',
            text: `Stick mode ${RC_CHOICES.stickMode.values[stickMode] ?? stickMode}. It concerns the radio alone.`,
          },
        ]),
  ];
}

function channelSteps(graph: Graph): SetupStep[] {
  const { design } = graph;
  const { switches } = design.aircraft.rc;
  const order = rcChannelsOf(design);
  if (order.length === 0) return [];
  const assigned = order.flatMap(([no, { use, from }]): string[] => {
    const title = CHANNEL_USES[use].title;
    switch (from?.is) {
      case 'switches': {
        const names = from.switches.map((id) => switches[id]?.title ?? id);
        return [
          `${no} ${title} from ${names.length > 1 ? `${listed(names)}, mixed so that the second adds steps between those of the first` : listed(names)}`,
        ];
      }
      case 'knob':
        return [`${no} ${title} from a knob`];
      case 'tracker':
        return [`${no} ${title} from the head tracker, through the trainer socket`];
      case undefined:
        return CHANNEL_USES[use].sort === 'told' ? [] : [`${no} ${title}`];
    }
  });
  const turned = order.filter(([, { reversed }]) => reversed === true).map(([no]) => no);
  const falling = order.filter(([, { use }]) => risesForward(design, use) === false).map(([no, { use }]) => `${no} (${use})`);
  return [
    { title: 'Channels', text: `${assigned.join('; ')}.` },
    {
      title: 'Directions',
      text: `Every stick channel has to rise as its stick goes right or forward${falling.length === 0 ? '' : `; channel ${listed(falling)} has to fall`}. ${turned.length === 0 ? 'So far no channel is reversed in the radio' : `Reversed in the radio so far: ${listed(turned)}`}: watch the controller's channel monitor, and reverse in the radio whatever moves the wrong way.`,
    },
    { title: 'Trims', text: 'All trims and sub-trims at zero, on every channel. Trim belongs to the linkage and to the controller.' },
    ...travelSteps(graph),
  ];
}

/** Channels with the same travel are one step. */
function travelSteps(graph: Graph): SetupStep[] {
  const bySpan = new Map<string, { readonly travel: ChannelTravel; readonly nos: string[] }>();
  for (const travel of channelTravels(graph)) {
    const key = `${travel.lowUs} ${travel.highUs}`;
    const same = bySpan.get(key);
    if (same === undefined) bySpan.set(key, { travel, nos: [travel.no] });
    else same.nos.push(travel.no);
  }
  return [...bySpan.values()].map(({ travel, nos }) => ({
    title: `Travel of channel${nos.length === 1 ? '' : 's'} ${listed(nos)}`,
    text: `${stated(Math.round(travel.lowPercent), '%')} and +${stated(Math.round(travel.highPercent), '%')}: the radio sends ${us(travel.lowRadioUs)} and ${us(travel.highRadioUs)}, and the controller reads ${us(travel.lowUs)} and ${us(travel.highUs)}.`,
  }));
}

function us(value: number): string {
  return stated(Math.round(value), 'us');
}

/** The formats in which the radio gives channels to its module, and the receiver to the controller. */
function formatSteps(graph: Graph): SetupStep[] {
  const sending = graph.items.flatMap(({ item, part }): SetupStep[] => {
    if (part?.kind !== 'stick-unit' || (part.radios ?? []).length === 0) return [];
    return part.endpoints.flatMap((endpoint) =>
      endpoint.is === 'rc-out' && isMated(graph, item)
        ? [
            {
              title: `${item.ref}: format to its module`,
              text: `${endpoint.formats.map(rcFormatTitle).join(' or ')}.${settingText(graph, item, endpoint.id)}`,
            },
          ]
        : [],
    );
  });
  const { feeds } = channelPlanOf(graph);
  const seen = new Set<string>();
  const receiving = feeds.flatMap(({ source, format }): SetupStep[] => {
    const { item } = source.entry;
    if (seen.has(item.id)) return [];
    seen.add(item.id);
    return [{ title: `${item.ref}: output format`, text: `${rcFormatTitle(format)}.${settingText(graph, item, source.signal.id)}` }];
  });
  return [...sending, ...receiving];
}

function isMated({ design }: Graph, item: Item): boolean {
  return Object.values(design.aircraft.mates).some(({ a, b }) => a.item === item.id || b.item === item.id);
}

/** How the setting is made by which an endpoint is there, where one is. */
function settingText({ design }: Graph, item: Item, endpointId: string): string {
  const raw = design.parts.get(item.part);
  const when = raw?.endpoints.find(({ id }) => id === endpointId)?.when;
  const spec = raw?.settings.find(({ id }) => id === when?.setting);
  if (raw === undefined || spec?.how === undefined) return '';
  return ` ${howText(spec.how, (port) => portLabel(raw, port))}`;
}

function portLabel(part: Part, port: string): string {
  return part.ports.find(({ id }) => id === port)?.label ?? port;
}

/** What the parts themselves say is to be done once: on the ground first, then the receivers. */
function partSteps(graph: Graph): SetupStep[] {
  const kinds = ['stick-unit', 'handheld-link', 'rc-receiver'] as const;
  return kinds.flatMap((kind) =>
    graph.items
      .filter(({ part }) => part?.kind === kind)
      .flatMap(({ item, part }) =>
        (part?.steps ?? []).map(({ title, text, caution }): SetupStep => ({
          title: `${item.ref}: ${title}`,
          text: `${text}${setTo(graph, item, title)}`,
          ...(caution === undefined ? {} : { caution }),
        })),
      ),
  );
}

/** Beside binding stands what both ends have to share. */
function setTo({ design }: Graph, item: Item, title: string): string {
  const raw = design.parts.get(item.part);
  if (raw === undefined || !/^(bind|pair|one phrase)/i.test(title)) return '';
  const values = effectiveSettings(raw, item.settings);
  const shared = [...values].filter(([id]) => /\.(phrase|number|rate|version|region)$/.test(id));
  return shared.length === 0 ? '' : ` Set: ${shared.map(([id, value]) => `${id.slice(id.indexOf('.') + 1)} ${String(value)}`).join(', ')}.`;
}
