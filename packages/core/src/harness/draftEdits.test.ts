import { describe, expect, it } from '@jest/globals';
import { Bench } from '../demo/bench.ts';
import { applyEdit } from '../edits/applyEdit.ts';
import { withFreshIds } from '../edits/freshIds.ts';
import { integrityOf } from '../edits/integrity.ts';
import { graphOf } from '../graph/graphOf.ts';
import { asId, type AircraftId, type ItemId } from '../model/ids.ts';
import { batteries } from '../parts/batteries.ts';
import { regulators } from '../parts/regulators.ts';
import { filters } from '../parts/small.ts';
import { countingIds, demoDesign, itemOf } from '../test/designs.ts';
import { DraftEdits } from './draftEdits.ts';
import { chooseRegulator, feedPorts } from './feeders.ts';

function part(list: typeof filters, id: string) {
  const found = list.find((one) => one.id === id);
  if (found === undefined) throw new Error(`There is no ${id}.`);
  return found;
}
const buck = part(regulators, 'regulator-buck-5v-3a');
const fc1 = itemOf(demoDesign(), 'FC1').id;

describe('a draft of several edits', () => {
  it('lets an item that it has added be wired, and comes out as one edit that any document can take', () => {
    const start = demoDesign();
    const draft = new DraftEdits(start);
    const [first, second] = [draft.add(buck, 'one'), draft.add(buck, 'two')];
    if (first === undefined || second === undefined) throw new Error('A sample cannot be added.');
    expect(draft.wire(draft.port(fc1, 'motor'), draft.port(first, 'in'))).toBe(true);
    expect(draft.wire(draft.port(fc1, 'motor'), draft.port(second, 'in'))).toBe(true);
    const edit = draft.edit('Two regulators');
    expect(JSON.stringify(edit)).not.toContain('draft-');
    const result = applyEdit(start, withFreshIds(edit, countingIds('n')));
    if ('refused' in result) throw new Error(result.refused.sentence);
    expect(integrityOf(result.design)).toEqual([]);
    const added = Object.values(result.design.aircraft.items).filter(({ label }) => label === 'one' || label === 'two');
    expect(added.map(({ ref }) => ref).sort()).toEqual(['BEC2', 'BEC3']);
    for (const { id } of added) expect(graphOf(result.design).cablesAtItem[graphOf(result.design).itemIx.get(id) ?? -1]).toHaveLength(1);
    expect(start).toEqual(demoDesign());
  });

  it('leaves out what is refused, and says so', () => {
    const draft = new DraftEdits(demoDesign());
    expect(draft.make({ kind: 'remove-item', item: asId<ItemId>('nobody') })).toBe(false);
    expect(draft.port(fc1, 'nowhere')).toBeUndefined();
    expect(draft.wire(draft.port(fc1, 'motor'), undefined)).toBe(false);
    expect(draft.add(buck, '')).toBeDefined();
    expect(draft.edit('One')).toMatchObject({ kind: 'batch', edits: [{ kind: 'add-item' }] });
  });

  it('on a part of the aircraft gives what it gives on the whole', () => {
    const capacitor = part(filters, 'capacitor-lead-low-esr');
    const esc = itemOf(demoDesign(), 'ESC1').id;
    const editOn = (only?: readonly ItemId[]) => {
      const draft = new DraftEdits(demoDesign(), only);
      const item = draft.add(capacitor, 'at ESC1');
      if (item === undefined || !draft.wire(draft.port(item, 'leads'), draft.port(esc, 'power'), 'straight'))
        throw new Error('It cannot be wired.');
      return draft.edit('Capacitor');
    };
    const [whole, small] = [editOn(), editOn([esc])].map((edit) =>
      JSON.stringify(edit, (key, value: unknown) => (key === 'colour' ? '' : value)),
    );
    expect(small).toBe(whole);
  });
});

describe('where a regulator can be fed', () => {
  const built = (...parts: readonly string[]): Bench => {
    const bench = new Bench(asId<AircraftId>('f'), 'Feed', countingIds());
    for (const one of parts) bench.add(one, '');
    return bench;
  };

  it('behind the sensor first, a distribution before others, the pack itself last', () => {
    const bench = built('battery-lipo-6s-10000', 'power-module-i2c-120a', 'distribution-plain-bus');
    expect(feedPorts(graphOf(bench.design)).map(({ at }) => `${at.ref} ${at.port.id}`)).toEqual(['BAT1 main']);
    bench.wire('BAT1 main', 'PM1 battery', 'meaning', 100);
    expect(feedPorts(graphOf(bench.design)).map(({ at }) => `${at.ref} ${at.port.id}`)).toEqual(['PM1 load']);
    bench.wire('PM1 load', 'PWR1 battery', 'meaning', 100);
    const found = feedPorts(graphOf(bench.design));
    expect(found.map(({ at }) => `${at.ref} ${at.port.id}`)).toEqual([1, 2, 3, 4, 5, 6].map((n) => `PWR1 b${n}`));
    expect(found[0]?.packV.full).toBeCloseTo(25.2, 6);
    expect(found[0]?.packV.empty).toBeCloseTo(19.8, 6);
  });

  it('what is counted goes before what is not, even where the other is a distribution', () => {
    const bench = built('battery-lipo-4s-5000', 'distribution-plain-bus', 'controller-f4-wing');
    bench.wire('BAT1 main', 'PWR1 battery', 'meaning', 100);
    bench.wire('PWR1 b1', 'FC1 battery', 'meaning', 100);
    const [first, second] = feedPorts(graphOf(bench.design)).map(({ at }) => `${at.ref} ${at.port.id}`);
    expect([first, second]).toEqual(['FC1 motor', 'PWR1 b1']);
  });

  it('the lightest that fits is chosen, with its setting; none for what none gives', () => {
    const wish = { leastV: 4.8, mostV: 5.3, nominalV: 5, amps: 2, packV: { full: 16.8, empty: 13.2 } };
    expect(chooseRegulator(wish)).toMatchObject({ part: { id: 'regulator-buck-5v-3a' }, setV: 5 });
    expect(chooseRegulator({ ...wish, amps: 6 })).toMatchObject({ part: { id: 'regulator-buck-selectable-10a' }, settings: { volts: 5 } });
    expect(chooseRegulator({ ...wish, leastV: 5.8, mostV: 6.3, nominalV: 6, amps: 6 })?.settings).toEqual({ volts: 6 });
    // A pack of two cells sinks below what the bucks want; the buck-boost holds.
    expect(chooseRegulator({ ...wish, packV: { full: 8.4, empty: 6.6 } })?.part.id).toBe('regulator-buck-boost-5v-4a');
    expect(chooseRegulator({ ...wish, amps: 30 })).toBeUndefined();
    expect(chooseRegulator({ ...wish, packV: { full: 60, empty: 50 } })?.part.id).toBe('regulator-buck-5v-5a-12s');
    expect(chooseRegulator({ ...wish, packV: { full: 61, empty: 50 } })).toBeUndefined();
  });

  it('every pack of the samples names its own voltage', () => {
    for (const { id } of batteries) {
      const [feed] = feedPorts(graphOf(built(id).design));
      const cells = part(batteries, id).circuit.flatMap((element) => (element.is === 'battery' ? [Number(element.cells)] : []))[0] ?? NaN;
      expect(feed?.packV.full).toBeCloseTo(cells * 4.2, 6);
    }
  });
});
