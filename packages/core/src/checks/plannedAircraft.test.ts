import { describe, expect, it } from '@jest/globals';
import { graphOf } from '../graph/graphOf.ts';
import type { Design } from '../model/design.ts';
import type { ResolvedPart } from '../model/part.ts';
import { outputBoards } from '../outputs/plan/outputBoard.ts';
import { sampleParts } from '../parts/catalogue.ts';
import { planPorts } from '../ports/planPorts.ts';
import { takePlan } from '../ports/takePlan.ts';
import { bench } from '../test/checkCases/build.ts';
import { made } from '../test/designs.ts';
import { findingsOf } from './findingsOf.ts';

/** Boards that an aircraft with GNSS, compass and a serial receiver is not built around, and why. */
const NOT_THESE: Readonly<Record<string, string>> = {
  'controller-8-bit-carrier': 'its logic of 5 V burns the receivers',
  'controller-8-bit-servo-fed': 'its logic of 5 V burns the receivers',
  'controller-stabiliser-5': 'it has no port for GNSS',
  'controller-f4-stack': 'a copter feeds it through its four-in-one motor controller',
};
const boards = sampleParts.filter(({ id, kind }) => kind === 'controller' && NOT_THESE[id] === undefined);

/** A flying wing as everybody builds it: the power wired by hand, outputs and links by their plans. */
function planned(board: (typeof boards)[number], receiver: string, controller: string): Design {
  const port = (is: (pins: ResolvedPart['ports'][number]['pins'], id: string) => boolean): string | undefined =>
    [...board.ports].reverse().find(({ id, pins }) => is(pins, id))?.id;
  const isWide = board.ports.some(({ id }) => id === 'battery');
  // The rows return part of what a jammed servo takes over the thin lead of the power module.
  const servo = board.id === 'controller-f7-rows' ? 'servo-9g-digital' : 'servo-20g-standard';
  const hasRegulator = controller.endsWith('5v5a');
  const one = bench(
    board.id,
    'battery-lipo-4s-5000',
    'distribution-plain-bus',
    controller,
    'motor-28mm-9x6',
    servo,
    servo,
    receiver,
    'gnss-compass-i2c',
    ...(isWide ? [] : ['power-module-analog-60a']),
    ...(hasRegulator ? [] : ['regulator-buck-selectable-10a']),
  );
  if (isWide) {
    one.wire('BAT1 main', 'FC1 battery', 'meaning', 80);
    one.wire(
      `FC1 ${port((pins, id) => id !== 'battery' && pins.some(({ role }) => role === 'supply-out') && /motor|esc/i.test(id)) ?? '?'}`,
      'PWR1 battery',
      'meaning',
      80,
    );
  } else {
    one.wire('BAT1 main', 'PM1 battery', 'meaning', 80);
    one.wire('PM1 load', 'PWR1 battery', 'meaning', 80);
    one.wire(
      'PM1 out',
      `FC1 ${port((pins, id) => pins.some(({ role }) => role === 'supply-in') && /^(pwr|power)/i.test(id)) ?? '?'}`,
      'meaning',
      150,
    );
  }
  one.wire('PWR1 b2', 'ESC1 power', 'meaning', 80);
  one.wire('ESC1 motor', 'MOT1 phases', 'straight', 60);
  const rail = port(
    (pins) => pins.length % 3 === 0 && ['supply-through', 'pulse-out'].every((role) => pins.some((pin) => pin.role === role)),
  );
  if (!hasRegulator) {
    one.wire('PWR1 b1', 'BEC1 in', 'meaning', 80);
    one.wire('BEC1 out', `FC1 ${rail ?? '?'}`, 'meaning', 80);
  }
  const outputs = outputBoards(graphOf(one.design))[0]?.edit;
  const wired = outputs === undefined ? one.design : made(one.design, outputs);
  const plan = planPorts(graphOf(wired));
  const links = plan === undefined ? undefined : takePlan(graphOf(wired), plan);
  expect(links?.undone).toEqual([]);
  return links?.edit === undefined ? wired : made(wired, links.edit);
}

describe('an ordinary aircraft that is wired by its plans', () => {
  it.each(
    boards.flatMap((board) =>
      ['receiver-sbus-16', 'receiver-crsf-full'].flatMap((receiver) =>
        ['motor-controller-60a-5v5a', 'motor-controller-80a-opto'].map((controller) => [board.id, receiver, controller, board] as const),
      ),
    ),
  )('%s with %s and %s gives nothing above a note', (_, receiver, controller, board) => {
    const above = findingsOf(planned(board, receiver, controller)).filter(({ severity }) => severity !== 'note');
    expect(above.map(({ check, what }) => `${check}: ${what}`)).toEqual([]);
  });
});
