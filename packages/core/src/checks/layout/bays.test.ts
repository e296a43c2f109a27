import { describe, expect, it } from '@jest/globals';
import type { Bench } from '../../demo/bench.ts';
import type { Design } from '../../model/design.ts';
import { findingsBy, itemOf, made } from '../../test/designs.ts';
import { inBay } from '../../test/checkCases/placement.ts';
import { FC, bench } from '../../test/checkCases/build.ts';
import type { Bay, BayId } from '../../model/frame.ts';
import { asId } from '../../model/ids.ts';
import { withPlainSpaces } from '../../text/numbers.ts';
import { remediesOf } from '../findingsOf.ts';
import type { Remedy } from '../finding.ts';

function remediesBy(design: Design, check: string): readonly Remedy[] {
  return findingsBy(design, check).flatMap((finding) => remediesOf(design, finding));
}

/** An airframe with these parts, and none of them placed. */
function unplaced(...parts: readonly string[]): Design {
  const one = bench(...parts);
  one.layOut(1600, { massStationMm: 458 });
  return one.design;
}

describe('what is not placed', () => {
  it('goes into bays with one remedy, where nothing is in the way of another', () => {
    const design = unplaced('battery-lipo-4s-5000', FC, 'receiver-sbus-16', 'regulator-buck-5v-3a', 'companion-small-5v');
    const [remedy] = remediesBy(design, 'place.not-placed');
    expect(remedy?.label).toBe('Place them in bays');
    if (remedy === undefined) return;
    const after = made(design, remedy.edit);
    for (const check of ['place.not-placed', 'place.bay-overflow', 'place.outside', 'place.cg']) {
      expect(findingsBy(after, check).filter(({ severity }) => severity !== 'note')).toEqual([]);
    }
    expect(Object.values(after.aircraft.items).every(({ place }) => place?.bay !== undefined)).toBe(true);
  });

  it('is left to a person where its work says where it sits, or no bay has room', () => {
    expect(remediesBy(unplaced(FC, 'servo-20g-standard'), 'place.not-placed')).toEqual([]);
    expect(remediesBy(unplaced(FC, ...Array.from({ length: 14 }, () => 'battery-lipo-4s-5000')), 'place.not-placed')).toEqual([]);
  });
});

describe('heat in a closed bay', () => {
  it('goes with the hottest part to a bay with a hatch, where that is enough', () => {
    const both = inBay('closed');
    expect(remediesBy(both, 'place.cooling').map(({ label }) => label)).toEqual(['Add an inlet and an outlet']);
    const controller = itemOf(both, 'FC1');
    if (controller.place === undefined) throw new Error('FC1 is not placed.');
    const { bay: _in, ...outside } = controller.place;
    const alone = made(both, { kind: 'place-item', item: controller.id, place: outside, was: controller.place });
    // Forward of where it is, the computer would take the balance to the edge of its band.
    expect(remediesBy(alone, 'place.cooling').map(({ label }) => label)).toEqual(['Add an inlet and an outlet']);
    const pack = itemOf(alone, 'BAT1');
    if (pack.place === undefined) throw new Error('BAT1 is not placed.');
    const apart = made(alone, { kind: 'place-item', item: pack.id, place: { ...pack.place, at: [218, 0, 0] }, was: pack.place });
    const [move] = remediesBy(apart, 'place.cooling');
    expect(move?.label).toBe('Move CC1 to "nose"');
    if (move === undefined) return;
    expect(findingsBy(made(apart, move.edit), 'place.cooling')).toEqual([]);
  });
});

