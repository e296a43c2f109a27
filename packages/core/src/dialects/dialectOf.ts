import type { Design } from '../model/design.ts';
import type { Dialect } from '../model/dialect.ts';

/** The dialect of an aircraft; undefined where its revision is not known here. */
export function dialectOf({ aircraft, dialects }: Design): Dialect | undefined {
  return dialects.get(aircraft.dialect);
}
