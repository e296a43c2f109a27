import { describe, expect, it } from '@jest/globals';
import { findingsOf } from '../checks/findingsOf.ts';
import { partKeyOf } from '../model/contentHash.ts';
import type { Design } from '../model/design.ts';
import type { PartId } from '../model/ids.ts';
import type { Part } from '../model/part.ts';
import { unknownFacts } from '../parts/partFacts.ts';
import { demoDesign, emptyBench, findingsBy, itemOf, made } from '../test/designs.ts';
import { ofOlderParts, withoutFacts } from '../test/olderParts.ts';
import { learnFacts, newerFacts, otherChanges, shippedById } from './learnFacts.ts';

/** As its parts deliver it what older ones do not have. */
const asDelivered = (design: Design): Design => {
  const { id, settings } = itemOf(design, 'RADIO2');
  const was = settings['air.number'] ?? null;
  return made(design, { kind: 'set-item-setting', item: id, setting: 'air.number', value: null, was });
};
const today = asDelivered(demoDesign());
const old = ofOlderParts(today);

function partOf(design: Design, ref: string): Part {
  const part = design.parts.get(itemOf(design, ref).part);
  if (part === undefined) throw new Error(`${ref} is of an unknown part.`);
  return part;
}

describe('learning newer facts', () => {
  it('is nothing for an aircraft of the newest revisions', () => {
    expect(learnFacts(today)).toEqual({ edit: undefined, learns: [], left: [] });
  });

  it('makes every item one of the newest revision by one edit, and nothing else', () => {
    const { edit, learns, left } = learnFacts(old);
    expect(left).toEqual([]);
    if (edit === undefined) throw new Error('There is nothing to learn.');
    const learned = made(old, edit);
    expect(learned.aircraft).toEqual(today.aircraft);
    const fc = learns.find(({ items }) => items.some(({ ref }) => ref === 'FC1'));
    expect(fc?.facts.map(({ id }) => id)).toEqual(['uart-clock', 'usb-serial']);
    expect(fc === undefined ? [] : otherChanges(fc)).toEqual([]);
  });

  it('leaves an item of which something would be lost, with the reason, and teaches the others', () => {
    const bench = emptyBench();
    bench.add('gnss-compass-i2c', 'a');
    bench.add('gnss-serial', 'b', { 'UART.baud': 57_600 });
    const design = ofOlderParts(bench.design);
    const now = shippedById.get(partOf(design, 'GNSS2').id);
    if (now === undefined) throw new Error('There is no such part.');
    // A newer revision that no longer takes the baud that is set.
    const slower: Part = {
      ...now,
      endpoints: now.endpoints.map((endpoint) =>
        endpoint.is === 'uart' ? { ...endpoint, speaks: endpoint.speaks.map((one) => ({ ...one, bauds: [9600, 38_400] })) } : endpoint,
      ),
    };
    const newest = new Map<PartId, Part>([...shippedById, [slower.id, slower]]);
    const library = { ...design, parts: new Map([...design.parts, [partKeyOf(slower), slower]]) };
    const { edit, left, learns } = learnFacts(library, newest);
    expect(left).toEqual([{ ref: 'GNSS2', because: expect.stringContaining('The setting UART.baud = 57600 of GNSS2 is removed') }]);
    expect(learns.map(({ items }) => items.map(({ ref }) => ref))).toEqual([['GNSS1']]);
    expect(edit).toMatchObject({ kind: 'adopt-part-revision', item: itemOf(design, 'GNSS1').id });
  });

  it('says what else a revision changed', () => {
    const part = shippedById.get(partOf(today, 'RX1').id);
    if (part === undefined) throw new Error('There is no such part.');
    const was: Part = { ...withoutFacts(part), massG: part.massG + 1 };
    expect(otherChanges({ was, now: part, items: [], facts: [] })).toEqual(['massG']);
  });
});

describe('the note about unknown facts', () => {
  it('is one for all items, names the facts, and its remedy takes it away without another finding', () => {
    const [note, ...others] = findingsBy(old, 'part.unknown-facts');
    expect(others).toEqual([]);
    expect(note?.severity).toBe('note');
    expect(note?.what).toMatch(
      /^CAM1, CC1, ESC1, FC1 and 9 more have older revisions of their parts, which do not state how its settings are set/,
    );
    expect(note?.where).toHaveLength(
      newerFacts(old)
        .filter(({ facts }) => facts.length > 0)
        .flatMap(({ items }) => items).length,
    );
    const { edit } = learnFacts(old);
    const after = edit === undefined ? old : made(old, edit);
    expect(findingsOf(after)).toEqual(findingsOf(today));
  });

  it('is silent on an empty aircraft and on one of newest revisions', () => {
    expect(findingsBy(emptyBench().design, 'part.unknown-facts')).toEqual([]);
    expect(findingsBy(today, 'part.unknown-facts')).toEqual([]);
  });
});

describe('a fact that is not stated', () => {
  it.each([
    ['loss-signal', 'receiver-sbus-16'],
    ['antenna-roles', 'gnss-dual-antenna'],
    ['antenna-roles', 'receiver-sbus-rssi'],
    ['spin', 'motor-28mm-9x6'],
    ['uart-clock', 'controller-f4-wing'],
    ['usb-serial', 'companion-small-5v'],
    ['how-set', 'radio-900-class'],
    ['how-set', 'conditioner-rail-5v6'],
  ])('%s of %s is known to be unknown', (fact, id) => {
    const part = [...shippedById.values()].find((candidate) => String(candidate.id) === id);
    if (part === undefined) throw new Error(`There is no part ${id}.`);
    expect(unknownFacts(withoutFacts(part)).map((one) => one.id)).toContain(fact);
    expect(unknownFacts(part)).toEqual([]);
  });
});
