import type { SimpleEdit } from '../../edits/registry.ts';
import type { Linkage } from '../../model/linkage.ts';
import type { Design } from '../../model/design.ts';
import { MIX_FIGURES, mixFigures, outputKey, PULSE_KINDS, pulseKinds, travelOf } from '../../model/outputPlan.ts';
import { output } from './items.ts';
import { pick, type Draw } from './draw.ts';

/** Says what a bank makes, or how the controller mixes; some of that is impossible. */
export function outputPlan(design: Design, { x, y, z, isStale }: Draw): SimpleEdit | undefined {
  const { aircraft, parts } = design;
  if (x % 2 === 0) {
    const figure = pick(mixFigures, y) ?? 'roll';
    const { least, most } = MIX_FIGURES[figure];
    const value = least + ((z % 12) / 10) * (most - least);
    return { kind: 'set-mix-figure', figure, value: z % 4 === 0 ? null : value, was: isStale ? 0.123 : (aircraft.mixing[figure] ?? null) };
  }
  const controller = Object.values(aircraft.items).find(({ part }) => parts.get(part)?.kind === 'controller');
  const banks = controller === undefined ? [] : (parts.get(controller.part)?.board?.banks ?? []);
  const bank = pick(banks, y)?.id;
  if (controller === undefined || bank === undefined) return undefined;
  const now = aircraft.banks[outputKey(controller.id, bank)];
  const was = now === undefined ? null : { kind: now.kind, ...(now.rateHz === undefined ? {} : { rateHz: now.rateHz }) };
  const kind = pick(pulseKinds, z) ?? 'pwm';
  const value = { kind, ...(PULSE_KINDS[kind].hasRate === (z % 5 !== 0) ? { rateHz: 25 + (z % 900) } : {}) };
  return { kind: 'set-bank', item: controller.id, bank, value: z % 7 === 0 ? null : value, was: isStale ? { kind: 'led' } : was };
}

/** Says how far the pulses of an output go, or holds its function there; first of all it gets one. */
export function outputHeld(design: Design, { x, y, z, isStale }: Draw): SimpleEdit | undefined {
  const use = pick(Object.values(design.aircraft.outputs), y);
  if (use === undefined) return output(design, { x, y, z, isStale, kind: 0 });
  if (x % 2 === 0) {
    const was = use.held === true;
    return { kind: 'hold-output', item: use.item, output: use.output, held: !was, was: was !== isStale };
  }
  const value = {
    minUs: 900 + (y % 500),
    ...(z % 2 === 0 ? { maxUs: 1300 + (z % 900) } : {}),
    ...(z % 3 === 0 ? { reversed: true as const } : {}),
  };
  return { kind: 'set-output-travel', item: use.item, output: use.output, value, was: isStale ? { trimUs: 1234 } : travelOf(use) };
}

/** Says how a servo moves its surface; some of that cannot close. */
export function linkage({ aircraft, parts }: Design, { x, y, z, isStale }: Draw): SimpleEdit | undefined {
  const servo = pick(
    Object.values(aircraft.items).filter(({ part }) => parts.get(part)?.servo !== undefined),
    x,
  );
  if (servo === undefined) return undefined;
  const value: Linkage = {
    item: servo.id,
    armMm: 2 + (y % 30),
    hornMm: 2 + (z % 40),
    distanceMm: 20 + (y % 200),
    horn: y % 2 === 0 ? 'below' : 'above',
    arm: z % 2 === 0 ? 'pushes' : 'pulls',
    ...(y % 3 === 0 ? { rodMm: 10 + (z % 300), armDeg: (z % 60) - 30 } : {}),
    ...(z % 4 === 0 ? { crossed: true as const } : {}),
  };
  const was = aircraft.linkages[servo.id] ?? null;
  return { kind: 'set-linkage', item: servo.id, value: z % 9 === 0 ? null : value, was: isStale ? { ...value, armMm: 3.3 } : was };
}
