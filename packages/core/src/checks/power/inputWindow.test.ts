import { describe, expect, it } from '@jest/globals';
import type { Design } from '../../model/design.ts';
import { set } from '../../test/checkCases/build.ts';
import { carrier } from '../../test/checkCases/powerDesigns.ts';
import { findingsBy } from '../../test/designs.ts';

/** A carrier with a companion whose module feeds it over so much wire, and a servo rail on a regulator of its own if wanted. */
function fedOver(lengthMm: number, hasRail: boolean): Design {
  const one = carrier('radio-900-class', 'regulator-buck-selectable-10a');
  one.wire('RADIO1 UART', 'FC1 A', 'meaning', 100);
  one.wire('PM1 out', 'FC1 PWR1', 'meaning', lengthMm);
  if (hasRail) {
    one.wire('PWR1 b2', 'BEC1 in', 'meaning', 100);
    one.wire('BEC1 out', 'FC1 m8', 'meaning', 80);
  }
  return one.design;
}

const said = (design: Design): readonly (readonly string[])[] =>
  findingsBy(design, 'power.input-window').map(({ severity, what, why }) => [severity, what, why]);

describe('an input of a selector outside its window', () => {
  it('stops the controller where there is no other, in the situation that is worst for it', () => {
    const [[severity, what, why] = [], ...more] = said(fedOver(9_000, false));
    expect([severity, why]).toEqual(['stop', 'FC1 has no other input and resets in flight.']);
    expect(what).toMatch(/^Input 1 of FC1 power-inputs gets [0-3]\.\d\d V; it accepts at least 4\.10 V \(.+\)\.$/);
    expect(more).toEqual([]);
  });

  it('costs the backup where another one takes over, and is told once, of the first situation', () => {
    const found = said(fedOver(20_000, true));
    expect(found.map(([severity, , why]) => [severity, why])).toEqual([['mend', 'FC1 switches to another input and has no backup left.']]);
    expect(found[0]?.[1]).toMatch(/^Input 1 of FC1 power-inputs gets .* V; it accepts at least 4\.10 V \(pre-flight\)\.$/);
  });

  it('is none over a short lead', () => {
    expect(said(fedOver(150, true))).toEqual([]);
    expect(said(fedOver(150, false))).toEqual([]);
  });

  it('is told of one that waits, with the side on which it is', () => {
    expect(said(set(fedOver(150, true), 'BEC1', 'volts', 7.4))).toEqual([
      [
        'mend',
        expect.stringMatching(/^Input 3 of FC1 power-inputs is at 7\.\d\d V; it accepts at most 5\.70 V\.$/),
        'When the supply in use fails, FC1 rejects this one: there is no backup.',
      ],
    ]);
  });
});
