import { describe, expect, it } from '@jest/globals';
import { demoAircraft } from '../demo/demoAircraft.ts';
import { sampleDialects } from '../dialects/sampleDialects.ts';
import { applyEdit } from '../edits/applyEdit.ts';
import { graphOf } from '../graph/graphOf.ts';
import { dialectKeyOf } from '../model/contentHash.ts';
import type { Design } from '../model/design.ts';
import type { Dialect } from '../model/dialect.ts';
import type { Edit } from '../edits/registry.ts';
import { asId, type AircraftId } from '../model/ids.ts';
import type { SettingValue } from '../model/setting.ts';
import { countingIds, itemOf, made } from '../test/designs.ts';
import { firmware } from '../test/randomEdits/firmware.ts';
import { output, rename, setting, where } from '../test/randomEdits/items.ts';
import { placeEdit } from '../test/randomEdits/layout.ts';
import { outputPlan } from '../test/randomEdits/outputs.ts';
import { play } from '../test/randomEdits/play.ts';
import { rcChannel, rcModes, rcWords } from '../test/randomEdits/rc.ts';
import type { Draw } from '../test/randomEdits/draw.ts';
import { configText } from './configText.ts';
import { configurationOf, type Configuration } from './configuration.ts';
import type { ConfigLine } from './configLine.ts';
import { driftOfText, OPEN_KINDS, type DriftLine } from './drift/driftOf.ts';
import { takeAircraft } from './drift/takeAircraft.ts';
import { readDump } from './readBack/readDump.ts';
import { scopeOf } from './scope.ts';

/** A sample in each run; `WF_FIRMWARE=whole` takes all 500. */
const GENERATED = process.env['WF_FIRMWARE'] === 'whole' ? 500 : 40;

const demos = demoAircraft.map(({ id, build }) => [id, build(asId<AircraftId>(id), countingIds(id))] as const);
const pairs = demos.flatMap(([id, design]) => sampleDialects.map((dialect) => [id, dialect.id, inDialect(design, dialect)] as const));

function inDialect(design: Design, dialect: Dialect): Design {
  const key = dialectKeyOf(dialect);
  const was = design.aircraft.dialect;
  return key === was ? design : made(design, { kind: 'set-dialect', dialect: key, was });
}

function configured(design: Design): Configuration {
  const scope = scopeOf(graphOf(design));
  if (typeof scope === 'string') throw new Error(scope);
  return configurationOf(scope);
}

const openIn = (lines: readonly DriftLine[]): readonly string[] =>
  lines.filter(({ is }) => OPEN_KINDS.includes(is)).map(({ is, name }) => `${is} ${name}`);

/** Numbers of a seed, the same at each run. */
function drawsOf(seed: number): readonly Draw[] {
  let state = seed * 2_654_435_761 + 1;
  const next = (most: number): number => {
    state = (state * 1_103_515_245 + 12_345) % 2_147_483_648;
    return state % most;
  };
  return Array.from({ length: 25 }, () => ({ kind: next(100), x: next(10_000), y: next(10_000), z: next(10_000), isStale: false }));
}

function generated(seed: number): Design {
  const [, start] = demos[seed % demos.length] ?? raise();
  const dialect = sampleDialects[Math.floor(seed / demos.length) % sampleDialects.length] ?? raise();
  return play(inDialect(start, dialect), drawsOf(seed)).end;
}

function raise(): never {
  throw new Error('There is no such demo.');
}

describe.each(pairs)('the configuration of %s in %s', (_, __, design) => {
  const configuration = configured(design);
  const text = configText(configuration);

  it('is read back without a drift, whole and as differences only', () => {
    expect(openIn(driftOfText(configuration, text).lines)).toEqual([]);
    expect(openIn(driftOfText(configuration, configText(configuration, 'differences')).lines)).toEqual([]);
    expect(driftOfText(configuration, text).counts).toMatchObject({
      compared: configuration.lines.length,
      unknown: 0,
      bad: 0,
      repeated: 0,
    });
  });

  it('says of each line what it rests on, and writes every fact that the dialect has a code for', () => {
    expect(configuration.lines.filter(({ from }) => from.length === 0).map(({ name }) => name)).toEqual([]);
    expect(configuration.leftOut.map(({ what, value }) => `${what}: ${value}`)).toEqual(
      // The role table has no action that goes on with a mission.
      design.aircraft.dialect.startsWith('role-table') && design.aircraft.rc.choices.onGroundLoss === 'mission'
        ? ['action on loss of the ground link: mission']
        : [],
    );
  });

  it('is the same whatever the ids', () => {
    const id = design.aircraft.id;
    const again = demoAircraft.find((one) => one.id === id)?.build(id, countingIds('other')) ?? raise();
    const dialect = sampleDialects.find((one) => dialectKeyOf(one) === design.aircraft.dialect) ?? raise();
    expect(configText(configured(inDialect(again, dialect)))).toBe(text);
  });

  it('changed in one value anywhere gives exactly one difference', () => {
    for (const line of configuration.lines) {
      const changed = otherwise(line);
      if (changed === undefined) continue;
      const rows = text.split('\n');
      rows[rows.indexOf(line.text, startOf(rows, line))] = changed;
      const { lines } = driftOfText(configuration, rows.join('\n'), 'complete');
      expect([line.text, ...openIn(lines).map((one) => one.replace(/^\w+ /, ''))]).toEqual([line.text, line.name]);
    }
  });

  it('without one line lacks exactly that line', () => {
    for (const line of configuration.lines) {
      const rows = text.split('\n');
      rows.splice(rows.indexOf(line.text, startOf(rows, line)), 1);
      const { lines } = driftOfText(configuration, rows.join('\n'), 'complete');
      expect([line.text, ...openIn(lines).map((one) => one.replace(/^\w+ /, ''))]).toEqual([line.text, line.name]);
    }
  });
});

