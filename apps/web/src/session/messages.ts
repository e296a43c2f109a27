import type { SessionMessage } from './sessionState.ts';

/** What the person is told, until it is dismissed. */
export class MessageList {
  #all: readonly SessionMessage[] = [];
  #count = 0;

  get all(): readonly SessionMessage[] {
    return this.#all;
  }

  /** Adds a sentence as the newest; one that is shown already is not shown twice. */
  say(sentence: string, offer?: SessionMessage['offer']): void {
    this.#count += 1;
    const others = this.#all.filter((message) => message.sentence !== sentence);
    this.#all = [...others, { id: this.#count, sentence, ...(offer === undefined ? {} : { offer }) }];
  }

  dismiss(id: number): void {
    this.#all = this.#all.filter((message) => message.id !== id);
  }
}

/** @param count edits of a window that is gone, which this one makes again */
export function takenUpWords(count: number): string {
  return count === 1
    ? 'One edit of an earlier window had not reached the server and continues here.'
    : `${count} edits of an earlier window had not reached the server and continue here.`;
}

/** @param count edits of this window that were made again on the document of the backup */
export function restoredWords(count: number): string {
  const edits =
    count === 0 ? '' : count === 1 ? ' Your unsent edit was made again on it.' : ` Your ${count} unsent edits were made again on it.`;
  return `The workshop was restored from a backup: this window shows the restored aircraft.${edits}`;
}
