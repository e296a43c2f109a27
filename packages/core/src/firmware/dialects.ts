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
  'controller-h7-carrier': { A: '1', B: '2', E: '3', F: '4', C: '5', D: '6', RC: '7', H: '8' },
  'controller-h7-ethernet': { L1: '1', L2: '2', P1: '3', P2: '4', L3: '5', X1: '6', RC: '7' },
  'controller-h7-wing': { R1: '1', R2: '2', R3: '3', R4: '4', R5: '5', R6: '6', R7: '7' },
  'controller-f7-mini': { T1: '1', T2: '2', G1: '3', G2: '4', V1: '5', RC: '6' },
  'controller-f4-stack': { U1: '1', RC: '2', U3: '3', U4: '4', U6: '5' },
  'controller-f7-rows': { K1: '1', K2: '2', K3: '3' },
  'controller-8-bit-carrier': { TEL: '1', GPS: '2' },
  'controller-f4-wing': { S1: '1', S2: '2', S3: '3', S5: '4', S4: '5', S6: '6' },
};

/** A port list whose identifiers are the chip's own numbers, from 0; ports made by software begin at 30. */
const roleTableSerial: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  'controller-h7-carrier': { A: '6', B: '4', E: '2', F: '3', C: '0', D: '7', RC: '5', H: '1' },
  'controller-h7-ethernet': { L1: '6', L2: '4', P1: '3', P2: '1', L3: '0', X1: '7', RC: '5' },
  'controller-h7-wing': { R1: '6', R2: '0', R3: '1', R4: '2', R5: '7', R6: '5', R7: '3' },
  'controller-f7-mini': { T1: '1', T2: '2', G1: '3', G2: '4', V1: '6', RC: '5' },
  'controller-f4-stack': { U1: '0', RC: '1', U3: '2', U4: '3', U6: '5' },
  'controller-f7-rows': { K1: '1', K2: '2', K3: '5' },
  'controller-8-bit-carrier': { TEL: '1', GPS: '0' },
  'controller-f4-wing': { S1: '0', S2: '1', S3: '2', S5: '3', S4: '5', S6: '30' },
};

/** One entry a dialect. */
export const dialects: readonly Dialect[] = [
  {
    id: 'numbered-ports',
    title: 'Numbered ports',
    serialIndex: (board, endpoint) => numberedSerial[board]?.[endpoint],
  },
  {
    id: 'role-table',
    title: 'Role table',
    serialIndex: (board, endpoint) => roleTableSerial[board]?.[endpoint],
  },
];

export function dialectOf(id: string): Dialect | undefined {
  return dialects.find((dialect) => dialect.id === id);
}
