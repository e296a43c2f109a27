import { sameJson } from '../model/canonicalJson.ts';
import type { FlightMode } from '../model/flightModes.ts';
import type { MeasuredChannel } from '../model/rcPlan.ts';
import { rcChoices, rcFigures, type RcChoice, type RcFigure } from '../model/rcWords.ts';
import { beginPlan, type ChannelOrder } from '../rc/beginPlan.ts';
import { beginFields } from '../rc/osd/beginFields.ts';
import { graphOf } from '../graph/graphOf.ts';
import { lossBasis } from '../rc/failsafe/lossPath.ts';
import { STRIP_US } from '../rc/modes/valueStrip.ts';
import type { Bench } from './bench.ts';

/** Sets the modes of channel 5: each with the value at which it begins; it goes on to the next one. */
function modes(bench: Bench, list: readonly (readonly [FlightMode, fromUs: number])[]): void {
  const { ranges } = bench.design.aircraft.rc;
  list.forEach(([gives, fromUs], i) => {
    const id = `m${i + 1}`;
    const value = { channel: '5', fromUs, toUs: list[i + 1]?.[1] ?? STRIP_US.most, gives };
    if (!sameJson(ranges[id], value)) bench.make({ kind: 'set-mode-range', id, value, was: ranges[id] ?? null });
  });
}

function seen(bench: Bench, ref: string, signal: 'flag' | 'no-frames'): void {
  const item = bench.design.aircraft.items[bench.itemId(ref)];
  if (item === undefined) throw new Error(`There is no ${ref}.`);
  bench.make({ kind: 'set-seen-loss', item: item.id, value: { signal, basis: lossBasis(item) }, was: null });
}

function measured(bench: Bench, all: Readonly<Record<string, MeasuredChannel>>): void {
  for (const [channel, value] of Object.entries(all)) {
    const was = bench.design.aircraft.rc.channels[channel];
    if (was !== undefined) bench.make({ kind: 'set-rc-channel', channel, value: { ...was, measured: value }, was });
  }
}

const LEVER = { firstUs: 1002, centreUs: 1500, lastUs: 1999 };

/** By hand, level, or home, by one switch; flaps and the shutter of the mapping camera. */
export function saltmarshRc(bench: Bench): void {
  begin(bench, 'aileron-first');
  bench.make({ kind: 'set-rc-switch', id: 's4', value: { title: 'switch 4', positions: 2 }, was: null });
  bench.make({
    kind: 'set-rc-channel',
    channel: '8',
    value: { use: 'camera-trigger', from: { is: 'switches', switches: ['s4'] } },
    was: null,
  });
  // Pull raises the value in this dialect.
  measured(bench, { '1': LEVER, '2': { firstUs: 1998, centreUs: 1501, lastUs: 1001 }, '3': LEVER, '4': LEVER });
  choose(bench, { stickMode: '2', onLoss: 'return', back: 'mode', onGroundLoss: 'mission', onLowBattery: 'return' });
  figures(bench, {
    lossDelayS: 1.5,
    returnHeightM: 80,
    wayHomeM: 3200,
    homeSpeedMps: 14,
    groundDelayS: 20,
    cruiseThrottle: 46,
    climbThrottle: 78,
  });
  seen(bench, 'RX1', 'flag');
  screens(bench);
}

/** A radio that still has the model of last year: elevons mixed in it, and the pitch channel the wrong way round. */
export function reedbedRc(bench: Bench): void {
  begin(bench, 'throttle-first');
  modes(bench, [
    ['manual', STRIP_US.least],
    ['self-level', 1290],
    ['altitude-hold', 1685],
  ]);
  bench.make({ kind: 'set-rc-choice', choice: 'radioMixes', value: 'elevon', was: 'plain' });
  measured(bench, { '3': LEVER });
  choose(bench, { stickMode: '1', onLoss: 'descend' });
  seen(bench, 'RX1', 'flag');
  screens(bench);
}

/** Six modes by two switches that the radio mixes to one channel. */
export function mudflatRc(bench: Bench): void {
  begin(bench, 'aileron-first');
  bench.make({ kind: 'set-rc-switch', id: 's4', value: { title: 'switch 4', positions: 2 }, was: null });
  const was = bench.design.aircraft.rc.channels['5'];
  if (was !== undefined)
    bench.make({ kind: 'set-rc-channel', channel: '5', value: { use: 'mode', from: { is: 'switches', switches: ['s1', 's4'] } }, was });
  modes(bench, [
    ['hover-level', STRIP_US.least],
    ['hover-position', 1110],
    ['self-level', 1290],
    ['cruise', 1445],
    ['return', 1685],
    ['mission', 1895],
  ]);
  choose(bench, { stickMode: '2', onLoss: 'return', back: 'mode', onGroundLoss: 'mission', onLowBattery: 'return' });
  figures(bench, { returnHeightM: 60, wayHomeM: 2500, homeSpeedMps: 17 });
  seen(bench, 'RX1', 'no-frames');
  screens(bench);
}

function begin(bench: Bench, order: ChannelOrder): void {
  const edit = beginPlan(bench.design, order);
  if (edit !== undefined) bench.make(edit);
}

/** What the pilot sees: the usual, as far as it has a source. */
function screens(bench: Bench): void {
  const edit = beginFields(graphOf(bench.design));
  if (edit !== undefined) bench.make(edit);
}

function choose(bench: Bench, all: Readonly<Partial<Record<RcChoice, string>>>): void {
  for (const choice of rcChoices) {
    const value = all[choice];
    if (value !== undefined) bench.make({ kind: 'set-rc-choice', choice, value, was: bench.design.aircraft.rc.choices[choice] ?? null });
  }
}

function figures(bench: Bench, all: Readonly<Partial<Record<RcFigure, number>>>): void {
  for (const figure of rcFigures) {
    const value = all[figure];
    if (value !== undefined) bench.make({ kind: 'set-rc-figure', figure, value, was: null });
  }
}
