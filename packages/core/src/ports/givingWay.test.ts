import { describe, expect, it } from '@jest/globals';
import { findingsOf } from '../checks/findingsOf.ts';
import { integrityOf } from '../edits/integrity.ts';
import { graphOf } from '../graph/graphOf.ts';
import { planJoin } from '../harness/looms/planJoin.ts';
import { runsOf } from '../harness/runs.ts';
import { chainsOf } from '../links/chains/chainsOf.ts';
import type { Design } from '../model/design.ts';
import { bench, powered } from '../test/checkCases/build.ts';
import { findingsBy, itemOf, made, portOfItem } from '../test/designs.ts';
import { everyLinkFits } from './everyLinkFits.ts';
import { GIVING_WAY } from './fit.ts';
import { planPorts, type PlanWish } from './planPorts.ts';
import { portChoices } from './portByName.ts';
import { relaxationsOf } from './relaxations.ts';
import { takePlan } from './takePlan.ts';

function planOf(design: Design, wish?: PlanWish) {
  const plan = planPorts(graphOf(design), wish);
  if (plan === undefined) throw new Error('There is no plan.');
  return plan;
}
const homes = (design: Design, wish?: PlanWish): Readonly<Record<string, string>> =>
  Object.fromEntries(planOf(design, wish).links.map(({ seeker, fit }) => [seeker.title, fit?.port.title ?? 'left out']));
const stateOf = (design: Design, key: string): string => chainsOf(graphOf(design)).find((chain) => chain.key === key)?.state.is ?? 'none';

/** A receiver that sends inverted, and a board whose only input that inverts has something else at it. */
function withoutRcInput(): Design {
  const one = powered('receiver-sbus-16', 'buzzer-5v');
  one.wire('BZ1 leads', 'FC1 S2');
  return one.design;
}

describe('a part in the wire', () => {
  it('inverts what the port cannot, is put in with the link, and stays as it is when ports are planned again', () => {
    const design = withoutRcInput();
    const key = `rc.${itemOf(design, 'RX1').id}`;
    expect(Object.values(homes(design))).toContain('left out');
    const plan = planOf(design, { giveWay: GIVING_WAY });
    expect(plan.links.filter(({ fit }) => fit?.gives?.way === 'inverter')).toHaveLength(1);
    const { edit, undone } = takePlan(graphOf(design), plan);
    if (edit === undefined) throw new Error('Nothing is taken.');
    expect(undone).toEqual([]);
    const after = made(design, edit);
    expect(integrityOf(after)).toEqual([]);
    expect(Object.values(after.aircraft.items).filter(({ ref }) => ref.startsWith('CONV'))).toHaveLength(1);
    expect([stateOf(after, key), findingsBy(after, 'link.inversion-mismatch')]).toEqual(['agrees', []]);
    // Without giving way again: the part makes up for it now.
    expect(Object.values(homes(after))).not.toContain('left out');
    expect(takePlan(graphOf(after), planOf(after)).edit).toBeUndefined();
  });

  it('brings the level down that a part does not stand, both ways; without it the link is left out', () => {
    const one = bench('controller-8-bit-carrier', 'battery-lipo-3s-3300', 'power-module-analog-60a', 'gnss-serial');
    one.wire('BAT1 main', 'PM1 battery');
    one.wire('PM1 out', 'FC1 PWR');
    const { design } = one;
    expect(homes(design)['GNSS1 position']).toBe('left out');
    const plan = planOf(design, { giveWay: GIVING_WAY });
    expect(plan.links.find(({ seeker }) => seeker.title === 'GNSS1 position')?.fit?.gives).toEqual({
      way: 'level-shifter',
      why: expect.stringContaining('5 V'),
    });
    const { edit } = takePlan(graphOf(design), plan);
    if (edit === undefined) throw new Error('Nothing is taken.');
    const after = made(design, edit);
    expect(findingsBy(after, 'wire.level')).toEqual([]);
    expect(stateOf(after, `position.${itemOf(design, 'GNSS1').id}`)).toBe('agrees');
  });

  it('is not put in where nothing feeds it: then the link is not wired at all, and the plan says why', () => {
    const { design } = bench('controller-8-bit-carrier', 'gnss-serial');
    const { edit, undone } = takePlan(graphOf(design), planOf(design, { giveWay: GIVING_WAY }));
    expect(undone.map(({ why }) => why)).toEqual(['no supply beside the wire for the converter']);
    const after = edit === undefined ? design : made(design, edit);
    expect(Object.values(after.aircraft.cables)).toEqual([]);
  });

  it('is a step that helps where a board is short', () => {
    const design = withoutRcInput();
    const steps = relaxationsOf(graphOf(design), planOf(design));
    expect(steps.find(({ is }) => is === 'inverter')).toEqual(expect.objectContaining({ label: 'Insert an inverter', isEnough: true }));
  });
});

