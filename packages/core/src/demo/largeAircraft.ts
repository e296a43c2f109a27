import type { Design } from '../model/design.ts';
import type { AircraftId, MakeId } from '../model/ids.ts';
import { Bench } from './bench.ts';
import { multiplied } from './multiplied.ts';

/** 400 items and 1,000 cables: forty clusters of a board, six servos, a regulator, a receiver and a bus with many branches. */
export function largeAircraft(id: AircraftId, makeId: MakeId): Design {
  const bench = new Bench(id, 'Large', makeId);
  bench.add('controller-h7-carrier', 'board');
  bench.add('regulator-buck-selectable-10a', 'servo rail');
  bench.add('distribution-plain-bus', 'bus');
  for (let n = 1; n <= 6; n++) {
    bench.add('servo-20g-standard', `servo ${n}`);
    bench.wire(`SRV${n} lead`, `FC1 m${n}`, 'meaning', 300);
  }
  bench.add('gnss-serial', 'receiver');
  bench.wire('GNSS1 UART', 'FC1 C', 'meaning', 200);
  bench.wire('BEC1 out', 'FC1 m8', 'meaning', 100);
  for (let n = 0; n < 17; n++) bench.wire(`PWR1 b${1 + (n % 6)}`, 'BEC1 in', 'meaning', 150);
  return multiplied(bench.design, 40);
}
