import type { Circuit, DrawLaw, Law, RegulatorLaw, SelectorLaw } from '../solve/circuit.ts';
import { LEAK_S, LEAST_OHM } from '../solve/circuit.ts';
import { FOLDED_SHARE } from '../solve/deviceStates.ts';
import { equationsOf } from '../solve/equations.ts';
import { nodeIslands } from '../solve/islandsOf.ts';
import { runningStart } from '../solve/startOf.ts';

/** What a netlist says beside the elements. Names are letters, digits and underscores, each once. */
export interface NetlistWords {
  readonly title: string;
  readonly comments: readonly string[];
  readonly nodeName: (node: number) => string;
  readonly deviceName: (device: number) => string;
  /** Devices that are taken as off for the guesses alone, such as a regulator that shuts down. */
  readonly isOffInGuess?: (device: number) => boolean;
  /** A node that is node 0 of the simulator instead of the first reference, such as the minus of a pack. */
  readonly zeroNode?: number;
  /** Where the simulator is to begin at a node, in volts, instead of the voltages without load: to see whether a balance holds. */
  readonly guessV?: (node: number) => number;
}

/** What stands in for a device that sets a voltage: so steep that 100 A are a millivolt. */
const STEEP_OHM = 1e-5;

/**
 * A circuit as a SPICE netlist for its operating point. It holds the elements by their laws, as behavioural sources, and guesses
 * from the voltages without load; nothing that was solved here. What shuts down for good is written by the condition at which
 * it does.
 */
export function spiceNetlist(circuit: Circuit, words: NetlistWords): string {
  const { shape, ohms, laws } = circuit;
  const isReference = referencesFrom(shape, words.zeroNode);
  const references = [...isReference].flatMap((is, node) => (is === 1 ? [node] : []));
  const zero = words.zeroNode ?? references[0];
  const v = (node: number): string => (node === zero ? '0' : words.nodeName(node));
  const start = runningStart({
    ...circuit,
    laws: laws.map((law, i) => (words.isOffInGuess?.(i) === true ? { is: 'open' } : aHairLower(law))),
  });
  const lines = [
    `* ${words.title}`,
    ...words.comments.map((line) => `* ${line}`),
    // Islands have nothing to do with each other: each has its own reference, tied to node 0 here so that it has a potential.
    ...references.filter((node) => node !== zero).map((node) => `Rref_${words.nodeName(node)} ${v(node)} 0 1u`),
  ];
  for (let node = 0; node < shape.nodeCount; node++) {
    if (isReference[node] !== 1) lines.push(`Rleak_${words.nodeName(node)} ${v(node)} 0 ${number(1 / LEAK_S)}`);
  }
  ohms.forEach((ohm, i) => {
    if (ohm !== Infinity) lines.push(`Rw${i + 1} ${v(shape.resistorA[i] ?? 0)} ${v(shape.resistorB[i] ?? 0)} ${number(ohm)}`);
  });
  laws.forEach((law, i) => {
    lines.push(...deviceLines(law, words.deviceName(i), (shape.devices[i]?.nodes ?? []).map(v)));
  });
  for (let node = 0; node < shape.nodeCount; node++) {
    if (v(node) !== '0') lines.push(`.nodeset v(${v(node)})=${number(words.guessV?.(node) ?? start.volts[node] ?? 0)}`);
  }
  return [...lines, '.options gmin=1e-15 reltol=1e-4 abstol=1e-7 vntol=1e-6 itl1=2000', '.op', '.end', ''].join('\n');
}

/** The references of the islands, with a node of choice as that of its own. */
function referencesFrom(shape: Circuit['shape'], zero: number | undefined): Uint8Array {
  const isReference = equationsOf(shape).isReference.slice();
  if (zero === undefined) return isReference;
  const islandOf = nodeIslands(shape);
  return isReference.map((is, node) => (islandOf[node] === islandOf[zero] ? Number(node === zero) : is));
}

const HAIR_V = 1e-8;

/** For the guesses: every device that sets a voltage a hair lower, so that a search begins where it conducts. */
function aHairLower(law: Law): Law {
  if (law.is === 'regulator') return { ...law, setV: law.setV - HAIR_V };
  if (law.is === 'supply' && law.maxA !== Infinity) return { ...law, emfV: law.emfV - HAIR_V };
  return law.is === 'diode' || law.is === 'selector' ? { ...law, dropV: law.dropV + HAIR_V } : law;
}

/** `max(0, x)` whose slope at 0 is a half and not none, so that a search that begins there moves. */
function positive(x: string): string {
  return `0.5*((${x}) + sqrt((${x})*(${x}) + 1e-18))`;
}

function number(value: number): string {
  return value.toPrecision(12).replace(/\.?0+(e|$)/, '$1');
}

