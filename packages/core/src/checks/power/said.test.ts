import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, it } from '@jest/globals';
import { demoAircraft } from '../../demo/demoAircraft.ts';
import { graphOf } from '../../graph/graphOf.ts';
import type { Design } from '../../model/design.ts';
import { asId, type AircraftId } from '../../model/ids.ts';
import { bench, joined } from '../../test/checkCases/build.ts';
import { CASES } from '../../test/checkCases/cases.ts';
import { carrier, carrierOver, inSeries, motorised, onThePack, overModule, servos } from '../../test/checkCases/powerDesigns.ts';
import { countingIds } from '../../test/designs.ts';
import { withPlainSpaces } from '../../text/numbers.ts';
import { subjectKey, type Check } from '../finding.ts';
import { powerChecks } from './index.ts';

// What the checks of power say, word for word, of many aircraft: the words of each check's own case, and of aircraft that lie to both
// sides of the limits. A change of any number, severity or remedy shows here; the file is read line by line when it is kept anew, by
// `WF_KEEP_SAID=1 npx jest -c jest.config.mjs checks/power/said`.
const FILE = join(process.cwd(), 'packages/core/src/checks/power/said.txt');

/** What one check says of an aircraft: each finding with its evidence and its remedies. */
function told(check: Check, design: Design): readonly string[] {
  return check.run({ graph: graphOf(design) }).flatMap(({ severity, where, what, why, evidence = [], remedies, cause, discriminator }) => [
    `  ${severity} ${check.id}: ${what}`,
    `    at ${where.map(subjectKey).join(', ')}`,
    `    ${why}`,
    ...evidence.map(({ label, value, limit }) => `    - ${label}: ${value}${limit === undefined ? '' : ` | ${limit}`}`),
    ...(cause === undefined ? [] : [`    from ${cause.of} (${cause.distance})`]),
    ...(discriminator === undefined ? [] : [`    apart as ${discriminator}`]),
    // Parts that could take its place hang on the catalogue: provenRemedies.test.
    ...(remedies?.() ?? []).flatMap(({ label, sentence, isChoice }) => (isChoice === true ? [] : [`    > ${label}: ${sentence}`])),
  ]);
}

const demos: readonly (readonly [string, () => Design])[] = demoAircraft.map(({ id, build }) => [
  id,
  () => build(asId<AircraftId>(id), countingIds()),
]);

/** A carrier whose first input hangs on a regulator on the pack. */
function fedBy(regulator: string): Design {
  const one = bench('controller-h7-carrier', 'battery-lipo-6s-10000', regulator);
  one.wire('BAT1 main', 'BEC1 in', 'meaning', 100);
  one.wire('BEC1 out', 'FC1 PWR1', 'none', 100);
  const joins = [
    [1, 5],
    [2, 1],
  ] as const;
  return joined(one.design, 'W02', joins);
}

/** Aircraft to both sides of the limits of the checks. */
const grid: readonly (readonly [string, () => Design])[] = [
  ...(['battery-lipo-3s-3300', 'battery-lipo-4s-5000', 'battery-lipo-6s-10000'] as const).map(
    (pack) => [`a controller for four cells on ${pack}`, () => onThePack(pack)] as const,
  ),
  ...(
    [
      ['battery-lipo-4s-5000', 'battery-lipo-4s-5000'],
      ['battery-lipo-4s-5000', 'battery-lipo-6s-10000'],
      ['battery-lipo-6s-10000', 'battery-lipo-6s-10000'],
    ] as const
  ).map(([below, above]) => [`${below} and ${above} in series`, () => inSeries(below, above).design] as const),
  ...[1, 2, 3, 4, 5].map((count) => [`${count} servos on 3 A`, () => servos('regulator-buck-5v-3a', count)] as const),
  ...[1, 2, 3].map((count) => [`${count} servos on a linear 1.5 A`, () => servos('regulator-linear-5v-1a5', count)] as const),
  ...[200, 1500, 4000].map((mm) => [`2 servos over ${mm} mm`, () => servos('regulator-buck-5v-3a', 2, 'servo-20g-standard', mm)] as const),
  ...[10, 14, 18, 22].map(
    (awg) => [`a motor over AWG ${awg}`, () => motorised('motor-controller-40a-5v2a', 'motor-28mm-9x6', awg).design] as const,
  ),
  ...[200, 400, 900].map(
    (mm) => [`a motor over ${mm} mm`, () => motorised('motor-controller-40a-5v2a', 'motor-28mm-9x6', 14, mm).design] as const,
  ),
  [
    'a motor too large for its controller',
    () => motorised('motor-controller-40a-5v2a', 'motor-35mm-13x8', 10, 80, 'battery-lipo-6s-10000').design,
  ],
  ...[100, 1500, 4000, 9000].map((mm) => [`a carrier over ${mm} mm`, () => carrierOver(mm)] as const),
  ...['power-module-analog-60a', 'power-module-analog-90a-12v', 'power-module-i2c-120a'].map(
    (module) => [`a carrier over ${module}`, () => overModule(module)] as const,
  ),
  ['a carrier without its module', () => carrier().design],
  ['a carrier with 12 V at its inputs', () => fedBy('regulator-buck-12v-3a')],
  ['a carrier with 5 V at its inputs', () => fedBy('regulator-buck-boost-5v-4a')],
];

it('the checks of power say of many aircraft what the file has of them', () => {
  const lines: string[] = [];
  for (const check of powerChecks) {
    const own = CASES[check.id];
    if (own === undefined) throw new Error(`${check.id} has no case.`);
    lines.push(`== ${check.id}, its case`, ...told(check, own.wrong()));
    expect(told(check, own.right())).toEqual([]);
  }
  for (const [name, build] of [...demos, ...grid]) {
    const design = build();
    lines.push(`== ${name}`, ...powerChecks.flatMap((check) => told(check, design)));
  }
  const text = withPlainSpaces(`${lines.join('\n')}\n`);
  if (process.env['WF_KEEP_SAID'] === '1') writeFileSync(FILE, text);
  expect(text).toBe(readFileSync(FILE, 'utf8'));
});
