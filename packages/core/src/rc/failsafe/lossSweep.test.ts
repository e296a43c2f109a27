import { describe, expect, it } from '@jest/globals';
import { findingsOf, remediesOf } from '../../checks/findingsOf.ts';
import { graphOf } from '../../graph/graphOf.ts';
import type { Design } from '../../model/design.ts';
import { sampleParts } from '../../parts/catalogue.ts';
import { findingsBy, itemOf, made } from '../../test/designs.ts';
import { bench } from '../../test/checkCases/build.ts';
import { planned, seenLoss } from '../../test/checkCases/rc.ts';
import { lossVerdicts } from './lossVerdict.ts';

/**
 * What comes out of each receiver of the catalogue at its output when the link is lost, and out of what is between it and a controller, by hand and by
 * their data sheets, as a controller meets it: `flag` and `silence` are noticed; `throttle-low` is noticed where there is a threshold; `goes-on` never.
 */
type OnWire = 'flag' | 'silence' | 'throttle-low' | 'throttle-high' | 'goes-on';

interface Way {
  readonly name: string;
  readonly receiver: string;
  readonly settings: Readonly<Record<string, string | number>>;
  /** From the receiver's port on. */
  readonly wires: (port: string) => readonly (readonly [string, string])[];
  readonly between: readonly string[];
  readonly controller: string;
  readonly port: string;
  readonly protocol?: readonly [port: string, protocol: string];
  readonly expected: OnWire;
}

const direct = (port: string): readonly (readonly [string, string])[] => [['RX', port]];
const SERIAL = { between: [], wires: direct, controller: 'controller-h7-carrier' } as const;
const PPM = { between: [], wires: direct, controller: 'controller-8-bit-servo-fed', port: 'FC1 PPM' } as const;
const ROW = { between: [], wires: direct, controller: 'controller-8-bit-carrier', port: 'FC1 in3' } as const;
const onRc = (protocol: string) => ({ port: 'FC1 RC', protocol: ['RC', protocol] }) as const;

/** A receiver with servo rows does on loss what it is set to. */
const rows = (receiver: string, port: string): Way[] => [
  { ...ROW, name: `${receiver} holds`, receiver: `${receiver} ${port}`, settings: { failsafe: 'hold' }, expected: 'goes-on' },
  { ...ROW, name: `${receiver} stops`, receiver: `${receiver} ${port}`, settings: { failsafe: 'no-pulses' }, expected: 'silence' },
  {
    ...ROW,
    name: `${receiver} low`,
    receiver: `${receiver} ${port}`,
    settings: { failsafe: 'preset', 'preset-throttle': 900 },
    expected: 'throttle-low',
  },
  {
    ...ROW,
    name: `${receiver} high`,
    receiver: `${receiver} ${port}`,
    settings: { failsafe: 'preset', 'preset-throttle': 1400 },
    expected: 'throttle-high',
  },
];

const encoded = {
  between: ['encoder-pwm-to-ppm'],
  wires: (port: string) =>
    [
      ['RX', 'CONV1 in3'],
      ['CONV1 out', port],
    ] as const,
  controller: 'controller-8-bit-servo-fed',
  port: 'FC1 PPM',
} as const;
const converted = {
  between: ['converter-sbus-to-ppm'],
  wires: (port: string) =>
    [
      ['RX', 'CONV1 SBUS'],
      ['CONV1 out', port],
    ] as const,
  controller: 'controller-8-bit-servo-fed',
  port: 'FC1 PPM',
} as const;
const bridged = {
  between: ['bridge-sbus-to-serial', 'bridge-serial-to-sbus'],
  wires: (port: string) =>
    [
      ['RX', 'CONV1 SBUS'],
      ['CONV1 serial', 'CONV2 serial'],
      ['CONV2 SBUS', port],
    ] as const,
  controller: 'controller-h7-carrier',
} as const;
const turned = {
  between: ['inverter-level-shifter'],
  wires: (port: string) =>
    [
      ['RX', 'CONV1 in'],
      ['CONV1 out', port],
    ] as const,
  controller: 'controller-f4-wing',
} as const;

