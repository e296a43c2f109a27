/*
 * Facts that are worded differently today than in the bases of waivers that people gave before. A finding that was accepted stays
 * accepted when we only find a better word for one of its facts.
 */

const RENAMED: readonly (readonly [was: RegExp, now: string])[] = [
  [/dark on USB/g, 'unpowered on USB'],
  [/error of the consumed charge in an hour/g, 'error in consumed charge after an hour'],
  [/a sense element in its way/g, 'a current sensor in its path'],
  [/(^|; )lost in /g, '$1dropped in '],
  [/(^|; )lost on /g, '$1dropped over '],
  [/([=,]) stands (?=\d)/g, '$1 withstands '],
  [/= sends (?=\d)/g, '= high '],
  [/([=:]) not joined/g, '$1 not connected'],
  [/CTS and RTS joined/g, 'CTS and RTS connected'],
  [/leads of (\S+) joined/g, 'leads of $1 connected'],
  [/supply joined/g, 'supply connected'],
  [/can be got at/g, 'accessible'],
  [/none leads to it/g, 'none reaches it'],
  [/leads to it/g, 'reaches it'],
  [/by its data link/g, 'over its data link'],
  [/on, as delivered/g, 'on (default)'],
  [/as delivered/g, 'default'],
  [/asks for streams/g, 'requests streams'],
  [/boxes overlap by/g, 'overlap'],
  [/, as it is turned/g, ', as turned'],
  [/, between plan and place/g, ', setting against layout'],
  [/(\d+) ways to lie/g, '$1 orientations'],
  [/(^|; )arrives at /g, '$1signal at '],
  [/ sends = /g, ' transmits = '],
  [/isolation, stated for less than a wavelength/g, 'isolation, as for one wavelength or less'],
  [/it may lose/g, 'maximum path loss'],
  [/on the way down/g, 'downlink'],
  [/on the way up/g, 'uplink'],
  [/head of (\S+), station/g, 'probe of $1, station'],
  [/= before (?=\d)/g, '= forward of '],
  [/joints on its way/g, 'joints on its route'],
  [/calibration values that are the same/g, 'identical calibration values'],
  [/borders of the slots/g, 'limits of the slots'],
  [/links that want a port/g, 'links that need a port'],
  [/as long as fits/g, 'a length that fits'],
  [/inverters on the way/g, 'inverters in the path'],
  [/(^|; )let go = /g, '$1released = '],
  [/ begins at = /g, ' starts at = '],
  [/air rate/g, 'packet rate'],
  [/as if nothing were lost/g, 'as if the signal were there'],
  [/wanted (?=(not )?inverted)/g, 'needed '],
  [/(^|; )links = /g, '$1links not connected = '],
  [/of items that are wired/g, 'of them between wired items'],
  [/ leaves its input (?=\d)/g, ' drops its input '],
];

/** A basis that was written before facts got the words of today, in these words. */
export function inWordsOfToday(basis: string): string {
  return RENAMED.reduce((text, [was, now]) => text.replace(was, now), basis);
}