describe('a row of pins with several ports', () => {
  const { design } = bench('controller-f7-rows', 'gnss-serial', 'radio-900-class', 'compass-i2c-fixed');
  const { edit, undone } = takePlan(graphOf(design), planOf(design));
  const after = edit === undefined ? design : made(design, edit);

  it('takes each link on its own pins, with a plug that covers no pin of another', () => {
    expect(undone).toEqual([]);
    expect(integrityOf(after)).toEqual([]);
    for (const { state, kind } of chainsOf(graphOf(after)))
      if (kind.goals[0] === 'controller' && kind.id !== 'telemetry') expect([kind.id, state.is]).toEqual([kind.id, 'agrees']);
    expect(findingsOf(after).filter(({ check }) => check.startsWith('link.protocol') || check === 'wire.contention')).toEqual([]);
  });

  it('gives each device its ground and its supply, from elsewhere in the row where none is free beside its pins', () => {
    const parts = ['gnss-serial', 'radio-900-class', 'rangefinder-serial-40m', 'compass-i2c-fixed'];
    const full = bench('controller-f7-rows', ...parts).design;
    const { edit: all, undone: none } = takePlan(graphOf(full), planOf(full));
    const wired = all === undefined ? full : made(full, all);
    expect(none).toEqual([]);
    const roles = runsOf(graphOf(wired))
      .filter(({ a, b }) => a.ref === 'MAG1' || b.ref === 'MAG1')
      .flatMap(({ joins }) => joins.flatMap(({ a, b }) => [a, b].filter(({ ref }) => ref === 'MAG1').map(({ pin }) => pin.role)));
    expect([...new Set(roles)].sort()).toEqual(['gnd', 'scl', 'sda', 'supply-in']);
    expect(findingsBy(wired, 'wire.no-common-ground')).toEqual([]);
  });
});

describe('a port that a person wants a link on', () => {
  const { design } = bench('controller-h7-carrier', 'radio-900-class', 'companion-small-5v', 'gnss-compass-i2c');
  const [fc, radio, companion, gnss] = ['FC1', 'RADIO1', 'CC1', 'GNSS1'].map((ref) => itemOf(design, ref).id);
  if (fc === undefined || radio === undefined || companion === undefined || gnss === undefined) throw new Error('An item is missing.');
  const pin = (one: Design, link: string, endpoint: string): Design =>
    made(one, { kind: 'set-link-port', link, port: { item: fc, endpoint }, was: null });

  it('is kept in the document, and obeyed', () => {
    const pinned = pin(design, `telemetry.${radio}`, 'C');
    expect(homes(design)['RADIO1 telemetry']).not.toBe('FC1 aux C');
    expect(homes(pinned)['RADIO1 telemetry']).toBe('FC1 aux C');
    expect(pinned.aircraft.links[`telemetry.${radio}`]).toEqual({ port: { item: fc, endpoint: 'C' } });
  });

  it('leaves the other out where two want one, says so, and is released as a step that helps', () => {
    const both = pin(pin(design, `telemetry.${radio}`, 'C'), `companion.${companion}`, 'C');
    expect(Object.values(homes(both)).filter((home) => home === 'left out')).toHaveLength(1);
    expect(everyLinkFits(graphOf(both))).toBe(false);
    const steps = relaxationsOf(graphOf(both), planOf(both));
    const released = steps.find(({ is }) => is === 'any-port');
    if (released === undefined) throw new Error('Nothing is released.');
    expect(Object.values(homes(made(both, released.edit)))).not.toContain('left out');
  });

  it('goes with its controller, and with a board that has no such port; what says nothing then is not kept', () => {
    const pinned = pin(design, `telemetry.${radio}`, 'C');
    expect(made(pinned, { kind: 'remove-item', item: fc }).aircraft.links).toEqual({});
    const signed = made(pinned, { kind: 'set-link-flag', link: `telemetry.${radio}`, flag: 'signed', on: true, was: false });
    expect(made(signed, { kind: 'remove-item', item: fc }).aircraft.links).toEqual({ [`telemetry.${radio}`]: { signed: true } });
  });

  it('is named as people type it, with the links of the item that fit there; or why none does', () => {
    const graph = graphOf(design);
    expect(portChoices(graph, gnss, 'pos e')).toEqual([
      expect.objectContaining({ title: 'FC1 pos E', links: ['GNSS1 position', 'GNSS1 compass'], why: undefined }),
    ]);
    const [choice] = portChoices(graph, gnss, 'fc1 pos f');
    if (choice?.edit === undefined) throw new Error('There is no such port.');
    expect(homes(made(design, choice.edit))).toMatchObject({ 'GNSS1 position': 'FC1 pos F', 'GNSS1 compass': 'FC1 pos F I2C' });
    expect(portChoices(graph, gnss, 'can 1')[0]).toEqual(
      expect.objectContaining({ links: [], edit: undefined, why: 'another kind of port' }),
    );
    expect(portChoices(graph, gnss, 'nothing of the kind')).toEqual([]);
    expect(portChoices(graph, fc, 'pos e')[0]?.why).toBe('it has no link that ends at a controller');
  });
});

