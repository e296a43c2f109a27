import type { BoardEntry, Dialect } from '../model/dialect.ts';
import type { ResolvedPart, Part } from '../model/part.ts';

/** A board as a dialect knows it, with what it has from those that it is like. */
export type DialectBoard = Omit<BoardEntry, 'like'>;

/**
 * What a dialect says of a board.
 * @returns undefined where it does not know the board, or where the part does not say its target
 */
export function boardOf(dialect: Dialect | undefined, part: Pick<Part | ResolvedPart, 'board'>): DialectBoard | undefined {
  const target = part.board?.target;
  return dialect === undefined || target === undefined ? undefined : boardNamed(dialect, target);
}

/** The same by the target's name. A board that is like another has its tables where it has none of its own. */
export function boardNamed({ boards }: Dialect, target: string): DialectBoard | undefined {
  const seen = new Set<string>();
  let found: DialectBoard | undefined;
  let next: string | undefined = target;
  while (next !== undefined && !seen.has(next)) {
    seen.add(next);
    const entry: BoardEntry | undefined = Object.hasOwn(boards, next) ? boards[next] : undefined;
    if (entry === undefined) break;
    const { like, ...own }: BoardEntry = entry;
    found = { ...own, ...found };
    next = like;
  }
  return found;
}