const WAYS: readonly Way[] = [
  { ...SERIAL, ...onRc('sbus'), name: 'SBUS', receiver: 'receiver-sbus-16 SBUS', settings: {}, expected: 'flag' },
  { ...SERIAL, ...onRc('sbus'), name: 'SBUS with telemetry', receiver: 'receiver-sbus-telemetry main', settings: {}, expected: 'flag' },
  { ...SERIAL, ...onRc('sbus'), name: 'SBUS tap', receiver: 'receiver-sbus-telemetry tap', settings: {}, expected: 'flag' },
  {
    ...SERIAL,
    ...onRc('sbus'),
    name: 'SBUS and RSSI',
    receiver: 'receiver-sbus-rssi SBUS',
    settings: { failsafe: 'hold' },
    expected: 'flag',
  },
  { ...SERIAL, ...onRc('crsf'), name: 'CRSF', receiver: 'receiver-crsf-full UART', settings: {}, expected: 'silence' },
  {
    ...SERIAL,
    ...onRc('sbus'),
    name: 'settable as SBUS',
    receiver: 'receiver-settable out',
    settings: { output: 'sbus' },
    expected: 'flag',
  },
  {
    ...SERIAL,
    ...onRc('crsf'),
    name: 'settable as CRSF',
    receiver: 'receiver-settable out',
    settings: { output: 'crsf' },
    expected: 'silence',
  },
  { ...PPM, name: 'settable as PPM', receiver: 'receiver-settable out', settings: { output: 'ppm' }, expected: 'silence' },
  { ...PPM, name: 'PPM', receiver: 'receiver-ppm-8 PPM', settings: {}, expected: 'silence' },
  {
    ...SERIAL,
    name: 'satellite',
    controller: 'controller-stabiliser-5',
    port: 'FC1 SAT',
    receiver: 'receiver-satellite SAT',
    settings: {},
    expected: 'silence',
  },
  { ...SERIAL, ...onRc('sbus'), name: 'air unit', receiver: 'handheld-air-unit RC', settings: {}, expected: 'flag' },
  { ...SERIAL, ...onRc('sbus'), name: 'air unit, 5-way', receiver: 'handheld-air-unit-5-way RC', settings: {}, expected: 'flag' },
  ...rows('receiver-pwm-6', 'ch3'),
  ...rows('receiver-pwm-8-telemetry', 'ch3'),
  ...rows('receiver-sbus-rssi', 'ch3'),
  { ...encoded, name: 'encoder, holds', receiver: 'receiver-pwm-6 ch3', settings: { failsafe: 'hold' }, expected: 'goes-on' },
  { ...encoded, name: 'encoder, stops', receiver: 'receiver-pwm-6 ch3', settings: { failsafe: 'no-pulses' }, expected: 'goes-on' },
  {
    ...encoded,
    name: 'encoder, low',
    receiver: 'receiver-pwm-6 ch3',
    settings: { failsafe: 'preset', 'preset-throttle': 900 },
    expected: 'throttle-low',
  },
  {
    ...encoded,
    name: 'encoder, high',
    receiver: 'receiver-pwm-6 ch3',
    settings: { failsafe: 'preset', 'preset-throttle': 1400 },
    expected: 'throttle-high',
  },
  { ...converted, name: 'converter that repeats', receiver: 'receiver-sbus-16 SBUS', settings: {}, expected: 'goes-on' },
  { ...converted, name: 'converter that stops', receiver: 'receiver-sbus-16 SBUS', settings: { '1:on-loss': 'stop' }, expected: 'silence' },
  { ...bridged, ...onRc('sbus'), name: 'two bridges', receiver: 'receiver-sbus-16 SBUS', settings: {}, expected: 'flag' },
  {
    ...turned,
    port: 'FC1 S1',
    protocol: ['S1', 'sbus'],
    name: 'inverter',
    receiver: 'receiver-sbus-16 SBUS',
    settings: {},
    expected: 'flag',
  },
];