describe('a link that moves', () => {
  it('leaves the loom that feeds its device as it is: only the branch to the old port goes', () => {
    const one = powered('companion-small-5v', 'regulator-buck-5v-3a');
    one.wire('CC1 header', 'FC1 S6');
    const joined = planJoin(graphOf(one.design), portOfItem(one.design, 'BEC1', 'out'), portOfItem(one.design, 'CC1', 'header'), 'meaning');
    if (joined === undefined) throw new Error('The regulator cannot be joined.');
    const design = made(one.design, joined);
    const runs = (of: Design): readonly string[] =>
      runsOf(graphOf(of)).map(({ a, b }) => [`${a.ref} ${a.port.id}`, `${b.ref} ${b.port.id}`].sort().join(', '));
    expect(runs(design)).toEqual(expect.arrayContaining(['BEC1 out, CC1 header', 'CC1 header, FC1 S6']));
    const plan = planOf(design);
    expect(homes(design)['CC1 companion']).not.toBe('FC1 S6');
    const { edit, undone } = takePlan(graphOf(design), plan);
    if (edit === undefined) throw new Error('Nothing is taken.');
    const after = made(design, edit);
    expect([undone, integrityOf(after)]).toEqual([[], []]);
    expect(runs(after)).toContain('BEC1 out, CC1 header');
    expect(runs(after).filter((run) => run.includes('FC1 S6'))).toEqual([]);
    expect(stateOf(after, `companion.${itemOf(design, 'CC1').id}`)).not.toBe('not-joined');
  });

  it('leaves a second controller that hears the device by the same loom as it is', () => {
    const one = powered('controller-h7-carrier', 'radio-900-class');
    one.wire('RADIO1 UART', 'FC1 S6');
    const joined = planJoin(graphOf(one.design), portOfItem(one.design, 'RADIO1', 'UART'), portOfItem(one.design, 'FC2', 'A'), 'meaning');
    if (joined === undefined) throw new Error('The second controller cannot be joined.');
    const design = made(one.design, joined);
    const at = (of: Design, board: string): readonly string[] =>
      runsOf(graphOf(of)).flatMap(({ a, b }) => [a, b].filter(({ ref }) => ref === board).map(({ port }) => port.id));
    const plan = planOf(design, { pins: new Map([[`telemetry.${itemOf(design, 'RADIO1').id}`, `${itemOf(design, 'FC1').id} S1`]]) });
    const { edit } = takePlan(graphOf(design), plan);
    if (edit === undefined) throw new Error('Nothing is taken.');
    const after = made(design, edit);
    expect(integrityOf(after)).toEqual([]);
    expect([at(design, 'FC2').includes('A'), at(after, 'FC2').includes('A')]).toEqual([true, true]);
    expect([at(after, 'FC1').includes('S1'), at(after, 'FC1').includes('S6')]).toEqual([true, false]);
  });
});
