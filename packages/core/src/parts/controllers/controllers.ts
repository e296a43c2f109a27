import type { Part } from '../../model/part.ts';
import { carrier8Bit } from './carrier8Bit.ts';
import { carrierH7 } from './carrierH7.ts';
import { carrierH7Ethernet } from './carrierH7Ethernet.ts';
import { miniF7 } from './miniF7.ts';
import { rowsF7 } from './rowsF7.ts';
import { servoFed8Bit } from './servoFed8Bit.ts';
import { stabiliserSmall } from './stabiliserSmall.ts';
import { stackF4 } from './stackF4.ts';
import { wingBoardF4 } from './wingBoardF4.ts';
import { wingBoardH7 } from './wingBoardH7.ts';

export const controllers: readonly Part[] = [
  carrierH7,
  carrierH7Ethernet,
  wingBoardH7,
  miniF7,
  wingBoardF4,
  stackF4,
  rowsF7,
  carrier8Bit,
  servoFed8Bit,
  stabiliserSmall,
];
