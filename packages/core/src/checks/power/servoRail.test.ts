import { describe, expect, it } from '@jest/globals';
import type { Design } from '../../model/design.ts';
import { bench, FC, set, withElement } from '../../test/checkCases/build.ts';
import { flyingCarrier } from '../../test/checkCases/powerDesigns.ts';
import { findingsBy, itemOf } from '../../test/designs.ts';

const ESC = 'motor-controller-40a-5v2a';

/** Servos on the regulator inside a motor controller, with so many motors in the aircraft. */
function onBuiltIn(servos: number, motors = 1, servo = 'servo-9g-digital'): Design {
  const one = bench(
    FC,
    'battery-lipo-4s-5000',
    ESC,
    ...Array.from({ length: motors }, () => 'motor-28mm-9x6'),
    ...Array.from({ length: servos }, () => servo),
  );
  one.wire('BAT1 main', 'FC1 battery', 'meaning', 100);
  one.wire('FC1 motor', 'ESC1 power', 'meaning', 80);
  one.wire('ESC1 motor', 'MOT1 phases', 'straight', 60);
  one.wire('ESC1 signal', 'FC1 out1', 'meaning', 150);
  for (let n = 1; n <= servos; n++) one.wire(`SRV${n} lead`, `FC1 out${n + 1}`, 'meaning', 300);
  return one.design;
}

describe('servos on the regulator inside a motor controller', () => {
  const said = (design: Design): readonly (readonly string[])[] =>
    findingsBy(design, 'power.built-in-regulator').map(({ severity, what, why }) => [severity, what, why]);
  const both = 'A single failure of ESC1 costs the motor and the control surfaces.';

  it('are common with one motor and up to two of them', () => {
    expect(said(onBuiltIn(0))).toEqual([]);
    const common = `${both} With one motor and two servos this is common.`;
    expect(said(onBuiltIn(1))).toEqual([['note', 'The only supply of the servo is the regulator inside ESC1.', common]]);
    expect(said(onBuiltIn(2))).toEqual([['note', 'The only supply of 2 servos is the regulator inside ESC1.', common]]);
    expect(said(onBuiltIn(3))).toEqual([['note', 'The only supply of 3 servos is the regulator inside ESC1.', both]]);
  });

  it('are to be mended with a second motor, which is on the ground no motor of the aircraft', () => {
    expect(said(onBuiltIn(1, 2)).map(([severity, , why]) => [severity, why])).toEqual([['mend', both]]);
    const one = onBuiltIn(1, 2);
    const spare = itemOf(one, 'MOT2');
    const items = { ...one.aircraft.items, [spare.id]: { ...spare, where: 'ground' as const } };
    expect(said({ ...one, aircraft: { ...one.aircraft, items } }).map(([severity]) => severity)).toEqual(['note']);
  });

  it('are to be mended where they ask for more than it gives for ever', () => {
    const rated = (continuousA: number): Design => withElement(onBuiltIn(2), ESC, 'regulator', () => ({ continuousA }));
    const [asked] = findingsBy(rated(2), 'power.built-in-regulator').flatMap(({ evidence }) => evidence[0] ?? []);
    expect([asked?.label, asked?.limit]).toEqual(['ESC1 built-in, most asked', '2.00 A']);
    const amps = Number(asked?.value.replace(' A', ''));
    expect(amps).toBeGreaterThan(0.5);
    expect(said(rated(amps + 0.02)).map(([severity]) => severity)).toEqual(['note']);
    expect(said(rated(amps - 0.02)).map(([severity]) => severity)).toEqual(['mend']);
  });
});

describe('a servo rail that is a backup input', () => {
  const said = (design: Design): readonly (readonly string[])[] =>
    findingsBy(design, 'power.backup-unconditioned').map(({ severity, what }) => [severity, what]);
  const bare = 'The servo rail is a backup supply of FC1, and nothing conditions it.';

  it('is a note while it stays inside the window of the input, and to be mended where it leaves it', () => {
    expect(said(flyingCarrier(true))).toEqual([['note', bare]]);
    const window = (minV: number, maxV: number): Design =>
      withElement(flyingCarrier(true), 'controller-h7-carrier', 'selector', (element) => ({
        inputs: element.inputs.map((input) => ({ ...input, minV, maxV })),
      }));
    const [lowest, highest] = findingsBy(flyingCarrier(true), 'power.backup-unconditioned').flatMap(({ evidence }) =>
      evidence.map(({ value }) => Number(value.replace(' V', ''))),
    );
    expect([lowest, highest]).toEqual([expect.closeTo(4.9, 0), expect.closeTo(5, 0)]);
    expect(said(window((lowest ?? 0) - 0.02, 5.7))).toEqual([['note', bare]]);
    expect(said(window((lowest ?? 0) + 0.02, 5.7))).toEqual([['mend', bare]]);
  });

  it('is told elsewhere while it is outside all the time', () => {
    expect(said(set(set(flyingCarrier(true), 'BEC1', 'volts', 6), 'BEC2', 'volts', 6))).toEqual([]);
  });
});
