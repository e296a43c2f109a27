import { routes, type EditsResponse, type ErrorResponse } from '@wired-falcon/contract';
import {
  asId,
  shipped,
  newAircraft,
  partKeyOf,
  sampleParts,
  SCHEMA_VERSION,
  type Aircraft,
  type AircraftId,
  type Design,
  type Edit,
  type EditId,
  type ItemId,
} from '@wired-falcon/core';
import { EditSession } from '../../apps/web/src/session/editSession.ts';
import type { Kept } from '../../apps/web/src/session/sessionState.ts';
import { transportOver, type Transport } from '../../apps/web/src/session/transport.ts';
import type { Asked, RealWorkshop } from './realWorkshop.ts';

let made = 0;
export const makeId = (): string => `m${++made}`;
const AT = '2026-11-24T10:00:00.000Z';

/** One aircraft of a real workshop, and a network to it that can be cut before or after the server acts. */
export class SessionBench {
  network: 'up' | 'down' | 'answers lost' = 'up';
  /** What answers in the place of the server, if it answers. */
  instead: (asked: Asked) => Response | undefined = () => undefined;
  /** The requests that reached the server or what stood in its place, by the last part of their address. */
  readonly asked: string[] = [];
  readonly transport: Transport = transportOver((address, init) =>
    this.#answer({ address, body: typeof init?.body === 'string' ? init.body : undefined }),
  );

  private constructor(
    readonly workshop: RealWorkshop,
    readonly id: AircraftId,
  ) {}

  static async of(workshop: RealWorkshop): Promise<SessionBench> {
    const id = asId<AircraftId>(makeId());
    await workshop.create({ aircraft: newAircraft(id, 'Test'), ...shipped });
    return new SessionBench(workshop, id);
  }

  async #answer(asked: Asked): Promise<Response> {
    if (this.network === 'down') throw new TypeError('The network is down.');
    this.asked.push(asked.address.replace(/^.*\/|\?.*$/g, ''));
    const answer = this.instead(asked) ?? (await this.workshop.answer(asked));
    if (this.network === 'answers lost') throw new TypeError('The network went down.');
    return answer;
  }

  refusing(status: number, code: ErrorResponse['code'], message = 'No.'): Response {
    return this.workshop.refusal(status, { code, message, details: [] });
  }

  /** Somebody else makes an edit on the newest version. */
  async act(edit: Edit, by = 'other'): Promise<EditId> {
    const { version } = await this.workshop.aircraft(this.id);
    const submitted = { editId: asId<EditId>(makeId()), at: AT, by, schema: SCHEMA_VERSION, edit };
    const body = JSON.stringify({ epoch: this.workshop.epoch, baseVersion: version, edits: [submitted] });
    const answer = (await (await this.workshop.answer({ address: routes.edits(this.id), body })).json()) as EditsResponse;
    if (answer.is !== 'done' || answer.outcomes[0]?.is !== 'accepted') throw new Error(JSON.stringify(answer));
    return submitted.editId;
  }

  async aircraft(): Promise<Aircraft> {
    return (await this.workshop.aircraft(this.id)).aircraft;
  }

  async titles(): Promise<string[]> {
    return (await this.workshop.rows(this.id)).map(({ title }) => title);
  }

  /** A session with timers that run when the test says so. */
  async open(author = 'me', keep?: (kept: Kept) => Promise<void>) {
    const waiting: (() => void)[] = [];
    const loaded = await this.transport.load(this.id, author);
    const session = new EditSession(
      this.id,
      { loaded, from: 'server' },
      {
        transport: this.transport,
        author,
        makeId,
        now: () => AT,
        later: (task) => {
          waiting.push(task);
          return () => {
            if (waiting.includes(task)) waiting.splice(waiting.indexOf(task), 1);
          };
        },
        ...(keep === undefined ? {} : { keep }),
      },
    );
    const retry = (): void => waiting.splice(0).forEach((task) => task());
    return { session, retry, timers: () => waiting.length };
  }
}

/** Waits until nothing is under way: the session does not send, and the wire is quiet. */
export async function quiet(session: EditSession): Promise<void> {
  let calm = 0;
  for (let turns = 0; calm < 12; turns++) {
    if (turns > 5000) throw new Error('The session does not come to rest.');
    await new Promise((resolve) => setImmediate(resolve));
    calm = session.getState().saving === 'saving' ? 0 : calm + 1;
  }
}

export function addition(n: number, ref = `SRV${n}`): Extract<Edit, { kind: 'add-item' }> {
  const servo = sampleParts.find((part) => part.kind === 'servo');
  if (servo === undefined) throw new Error('There is no servo.');
  const id = asId<ItemId>(`i${ref}x${makeId()}`);
  return { kind: 'add-item', item: { id, ref, part: partKeyOf(servo), where: 'aircraft', settings: {} } };
}

export const rename = (name: string, was: string): Edit => ({ kind: 'set-aircraft-name', name, was });
export const note = (text: string, was: string): Edit => ({ kind: 'set-aircraft-note', note: text, was });

export function refs(aircraft: Aircraft | Design): string[] {
  const { items } = 'aircraft' in aircraft ? aircraft.aircraft : aircraft;
  return Object.values(items)
    .map(({ ref }) => ref)
    .sort();
}

export function sentences(session: EditSession): string[] {
  return session.getState().messages.map(({ sentence }) => sentence);
}
