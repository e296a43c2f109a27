import { describe, expect, it } from '@jest/globals';
import type { Design } from '../../model/design.ts';
import { bench } from '../../test/checkCases/build.ts';
import { inSeries } from '../../test/checkCases/powerDesigns.ts';
import { findingsBy } from '../../test/designs.ts';

/** A controller for 4 to 8 cells on a pack, over a power module. */
function on(pack: string, controller = 'motor-controller-80a-opto'): Design {
  const one = bench(pack, 'power-module-i2c-120a', controller);
  one.wire('BAT1 main', 'PM1 battery', 'meaning', 60);
  one.wire('PM1 load', 'ESC1 power', 'meaning', 60);
  return one.design;
}

/** Two packs in series, and the controller on both. */
function onTwo(below: string, above: string): Design {
  const one = inSeries(below, above);
  one.add('motor-controller-80a-opto', '');
  one.wire('PWR2 b2', 'ESC1 power', 'meaning', 60);
  return one.design;
}

function said(design: Design): readonly string[] {
  return findingsBy(design, 'power.battery').flatMap(({ severity, what }) => (what.includes('cells') ? [`${severity}: ${what}`] : []));
}

describe('a motor controller', () => {
  it('on fewer cells than it is made for is told, and not on as many', () => {
    expect(said(on('battery-lipo-3s-3300'))).toEqual(['stop: BAT1 has 3 cells, and ESC1 needs 4 to 8 cells.']);
    expect(said(on('battery-lipo-4s-5000'))).toEqual([]);
    expect(said(on('battery-lipo-3s-3300', 'motor-controller-60a-5v5a'))).toEqual([]);
  });

  it('on two packs in series counts the cells of both', () => {
    expect(said(onTwo('battery-lipo-2s-2200', 'battery-lipo-2s-2200'))).toEqual([]);
    const one = on('battery-lipo-2s-2200');
    expect(said(one)).toEqual(['stop: BAT1 has 2 cells, and ESC1 needs 4 to 8 cells.']);
  });
});
