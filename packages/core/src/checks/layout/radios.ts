import { against, quantity, range, stated } from '../../text/numbers.ts';
import type { Edit } from '../../edits/registry.ts';
import type { Graph } from '../../graph/graph.ts';
import type { Spot } from '../../model/frame.ts';
import { ANTENNAS } from '../../model/radio.ts';
import { antennaOptions, pairName } from '../../radio/antennaOptions.ts';
import { placedAntennas, radioKey, radiosOf, type PlacedAntenna, type RadioAt } from '../../radio/antennasOf.ts';
import { linkBudget, marginDb } from '../../radio/linkBudget.ts';
import { linkWishes } from '../../radio/linkWishes.ts';
import { disturbancesOf, loudPairs, noisyNeighbours, pairOf, type Neighbours } from '../../radio/nearby.ts';
import { productsOf } from '../../radio/products.ts';
import type { Check, Remedy, Saying } from '../finding.ts';
import { graphAfter } from '../helpers/tryEdit.ts';
import { BESIDE_MM, besideAirframeMm } from './helpers/places.ts';

/** So much more than a receiver bears is a matter of mending; less is worth knowing: the figures are estimates. */
const CLEAR_DB = 6;
/** How antennas are tried elsewhere. */
const STEP_MM = 20;
const FURTHEST_MM = 1000;

/** A transmitter so near to a satellite antenna that it drowns what comes from the sky. */
export const gnssNearTransmitter: Check = {
  id: 'place.gnss-near-transmitter',
  stage: 'layout',
  title: 'Transmitter near a GNSS antenna',
  run: ({ graph }) =>
    disturbancesOf(graph)
      .filter(({ receiver }) => receiver.placed.part.kind === 'gnss')
      .flatMap((pair) => tooLoud(graph, pair, 'The receiver loses satellites, or its position drifts, whenever the transmitter is on.')),
};

/** A transmitter so near to another receiver's antenna that it goes deaf. */
export const antennaSeparation: Check = {
  id: 'place.antenna-separation',
  stage: 'layout',
  title: 'Antennas too close',
  run: ({ graph }) =>
    disturbancesOf(graph)
      .filter(({ receiver }) => receiver.placed.part.kind !== 'gnss')
      .flatMap((pair) =>
        tooLoud(graph, pair, 'Its range is shorter whenever the other transmits: a range check on the ground with both on shows it.'),
      ),
};

function tooLoud(graph: Graph, pair: Neighbours, why: string): Saying[] {
  const { receiver, sender, isolation, arrivesDbm, bearsDbm } = pair;
  const excessDb = arrivesDbm - bearsDbm;
  if (excessDb <= 0) return [];
  return [
    {
      severity: excessDb > CLEAR_DB ? 'mend' : 'note',
      where: [
        { is: 'item', item: receiver.item.id },
        { is: 'item', item: sender.item.id },
      ],
      what: `${sender.name} arrives at ${receiver.name} ${quantity(excessDb, 'dB')} above its limit: their antennas are ${quantity(isolation.distanceMm, 'mm')} apart.`,
      evidence: [
        { label: `${sender.name} transmits`, value: quantity(sender.radio.sendsDbm ?? 0, 'dBm') },
        {
          label: isolation.isNear ? 'isolation, as for one wavelength or less' : 'isolation, estimated',
          value: quantity(isolation.db, 'dB'),
        },
        { label: `signal at ${receiver.name}`, ...against(arrivesDbm, bearsDbm, 'dBm') },
      ],
      why,
      discriminator: `${receiver.radio.id} ${sender.radio.id}`,
      remedies: () => antennaElsewhere(graph, sender, (after) => !loudPairs(after).has(pairOf(pair))),
    },
  ];
}