function built({ receiver, settings, wires, between, controller, port, protocol }: Way): Design {
  const [part = '', from = ''] = receiver.split(' ');
  const one = bench(controller, part, ...between);
  const rx = Object.values(one.design.aircraft.items)[1]?.ref ?? '';
  for (const [name, value] of Object.entries(settings)) {
    const [of, setting] = name.startsWith('1:') ? ['CONV1', name.slice(2)] : [rx, name];
    one.setting(of, setting, value);
  }
  for (const [a, b] of wires(port)) one.wire(a === 'RX' ? `${rx} ${from}` : a, b);
  if (protocol !== undefined) one.setting('FC1', `${protocol[0]}.protocol`, protocol[1]);
  return one.design;
}

const isNoticed = (on: OnWire): boolean => on === 'flag' || on === 'silence' || on === 'throttle-low';

describe('the loss of the signal, by every receiver and everything between', () => {
  it.each(WAYS.map((way) => [way.name, way] as const))('%s', (_, way) => {
    const design = built(way);
    const [verdict, ...others] = lossVerdicts(graphOf(design));
    expect(others).toEqual([]);
    expect(verdict?.is === 'noticed').toBe(isNoticed(way.expected));
    // A plan that is complete but for the receiver's own way: noticed, or the check stops; never both, never neither.
    const begun = planOf(design);
    const stops = findingsBy(begun, 'rc.failsafe').filter(({ severity }) => severity === 'stop');
    expect(stops.length).toBe(isNoticed(way.expected) ? 0 : 1);
    for (const { edit } of stops.flatMap((finding) => remediesOf(begun, finding)))
      expect(findingsBy(made(begun, edit), 'rc.failsafe').filter(({ severity }) => severity === 'stop')).toEqual([]);
  });

  it('leaves no receiver, and nothing that makes channels anew, out', () => {
    const tried = new Set(WAYS.flatMap(({ receiver, between }) => [receiver.split(' ')[0], ...between]));
    const made = sampleParts.filter(
      ({ kind, endpoints }) =>
        (kind === 'rc-receiver' || kind === 'handheld-link' || kind === 'converter') && endpoints.some(({ is }) => is === 'rc-out'),
    );
    expect(made.filter(({ id }) => !tried.has(id)).map(({ id }) => id)).toEqual([]);
    const formats = new Set(made.flatMap(({ endpoints }) => endpoints.flatMap((one) => (one.is === 'rc-out' ? one.formats : []))));
    expect([...formats].sort()).toEqual(['crsf', 'ppm', 'pwm', 'satellite', 'sbus']);
  });
});

/** The plan of the check cases; where the receiver is an air unit, without what was seen of it. */
function planOf(design: Design): Design {
  const hasReceiver = Object.values(design.aircraft.items).some(({ ref }) => ref === 'RX1');
  if (hasReceiver) {
    // What is stated counts, as long as nobody has seen otherwise.
    const all = planned(design);
    return { ...all, aircraft: { ...all.aircraft, rc: { ...all.aircraft.rc, seen: {} } } };
  }
  return { ...design, aircraft: { ...design.aircraft, rc: { ...design.aircraft.rc, channels: { '3': { use: 'throttle' } } } } };
}

