import { afterEach, describe, expect, it } from '@jest/globals';
import { asId, shipped, newAircraft, type AircraftId, type Design } from '@wired-falcon/core';
import type { SessionState } from '../session/sessionState.ts';
import { inOneStep, type Calculator, type Steps } from './calculator.ts';
import { Follower } from './follower.ts';
import type { Endpoint, Reply } from './messages.ts';
import { serve } from './serve.ts';

const nameOf: Calculator<'name', null, string> = { id: 'name', steps: inOneStep(({ aircraft }) => aircraft.name) };
const broken: Calculator<'broken', null, string> = {
  id: 'broken',
  steps: inOneStep(({ aircraft }) => {
    if (aircraft.name === 'B') throw new Error('B is too much.');
    return aircraft.name;
  }),
};
/** Works until a share is reached that is asked for: for ever at 2. */
const slow: Calculator<'slow', number, string> = { id: 'slow', steps: slowly };
/** Gives what cannot cross a port. */
const uncloneable: Calculator<'uncloneable', null, unknown> = { id: 'uncloneable', steps: inOneStep(() => () => 'a function') };
const urgent: Calculator<'urgent', null, string> = { id: 'urgent', turn: 'first', steps: nameOf.steps };
const idle: Calculator<'idle', null, string> = { id: 'idle', turn: 'last', steps: nameOf.steps };

function* slowly({ aircraft }: Design, until: number): Steps<string> {
  for (let share = 0; share < until; share = until > 1 ? 0.5 : share + 0.01) {
    for (const end = performance.now() + 2; performance.now() < end;);
    yield share;
  }
  return aircraft.name;
}

type Followed = Pick<SessionState, 'seq' | 'last' | 'design'>;

/** A session of which the test says what happens, and a worker in this thread over real ports. */
class Bench {
  readonly posted: string[] = [];
  readonly follower: Follower;
  readonly #endpoint: Endpoint;
  readonly #page: MessagePort;
  readonly #thread: MessagePort;
  #listeners = new Set<() => void>();
  #state: SessionState;

