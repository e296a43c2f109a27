import { describe, expect, it } from '@jest/globals';
import { saltmarsh } from '../../demo/saltmarsh.ts';
import { graphOf } from '../../graph/graphOf.ts';
import { asId, type AircraftId } from '../../model/ids.ts';
import { countingIds } from '../../test/designs.ts';
import { configText } from '../configText.ts';
import { configurationOf } from '../configuration.ts';
import { copiedCalibration, calibrationOf, readBackOf } from '../readBack/calibration.ts';
import { readDump } from '../readBack/readDump.ts';
import { scopeOf } from '../scope.ts';
import { betweenDumps } from './betweenDumps.ts';
import { driftOfText, OPEN_KINDS } from './driftOf.ts';
import { driftWords } from './driftWords.ts';
import { toLoad } from './toLoad.ts';

const scope = scopeOf(graphOf(saltmarsh(asId<AircraftId>('a'), countingIds())));
if (typeof scope === 'string') throw new Error(scope);
const configuration = configurationOf(scope);
const text = configText(configuration);
const said = (dump: string): readonly string[] =>
  driftOfText(configuration, dump, 'complete')
    .lines.filter(({ is }) => OPEN_KINDS.includes(is))
    .map((line) => driftWords(scope, line));

describe('a drift in words', () => {
  it.each<readonly [string, string, string]>([
    ['P20.ROLE 31', 'P20.ROLE 17', 'FC1 link B: protocol is SBUS in the aircraft; the plan has MAVLink 2.'],
    ['P20.ROLE 31', 'P20.ROLE 99', 'FC1 link B: protocol is "99" in the aircraft, which is not in the dialect; the plan has MAVLink 2.'],
    ['D10.JOB 311', 'D10.JOB 0', 'FC1 main 1, left aileron: function is nothing in the aircraft; the plan has left aileron.'],
    ['C5.LOW 1000', 'C5.LOW 1005', 'channel 5, flight mode: minimum is 1005 us in the aircraft; the plan has 1000 us.'],
    ['MODE.S3 46', 'MODE.S3 52', 'mode slot 3, 1290 to 1445 us: mode is cruise in the aircraft; the plan has self-level.'],
    ['CRAFT.NUMBER 1\n', '', 'FC1: the plan has system id 1; the dump has no such line.'],
    [
      'F1.FORE -20',
      'F1.FORE 0',
      'GNSS1: lost because a pass was missed: the controller was not restarted between "F1.BY 1" and this line. Load the last pass again.',
    ],
  ])('%s as %s', (was, now, words) => {
    expect(text).toContain(was);
    expect(said(text.replace(was, now))).toEqual([words]);
  });

  it('a line whose giver is not loaded either says which', () => {
    expect(said(text.replace('F1.BY 1', 'F1.BY 0').replace('F1.FORE -20', 'F1.FORE 0'))).toEqual([
      'GNSS1: connection is "0" in the aircraft, which is not in the dialect; the plan has serial port.',
      'GNSS1: lost because "F1.BY 1" is not loaded. Load pass 1, restart, then the next pass.',
    ]);
  });

  it('what the plan does not say is told with its keys', () => {
    expect(said(`${text}LOST.BELOW 970\n`)).toEqual([
      'Loss of signal: throttle threshold for loss 970 us in the aircraft; not in the plan.',
    ]);
    // As delivered it is no drift.
    expect(said(`${text}LOST.BELOW 955\n`)).toEqual([]);
  });
});

describe('what is to be loaded', () => {
  it('are the lines of the plan that differ, in passes, and what the plan does not say as delivered', () => {
    const dump = `${text.replace('D10.REST 1500', 'D10.REST 1520').replace('P20.ROLE 31', 'P20.ROLE 17')}LOST.BELOW 970\n`;
    const { texts, byHand } = toLoad(configuration, driftOfText(configuration, dump), () => true);
    expect(texts).toEqual(['~ pass 1 of 2\nP20.ROLE 31\nKEEP\nWAKE\n', '~ pass 2 of 2\nD10.REST 1500\nLOST.BELOW 955\nKEEP\nWAKE\n']);
    expect(byHand).toEqual([]);
  });

  it('is set by hand where the dialect does not say what was delivered', () => {
    const dump = `${text}MIX.ROLL 44\n`;
    expect(toLoad(configuration, driftOfText(configuration, dump), () => true)).toEqual({ texts: [], byHand: ['MIX.ROLL 44'] });
  });
});

describe('two dumps', () => {
  const read = (dump: string) => readDump(scope.text, dump);

  it('differ in the lines that one of them has otherwise', () => {
    const later = `${text.replace('D10.REST 1500', 'D10.REST 1520').replace('P20.ROLE 31\n', '')}GYRO.X.ZERO 4\nODD 1\n`;
    expect(betweenDumps(read(text), read(later)).map(({ is, name, class: kind }) => `${is} ${name}: ${kind}`)).toEqual([
      'only-first P20.ROLE: planned',
      'differs D10.REST: planned',
      'only-second GYRO.X.ZERO: calibration',
      'only-second ODD: unknown',
    ]);
    expect(betweenDumps(read(text), read(text))).toEqual([]);
  });

  it('have one calibration where three values or more are the same and not as delivered', () => {
    const of = (dump: string) => calibrationOf(read(dump));
    const one = of('GYRO.X.ZERO 5\nGYRO.Y.ZERO 6\nGYRO.Z.ZERO 7\nACCEL.X.ZERO 0');
    expect(copiedCalibration(one, one)).toBe(3);
    expect(copiedCalibration(one, of('GYRO.X.ZERO 5\nGYRO.Y.ZERO 6\nGYRO.Z.ZERO 1'))).toBeUndefined();
    // Three of seven are chance where the others differ.
    const seven = (rest: number) =>
      of(
        ['X', 'Y', 'Z']
          .flatMap((axis, i) => [`GYRO.${axis}.ZERO ${i + 5}`, `ACCEL.${axis}.ZERO ${rest + i}`])
          .join('\n')
          .concat(`\nLEVEL.FOUND.X ${rest}`),
      );
    expect(copiedCalibration(seven(10), seven(20))).toBeUndefined();
    expect(
      copiedCalibration(of('GYRO.X.ZERO 0\nGYRO.Y.ZERO 0\nGYRO.Z.ZERO 0.0'), of('GYRO.X.ZERO 0\nGYRO.Y.ZERO 0\nGYRO.Z.ZERO 0')),
    ).toBeUndefined();
  });

  it('say what the document keeps of them', () => {
    expect(readBackOf(read('~ board ESTUARY7\n~ release 3\nGYRO.X.ZERO 5\nGYRO.Y.ZERO 0'))).toEqual({
      target: 'ESTUARY7',
      version: '3',
      calibrations: 2,
      uncalibrated: ['GYRO.Y.ZERO'],
    });
  });
});
