import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { asId, saltmarsh, SCHEMA_VERSION, writeAircraftFile, type AircraftId } from '@wired-falcon/core';
import type { CreatedResponse, ErrorResponse, HangarEntry } from '@wired-falcon/contract';
import { TestServer } from './test/testServer.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.start();
});
afterAll(() => server.stop());

let count = 0;
const text = writeAircraftFile(saltmarsh(asId<AircraftId>('file'), () => `s${++count}`));

function importing(source: string) {
  return server.ask<ErrorResponse & CreatedResponse>('POST', '/api/aircraft/import', source);
}

async function stored(): Promise<number> {
  return (await server.ask<HangarEntry[]>('GET', '/api/aircraft')).body.length;
}

/** The file with the first match replaced; the test fails when there is none. */
function changed(from: string | RegExp, to: string): string {
  const source = text.replace(from, to);
  if (source === text) throw new Error(`The file holds no ${String(from)}.`);
  return source;
}

const deep = `${'{"a":'.repeat(50_000)}1${'}'.repeat(50_000)}`;

describe('an import', () => {
  it.each([
    ['text that is not JSON', 'hello', 'not JSON'],
    ['half a file', text.slice(0, text.length / 2), 'not JSON'],
    ['an empty file', '', 'not JSON'],
    ['a number', '7', 'not an aircraft'],
    ['a list', '[]', 'not an aircraft'],
    ['another format', '{"format":"other"}', '"format" should be'],
    ['a member missing', changed('"cables": {', '"kables": {'), '/aircraft'],
    ['a newer schema', changed(`"schema": ${SCHEMA_VERSION}`, '"schema": 99'), 'newer version of the product (schema 99'],
    ['a schema that is no number', changed(`"schema": ${SCHEMA_VERSION}`, '"schema": "two"'), '"schema"'],
    ['an unknown part', changed(/"part": "buzzer-5v@[0-9a-f]{16}"/, '"part": "buzzer-5v@0123456789abcdef"'), 'BZ1 uses the part'],
    ['an id used twice', changed(/"id": "s[0-9]+",\s+"label": "left flap"/, '"id": "s1", "label": "left flap"'), 'under another id'],
    ['a name used twice', changed('"ref": "SRV2"', '"ref": "SRV1"'), 'SRV1 is the name of two items'],
    ['a tag used twice', changed('"tag": "W09"', '"tag": "W08"'), 'W08 is the tag of two cables'],
    ['markup', changed('"label": "left flap"', '"label": "<img src=x onerror=alert(1)>"'), 'holds markup'],
    ['a control character', changed('"label": "left flap"', '"label": "left\\u0007flap"'), 'cannot be seen'],
    ['a mark that turns the direction', changed('"label": "left flap"', '"label": "left \\u202Epalf"'), 'cannot be seen'],
    ['NaN', changed('"typedLengthMm": 780', '"typedLengthMm": NaN'), 'not JSON'],
    ['Infinity', changed('"typedLengthMm": 780', '"typedLengthMm": Infinity'), 'not JSON'],
    ['1e400', changed('"typedLengthMm": 780', '"typedLengthMm": 1e400'), 'typedLengthMm'],
    ['a negative length', changed('"typedLengthMm": 780', '"typedLengthMm": -780'), 'typedLengthMm'],
    ['a length of 0', changed('"typedLengthMm": 780', '"typedLengthMm": 0'), 'typedLengthMm'],
    ['a __proto__ among the items', changed('"items": {', '"items": {"__proto__": {"polluted": true},'), '/aircraft/items'],
    ['a __proto__ among settings', changed('"settings": {}', '"settings": {"__proto__": {"polluted": true}}'), 'settings'],
    ['a constructor among the cables', changed('"cables": {', '"cables": {"constructor": 1,'), '/aircraft/cables'],
    ['a text that never ends', changed('"name": "Saltmarsh"', `"name": "${'a'.repeat(5000)}"`), 'name'],
    ['nesting without end', deep, ''],
  ])('of %s is refused in a sentence that names the place, and stores nothing', async (_, source, place) => {
    const before = await stored();
    const { status, body } = await importing(source);
    expect([status >= 400 && status < 500, body.message.includes(place)]).toEqual([true, true]);
    expect(body.message.length).toBeLessThan(400);
    expect(body.message).toMatch(/[.!]$/);
    expect(await stored()).toBe(before);
    expect(Object.hasOwn(Object.prototype, 'polluted')).toBe(false);
  });

  it('of 60 MB is refused before it is read', async () => {
    const { status, body } = await importing(`{"format":"${'x'.repeat(60_000_000)}"}`);
    expect([status, body.code]).toEqual([413, 'too-large']);
    expect(await stored()).toBe(0);
  });

  it('of a cable that is plugged into itself is refused', async () => {
    const file = JSON.parse(text) as { aircraft: { cables: Record<string, { nodes: Record<string, { at: unknown }> }> } };
    const [id, cable] = Object.entries(file.aircraft.cables)[0] ?? [];
    const [node] = Object.values(cable?.nodes ?? {});
    if (id === undefined || node === undefined) throw new Error('The file has no cable.');
    node.at = { is: 'mate', cable: id, node: 'b' };
    const { status, body } = await importing(JSON.stringify(file));
    expect([status, body.message.includes('is plugged into itself')]).toEqual([422, true]);
  });

  it('of a file that is damaged anywhere is taken whole or refused, and never fails inside', async () => {
    const odd = ['null', '-1', '1e308', '""', '[]', '{}', 'true', '"\\u0000"', '"../../x"', '99999999999', '"plain"', '3', '12'];
    const values = [...text.matchAll(/: ("[^"\n]*"|-?[0-9.]+|true|false|\[\]|\{\})/g)];
    // Most of the file is parts, whose hash notices every change; half of the damage goes into the aircraft itself.
    const inAircraft = values.filter(({ index }) => index < text.indexOf('"parts": ['));
    const seen = new Set<number>();
    await fc.assert(
      fc.asyncProperty(fc.nat(), fc.boolean(), fc.nat(odd.length - 1), async (at, anywhere, which) => {
        const list = anywhere ? values : inAircraft;
        const found = list[at % list.length];
        const put = odd[which];
        if (found === undefined || put === undefined) return;
        const source = `${text.slice(0, found.index)}: ${put}${text.slice(found.index + found[0].length)}`;
        const before = await stored();
        const { status, body } = await importing(source);
        seen.add(status);
        expect([201, 400, 422]).toContain(status);
        const after = await stored();
        expect(after - before).toBe(status === 201 ? 1 : 0);
        if (status === 201) {
          expect((await server.hangar()).find((entry) => entry.id === body.id)?.checked.is).toBe('checked');
          expect((await server.ask('GET', `/api/aircraft/${body.id}/export`)).status).toBe(200);
        }
      }),
      { numRuns: 60, seed: 20_261_125 },
    );
    expect(seen.size).toBeGreaterThan(1);
  });
});
