import type { Graph, GraphItem } from '../../graph/graph.ts';
import { howText } from '../../model/how.ts';
import type { PartKind } from '../../model/partKinds.ts';
import { effectiveSettings } from '../../model/resolvePart.ts';
import type { Part } from '../../model/part.ts';
import type { SettingSpec, SettingValue } from '../../model/setting.ts';
import { settingsOf } from '../../model/settingsOf.ts';
import { socketWords } from '../../model/socket.ts';
import { naturalOrder } from '../../model/naturalOrder.ts';
import { asSentence } from '../../text/sentences.ts';
import { fromSetting } from '../facts/factRow.ts';
import { block, type SetupSheet, type SetupStep } from './setupSheet.ts';

const RADIOS: readonly PartKind[] = ['telemetry-radio', 'handheld-link'];

/** Where an antenna stands is built and not set. */
const BUILT = /\.(antenna|axis|station|butt|water|ground)$/;

/** What is set on each radio, at both ends of a link: the air, its serial port, its addresses, and where its bytes go over the network. */
export function radioSheets(graph: Graph): readonly SetupSheet[] {
  return graph.items.flatMap((entry): SetupSheet[] => {
    const { item, part } = entry;
    const raw = graph.design.parts.get(item.part);
    if (part === undefined || raw === undefined || !RADIOS.includes(part.kind)) return [];
    const set = statedSettings(raw, entry);
    const sockets = Object.entries(item.sockets ?? {}).sort(([, a], [, b]) => naturalOrder(socketWords(a), socketWords(b)));
    const others = otherEnds(graph, entry);
    const heard = others.length === 0 ? undefined : others.join(' ');
    return [
      {
        item: item.id,
        ref: item.ref,
        part: part.name,
        steps: [
          ...set.map(({ spec, value }): SetupStep => ({
            title: asSentence(spec.label),
            text: `${asSentence(valueText(spec, value))}.${spec.how === undefined ? '' : ` ${howText(spec.how, (port) => portLabel(raw, port))}`}`,
            from: [fromSetting(item.id, spec.id, `${spec.label} of ${item.ref}`)],
            ...(spec.id === 'antenna' ? { caution: 'Fit the antenna before powering the radio.' } : {}),
          })),
          ...sockets.map(([id, socket]): SetupStep => ({
            title: `Route of ${socket.endpoint} over the network`,
            text: `${socketWords(socket)}.`,
            from: [{ path: ['items', item.id, 'sockets', id], words: `socket of ${item.ref}` }],
          })),
        ],
        file: [
          `# ${graph.design.aircraft.name}, ${item.ref}: ${part.name}`,
          '',
          block('radio', [['received by', heard], ...set.map(({ spec, value }) => [spec.label, valueText(spec, value)] as const)]),
          ...sockets.map(([, socket], i) =>
            block(`route ${i + 1}`, [
              ['carries', socket.endpoint],
              ['as', socketWords(socket)],
            ]),
          ),
        ].join('\n'),
      },
    ];
  });
}

interface StatedSetting {
  readonly spec: SettingSpec;
  readonly value: SettingValue;
}

/** What has a value, set or as delivered. */
function statedSettings(raw: Part, { item }: GraphItem): readonly StatedSetting[] {
  const values = effectiveSettings(raw, item.settings);
  return settingsOf(raw).flatMap((spec): StatedSetting[] => {
    const value = values.get(spec.id);
    return value === undefined || BUILT.test(spec.id) ? [] : [{ spec, value }];
  });
}

function valueText(spec: SettingSpec, value: SettingValue): string {
  const label = spec.is === 'choice' ? spec.choices.find((choice) => choice.value === value)?.label : undefined;
  const unit = spec.is === 'text' || spec.unit === undefined ? '' : ` ${spec.unit}`;
  return `${label ?? String(value)}${unit}`;
}

function portLabel({ ports }: Part, port: string): string {
  return ports.find(({ id }) => id === port)?.label ?? port;
}

/** The items whose radios are meant to hear those of an item, in natural order. */
function otherEnds({ design }: Graph, { item }: GraphItem): readonly string[] {
  return Object.values(design.aircraft.bonds)
    .flatMap(({ a, b }) => (a.item === item.id ? [b.item] : b.item === item.id ? [a.item] : []))
    .flatMap((id) => design.aircraft.items[id]?.ref ?? [])
    .sort(naturalOrder);
}
