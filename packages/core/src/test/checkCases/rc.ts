import { numbered } from '../../dialects/numbered.ts';
import { roleTable } from '../../dialects/roleTable.ts';
import type { Design } from '../../model/design.ts';
import type { OsdField } from '../../model/osdFields.ts';
import { graphOf } from '../../graph/graphOf.ts';
import { beginFields } from '../../rc/osd/beginFields.ts';
import type { ModeRange, OsdSpot, RcChannel } from '../../model/rcPlan.ts';
import { beginPlan, type ChannelOrder } from '../../rc/beginPlan.ts';
import { lossBasis } from '../../rc/failsafe/lossPath.ts';
import { itemOf, made } from '../designs.ts';
import { bench, FC, set, withDialect, type CheckCase, type CheckCases } from './build.ts';

/** A board that reads a receiver by SBUS. */
export function heard(): Design {
  const one = bench(FC, 'receiver-sbus-telemetry', 'gnss-serial');
  one.wire('RX1 main', 'FC1 S2');
  one.setting('FC1', 'S2.protocol', 'sbus');
  one.wire('GNSS1 UART', 'FC1 S3');
  one.setting('FC1', 'S3.protocol', 'gnss-binary');
  one.setting('FC1', 'S3.baud', 115_200);
  return one.design;
}

/** A plan to begin with, in the order of a school. */
export function begin(design: Design, order: ChannelOrder): Design {
  const edit = beginPlan(design, order);
  if (edit === undefined) throw new Error('There is nothing to begin with.');
  return made(design, edit);
}

/** The same with a plan to begin with, what happens on loss, and the receiver seen. */
export function planned(design: Design = heard()): Design {
  const begun = begin(design, 'aileron-first');
  const acts = made(begun, { kind: 'set-rc-choice', choice: 'onLoss', value: 'return', was: null });
  return seenLoss(acts, 'flag');
}

export function seenLoss(design: Design, signal: 'flag' | 'no-frames' | 'none' | 'preset'): Design {
  const item = itemOf(design, 'RX1');
  return made(design, { kind: 'set-seen-loss', item: item.id, value: { signal, basis: lossBasis(item) }, was: null });
}

export function withChannel(design: Design, no: string, value: RcChannel | null): Design {
  return made(design, { kind: 'set-rc-channel', channel: no, value, was: design.aircraft.rc.channels[no] ?? null });
}

export function withRange(design: Design, id: string, value: ModeRange | null): Design {
  return made(design, { kind: 'set-mode-range', id, value, was: design.aircraft.rc.ranges[id] ?? null });
}

/** A plan with a change against the plan as it is. */
const planCase = (wrong: (design: Design) => Design, right: (design: Design) => Design = (design) => design): CheckCase => ({
  wrong: () => wrong(planned()),
  right: () => right(planned()),
});

/** A receiver that gives CRSF at an air rate. */
function fast(rate: number): Design {
  const one = bench(FC, 'receiver-crsf-full');
  one.wire('RX1 UART', 'FC1 S1');
  one.setting('FC1', 'S1.protocol', 'crsf');
  one.setting('RX1', 'rc.rate', rate);
  return withChannel(one.design, '7', { use: 'tilt', from: { is: 'knob' } });
}

