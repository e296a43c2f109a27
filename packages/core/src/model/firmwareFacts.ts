import { airframeKinds } from './airframes.ts';
import { BACK_BY } from './lossActions.ts';
import { osdFields } from './osdFields.ts';
import { mixFigures, pulseKinds } from './outputPlan.ts';
import { channelUses } from './rcUses.ts';
import { FLOW_CONTROLS } from './setting.ts';

/**
 * What a configuration is made of: families of facts, each with what tells its rows apart and what each row says. A dialect's lines name
 * these, and `firmware/facts` gives their values for an aircraft.
 */

/** How a value of a fact is written by a dialect: by one of its tables, by one of its word lists, or as it is. */
export type Coding =
  | { readonly by: 'serial' }
  | { readonly by: 'outputs' }
  | { readonly by: 'banks' }
  | { readonly by: 'roles' | 'bauds' | 'functions' | 'orientations' | 'modes' | 'actions' }
  | { readonly by: 'words'; readonly words: WordList }
  | { readonly by: 'number'; readonly unit?: string }
  | { readonly by: 'text' };

/** Lists of words that a dialect gives: the keys are ours, the words its own. */
export const WORD_LISTS = {
  switch: { title: 'on and off', of: ['yes', 'no'] },
  inversion: { title: 'inversion of a serial port', of: ['none', 'rx', 'both'] },
  flow: { title: 'flow control', of: FLOW_CONTROLS },
  pulses: { title: 'kinds of pulses', of: pulseKinds },
  uses: { title: 'uses of RC channels', of: channelUses },
  airframes: { title: 'airframes', of: airframeKinds },
  monitors: { title: 'pack measurement', of: ['analog', 'i2c', 'can', 'serial', 'board'] },
  sensors: { title: 'sensor connection', of: ['serial', 'i2c', 'can', 'analog', 'pulse', 'board'] },
  osd: { title: 'OSD fields', of: osdFields },
  mixes: { title: 'mixer values', of: mixFigures },
  features: {
    title: 'features',
    of: ['position', 'compass', 'airspeed', 'height-finder', 'pack-monitor', 'picture-text', 'ground-link', 'gimbal', 'software-serial'],
  },
  levelling: { title: 'level reference', of: ['at-level', 'as-it-flies'] },
  back: { title: 'return of control', of: BACK_BY },
} as const satisfies Readonly<Record<string, { readonly title: string; readonly of: readonly string[] }>>;
export type WordList = keyof typeof WORD_LISTS;

function isWordList(text: string): text is WordList {
  return Object.hasOwn(WORD_LISTS, text);
}
export const wordLists: readonly WordList[] = Object.keys(WORD_LISTS).filter(isWordList);

interface FactField {
  readonly title: string;
  readonly coding: Coding;
}

interface FactFamilyShape {
  readonly title: string;
  /** Where in the work its facts are decided. */
  readonly stage: 'brief' | 'layout' | 'power' | 'links' | 'outputs' | 'firmware';
  /** What tells its rows apart. */
  readonly keys: Readonly<Record<string, FactField>>;
  /** What each row says. */
  readonly fields: Readonly<Record<string, FactField>>;
}

const number = (title: string, unit?: string): FactField => ({
  title,
  coding: unit === undefined ? { by: 'number' } : { by: 'number', unit },
});
const word = (title: string, words: WordList): FactField => ({ title, coding: { by: 'words', words } });
const us = (title: string): FactField => number(title, 'us');
const mm = (title: string): FactField => number(title, 'mm');

/** From the inertial sensor of the controller, as a firmware counts: forward, right and down are positive. */
const spot = { foreMm: mm('forward of the controller'), rightMm: mm('right of the controller'), downMm: mm('below the controller') };
const nth = { n: number('number') };

