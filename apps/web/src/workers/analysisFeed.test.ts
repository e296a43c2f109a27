import { describe, expect, it } from '@jest/globals';
import { asId, catalogue, newAircraft, type AircraftId, type Edit } from '@wired-falcon/core';
import type { AnalysisResult } from './analysis.worker.ts';
import { AnalysisFeed, type AnalysedState, type AnalysisPort } from './analysisFeed.ts';

const design = { aircraft: newAircraft(asId<AircraftId>('a'), 'A'), parts: catalogue };
const edit: Edit = { kind: 'set-aircraft-name', name: 'B', was: 'A' };
const reset = (seq: number): AnalysedState => ({ seq, last: { is: 'reset' }, design });
const edited = (seq: number): AnalysedState => ({ seq, last: { is: 'edit', edit }, design });

/** A worker that answers when it is told to, and remembers what it was asked. */
class SlowWorker implements AnalysisPort<AnalysisResult> {
  readonly asked: string[] = [];
  knows = true;
  #answers: (() => void)[] = [];

  load(seq: number): Promise<AnalysisResult> {
    this.asked.push(`load ${seq}`);
    return this.#later({ seq, judged: [] });
  }

  follow(seq: number): Promise<AnalysisResult | undefined> {
    this.asked.push(`follow ${seq}`);
    return this.#later(this.knows ? { seq, judged: [] } : undefined);
  }

  async answer(): Promise<void> {
    this.#answers.shift()?.();
    for (let i = 0; i < 5; i++) await Promise.resolve();
  }

  #later<T>(value: T): Promise<T> {
    return new Promise((resolve) => this.#answers.push(() => resolve(value)));
  }
}

function feeding() {
  const worker = new SlowWorker();
  const shown: number[] = [];
  const feed = new AnalysisFeed(worker, (result) => shown.push(result.seq));
  return { worker, shown, feed };
}

describe('the feed of the checks worker', () => {
  it('sends the document first, and edits after it', async () => {
    const { worker, shown, feed } = feeding();
    feed.offer(reset(1));
    await worker.answer();
    feed.offer(edited(2));
    await worker.answer();
    expect(worker.asked).toEqual(['load 1', 'follow 2']);
    expect(shown).toEqual([1, 2]);
  });

  it('lets only the newest version wait, and sends it whole when it skipped one', async () => {
    const { worker, shown, feed } = feeding();
    feed.offer(reset(1));
    for (const seq of [2, 3, 4]) feed.offer(edited(seq));
    await worker.answer();
    await worker.answer();
    expect(worker.asked).toEqual(['load 1', 'load 4']);
    expect(shown).toEqual([1, 4]);
  });

  it('sends the document when the worker cannot follow', async () => {
    const { worker, shown, feed } = feeding();
    feed.offer(reset(1));
    await worker.answer();
    worker.knows = false;
    feed.offer(edited(2));
    await worker.answer();
    await worker.answer();
    expect(worker.asked).toEqual(['load 1', 'follow 2', 'load 2']);
    expect(shown).toEqual([1, 2]);
  });

  it('ignores a version that it has seen', async () => {
    const { worker, feed } = feeding();
    feed.offer(reset(2));
    feed.offer(reset(2));
    feed.offer(reset(1));
    await worker.answer();
    expect(worker.asked).toEqual(['load 2']);
  });
});
