import { describe, expect, it } from '@jest/globals';
import type { Bench } from '../../demo/bench.ts';
import { graphOf } from '../../graph/graphOf.ts';
import type { Design } from '../../model/design.ts';
import type { CircuitElement } from '../../model/part.ts';
import { bench, withPart } from '../../test/checkCases/build.ts';
import { made } from '../../test/designs.ts';
import { powerNetwork } from '../network/powerNetwork.ts';
import type { Law } from '../solve/circuit.ts';
import { lawsOf, loadLaw, stalledLaw } from './lawsOf.ts';
import { SCENARIOS, type Scenario } from './scenario.ts';

type Load = Extract<CircuitElement, { is: 'load' }>;

/** The aircraft with one part whose circuit elements are these, in the place of its own. */
function withCircuit(design: Design, part: string, circuit: readonly CircuitElement[]): Design {
  return withPart(design, part, (one) => ({ ...one, circuit: [...circuit] }));
}

/** The elements of a part of the aircraft, as its settings have them. */
function circuitOf(design: Design, part: string): readonly CircuitElement[] {
  const found = graphOf(design).items.find((item) => item.part?.id === part)?.part;
  if (found === undefined) throw new Error(`There is no ${part}.`);
  return found.circuit;
}

/** A situation in which nothing is as in another one. */
const SITUATION: Scenario = {
  id: 'of-the-test',
  title: 'Of the test',
  charge: 1,
  durationS: 60,
  cruiseThrottle: 0,
  liftThrottle: 0,
  servos: 0.25,
  transmitters: 'peak',
  others: 'typical',
};

/** The laws of the devices of an item, in the order of its circuit. */
function lawsFor(design: Design, ref: string, change: Partial<Scenario> = {}): readonly Law[] {
  const network = powerNetwork(graphOf(design));
  const laws = lawsOf(network, { ...SITUATION, ...change });
  return network.devices.flatMap(({ device }, i) => {
    const law = laws[i];
    return network.graph.items[device.item]?.item.ref === ref && law !== undefined ? [law] : [];
  });
}

const one = (laws: readonly Law[]): Law => {
  const [law] = laws;
  if (law === undefined || laws.length > 1) throw new Error(`${String(laws.length)} laws, not one.`);
  return law;
};

describe('a pack', () => {
  const { design } = bench('battery-lipo-4s-5000');

  it('has the voltage of its cells at the charge of the situation, and more resistance in the cold', () => {
    const [pack] = circuitOf(design, 'battery-lipo-4s-5000').flatMap((element) => (element.is === 'battery' ? [element] : []));
    const internalOhm = pack?.internalOhm ?? NaN;
    expect(one(lawsFor(design, 'BAT1'))).toEqual({ is: 'supply', emfV: 4 * 4.2, ohm: internalOhm, maxA: Infinity });
    expect(one(lawsFor(design, 'BAT1', { charge: 0.5, internalFactor: 2 }))).toEqual({
      is: 'supply',
      emfV: 4 * 3.82,
      ohm: internalOhm * 2,
      maxA: Infinity,
    });
  });

  it('is unplugged in a situation without one', () => {
    expect(one(lawsFor(design, 'BAT1', { charge: undefined }))).toEqual({ is: 'open' });
  });
});

describe('a computer on USB', () => {
  const usb = (change: Partial<Scenario>): Law => {
    const network = powerNetwork(graphOf(bench('controller-h7-carrier').design));
    const at = network.devices.findIndex(({ device }) => device.is === 'usb');
    return lawsOf(network, { ...SITUATION, ...change })[at] ?? { is: 'sense', ohm: NaN };
  };

  it('gives 5 V and what the situation says, 500 mA where it says nothing, and only while no pack is on', () => {
    expect(usb({ charge: undefined })).toEqual({ is: 'supply', emfV: 5, ohm: 0.25, maxA: 0.5 });
    expect(usb({ charge: undefined, usbA: 0.9 })).toEqual({ is: 'supply', emfV: 5, ohm: 0.25, maxA: 0.9 });
    expect(usb({ charge: 0.5 })).toEqual({ is: 'open' });
  });
});

