import type { Chance } from './chance.ts';
import type { Asked, RealWorkshop } from './realWorkshop.ts';

/** One request under way. */
interface Message {
  readonly asked: Asked;
  readonly from: string;
  readonly resolve: (answer: Response) => void;
  readonly reject: (error: Error) => void;
  /** There once the server has answered. */
  answer?: Response;
}

/** What stands at the server's address. */
export type Port = 'server' | 'nobody' | 'stranger' | 'busy' | 'broken';

/** A network that loses, repeats, delays and reorders requests and answers, one step at a time. */
export class Network {
  port: Port = 'server';
  /** The key that the workshop asks for; a browser that has another is turned away. */
  key = 0;
  /** What the server takes at once, in bytes. */
  bodyLimit = Number.POSITIVE_INFINITY;
  /** All requests that reached the server or what stood in its place. */
  delivered = 0;
  #messages: Message[] = [];
  /** Requests that the network repeats later, to nobody's surprise but the server's. */
  #echoes: Asked[] = [];

  constructor(
    private readonly workshop: RealWorkshop,
    private readonly chance: Chance,
    /** The key that a browser has. */
    private readonly keyOf: (browser: string) => number,
  ) {}

  get isQuiet(): boolean {
    return this.#messages.length === 0 && this.#echoes.length === 0;
  }

  /** Sends a request on its way. */
  fetch(from: string, asked: Asked): Promise<Response> {
    return new Promise((resolve, reject) => this.#messages.push({ asked, from, resolve, reject }));
  }

  /** One thing happens to one request or answer. */
  async step(isKind: boolean): Promise<void> {
    const { chance } = this;
    const echo = this.#echoes.length > 0 && (this.#messages.length === 0 || chance.is(0.3));
    if (echo) {
      const [asked] = this.#echoes.splice(chance.below(this.#echoes.length), 1);
      if (asked !== undefined) await this.#answer({ asked, from: '' }, true);
      return;
    }
    const message = chance.of(this.#messages);
    if (message.answer !== undefined) {
      this.#gone(message);
      if (!isKind && chance.is(0.15)) message.reject(new TypeError('The answer was lost.'));
      else message.resolve(message.answer);
      return;
    }
    if (!isKind && chance.is(0.1)) {
      this.#gone(message);
      message.reject(new TypeError('The request was lost.'));
      return;
    }
    if (!isKind && chance.is(0.08)) this.#echoes.push(message.asked);
    const answer = await this.#answer(message, isKind);
    if (answer !== undefined) message.answer = answer;
    else {
      this.#gone(message);
      message.reject(new TypeError('Nobody is there.'));
    }
  }

  #gone(message: Message): void {
    this.#messages = this.#messages.filter((other) => other !== message);
  }

  async #answer({ asked, from }: Pick<Message, 'asked' | 'from'>, isKind: boolean): Promise<Response | undefined> {
    this.delivered += 1;
    switch (this.port) {
      case 'nobody':
        return undefined;
      case 'stranger':
        return stranger(this.chance);
      case 'busy':
        return this.workshop.refusal(429, { code: 'too-many-tries', message: 'Later.', details: [] });
      case 'broken':
        return this.workshop.refusal(500, { code: 'server-error', message: 'Something went wrong.', details: [] });
      case 'server':
        break;
    }
    if (from !== '' && this.keyOf(from) !== this.key)
      return this.workshop.refusal(401, { code: 'no-access', message: 'The key, please.', details: [] });
    if ((asked.body?.length ?? 0) > this.bodyLimit && asked.address.endsWith('/edits'))
      return this.workshop.refusal(413, { code: 'too-large', message: 'Too large.', details: [] });
    // A proxy on the way may give up on its own; what it says is not ours.
    if (!isKind && this.chance.is(0.03)) return new Response('<h1>Bad gateway', { status: 502 });
    return this.workshop.answer(asked);
  }
}

function stranger(chance: Chance): Response {
  return chance.of([
    () => new Response('<!doctype html><h1>It works', { status: 200 }),
    () => new Response('not found', { status: 404 }),
    () => Response.json({ code: 'not-found', message: 'No such thing.', details: [] }, { status: 404 }),
    () => Response.json({ is: 'done', version: 1, outcomes: [] }),
    () => Response.json({}, { status: 401 }),
    () => Response.json({ error: 'conflict' }, { status: 409 }),
    () => Response.json({ error: 'bad' }, { status: 400 }),
    () => new Response('', { status: 413 }),
  ])();
}
