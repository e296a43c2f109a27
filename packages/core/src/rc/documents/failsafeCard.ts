import type { Graph } from '../../graph/graph.ts';
import type { Sheet } from '../../harness/documents/sheet.ts';
import { RC_CHOICES, type RcChoice } from '../../model/rcWords.ts';
import { quantity, stated } from '../../text/numbers.ts';
import { batteryReserve } from '../failsafe/batteryReserve.ts';
import { lossTimeline } from '../failsafe/lossTimeline.ts';
import { throttleMargin } from '../failsafe/throttleMargin.ts';

/** What happens when the signal, the ground link or the pack is at its end: when, who, what. */
export function failsafeCard(graph: Graph): Sheet {
  const { rc, name } = graph.design.aircraft;
  const timeline = lossTimeline(graph);
  const rows = (timeline?.lanes ?? []).flatMap(({ who, spans }) => spans.map(({ fromS, words }) => [who, quantity(fromS, 's'), words]));
  const chosen = (choice: RcChoice): string => RC_CHOICES[choice].values[rc.choices[choice] ?? ''] ?? 'not planned';
  const { thresholdUs, lowestUs } = throttleMargin(graph.design);
  const reserve = batteryReserve(graph);
  const { batteryVolts, batteryMah } = rc.figures;
  return {
    title: `Failsafe card ${name}`,
    subtitle: 'times from loss of signal',
    columns: [
      { title: 'Who', kind: 'words' },
      { title: 'From', kind: 'value' },
      { title: 'What', kind: 'words' },
    ],
    rows,
    notes: [
      `Loss of signal: ${chosen('onLoss')}. Control returns: ${chosen('back')}.`,
      `Ground link lost: ${chosen('onGroundLoss')}.`,
      `Pack low: ${chosen('onLowBattery')}.`,
      ...(thresholdUs === undefined || lowestUs === undefined
        ? []
        : [`Throttle threshold ${stated(thresholdUs, 'us')}, lowest normal throttle ${stated(Math.round(lowestUs), 'us')}.`]),
      ...(typeof reserve === 'string'
        ? []
        : [
            `Return at ${stated(batteryVolts ?? Math.round(reserve.atVolts * 10) / 10, 'V')} under load or ${stated(batteryMah ?? Math.round(reserve.atMah / 10) * 10, 'mAh')} used of ${reserve.pack}: the way home takes ${quantity(reserve.homeMinutes, 'min')} and ${quantity(reserve.homeMah, 'mAh')}.`,
          ]),
    ],
    cautions: ['Test loss of signal with the propellers off before the first flight and after every change of radio or receiver.'],
  };
}
