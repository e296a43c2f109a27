import { describe, expect, it } from '@jest/globals';
import { mudflat } from '../../demo/mudflat.ts';
import { saltmarsh } from '../../demo/saltmarsh.ts';
import { graphOf } from '../../graph/graphOf.ts';
import { balanceOf } from '../../layout/balance.ts';
import { asId } from '../../model/ids.ts';
import type { Design } from '../../model/design.ts';
import { bench } from '../../test/checkCases/build.ts';
import { countingIds, itemOf, made } from '../../test/designs.ts';
import { powerNetwork } from '../network/powerNetwork.ts';
import { cruisePowerW } from './cruisePower.ts';
import { flyingMassG } from './flyingMass.ts';
import { hoverOf } from './hoverOf.ts';
import { lawsOf } from './lawsOf.ts';
import { scenariosOf } from './scenario.ts';

function withNumber(design: Design, number: 'massG' | 'cruiseMs', value: number): Design {
  const was = design.aircraft.airframe.frame?.numbers[number] ?? null;
  return made(design, { kind: 'set-frame-number', number, value, was });
}

/** The power at the pack of all lift drives in a situation, at a voltage: their law is that of the motor's table. */
function liftAmps(design: Design, id: string, volts: number): number {
  const graph = graphOf(design);
  const scenario = scenariosOf(design.aircraft).find((one) => one.id === id);
  if (scenario === undefined) throw new Error(`There is no ${id}.`);
  return lawsOf(powerNetwork(graph), scenario).reduce((sum, law) => sum + (law.is === 'square' ? law.ampsPerV2 * volts * volts : 0), 0);
}

describe('what flies', () => {
  it('weighs what scales said, else what the data say, and the airframe', () => {
    const whole = withNumber(saltmarsh(asId('saltmarsh'), countingIds()), 'massG', 2000);
    const pack = itemOf(whole, 'BAT1');
    const was = pack.weighedG ?? null;
    const before = flyingMassG(graphOf(whole));
    const heavier = made(whole, { kind: 'weigh-item', item: pack.id, massG: (was ?? whole.parts.get(pack.part)?.massG ?? NaN) + 300, was });
    expect(flyingMassG(graphOf(heavier))).toBeCloseTo(before + 300, 6);
    expect(flyingMassG(graphOf(withNumber(whole, 'massG', 2500)))).toBeCloseTo(before + 500, 6);
  });

  it('is not what stands on the ground', () => {
    const bare = bench('battery-lipo-4s-5000');
    const before = flyingMassG(graphOf(bare.design));
    bare.add('stick-unit-16-bay', 'pilot', {}, 'ground');
    expect(flyingMassG(graphOf(bare.design))).toBe(before);
  });

  it('is what the layout knows where that is more: the cables weigh too', () => {
    const whole = withNumber(saltmarsh(asId('saltmarsh'), countingIds()), 'massG', 2000);
    const graph = graphOf(whole);
    const parts = graph.items.reduce(
      (sum, { item, part }) => sum + (item.where === 'aircraft' ? (item.weighedG ?? part?.massG ?? 0) : 0),
      0,
    );
    expect(flyingMassG(graph)).toBe(Math.max(parts + 2000, balanceOf(graph)?.massG ?? 0));
    expect(flyingMassG(graph)).toBeGreaterThanOrEqual(parts + 2000);
  });

  it('is estimated from its parts where nobody weighed the airframe', () => {
    const { design } = bench('battery-lipo-4s-5000');
    const [part] = [...design.parts.values()].filter(({ id }) => id === 'battery-lipo-4s-5000');
    expect(flyingMassG(graphOf(design))).toBeCloseTo((part?.massG ?? NaN) / 0.55, 9);
  });

  it('cruises at a power that grows with its mass and its cruise speed', () => {
    const whole = withNumber(withNumber(saltmarsh(asId('saltmarsh'), countingIds()), 'massG', 2000), 'cruiseMs', 20);
    const graph = graphOf(whole);
    expect(cruisePowerW(graph)).toBeCloseTo(((flyingMassG(graph) / 1000) * 9.81 * 20) / 5, 9);
    expect(cruisePowerW(graphOf(withNumber(whole, 'cruiseMs', 30)))).toBeCloseTo(cruisePowerW(graph) * 1.5, 9);
  });

  it('hovers at the throttle that carries its weight', () => {
    const light = withNumber(mudflat(asId('mudflat'), countingIds()), 'massG', 1500);
    const heavy = withNumber(light, 'massG', 4500);
    const [hover, hoverHeavy] = [light, heavy].map((design) => hoverOf(graphOf(design)));
    if (hover === undefined || hoverHeavy === undefined) throw new Error('It does not hover.');
    expect(hoverHeavy.throttle).toBeGreaterThan(hover.throttle);
    const tableV = 22.8;
    const watts = (design: Design): number => liftAmps(design, 'hover', tableV) * tableV;
    expect(watts(heavy) / watts(light)).toBeGreaterThan(1.2);
    // What the situation takes at the voltage of the table is what the weight asks for.
    const motor = [...light.parts.values()].flatMap(({ circuit }) =>
      circuit.flatMap((element) => (element.is === 'motor' ? [element.tableV] : [])),
    );
    expect(motor).toContain(tableV);
    expect(watts(light)).toBeCloseTo(hover.motors * hover.wattsEach, 3);
  });
});
