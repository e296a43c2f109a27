import { applyEdit } from '../../edits/applyEdit.ts';
import { withFreshIds } from '../../edits/freshIds.ts';
import type { SimpleEdit } from '../../edits/registry.ts';
import type { Bench } from '../../demo/bench.ts';
import type { Connector } from '../../model/connector.ts';
import { dialectKeyOf } from '../../model/contentHash.ts';
import type { Dialect } from '../../model/dialect.ts';
import type { Design } from '../../model/design.ts';
import { asId } from '../../model/ids.ts';
import type { OutputFunction } from '../../model/outputFunctions.ts';
import type { Part } from '../../model/part.ts';
import type { SettingValue } from '../../model/setting.ts';
import { cableOf, countingIds, emptyBench, itemOf, made } from '../designs.ts';

/** The smallest design with a mistake, and the same without it. */
export interface CheckCase {
  readonly wrong: () => Design;
  readonly right: () => Design;
}
export type CheckCases = Readonly<Record<string, CheckCase>>;

export function bench(...parts: readonly string[]): Bench {
  const made = emptyBench();
  for (const part of parts) made.add(part, '');
  return made;
}

export function removed(design: Design, tag: string, a: number): Design {
  const cable = cableOf(design, tag);
  const conductor = Object.values(cable.conductors).find((candidate) => candidate.a.n === a);
  if (conductor === undefined) throw new Error(`${tag} has no conductor at ${a}.`);
  return made(design, { kind: 'remove-conductor', cable: cable.id, conductor: conductor.id });
}

export const FC = 'controller-f4-wing';

/** Powered by its battery, so that the rails stand. */
export function powered(...parts: readonly string[]): Bench {
  const one = bench(FC, 'battery-lipo-4s-5000', ...parts);
  one.wire('BAT1 main', 'FC1 battery');
  return one;
}

/** The design with a part of the catalogue that is another one under the same key. */
export function withPart(design: Design, id: string, change: (part: Part) => Part): Design {
  return { ...design, parts: new Map([...design.parts].map(([key, one]) => [key, one.id === id ? change(one) : one] as const)) };
}

type Element = Part['circuit'][number];

/** The design with a part of the catalogue whose circuit elements of one kind are changed. */
export function withElement<K extends Element['is']>(
  design: Design,
  id: string,
  is: K,
  change: (element: Extract<Element, { is: K }>) => Partial<Extract<Element, { is: K }>>,
): Design {
  const isMeant = (element: Element): element is Extract<Element, { is: K }> => element.is === is;
  return withPart(design, id, (part) => ({
    ...part,
    circuit: part.circuit.map((element) => (isMeant(element) ? { ...element, ...change(element) } : element)),
  }));
}

/** The design with another dialect. */
export function withDialect(design: Design, dialect: Dialect): Design {
  const dialects = new Map([...design.dialects, [dialectKeyOf(dialect), dialect]]);
  return { ...design, dialects, aircraft: { ...design.aircraft, dialect: dialectKeyOf(dialect) } };
}

export function joined(design: Design, tag: string, pairs: readonly (readonly [number, number])[]): Design {
  let now = design;
  for (const [a, b] of pairs) {
    const cable = cableOf(now, tag);
    const [leg] = Object.values(cable.legs);
    if (leg === undefined) throw new Error(`${tag} has no leg.`);
    const conductor = {
      id: asId<'?1' & SimpleIds>('?1'),
      leg: leg.id,
      a: { node: leg.a, n: a },
      b: { node: leg.b, n: b },
      awg: 26,
      colour: 'red' as const,
    };
    const edit: SimpleEdit = { kind: 'add-conductor', cable: cable.id, conductor };
    const result = applyEdit(now, withFreshIds(edit, countingIds(`${tag}${a}x`)));
    if ('refused' in result) throw new Error(result.refused.sentence);
    now = result.design;
  }
  return now;
}
type SimpleIds = Extract<SimpleEdit, { kind: 'add-conductor' }>['conductor']['id'];

/** Sets one setting of an item that has none yet. */
export function set(design: Design, ref: string, setting: string, value: SettingValue): Design {
  const item = itemOf(design, ref);
  return made(design, { kind: 'set-item-setting', item: item.id, setting, value, was: item.settings[setting] ?? null });
}

/** Fits another connector to the B end of a cable. */
export function plugged(design: Design, tag: string, connector: Connector): Design {
  const cable = cableOf(design, tag);
  const [leg] = Object.values(cable.legs);
  const end = leg === undefined ? undefined : cable.nodes[leg.b];
  if (end?.is !== 'end') throw new Error(`${tag} has no end B.`);
  return made(design, { kind: 'set-end-connector', cable: cable.id, node: end.id, connector, was: end.connector });
}

/** Says what an output is for. */
export function assigned(design: Design, ref: string, output: string, use: OutputFunction): Design {
  return made(design, { kind: 'set-output-function', item: itemOf(design, ref).id, output, function: use, was: null });
}
