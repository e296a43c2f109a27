import { against, quantity, stated } from '../../text/numbers.ts';
import type { Graph } from '../../graph/graph.ts';
import { impactPa, pitotsOf, speedAtPa, stepMs, type Pitot } from '../../layout/pitots.ts';
import type { FramePlan } from '../../model/frame.ts';
import type { AdoptRevision } from '../../edits/adoptPlan.ts';
import { proposeAdoption } from '../../edits/proposeAdoption.ts';
import type { Item } from '../../model/aircraft.ts';
import { partKeyOf } from '../../model/contentHash.ts';
import type { Part } from '../../model/part.ts';
import { airspeedSensors } from '../../parts/sensors.ts';
import type { Check, Remedy, Saying } from '../finding.ts';
import { inSentence, withArticle } from '../../text/sentences.ts';

type AirspeedRange = NonNullable<Part['airspeed']>;

/** The wash of a propeller is a little wider than its disc. */
const WASH = 1.1;
/** So far before the leading edge the air is nearly undisturbed, as a share of the chord. */
const BEFORE_WING = 0.15;

/** An airspeed head in the wash of a propeller, or behind the leading edge. */
export const pitotPlace: Check = {
  id: 'place.pitot',
  stage: 'layout',
  title: 'Pitot probe in disturbed air',
  run: ({ graph }) => {
    const { frame } = graph.design.aircraft.airframe;
    return frame === undefined ? [] : pitotsOf(graph).flatMap((pitot) => disturbed(frame, pitot));
  },
};

function disturbed({ numbers }: FramePlan, pitot: Pitot): Saying[] {
  const [station, butt, water] = pitot.head;
  const { propStationMm, propButtMm = 0, propDiameterMm } = numbers;
  const radius = ((propDiameterMm ?? 0) / 2) * WASH;
  const isInWash = propStationMm !== undefined && station > propStationMm && Math.hypot(Math.abs(butt) - propButtMm, water) < radius;
  const edge = edgeAt(numbers, butt);
  const isBehind = edge !== undefined && station > edge;
  if (!isInWash && !isBehind) return [];
  return [sayingOf(pitot, isInWash ? 'wash' : 'behind', edge)];
}

/** The station that an airspeed head should be ahead of: the leading edge out there, or the nose in the middle. */
function edgeAt(numbers: FramePlan['numbers'], butt: number): number | undefined {
  const { spanMm, wingStationMm, sweepMm = 0, rootChordMm, tipChordMm, bodyWidthMm = 0 } = numbers;
  if (Math.abs(butt) <= bodyWidthMm / 2) return 0;
  if (spanMm === undefined || wingStationMm === undefined || rootChordMm === undefined || tipChordMm === undefined) return undefined;
  const share = Math.min((2 * Math.abs(butt)) / spanMm, 1);
  const chord = rootChordMm + share * (tipChordMm - rootChordMm);
  return wingStationMm + share * sweepMm - BEFORE_WING * chord;
}

function sayingOf({ sensor, head }: Pitot, is: 'wash' | 'behind', edge: number | undefined): Saying {
  const { item } = sensor;
  return {
    severity: 'mend',
    where: [{ is: 'item', item: item.id }],
    what:
      is === 'wash'
        ? `The probe of ${item.ref} is in the propeller wash.`
        : `The probe of ${item.ref} is ${quantity(head[0] - (edge ?? 0), 'mm')} too far aft, where the airframe disturbs the flow.`,
    evidence: [
      {
        label: `probe of ${item.ref}, station`,
        value: quantity(head[0], 'mm'),
        ...(edge === undefined ? {} : { limit: `forward of ${quantity(edge, 'mm')}` }),
      },
    ],
    why: 'Its reading changes with throttle and angle of attack: low airspeed goes unnoticed, and the aircraft stalls.',
    remedies: () =>
      is === 'wash' || edge === undefined
        ? []
        : forward(item.id, item.ref, item.settings['pitot.station'], Math.ceil((head[0] - edge) / 10) * 10),
  };
}

function forward(item: Pitot['sensor']['item']['id'], ref: string, now: unknown, mm: number): readonly Remedy[] {
  const was = typeof now === 'number' ? now : null;
  return [
    {
      label: `Probe ${stated(mm, 'mm')} forward`,
      sentence: `Move the probe of ${ref} ${stated(mm, 'mm')} further forward on its tube.`,
      edit: { kind: 'set-item-setting', item, setting: 'pitot.station', value: (was ?? 0) - mm, was },
    },
  ];
}

/** An airspeed sensor that ends before the aircraft does. */
export const airspeedRange: Check = {
  id: 'place.airspeed-range',
  stage: 'layout',
  title: "Airspeed above the sensor's range",
  run: ({ graph }) => {
    const { neverExceedMs } = graph.design.aircraft.airframe.frame?.numbers ?? {};
    if (neverExceedMs === undefined) return [];
    return graph.items.flatMap(({ item, part }) => {
      const range = item.where === 'aircraft' ? part?.airspeed : undefined;
      return range === undefined || impactPa(neverExceedMs) <= range.fullScalePa ? [] : [beyond(graph, item, range, neverExceedMs)];
    });
  },
};

function beyond(graph: Graph, item: Item, { fullScalePa, stepPa }: AirspeedRange, neverExceedMs: number): Saying {
  const { id, ref } = item;
  const stallMs = graph.design.aircraft.airframe.frame?.numbers.stallMs;
  return {
    severity: 'mend',
    where: [{ is: 'item', item: id }],
    what: `${ref} measures up to ${quantity(speedAtPa(fullScalePa), 'm/s')}, and the aircraft may fly ${quantity(neverExceedMs, 'm/s')}.`,
    evidence: [
      { label: 'at never-exceed speed', ...against(impactPa(neverExceedMs), fullScalePa, 'Pa') },
      ...(stallMs === undefined ? [] : [{ label: 'step at stall speed', value: quantity(stepMs(stepPa, stallMs), 'm/s') }]),
    ],
    why: 'Above its range the reading no longer changes. Choose a sensor with a wider range.',
    remedies: () => widerSensor(graph, item, neverExceedMs),
  };
}

/** The sensor of the least range that is enough, with the same wires where it has them. */
function widerSensor(graph: Graph, item: Item, neverExceedMs: number): readonly Remedy[] {
  const wanted = impactPa(neverExceedMs);
  const enough = airspeedSensors
    .flatMap((part) => (part.airspeed === undefined || part.airspeed.fullScalePa < wanted ? [] : [{ part, range: part.airspeed }]))
    .sort((a, b) => a.range.fullScalePa - b.range.fullScalePa);
  for (const { part, range } of enough) {
    const edit = proposeAdoption(graph.design, item.id, partKeyOf(part));
    if (edit === undefined || !keepsItsWires(edit)) continue;
    const sentence = `Replace ${item.ref} with ${withArticle(inSentence(part.name))}, which measures up to ${quantity(speedAtPa(range.fullScalePa), 'm/s')}.`;
    return [{ label: 'Use one with a wider range', sentence, edit }];
  }
  return [];
}

/** Whether every port and pin has its like in the other part. */
function keepsItsWires({ map: { ports } }: AdoptRevision): boolean {
  return ports.every(({ to, pins }) => to !== null && pins.every((pin) => pin.to !== null));
}
