/** Endings of names that are units, and how they are written. */
const UNITS: Readonly<Record<string, string>> = {
  V: 'V',
  A: 'A',
  W: 'W',
  J: 'J',
  S: 's',
  G: 'g',
  Mm: 'mm',
  Hz: 'Hz',
  Us: 'us',
  Pf: 'pF',
  Mah: 'mAh',
  Ohm: 'ohm',
  Baud: '',
  Ncm: 'N cm',
  Am2: 'A m2',
};

/** Names whose words would not say what they mean. */
const OWN_WORDS: Readonly<Record<string, string>> = {
  is: 'kind',
  id: 'name in this part',
  massG: 'mass, g',
  sizeMm: 'length, width, height, mm',
  in: 'in',
  when: 'only when',
  fromSetting: 'setting',
  speaks: 'protocols',
  as: 'role',
  ohm: 'resistance, ohm',
  volts: 'voltage, V',
  microfarad: 'capacitance, uF',
  esrOhm: 'series resistance, ohm',
  pullUpOhm: 'pull-up, ohm',
  a: 'from',
  b: 'to',
  cts: 'CTS',
  rts: 'RTS',
  tx: 'TX',
  rx: 'RX',
  sda: 'SDA',
  scl: 'SCL',
  high: 'CAN high',
  low: 'CAN low',
  exclusive: 'never at once with',
  duplex: 'direction',
  inverts: 'can invert',
  software: 'software port',
  console: 'login console by default',
  gnd: 'ground',
  atV: 'at, V',
  secondsPer60Deg: 'time for 60 deg, s',
  widthUs: 'pulse width, us',
};

/** How a member of part data is called on a form: `inputMinV` is "input min, V". */
export function fieldWords(name: string): string {
  if (Object.hasOwn(OWN_WORDS, name)) return OWN_WORDS[name] ?? name;
  const parts = name.replaceAll(/([a-z0-9])([A-Z])/g, '$1 $2').split(' ');
  const last = parts.at(-1) ?? '';
  const unit = parts.length > 1 && Object.hasOwn(UNITS, last) ? UNITS[last] : undefined;
  const words = (unit === undefined || unit === '' ? parts : parts.slice(0, -1)).join(' ').toLowerCase();
  return unit === undefined || unit === '' ? words : `${words}, ${unit}`;
}

/** One entry of a list that is called so on a form: "bank" of "banks". */
export function entryWords(listWords: string): string {
  return listWords.endsWith('ies') ? `${listWords.slice(0, -3)}y` : listWords.replace(/s$/, '');
}

/** A place of a part in words: `/circuit/0/idleA` is "circuit 1, idle, A". */
export function placeWords(path: string): string {
  const words = path
    .split('/')
    .slice(1)
    .map((step) => (/^\d+$/.test(step) ? String(Number(step) + 1) : fieldWords(step)));
  return words.length === 0 ? 'the part' : words.join(', ').replaceAll(/, (\d+)/g, ' $1');
}

/** What a checker of shapes says, and how it is said to a person; the first that fits. */
const SHAPE_WORDS: readonly (readonly [RegExp, string])[] = [
  [/to match/, 'is empty, or not a valid name'],
  [/^Required/, 'is missing'],
  [/^Unexpected/, 'is not known here'],
  [/^Expected (number|integer)$/, 'is not a number'],
  [/^Expected string$/, 'is not a text'],
  [/^Expected string length greater or equal to 1$/, 'is empty'],
  [/^Expected union value/, 'is not one of the values allowed here'],
];

/** What a checker of shapes says, for a person. */
export function problemWords(message: string): string {
  return SHAPE_WORDS.find(([pattern]) => pattern.test(message))?.[1] ?? message.replace(/^Expected/, 'should be');
}