describe('what was seen of a receiver', () => {
  const sbus = (): Design => {
    const way = WAYS[0];
    if (way === undefined) throw new Error('There is no way.');
    return planned(built(way));
  };

  it('counts for more than what its part states, and lapses when it is set otherwise', () => {
    const none = seenLoss({ ...sbus(), aircraft: { ...sbus().aircraft, rc: { ...sbus().aircraft.rc, seen: {} } } }, 'none');
    expect(lossVerdicts(graphOf(none))[0]?.is).toBe('not-noticed');
    const item = itemOf(none, 'RX1');
    const bound = made(none, { kind: 'set-item-setting', item: item.id, setting: 'rc.paired', value: true, was: null });
    expect(lossVerdicts(graphOf(bound))[0]).toMatchObject({ is: 'noticed', path: { seen: undefined } });
    expect(findingsBy(bound, 'rc.failsafe').map(({ what }) => what)).toContain(
      'What RX1 does when the signal is lost has not been tested since it was set up.',
    );
    // What was seen before stands in the document still, and is seen anew.
    const lapsed = findingsOf(bound).find(({ what }) => what.includes('has not been tested'));
    const [again] = lapsed === undefined ? [] : remediesOf(bound, lapsed);
    expect(lossVerdicts(graphOf(again === undefined ? bound : made(bound, again.edit)))[0]?.path.seen).toBe('flag');
  });

  it('is asked for, and recording it settles the finding', () => {
    const unseen = { ...sbus(), aircraft: { ...sbus().aircraft, rc: { ...sbus().aircraft.rc, seen: {} } } };
    const finding = findingsOf(unseen).find(({ what }) => what.includes('has not been tested'));
    const [remedy] = finding === undefined ? [] : remediesOf(unseen, finding);
    expect(remedy?.label).toBe('Tested: it reports the loss');
    expect(
      findingsBy(remedy === undefined ? unseen : made(unseen, remedy.edit), 'rc.failsafe').filter(({ what }) =>
        what.includes('tested since'),
      ),
    ).toEqual([]);
  });
});

describe('what the controller does then', () => {
  const noGnss = (): Design => {
    const one = bench('controller-f4-wing', 'receiver-sbus-16');
    one.wire('RX1 SBUS', 'FC1 S2');
    one.setting('FC1', 'S2.protocol', 'sbus');
    return planned(one.design);
  };

  it('has to be planned, known to the firmware, possible, and a flight', () => {
    const said = (design: Design): readonly string[] => findingsBy(design, 'rc.failsafe').map(({ what }) => what);
    expect(said(noGnss())).toEqual(['On loss of signal, FC1 returns, and nothing gives it a position fix and home position.']);
    const choose = (value: string | null): Design => made(noGnss(), { kind: 'set-rc-choice', choice: 'onLoss', value, was: 'return' });
    expect(said(choose(null))).toEqual(['No action of FC1 is planned for loss of signal.']);
    expect(said(choose('land'))).toEqual(['On loss of signal, FC1 is planned to do what its firmware cannot: it lands in place.']);
    expect(said(choose('descend'))).toEqual([]);
    for (const finding of findingsOf(choose(null)).filter(({ check }) => check === 'rc.failsafe'))
      for (const { edit } of remediesOf(choose(null), finding)) expect(said(made(choose(null), edit))).toEqual([]);
  });

  it('is no stop of the motors for what hovers', () => {
    const stops = (kind: 'quad' | 'flying-wing'): readonly string[] => {
      const design = made(noGnss(), { kind: 'set-rc-choice', choice: 'onLoss', value: 'motor-stop', was: 'return' });
      return findingsBy({ ...design, aircraft: { ...design.aircraft, airframe: { kind } } }, 'rc.failsafe').map(({ what }) => what);
    };
    expect(stops('flying-wing')).toEqual([]);
    expect(stops('quad')).toEqual(['On loss of signal, FC1 stops the motors.']);
  });

  it('does not take a throttle at rest for a lost signal', () => {
    const low = made(noGnss(), { kind: 'set-rc-figure', figure: 'throttleThresholdUs', value: 990, was: null });
    const [finding] = findingsBy(low, 'rc.failsafe').filter(({ what }) => what.includes('throttle'));
    expect(finding?.what).toBe('The lowest throttle, 1000 us, is only 10 us above the threshold for loss of signal.');
    const remedy = finding === undefined ? undefined : remediesOf(low, finding)[0];
    expect(remedy?.label).toBe('Threshold 955 us');
  });
});
