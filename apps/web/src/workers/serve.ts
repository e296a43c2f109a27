import type { Design } from '@wired-falcon/core';
import type { AnyCalculator, Steps } from './calculator.ts';
import { FollowedDesign } from './followedDesign.ts';
import type { Endpoint, FromWorker, Reply, ToWorker } from './messages.ts';

/** A question that is worked on. */
interface Job {
  readonly seq: number;
  readonly turn: AnyCalculator['turn'];
  readonly begin: (design: Design) => Steps<unknown>;
  readonly port: MessagePort;
  steps: Steps<unknown> | undefined;
  isStopped: boolean;
}

/** For so long the worker does not listen while it works. */
const SLICE_MS = 12;

/**
 * Follows the document of a page, and answers what the page asks of it.
 *
 * 1. A document that comes makes every question about an older one void.
 * 2. Of the questions, those whose turn is first come first, those whose turn is last at the end, and of equals the oldest. Work begins a turn after the first comes, when those that were asked together are there.
 * 3. Work is done in slices, between which messages are taken: a newer document, a question whose turn comes before, or a stop.
 * 4. What a calculator throws is its answer; all others are answered as ever.
 */
export function serve(endpoint: Endpoint, calculators: readonly AnyCalculator[]): void {
  const known = new Map(calculators.map((calculator) => [calculator.id, calculator] as const));
  const followed = new FollowedDesign();
  let jobs: readonly Job[] = [];
  let isWorking = false;

  endpoint.onmessage = ({ data, ports: [port] }: MessageEvent<ToWorker>) => {
    switch (data.is) {
      case 'load':
        followed.load(data.seq, data.aircraft, data.revisions);
        return dropOld();
      case 'follow':
        if (!canFollow(followed, data)) endpoint.postMessage({ lostAt: data.seq } satisfies FromWorker, []);
        return dropOld();
      case 'ask':
        if (port === undefined) throw new Error('A question comes without a port for its answer.');
        take(data.seq, data.calculator, data.ask, port);
        return void work();
    }
  };

  function take(seq: number, id: string, ask: unknown, port: MessagePort): void {
    const calculator = known.get(id);
    if (calculator === undefined) return reply(port, { is: 'failed', sentence: `There is no calculator "${id}".` });
    if (followed.at(seq) === undefined) return reply(port, { is: 'dropped' });
    const job: Job = {
      seq,
      turn: calculator.turn,
      begin: (design: Design) => calculator.steps(design, ask),
      port,
      steps: undefined,
      isStopped: false,
    };
    port.onmessage = () => (job.isStopped = true);
    jobs = [...jobs, job];
  }

  function dropOld(): void {
    for (const { port } of jobs.filter(({ seq }) => followed.at(seq) === undefined)) reply(port, { is: 'dropped' });
    jobs = jobs.filter(({ seq }) => followed.at(seq) !== undefined);
  }

  async function work(): Promise<void> {
    if (isWorking) return;
    isWorking = true;
    await turn();
    for (let job = next(); job !== undefined; job = next()) {
      const last = advance(job);
      if (last !== undefined) {
        jobs = jobs.filter((other) => other !== job);
        reply(job.port, last);
      }
      await turn();
    }
    isWorking = false;
  }

  function next(): Job | undefined {
    return jobs.find(({ turn }) => turn === 'first') ?? jobs.find(({ turn }) => turn !== 'last') ?? jobs[0];
  }

  /** Works a slice long. @returns what ends the job, when it has ended */
  function advance(job: Job): Reply<unknown> | undefined {
    const design = followed.at(job.seq);
    if (design === undefined || job.isStopped) return { is: 'dropped' };
    try {
      const steps = (job.steps ??= job.begin(design));
      for (const from = performance.now(); ;) {
        const step = steps.next();
        if (step.done === true) return { is: 'answer', answer: step.value };
        if (performance.now() - from < SLICE_MS) continue;
        post(job.port, { is: 'share', share: step.value });
        return undefined;
      }
    } catch (error) {
      return { is: 'failed', sentence: error instanceof Error ? error.message : String(error) };
    }
  }
}

/** Until the messages that are there have been taken. */
function turn(): Promise<void> {
  return new Promise((resolve) => setTimeout(resolve));
}

function canFollow(followed: FollowedDesign, { seq, edit, undoes }: Extract<ToWorker, { is: 'follow' }>): boolean {
  try {
    return followed.follow(seq, edit, undoes) !== undefined;
  } catch {
    return false;
  }
}

function post(port: MessagePort, message: Reply<unknown>): void {
  port.postMessage(message);
}

/** The last that is said of a question. An answer that cannot cross the port is a failure of its calculator, and of nothing else. */
function reply(port: MessagePort, last: Reply<unknown>): void {
  try {
    post(port, last);
  } catch (error) {
    post(port, { is: 'failed', sentence: error instanceof Error ? error.message : String(error) });
  }
  port.close();
}