/** Where the section of a line begins in a text with headings. */
function startOf(rows: readonly string[], { section }: ConfigLine): number {
  return section.heading === undefined ? 0 : rows.indexOf(section.heading);
}

/** The line with its last value another one, of the same kind where that is a number. */
function otherwise({ text, values }: ConfigLine): string | undefined {
  const last = values.at(-1);
  if (last === undefined || !text.endsWith(last.code)) return undefined;
  const other = /^[+-]?\d+(\.\d+)?$/.test(last.code) ? `${Number(last.code) + 3}` : 'zz9';
  return `${text.slice(0, text.length - last.code.length)}${other}`;
}

it(`of ${GENERATED} generated aircraft is read back without a drift`, () => {
  for (let seed = 0; seed < GENERATED; seed += 1) {
    const scope = scopeOf(graphOf(generated(seed)));
    if (typeof scope === 'string') continue;
    const configuration = configurationOf(scope);
    const text = configText(configuration);
    expect([seed, ...openIn(driftOfText(configuration, text).lines)]).toEqual([seed]);
    expect([seed, ...openIn(driftOfText(configuration, configText(configuration, 'differences'), 'differences').lines)]).toEqual([seed]);
  }
});

/** Edits of which most change something that is loaded. */
const makers = [outputPlan, output, rcChannel, rcModes, rcWords, setting, firmware, placeEdit, where, rename];

it('changes with a fact in the lines whose reasons name it, and in no other', () => {
  let changes = 0;
  const unexplained: string[] = [];
  for (let seed = 0; seed < GENERATED; seed += 1) {
    let before = generated(seed + 7000);
    for (const draw of drawsOf(seed)) {
      const edit = makers[draw.kind % makers.length]?.(before, draw);
      const outcome = edit === undefined ? undefined : applyEdit(before, edit);
      if (outcome === undefined || 'refused' in outcome) continue;
      const [was, now] = [scopeOf(graphOf(before)), scopeOf(graphOf(outcome.design))];
      before = outcome.design;
      if (typeof was === 'string' || typeof now === 'string' || was.entry.item.id !== now.entry.item.id) continue;
      const paths = outcome.inverse.changes.map(({ path }) => path);
      for (const line of changedLines(configurationOf(was), configurationOf(now))) {
        changes += 1;
        if (line.from.some(({ path }) => paths.some((other) => overlap(path, other)))) continue;
        unexplained.push(`${line.text}, after ${paths.join(' ')}; ${line.from.map(({ path }) => path.join('.')).join(' ')}`);
      }
    }
  }
  expect(unexplained).toEqual([]);
  expect(changes).toBeGreaterThan(GENERATED * 5);
});

interface ChangedLine {
  readonly text: string;
  readonly from: ConfigLine['from'];
}

/** Lines that are otherwise in one of the two, with the reasons that both give. */
function changedLines(was: Configuration, now: Configuration): readonly ChangedLine[] {
  const byName = ({ lines }: Configuration): ReadonlyMap<string, ConfigLine> =>
    new Map(lines.map((line) => [`${line.section.id}\n${line.name}`, line]));
  const [before, after] = [byName(was), byName(now)];
  return [...new Set([...before.keys(), ...after.keys()])].flatMap((name): ChangedLine[] => {
    const [one, other] = [before.get(name), after.get(name)];
    if (one?.derived === other?.derived) return [];
    return [{ text: `${one?.derived ?? ''} -> ${other?.derived ?? ''}`, from: [...(one?.from ?? []), ...(other?.from ?? [])] }];
  });
}

function overlap(a: readonly string[], b: readonly string[]): boolean {
  return a.slice(0, b.length).every((step, i) => step === b[i]);
}

