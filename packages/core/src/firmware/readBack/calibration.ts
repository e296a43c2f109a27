import type { ReadBack } from '../../model/firmwarePlan.ts';
import { shownName } from '../../dialects/lines/lineName.ts';
import { valuesOf, type ReadDump } from './readDump.ts';

/** A calibration line of a dump. */
export interface CalibrationLine {
  /** What it is known by. */
  readonly name: string;
  readonly value: string;
  /** As a board is delivered: nobody has calibrated it. */
  readonly isDelivered: boolean;
}

/** The calibration lines of a dump, in its order. */
export function calibrationOf({ lines }: ReadDump): readonly CalibrationLine[] {
  return lines.flatMap((line): CalibrationLine[] => {
    if (line.is !== 'value' || !('own' in line.compiled.is) || line.compiled.is.own.class !== 'calibration') return [];
    const value = valuesOf(line);
    return [{ name: line.name, value, isDelivered: isAsDelivered(value, line.compiled.is.own.delivered) }];
  });
}

function isAsDelivered(value: string, delivered: string | undefined): boolean {
  return delivered !== undefined && (value === delivered || (value.trim() !== '' && Number(value) === Number(delivered)));
}

/** So many values that are the same are no chance any more; two sensors may well have a zero in common. */
const FEWEST_COPIED = 3;

/**
 * How many calibration values two dumps have in common, where that is no chance: at least three, and at least half of those that both have
 * and that are not as delivered. Undefined where nothing was copied.
 */
export function copiedCalibration(a: readonly CalibrationLine[], b: readonly CalibrationLine[]): number | undefined {
  const others = new Map(b.filter(({ isDelivered }) => !isDelivered).map(({ name, value }) => [name, value]));
  const both = a.filter(({ name, isDelivered }) => !isDelivered && others.has(name));
  const same = both.filter(({ name, value }) => others.get(name) === value).length;
  return same >= FEWEST_COPIED && same * 2 >= both.length ? same : undefined;
}

/** How many of the names that are not calibrated a document holds. */
const MOST_NAMED = 60;

/** What a document keeps of a dump that was read, but for when, and whose calibration it is. */
export function readBackOf(dump: ReadDump): Omit<ReadBack, 'at' | 'copiedFrom'> {
  const calibration = calibrationOf(dump);
  const { board, version } = dump.about;
  return {
    ...(board === undefined ? {} : { target: board.slice(0, MOST_NAMED) }),
    ...(version === undefined ? {} : { version: version.slice(0, MOST_NAMED) }),
    calibrations: calibration.length,
    uncalibrated: calibration
      .filter(({ isDelivered }) => isDelivered)
      .slice(0, MOST_NAMED)
      .map(({ name }) => shownName(name)),
  };
}
