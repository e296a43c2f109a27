import { usedRevisions, type Edit, type PutBack } from '@wired-falcon/core';
import type { EditSession } from '../session/editSession.ts';
import type { SessionState } from '../session/sessionState.ts';
import type { AnswerOf, AnyCalculator, AskOf } from './calculator.ts';
import { STOP, type Endpoint, type FromWorker, type Reply, type ToWorker } from './messages.ts';
import { threadError } from './threadError.ts';

/** What the follower needs of a session: its document, and to be told of each version. */
export type Followed = Pick<EditSession, 'subscribe' | 'getState'>;

/** A question whose answer is kept current. */
interface Wish {
  readonly put: () => void;
}

/**
 * Brings every version of a document to the worker, and asks there what is to be known of it: once, or again for each version.
 * An edit is sent as an edit when the worker holds the version before it, else the document is sent.
 */
export class Follower {
  /** What the worker holds; 0 before the first. */
  #seq = 0;
  readonly #wishes = new Set<Wish>();
  /** What tells those who wait that nobody works on it, where the worker is gone. */
  readonly #waiting = new Set<(sentence: string) => void>();
  #broken: string | undefined;
  readonly #unsubscribe: () => void;

  constructor(
    private readonly followed: Followed,
    private readonly worker: Endpoint,
  ) {
    worker.onmessage = ({ data }: MessageEvent<FromWorker>) => this.#onLost(data.lostAt);
    worker.onerror = (event) => this.#onBroken(threadError(event));
    this.#unsubscribe = followed.subscribe(() => this.#bring());
    this.#bring();
  }

  close(): void {
    this.#unsubscribe();
    this.#wishes.clear();
  }

  /**
   * Asks a calculator now, and again whenever the document has changed; what is under way for an older one is stopped then.
   * @param onReply told of each reply with the number of the document that it is about
   * @returns what ends it
   */
  keep<C extends AnyCalculator>(calculator: C['id'], ask: AskOf<C>, onReply: (reply: Reply<AnswerOf<C>>, seq: number) => void): () => void {
    let stop = noAsk;
    const wish: Wish = {
      put: () => {
        stop();
        const seq = this.#seq;
        stop = this.#ask<C>(calculator, ask, (reply) => onReply(reply, seq));
      },
    };
    this.#wishes.add(wish);
    wish.put();
    return () => {
      this.#wishes.delete(wish);
      stop();
    };
  }

  /** Asks a calculator about the document as it is now. @returns how it ended: `dropped` when the document changed meanwhile */
  once<C extends AnyCalculator>(calculator: C['id'], ask: AskOf<C>): Promise<Exclude<Reply<AnswerOf<C>>, { is: 'share' }>> {
    return new Promise((resolve) => {
      this.#ask<C>(calculator, ask, (reply) => {
        if (reply.is !== 'share') resolve(reply);
      });
    });
  }

  #ask<C extends AnyCalculator>(calculator: C['id'], ask: AskOf<C>, onReply: (reply: Reply<AnswerOf<C>>) => void): () => void {
    const { port1, port2 } = new MessageChannel();
    let isOver = false;
    const take = (reply: Reply<AnswerOf<C>>): void => {
      if (isOver) return;
      if (reply.is !== 'share') end();
      onReply(reply);
    };
    const fail = (sentence: string): void => take({ is: 'failed', sentence });
    const end = (): void => {
      isOver = true;
      this.#waiting.delete(fail);
    };
    this.#waiting.add(fail);
    port1.onmessage = ({ data }: MessageEvent<Reply<AnswerOf<C>>>) => take(data);
    this.#post({ is: 'ask', seq: this.#seq, calculator, ask }, [port2]);
    if (this.#broken !== undefined) fail(this.#broken);
    return () => {
      if (isOver) return;
      end();
      port1.postMessage(STOP);
    };
  }

  #onBroken(error: string): void {
    this.#broken = `The computing worker does not run. ${error} Load the page again to restart it.`;
    for (const fail of [...this.#waiting]) fail(this.#broken);
  }

  #bring(): void {
    const state = this.followed.getState();
    if (state.seq <= this.#seq) return;
    const { seq, last } = state;
    if (last.is === 'edit' && this.#seq === seq - 1) this.#follow(seq, last);
    else this.#load(state);
    this.#seq = seq;
    for (const wish of this.#wishes) wish.put();
  }

  #follow(seq: number, { edit, undoes }: { readonly edit: Edit; readonly undoes?: PutBack }): void {
    this.#post({ is: 'follow', seq, edit, undoes });
  }

  /** The parts and the dialect that the aircraft uses go with it; the worker knows what ships. */
  #load({ seq, design }: SessionState): void {
    this.#post({ is: 'load', seq, aircraft: design.aircraft, revisions: usedRevisions(design) });
  }

  /** The worker could not make an edit that was made here. Newer versions that were sent since were lost with it. */
  #onLost(seq: number): void {
    if (seq > this.#seq) return;
    this.#load(this.followed.getState());
    for (const wish of this.#wishes) wish.put();
  }

  #post(message: ToWorker, transfer: Transferable[] = []): void {
    this.worker.postMessage(message, transfer);
  }
}

const noAsk = (): void => undefined;
