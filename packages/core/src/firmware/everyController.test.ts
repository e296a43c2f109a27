import { describe, expect, it } from '@jest/globals';
import { sampleDialects } from '../dialects/sampleDialects.ts';
import { applyEdit } from '../edits/applyEdit.ts';
import type { SimpleEdit } from '../edits/registry.ts';
import { graphOf } from '../graph/graphOf.ts';
import type { Design } from '../model/design.ts';
import { IMU_TURN } from '../model/mounting.ts';
import { outputFunctions } from '../model/outputFunctions.ts';
import type { Part } from '../model/part.ts';
import { settingsOf } from '../model/settingsOf.ts';
import { sampleParts } from '../parts/catalogue.ts';
import { withDialect } from '../test/checkCases/build.ts';
import { emptyBench, itemOf } from '../test/designs.ts';
import { configText } from './configText.ts';
import { configurationOf, takesNoText } from './configuration.ts';
import { driftOfText, OPEN_KINDS } from './drift/driftOf.ts';
import { scopeOf } from './scope.ts';

const pairs = sampleParts
  .filter(({ kind }) => kind === 'controller')
  .flatMap((part) => sampleDialects.map((dialect) => [part.board?.target ?? part.id, dialect.id, part, dialect] as const));

/** The controller alone, with everything set that can be: a protocol at each port, a function on each output. */
function fullyUsed(part: Part): Design {
  const bench = emptyBench();
  bench.add(part.id, '');
  const { id } = itemOf(bench.design, 'FC1');
  const settings = settingsOf(part).flatMap((spec): SimpleEdit[] => {
    if (spec.is !== 'choice' || !(/\.(protocol|baud|flow)$/.test(spec.id) || spec.id === IMU_TURN)) return [];
    // One sample knows no board that stands on its nose: another check speaks of that.
    const value = spec.id === IMU_TURN ? 'roll-270-yaw-270' : spec.choices.at(-1)?.value;
    return value === undefined ? [] : [{ kind: 'set-item-setting', item: id, setting: spec.id, value, was: null }];
  });
  const outputs = part.endpoints
    .filter(({ is }) => is === 'pulse-out')
    .map((endpoint, i): SimpleEdit => ({
      kind: 'set-output-function',
      item: id,
      output: endpoint.id,
      function: outputFunctions[i % outputFunctions.length] ?? null,
      was: null,
    }));
  const banks = (part.board?.banks ?? []).map((bank): SimpleEdit => ({
    kind: 'set-bank',
    item: id,
    bank: bank.id,
    value: { kind: 'pwm', rateHz: 50 },
    was: null,
  }));
  return [...settings, ...outputs, ...banks].reduce<Design>((design, edit) => {
    const outcome = applyEdit(design, edit);
    return 'refused' in outcome ? design : outcome.design;
  }, bench.design);
}

describe.each(pairs)('%s in %s', (_, __, part, dialect) => {
  const scope = scopeOf(graphOf(withDialect(fullyUsed(part), dialect)));
  if (typeof scope === 'string') throw new Error(scope);
  const configuration = configurationOf(scope);

  it('has a line or a press for everything that is set, and no code is missing', () => {
    expect(configuration.leftOut.map(({ what, title, value }) => `${what}: ${title} ${value}`)).toEqual([]);
    expect(configuration.unmet).toEqual([]);
    const uarts = part.endpoints.filter(({ is }) => is === 'uart').length;
    const ports = new Set(configuration.lines.filter(({ family }) => family === 'port').map(({ row }) => row.what));
    expect(takesNoText(scope) ? configuration.pressed.length > 0 : ports.size).toBe(takesNoText(scope) ? true : uarts);
  });

  it('is read back without a drift', () => {
    for (const contents of ['complete', 'differences'] as const) {
      const text = configText(configuration, contents);
      const open = driftOfText(configuration, text, contents).lines.filter(({ is }) => OPEN_KINDS.includes(is));
      expect(open.map(({ is, name }) => `${is} ${name}`)).toEqual([]);
    }
  });
});

it('a board without text says what to press, how long, how often, and which light confirms it', () => {
  const [, , part, dialect] = pairs.find(([target]) => target === 'WREN3') ?? [];
  if (part === undefined || dialect === undefined) throw new Error('There is no such board.');
  const scope = scopeOf(graphOf(withDialect(fullyUsed(part), dialect)));
  if (typeof scope === 'string') throw new Error(scope);
  const { pressed, lines, passes } = configurationOf(scope);
  expect([lines.length, passes]).toEqual([0, 0]);
  expect(pressed.map(({ text, light }) => `${text} ${light}`)).toEqual([
    'Press SHAPE 2 times. The green light blinks as many times.',
    ...Array.from(
      { length: 5 },
      () => 'Hold the button beside the output for 3 s once. The light of the output is steady for normal, and blinks for reversed.',
    ),
  ]);
});
