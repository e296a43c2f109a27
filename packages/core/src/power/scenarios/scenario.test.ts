import { describe, expect, it } from '@jest/globals';
import type { OwnSituation, PowerPlan } from '../../model/powerPlan.ts';
import { SCENARIOS, scenariosOf, type Scenario } from './scenario.ts';

const OWN: OwnSituation = {
  title: 'Tow',
  charge: 0.8,
  durationS: 45,
  cruiseThrottle: 'cruise',
  liftThrottle: 0,
  servos: 0.3,
  transmitters: 'typical',
  others: 'typical',
  internalFactor: 1,
};

const of = (power: PowerPlan | undefined, kind: 'v-tail' | 'quad' = 'v-tail'): readonly Scenario[] =>
  scenariosOf({ airframe: { kind }, ...(power === undefined ? {} : { power }) });
const by = (id: string, power: PowerPlan | undefined): Scenario | undefined => of(power).find((one) => one.id === id);

describe('the table of situations', () => {
  const having = (is: (scenario: Scenario) => boolean): readonly string[] => SCENARIOS.filter(is).map(({ id }) => id);

  it('has those that every aircraft is looked at in, each with its name', () => {
    expect(SCENARIOS.map(({ title }) => title).join(', ')).toBe(
      'USB only, On the bench, Pre-flight, Launch, Climb, Hover, Transition, Cruise, Servo storm, Jammed servo, Glide, Low battery, Cold',
    );
  });

  it('runs motors, moves servos and empties packs where their names say so', () => {
    expect(having(({ charge }) => charge === undefined)).toEqual(['usb-only']);
    expect(having(({ isHovering }) => isHovering === true)).toEqual(['hover', 'transition']);
    expect(having(({ liftThrottle }) => liftThrottle !== 0)).toEqual(['hover', 'transition']);
    expect(having(({ isJammed }) => isJammed === true)).toEqual(['jammed']);
    expect(having(({ internalFactor = 1 }) => internalFactor > 1)).toEqual(['cold']);
    expect(having(({ cruiseThrottle }) => cruiseThrottle === 1)).toEqual(['launch', 'climb', 'transition', 'low-battery', 'cold']);
    expect(having(({ charge }) => charge !== undefined && charge < 0.3)).toEqual(['low-battery']);
    expect(having(({ durationS }) => durationS < 60)).toEqual(['launch', 'transition', 'servo-storm']);
    expect(having(({ transmitters }) => transmitters === 'peak')).toEqual(['pre-flight', 'servo-storm']);
    expect(having(({ servos }) => servos === 0)).toEqual(['usb-only', 'battery-bench']);
  });
});

describe('the situations of an aircraft', () => {
  it('are as the table has them where nobody has said anything', () => {
    expect(of(undefined)).toEqual(SCENARIOS.filter(({ isHovering }) => isHovering !== true));
    expect(of(undefined, 'quad')).toEqual(SCENARIOS);
  });

  it('are the same objects as long as nothing changes, for each kind of airframe', () => {
    const power: PowerPlan = { usbA: 0.9 };
    for (const plan of [undefined, power]) {
      expect(of(plan)).toBe(of(plan));
      expect(of(plan, 'quad')).toBe(of(plan, 'quad'));
      expect(of(plan)).not.toBe(of(plan, 'quad'));
    }
    expect(of({ usbA: 0.9 })).not.toBe(of(power));
  });

  it('use the USB current that a person gave, in the one on USB alone', () => {
    expect(by('usb-only', { usbA: 0.9 })?.usbA).toBe(0.9);
    expect(by('usb-only', { cruiseA: 9 })?.usbA).toBe(0.5);
    expect(of({ usbA: 0.9 }).filter(({ usbA }) => usbA !== undefined)).toHaveLength(1);
  });

  it('use the cruise current that a person measured, wherever the throttle is that of cruising, their own situations too', () => {
    const power: PowerPlan = { cruiseA: 9, situations: { 'own-1': OWN, 'own-2': { ...OWN, cruiseThrottle: 1 } } };
    const measured = of(power).filter(({ cruiseA }) => cruiseA !== undefined);
    expect(measured.map(({ id }) => id)).toEqual(['cruise', 'servo-storm', 'jammed', 'own-1']);
    expect(measured.every(({ cruiseA }) => cruiseA === 9)).toBe(true);
    expect(of({ situations: { 'own-1': OWN } }).every((one) => !('cruiseA' in one))).toBe(true);
  });

  it('have those of a person last; one without a duration lasts', () => {
    const { durationS: _, ...rest } = OWN;
    const power: PowerPlan = { situations: { 'own-1': OWN, 'own-2': { ...OWN, durationS: null } } };
    expect(of(power).slice(-2)).toEqual([
      { ...rest, id: 'own-1', durationS: 45 },
      { ...rest, id: 'own-2', durationS: Infinity },
    ]);
  });
});
