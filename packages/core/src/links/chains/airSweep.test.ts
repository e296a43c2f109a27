import { describe, expect, it } from '@jest/globals';
import type { Design } from '../../model/design.ts';
import type { Part } from '../../model/part.ts';
import type { SettingSpec, SettingValue } from '../../model/setting.ts';
import { AIR, settingsOf } from '../../model/settingsOf.ts';
import { remediesOf } from '../../checks/findingsOf.ts';
import { graphOf } from '../../graph/graphOf.ts';
import { sampleParts } from '../../parts/catalogue.ts';
import { emptyBench, findingsBy, itemOf, made } from '../../test/designs.ts';
import { agrees, type Hop } from './hop.ts';
import { hopsOf } from './hopsOf.ts';

type Radio = NonNullable<Part['radios']>[number];
interface Ended {
  readonly part: Part;
  readonly radio: Radio;
}

const ended = sampleParts.flatMap((part) =>
  (part.radios ?? []).filter(({ air }) => air !== undefined).map((radio): Ended => ({ part, radio })),
);

/** Two items whose radios are bonded, with everything that has no value yet given the same. */
function bonded(a: Ended, b: Ended): Design {
  const bench = emptyBench();
  bench.add(a.part.id, 'a');
  bench.add(b.part.id, 'b', {}, 'ground');
  const [first, second] = Object.values(bench.design.aircraft.items).map(({ ref }) => ref);
  if (first === undefined || second === undefined) throw new Error('Two items are wanted.');
  bench.bond(`${first} ${a.radio.id}`, `${second} ${b.radio.id}`);
  for (const [ref, { radio }] of [
    [first, a],
    [second, b],
  ] as const) {
    if (radio.air?.knows?.is === 'pairing') bench.setting(ref, `${radio.id}.${AIR.paired}`, true);
    if (radio.air?.knows?.is === 'phrase') bench.setting(ref, `${radio.id}.${AIR.phrase}`, 'sea lavender');
  }
  return bench.design;
}

const airHop = (design: Design): Hop => {
  const hop = hopsOf(graphOf(design)).hops.find(({ medium, b }) => medium === 'air' && b !== undefined);
  if (hop === undefined) throw new Error('There is no hop.');
  return hop;
};

/** A value that differs from the one in force. */
function anotherValue(spec: SettingSpec): SettingValue | undefined {
  switch (spec.is) {
    case 'choice':
      return spec.choices.find(({ value }) => value !== (spec.default ?? true))?.value;
    case 'number':
      return spec.default === spec.max ? spec.min : spec.max;
    case 'text':
      return 'glasswort';
  }
}

const meets = (a: Ended, b: Ended): boolean => {
  const [airA, airB] = [a.radio.air, b.radio.air];
  return a.radio.mhz[0] <= b.radio.mhz[1] && b.radio.mhz[0] <= a.radio.mhz[1] && airA?.protocol === airB?.protocol;
};
const pairs = ended.flatMap((a, i) => ended.slice(i).map((b) => [a, b] as const));

describe('radios of the catalogue, each with each', () => {
  it('agree as delivered where they speak alike in one band, and part there and nowhere else otherwise', () => {
    let agreed = 0;
    for (const [a, b] of pairs) {
      const { facets } = airHop(bonded(a, b));
      const apart = facets.filter(({ verdict }) => verdict === 'differ').map(({ id }) => id);
      if (meets(a, b)) {
        agreed += 1;
        expect([a.part.id, b.part.id, apart]).toEqual([a.part.id, b.part.id, []]);
      } else {
        expect(apart.length).toBeGreaterThan(0);
        expect(apart.every((id) => id === 'band' || id === 'air')).toBe(true);
      }
    }
    expect(pairs.length).toBeGreaterThan(300);
    expect(agreed).toBeGreaterThan(60);
  });

  const alike = pairs.filter(([a, b]) => meets(a, b));

  it('part by the one facet whose setting is changed, at whichever end, and the finding and its remedies are about that', () => {
    let changes = 0;
    for (const [a, b] of alike) {
      const design = bonded(a, b);
      for (const side of ['a', 'b'] as const) {
        const end = airHop(design)[side];
        if (end === undefined) continue;
        const { item } = end.entry;
        const part = design.parts.get(item.part);
        const specs =
          part === undefined
            ? []
            : settingsOf(part).filter(({ id }) => Object.values(AIR).some((name) => id === `${end.signal.id}.${name}`));
        for (const spec of specs) {
          const value = anotherValue(spec);
          if (value === undefined) continue;
          changes += 1;
          const was = item.settings[spec.id] ?? null;
          const changed = made(design, { kind: 'set-item-setting', item: itemOf(design, item.ref).id, setting: spec.id, value, was });
          const hops = hopsOf(graphOf(changed)).hops.filter((hop) => !agrees(hop));
          expect(hops.map(({ medium }) => medium)).toEqual(['air']);
          expect(hops[0]?.facets.filter(({ verdict }) => verdict === 'differ')).toHaveLength(1);
          const [finding, ...others] = findingsBy(changed, 'link.air-mismatch');
          expect([finding?.check, others]).toEqual(['link.air-mismatch', []]);
          const remedies = finding === undefined ? [] : remediesOf(changed, finding);
          expect(remedies.length).toBeGreaterThan(0);
          for (const { edit } of remedies) expect(findingsBy(made(changed, edit), 'link.air-mismatch')).toEqual([]);
        }
      }
    }
    expect(changes).toBeGreaterThan(200);
  });
});
