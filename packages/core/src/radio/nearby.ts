import type { Graph } from '../graph/graph.ts';
import { distanceMm, placedItems, type PlacedItem } from '../layout/placedItems.ts';
import { hasAntenna, placedAntennas, radioKey, type PlacedAntenna } from './antennasOf.ts';
import { freeSpaceLossDb, isolationBetween, NEAR_FIELD_DB, wavelengthMm, type Isolation } from './isolation.ts';
import { overlap } from './products.ts';

/** On its own band a receiver bears so much less than beside it, in dB. A round figure. */
const ON_ITS_BAND_DB = 30;

/** A receiver and a sender of another part on one aircraft. */
export interface Neighbours {
  readonly receiver: PlacedAntenna;
  readonly sender: PlacedAntenna;
  readonly isolation: Isolation;
  /** What arrives, and what the receiver bears, in dBm. */
  readonly arrivesDbm: number;
  readonly bearsDbm: number;
}

/** Every receiver with every sender of another part, with what arrives of it. */
export function neighboursOf(graph: Graph): readonly Neighbours[] {
  const antennas = placedAntennas(graph);
  return antennas.flatMap((receiver) =>
    antennas.flatMap((sender): Neighbours[] => {
      const { hears } = receiver.radio;
      const { sendsDbm, mhz } = sender.radio;
      if (hears === undefined || sendsDbm === undefined || sender.item.id === receiver.item.id || !hasAntenna(sender)) return [];
      const isolation = isolationBetween(sender, receiver, (mhz[0] + mhz[1]) / 2);
      const isOnBand = overlap(mhz, receiver.radio.mhz) !== undefined;
      const bearsDbm = hears.blockingDbm - (isOnBand ? ON_ITS_BAND_DB : 0);
      return [{ receiver, sender, isolation, arrivesDbm: sendsDbm - isolation.db, bearsDbm }];
    }),
  );
}

/** Every radio with every sender of another part, at that of its antennas at which the sender disturbs least: it goes on with that one. */
export function disturbancesOf(graph: Graph): readonly Neighbours[] {
  const best = new Map<string, Neighbours>();
  const excess = ({ arrivesDbm, bearsDbm }: Neighbours): number => arrivesDbm - bearsDbm;
  for (const pair of neighboursOf(graph)) {
    const key = `${radioKey(pair.receiver)} < ${pair.sender.name}`;
    const other = best.get(key);
    if (other === undefined || excess(pair) < excess(other)) best.set(key, pair);
  }
  return [...best.values()];
}

/** The radios of which more arrives than they bear, with the sender, by their names. */
export function loudPairs(graph: Graph): ReadonlySet<string> {
  const loud = disturbancesOf(graph).filter(({ arrivesDbm, bearsDbm }) => arrivesDbm > bearsDbm);
  return new Set(loud.map(pairOf));
}

/** A name for a receiver with a sender; the same for each antenna of one radio. */
export function pairOf({ receiver, sender }: Pick<Neighbours, 'receiver' | 'sender'>): string {
  const { item, name, radio } = receiver;
  return `${name === item.ref ? name : `${item.ref} ${radio.diversityOf ?? radio.id}`} < ${sender.name}`;
}

/** Something noisy beside the antenna of a satellite receiver. */
export interface NoisyNeighbour {
  readonly receiver: PlacedAntenna;
  readonly source: PlacedItem;
  readonly distanceMm: number;
  readonly arrivesDbm: number;
  readonly bearsDbm: number;
}

/** What computers and switching regulators radiate into the band of satellite receivers, antenna by antenna. */
export function noisyNeighbours(graph: Graph): readonly NoisyNeighbour[] {
  const sources = placedItems(graph).filter(({ part }) => part.noiseDbm !== undefined);
  return placedAntennas(graph)
    .filter(({ placed }) => placed.part.kind === 'gnss')
    .flatMap((receiver) =>
      sources.map((source): NoisyNeighbour => {
        const [low, high] = receiver.radio.mhz;
        const mhz = (low + high) / 2;
        const apart = distanceMm(receiver.at, source.place.at);
        const lossDb = apart < wavelengthMm(mhz) ? NEAR_FIELD_DB : freeSpaceLossDb(apart, mhz);
        return {
          receiver,
          source,
          distanceMm: apart,
          arrivesDbm: (source.part.noiseDbm ?? 0) - lossDb,
          bearsDbm: receiver.radio.hears?.sensitivityDbm ?? 0,
        };
      }),
    );
}