/** A computer or a switching regulator beside a satellite antenna. */
export const gnssNearEmitter: Check = {
  id: 'place.gnss-near-emitter',
  stage: 'layout',
  title: 'Electronics near a GNSS antenna',
  run: ({ graph }) =>
    noisyNeighbours(graph).flatMap(({ receiver, source, distanceMm, arrivesDbm, bearsDbm }): Saying[] => {
      const excessDb = arrivesDbm - bearsDbm;
      if (excessDb <= 0) return [];
      return [
        {
          severity: excessDb > CLEAR_DB ? 'mend' : 'note',
          where: [
            { is: 'item', item: receiver.item.id },
            { is: 'item', item: source.item.id },
          ],
          what: `${source.item.ref} is ${quantity(distanceMm, 'mm')} from the antenna of ${receiver.name} and radiates in its band.`,
          evidence: [
            { label: `${source.item.ref} radiates, estimated`, value: quantity(source.part.noiseDbm ?? 0, 'dBm') },
            { label: `signal at ${receiver.name}`, ...against(arrivesDbm, bearsDbm, 'dBm') },
          ],
          why: 'The receiver sees fewer satellites with it running. Compare on the bench; distance, or a shield between the two, helps.',
          discriminator: receiver.radio.id,
          remedies: () =>
            antennaElsewhere(graph, receiver, (after) =>
              noisyNeighbours(after).every((other) => other.receiver.name !== receiver.name || other.arrivesDbm <= other.bearsDbm),
            ),
        },
      ];
    }),
};

const WAYS: readonly { readonly axis: 0 | 1 | 2; readonly setting: string; readonly sign: 1 | -1; readonly name: string }[] = [
  { axis: 1, setting: 'butt', sign: 1, name: 'to the right' },
  { axis: 1, setting: 'butt', sign: -1, name: 'to the left' },
  { axis: 0, setting: 'station', sign: 1, name: 'aft' },
  { axis: 0, setting: 'station', sign: -1, name: 'forward' },
];

/** The shortest way that an antenna can be moved on its lead, within the airframe, so that it is well and no other pair gets too loud. */
function antennaElsewhere(graph: Graph, antenna: PlacedAntenna, isWell: (after: Graph) => boolean): readonly Remedy[] {
  const before = loudPairs(graph);
  for (let mm = STEP_MM; mm <= FURTHEST_MM; mm += STEP_MM) {
    for (const { axis, setting, sign, name } of WAYS) {
      const [station, butt, water] = antenna.at;
      const to: Spot = axis === 0 ? [station + sign * mm, butt, water] : [station, butt + sign * mm, water];
      if (besideAirframeMm(graph, to) > BESIDE_MM) continue;
      const id = `${antenna.radio.id}.${setting}`;
      const was = antenna.item.settings[id] ?? null;
      const edit: Edit = {
        kind: 'set-item-setting',
        item: antenna.item.id,
        setting: id,
        value: (typeof was === 'number' ? was : 0) + sign * mm,
        was,
      };
      const after = graphAfter(graph, edit);
      if (after === undefined || !isWell(after) || [...loudPairs(after)].some((pair) => !before.has(pair))) continue;
      return [
        {
          label: `Move its antenna ${stated(mm, 'mm')}`,
          sentence: `Move the antenna of ${antenna.name} ${stated(mm, 'mm')} ${name}, away from ${antenna.item.ref}.`,
          edit,
        },
      ];
    }
  }
  return [];
}

/** What transmitters make on the frequency of another receiver. */
export const rfProduct: Check = {
  id: 'place.rf-product',
  stage: 'layout',
  title: 'Transmitter interferes with a receiver',
  leftToPeople: 'another frequency is for a person to choose',
  run: ({ graph }) =>
    productsOf(placedAntennas(graph)).map(({ is, senders, receiver, name, mhz, levelDbm, limitDbm }): Saying => ({
      severity: is === 'harmonic' ? 'mend' : 'note',
      where: [receiver, ...senders].map(({ item }) => ({ is: 'item', item: item.id })),
      what: `${name} falls on ${range(mhz[0], mhz[1], 'MHz')}, where ${receiver.name} receives.`,
      evidence: [{ label: `${name} at ${receiver.name}, estimated`, ...against(levelDbm, limitDbm, 'dBm') }],
      why:
        is === 'harmonic'
          ? 'Use a filtered transmitter, another band, or more distance, and watch the receiver in a test before you fly.'
          : 'Interference is possible when both transmit at once. Test it on the ground.',
      discriminator: name,
    })),
};

