import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { graphOf } from '../graph/graphOf.ts';
import type { Bay, Spot } from '../model/frame.ts';
import { inBay } from '../test/checkCases/placement.ts';
import { placedItems, portOutward, portSpot, type PlacedItem } from './placedItems.ts';
import { plugRoom } from './plugRoom.ts';
import { usbPorts } from './reachOf.ts';

const placed = placedItems(graphOf(inBay('open')));
const [controller, other] = ['FC1', 'CC1'].map((ref) => {
  const found = placed.find(({ item }) => item.ref === ref);
  if (found === undefined) throw new Error(`${ref} is not placed.`);
  return found;
});
if (controller === undefined || other === undefined) throw new Error('Nothing is placed.');
const [usb] = usbPorts(controller.part);
if (usb === undefined) throw new Error('There is no USB port.');

const bay: Bay = { title: 'bay', at: [0, 0, 0], sizeMm: [300, 200, 150], access: 'hatch-above' };
const turnedTo = (turn: PlacedItem['place']['turn'], at: Spot): PlacedItem => ({
  ...controller,
  place: { ...controller.place, turn, at, yawDeg: 0, below: false },
});

describe('the room for a plug', () => {
  it('is to the wall that the port faces, and endless through the hatch', () => {
    // Half a controller and the wall: 150 mm aft of the middle.
    const [length] = controller.part.sizeMm;
    expect(plugRoom(turnedTo([0, 0, 0], [0, 0, 0]), usb, bay, [])).toEqual({ is: 'wall', mm: 150 - length / 2 });
    expect(plugRoom(turnedTo([0, 0, 180], [0, 0, 0]), usb, bay, [])).toEqual({ is: 'wall', mm: 150 - length / 2 });
    const up = turnedTo([0, 270, 0], [0, 0, 0]);
    expect(portOutward(up, usb)?.map(Math.round)).toEqual([0, 0, 1].map((n) => expect.closeTo(n)));
    expect(plugRoom(up, usb, bay, [])).toEqual({ is: 'free' });
    expect(plugRoom(up, usb, { ...bay, access: 'hatch-below' }, [])).toEqual({ is: 'wall', mm: 75 - length / 2 });
    expect(plugRoom(turnedTo([0, 0, 0], [0, 0, 0]), usb, { ...bay, access: 'open' }, [])).toEqual({ is: 'free' });
    const { side: _unknown, ...sideless } = usb;
    expect(plugRoom(turnedTo([0, 0, 0], [0, 0, 0]), sideless, bay, [])).toEqual({ is: 'free' });
  });

  it('ends at the first box that a walk along it comes upon', () => {
    const coordinate = fc.integer({ min: -60, max: 60 });
    fc.assert(
      fc.property(
        fc.constantFrom<0 | 90 | 180 | 270>(0, 90, 180, 270),
        fc.array(fc.record({ at: fc.tuple(coordinate, coordinate, coordinate), half: fc.tuple(fc.nat(40), fc.nat(40), fc.nat(40)) }), {
          maxLength: 4,
        }),
        (yaw, boxes) => {
          const self = turnedTo([0, 0, yaw], [0, 0, 0]);
          const others = boxes.map(({ at, half }) => ({ ...other, place: { ...other.place, at }, half }));
          const room = plugRoom(self, usb, bay, others);
          const [from, outward] = [portSpot(self, usb), portOutward(self, usb)];
          if (outward === undefined) throw new Error('The port has no side.');
          const isStopped = (mm: number): boolean => {
            const spot = [0, 1, 2].map((axis) => (from[axis] ?? NaN) + mm * (outward[axis] ?? NaN));
            if (spot.some((x, axis) => Math.abs(x) > (bay.sizeMm[axis] ?? NaN) / 2)) return true;
            // A plug is 5 mm more to each side, and nothing before its front.
            return boxes.some(({ at, half }) =>
              spot.every(
                (x, axis) => Math.abs(x - (at[axis] ?? NaN)) < (half[axis] ?? NaN) + (Math.abs(outward[axis] ?? NaN) > 0.5 ? 0 : 5),
              ),
            );
          };
          let walked = 0.01;
          while (!isStopped(walked)) walked += 0.5;
          expect(room.is).not.toBe('free');
          if (room.is === 'free') return;
          expect(walked - room.mm).toBeGreaterThan(-0.02);
          expect(walked - room.mm).toBeLessThan(0.52);
        },
      ),
    );
  });
});
