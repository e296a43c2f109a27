/** What stands beside a part wherever it is handled. Plain words, once. */
export const CAUTIONS: Readonly<Record<string, string>> = {
  'propellers-off': 'Take the propellers off before this aircraft is powered on the bench.',
  battery:
    'Never short, pierce or leave a lithium pack alone while it charges. Connect it last, disconnect it first, and check polarity before the first connection.',
  'capacitor-polarity':
    'A capacitor that is connected the wrong way round can burst: check the stripe against ground, and wear eye protection at the first power-up.',
  'antenna-before-power': 'Fit the antenna before the radio is powered; without it the transmitter can be destroyed.',
  'radio-rules': 'Bands and power are limited by local radio rules; follow them and your licence.',
};
