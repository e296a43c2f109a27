import { describe, expect, it } from '@jest/globals';
import type { Design } from '../../model/design.ts';
import { graphOf } from '../../graph/graphOf.ts';
import { bench, set, withElement } from '../../test/checkCases/build.ts';
import { servos } from '../../test/checkCases/powerDesigns.ts';
import { findingsBy, made } from '../../test/designs.ts';
import { findingsOf, remediesOf } from '../findingsOf.ts';
import { workingSituations } from './helpers/situations.ts';

const LINEAR = 'regulator-linear-5v-1a5';

const said = (design: Design): readonly string[] => findingsBy(design, 'power.dissipation').map(({ what }) => what);

/** The most that the linear regulator turns into heat in a situation that lasts, by its law `(Vin - Vout) * Iout`, and where. */
function hottest(design: Design): { readonly watts: number; readonly title: string } {
  const graph = graphOf(design);
  const all = workingSituations(graph).flatMap(({ scenario, network, before }) => {
    const at = network.devices.findIndex(
      ({ device }) => device.is === 'element' && device.element.is === 'regulator' && device.element.topology === 'linear',
    );
    const [input = 0, output = 0] = network.shape.devices[at]?.nodes ?? [];
    const watts = ((before.volts[input] ?? NaN) - (before.volts[output] ?? NaN)) * (before.amps[at] ?? NaN);
    return scenario.durationS < 30 ? [] : [{ watts, title: scenario.title }];
  });
  return all.reduce((worst, one) => (one.watts > worst.watts ? one : worst));
}

describe('a linear regulator', () => {
  it('makes heat of the voltage above its own, and the worst situation that lasts is told', () => {
    const design = servos(LINEAR, 3, 'servo-12g-metal');
    const { watts, title } = hottest(design);
    expect(said(design)).toEqual([`BEC1 linear dissipates ${watts.toFixed(1)} W, rated 5.00 W (${title.toLowerCase()}).`]);
  });

  it('may be as hot as it is rated, and no hotter', () => {
    const { watts } = hottest(servos(LINEAR, 3, 'servo-12g-metal'));
    const rated = (maxW: number): Design => withElement(servos(LINEAR, 3, 'servo-12g-metal'), LINEAR, 'regulator', () => ({ maxW }));
    expect(said(rated(watts * 1.001))).toEqual([]);
    expect(said(rated(watts * 0.98))).toHaveLength(1);
  });

  it('gives way to a switching one for what it may carry, from what it gets', () => {
    const design = servos(LINEAR, 3, 'servo-12g-metal');
    const [finding] = findingsOf(design).filter(({ check }) => check === 'power.dissipation');
    const remedies = finding === undefined ? [] : remediesOf(design, finding);
    expect(remedies.map(({ sentence }) => sentence)).toEqual(['Replace BEC1 with a regulator 5 V, 3 A buck, on the same wires.']);
    expect(remedies.map(({ edit }) => said(made(design, edit)))).toEqual([[]]);
  });
});

it('a switching regulator makes too little heat to be rated in watts', () => {
  expect(said(servos('regulator-buck-5v-3a', 3, 'servo-12g-metal'))).toEqual([]);
});

it('a clamp below its rail conducts all the time', () => {
  const one = bench(
    'controller-h7-carrier',
    'battery-lipo-6s-10000',
    'regulator-buck-selectable-10a',
    'conditioner-rail-5v6',
    'servo-9g-digital',
  );
  one.wire('BAT1 main', 'BEC1 in', 'meaning', 100);
  one.wire('BEC1 out', 'FC1 m8', 'meaning', 80);
  one.wire('FLT1 lead', 'FC1 m7', 'meaning', 60);
  one.wire('SRV1 lead', 'FC1 m1', 'meaning', 100);
  expect(said(one.design)).toEqual([]);
  const raised = set(one.design, 'BEC1', 'volts', 7.4);
  const [what, ...more] = said(raised);
  // 7.4 V over 5.6 V and 0.4 ohm: 4.5 A and 33 W, less what the wires drop.
  expect(what).toMatch(/^FLT1 clamp dissipates (2\d|3[0-3])\.\d+ W, rated 5\.00 W/);
  expect(more).toEqual([]);
});