/** Link margin too small as far as the mission goes. */
export const linkRange: Check = {
  id: 'place.range',
  stage: 'layout',
  title: 'Link margin too small',
  run: ({ graph }) => {
    const numbers = graph.design.aircraft.airframe.frame?.numbers;
    const distanceM = (numbers?.missionKm ?? 0) * 1000;
    return distanceM === 0 ? [] : bestAntennas(graph, distanceM).flatMap((radio) => tooFar(graph, radio, distanceM));
  },
};

/** One antenna of every radio: that which reaches furthest. */
function bestAntennas(graph: Graph, distanceM: number): readonly RadioAt[] {
  const { heights } = linkWishes(graph);
  const spareDb = (radio: RadioAt): number => {
    const budget = linkBudget(radio);
    return budget === undefined ? -Infinity : marginDb(budget, distanceM, heights);
  };
  const best = new Map<string, RadioAt>();
  for (const radio of radiosOf(graph)) {
    const other = best.get(radioKey(radio));
    if (other === undefined || spareDb(radio) > spareDb(other)) best.set(radioKey(radio), radio);
  }
  return [...best.values()];
}

function tooFar(graph: Graph, radio: RadioAt, distanceM: number): Saying[] {
  const { heights, wantedDb } = linkWishes(graph);
  const budget = linkBudget(radio);
  if (budget === undefined) return [];
  const spareDb = marginDb(budget, distanceM, heights);
  if (spareDb >= wantedDb) return [];
  const spare = against(spareDb, wantedDb, 'dB');
  return [
    {
      severity: 'mend',
      where: [{ is: 'item', item: radio.item.id }],
      what: `The link of ${radio.name} has ${spare.value} of margin at ${quantity(distanceM / 1000, 'km')}; ${spare.limit} are required.`,
      evidence: [
        {
          label: `${radio.name}, ${pairName({ air: radio.antenna, ground: radio.groundAntenna })}`,
          ...spare,
        },
        {
          label: 'maximum path loss',
          value: `${quantity(budget.lossDb, 'dB')} ${budget.weaker.is === 'down' ? 'downlink' : 'uplink'}`,
        },
      ],
      why: 'Trees, banking and other transmitters cost margin: the link breaks before the aircraft gets there.',
      discriminator: radio.radio.id,
      remedies: () => otherAntennas(graph, radio, distanceM),
    },
  ];
}

/** Other antennas on the ground that reach, the smallest first; the one in the air stays as it is. */
function otherAntennas(graph: Graph, radio: RadioAt, distanceM: number): readonly Remedy[] {
  const { heights, wantedDb } = linkWishes(graph);
  return antennaOptions(radio, heights, wantedDb)
    .filter(({ air, reachM }) => air === radio.antenna && reachM >= distanceM)
    .slice(-2)
    .reverse()
    .map(({ ground }) => ({
      label: `On the ground: ${ANTENNAS[ground].title}`,
      sentence: `Use ${ANTENNAS[ground].title} on the ground for ${radio.name}, held upright${ANTENNAS[ground].pattern === 'beam' ? ' and pointed at the aircraft' : ''}.`,
      edit: {
        kind: 'set-item-setting' as const,
        item: radio.item.id,
        setting: `${radio.radio.id}.ground`,
        value: ground,
        was: radio.item.settings[`${radio.radio.id}.ground`] ?? null,
      },
    }));
}
