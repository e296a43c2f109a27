import type { SimpleEdit } from '../../edits/registry.ts';
import { keptKey, type KeptLine, type ReadBack } from '../../model/firmwarePlan.ts';
import type { Design } from '../../model/design.ts';
import { itemOf, made } from '../designs.ts';
import { bench, FC, set, type CheckCases } from './build.ts';

/** What a dump said when it was read. */
export function read(found: Partial<ReadBack>, design: Design = bench(FC).design): Design {
  const value: ReadBack = { at: '2026-05-04T09:00:00Z', calibrations: 6, uncalibrated: [], ...found };
  return made(design, { kind: 'set-read-back', item: itemOf(design, 'FC1').id, value, was: null });
}

/** A line that is kept as the aircraft has it. */
export function kept(design: Design, section: string, line: string, text: string): Design {
  const value: KeptLine = { item: itemOf(design, 'FC1').id, section, line, text };
  const edit: SimpleEdit = { kind: 'keep-line', key: keptKey(value), value, was: null };
  return made(design, edit);
}

/** Firmware of a target, planned and read. */
function planned(target: string): Design {
  const design = read({ target: 'PLOVER4' });
  return made(design, { kind: 'set-firmware-facts', value: { target }, was: {} });
}

/** The port by software in use, and what switches it on. */
function softPort(switched: string): Design {
  return kept(set(bench(FC).design, 'FC1', 'S6.protocol', 'mavlink-2'), 'ports', 'SOFT.PORT *', switched);
}

/** A ground program whose ids are set. */
function withProgram(system: number, component: number): Design {
  const one = bench(FC);
  one.add('computer-bench', 'laptop', { 'program1.system': system, 'program1.component': component }, 'ground');
  one.wire('PC1 usb1', 'FC1 usb');
  return one.design;
}

export const firmwareCases: CheckCases = {
  'firmware.target': {
    wrong: () => planned('TEAL7'),
    right: () => planned('PLOVER4'),
  },
  'firmware.prerequisite': {
    wrong: () => softPort('SOFT.PORT 0'),
    right: () => softPort('SOFT.PORT 1'),
  },
  'firmware.copied-calibration': {
    wrong: () => read({ copiedFrom: { aircraft: 'Another', lines: 5 } }),
    right: () => read({}),
  },
  'mavlink.system-id': {
    wrong: () => withProgram(1, 1),
    right: () => withProgram(1, 190),
  },
};