  constructor(name = 'A') {
    const { port1, port2 } = new MessageChannel();
    [this.#page, this.#thread] = [port1, port2];
    serve(port2, [nameOf, broken, slow, urgent, idle, uncloneable]);
    this.#state = stateOf({ seq: 1, last: { is: 'reset' }, design: designOf(name) });
    const endpoint: Endpoint = {
      onerror: null,
      postMessage: (message, transfer) => {
        this.posted.push(labelOf(message));
        port1.postMessage(message, transfer);
      },
      get onmessage() {
        return port1.onmessage;
      },
      set onmessage(take) {
        port1.onmessage = take;
      },
    };
    this.follower = new Follower({ subscribe: (listener) => this.#subscribe(listener), getState: () => this.#state }, endpoint);
    this.#endpoint = endpoint;
  }

  rename(name: string, was = this.#state.design.aircraft.name): void {
    const { seq } = this.#state;
    this.#set({ seq: seq + 1, last: { is: 'edit', edit: { kind: 'set-aircraft-name', name, was } }, design: designOf(name) });
  }

  reset(name: string): void {
    this.#set({ seq: this.#state.seq + 1, last: { is: 'reset' }, design: designOf(name) });
  }

  /** Collects what is said of a question, until something ends it. */
  async until<T>(ask: (take: (reply: T) => void) => unknown, isEnough: (reply: T) => boolean): Promise<T[]> {
    const taken: T[] = [];
    return new Promise((resolve) => {
      ask((reply) => {
        taken.push(reply);
        if (isEnough(reply)) resolve(taken);
      });
    });
  }

  breakDown(message: string): void {
    this.#endpoint.onerror?.(Object.assign(new Event('error'), { message, filename: '', lineno: 0, colno: 0, error: undefined }));
  }

  end(): void {
    this.follower.close();
    this.#page.close();
    this.#thread.close();
  }

  #set(state: Followed): void {
    this.#state = stateOf(state);
    for (const listener of this.#listeners) listener();
  }

  #subscribe(listener: () => void): () => void {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  }
}

function designOf(name: string): Design {
  return { aircraft: newAircraft(asId<AircraftId>('a'), name), ...shipped };
}

function stateOf(followed: Followed): SessionState {
  return {
    ...followed,
    version: 0,
    epoch: 'e',
    pending: 0,
    saving: 'saved',
    trouble: undefined,
    keeping: 'browser',
    savedAt: '',
    undo: [],
    redo: [],
    messages: [],
    conflicts: [],
  };
}

function labelOf(message: unknown): string {
  return typeof message === 'object' && message !== null && 'is' in message && 'seq' in message
    ? `${String(message.is)} ${String(message.seq)}`
    : '?';
}

let bench: Bench;
afterEach(() => bench.end());

interface Told {
  readonly reply: Reply<string>;
  readonly seq: number;
}

describe('the worker that follows a document', () => {
  it('is given the document first and edits after it, and each answer is about the newest', async () => {
    bench = new Bench();
    const told = bench.until<Told>(
      (take) => bench.follower.keep<typeof nameOf>('name', null, (reply, seq) => take({ reply, seq })),
      ({ seq, reply }) => seq === 3 && reply.is === 'answer',
    );
    bench.rename('B');
    bench.rename('C');
    expect((await told).at(-1)).toEqual({ seq: 3, reply: { is: 'answer', answer: 'C' } });
    expect(bench.posted).toEqual(['load 1', 'ask 1', 'follow 2', 'ask 2', 'follow 3', 'ask 3']);
  });

  it('is given the document again when it cannot follow an edit, and after a reset', async () => {
    bench = new Bench();
    const told = bench.until<Told>(
      (take) => bench.follower.keep<typeof nameOf>('name', null, (reply, seq) => take({ reply, seq })),
      ({ seq, reply }) => seq === 3 && reply.is === 'answer',
    );
    bench.rename('B', 'another name');
    bench.reset('C');
    expect((await told).at(-1)?.reply).toEqual({ is: 'answer', answer: 'C' });
    bench.rename('D', 'another name');
    const again = bench.until<Told>(
      (take) => bench.follower.keep<typeof nameOf>('name', null, (reply, seq) => take({ reply, seq })),
      ({ reply }) => reply.is === 'answer',
    );
    expect((await again).at(-1)).toEqual({ seq: 4, reply: { is: 'answer', answer: 'D' } });
    expect(bench.posted.filter((label) => label.startsWith('load'))).toContain('load 4');
  });

  it('tells what a calculator throws, answers all others, and computes the next document as ever', async () => {
    bench = new Bench('B');
    expect(await bench.follower.once<typeof broken>('broken', null)).toEqual({ is: 'failed', sentence: 'B is too much.' });
    expect(await bench.follower.once<typeof nameOf>('name', null)).toEqual({ is: 'answer', answer: 'B' });
    bench.rename('C');
    expect(await bench.follower.once<typeof broken>('broken', null)).toEqual({ is: 'answer', answer: 'C' });
  });

  it('takes an answer that cannot cross for a failure, and works on', async () => {
    bench = new Bench();
    expect(await bench.follower.once<typeof uncloneable>('uncloneable', null)).toMatchObject({ is: 'failed' });
    expect(await bench.follower.once<typeof nameOf>('name', null)).toEqual({ is: 'answer', answer: 'A' });
  });

  it('tells the share of long work and listens meanwhile: what is urgent is answered first', async () => {
    bench = new Bench();
    const order: string[] = [];
    const shares: number[] = [];
    const long = bench.until<Reply<string>>(
      (take) =>
        bench.follower.keep<typeof slow>('slow', 1, (reply) => {
          if (reply.is === 'share') shares.push(reply.share);
          else order.push('slow');
          take(reply);
        }),
      ({ is }) => is === 'answer',
    );
    const soon = bench.follower.once<typeof urgent>('urgent', null).then(() => order.push('urgent'));
    await Promise.all([long, soon]);
    expect(order).toEqual(['urgent', 'slow']);
    expect(shares.length).toBeGreaterThan(1);
    expect(shares).toEqual([...shares].sort((a, b) => a - b));
  });

  it('answers what is urgent first, though it is asked later', async () => {
    bench = new Bench();
    const order: string[] = [];
    const long = bench.follower.once<typeof nameOf>('name', null).then(() => order.push('name'));
    const soon = bench.follower.once<typeof urgent>('urgent', null).then(() => order.push('urgent'));
    await Promise.all([long, soon]);
    expect(order).toEqual(['urgent', 'name']);
  });

  it('answers at the end whose turn is last, though it was asked before', async () => {
    bench = new Bench();
    const order: string[] = [];
    const last = bench.follower.once<typeof idle>('idle', null).then(() => order.push('idle'));
    const long = bench.follower.once<typeof nameOf>('name', null).then(() => order.push('name'));
    const soon = bench.follower.once<typeof urgent>('urgent', null).then(() => order.push('urgent'));
    await Promise.all([last, long, soon]);
    expect(order).toEqual(['urgent', 'name', 'idle']);
  });

  it('leaves work that nobody wants any more: stopped, or about a document that is gone', async () => {
    bench = new Bench();
    const ends: string[] = [];
    const stop = bench.follower.keep<typeof slow>('slow', 2, (reply) => ends.push(reply.is));
    stop();
    const orphan = bench.follower.once<typeof slow>('slow', 2);
    bench.rename('B');
    expect(await orphan).toEqual({ is: 'dropped' });
    expect(await bench.follower.once<typeof nameOf>('name', null)).toEqual({ is: 'answer', answer: 'B' });
    expect(ends).not.toContain('answer');
  });

  it('tells everyone who waits, and who asks later, when the thread is gone', async () => {
    bench = new Bench();
    const orphan = bench.follower.once<typeof slow>('slow', 1);
    bench.breakDown('Out of memory.');
    expect(await orphan).toMatchObject({ is: 'failed', sentence: expect.stringContaining('Out of memory.') });
    expect(await bench.follower.once<typeof nameOf>('name', null)).toMatchObject({ is: 'failed' });
  });

  it('does not know every calculator', async () => {
    bench = new Bench();
    const unknown = bench.follower.once<Calculator<'unheard of', null, string>>('unheard of', null);
    expect(await unknown).toEqual({ is: 'failed', sentence: 'There is no calculator "unheard of".' });
  });
});
