import { describe, expect, it } from '@jest/globals';
import { graphOf } from '../../graph/graphOf.ts';
import { serialHops, endName } from '../../links/serialHops.ts';
import type { Design } from '../../model/design.ts';
import { CASES } from '../../test/checkCases/cases.ts';
import { powered } from '../../test/checkCases/build.ts';
import { emptyBench, findingsBy, made } from '../../test/designs.ts';
import { findingsOf, remediesOf } from '../findingsOf.ts';

function mended(design: Design, check: string, label: string): Design {
  const finding = findingsBy(design, check).find((one) => remediesOf(design, one).some((remedy) => remedy.label === label));
  const remedy = finding === undefined ? undefined : remediesOf(design, finding).find((one) => one.label === label);
  if (remedy === undefined) throw new Error(`No remedy "${label}" is offered.`);
  return made(design, remedy.edit);
}

const hopsBetween = (design: Design): readonly string[] =>
  serialHops(graphOf(design)).map(
    ({ a, b, aToB, bToA }) => `${endName(a)} - ${endName(b)}, ${aToB?.inversions ?? bToA?.inversions ?? 0} inverters`,
  );

/** A receiver on a board whose port does not invert. */
function onPlainPort(): Design {
  const one = emptyBench();
  one.add('controller-8-bit-carrier', 'board');
  one.add('battery-lipo-3s-3300', 'pack');
  one.add('receiver-sbus-16', 'RC');
  return one.design;
}

describe('what is put into a wire', () => {
  it('is a level shifter in both wires, fed from the port, and the two ends still hear one another', () => {
    const wrong = CASES['wire.level']?.wrong() ?? onPlainPort();
    const after = mended(wrong, 'wire.level', 'Insert a level shifter');
    expect(findingsBy(after, 'wire.level')).toEqual([]);
    expect(hopsBetween(after)).toEqual(hopsBetween(wrong));
    expect(Object.values(after.aircraft.items)).toHaveLength(Object.values(wrong.aircraft.items).length + 1);
    const unfed = findingsOf(after).filter(({ check, what }) => check === 'power.no-supply' && what.includes('CONV1 is wired'));
    expect(unfed).toEqual([]);
  });

  it('is an inverter where a port cannot invert, and nothing else changes', () => {
    const one = powered('receiver-sbus-16');
    one.wire('RX1 SBUS', 'FC1 S4');
    const wrong = one.design;
    expect(findingsBy(wrong, 'link.port-unsuitable')[0]?.what).toContain('it cannot invert the signal');
    const after = mended(wrong, 'link.port-unsuitable', 'Insert an inverter');
    expect(findingsBy(after, 'link.port-unsuitable')).toEqual([]);
    expect(findingsBy(after, 'link.inversion-mismatch')).toEqual([]);
    expect(hopsBetween(after)).toEqual(['FC1 S4 - RX1 SBUS, 1 inverters']);
  });

  it('is taken out again where it turns a signal the wrong way', () => {
    const wrong = CASES['link.inversion-mismatch']?.wrong() ?? onPlainPort();
    const after = mended(wrong, 'link.inversion-mismatch', 'Remove CONV1');
    expect(Object.values(after.aircraft.items).map(({ ref }) => ref)).not.toContain('CONV1');
    expect(hopsBetween(after)).toContain('FC1 S5 - RX1 TAP, 0 inverters');
  });
});
