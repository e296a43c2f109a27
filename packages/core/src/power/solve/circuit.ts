/** What a two-terminal device that draws current does: the current from its first node to its second by the voltage between them. */
export type DrawLaw =
  | { readonly is: 'open' }
  | { readonly is: 'resistance'; readonly ohm: number }
  /** Below `kneeV` the same current as a resistance would take: no supply gives its current out of nothing. */
  | { readonly is: 'constant-current'; readonly amps: number; readonly kneeV: number }
  /** Below `kneeV` a resistance that meets the law there. */
  | { readonly is: 'constant-power'; readonly watts: number; readonly kneeV: number }
  /** `I = ampsPerV2 * V * V`: a motor with its propeller at a throttle. */
  | { readonly is: 'square'; readonly ampsPerV2: number }
  /** Nothing below `volts`, then its slope. */
  | { readonly is: 'clamp'; readonly volts: number; readonly ohm: number };

export type OverloadLaw = 'constant-current' | 'foldback' | 'hiccup' | 'latch-off';

/** Nodes: in, out, gnd. */
export interface RegulatorLaw {
  readonly is: 'regulator';
  readonly topology: 'buck' | 'linear' | 'buck-boost';
  readonly setV: number;
  readonly inputMinV: number;
  readonly dropoutV: number;
  readonly efficiency: number;
  readonly quiescentA: number;
  readonly limitA: number;
  readonly onOverload: OverloadLaw;
}

/** Nodes: in and out. Beyond `tripA` it is nearly open: so high a resistance that the voltage before it keeps it warm. */
export interface LimiterLaw {
  readonly is: 'limiter';
  readonly ohm: number;
  readonly tripA: number;
  readonly trippedOhm: number;
}

/** Nodes: each input in the order of priority, out, then the ground that the windows are measured against. */
export interface SelectorLaw {
  readonly is: 'selector';
  readonly windows: readonly { readonly minV: number; readonly maxV: number }[];
  readonly dropV: number;
}

/** What a device that carries a current of its own does. */
export type BranchLaw =
  | { readonly is: 'open' }
  /** Nodes: plus, minus. Gives at most `maxA` and takes nothing back, unless `maxA` is infinite, as a battery's is. */
  | { readonly is: 'supply'; readonly emfV: number; readonly ohm: number; readonly maxA: number }
  /** Nodes: a, b. */
  | { readonly is: 'sense'; readonly ohm: number }
  /** Nodes: from, to. */
  | { readonly is: 'diode'; readonly dropV: number }
  /** A regulator that has failed shorted: in to out. */
  | { readonly is: 'through'; readonly ohm: number }
  | RegulatorLaw
  | SelectorLaw;

export type Law = DrawLaw | BranchLaw | LimiterLaw;

/** What stands in one place of a circuit. `kind` fixes the equations; the law in force may be another one, such as `open`. */
export interface DeviceShape {
  readonly kind: 'draw' | 'limiter' | 'supply' | 'sense' | 'diode' | 'regulator' | 'selector';
  readonly nodes: readonly number[];
}

/** The wiring of a circuit: what stays the same over scenarios and faults. Nodes are numbered from 0. */
export interface CircuitShape {
  readonly nodeCount: number;
  readonly resistorA: Int32Array;
  readonly resistorB: Int32Array;
  readonly devices: readonly DeviceShape[];
}

/** A circuit with its values in one situation. `ohms` are of the resistors, Infinity for one that is open. */
export interface Circuit {
  readonly shape: CircuitShape;
  readonly ohms: Float64Array;
  readonly laws: readonly Law[];
}

/** Every node but the end of a lead leaks to the reference of its island: 1 gigaohm, so that what floats has a potential. */
export const LEAK_S = 1e-9;

/**
 * What stands in series with every device that sets a voltage: 0.1 microohm, 10 microvolts at 100 A. Without it two of them side
 * by side, such as regulators on one rail, would have no solution to choose between them by.
 */
export const LEAST_OHM = 1e-7;

/** The state of each device; see `deviceStates.ts` for what the numbers mean. */
export type States = Int8Array;

/** What was out of its limits when a device changed over for good, such as a regulator that shut down. */
export interface Tripping {
  readonly device: number;
  readonly what: 'input-low' | 'overload' | 'trip' | 'window';
  readonly value: number;
  readonly limit: number;
  /** Of a selector: the input that it leaves. */
  readonly input?: number;
}

/** A solved circuit. Voltages against the reference of each island; amps of a device by its law's direction (a regulator's: out). */
export interface Solved {
  readonly volts: Float64Array;
  readonly amps: Float64Array;
  readonly states: States;
  readonly trippings: readonly Tripping[];
  readonly iterations: number;
  /** Undefined when it settled; else the device that does not. */
  readonly unsettled: number | undefined;
}