describe('devices with a rating for a time', () => {
  it('a regulator gives its burst current for as long as its data say, its continuous one from then on', () => {
    const { design } = bench('regulator-buck-5v-3a');
    const [element] = circuitOf(design, 'regulator-buck-5v-3a').flatMap((each) => (each.is === 'regulator' ? [each] : []));
    if (element === undefined) throw new Error('It has no regulator.');
    expect(element.burstA).toBeGreaterThan(element.continuousA);
    const limit = (durationS: number): number => {
      const law = one(lawsFor(design, 'BEC1', { durationS }));
      return law.is === 'regulator' ? law.limitA : NaN;
    };
    expect(limit(element.burstS)).toBe(element.burstA);
    expect(limit(element.burstS + 0.1)).toBe(element.continuousA);
    const { id: _id, is, in: _in, out: _out, gnd: _gnd, inputMaxV: _max, continuousA, burstA: _b, burstS: _s, ...rest } = element;
    expect(one(lawsFor(design, 'BEC1', { durationS: Infinity }))).toEqual({ is, ...rest, limitA: continuousA });
  });

  it('a resettable fuse trips once the situation lasts as long as its data say', () => {
    const { design } = bench('controller-h7-carrier');
    const fuses = circuitOf(design, 'controller-h7-carrier').flatMap((each) => (each.is === 'limiter' ? [each] : []));
    expect(fuses.length).toBeGreaterThan(0);
    const tripS = fuses[0]?.tripS ?? NaN;
    const trips = (durationS: number): readonly number[] =>
      lawsFor(design, 'FC1', { durationS }).flatMap((law) => (law.is === 'limiter' ? [law.tripA] : []));
    expect(trips(tripS)).toEqual(fuses.map((fuse) => (fuse.tripS <= tripS ? fuse.tripA : Infinity)));
    expect(trips(tripS)[0]).toBe(fuses[0]?.tripA);
    expect(trips(tripS - 0.01)[0]).toBe(Infinity);
  });
});

describe('what passes current on', () => {
  it('has the law of its data', () => {
    const { design: plain } = bench('regulator-buck-5v-3a');
    const circuit: readonly CircuitElement[] = [
      { id: 'd', is: 'diode', from: 'in.1', to: '@a', dropV: 0.35, maxA: 3 },
      { id: 's', is: 'sense', a: '@a', b: '@b', ohm: 0.0005, fullScaleA: 60 },
      { id: 'c', is: 'clamp', a: '@b', gnd: 'in.2', volts: 6.2, slopeOhm: 0.1, maxW: 5, maxJ: 1 },
      { id: 'x', is: 'source', plus: '@b', minus: 'in.2', volts: 12, ohm: 0.2, maxA: 4 },
      { id: 'p', is: 'selector', inputs: [{ node: '@b', minV: 4.5, maxV: 5.7, absoluteMaxV: 6 }], out: 'out.1', dropV: 0.05 },
    ];
    expect(lawsFor(withCircuit(plain, 'regulator-buck-5v-3a', circuit), 'BEC1')).toEqual([
      { is: 'diode', dropV: 0.35 },
      { is: 'sense', ohm: 0.0005 },
      { is: 'clamp', volts: 6.2, ohm: 0.1 },
      { is: 'supply', emfV: 12, ohm: 0.2, maxA: 4 },
      { is: 'selector', windows: [{ minV: 4.5, maxV: 5.7 }], dropV: 0.05 },
    ]);
  });
});

const LOAD: Load = {
  id: 'l',
  is: 'load',
  supply: 'in.1',
  gnd: 'in.2',
  law: 'constant-current',
  nominalV: 5,
  minV: 4,
  maxV: 6,
  idleA: 0.1,
  typicalA: 0.3,
  peakA: 0.7,
};

