import type { Part } from '../model/part.ts';
import type { When } from '../model/setting.ts';
import { stickFrames } from './airTraits.ts';
import type { Ways } from './ways.ts';
import {
  load,
  logic3V3,
  offer,
  uart,
  wiredPort,
  type Logic,
  type RawElement,
  type RawEndpoint,
  type Row,
  type WiredPort,
} from './build.ts';

/** What receivers have in common; each one's own file says only what is its own. */

type RawRcOut = Extract<RawEndpoint, { is: 'rc-out' }>;
type LossSignals = NonNullable<RawRcOut['lossSignal']>;

export const receiverCautions: readonly string[] = ['antenna-before-power'];
export const bind = {
  title: 'Bind',
  text: 'Hold the button while switching the supply on; start binding on the RC transmitter; restart both.',
};
/** Failsafe is tried out, not believed. */
export const tryLoss = {
  title: 'Test loss of signal',
  text: 'With the aircraft held and the throttle closed, switch the RC transmitter off and watch each output; switch it on again.',
  caution: 'propellers-off',
};
/** The lights of plain receivers. */
export const plainLights: NonNullable<Part['indications']> = [
  { shows: 'red flashing', means: 'waiting to bind' },
  { shows: 'green steady', means: 'linked' },
  { shows: 'red steady', means: 'no link' },
];
export const ground: Row = ['GND', 'gnd', '@gnd'];
const windowV = [5, 3.7, 8.4] as const;
export const takes = (pin: string): RawElement => load('receiver', [pin, '@gnd'], [0.06, 0.08, 0.1], windowV);

/** How a receiver is brought to its RC transmitter, by what it speaks. */
export const stickWays: Ways = [
  { settings: ['rc.version', 'rc.region'], how: { is: 'menu', tool: 'menu of the RC transmitter', menu: '"Receiver", "Update"' } },
  {
    settings: ['rc.paired'],
    how: { is: 'button', button: 'BIND while switching the supply on', seconds: 2, confirms: 'its light is steady when both restart' },
  },
];
export const fastWays: Ways = [
  {
    settings: ['rc.version', 'rc.rate', 'rc.phrase'],
    how: {
      is: 'menu',
      tool: 'page of the receiver over its own Wi-Fi',
      menu: '"Link"',
      confirms: 'its light is steady when both restart',
    },
  },
];

/** A receiver that never answers. */
export const sticksOnly: NonNullable<Part['radios']>[number] = {
  id: 'rc',
  title: 'sticks',
  mhz: [2400, 2483.5],
  hears: { sensitivityDbm: -98, blockingDbm: 5 },
  otherEnd: { sendsDbm: 20 },
  air: stickFrames,
  antenna: 'whip',
  groundAntenna: 'dipole',
  atMm: [0, 0, 20],
};

/** The other antenna of a receiver that goes on with the better one. */
const { air: _ofTheFirst, ...antennaOnly } = sticksOnly;
export const secondAntenna: typeof sticksOnly = {
  ...antennaOnly,
  id: 'rc2',
  title: 'second antenna',
  diversityOf: 'rc',
  atMm: [0, 0, -20],
};

/** What a receiver with servo rows does on loss, which somebody has to choose and to try out. */
export const failsafe: Part['settings'][number] = {
  is: 'choice',
  id: 'failsafe',
  label: 'on loss of the link',
  choices: [
    { value: 'hold', label: 'holds the last positions' },
    { value: 'preset', label: 'goes to preset positions' },
    { value: 'no-pulses', label: 'stops its pulses' },
  ],
  default: 'hold',
  how: {
    is: 'button',
    button: 'BIND, linked, with the sticks at the wanted positions',
    seconds: 5,
    confirms: 'one long flash; test it by switching the RC transmitter off, propellers off',
  },
};
/** Where the throttle goes then, of a receiver that goes to preset positions. */
export const presetThrottle: Part['settings'][number] = {
  is: 'number',
  id: 'preset-throttle',
  label: 'throttle on loss, where preset',
  unit: 'us',
  min: 800,
  max: 2200,
  how: {
    is: 'button',
    button: 'BIND, linked, with throttle and trim fully down',
    seconds: 5,
    confirms: 'one long flash; read the channel at the controller with the RC transmitter off, propellers off',
  },
};
const pwmLoss: LossSignals = [
  { format: 'pwm', when: { setting: 'failsafe', in: ['hold'] }, signal: 'none' },
  { format: 'pwm', when: { setting: 'failsafe', in: ['preset'] }, signal: 'preset', afterMs: 800 },
  { format: 'pwm', when: { setting: 'failsafe', in: ['no-pulses'] }, signal: 'no-frames', afterMs: 800 },
];

