import type { Graph } from '../../graph/graph.ts';
import { cruiseOf, type Cruise } from '../../power/mission/flyMission.ts';

/** When the pack has to send the aircraft home. */
export interface BatteryReserve {
  /** The pack that ends first. */
  readonly pack: string;
  readonly capacityMah: number;
  /** What may be used of it. */
  readonly usableMah: number;
  /** From the farthest place: time and charge. */
  readonly homeMinutes: number;
  readonly homeMah: number;
  /** The charge that has been used when it has to turn back, and the voltage under the load of cruise then. */
  readonly atMah: number;
  readonly atVolts: number;
  /** Endurance without the way home: what an alarm of flight time counts. */
  readonly outMinutes: number;
}

/** Why there is no figure: nobody has said how far it goes and how fast it comes back, no pack is drawn from, or the way home takes more than the pack holds. */
export type NoReserve = 'no-way-home' | 'no-pack' | 'too-far';

/**
 * The charge and the voltage at which an aircraft has to turn back, from how its packs are drawn down in cruise: the usable share of the pack that
 * ends first, less what the way home from the farthest place takes at the current of cruise then.
 */
export function batteryReserve(graph: Graph): BatteryReserve | NoReserve {
  const { wayHomeM, homeSpeedMps } = graph.design.aircraft.rc.figures;
  if (wayHomeM === undefined || homeSpeedMps === undefined) return 'no-way-home';
  const cruise = cruiseOf(graph);
  if (cruise?.end === undefined) return 'no-pack';
  const { pack: ix, sample } = cruise.end;
  const pack = cruise.packs[ix];
  const last = cruise.samples[sample]?.packs[ix];
  if (pack === undefined || last === undefined) return 'no-pack';
  const homeMinutes = wayHomeM / homeSpeedMps / 60;
  // An emptier pack has less voltage, and regulators and motors take more current: that of the end counts.
  const homeMah = (Math.max(last.amps, 0) * homeMinutes * 1000) / 60;
  const usableMah = pack.capacityMah * (1 - cruise.leastCharge);
  const atMah = usableMah - homeMah;
  if (atMah <= 0) return 'too-far';
  const { volts, minute } = sampleAt(cruise, ix, atMah);
  return { pack: pack.ref, capacityMah: pack.capacityMah, usableMah, homeMinutes, homeMah, atMah, atVolts: volts, outMinutes: minute };
}

/** Between the samples around it. */
function sampleAt({ samples }: Cruise, pack: number, mah: number): { readonly volts: number; readonly minute: number } {
  const usedIn = (n: number): number => samples[n]?.packs[pack]?.consumedMah ?? 0;
  const after = Math.max(
    1,
    samples.findIndex((_, n) => usedIn(n) >= mah),
  );
  const [a, b] = [samples[after - 1], samples[after]];
  const [from, to] = [usedIn(after - 1), usedIn(after)];
  const share = to === from ? 0 : (mah - from) / (to - from);
  const mixed = (x = 0, y = x): number => x + share * (y - x);
  return { volts: mixed(a?.packs[pack]?.volts, b?.packs[pack]?.volts), minute: mixed(a?.minute, b?.minute) };
}
