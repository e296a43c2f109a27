import type { PartId } from '../model/ids.ts';

/** How one firmware family names the things of a board. */
export interface Dialect {
  readonly id: string;
  readonly title: string;
  /** The firmware's own index of a serial endpoint of a board; undefined where the dialect does not know the board. */
  readonly serialIndex: (board: PartId, endpoint: string) => string | undefined;
}

/** Serial indexes by board and endpoint. A table, since the firmware's order follows neither labels nor chip numbers. */
const numberedSerial: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  'controller-f4-wing': { S1: '1', S2: '2', S3: '3', S5: '4', S4: '5', S6: '6' },
};

/** One entry a dialect. */
export const dialects: readonly Dialect[] = [
  {
    id: 'numbered-ports',
    title: 'Numbered ports',
    serialIndex: (board, endpoint) => numberedSerial[board]?.[endpoint],
  },
];

export function dialectOf(id: string): Dialect | undefined {
  return dialects.find((dialect) => dialect.id === id);
}