export const rcCases: CheckCases = {
  'rc.not-begun': { wrong: heard, right: planned },
  'rc.failsafe': {
    wrong: () => {
      const one = bench('controller-8-bit-servo-fed', 'receiver-sbus-16', 'converter-sbus-to-ppm');
      one.wire('RX1 SBUS', 'CONV1 SBUS');
      one.wire('CONV1 out', 'FC1 PPM');
      return planned(one.design);
    },
    right: planned,
  },
  'rc.channel-capacity': planCase((design) => withChannel(design, '17', { use: 'light' })),
  'rc.channel-resolution': { wrong: () => fast(500), right: () => fast(50) },
  'rc.direction': planCase(
    (design) => withChannel(design, '1', { use: 'roll', measured: { firstUs: 2000, centreUs: 1500, lastUs: 1000 } }),
    (design) => withChannel(design, '1', { use: 'roll', measured: { firstUs: 1000, centreUs: 1500, lastUs: 2000 } }),
  ),
  'rc.channel-ends': planCase(
    (design) => withChannel(design, '1', { use: 'roll', measured: { firstUs: 1090, centreUs: 1500, lastUs: 2000 } }),
    (design) => withChannel(design, '1', { use: 'roll', measured: { firstUs: 1012, centreUs: 1503, lastUs: 1991 } }),
  ),
  'rc.double-mixing': planCase((design) => made(design, { kind: 'set-rc-choice', choice: 'radioMixes', value: 'elevon', was: 'plain' })),
  'rc.mode-overlap': {
    wrong: () => withRange(planned(withDialect(heard(), roleTable)), 'm1', { channel: '5', fromUs: 800, toUs: 1400, gives: 'manual' }),
    right: () => planned(withDialect(heard(), roleTable)),
  },
  'rc.mode-reach': planCase((design) => withRange(design, 'm9', { channel: '9', fromUs: 1685, toUs: 2200, gives: 'circle' })),
  'link.dialect-refuses': {
    wrong: () => withRange(planned(), 'm1', { channel: '5', fromUs: 800, toUs: 1200, gives: 'manual' }),
    right: () => planned(withDialect(heard(), numbered)),
  },
  'rc.rssi-source': {
    wrong: () => {
      const one = bench(FC, 'receiver-sbus-16');
      one.wire('RX1 SBUS', 'FC1 S2');
      one.setting('FC1', 'S2.protocol', 'sbus');
      return planned(one.design);
    },
    right: planned,
  },
  'rc.take-over': {
    wrong: () => takenOver(planned(withCompanion())),
    right: () =>
      withChannel(withSwitch(takenOver(planned(withCompanion()))), '9', { use: 'take-back', from: { is: 'switches', switches: ['s9'] } }),
  },
  'osd.not-begun': { wrong: withPicture, right: () => fieldAt(withPicture(), 'timer', { col: 2, row: 2 }) },
  'osd.field-without-source': {
    wrong: () => fieldAt(fieldAt(withPicture(), 'airspeed', { col: 2, row: 2 }), 'timer', { col: 2, row: 3 }),
    right: () => {
      const begun = beginFields(graphOf(withPicture()));
      return begun === undefined ? withPicture() : made(withPicture(), begun);
    },
  },
  'osd.field-place': {
    wrong: () => fieldAt(withPicture(), 'timer', { col: 28, row: 2 }),
    right: () => fieldAt(withPicture(), 'timer', { col: 20, row: 2 }),
  },
  'rc.no-bind-step': {
    wrong: () => {
      const design = heard();
      const parts = new Map([...design.parts].map(([key, part]) => [key, part.kind === 'rc-receiver' ? { ...part, steps: [] } : part]));
      return { ...design, parts };
    },
    right: heard,
  },
};

/** A board with an overlay between a camera and a transmitter. */
export function withPicture(...others: readonly string[]): Design {
  const one = bench(FC, 'camera-analog-5v', 'video-transmitter-analog', ...others);
  one.wire('CAM1 AV', 'FC1 camera');
  one.wire('VTX1 AV', 'FC1 video');
  return one.design;
}

export function fieldAt(design: Design, field: OsdField, spot: OsdSpot): Design {
  return made(design, { kind: 'set-osd-field', field, spot, was: design.aircraft.rc.osd[field] ?? null });
}

function withCompanion(): Design {
  const one = bench(FC, 'receiver-sbus-telemetry', 'gnss-serial', 'companion-small-5v');
  one.wire('RX1 main', 'FC1 S2');
  one.setting('FC1', 'S2.protocol', 'sbus');
  return one.design;
}

function takenOver(design: Design): Design {
  return made(design, { kind: 'set-take-over', item: itemOf(design, 'CC1').id, value: { channels: ['1', '2'] }, was: null });
}

function withSwitch(design: Design): Design {
  return made(design, { kind: 'set-rc-switch', id: 's9', value: { title: 'back', positions: 2 }, was: null });
}

/** Changes a setting of the receiver of such a design. */
export function receiverSet(design: Design, setting: string, value: string | number): Design {
  return set(design, 'RX1', setting, value);
}