type LinkReports = NonNullable<RawRcOut['tells']>;
/** In frames beside the channels, as formats with room for it do. */
const inFrames: LinkReports = [
  { is: 'frames', what: 'strength' },
  { is: 'frames', what: 'quality' },
];

/** Servo rows of a receiver, one channel each. */
export function servoRows(rows: readonly number[], rest: Partial<RawRcOut> = {}): RawEndpoint[] {
  return rows.map((n) => ({
    is: 'rc-out',
    id: `ch${n}`,
    pin: `ch${n}.1`,
    formats: ['pwm'],
    channels: 1,
    lossSignal: pwmLoss,
    latencyMs: 38,
    tells: [],
    ...rest,
  }));
}

/** The channel on which a receiver repeats its link quality, which somebody chooses. */
export const qualityChannel: Part['settings'][number] = {
  is: 'choice',
  id: 'qualityChannel',
  label: 'link quality on channel',
  choices: [
    { value: 0, label: 'none' },
    { value: 8, label: '8' },
    { value: 16, label: '16' },
  ],
  default: 0,
  how: { is: 'menu', tool: 'page of the receiver over its own Wi-Fi', menu: '"Link", "Repeat on channel"' },
};
export const onQualityChannel: LinkReports = [{ is: 'channel', what: 'quality', channel: { fromSetting: 'qualityChannel' } }];

/** Channels out on one wire, with a flag for a lost link. */
export function sbusTalker(pin: string, inverted?: boolean, id = 'SBUS', when?: When, tells: LinkReports = []): RawEndpoint[] {
  const base = { ...(when === undefined ? {} : { when }), exclusive: 'rc' };
  return [
    {
      is: 'rc-out',
      id: `${id}-RC`,
      ...base,
      pin,
      formats: ['sbus'],
      channels: 16,
      lossSignal: [{ format: 'sbus', signal: 'flag', afterMs: 300 }],
      latencyMs: 26,
      tells: [...tells],
    },
    uart(id, { tx: pin }, [offer('sbus', 'talker', 100_000, [100_000], inverted)], { duplex: 'tx-only', ...base }),
  ];
}

/** Channels out and reports back, on two wires. Frames stop when the link is lost. */
export function crsfTalker(tx: string, rx: string, id: string, when?: When): RawEndpoint[] {
  const base = { ...(when === undefined ? {} : { when }), exclusive: 'rc' };
  return [
    {
      is: 'rc-out',
      id: `${id}-RC`,
      ...base,
      pin: tx,
      formats: ['crsf'],
      channels: 16,
      lossSignal: [{ format: 'crsf', signal: 'no-frames', afterMs: 250 }],
      latencyMs: 11,
      tells: [...inFrames],
    },
    uart(id, { tx, rx }, [offer('crsf', 'both', 420_000)], base),
  ];
}

/** The 3-pin rows of a receiver, one a channel. */
export function rowPorts(rows: readonly number[], logic: Logic = logic3V3): WiredPort[] {
  return rows.map((n) =>
    wiredPort(`ch${n}`, ['pin-2.54', 'pins'], [['S', 'pulse-out', logic], ['V', 'supply-through', '@v'], ground], {
      label: `ch ${n}`,
      signalRow: 'inner',
    }),
  );
}
