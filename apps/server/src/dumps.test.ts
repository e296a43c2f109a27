import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { CreatedResponse, DumpEntry, DumpResponse, ErrorResponse } from '@wired-falcon/contract';
import { TestServer } from './test/testServer.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.start();
});
afterAll(() => server.stop());

async function newAircraft(name: string): Promise<string> {
  return (await server.ask<CreatedResponse>('POST', '/api/aircraft', { name })).body.id;
}

const keep = (aircraft: string, id: string, text: string, more: object = {}) =>
  server.ask<DumpEntry & ErrorResponse>('POST', `/api/aircraft/${aircraft}/dumps`, {
    id,
    controller: 'fc1',
    by: 'tester',
    note: 'after the first flight',
    text,
    ...more,
  });

const list = async (aircraft: string): Promise<readonly DumpEntry[]> =>
  (await server.ask<DumpEntry[]>('GET', `/api/aircraft/${aircraft}/dumps`)).body;

const CALIBRATED = ['GYRO.X.ZERO 17', 'GYRO.Y.ZERO -4', 'GYRO.Z.ZERO 9', 'N1.SHIFT.X 120', 'P7.ROLE 31'].join('\n');

describe('dumps', () => {
  it('are kept as they were read, listed the newest first, and still there after a restart', async () => {
    const aircraft = await newAircraft('One');
    const strange = 'P7.ROLE 31\r\n\u0007\u0000 <b>\nend';
    expect((await keep(aircraft, 'a', strange)).body).toMatchObject({ id: 'a', lines: 3, by: 'tester', note: 'after the first flight' });
    await keep(aircraft, 'b', CALIBRATED, { note: '' });
    await server.restart();
    expect((await list(aircraft)).map(({ id }) => id)).toEqual(['b', 'a']);
    const { body } = await server.ask<DumpResponse>('GET', `/api/aircraft/${aircraft}/dumps/a`);
    expect(body.text).toBe(strange);
  });

  it('that are sent again get the first answer, and another one under their id is refused', async () => {
    const [aircraft, other] = [await newAircraft('Two'), await newAircraft('Two again')];
    const first = await keep(aircraft, 'again', 'P7.ROLE 31');
    const second = await keep(aircraft, 'again', 'P7.ROLE 31', { note: 'sent twice' });
    expect(second.body).toEqual(first.body);
    for (const refused of [await keep(aircraft, 'again', 'P7.ROLE 44'), await keep(other, 'again', 'P7.ROLE 31')]) {
      expect(refused.status).toBeGreaterThanOrEqual(400);
      expect(refused.status).toBeLessThan(500);
      expect(refused.body.message).toContain('Another dump is kept under this id.');
    }
    expect([(await list(aircraft)).length, (await list(other)).length]).toEqual([1, 0]);
  });

  it('with the calibration of another aircraft say of which', async () => {
    const [first, second, third] = [await newAircraft('First'), await newAircraft('Second'), await newAircraft('Third')];
    expect(
      (await keep(first, 'first-own', CALIBRATED.replaceAll('17', '18').replace('-4', '-5').replace('9', '8'))).body.copiedFrom,
    ).toBeUndefined();
    expect(
      (await keep(second, 'second-copy', CALIBRATED.replaceAll('17', '18').replace('-4', '-5').replace('9', '8'))).body.copiedFrom,
    ).toEqual({
      aircraft: 'First',
      lines: 4,
    });
    // Its own zeros, but for one that happens to be the same.
    expect((await keep(third, 'third-own', 'GYRO.X.ZERO 18\nGYRO.Y.ZERO 1\nGYRO.Z.ZERO 2\nN1.SHIFT.X 3')).body.copiedFrom).toBeUndefined();
  });

  it('can be taken out and put back', async () => {
    const aircraft = await newAircraft('Four');
    await keep(aircraft, 'gone', 'P7.ROLE 31');
    await server.ask('POST', `/api/aircraft/${aircraft}/dumps/gone/removed`, { removed: true });
    expect(await list(aircraft)).toEqual([]);
    await server.ask('POST', `/api/aircraft/${aircraft}/dumps/gone/removed`, { removed: false });
    expect(await list(aircraft)).toHaveLength(1);
  });

  it.each<readonly [string, object, string]>([
    ['no text', { text: '' }, 'text'],
    ['an id with signs', { id: '../x' }, 'id'],
    ['a note with a line break', { note: 'a\nb' }, 'note'],
    ['nobody who kept it', { by: '' }, 'by'],
    ['too much text', { text: 'x'.repeat(1_500_001) }, 'text'],
  ])('with %s are refused in a sentence, and nothing is kept', async (_, wrong, word) => {
    const aircraft = await newAircraft('Five');
    const { status, body } = await keep(aircraft, 'wrong', 'P7.ROLE 31', wrong);
    expect(status).toBe(400);
    expect([body.message, ...body.details].join(' ')).toContain(word);
    expect(await list(aircraft)).toEqual([]);
  });

  it('of no aircraft, and dumps that are not there, get a sentence', async () => {
    expect((await keep('nobody', 'x', 'P7.ROLE 31')).body.message).toContain('There is no aircraft "nobody"');
    const aircraft = await newAircraft('Six');
    const { status, body } = await server.ask<ErrorResponse>('GET', `/api/aircraft/${aircraft}/dumps/none`);
    expect([status, body.message]).toEqual([404, 'There is no dump "none" of this aircraft. Choose one of the list.']);
  });
});
