import { roleTable } from '../../dialects/roleTable.ts';
import { liftMotors } from '../../layout/liftMotors.ts';
import { usualFrame } from '../../layout/usualFrame.ts';
import type { Design } from '../../model/design.ts';
import type { Spot } from '../../model/frame.ts';
import type { Linkage } from '../../model/linkage.ts';
import { LIFT_FUNCTIONS, type OutputFunction } from '../../model/outputFunctions.ts';
import type { BankUse, OutputTravel } from '../../model/outputPlan.ts';
import { itemOf, made } from '../designs.ts';
import { servos } from './powerDesigns.ts';
import { assigned, bench, FC, powered, withDialect, type CheckCases } from './build.ts';

const elevon = (servo = 'servo-12g-metal'): Design => {
  const one = powered();
  one.add(servo, 'left elevon');
  one.wire('SRV1 lead', 'FC1 out1');
  return one.design;
};

const banked = (design: Design, bank: string, value: Pick<BankUse, 'kind' | 'rateHz'>): Design =>
  made(design, { kind: 'set-bank', item: itemOf(design, 'FC1').id, bank, value, was: null });

const onOut1 = (design: Design, name: OutputFunction = 'elevon-left'): Design => assigned(design, 'FC1', 'out1', name);

const pwm = (rateHz: number): BankValue => ({ kind: 'pwm', rateHz });
type BankValue = Pick<BankUse, 'kind' | 'rateHz'>;

const twin = (output: string): Design => {
  const { design } = powered();
  const now = made(design, { kind: 'set-airframe', airframe: 'twin-motor', was: 'flying-wing' });
  return assigned(withDialect(now, roleTable), 'FC1', output, 'rudder');
};

/** A quad, its motors at the places in this order; the firmware counts clockwise from the rear left. */
const quad = (places: readonly string[]): Design => {
  const one = bench(FC, 'battery-lipo-4s-5000', 'distribution-plain-bus');
  one.wire('BAT1 main', 'PWR1 battery');
  one.wire('PWR1 b5', 'FC1 battery');
  one.make({ kind: 'set-airframe', airframe: 'quad', was: 'flying-wing' });
  const frame = usualFrame('quad', 600);
  one.make({ kind: 'set-frame', frame, was: null });
  places.forEach((place, i) => {
    const spot = liftMotors('quad', frame).find(({ rotor }) => rotor.place === place);
    if (spot === undefined) throw new Error(`A quad has no motor ${place}.`);
    const { turns: turn } = spot.rotor;
    one.add('motor-controller-40a-5v2a', '');
    one.add('motor-28mm-9x6', '', { spin: turn, hand: turn });
    one.wire(`PWR1 b${i + 1}`, `ESC${i + 1} power`);
    one.wire(`ESC${i + 1} motor`, `MOT${i + 1} phases`, 'straight');
    one.wire(`ESC${i + 1} signal`, `FC1 out${i + 1}`);
    one.assign('FC1', `out${i + 1}`, LIFT_FUNCTIONS[i] ?? 'motor-1');
    const at: Spot = [Math.round(spot.at[0]), Math.round(spot.at[1]), Math.round(spot.at[2])];
    one.make({ kind: 'place-item', item: one.itemId(`MOT${i + 1}`), place: { at, turn: [0, 0, 0], yawDeg: 0, below: false }, was: null });
  });
  return one.design;
};

const mixedBy = (share: number): Design =>
  made(onOut1(powered().design), {
    kind: 'batch',
    title: 'Mix',
    edits: (['roll', 'pitch'] as const).map((figure) => ({ kind: 'set-mix-figure', figure, value: share, was: null })),
  });

/** A left elevon whose servo is linked so, and gets these pulses; with speeds to fly at. */
const linked = (figures: Partial<Linkage>, travel: OutputTravel = {}, neverExceedMs = 20): Design => {
  const fed = servos('regulator-buck-selectable-10a', 1, 'servo-12g-metal');
  const design = banked(onOut1(fed), 'A', pwm(50));
  const item = itemOf(design, 'SRV1').id;
  const value: Linkage = {
    item,
    armMm: 10,
    hornMm: 14,
    distanceMm: 60,
    horn: 'below',
    arm: 'pushes',
    chordMm: 40,
    lengthMm: 300,
    ...figures,
  };
  const frame = usualFrame('flying-wing', 1200);
  return made(design, {
    kind: 'batch',
    title: 'Linked',
    edits: [
      { kind: 'set-linkage', item, value, was: null },
      { kind: 'set-output-travel', item: itemOf(design, 'FC1').id, output: 'out1', value: travel, was: {} },
      { kind: 'set-frame', frame: { ...frame, numbers: { ...frame.numbers, stallMs: 8, neverExceedMs } }, was: null },
    ],
  });
};

export const outputCases: CheckCases = {
  'output.not-begun': {
    wrong: () => onOut1(elevon()),
    right: () => banked(onOut1(elevon()), 'A', pwm(50)),
  },
  'output.missing-function': {
    wrong: () => banked(onOut1(elevon()), 'A', pwm(50)),
    right: () => assigned(assigned(onOut1(elevon()), 'FC1', 'out2', 'elevon-right'), 'FC1', 'out3', 'throttle'),
  },
  'output.duplicate-function': {
    wrong: () => assigned(onOut1(elevon()), 'FC1', 'out3', 'elevon-left'),
    right: () => assigned(onOut1(elevon()), 'FC1', 'out3', 'elevon-right'),
  },
  'output.rate-too-fast': {
    wrong: () => banked(onOut1(elevon('servo-9g-analog')), 'A', pwm(333)),
    right: () => banked(onOut1(elevon('servo-9g-analog')), 'A', pwm(50)),
  },
  'output.bank-rate': {
    wrong: () => banked(onOut1(elevon()), 'A', { kind: 'dshot' }),
    right: () => banked(onOut1(elevon()), 'A', pwm(50)),
  },
  'output.kind-unsupported': {
    wrong: () => banked(assigned(elevon(), 'FC1', 'out5', 'throttle'), 'C', { kind: 'dshot' }),
    right: () => banked(assigned(elevon(), 'FC1', 'out5', 'throttle'), 'C', pwm(50)),
  },
  'output.dialect-refuses': {
    wrong: () => twin('out1'),
    right: () => twin('out3'),
  },
  'output.motor-order': {
    wrong: () => quad(['front-left', 'rear-left', 'front-right', 'rear-right']),
    right: () => quad(['rear-left', 'front-left', 'front-right', 'rear-right']),
  },
  'output.saturation': {
    wrong: () => mixedBy(0.9),
    right: () => mixedBy(0.5),
  },
  'output.unwired': {
    wrong: () => assigned(powered().design, 'FC1', 'out2', 'elevon-left'),
    right: () => assigned(elevon(), 'FC1', 'out1', 'elevon-left'),
  },
  'output.linkage': {
    wrong: () => linked({ armMm: 20, hornMm: 10, chordMm: 20, lengthMm: 150 }),
    right: () => linked({}),
  },
  'output.torque': {
    wrong: () => linked({ chordMm: 120, lengthMm: 700 }, {}, 60),
    right: () => linked({}),
  },
  'output.wired-unassigned': {
    wrong: () => elevon(),
    right: () => assigned(elevon(), 'FC1', 'out1', 'elevon-left'),
  },
};
