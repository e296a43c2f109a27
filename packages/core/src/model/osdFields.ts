/**
 * What can be shown to a pilot, over the picture or on the screen of the radio. `width`: how many characters it takes over the picture. `sample`: as it
 * looks there. `isNeeded`: a pilot who flies by the picture needs it.
 */
export const OSD_FIELDS = {
  'pack-volts': { title: 'pack voltage', sample: '22.8V', width: 5, isNeeded: true },
  'pack-amps': { title: 'current', sample: '14.2A', width: 5, isNeeded: false },
  'used-mah': { title: 'charge used', sample: '3120mAh', width: 8, isNeeded: true },
  timer: { title: 'flight time', sample: 'T12:40', width: 7, isNeeded: true },
  mode: { title: 'flight mode', sample: 'LEVEL', width: 12, isNeeded: true },
  armed: { title: 'arming state and reason', sample: 'ARMED', width: 12, isNeeded: true },
  'link-quality': { title: 'link quality', sample: 'LQ 98', width: 6, isNeeded: true },
  'link-strength': { title: 'signal strength', sample: '-71dBm', width: 7, isNeeded: false },
  satellites: { title: 'satellites', sample: 'SAT14', width: 5, isNeeded: true },
  'home-distance': { title: 'distance to home', sample: 'H1240m', width: 7, isNeeded: true },
  'home-arrow': { title: 'direction to home', sample: '^', width: 1, isNeeded: true },
  'ground-speed': { title: 'ground speed', sample: '18m/s', width: 6, isNeeded: true },
  airspeed: { title: 'airspeed', sample: 'a17m/s', width: 7, isNeeded: false },
  height: { title: 'height', sample: '86m', width: 6, isNeeded: true },
  climb: { title: 'climb', sample: '+1.2', width: 5, isNeeded: false },
  horizon: { title: 'horizon', sample: '- - - - -', width: 9, isNeeded: false },
  heading: { title: 'heading', sample: '275', width: 4, isNeeded: false },
  'height-above-ground': { title: 'height above ground', sample: 'g12m', width: 6, isNeeded: false },
  throttle: { title: 'throttle', sample: '46%', width: 5, isNeeded: false },
  'aircraft-name': { title: 'aircraft name', sample: 'NAME', width: 12, isNeeded: false },
} as const satisfies Readonly<
  Record<string, { readonly title: string; readonly sample: string; readonly width: number; readonly isNeeded: boolean }>
>;
export type OsdField = keyof typeof OSD_FIELDS;

export function isOsdField(text: string): text is OsdField {
  return Object.hasOwn(OSD_FIELDS, text);
}

/** All fields, in the order of the table. */
export const osdFields: readonly OsdField[] = Object.keys(OSD_FIELDS).filter(isOsdField);
