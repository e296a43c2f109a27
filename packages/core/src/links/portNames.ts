import { boardOf } from '../dialects/boardOf.ts';
import type { Dialect } from '../model/dialect.ts';
import type { ResolvedPart, UartEndpoint } from '../model/part.ts';

/** The three names of one serial port. */
export interface PortNames {
  readonly endpoint: UartEndpoint;
  /** As printed on the board. */
  readonly label: string;
  /** The chip's own UART, as in `UART6`; undefined for a port made by software. */
  readonly chip: string | undefined;
  /** The firmware's index; undefined where the dialect does not know the board. */
  readonly firmware: string | undefined;
}

/** The names of every serial port of a part, in the order of the part. */
export function portNamesOf(part: ResolvedPart, dialect: Dialect | undefined): PortNames[] {
  const board = boardOf(dialect, part);
  return part.endpoints
    .filter((endpoint) => endpoint.is === 'uart')
    .map((endpoint) => ({
      endpoint,
      label: endpoint.names.label,
      chip: endpoint.names.chip,
      firmware: board?.serial?.[endpoint.id],
    }));
}

/** True when the numbers in the names that are known are not all one and the same. */
export function namesDiffer(names: PortNames): boolean {
  const numbers = [names.label, names.chip, names.firmware]
    .filter((name) => name !== undefined)
    .map((name) => /\d+/.exec(name)?.[0])
    .filter((digits) => digits !== undefined);
  return new Set(numbers).size > 1;
}
