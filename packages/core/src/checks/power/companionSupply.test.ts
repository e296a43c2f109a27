import { describe, expect, it } from '@jest/globals';
import type { Design } from '../../model/design.ts';
import { bench, powered, withElement } from '../../test/checkCases/build.ts';
import { findingsBy } from '../../test/designs.ts';

const COMPANION = 'companion-small-5v';

/** A companion with this peak at a port of the wing board, beside a radio. */
function atPort(port: string, peakA: number): Design {
  const one = powered(COMPANION, 'radio-900-class');
  one.wire('RADIO1 UART', 'FC1 S1', 'meaning', 100);
  one.wire('CC1 header', port, 'meaning', 150);
  return drawing(one.design, peakA);
}

function drawing(design: Design, peakA: number): Design {
  return withElement(design, COMPANION, 'load', () => ({ peakA }));
}

const said = (design: Design): readonly string[] =>
  findingsBy(design, 'power.companion-supply').flatMap(({ what, evidence }) => [
    what,
    ...evidence.map(({ label, value, limit }) => `${label}: ${value} of ${limit}`),
  ]);

describe('a companion at the pins of a controller', () => {
  it('may peak at two fifths of what its supply has left beside the others', () => {
    // Ports S1 and S4 share a fuse of 1.5 A.
    const [what, own, others] = said(atPort('FC1 S4', 2.5));
    expect(what).toMatch(/^CC1 draws up to 2\.50 A from the pins of FC1; FC1 peripheral-fuse has 1\.\d\d A left\.$/);
    const spareA = Number(/has (\d\.\d\d) A/.exec(what ?? '')?.[1]);
    expect(spareA).toBeLessThan(1.5);
    expect(others).toMatch(/^FC1 peripheral-fuse, others: .* of 1\.50 A$/);
    expect(own).toBe(`CC1 at its peak: 2.50 A of ${(0.4 * spareA).toFixed(2)} A`);
    expect(said(atPort('FC1 S4', 0.4 * spareA + 0.01))).toHaveLength(3);
    expect(said(atPort('FC1 S4', 0.4 * spareA - 0.01))).toEqual([]);
  });

  it('behind a selector without a rating is judged by the regulator before it', () => {
    const [what] = said(atPort('FC1 I2C', 2.5));
    expect(what).toMatch(/from the pins of FC1; FC1 reg-5v has/);
  });

  it('is none where its regulator feeds it, whatever it draws', () => {
    const one = powered('regulator-buck-boost-5v-4a', COMPANION);
    one.wire('FC1 motor', 'BEC1 in', 'meaning', 80);
    one.wire('BEC1 out', 'CC1 header', 'meaning', 80);
    expect(said(drawing(one.design, 9))).toEqual([]);
  });

  it('is none before it is wired', () => {
    expect(said(bench('controller-f4-wing', COMPANION).design)).toEqual([]);
  });

  it('is no radio, which may take what the port has', () => {
    const one = powered('radio-900-class');
    one.wire('RADIO1 UART', 'FC1 S1', 'meaning', 100);
    expect(said(one.design)).toEqual([]);
  });
});
