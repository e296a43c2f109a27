import type { SimpleEdit } from '../../edits/registry.ts';
import type { Design } from '../../model/design.ts';
import { keptKey, type FirmwareFacts, type KeptLine } from '../../model/firmwarePlan.ts';
import { pick, type Draw } from './draw.ts';

/** A fact of the firmware, a line kept or let go of, or what was read. */
export function firmware(design: Design, draw: Draw): SimpleEdit | undefined {
  return [facts, keptLine, readBack][draw.y % 3]?.(design, draw);
}

function facts({ aircraft }: Design, { x, z, isStale }: Draw): SimpleEdit {
  const now = aircraft.firmware.facts;
  const wanted: readonly FirmwareFacts[] = [
    { version: String(1 + (z % 5)) },
    { levelPitchDeg: (z % 20) - 10, levelSet: 'at-level' },
    { target: z % 2 === 0 ? 'ESTUARY7' : 'PLOVER4' },
  ];
  const value = wanted[x % wanted.length] ?? {};
  const named = Object.keys(value);
  const was = Object.fromEntries(Object.entries(now).filter(([name]) => named.includes(name)));
  const isTakenAway = z % 7 === 0 && Object.keys(was).length > 0;
  return { kind: 'set-firmware-facts', value: isTakenAway ? {} : value, was: isStale ? { ...value, version: 'other' } : was };
}

function keptLine({ aircraft }: Design, { x, z, isStale }: Draw): SimpleEdit | undefined {
  const item = pick(Object.values(aircraft.items), x);
  if (item === undefined) return undefined;
  const value: KeptLine = { item: item.id, section: 'ports', line: `Z${z % 20}.OWN`, text: z % 5 === 0 ? '' : `Z${z % 20}.OWN ${x % 40}` };
  const key = keptKey(value);
  const was = aircraft.firmware.kept[key] ?? null;
  return { kind: 'keep-line', key, value: z % 6 === 0 ? null : value, was: isStale ? { ...value, text: 'other' } : was };
}

function readBack({ aircraft }: Design, { x, z, isStale }: Draw): SimpleEdit | undefined {
  const item = pick(Object.values(aircraft.items), x);
  if (item === undefined) return undefined;
  const value = { at: '2026-04-01T08:00:00Z', calibrations: z % 9, uncalibrated: z % 2 === 0 ? [] : ['GYRO.X.ZERO'], version: '3' };
  const was = aircraft.firmware.read[item.id] ?? null;
  return { kind: 'set-read-back', item: item.id, value: z % 6 === 0 ? null : value, was: isStale ? { ...value, calibrations: 77 } : was };
}