describe('a load', () => {
  it('takes its current, its power or has its resistance, and gives up below half of its least voltage', () => {
    expect(loadLaw(LOAD, 0.3)).toEqual({ is: 'constant-current', amps: 0.3, kneeV: 2 });
    expect(loadLaw({ ...LOAD, law: 'constant-power' }, 0.3)).toEqual({ is: 'constant-power', watts: 1.5, kneeV: 2 });
    expect(loadLaw({ ...LOAD, law: 'resistance' }, 0.5)).toEqual({ is: 'resistance', ohm: 10 });
    expect(loadLaw({ ...LOAD, minV: 0.6 }, 0.3)).toEqual({ is: 'constant-current', amps: 0.3, kneeV: 0.5 });
    expect(loadLaw(LOAD, 0)).toEqual({ is: 'open' });
  });

  it('of a servo that stalls is its stall current at its nominal voltage; its peak where none is stated', () => {
    expect(stalledLaw({ ...LOAD, stallA: 2 })).toEqual({ is: 'resistance', ohm: 2.5 });
    expect(stalledLaw(LOAD)).toEqual({ is: 'resistance', ohm: 5 / 0.7 });
  });

  const amps = (part: string, ref: string, change: Partial<Scenario>, load: Partial<Load> = {}): number => {
    const law = one(lawsFor(withCircuit(bench(part).design, part, [{ ...LOAD, ...load }]), ref, change));
    return law.is === 'constant-current' ? law.amps : law.is === 'open' ? 0 : NaN;
  };

  it('takes what its state in the situation says, a transmitter by its own state', () => {
    const regulator = 'regulator-buck-5v-3a';
    expect(amps(regulator, 'BEC1', { others: 'off' })).toBe(0);
    expect(amps(regulator, 'BEC1', { others: 'idle' })).toBe(0.1);
    expect(amps(regulator, 'BEC1', { others: 'typical' })).toBe(0.3);
    expect(amps(regulator, 'BEC1', { others: 'peak', transmitters: 'idle' })).toBe(0.7);
    expect(amps('radio-900-class', 'RADIO1', { others: 'idle', transmitters: 'peak' }, { supply: 'UART.4', gnd: 'UART.1' })).toBe(0.7);
  });

  it('of a servo lies between holding still and moving all the time', () => {
    const servo = (servos: number) => amps('regulator-buck-5v-3a', 'BEC1', { servos, others: 'peak' }, { stallA: 2 });
    expect(servo(0)).toBeCloseTo(0.1, 12);
    expect(servo(0.25)).toBeCloseTo(0.15, 12);
    expect(servo(1)).toBeCloseTo(0.3, 12);
  });

  it('that a controller switches takes nothing', () => {
    const wiredTo = (port: string): readonly Law[] => {
      const one = bench('controller-h7-carrier', 'regulator-buck-5v-3a', 'buzzer-5v');
      one.wire('BZ1 leads', port, 'straight', 80);
      return lawsFor(one.design, 'BZ1');
    };
    expect(wiredTo('BEC1 out')).toEqual([{ is: 'resistance', ohm: 5 / 0.03 }]);
    expect(wiredTo('FC1 buzzer')).toEqual([{ is: 'open' }]);
  });
});

