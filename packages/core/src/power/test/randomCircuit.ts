import type { DrawLaw } from '../solve/circuit.ts';
import { CircuitSketch } from './circuits.ts';

/** A reproducible stream of numbers from 0 to 1 (mulberry32). */
export function numbersFrom(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  };
}

interface Taste {
  /** Whether devices may jump: regulators that shut down, fuses that trip, selectors. */
  readonly jumps: boolean;
  readonly branches: number;
}

/**
 * A network as aircraft have them: a pack, a tree of wires with every ground wired too, regulators with their rails, diodes
 * between rails, loads of every law, now and then a wire that closes a loop.
 */
export function randomCircuit(random: () => number, { jumps, branches }: Taste): CircuitSketch {
  const sketch = new CircuitSketch();
  const between = (low: number, high: number): number => low + (high - low) * random();
  const pick = <T>(list: readonly T[]): T => {
    const chosen = list[Math.floor(random() * list.length)];
    if (chosen === undefined) throw new Error('Nothing to pick from.');
    return chosen;
  };
  const cells = 3 + Math.floor(random() * 4);
  const packV = cells * between(3.4, 4.2);
  sketch.battery('bat', '0', packV, between(0.005, 0.03));
  const rails = [{ plus: 'bat', minus: '0', nominalV: packV }];
  for (let i = 0; i < branches; i++) {
    const from = pick(rails);
    const [plus, minus] = [`p${i}`, `g${i}`];
    sketch.resistor(from.plus, plus, between(0.002, 0.08)).resistor(minus, from.minus, between(0.002, 0.08));
    const choice = random();
    if (choice < 0.25 && from.nominalV > 7) {
      const [out, gnd] = [`r${i}`, minus];
      const setV = pick([5, 5.2, 6]);
      const isLinear = random() < 0.25;
      sketch.regulator(`reg${i}`, [plus, out, gnd], {
        topology: isLinear ? 'linear' : pick(['buck', 'buck-boost'] as const),
        setV,
        inputMinV: setV + 0.5,
        dropoutV: between(0.2, 1),
        efficiency: isLinear ? 1 : between(0.8, 0.95),
        quiescentA: between(0.002, 0.02),
        limitA: between(2, 6),
        onOverload: pick(jumps ? (['constant-current', 'foldback', 'hiccup'] as const) : (['constant-current'] as const)),
      });
      rails.push({ plus: out, minus: gnd, nominalV: setV });
    } else if (choice < 0.32) {
      sketch.device(`d${i}`, 'diode', [plus, `q${i}`], { is: 'diode', dropV: between(0.2, 0.6) });
      rails.push({ plus: `q${i}`, minus, nominalV: from.nominalV - 0.4 });
    } else if (choice < 0.38 && jumps) {
      sketch.limiter(`f${i}`, plus, `q${i}`, {
        ohm: between(0.02, 0.1),
        tripA: between(1, 4),
        trippedOhm: from.nominalV ** 2 / between(0.5, 1),
      });
      rails.push({ plus: `q${i}`, minus, nominalV: from.nominalV });
    } else if (choice < 0.44) {
      sketch.device(`s${i}`, 'sense', [plus, `q${i}`], { is: 'sense', ohm: pick([0, 0.0005, 0.001]) });
      rails.push({ plus: `q${i}`, minus, nominalV: from.nominalV });
    } else {
      sketch.draw(`l${i}`, plus, minus, randomDraw(random, from.nominalV));
      if (random() < 0.15) rails.push({ plus, minus, nominalV: from.nominalV });
    }
    if (random() < 0.1) sketch.resistor(minus, pick(rails).minus, between(0.01, 0.2));
  }
  return sketch;
}

function randomDraw(random: () => number, nominalV: number): DrawLaw {
  const watts = nominalV > 8 ? 2 + 60 * random() ** 3 : 0.2 + 4 * random();
  const kneeV = nominalV * 0.4;
  const choice = random();
  if (choice < 0.35) return { is: 'constant-power', watts, kneeV };
  if (choice < 0.6) return { is: 'constant-current', amps: watts / nominalV, kneeV };
  if (choice < 0.8) return { is: 'resistance', ohm: (nominalV * nominalV) / watts };
  if (choice < 0.95) return { is: 'square', ampsPerV2: watts / nominalV ** 3 };
  return { is: 'clamp', volts: nominalV * (0.9 + 0.3 * random()), ohm: 5 };
}
