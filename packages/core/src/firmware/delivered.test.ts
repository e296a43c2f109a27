import { describe, expect, it } from '@jest/globals';
import { saltmarsh } from '../demo/saltmarsh.ts';
import { numbered } from '../dialects/numbered.ts';
import { graphOf } from '../graph/graphOf.ts';
import type { Design } from '../model/design.ts';
import type { Dialect } from '../model/dialect.ts';
import { asId, type AircraftId } from '../model/ids.ts';
import { withDialect } from '../test/checkCases/build.ts';
import { kept } from '../test/checkCases/firmware.ts';
import { countingIds, findingsBy, made } from '../test/designs.ts';
import { configText } from './configText.ts';
import { configurationOf, type Configuration } from './configuration.ts';
import { driftOfText, OPEN_KINDS, type DriftLine } from './drift/driftOf.ts';
import { driftWords } from './drift/driftWords.ts';
import { takeAircraft } from './drift/takeAircraft.ts';
import { readDump } from './readBack/readDump.ts';
import { scopeOf } from './scope.ts';

const start = saltmarsh(asId<AircraftId>('a'), countingIds());

function configured(design: Design): Configuration {
  const scope = scopeOf(graphOf(design));
  if (typeof scope === 'string') throw new Error(scope);
  return configurationOf(scope);
}

const openIn = (lines: readonly DriftLine[]): readonly DriftLine[] => lines.filter(({ is }) => OPEN_KINDS.includes(is));
const passOf = ({ lines }: Configuration, text: string): number | undefined => lines.find((line) => line.text === text)?.pass;

describe('a line that is kept as delivered', () => {
  // The source of position is off in the aircraft, and kept so.
  const off = kept(start, 'sensors', 'F1.BY *', 'F1.BY 0');

  it('gives nothing: what needs it is not there, and a finding says so', () => {
    expect(findingsBy(start, 'firmware.prerequisite')).toEqual([]);
    expect(findingsBy(off, 'firmware.prerequisite').map(({ what }) => what)).toEqual([
      '"F1.FORE -20" and 2 lines more of FC1 need the source of position, which is off.',
    ]);
    expect([passOf(configured(start), 'F1.FORE -20'), passOf(configured(off), 'F1.FORE -20')]).toEqual([2, 1]);
  });

  it('is left out of a text that has the differences only, and is no drift of such a dump', () => {
    const configuration = configured(off);
    const text = configText(configuration, 'differences');
    expect(text).not.toContain('F1.BY');
    expect(openIn(driftOfText(configuration, text, 'differences').lines)).toEqual([]);
  });
});

describe('a version that is delivered otherwise', () => {
  const text = numbered.text;
  if (text === undefined) throw new Error('The sample has no text.');
  // In release 4 the ports run at 115200 as delivered.
  const dialect: Dialect = { ...numbered, text: { ...text, deliveredIn: { '4': { 'port-pace': '120' } } } };
  const design = withDialect(start, dialect);
  const at = (version: string): Design => made(design, { kind: 'set-firmware-facts', value: { version }, was: {} });

  it('is what a line is compared with in a text of differences', () => {
    const [third, fourth] = [configText(configured(at('3')), 'differences'), configText(configured(at('4')), 'differences')];
    expect([third.includes('P26.PACE 60'), fourth.includes('P26.PACE 60')]).toEqual([false, true]);
    expect([third.includes('P17.PACE 120'), fourth.includes('P17.PACE 120')]).toEqual([true, false]);
  });

  it('counts by what the dump says of itself, whatever version is planned', () => {
    const configuration = configured(at('3'));
    const dump = configText(configuration, 'differences').replace('~ release 3', '~ release 4');
    const open = openIn(driftOfText(configuration, dump).lines);
    expect(open.map((line) => driftWords(configuration.scope, line))).toEqual([
      'FC1 link A: baud is 115200 in the aircraft, as default; the plan has 57600.',
    ]);
    // Taking the aircraft takes what that version is delivered with.
    const { edits } = takeAircraft(configuration, readDump(dialect.text ?? text, dump), undefined, () => true);
    expect(openIn(driftOfText(configured(edits.reduce(made, at('3'))), dump).lines)).toEqual([]);
  });
});