describe('two parts in one room', () => {
  it('are parted by the lighter one, to the nearest spot that is free', () => {
    const design = inBay('open');
    const [computer, controller] = [itemOf(design, 'CC1'), itemOf(design, 'FC1')];
    if (computer.place === undefined || controller.place === undefined) throw new Error('They are not placed.');
    const clash = made(design, {
      kind: 'place-item',
      item: controller.id,
      place: { ...controller.place, at: computer.place.at },
      was: controller.place,
    });
    const found = findingsBy(clash, 'place.bay-overflow').filter(({ what }) => what.includes('CC1') && what.includes('FC1'));
    expect(found).toHaveLength(1);
    const [aside] = found.flatMap((finding) => remediesOf(clash, finding));
    expect(aside?.label).toMatch(/^Move (CC1|FC1) aside$/);
    if (aside === undefined) return;
    expect(
      findingsBy(made(clash, aside.edit), 'place.bay-overflow').filter(({ what }) => what.includes('CC1') && what.includes('FC1')),
    ).toEqual([]);
  });

  it('are told beside the bays too, and go apart', () => {
    const one = bench('battery-lipo-4s-5000', 'servo-20g-standard', 'servo-20g-standard', 'servo-20g-standard');
    one.layOut(1600, { massStationMm: 458 });
    one.place('BAT1', [200, 0, 0], 'nose');
    one.place('SRV1', [400, 480, 0]);
    one.place('SRV2', [400, 490, 0]);
    one.place('SRV3', [400, 600, 0]);
    const [clash, ...others] = findingsBy(one.design, 'place.bay-overflow');
    expect([clash?.what, others]).toEqual(['SRV1 and SRV2 overlap.', []]);
    const [aside] = clash === undefined ? [] : remediesOf(one.design, clash);
    if (aside === undefined) throw new Error('Nothing is offered.');
    expect(findingsBy(made(one.design, aside.edit), 'place.bay-overflow')).toEqual([]);
  });

  it('are told of a part in a bay and one that reaches into it', () => {
    const one = bench('battery-lipo-4s-5000', 'servo-20g-standard');
    one.layOut(1600, { massStationMm: 458 });
    one.place('BAT1', [200, 0, 0], 'nose');
    one.place('SRV1', [200, 10, 0]);
    expect(findingsBy(one.design, 'place.bay-overflow').map(({ what }) => what)).toEqual(['BAT1 and SRV1 overlap.']);
  });
});

describe('a USB port in a bay with a hatch', () => {
  const usb = (design: Design) => findingsBy(design, 'place.usb-access').map(({ what }) => withPlainSpaces(what));

  /** The bay reaches from 292.5 to 522.5 mm, and the port of the controller looks aft. */
  function controllerAt(stationMm: number, access: Bay['access'] = 'hatch-above', ...others: readonly string[]): Bench {
    const one = bench('battery-lipo-4s-5000', FC, ...others);
    one.layOut(1600, { massStationMm: 458 });
    const middle = asId<BayId>('middle');
    const was = one.design.aircraft.airframe.frame?.bays[middle];
    if (was === undefined) throw new Error('There is no bay in the middle.');
    if (was.access !== access) one.make({ kind: 'set-bay', id: middle, bay: { ...was, access }, was });
    one.place('BAT1', [200, 0, 0], 'nose');
    one.place('FC1', [stationMm, 0, 0], 'middle');
    return one;
  }

  it('needs room for its plug before the wall, and the controller goes back by what is missing', () => {
    expect(usb(controllerAt(380).design)).toEqual([]);
    expect(usb(controllerAt(490, 'open').design)).toEqual([]);
    const { design } = controllerAt(490);
    expect(usb(design)).toEqual(['No room for a plug at the USB port of FC1: 7 mm to the wall of the bay "middle".']);
    const [remedy] = remediesBy(design, 'place.usb-access');
    expect(remedy?.label).toBe('Move FC1 back');
    if (remedy === undefined) return;
    expect(usb(made(design, remedy.edit))).toEqual([]);
  });

  it('and before another part', () => {
    const one = controllerAt(380, 'hatch-above', 'regulator-buck-5v-3a');
    one.place('BEC1', [440, 0, 0], 'middle');
    expect(usb(one.design)).toEqual([expect.stringMatching(/^No room for a plug at the USB port of FC1: [\d.]+ mm to BEC1\.$/)]);
    one.place('BEC1', [440, 40, 0], 'middle');
    expect(usb(one.design)).toEqual([]);
  });
});
