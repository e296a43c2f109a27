import { describe, expect, it } from '@jest/globals';
import { saltmarsh } from '../../demo/saltmarsh.ts';
import { numbered } from '../../dialects/numbered.ts';
import { roleTable } from '../../dialects/roleTable.ts';
import type { Edit } from '../../edits/registry.ts';
import { graphOf } from '../../graph/graphOf.ts';
import { dialectKeyOf } from '../../model/contentHash.ts';
import type { Design } from '../../model/design.ts';
import type { Dialect } from '../../model/dialect.ts';
import { asId, type AircraftId } from '../../model/ids.ts';
import { countingIds, itemOf, made } from '../../test/designs.ts';
import { configText } from '../configText.ts';
import { configurationOf } from '../configuration.ts';
import { withCode } from '../editing/codeTables.ts';
import { scopeOf } from '../scope.ts';
import { teach, type KnownChange } from './teach.ts';

const start = saltmarsh(asId<AircraftId>('a'), countingIds());

function textIn(design: Design, dialect: Dialect): string {
  const key = dialectKeyOf(dialect);
  const inIt: Design = {
    ...design,
    dialects: new Map([...design.dialects, [key, dialect]]),
    aircraft: { ...design.aircraft, dialect: key },
  };
  const scope = scopeOf(graphOf(inIt));
  if (typeof scope === 'string') throw new Error(scope);
  return configText(configurationOf(scope));
}

/** The dialect without a line. */
function without(dialect: Dialect, line: string): Dialect {
  const { text } = dialect;
  if (text === undefined) throw new Error('The sample has no text.');
  return {
    ...dialect,
    text: { ...text, sections: text.sections.map((one) => ({ ...one, lines: one.lines.filter(({ id }) => id !== line) })) },
  };
}

function setting(design: Design, name: string, value: string | number): Edit {
  const { id, settings } = itemOf(design, 'FC1');
  return { kind: 'set-item-setting', item: id, setting: name, value, was: settings[name] ?? null };
}

const PORT_B: KnownChange = { of: 'port', keys: { port: 'B' }, field: 'role', was: 'mavlink-2', now: 'crsf', target: 'ESTUARY7' };
const level = (design: Design, pitch: number): Design => {
  const { levelPitchDeg } = design.aircraft.firmware.facts;
  return made(design, {
    kind: 'set-firmware-facts',
    value: { levelPitchDeg: pitch },
    was: levelPitchDeg === undefined ? {} : { levelPitchDeg },
  });
};

/** What the dialect forgot, an aircraft before and after one known change. */
const LESSONS: readonly (readonly [string, Dialect, Dialect, Design, Design, KnownChange, says: string])[] = [
  [
    'a line',
    numbered,
    without(numbered, 'port-role'),
    start,
    made(start, setting(start, 'B.protocol', 'crsf')),
    PORT_B,
    'A line "P{port}.ROLE {role}" sets protocol.',
  ],
  [
    'the codes of a line',
    numbered,
    withCode(withCode(numbered, 'roles', 'mavlink-2', ''), 'roles', 'nmea-0183', ''),
    start,
    made(start, setting(start, 'B.protocol', 'nmea-0183')),
    { ...PORT_B, now: 'nmea-0183' },
    'protocol: MAVLink 2 is written 31; NMEA 0183 is written 44.',
  ],
  [
    'the index of a port',
    numbered,
    withCode(without(numbered, 'port-role'), 'board.serial', 'B', '', 'ESTUARY7'),
    start,
    made(start, setting(start, 'B.protocol', 'crsf')),
    PORT_B,
    'port B is 20 in the firmware.',
  ],
  [
    'a number with its factor',
    numbered,
    without(numbered, 'level-pitch'),
    level(start, 2),
    level(level(start, 2), 3.5),
    { of: 'level', keys: {}, field: 'pitchDeg', was: 2, now: 3.5 },
    'A line "LEVEL.NOSE {pitchDeg times 10}" sets pitch in level flight.',
  ],
  [
    'a way to lie',
    roleTable,
    withCode(withCode(roleTable, 'orientations', 'level', ''), 'orientations', 'yaw-90', ''),
    start,
    made(start, setting(start, 'imu.turn', 'yaw-90')),
    { of: 'board', keys: {}, field: 'lies', was: 'level', now: 'yaw-90' },
    'orientation: level, nose forward is written up/fore; nose right is written up/right.',
  ],
];

describe.each(LESSONS)('two dumps teach %s', (_, whole, forgetful, before, after, change, says) => {
  it('so that the dialect writes as the one that had forgotten nothing', () => {
    const lessons = teach(forgetful, change, textIn(before, whole), textIn(after, whole));
    if ('sentence' in lessons) throw new Error(lessons.sentence);
    const right = lessons.filter(({ says: sentences }) => sentences.includes(says));
    expect(lessons.map(({ says: sentences }) => sentences)).toContainEqual(expect.arrayContaining([says]));
    const [lesson] = right;
    if (lesson === undefined) throw new Error('It was not learned.');
    expect(lesson.problems).toEqual([]);
    // The rule holds for rows and values that neither dump showed, as far as their codes are known.
    const rows = (text: string): readonly string[] => text.split('\n').sort();
    expect(rows(textIn(after, lesson.dialect))).toEqual(rows(textIn(after, whole)));
    expect(textIn(before, whole).split('\n')[lesson.numberBefore - 1]).toBe(lesson.before);
  });
});

describe('where nothing can be learned', () => {
  const dump = textIn(start, numbered);
  it.each<readonly [string, KnownChange, string, string]>([
    ['nothing was changed', { ...PORT_B, now: 'mavlink-2' }, dump, 'Nothing was changed'],
    ['the dumps are the same', PORT_B, dump, 'do not differ'],
    [
      'another line differs',
      PORT_B,
      dump.replace('LOST.WAIT 15', 'LOST.WAIT 20'),
      'One line differs, and no rule for this change explains it.',
    ],
    ['a dump is empty', PORT_B, '', 'do not differ'],
  ])('since %s, a sentence says so', (_, change, after, words) => {
    expect(teach(numbered, change, dump, after)).toEqual({ sentence: expect.stringContaining(words) });
  });
});
