import { describe, expect, it } from '@jest/globals';
import type { Cable, CableEnd } from '../../model/aircraft.ts';
import type { ConnectorFamily } from '../../model/connector.ts';
import type { Design } from '../../model/design.ts';
import { asId, type CableId, type LegId, type NodeId } from '../../model/ids.ts';
import { motorised, overModule } from '../../test/checkCases/powerDesigns.ts';
import { offered } from '../../test/offered.ts';
import { cableOf, findingsBy, made } from '../../test/designs.ts';

/** A motor whose lead of AWG 10 is in two pieces, plugged into each other by these families. */
function inTwo(plug: ConnectorFamily, socket: ConnectorFamily): Design {
  const { design } = motorised('motor-controller-40a-5v2a', 'motor-28mm-9x6', 10);
  const lead = cableOf(design, 'W02');
  const [leg] = Object.values(lead.legs);
  const [near, far] = [lead.nodes[leg?.a ?? asId<NodeId>('')], lead.nodes[leg?.b ?? asId<NodeId>('')]];
  if (leg === undefined || near?.is !== 'end' || far?.is !== 'end') throw new Error('W02 is not what it was.');
  const [at, onto, beyond] = [asId<NodeId>('half-a'), asId<NodeId>('half-b'), asId<LegId>('half-leg')];
  const secondId = asId<CableId>('half');
  const open: CableEnd = { id: at, is: 'end', at: { is: 'free' }, connector: { family: plug, positions: 2, gender: 'plug' } };
  const second: Cable = {
    ...lead,
    id: secondId,
    tag: 'W90',
    nodes: {
      [onto]: {
        id: onto,
        is: 'end',
        at: { is: 'mate', cable: lead.id, node: at },
        connector: { family: socket, positions: 2, gender: 'socket' },
      },
      [far.id]: far,
    },
    legs: { [beyond]: { ...leg, id: beyond, a: onto } },
    conductors: Object.fromEntries(
      Object.values(lead.conductors).map((wire) => [wire.id, { ...wire, leg: beyond, a: { node: onto, n: wire.a.n } }]),
    ),
  };
  const first: Cable = {
    ...lead,
    nodes: { [near.id]: near, [at]: open },
    legs: { [leg.id]: { ...leg, b: at } },
    conductors: Object.fromEntries(Object.values(lead.conductors).map((wire) => [wire.id, { ...wire, b: { node: at, n: wire.a.n } }])),
  };
  return { ...design, aircraft: { ...design.aircraft, cables: { ...design.aircraft.cables, [first.id]: first, [secondId]: second } } };
}

const said = (design: Design): readonly string[] =>
  findingsBy(design, 'power.over-current')
    .filter(({ what }) => what.includes('contact'))
    .map(({ what }) => what);

describe('two cables that are plugged into each other', () => {
  it('carry what the weaker of the two connectors does', () => {
    expect(said(inTwo('XT60', 'XT60'))).toEqual([]);
    for (const [plug, socket] of [
      ['XT30', 'XT30'],
      ['XT60', 'XT30'],
      ['XT30', 'XT60'],
    ] as const)
      expect(said(inTwo(plug, socket))).toEqual([
        expect.stringMatching(/^W90 contact 1 at W02 carries 3\d\.\d\d A, rated 20\.00 A \(climb/),
        expect.stringMatching(/^W90 contact 2 at W02 carries 3\d\.\d\d A, rated 20\.00 A \(climb/),
      ]);
  });

  it('get larger ones at both ends: the three smallest that carry it and take the wires', () => {
    const design = inTwo('XT30', 'XT30');
    const [finding] = findingsBy(design, 'power.over-current').filter(({ what }) => what.includes('contact'));
    const remedies = finding === undefined ? [] : offered(design, finding);
    expect(remedies.map(({ label, sentence }) => [label, sentence])).toEqual([
      ['Use 3.5 mm bullet', 'Fit 3.5 mm bullet to W90 and W02 where they meet (50 A instead of 20 A).'],
      ['Use XT60', 'Fit XT60 to W90 and W02 where they meet (60 A instead of 20 A).'],
      ['Use XT90', 'Fit XT90 to W90 and W02 where they meet (90 A instead of 20 A).'],
    ]);
    for (const { edit } of remedies) {
      const mended = made(design, edit);
      expect(said(mended)).toEqual([]);
      expect(findingsBy(mended, 'wire.connector-mate')).toEqual(findingsBy(design, 'wire.connector-mate'));
    }
  });
});

it('a plug on a part that is too small leads to other parts of its kind, whose plugs carry it', () => {
  const design = overModule('power-module-analog-60a');
  const found = findingsBy(design, 'power.over-current');
  expect(found.map(({ what }) => what.replace(/ carries .*/, ''))).toEqual([
    'W01 contact 1 at PM1',
    'W01 contact 2 at PM1',
    'W02 contact 1 at PM1',
    'W02 contact 2 at PM1',
  ]);
  for (const finding of found) {
    const remedies = offered(design, finding);
    expect(remedies.map(({ label }) => label)).toEqual([
      'Use power module 90 A, analog, with 12 V',
      'Use power module 120 A, digital over I2C',
      'Use power module 100 A, analog, with 5 V and twice 12 V',
    ]);
    for (const { edit, sentence } of remedies) {
      expect(sentence).toContain('W01 and W02 get another connector');
      expect(said(made(design, edit))).toEqual([]);
    }
  }
});