function deviceLines(law: Law, name: string, nodes: readonly string[]): readonly string[] {
  const [a = '0', b = '0', c = '0'] = nodes;
  const across = `v(${a},${b})`;
  switch (law.is) {
    case 'open':
      return [`* ${name} is off`];
    case 'supply':
      if (law.maxA === Infinity)
        return [`V${name} ${name}_emf ${b} ${number(law.emfV)}`, `R${name} ${name}_emf ${a} ${number(Math.max(law.ohm, LEAST_OHM))}`];
      return [
        `B${name} ${b} ${a} i=min(${number(law.maxA)}, ${positive(`${number(law.emfV)} - ${across}`)}/${number(Math.max(law.ohm, STEEP_OHM))})`,
      ];
    case 'sense':
      return [`R${name} ${a} ${b} ${number(Math.max(law.ohm, STEEP_OHM))}`];
    case 'diode':
      return [`B${name} ${a} ${b} i=${positive(`${across} - ${number(law.dropV)}`)}/${STEEP_OHM}`];
    case 'through':
      return [`R${name} ${a} ${b} ${number(law.ohm)}`];
    case 'limiter': {
      const carried = `${across}/${number(law.ohm)}`;
      if (law.tripA === Infinity) return [`R${name} ${a} ${b} ${number(law.ohm)}`];
      return [`B${name} ${a} ${b} i=${carried} > ${number(law.tripA)} ? ${across}/${number(law.trippedOhm)} : ${carried}`];
    }
    case 'regulator':
      return regulatorLines(law, name, a, b, c);
    case 'selector':
      return selectorLines(law, name, nodes);
    case 'resistance':
    case 'constant-current':
    case 'constant-power':
    case 'square':
    case 'clamp':
      return [`B${name} ${a} ${b} i=${drawn(law, across)}`];
  }
}

function drawn(law: DrawLaw, v: string): string {
  switch (law.is) {
    case 'open':
      return '0';
    case 'resistance':
      return `${v}/${number(law.ohm)}`;
    case 'constant-current':
      return `${v} > ${number(law.kneeV)} ? ${number(law.amps)} : ${number(law.amps / law.kneeV)}*${v}`;
    case 'constant-power':
      return `${v} > ${number(law.kneeV)} ? ${number(law.watts)}/${v} : ${number(law.watts / law.kneeV ** 2)}*${v}`;
    case 'square':
      return `${v} > 0 ? ${number(law.ampsPerV2)}*${v}*${v} : 0`;
    case 'clamp':
      return `max(0, (${v} - ${number(law.volts)})/${number(law.ohm)})`;
  }
}

/** The output as a current that is steep about what the input lets it reach, through a meter that the input reads. */
function regulatorLines(law: RegulatorLaw, name: string, input: string, out: string, gnd: string): readonly string[] {
  const [vin, vout] = [`v(${input},${gnd})`, `v(${out},${gnd})`];
  const reach = law.topology === 'buck-boost' ? number(law.setV) : `min(${number(law.setV)}, ${vin} - ${number(law.dropoutV)})`;
  const wanted = `${positive(`${reach} - ${vout}`)}/${STEEP_OHM}`;
  const limit = number(law.limitA);
  const folded = `${limit}*(${FOLDED_SHARE} + ${1 - FOLDED_SHARE}*min(1, max(0, ${vout}/${number(law.setV)})))`;
  const over = { 'constant-current': limit, foldback: folded, hiccup: '0', 'latch-off': '0' }[law.onOverload];
  const given = law.onOverload === 'constant-current' ? `min(${limit}, ${wanted})` : `${wanted} > ${limit} ? ${over} : ${wanted}`;
  const share =
    law.topology === 'linear' ? '1' : `${vout}/(${number(law.efficiency)}*max(${vin}, ${number(Math.max(law.inputMinV / 2, 0.5))}))`;
  const isOn = `${vin} >= ${number(law.inputMinV)}`;
  return [
    `B${name} ${gnd} ${name}_m i=${isOn} ? (${given}) : 0`,
    `V${name} ${name}_m ${out} 0`,
    `B${name}_in ${input} ${gnd} i=${isOn} ? ${number(law.quiescentA)} + i(V${name})*${share} : 0`,
  ];
}

/** From each input through a steep one-way drop, while it is inside its window and none before it is. */
function selectorLines(law: SelectorLaw, name: string, nodes: readonly string[]): readonly string[] {
  const [out = '0', gnd = '0'] = nodes.slice(-2);
  const inside = law.windows.map(({ minV, maxV }, k) => {
    const v = `v(${nodes[k] ?? '0'},${gnd})`;
    return `(${v} >= ${number(minV)} && ${v} <= ${number(maxV)})`;
  });
  return law.windows.map((_, k) => {
    const isChosen = [...inside.slice(0, k).map((before) => `!${before}`), inside[k] ?? '0'].join(' && ');
    return `B${name}_${k + 1} ${nodes[k] ?? '0'} ${out} i=(${isChosen}) ? ${positive(`v(${nodes[k] ?? '0'},${out}) - ${number(law.dropV)}`)}/${STEEP_OHM} : 0`;
  });
}
