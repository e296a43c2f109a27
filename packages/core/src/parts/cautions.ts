/** What stands beside a part wherever it is handled. Plain words, once. */
export const CAUTIONS: Readonly<Record<string, string>> = {
  'propellers-off': 'Remove the propellers before powering this aircraft on the bench.',
  battery:
    'Never short or pierce a lithium pack, and never charge it unattended. Connect it last, disconnect it first, and check polarity before the first connection.',
  'capacitor-polarity':
    'A capacitor connected in reverse can burst: check the stripe against ground, and wear eye protection at the first power-up.',
  'antenna-before-power': 'Fit the antenna before powering the radio; without it the transmitter can be destroyed.',
  'radio-rules': 'Bands and power are limited by local radio rules; follow them and your licence.',
};
