import { describe, expect, it } from '@jest/globals';
import { asId, type EditId } from '@wired-falcon/core';
import { Keeper } from './keeper.ts';
import type { Kept } from './sessionState.ts';

const edit = (n: number) => ({
  editId: asId<EditId>(`e${n}`),
  at: '2026-11-24T10:00:00.000Z',
  by: 'me',
  schema: 1,
  edit: { kind: 'set-aircraft-name' as const, name: `${n}`, was: '' },
});
const kept = (...numbers: number[]): Kept => ({ epoch: 'e', version: 0, edits: numbers.map(edit), aside: [] });
const turn = (): Promise<void> => new Promise((resolve) => setImmediate(resolve));

/** A place that is written to when the test says so. */
function place() {
  const written: Kept[] = [];
  const open: { resolve: () => void; reject: (error: Error) => void }[] = [];
  const write = (now: Kept): Promise<void> => {
    written.push(now);
    return new Promise((resolve, reject) => open.push({ resolve, reject }));
  };
  return { written, write, end: (isWell = true) => (isWell ? open.shift()?.resolve() : open.shift()?.reject(new Error('full'))) };
}

describe('a keeper', () => {
  it('says "browser" only when the newest is there, and writes one after the other, the newest next', async () => {
    const { written, write, end } = place();
    const keeper = new Keeper(kept(), write, () => undefined);
    expect(keeper.keeping).toBe('browser');
    keeper.want(kept(1));
    keeper.want(kept(1, 2));
    keeper.want(kept(1, 2, 3));
    expect([keeper.keeping, written.length]).toEqual(['writing', 1]);
    end();
    await turn();
    expect([keeper.keeping, written.map(({ edits }) => edits.length)]).toEqual(['writing', [1, 3]]);
    end();
    await turn();
    expect(keeper.keeping).toBe('browser');
  });

  it('says "window" after a failure, does not try in circles, and tries again when it is told to or when more comes', async () => {
    const { written, write, end } = place();
    let changes = 0;
    const keeper = new Keeper(kept(), write, () => (changes += 1));
    keeper.want(kept(1));
    end(false);
    await turn();
    expect([keeper.keeping, written.length, changes]).toEqual(['window', 1, 1]);
    keeper.again();
    end(false);
    await turn();
    keeper.want(kept(1, 2));
    expect([keeper.keeping, written.length]).toEqual(['window', 3]);
    end();
    await turn();
    expect([keeper.keeping, written.at(-1)?.edits.length, changes]).toEqual(['browser', 2, 3]);
  });

  it('does not write what is the same, nor that nothing waits at another version', () => {
    const { written, write } = place();
    const first = kept();
    const keeper = new Keeper(first, write, () => undefined);
    keeper.want({ ...first, version: 5 });
    expect([keeper.keeping, written.length]).toEqual(['browser', 0]);
    const one = kept(1);
    keeper.want(one);
    keeper.want({ ...one });
    expect(written).toHaveLength(1);
  });

  it('without a place says "window"', () => {
    expect(new Keeper(kept(), undefined, () => undefined).keeping).toBe('window');
  });
});