/** One fact of Saltmarsh each, and the lines that change with it, in both samples. */
const SINGLE_FACTS: readonly (readonly [string, (design: Design) => Edit, numbered: readonly string[], roleTable: readonly string[]])[] = [
  [
    'a protocol',
    (design) => set(design, 'C.protocol', 'mavlink-2'),
    ['P23.ROLE 31', 'P23.PACE 60', 'P23.FLIP 0'],
    ['J21 | ground | 57k6 | plain | free'],
  ],
  ['a baud', (design) => set(design, 'B.baud', 115_200), ['P20.PACE 120'], ['J25 | ground | 115k2 | plain | asked']],
  ['flow control', (design) => set(design, 'A.flow', 'required'), ['P26.HOLD 1'], ['J17 | ground | 57k6 | plain | held']],
  ['how the board lies', (design) => set(design, 'imu.turn', 'yaw-90'), ['BOARD.LIES 101'], ['board | up/right']],
  [
    'the trim of an output',
    (design) => ({ kind: 'set-output-travel', ...outputOf(design, 'm1'), value: { trimUs: 1510 }, was: {} }),
    ['D10.REST 1510'],
    ['a1 | roll.left | 1000..2000 | 1510 | off'],
  ],
  [
    'a reversal',
    (design) => ({ kind: 'set-output-travel', ...outputOf(design, 'm1'), value: { reversed: true }, was: {} }),
    ['D10.FLIP 1'],
    ['a1 | roll.left | 1000..2000 | 1500 | on'],
  ],
  [
    'the rate of a bank',
    (design) => ({
      kind: 'set-bank',
      item: itemOf(design, 'FC1').id,
      bank: 'M1',
      value: { kind: 'pwm', rateHz: 50 },
      was: { kind: 'pwm', rateHz: 333 },
    }),
    ['G2.BEAT 50'],
    ['bank a | pulse | 50'],
  ],
  [
    'the ends of a channel',
    (design) => {
      const was = design.aircraft.rc.channels['7'] ?? raise();
      return { kind: 'set-rc-channel', channel: '7', value: { ...was, ends: { leastUs: 1100, mostUs: 1900 } }, was };
    },
    ['C7.LOW 1100', 'C7.HIGH 1900'],
    ['lever 7 | flap | 1100..1900 | 1500'],
  ],
  [
    'the action on loss',
    () => ({ kind: 'set-rc-choice', choice: 'onLoss', value: 'descend', was: 'return' }),
    ['LOST.ACT 6'],
    ['sticks | glide | after 1.5'],
  ],
  ['the system id', (design) => set(design, 'mavlink.system', 7), ['CRAFT.NUMBER 7'], ['number | 7']],
  [
    'the level',
    () => ({ kind: 'set-firmware-facts', value: { levelPitchDeg: 3.5, levelSet: 'at-level' }, was: {} }),
    ['LEVEL.NOSE 35', 'LEVEL.WHERE 0'],
    ['nose | +3.5 | level'],
  ],
  [
    'the level set as it flies, which leaves nothing to trim',
    () => ({ kind: 'set-firmware-facts', value: { levelPitchDeg: 3.5, levelSet: 'as-it-flies' }, was: {} }),
    ['LEVEL.NOSE 0', 'LEVEL.WHERE 1'],
    ['nose | +0.0 | flying'],
  ],
  [
    'the place of the GNSS receiver',
    (design) => {
      const { id, place } = itemOf(design, 'GNSS1');
      if (place === undefined) return raise();
      const [station, butt, water] = place.at;
      return { kind: 'place-item', item: id, place: { ...place, at: [station - 40, butt, water] }, was: place };
    },
    ['F1.FORE -16'],
    ['position 1 at | -160 | -175 | -55'],
  ],
];

function set(design: Design, name: string, value: SettingValue): Edit {
  const { id, settings } = itemOf(design, 'FC1');
  return { kind: 'set-item-setting', item: id, setting: name, value, was: settings[name] ?? null };
}

function outputOf(design: Design, output: string) {
  return { item: itemOf(design, 'FC1').id, output };
}

it.each(SINGLE_FACTS)('of Saltmarsh changes with %s in exactly these lines', (_, edit, ...wanted) => {
  const [, saltmarsh] = demos.find(([id]) => id === 'saltmarsh') ?? raise();
  const found = sampleDialects.map((dialect) => {
    const design = inDialect(saltmarsh, dialect);
    return changedLines(configured(design), configured(made(design, edit(design)))).map(({ text }) => text.replace(/^.*-> /, ''));
  });
  expect(found).toEqual(wanted);
});

it('has no drift any more once the aircraft is taken in every line', () => {
  for (let seed = 0; seed < GENERATED; seed += 1) {
    const [one, other] = [generated(seed), generated(seed + sampleDialects.length * demos.length)];
    const [plan, flown] = [scopeOf(graphOf(one)), scopeOf(graphOf(other))];
    if (typeof plan === 'string' || typeof flown === 'string' || one.aircraft.dialect !== other.aircraft.dialect) continue;
    const dump = readDump(plan.text, configText(configurationOf(flown)));
    const { edits, refused } = takeAircraft(configurationOf(plan), dump, 'complete', () => true);
    expect(refused).toEqual([]);
    const after = edits.reduce(made, one);
    const scope = scopeOf(graphOf(after), plan.entry.item.id);
    if (typeof scope === 'string') throw new Error(scope);
    expect([seed, ...openIn(driftOfText(configurationOf(scope), dump.lines.map(({ text }) => text).join('\n'), 'complete').lines)]).toEqual(
      [seed],
    );
  }
});
