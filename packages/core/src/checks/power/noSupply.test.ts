import { describe, expect, it } from '@jest/globals';
import type { Design } from '../../model/design.ts';
import { bench, powered, removed } from '../../test/checkCases/build.ts';
import { findingsBy, made } from '../../test/designs.ts';
import { findingsOf, remediesOf } from '../findingsOf.ts';

/** What is said of parts without a supply, but for the note about USB. */
function said(design: Design) {
  return findingsBy(design, 'power.no-supply').filter(({ severity }) => severity !== 'note');
}

/** The design after the first remedy of its first finding about a supply, with the words of its button. */
function mended(design: Design): readonly [label: string | undefined, left: readonly string[]] {
  const [finding] = said(design);
  const [remedy] = finding === undefined ? [] : remediesOf(design, finding);
  if (remedy === undefined) return [undefined, []];
  return [remedy.label, said(made(design, remedy.edit)).map(({ what }) => what)];
}

/** A GNSS receiver on a wing board, less one of its wires. */
function receiverWithout(pin: number): Design {
  const one = powered('gnss-serial');
  one.wire('GNSS1 UART', 'FC1 S1', 'meaning', 150);
  return removed(one.design, 'W02', pin);
}

/** Two servos on the rail of a wing board and a regulator for it. */
function railWithout(input: 'its input' | 'nothing', second: 'meaning' | 'mirrored' = 'meaning'): Design {
  const one = powered('regulator-buck-5v-3a', 'servo-9g-digital', 'servo-9g-digital');
  if (input === 'nothing') one.wire('FC1 motor', 'BEC1 in', 'meaning', 60);
  one.wire('BEC1 out', 'FC1 out6', 'meaning', 60);
  one.wire('SRV1 lead', 'FC1 out1', 'meaning', 200);
  one.wire('SRV2 lead', 'FC1 out2', second, 200);
  return one.design;
}

/** A computer for 12 V on a board whose regulator wants 14 V, or on one for 12 V from four cells. */
function computerOn(pack: string): Design {
  const one = bench(pack, 'distribution-two-regulators', 'companion-large-12v');
  one.wire('BAT1 main', 'PWR1 battery', 'straight', 60);
  one.wire('PWR1 v12', 'CC1 power', 'straight', 60);
  return one.design;
}

