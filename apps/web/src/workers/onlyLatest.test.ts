import { describe, expect, it } from '@jest/globals';
import { OnlyLatest } from './onlyLatest.ts';

/** Counts its steps, to see how far it was led. */
class Work {
  done = 0;

  *steps(name: string, count: number): Generator<undefined, string, void> {
    for (; this.done < count; this.done++) yield undefined;
    return name;
  }
}

describe('work of which only the latest counts', () => {
  it('is left where it is when other work is asked for', async () => {
    const latest = new OnlyLatest(0);
    const [first, second] = [new Work(), new Work()];
    const results = await Promise.all([latest.finish(first.steps('first', 1000)), latest.finish(second.steps('second', 20))]);
    expect(results).toEqual([undefined, 'second']);
    expect(first.done).toBeLessThan(5);
    expect(second.done).toBe(20);
  });

  it('is finished when nothing else is asked for, and the next after it too', async () => {
    const latest = new OnlyLatest(0);
    expect(await latest.finish(new Work().steps('first', 10))).toBe('first');
    expect(await latest.finish(new Work().steps('second', 10))).toBe('second');
  });
});
