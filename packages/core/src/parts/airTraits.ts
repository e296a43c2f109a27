import type { AirTraits } from '../model/radio.ts';

/** What radios of the catalogue speak, one entry a family: two of a family that are set alike hear one another. */

const byNumber = (label: string, min: number, max: number, delivered: number): NonNullable<AirTraits['knows']> => ({
  is: 'number',
  label,
  min,
  max,
  delivered,
});
const pairing = { is: 'pairing' } as const;
const phrase = { is: 'phrase' } as const;

/** Telemetry pairs that hop together. Half of the air is turning round and listening. */
export const hoppingData: AirTraits = {
  protocol: 'hopping data',
  versions: [2, 1],
  rates: { unit: 'kbit/s', choices: [64, 32, 128, 250] },
  usableShare: 0.45,
  knows: byNumber('network number', 0, 499, 25),
};

/** The same in a band whose rules differ from place to place. */
export const hoppingDataByRegion: AirTraits = { ...hoppingData, regions: ['902 to 928 MHz', '915 to 928 MHz'] };

export const farData: AirTraits = {
  protocol: 'far data',
  versions: [3, 2],
  regions: ['902 to 928 MHz', '915 to 928 MHz'],
  rates: { unit: 'kbit/s', choices: [172, 57.6, 230] },
  usableShare: 0.4,
  knows: byNumber('network address', 1, 9999, 1234),
};

/** Radios that carry a network. */
export const networkData: AirTraits = {
  protocol: 'network data',
  versions: [4],
  rates: { unit: 'kbit/s', choices: [2000, 1000, 8000] },
  usableShare: 0.6,
  knows: byNumber('network id', 1, 4095, 1),
};

export const pictureNetwork: AirTraits = {
  protocol: 'picture network',
  versions: [1],
  rates: { unit: 'kbit/s', choices: [12_000, 6000] },
  usableShare: 0.6,
  knows: pairing,
};

/** A public network: whoever is in it reaches the others by way of it. */
export const cellularData: AirTraits = {
  protocol: 'cellular data',
  versions: [4],
  rates: { unit: 'kbit/s', choices: [2000] },
  usableShare: 0.5,
};

export const handheldAir: AirTraits = {
  protocol: 'handheld link',
  versions: [2, 1],
  rates: { unit: 'kbit/s', choices: [1000] },
  usableShare: 0.5,
  knows: pairing,
};

/** Channels of an RC transmitter. */
export const stickFrames: AirTraits = { protocol: 'stick frames', versions: [2, 1], regions: ['world', 'listens first'], knows: pairing };
export const fastStickFrames: AirTraits = {
  protocol: 'fast stick frames',
  versions: [3, 2],
  rates: { unit: 'Hz', choices: [150, 50, 250, 500], auxiliarySteps: [64, 128, 16, 3] },
  knows: phrase,
};
export const farStickFrames: AirTraits = {
  protocol: 'far stick frames',
  versions: [1],
  regions: ['902 to 928 MHz', '915 to 928 MHz'],
  rates: { unit: 'Hz', choices: [50, 150] },
  knows: pairing,
};

/** Whoever is tuned to its channel sees an analog picture. */
export const analogPicture: AirTraits = { protocol: 'analog picture', versions: [1], knows: byNumber('channel', 1, 40, 1) };
export const digitalPicture: AirTraits = { protocol: 'digital picture', versions: [2, 1], knows: pairing };