describe('a part without its supply', () => {
  it('says that the plus is missing, and offers the wire before a part', () => {
    expect(said(receiverWithout(1)).map(({ what }) => what)).toEqual(['GNSS1 is wired, but no supply reaches its receiver.']);
    expect(mended(receiverWithout(1))).toEqual(['Add the supply wire', []]);
  });

  it('says that the ground is missing where no signal tells it already', () => {
    const withSignals = receiverWithout(4);
    expect(said(withSignals)).toEqual([]);
    expect(findingsBy(withSignals, 'wire.no-common-ground')).toHaveLength(1);
    const without = removed(removed(withSignals, 'W02', 2), 'W02', 3);
    expect(said(without).map(({ what }) => what)).toEqual(['GNSS1 has no ground return for its receiver.']);
    expect(mended(without)).toEqual(['Add the ground wire', []]);
  });

  it('says it of a servo too, which takes whatever voltage there is', () => {
    const supplyAlone = removed(removed(railWithout('nothing'), 'W05', 1), 'W05', 3);
    expect(said(supplyAlone).map(({ what }) => what)).toEqual(['SRV2 has no ground return for its servo.']);
    expect(mended(supplyAlone)).toEqual(['Add the ground wire', []]);
  });

  it('leaves a lead that is turned round to the check of leads', () => {
    const turned = railWithout('nothing', 'mirrored');
    expect(said(turned)).toEqual([]);
    expect(findingsBy(turned, 'wire.servo-lead')).toHaveLength(1);
  });

  it('names the regulator that is not fed, once for all that hangs on it', () => {
    expect(said(railWithout('its input')).map(({ what, evidence }) => [what, evidence[0]?.value, evidence[0]?.limit])).toEqual([
      ['No supply reaches BEC1 buck, which feeds SRV1 and SRV2.', '0.00 V', '7.00 V'],
    ]);
    expect(mended(railWithout('its input'))).toEqual(['Wire its input', []]);
    expect(said(railWithout('nothing'))).toEqual([]);
  });

  it('names a board that feeds itself once, with what hangs on it', () => {
    const one = bench('battery-lipo-4s-5000', 'controller-f4-wing', 'gnss-serial', 'distribution-plain-bus');
    one.wire('BAT1 main', 'PWR1 battery', 'straight', 60);
    one.wire('GNSS1 UART', 'FC1 S1', 'meaning', 150);
    expect(said(one.design).map(({ what }) => what)).toEqual(['No supply reaches FC1 reg-5v, which feeds GNSS1.']);
    expect(said(one.design)[0]?.where).toHaveLength(2);
  });

  it('names the first of several regulators behind one another', () => {
    const one = bench('battery-lipo-4s-5000', 'distribution-plain-bus', 'regulator-buck-12v-3a', 'regulator-buck-5v-3a', 'gnss-serial');
    one.wire('BAT1 main', 'PWR1 battery', 'straight', 60);
    one.wire('BEC1 out', 'BEC2 in', 'meaning', 60);
    one.wire('BEC2 out', 'GNSS1 UART', 'meaning', 60);
    expect(said(one.design).map(({ what }) => what)).toEqual(['No supply reaches BEC1 buck, which feeds GNSS1.']);
  });

  it('names the regulator that gets too little itself', () => {
    expect(said(computerOn('battery-lipo-3s-3300')).map(({ what, evidence }) => [what, evidence[0]?.limit])).toEqual([
      ['PWR1 reg-12v, which feeds CC1, gets too little voltage to start.', '14.00 V'],
    ]);
    expect(said(computerOn('battery-lipo-4s-5000'))).toEqual([]);
  });

  it('says how little arrives where something does', () => {
    const one = bench('battery-lipo-2s-2200', 'companion-large-12v');
    one.wire('BAT1 main', 'CC1 power', 'straight', 60);
    expect(said(one.design).map(({ what, evidence }) => [what, evidence[0]?.limit])).toEqual([
      ['CC1 gets too little voltage at its computer, even with nothing else switched on.', '9.00 V'],
    ]);
  });
});

describe('an overload elsewhere', () => {
  /** A regulator that shuts down under what hangs on it, and a receiver whose supply wire is missing. */
  function overloaded(hasWire: boolean): Design {
    const one = powered(
      'gnss-serial',
      'regulator-buck-12v-3a',
      'distribution-plain-bus',
      ...Array.from({ length: 5 }, () => 'companion-large-12v'),
    );
    one.wire('GNSS1 UART', 'FC1 S1', 'meaning', 150);
    one.wire('FC1 motor', 'BEC1 in', 'meaning', 60);
    one.wire('BEC1 out', 'PWR1 battery', 'meaning', 60);
    for (let n = 1; n <= 5; n += 1) one.wire(`PWR1 b${n}`, `CC${n} power`, 'straight', 60);
    return hasWire ? one.design : removed(one.design, 'W02', 1);
  }

  it('does not keep a missing wire from being told, and is not told as one', () => {
    const names = (design: Design): readonly string[] => said(design).map(({ what }) => what);
    expect(findingsOf(overloaded(true)).some(({ check, severity }) => check === 'power.over-current' && severity !== 'note')).toBe(true);
    expect(names(overloaded(true))).toEqual([]);
    expect(names(overloaded(false))).toEqual(['GNSS1 is wired, but no supply reaches its receiver.']);
    expect(names(removed(removed(removed(overloaded(true), 'W02', 4), 'W02', 3), 'W02', 2))).toEqual([
      'GNSS1 has no ground return for its receiver.',
    ]);
  });
});
