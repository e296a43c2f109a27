import type { Keeping, Kept } from './sessionState.ts';

/**
 * Brings what waits to where it outlives the window, one write after the other, the newest always, and knows whether it is
 * there.
 */
export class Keeper {
  #wanted: Kept;
  #kept: Kept | undefined;
  #isWriting = false;
  #hasFailed = false;

  /**
   * @param write undefined where there is no such place
   * @param onChange called when it became known whether what waits is kept
   */
  constructor(
    first: Kept,
    private readonly write: ((kept: Kept) => Promise<void>) | undefined,
    private readonly onChange: () => void,
  ) {
    this.#wanted = first;
    this.#kept = first;
  }

  /** Whether the newest that waits is where it outlives the window. */
  get keeping(): Keeping {
    if (this.write === undefined || this.#hasFailed) return 'window';
    return this.#kept === this.#wanted ? 'browser' : 'writing';
  }

  /** Keeps this from now on. */
  want(kept: Kept): void {
    const { epoch, version, edits, aside } = this.#wanted;
    const isSame = edits === kept.edits && aside === kept.aside;
    const isOnSame = epoch === kept.epoch && version === kept.version;
    if (isSame && (isOnSame || (kept.edits.length === 0 && kept.aside.length === 0))) return;
    this.#wanted = kept;
    this.again();
  }

  /** Tries to write what could not be written before. */
  again(): void {
    if (this.write === undefined || this.#isWriting || this.#kept === this.#wanted) return;
    const writing = this.#wanted;
    this.#isWriting = true;
    this.write(writing).then(
      () => this.#onWritten(writing, false),
      () => this.#onWritten(writing, true),
    );
  }

  #onWritten(written: Kept, failed: boolean): void {
    this.#isWriting = false;
    this.#hasFailed = failed;
    if (!failed) this.#kept = written;
    // After a failure the next change or the next retry tries again: a full disk does not fill up less by being asked at once.
    if (this.#wanted !== written) this.again();
    this.onChange();
  }
}