export const FACT_FAMILIES = {
  airframe: { title: 'Airframe', stage: 'brief', keys: {}, fields: { kind: word('airframe', 'airframes') } },
  system: { title: 'System', stage: 'firmware', keys: {}, fields: { id: number('system id') } },
  feature: { title: 'Features', stage: 'links', keys: { feature: word('feature', 'features') }, fields: { on: word('on', 'switch') } },
  board: {
    title: 'Controller orientation',
    stage: 'layout',
    keys: {},
    fields: { lies: { title: 'orientation', coding: { by: 'orientations' } } },
  },
  level: {
    title: 'Level',
    stage: 'firmware',
    keys: {},
    fields: { pitchDeg: number('pitch in level flight', 'deg'), set: word('level reference', 'levelling') },
  },
  port: {
    title: 'Serial ports',
    stage: 'links',
    keys: { port: { title: 'port', coding: { by: 'serial' } } },
    fields: {
      role: { title: 'protocol', coding: { by: 'roles' } },
      baud: { title: 'baud', coding: { by: 'bauds' } },
      inverted: word('inversion', 'inversion'),
      flow: word('flow control', 'flow'),
    },
  },
  bank: {
    title: 'Output banks',
    stage: 'outputs',
    keys: { bank: { title: 'bank', coding: { by: 'banks' } } },
    fields: { kind: word('pulses', 'pulses'), rateHz: number('rate', 'Hz') },
  },
  output: {
    title: 'Outputs',
    stage: 'outputs',
    keys: { output: { title: 'output', coding: { by: 'outputs' } } },
    fields: {
      function: { title: 'function', coding: { by: 'functions' } },
      minUs: us('minimum'),
      trimUs: us('trim'),
      maxUs: us('maximum'),
      reversed: word('reversed', 'switch'),
    },
  },
  mixer: {
    title: 'Mixer',
    stage: 'outputs',
    keys: { output: { title: 'output', coding: { by: 'outputs' } } },
    fields: {
      roll: number('roll'),
      pitch: number('pitch'),
      yaw: number('yaw'),
      throttle: number('throttle'),
      lift: number('lift'),
      flap: number('flaps'),
    },
  },
  mix: {
    title: 'Mixer values',
    stage: 'outputs',
    keys: { figure: word('figure', 'mixes') },
    fields: { share: number('share') },
  },
  'channel-of': {
    title: 'RC map',
    stage: 'links',
    keys: { use: word('use', 'uses') },
    fields: { channel: number('channel') },
  },
  channel: {
    title: 'RC channels',
    stage: 'links',
    keys: { channel: number('channel') },
    fields: {
      use: word('use', 'uses'),
      leastUs: us('minimum'),
      middleUs: us('centre'),
      mostUs: us('maximum'),
    },
  },
  'mode-channel': { title: 'Mode channel', stage: 'links', keys: {}, fields: { channel: number('channel') } },
  'mode-slot': {
    title: 'Mode slots',
    stage: 'links',
    keys: { slot: number('slot') },
    fields: { mode: { title: 'mode', coding: { by: 'modes' } } },
  },
  'mode-range': {
    title: 'Mode ranges',
    stage: 'links',
    keys: { channel: number('channel'), mode: { title: 'mode', coding: { by: 'modes' } } },
    fields: { fromUs: us('from'), toUs: us('to') },
  },
  loss: {
    title: 'Loss of signal',
    stage: 'links',
    keys: {},
    fields: {
      action: { title: 'action', coding: { by: 'actions' } },
      delayS: number('delay', 's'),
      thresholdUs: us('throttle threshold for loss'),
      returnHeightM: number('return height', 'm'),
      back: word('control returns', 'back'),
    },
  },
  'ground-loss': {
    title: 'Loss of the ground link',
    stage: 'links',
    keys: {},
    fields: { action: { title: 'action', coding: { by: 'actions' } }, delayS: number('delay', 's') },
  },
  'low-pack': {
    title: 'Low pack',
    stage: 'links',
    keys: {},
    fields: { action: { title: 'action', coding: { by: 'actions' } }, volts: number('below', 'V'), mah: number('above', 'mAh') },
  },
  monitor: {
    title: 'Battery monitors',
    stage: 'power',
    keys: nth,
    fields: {
      kind: word('measurement', 'monitors'),
      voltsPerV: number('pack voltage per volt at the input', 'V'),
      ampsPerV: number('current per volt at the input', 'A'),
      capacityMah: number('capacity of the pack', 'mAh'),
      cells: number('cells in series'),
    },
  },
  gnss: { title: 'GNSS receivers', stage: 'layout', keys: nth, fields: { kind: word('connection', 'sensors'), ...spot } },
  compass: {
    title: 'Compasses',
    stage: 'layout',
    keys: nth,
    fields: { kind: word('connection', 'sensors'), lies: { title: 'orientation', coding: { by: 'orientations' } } },
  },
  airspeed: { title: 'Airspeed sensors', stage: 'layout', keys: nth, fields: { kind: word('connection', 'sensors') } },
  rangefinder: {
    title: 'Rangefinders',
    stage: 'layout',
    keys: nth,
    fields: { kind: word('connection', 'sensors'), ...spot },
  },
  osd: {
    title: 'OSD fields',
    stage: 'links',
    keys: { field: word('field', 'osd') },
    fields: { col: number('column'), row: number('row') },
  },
} as const satisfies Readonly<Record<string, FactFamilyShape>>;
export type FactFamilyId = keyof typeof FACT_FAMILIES;

export function isFactFamily(text: string): text is FactFamilyId {
  return Object.hasOwn(FACT_FAMILIES, text);
}

/** All families, in the order of the table. */
export const factFamilies: readonly FactFamilyId[] = Object.keys(FACT_FAMILIES).filter(isFactFamily);

/** A family by its id, with its keys and fields as plain records. */
export function factFamily(id: FactFamilyId): FactFamilyShape {
  return FACT_FAMILIES[id];
}

/** How a key or a field of a family is written; undefined where the family does not have it. */
export function fieldOf(id: FactFamilyId, name: string): FactField | undefined {
  const { keys, fields } = factFamily(id);
  if (Object.hasOwn(keys, name)) return keys[name];
  return Object.hasOwn(fields, name) ? fields[name] : undefined;
}
