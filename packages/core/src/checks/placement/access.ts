import { placedItems } from '../../layout/placedItems.ts';
import { numberOr, type Bay } from '../../model/frame.ts';
import { baselinesOf, SIGMA_MM, type Baseline } from '../../radio/baselines.ts';
import type { Graph } from '../../graph/graph.ts';
import { voltsAcross, type ScenarioResult } from '../../power/scenarios/solveScenario.ts';
import type { SimpleEdit } from '../../edits/registry.ts';
import type { Check, Remedy, Saying } from '../finding.ts';
import { BESIDE_MM, besideAirframeMm } from './places.ts';
import { situation } from '../power/situations.ts';

/** A controller whose USB port nobody reaches any more. */
export const usbAccess: Check = {
  id: 'place.usb-access',
  stage: 'layout',
  title: 'USB out of reach',
  run: ({ graph }) =>
    placedItems(graph).flatMap(({ item, part, place }): Saying[] => {
      const bay = bayOf(graph, place.bay);
      const usb = part.ports.find((port) => port.pins.some(({ role }) => role === 'usb'));
      if (part.kind !== 'controller' || usb === undefined || bay?.access !== 'closed') return [];
      const hasOther = graph.items.some(({ part: other }) => other?.kind === 'telemetry-radio' || other?.kind === 'companion');
      return [
        {
          severity: hasOther ? 'note' : 'mend',
          where: [{ is: 'port', item: item.id, port: usb.id }],
          what: `The ${usb.label} port of ${item.ref} is behind "${bay.title}", which is closed once glued.`,
          evidence: [{ label: 'another way to configure it', value: hasOther ? 'by its data link' : 'none' }],
          why: 'Firmware, logs and a controller that does not start need it: lead a cable out, or set everything up before it is closed.',
        },
      ];
    }),
};

function bayOf(graph: Graph, id: string | undefined): Bay | undefined {
  return Object.entries(graph.design.aircraft.airframe.frame?.bays ?? {}).find(([own]) => own === id)?.[1];
}

/** More than this in a bay without air makes it hot. */
const CLOSED_W = 5;

/** Heat in a bay that no air gets into. */
export const cooling: Check = {
  id: 'place.cooling',
  stage: 'layout',
  title: 'Heat in a closed bay',
  run: ({ graph }) => {
    const bays = Object.entries(graph.design.aircraft.airframe.frame?.bays ?? {}).filter(([, { access }]) => access === 'closed');
    const cruise = bays.length === 0 ? undefined : situation(graph, 'cruise');
    return cruise === undefined ? [] : bays.flatMap(([id, bay]) => hot(graph, cruise, id, bay));
  },
};

function hot(graph: Graph, cruise: ScenarioResult, id: string, bay: Bay): Saying[] {
  const inside = placedItems(graph)
    .filter(({ place }) => place.bay === id)
    .map(({ item, index }) => ({ item, watts: heatOf(cruise, index) }))
    .filter(({ watts }) => watts > 0.05)
    .sort((a, b) => b.watts - a.watts);
  const total = inside.reduce((sum, { watts }) => sum + watts, 0);
  if (total <= CLOSED_W) return [];
  return [
    {
      severity: 'note',
      where: inside.slice(0, 8).map(({ item }) => ({ is: 'item', item: item.id })),
      what: `${inside
        .slice(0, 3)
        .map(({ item }) => item.ref)
        .join(', ')} turn ${total.toFixed(1)} W into heat in cruise, in "${bay.title}", where no air gets in.`,
      evidence: inside.slice(0, 4).map(({ item, watts }) => ({ label: item.ref, value: `${watts.toFixed(1)} W` })),
      why: 'Give the air a way in and a way out, or put the hottest elsewhere.',
      discriminator: id,
    },
  ];
}

/** What an item turns into heat: all that its loads take, and what its regulators lose. Motors and servos give theirs to the air. */
function heatOf({ network, before }: ScenarioResult, item: number): number {
  let watts = 0;
  network.devices.forEach(({ device }, i) => {
    if (device.is !== 'element' || device.item !== item) return;
    const { element } = device;
    const amps = Math.abs(before.amps[i] ?? 0);
    if (element.is === 'load' && element.stallA === undefined) watts += Math.abs(voltsAcross(network, before, i)) * amps;
    if (element.is !== 'regulator') return;
    const nodes = network.shape.devices[i]?.nodes ?? [];
    const outV = Math.abs((before.volts[nodes[1] ?? 0] ?? 0) - (before.volts[nodes[2] ?? 0] ?? 0));
    watts +=
      element.topology === 'linear'
        ? Math.abs(voltsAcross(network, before, i)) * amps
        : outV * amps * (1 / Math.max(element.efficiency, 0.1) - 1);
  });
  return watts;
}

/** Two antennas that stand too near to each other for the heading that is wanted. */
export const headingBaseline: Check = {
  id: 'place.heading-baseline',
  stage: 'layout',
  title: 'Baseline too short',
  run: ({ graph }) => {
    const wantedDeg = numberOr(graph.design.aircraft.airframe.frame?.numbers, 'headingErrorDeg') ?? 1;
    return baselinesOf(graph).flatMap((baseline): Saying[] => {
      const { item, ref, lengthMm, errorDeg } = baseline;
      if (errorDeg <= wantedDeg) return [];
      const wantedMm = SIGMA_MM / Math.tan((wantedDeg * Math.PI) / 180);
      return [
        {
          severity: 'mend',
          where: [{ is: 'item', item }],
          what: `The two antennas of ${ref} stand ${lengthMm.toFixed(0)} mm apart: their heading is off by ${errorDeg.toFixed(1)} degrees.`,
          evidence: [
            { label: 'baseline', value: `${lengthMm.toFixed(0)} mm`, limit: `${wantedMm.toFixed(0)} mm` },
            { label: 'heading, one sigma', value: `${errorDeg.toFixed(1)} deg`, limit: `${wantedDeg.toFixed(1)} deg` },
          ],
          why: 'The error is that of the phase over the baseline: twice as far apart is half of it.',
          remedies: () => longer(graph, baseline, wantedMm),
        },
      ];
    });
  },
};

/** The second antenna further away on the same line, where the airframe goes on there. */
function longer(graph: Graph, { second, from, lengthMm, ref }: Baseline, wantedMm: number): readonly Remedy[] {
  const along = lengthMm === 0 ? [0, 1, 0] : second.at.map((value, axis) => (value - (from[axis] ?? 0)) / lengthMm);
  const more = Math.ceil((wantedMm + 1 - lengthMm) / 10) * 10;
  const [station = 0, butt = 0, water = 0] = second.at.map((value, axis) => value + more * (along[axis] ?? 0));
  if (besideAirframeMm(graph, [station, butt, water]) > BESIDE_MM) return [];
  const edits = (['station', 'butt', 'water'] as const).flatMap((name, axis): SimpleEdit[] => {
    const setting = `${second.radio.id}.${name}`;
    const was = second.item.settings[setting] ?? null;
    const change = more * (along[axis] ?? 0);
    const value = Math.round(((typeof was === 'number' ? was : 0) + change) * 10) / 10;
    return Math.abs(change) < 0.05 ? [] : [{ kind: 'set-item-setting', item: second.item.id, setting, value, was }];
  });
  return [
    {
      label: `${more} mm further apart`,
      sentence: `Lead the second antenna of ${ref} ${more} mm further from the first, on the same line.`,
      edit: { kind: 'batch', title: `Antennas of ${ref} further apart`, edits },
    },
  ];
}
