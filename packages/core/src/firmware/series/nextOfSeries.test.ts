import { expect, it } from '@jest/globals';
import { reedbed } from '../../demo/reedbed.ts';
import { graphOf } from '../../graph/graphOf.ts';
import { asId, type AircraftId } from '../../model/ids.ts';
import { countingIds } from '../../test/designs.ts';
import { configText } from '../configText.ts';
import { configurationOf } from '../configuration.ts';
import { driftOfText, OPEN_KINDS } from '../drift/driftOf.ts';
import { readDump } from '../readBack/readDump.ts';
import { scopeOf } from '../scope.ts';
import { nextOfSeries } from './nextOfSeries.ts';

const scope = scopeOf(graphOf(reedbed(asId<AircraftId>('a'), countingIds())));
if (typeof scope === 'string') throw new Error(scope);
const configuration = configurationOf(scope);
const { text } = scope;
const OWN = ['GYRO.X.ZERO 17', 'GYRO.Y.ZERO -3', 'BOARD.SERIAL A77', 'COUNT.STARTS 412'];

it('gets everything but what is of the first aircraft alone, and is told what to do anew', () => {
  const dump = readDump(text, `${configText(configuration)}${OWN.join('\n')}\nWHAT.EVER 4\n`);
  const next = nextOfSeries(configuration, dump);
  for (const line of [...OWN, 'WHAT.EVER 4']) expect(next.texts.join('\n')).not.toContain(line);
  expect(next.count).toBe(configuration.lines.length);
  expect(next.left.map(({ class: kind, lines, todo }) => [kind, lines.length, todo !== undefined])).toEqual([
    ['calibration', 2, true],
    ['identity', 1, false],
    ['counter', 1, false],
  ]);
  expect(next.unknown).toEqual(['WHAT.EVER 4']);
  // The sister that was loaded so has no drift, and nothing of the first one.
  const sister = driftOfText(configuration, next.texts.join('\n'));
  expect(sister.lines.filter(({ is }) => OPEN_KINDS.includes(is))).toEqual([]);
  expect(sister.own).toEqual([]);
});

it('is loaded in passes, as the first one was', () => {
  const { texts } = nextOfSeries(configuration, readDump(text, configText(configuration)));
  expect(texts).toHaveLength(configuration.passes);
  expect(texts[0]).toContain('W1.BY 2\n');
  expect(texts[1]).toContain('W1.FULL 5000\n');
});
