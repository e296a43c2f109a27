import type { Graph } from '../../graph/graph.ts';
import { powerReport } from '../../power/report/powerReport.ts';
import { batteryReserve, type NoReserve } from '../failsafe/batteryReserve.ts';

/** The alarms that a pilot sets, from the power figures. */
export interface PilotAlarms {
  /** Under the load of cruise, in volts; and in volts a cell. */
  readonly volts: number;
  readonly cellVolts: number;
  readonly usedMah: number;
  /** Of flight time: endurance less the way home, in minutes. */
  readonly minutes: number;
  /** Above the largest current of launch, climb, cruise and hover, in amperes. */
  readonly amps: number;
  /** The situation that it is taken from. */
  readonly ampsIn: string;
  readonly pack: string;
}

/** What is flown every day. */
const NORMAL: readonly string[] = ['launch', 'climb', 'cruise', 'hover'];
/** Above the largest normal current, so that the alarm does not sound in every climb. */
const OVER = 1.15;

/** Alarms of voltage, charge, flight time and current; or why there are none. */
export function pilotAlarms(graph: Graph): PilotAlarms | NoReserve {
  const reserve = batteryReserve(graph);
  if (typeof reserve === 'string') return reserve;
  let worst = { amps: 0, title: '' };
  let cells = 1;
  for (const { id, title, supplies } of powerReport(graph).scenarios) {
    if (!NORMAL.includes(id)) continue;
    const line = supplies.find(({ ref, is }) => ref === reserve.pack && is === 'battery');
    if (line === undefined) continue;
    if (line.amps > worst.amps) worst = { amps: line.amps, title };
  }
  for (const { item, part } of graph.items)
    if (item.ref === reserve.pack)
      cells = part?.circuit.flatMap((element) => (element.is === 'battery' ? [element.cells] : []))[0] ?? cells;
  return {
    volts: reserve.atVolts,
    cellVolts: reserve.atVolts / cells,
    usedMah: reserve.atMah,
    minutes: reserve.outMinutes,
    amps: worst.amps * OVER,
    ampsIn: worst.title,
    pack: reserve.pack,
  };
}