describe('a motor controller', () => {
  const MOTOR = 'motor-28mm-9x6';
  const ESC = 'motor-controller-40a-5v2a';
  /** So many controllers, each with its motor unless it says otherwise. */
  const drives = (count: number, motors = count): Bench => {
    const one = bench(...Array.from({ length: count }, () => ESC), ...Array.from({ length: count }, () => MOTOR));
    for (let n = 1; n <= motors; n++) one.wire(`ESC${n} motor`, `MOT${n} phases`, 'straight', 60);
    return one;
  };
  const drive = ({ design }: Bench, ref: string, change: Partial<Scenario>): Law | undefined =>
    lawsFor(design, ref, change).find(({ is }) => is !== 'regulator');
  const facts = (design: Design) => {
    const [element] = circuitOf(design, ESC).flatMap((each) => (each.is === 'drive' ? [each] : []));
    const [motor] = circuitOf(design, MOTOR).flatMap((each) => (each.is === 'motor' ? [each] : []));
    if (element === undefined || motor === undefined) throw new Error('Neither drive nor motor.');
    return { element, motor };
  };

  /** What it takes while its motor stands: 30 mA. */
  const IDLE: Law = { is: 'constant-current', amps: 0.03, kneeV: 3 };

  it('takes little without a motor, and with one at no throttle; nothing without a pack, or where its part does not say', () => {
    expect(drive(drives(1, 0), 'ESC1', { cruiseThrottle: 1 })).toEqual(IDLE);
    expect(drive(drives(1), 'ESC1', { cruiseThrottle: 0 })).toEqual(IDLE);
    expect(drive(drives(1), 'ESC1', { cruiseThrottle: 0, charge: undefined })).toEqual({ is: 'open' });
    const { design } = drives(1);
    const older = circuitOf(design, ESC).map((element) => (element.is === 'drive' ? { ...element, idleA: 0 } : element));
    expect(lawsFor(withCircuit(design, ESC, older), 'ESC1').find(({ is }) => is !== 'regulator')).toEqual({ is: 'open' });
  });

  it('takes what the table of its motor says, between its rows too, with the square of the voltage', () => {
    const one = drives(1);
    const { motor } = facts(one.design);
    const [low, high] = motor.table.slice(-2);
    if (low === undefined || high === undefined) throw new Error('The table has one row.');
    expect(drive(one, 'ESC1', { cruiseThrottle: 1 })).toEqual({ is: 'square', ampsPerV2: high.currentA / motor.tableV ** 2 });
    const between = drive(one, 'ESC1', { cruiseThrottle: (low.throttle + high.throttle) / 2 });
    expect(between?.is === 'square' ? between.ampsPerV2 * motor.tableV ** 2 : NaN).toBeCloseTo((low.currentA + high.currentA) / 2, 9);
  });

  it('shares the power of cruising, or the current that was measured, with the others that have a motor', () => {
    const { element } = facts(drives(1).design);
    const watts = (bench: Bench): number => {
      const law = drive(bench, 'ESC1', { cruiseThrottle: 'cruise' });
      return law?.is === 'constant-power' && law.kneeV === element.minV / 2 ? law.watts : NaN;
    };
    const cruise = drive(drives(2), 'ESC2', { cruiseThrottle: 'cruise', cruiseA: 12 });
    expect(cruise).toEqual({ is: 'constant-current', amps: 6, kneeV: element.minV / 2 });
    expect(drive(drives(2, 1), 'ESC1', { cruiseThrottle: 'cruise', cruiseA: 12 })).toMatchObject({ amps: 12 });
    expect(watts(drives(1))).toBeGreaterThan(0);
    // Two weigh the same with one of the motors unwired.
    expect(watts(drives(2)) / watts(drives(2, 1))).toBeCloseTo(0.5, 9);
  });

  it('lifts on an airframe without a wing: by the throttle of lifting', () => {
    const one = drives(1);
    const wing = one.design;
    const quad = made(wing, { kind: 'set-airframe', airframe: 'quad', was: wing.aircraft.airframe.kind });
    const { motor } = facts(wing);
    const full = motor.table.at(-1)?.currentA ?? NaN;
    const laws = (design: Design, change: Partial<Scenario>) => lawsFor(design, 'ESC1', change).find(({ is }) => is !== 'regulator');
    expect(laws(quad, { liftThrottle: 1 })).toEqual({ is: 'square', ampsPerV2: full / motor.tableV ** 2 });
    expect(laws(quad, { cruiseThrottle: 1 })).toEqual(IDLE);
    expect(laws(wing, { liftThrottle: 1 })).toEqual(IDLE);
    // Of thrust and propellers nothing is known: the usual throttle of hovering.
    const unknown = withCircuit(
      quad,
      MOTOR,
      circuitOf(quad, MOTOR).map((element) =>
        element.is === 'motor' ? { ...element, table: element.table.map(({ throttle, currentA }) => ({ throttle, currentA })) } : element,
      ),
    );
    const hover = laws(unknown, { liftThrottle: 'hover' });
    expect(hover).toEqual(laws(unknown, { liftThrottle: 0.55 }));
    expect(hover).not.toEqual(IDLE);
    expect(laws(quad, { liftThrottle: 'hover' })).not.toEqual(hover);
  });
});

describe('the situations', () => {
  it('have their laws for every device', () => {
    const network = powerNetwork(graphOf(bench('controller-h7-carrier', 'battery-lipo-4s-5000', 'buzzer-5v').design));
    for (const scenario of SCENARIOS) expect(lawsOf(network, scenario)).toHaveLength(network.devices.length);
  });
});
