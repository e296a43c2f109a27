import type { Graph } from '../../graph/graph.ts';
import { mixerOf } from '../mixing/mixerOf.ts';
import { mixed, pulseUs } from '../mixing/mixed.ts';
import { COMMANDS, type Command } from '../mixing/mixerRow.ts';
import type { LinkedServo } from './servoTravel.ts';
import { surfaceAt, surfaceTravel } from './surfaceTravel.ts';

/** Where a surface goes for one command in full, from its trim: down or right positive. */
export interface CommandThrow {
  readonly command: Command;
  /** At 1 and at -1; of what opens, at all of it and at none. Undefined where the linkage does not follow. */
  readonly forwardDeg: number | undefined;
  readonly backDeg: number | undefined;
}

/** The whole way from command to surface: mixer, limits, trim, reversal, pulse, servo, linkage. One entry a command that moves the servo. */
export function commandThrows({ design }: Graph, { linkage, limits, use, function: name }: LinkedServo): readonly CommandThrow[] {
  const rows = mixerOf(design);
  const row = rows.find((one) => one.function === name);
  const travel = linkage === undefined ? undefined : surfaceTravel(linkage, limits);
  if (row === undefined || use === undefined || linkage === undefined || travel === undefined) return [];
  const degFor = (command: Command, value: number): number | undefined => {
    const found = mixed(rows, { [command]: value }).find((one) => one.row === row);
    const at = found === undefined ? undefined : surfaceAt(linkage, travel.bar, pulseUs(found, use));
    return at === undefined ? undefined : at.surfaceDeg - travel.atTrim.surfaceDeg;
  };
  return COMMANDS.filter((command) => (row.weights[command] ?? 0) !== 0).map((command) => ({
    command,
    forwardDeg: degFor(command, 1),
    backDeg: degFor(command, row.scale === 'opens' ? 0 : -1),
  }));
}
