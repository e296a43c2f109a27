import { expect, it } from '@jest/globals';
import type { Part } from '../model/part.ts';
import { sampleParts } from '../parts/catalogue.ts';
import { ratingProblems } from './ratingProblems.ts';

/** A part of the catalogue with other figures in the elements of one kind. */
function changed(id: string, is: Part['circuit'][number]['is'], figures: Readonly<Record<string, unknown>>): Part {
  const part = sampleParts.find((one) => one.id === id);
  if (part === undefined) throw new Error(`There is no ${id}.`);
  return { ...part, circuit: part.circuit.map((element) => (element.is === is ? { ...element, ...figures } : element)) };
}

it.each([
  [
    'contacts that do not carry what it draws',
    changed('companion-module-carrier', 'load', { peakA: 6.5 }),
    'It draws 6.5 A through contacts for 6 A.',
  ],
  [
    'contacts that do not carry a stalled servo for a moment',
    changed('servo-25g-can', 'load', { stallA: 3.4 }),
    'It draws for a moment 3.4 A through contacts for 3 A.',
  ],
  [
    'a plug that does not carry what the pack gives',
    changed('battery-lipo-4s-5000', 'battery', { continuousA: 61 }),
    'The pack gives 61 A through a plug for 60 A.',
  ],
  [
    'cells that an empty pack of it does not run',
    changed('motor-controller-120a-12s', 'drive', { minV: 20 }),
    'It is for 6 cells and more, and needs 20 V.',
  ],
  [
    'cells that are too many when full',
    changed('motor-controller-120a-12s', 'drive', { maxV: 50 }),
    'It is for up to 12 cells, and withstands 50 V.',
  ],
  ['a drive that takes nothing', changed('motor-controller-40a-5v2a', 'drive', { idleA: 0 }), '"drive" draws 0 A with its motor stopped.'],
  ['a drive that takes too much', changed('motor-controller-40a-5v2a', 'drive', { idleA: 2 }), '"drive" draws 2 A with its motor stopped.'],
  ['half an ampere for 20 dBm', changed('radio-900-class', 'load', { idleA: 0.06, peakA: 0.5 }), 'It draws 2.2 W to send 0.1 W.'],
  ['more sent than is taken', changed('radio-900-class', 'load', { idleA: 0.06, peakA: 0.08 }), 'It sends 0.1 W and draws 0.1 W for it.'],
] as const)('%s is said', (_, part, sentence) => {
  expect(ratingProblems(part).map((said) => said.replaceAll('\u00a0', ' '))).toEqual([sentence]);
});

it('a contact carries more for a moment, and two carry twice', () => {
  expect(ratingProblems(changed('servo-25g-can', 'load', { stallA: 3 }))).toEqual([]);
  expect(ratingProblems(changed('companion-module-carrier', 'load', { peakA: 6 }))).toEqual([]);
  expect(ratingProblems(changed('motor-controller-120a-12s', 'drive', { minV: 19.2, maxV: 50.4 }))).toEqual([]);
});
