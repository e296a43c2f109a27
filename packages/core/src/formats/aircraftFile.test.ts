import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { dialectId } from '../dialects/build.ts';
import { dialectOf } from '../dialects/dialectOf.ts';
import { numbered } from '../dialects/numbered.ts';
import { usedRevisions } from '../edits/library.ts';
import { EMPTY_FIRMWARE } from '../model/firmwarePlan.ts';
import { EMPTY_RC } from '../model/rcPlan.ts';
import { SCHEMA_VERSION } from '../model/aircraft.ts';
import type { Dialect } from '../model/dialect.ts';
import { withDialect } from '../test/checkCases/build.ts';
import { cableOf, demoDesign, emptyBench } from '../test/designs.ts';
import { readAircraftFile, writeAircraftFile } from './aircraftFile.ts';

const text = writeAircraftFile(demoDesign());

function sentenceFor(source: string): string {
  const read = readAircraftFile(source);
  if (!('sentence' in read)) throw new Error('The file was accepted.');
  return read.sentence;
}

describe('aircraft files', () => {
  it.each([
    ['the demo aircraft', demoDesign()],
    ['an empty aircraft', emptyBench().design],
  ])('of %s: written, read and written again give the same bytes', (_, design) => {
    const once = writeAircraftFile(design);
    const read = readAircraftFile(once);
    if ('sentence' in read) throw new Error(read.sentence);
    expect(writeAircraftFile(read.design)).toBe(once);
  });

  it('hold the dialect that the aircraft uses, also one of the workshop, and refuse one that does not hold together', () => {
    const own: Dialect = { ...numbered, id: dialectId('ours'), source: 'workshop', pitchRisesOn: 'push' };
    const written = writeAircraftFile(withDialect(demoDesign(), own));
    const read = readAircraftFile(written);
    if ('sentence' in read) throw new Error(read.sentence);
    expect(dialectOf(read.design)).toEqual(own);
    expect(writeAircraftFile(read.design)).toBe(written);
    expect(sentenceFor(written.replace('"code": "311"', '"code": "312"'))).toBe(
      'The dialect "Numbered ports" in the file is inconsistent: Functions aileron-left and aileron-right have the same code, 312.',
    );
  });

  it('hold the parts that the aircraft uses, and no others', () => {
    const read = readAircraftFile(text);
    if ('sentence' in read) throw new Error(read.sentence);
    expect(read.design.parts.size).toBe(new Set(Object.values(read.design.aircraft.items).map((item) => item.part)).size);
  });

  it.each([
    ['no JSON', 'hello', 'not JSON'],
    ['another file', '{"format":"something"}', '"format" should be'],
    ['no aircraft', '{"format":"wired-falcon-aircraft"}', 'holds no aircraft'],
    ['no version', '{"format":"wired-falcon-aircraft","aircraft":{}}', 'schema version'],
    ['a newer version', text.replace(`"schema": ${SCHEMA_VERSION}`, '"schema": 99'), 'newer version of the product (schema 99'],
    ['a wrong value', text.replace('"awg": 12', '"awg": "thick"'), '/awg'],
    ['an unknown member', text.replace('"awg": 12', '"awg": 12, "extra": 1'), 'extra'],
    [
      'a part that is missing',
      text.replace(/"part": "gnss[^"]*"|"part": "buzzer-5v@[^"]*"/, '"part": "nothing@0123456789abcdef"'),
      'is not known here',
    ],
    ['a name used twice', text.replace('"ref": "SRV2"', '"ref": "SRV1"'), 'SRV1 is the name of two items'],
    ['a number that was not given out', text.replace('"SRV": 2', '"SRV": 1'), 'SRV2 is in use, and "issued" does not count it'],
    ['an endless number', text.replace(/"typedLengthMm": \d+/, '"typedLengthMm": 1e400'), 'typedLengthMm'],
    ['a negative length', text.replace(/"typedLengthMm": \d+/, '"typedLengthMm": -5'), 'typedLengthMm'],
    ['a name that objects own', text.replace('"settings": {}', '"settings": {"__proto__": {"x": 1}}'), 'settings'],
  ])('with %s are refused in one sentence that names the place', (_, source, part) => {
    expect(source).not.toBe(text);
    expect(sentenceFor(source)).toContain(part);
  });

  it('of the first version get what is new, and are otherwise the same', () => {
    const {
      needs: _needs,
      outputs: _outputs,
      banks: _banks,
      mixing: _mixing,
      linkages: _linkages,
      firmware: _firmware,
      dialect,
      ...first
    } = demoDesign().aircraft;
    const file = { format: 'wired-falcon-aircraft', parts: usedRevisions(demoDesign()).parts };
    const read = readAircraftFile(JSON.stringify({ ...file, aircraft: { ...first, dialect: 'numbered-ports', schema: 1 } }));
    if ('sentence' in read) throw new Error(read.sentence);
    expect(read.migrated).toHaveLength(17);
    expect(read.design.aircraft).toEqual({
      ...first,
      dialect,
      schema: SCHEMA_VERSION,
      needs: {},
      outputs: {},
      banks: {},
      mixing: {},
      linkages: {},
      firmware: EMPTY_FIRMWARE,
      mates: {},
      bonds: {},
      links: {},
      wishes: {},
      rc: EMPTY_RC,
    });
    expect(dialectOf(read.design)?.id).toBe('numbered-ports');
  });

  it('with a part that does not hold together are refused, and the part is named', () => {
    const file: unknown = JSON.parse(text);
    const changed = JSON.stringify(file).replaceAll('"supply":"SBUS.2"', '"supply":"SBUS.9"');
    expect(sentenceFor(changed)).toBe(
      'The part "RC receiver, SBUS, 16 channels" in the file is inconsistent: No element of the circuit uses the supply pin 2 (V) of port "SBUS".',
    );
  });

  it('with a cable in itself are refused', () => {
    const design = demoDesign();
    const cable = cableOf(design, 'W07');
    const [node] = Object.values(cable.nodes);
    if (node?.is !== 'end') throw new Error('W07 has no end.');
    const looped = {
      ...cable,
      nodes: { ...cable.nodes, [node.id]: { ...node, at: { is: 'mate' as const, cable: cable.id, node: node.id } } },
    };
    const broken = { ...design, aircraft: { ...design.aircraft, cables: { ...design.aircraft.cables, [cable.id]: looped } } };
    expect(sentenceFor(writeAircraftFile(broken))).toContain('W07 is plugged into itself');
  });

  it('that are damaged anywhere never throw', () => {
    fc.assert(
      fc.property(fc.nat(text.length - 1), fc.string({ maxLength: 6 }), fc.nat(8), (at, put, cut) => {
        const read = readAircraftFile(text.slice(0, at) + put + text.slice(at + cut));
        expect('sentence' in read ? read.sentence.length : read.design.aircraft.name.length).toBeGreaterThan(0);
      }),
      { numRuns: 150 },
    );
  });
});
