import type { SimpleEdit } from '../../edits/registry.ts';
import type { Design } from '../../model/design.ts';
import { flightModes } from '../../model/flightModes.ts';
import { osdFields } from '../../model/osdFields.ts';
import type { ModeRange, RcChannel } from '../../model/rcPlan.ts';
import { channelUses } from '../../model/rcUses.ts';
import { RC_CHOICES, RC_FIGURES, rcChoices, rcFigures } from '../../model/rcWords.ts';
import { pick, type Draw } from './draw.ts';

/** Says what a channel is for, and where it comes from; some of that is impossible. */
export function rcChannel({ aircraft }: Design, { x, y, z, isStale }: Draw): SimpleEdit {
  const channel = String(1 + (x % 16));
  const tracker = pick(Object.values(aircraft.items), y);
  const value: RcChannel = {
    use: pick(channelUses, y) ?? 'roll',
    ...(z % 3 === 0 ? { from: { is: 'switches' as const, switches: [`s${y % 4}`] } } : {}),
    ...(z % 3 === 1 && tracker !== undefined ? { from: { is: 'tracker' as const, item: tracker.id } } : {}),
    ...(z % 5 === 0 ? { reversed: true as const } : {}),
    ...(z % 7 === 0 ? { measured: { firstUs: 1000 + (y % 100), lastUs: 2000 - (x % 100) } } : {}),
    ...(z % 11 === 0 ? { ends: { leastUs: 1000 + (y % 600), mostUs: 2000 - (x % 600) } } : {}),
  };
  const was = aircraft.rc.channels[channel] ?? null;
  return { kind: 'set-rc-channel', channel, value: z % 6 === 5 ? null : value, was: isStale ? { use: 'finder' } : was };
}

/** Adds, changes or takes out a switch or a range of a mode. */
export function rcModes({ aircraft }: Design, { x, y, z, isStale }: Draw): SimpleEdit {
  const { switches, ranges } = aircraft.rc;
  if (z % 2 === 0) {
    const id = `s${x % 4}`;
    const was = switches[id] ?? null;
    const value = { title: `switch ${y % 9}`, positions: pick([2, 3, 6] as const, y) ?? 3 };
    return { kind: 'set-rc-switch', id, value: z % 3 === 0 ? null : value, was: isStale ? { ...value, title: 'stale' } : was };
  }
  const id = `r${x % 5}`;
  const span = { channel: String(1 + (y % 8)), fromUs: 800 + (x % 700), toUs: 1200 + (y % 900) };
  const value: ModeRange = {
    ...span,
    gives: pick(['armed', ...flightModes] as const, y) ?? 'manual',
    ...(z % 5 === 1 ? { with: { ...span, channel: '9' } } : {}),
  };
  const was = ranges[id] ?? null;
  return { kind: 'set-mode-range', id, value: z % 7 === 1 ? null : value, was: isStale ? { ...value, fromUs: 801 } : was };
}

/** Says something of what happens on loss and of what the pilot sees. */
export function rcWords({ aircraft }: Design, { x, y, z, isStale }: Draw): SimpleEdit | undefined {
  const { figures, choices, osd, radioFields, seen, takeOvers } = aircraft.rc;
  const field = pick(osdFields, y) ?? 'mode';
  const item = pick(Object.values(aircraft.items), y);
  const isGone = z % 4 === 0;
  switch (x % 6) {
    case 0: {
      const figure = pick(rcFigures, y) ?? 'lossDelayS';
      const { least, most } = RC_FIGURES[figure];
      const value = least + ((z % 12) / 10) * (most - least);
      return { kind: 'set-rc-figure', figure, value: isGone ? null : value, was: isStale ? 12.34 : (figures[figure] ?? null) };
    }
    case 1: {
      const choice = pick(rcChoices, y) ?? 'onLoss';
      const value = pick([...Object.keys(RC_CHOICES[choice].values), 'nonsense'], z) ?? 'nonsense';
      return { kind: 'set-rc-choice', choice, value: isGone ? null : value, was: isStale ? 'stale' : (choices[choice] ?? null) };
    }
    case 2: {
      const spot = { col: z % 30, row: x % 16 };
      return { kind: 'set-osd-field', field, spot: isGone ? null : spot, was: isStale ? { col: 1, row: 31 } : (osd[field] ?? null) };
    }
    case 3: {
      const isOn = radioFields[field] === true;
      return { kind: 'set-radio-field', field, on: !isOn, was: isStale ? !isOn : isOn };
    }
    case 4: {
      if (item === undefined) return undefined;
      const value = { signal: pick(['flag', 'no-frames', 'preset', 'none'] as const, z) ?? 'flag', basis: '0123456789abcdef' };
      const was = seen[item.id] ?? null;
      return {
        kind: 'set-seen-loss',
        item: item.id,
        value: isGone ? null : value,
        was: isStale ? { ...value, basis: 'f'.repeat(16) } : was,
      };
    }
    default: {
      if (item === undefined) return undefined;
      const value = { channels: [String(1 + (z % 8)), '9'] };
      const was = takeOvers[item.id] ?? null;
      return { kind: 'set-take-over', item: item.id, value: isGone ? null : value, was: isStale ? { channels: ['32'] } : was };
    }
  }
}
