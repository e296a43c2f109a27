import type { Circuit, DeviceShape, Law, LimiterLaw, RegulatorLaw, SelectorLaw } from '../solve/circuit.ts';

/** Writes small circuits by hand: nodes by name, `0` for the minus of the first supply. */
export class CircuitSketch {
  readonly #nodes = new Map<string, number>();
  readonly #resistors: { readonly a: number; readonly b: number; readonly ohm: number }[] = [];
  readonly #devices: DeviceShape[] = [];
  readonly #laws: Law[] = [];
  readonly names: string[] = [];

  node(name: string): number {
    const known = this.#nodes.get(name);
    if (known !== undefined) return known;
    this.#nodes.set(name, this.#nodes.size);
    return this.#nodes.size - 1;
  }

  resistor(a: string, b: string, ohm: number): this {
    this.#resistors.push({ a: this.node(a), b: this.node(b), ohm });
    return this;
  }

  device(name: string, kind: DeviceShape['kind'], nodes: readonly string[], law: Law): this {
    this.names.push(name);
    this.#devices.push({ kind, nodes: nodes.map((node) => this.node(node)) });
    this.#laws.push(law);
    return this;
  }

  battery(plus: string, minus: string, emfV: number, ohm: number): this {
    return this.device('battery', 'supply', [plus, minus], { is: 'supply', emfV, ohm, maxA: Infinity });
  }

  source(plus: string, minus: string, emfV: number, ohm: number, maxA: number): this {
    return this.device('source', 'supply', [plus, minus], { is: 'supply', emfV, ohm, maxA });
  }

  draw(name: string, plus: string, minus: string, law: Law): this {
    return this.device(name, 'draw', [plus, minus], law);
  }

  regulator(name: string, nodes: readonly [string, string, string], law: Partial<RegulatorLaw>): this {
    return this.device(name, 'regulator', nodes, { ...buck, ...law });
  }

  selector(name: string, inputs: readonly string[], out: string, gnd: string, law: Omit<SelectorLaw, 'is'>): this {
    return this.device(name, 'selector', [...inputs, out, gnd], { is: 'selector', ...law });
  }

  limiter(name: string, a: string, b: string, law: Omit<LimiterLaw, 'is'>): this {
    return this.device(name, 'limiter', [a, b], { is: 'limiter', ...law });
  }

  get circuit(): Circuit {
    return {
      shape: {
        nodeCount: this.#nodes.size,
        resistorA: Int32Array.from(this.#resistors, ({ a }) => a),
        resistorB: Int32Array.from(this.#resistors, ({ b }) => b),
        devices: this.#devices,
      },
      ohms: Float64Array.from(this.#resistors, ({ ohm }) => ohm),
      laws: this.#laws,
    };
  }
}

/** A 5 V buck regulator of 3 A. */
export const buck: RegulatorLaw = {
  is: 'regulator',
  topology: 'buck',
  setV: 5,
  inputMinV: 6.5,
  dropoutV: 1,
  efficiency: 0.9,
  quiescentA: 0.01,
  limitA: 3,
  onOverload: 'hiccup',
};
