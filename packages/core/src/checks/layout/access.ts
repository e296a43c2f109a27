import type { Graph } from '../../graph/graph.ts';
import { placedItems } from '../../layout/placedItems.ts';
import { usbPorts } from '../../layout/reachOf.ts';
import type { Check, Saying } from '../finding.ts';
import { intoOtherBay, otherAccess } from './helpers/otherBays.ts';

/** A controller whose USB port nobody reaches any more. */
export const usbAccess: Check = {
  id: 'place.usb-access',
  stage: 'layout',
  title: 'USB out of reach',
  run: ({ graph }) =>
    placedItems(graph).flatMap((entry): Saying[] => {
      const { item, part, place } = entry;
      const bay = place.bay === undefined ? undefined : graph.design.aircraft.airframe.frame?.bays[place.bay];
      const [usb] = usbPorts(part);
      if (part.kind !== 'controller' || usb === undefined || bay?.access !== 'closed') return [];
      const hasOther = graph.items.some(
        ({ item: { where }, part: other }) => where === 'aircraft' && (other?.kind === 'telemetry-radio' || other?.kind === 'companion'),
      );
      return [
        {
          severity: hasOther ? 'note' : 'mend',
          where: [{ is: 'port', item: item.id, port: usb.id }],
          what: `The ${usb.label} port of ${item.ref} is behind "${bay.title}", which is closed once glued.`,
          evidence: [{ label: 'another way to configure it', value: hasOther ? 'by its data link' : 'none' }],
          why: 'Firmware, logs and a controller that does not start need it: lead a cable out, or set everything up before it is closed.',
          remedies: () => {
            const isReached = (after: Graph): boolean =>
              !usbAccess
                .run({ graph: after })
                .some(({ where }) => where.some((subject) => subject.is === 'port' && subject.item === item.id));
            return [
              ...intoOtherBay(graph, entry, ({ access }) => access !== 'closed', isReached),
              ...(place.bay === undefined ? [] : otherAccess(graph, place.bay, 'hatch-above', 'Cut a hatch above it', isReached)),
            ];
          },
        },
      ];
    }),
};
