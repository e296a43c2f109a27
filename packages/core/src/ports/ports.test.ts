import { describe, expect, it } from '@jest/globals';
import { findingsOf } from '../checks/findingsOf.ts';
import type { Bench } from '../demo/bench.ts';
import { mudflat } from '../demo/mudflat.ts';
import { reedbed } from '../demo/reedbed.ts';
import { saltmarsh } from '../demo/saltmarsh.ts';
import { numbered } from '../dialects/numbered.ts';
import { integrityOf } from '../edits/integrity.ts';
import { graphOf } from '../graph/graphOf.ts';
import { chainsOf } from '../links/chains/chainsOf.ts';
import type { Design } from '../model/design.ts';
import { asId, type AircraftId, type ItemId } from '../model/ids.ts';
import { bench, withDialect } from '../test/checkCases/build.ts';
import { countingIds, itemOf, made } from '../test/designs.ts';
import { everyLinkFits } from './everyLinkFits.ts';
import { GIVING_WAY } from './fit.ts';
import { planPorts, type PlanWish, type PortPlan } from './planPorts.ts';
import { portBoard } from './portBoard.ts';
import { relaxationsOf } from './relaxations.ts';
import { takePlan } from './takePlan.ts';

function planOf(design: Design, wish?: PlanWish): PortPlan {
  const plan = planPorts(graphOf(design), wish);
  if (plan === undefined) throw new Error('There is no plan.');
  return plan;
}

/** The port of each link by its title; none for one that is left out. */
const portsOf = (design: Design, wish?: PlanWish): Readonly<Record<string, string>> =>
  Object.fromEntries(planOf(design, wish).links.map(({ seeker, fit }) => [seeker.title, fit?.port.title ?? 'left out']));

function taken(design: Design, wish?: PlanWish): Design {
  const { edit, undone } = takePlan(graphOf(design), planOf(design, wish));
  expect(undone).toEqual([]);
  return edit === undefined ? design : made(design, edit);
}

/** The board with ten devices that are wired to nothing. */
const TEN = [
  'receiver-crsf-full',
  'gnss-compass-i2c',
  'gnss-serial',
  'airspeed-can-7k',
  'rangefinder-i2c-12m',
  'radio-900-class',
  'companion-small-5v',
  'video-air-unit-digital',
  'payload-gimbal-serial',
  'power-module-analog-60a',
];
const ten = (board = 'controller-h7-carrier'): Bench => bench(board, ...TEN);
const demos: Readonly<Record<string, Design>> = {
  Saltmarsh: saltmarsh(asId<AircraftId>('saltmarsh'), countingIds()),
  Mudflat: mudflat(asId<AircraftId>('mudflat'), countingIds()),
  Reedbed: reedbed(asId<AircraftId>('reedbed'), countingIds()),
};

describe('the ports of an aircraft', () => {
  it('are given to ten devices that are wired to nothing, and each link holds once the plan is taken', () => {
    const { design } = ten();
    expect(portsOf(design)).toEqual({
      'RX1 RC control': 'FC1 rc in',
      'GNSS1 position': 'FC1 pos E',
      'GNSS2 position': 'FC1 pos F',
      'GNSS1 compass': 'FC1 pos E I2C',
      'ASPD1 airspeed': 'FC1 CAN 1',
      'RNG1 height above ground': 'FC1 pos F I2C',
      'RADIO1 telemetry': 'FC1 link A',
      'CC1 companion': 'FC1 link B',
      'VTX1 on-screen display': 'FC1 aux C',
      'PM1 battery': 'FC1 power 2',
      'PAY1 payload': 'FC1 aux D',
    });
    const after = taken(design);
    expect(integrityOf(after)).toEqual([]);
    const states = chainsOf(graphOf(after)).filter(({ kind }) => kind.goals[0] === 'controller');
    expect(states.filter(({ state }) => state.is !== 'agrees').map(({ state }) => state)).toEqual([]);
    expect(takePlan(graphOf(after), planOf(after)).edit).toBeUndefined();
  });

  it('stay as they are where all is well', () => {
    const { Saltmarsh } = demos;
    if (Saltmarsh === undefined) throw new Error('There is no Saltmarsh.');
    const plan = planOf(Saltmarsh);
    expect(plan.links.filter(({ fit, seeker }) => fit === undefined || seeker.now === undefined)).toEqual([]);
    expect(takePlan(graphOf(Saltmarsh), plan).edit).toBeUndefined();
  });

  it.each(Object.entries(demos))('of %s are planned, and the plan taken brings no link of it into worse', (_, design) => {
    const broken = (one: Design): readonly string[] =>
      chainsOf(graphOf(one)).flatMap(({ key, state }) => (state.is === 'breaks' || state.is === 'not-joined' ? [key] : []));
    const after = taken(design);
    expect(integrityOf(after)).toEqual([]);
    expect(broken(after).filter((key) => !broken(design).includes(key))).toEqual([]);
    const stops = (one: Design): readonly string[] => findingsOf(one).flatMap(({ severity, what }) => (severity === 'stop' ? [what] : []));
    expect(stops(after).filter((what) => !stops(design).includes(what))).toEqual([]);
  });

  it('do not hang on the order of items or on ids', () => {
    for (const board of ['controller-h7-carrier', 'controller-f4-wing', 'controller-f7-mini']) {
      const { design } = ten(board);
      const items = Object.values(design.aircraft.items).map((item, i) => ({
        ...item,
        id: asId<ItemId>(`${'zyxwvutsrqponm'[i] ?? ''}${i}`),
      }));
      const turned: Design = {
        ...design,
        aircraft: { ...design.aircraft, items: Object.fromEntries(items.reverse().map((item) => [item.id, item])) },
      };
      expect(portsOf(turned)).toEqual(portsOf(design));
    }
  });

  it('are those that a person insists on', () => {
    const { design } = ten();
    const radio = `telemetry.${itemOf(design, 'RADIO1').id}`;
    const board = itemOf(design, 'FC1').id;
    expect(portsOf(design, { pins: new Map([[radio, `${board} C`]]) })).toMatchObject({
      'RADIO1 telemetry': 'FC1 aux C',
      'CC1 companion': 'FC1 link A',
    });
    const second = `companion.${itemOf(design, 'CC1').id}`;
    const both = planOf(design, { pins: new Map([radio, second].map((key) => [key, `${board} C`])) });
    expect(both.links.filter(({ fit }) => fit === undefined)).toHaveLength(1);
  });

  it('leave out as few links as can be where the board is short, and say why each is not elsewhere', () => {
    const { design } = ten('controller-f4-wing');
    const plan = planOf(design);
    const left = plan.links.filter(({ fit }) => fit === undefined);
    expect(left.length).toBeGreaterThan(0);
    expect(plan.cells.flat().filter((cell) => 'is' in cell && cell.why === '')).toEqual([]);
    for (const { dearerThan } of left)
      for (const { by, port } of dearerThan) expect([port.title, by?.title]).not.toEqual([port.title, undefined]);
  });

  it('that are short get single steps that help, each tried: no step that helps is dearer in links than it says', () => {
    const { design } = ten('controller-f4-wing');
    const plan = planOf(design);
    const steps = relaxationsOf(graphOf(design), plan);
    expect(steps.length).toBeGreaterThan(1);
    const leftOut = (one: PortPlan): readonly string[] =>
      one.links.filter(({ fit }) => fit === undefined).map(({ seeker }) => seeker.title);
    for (const { edit, label, is } of steps) {
      const after = planOf(made(design, edit), { giveWay: GIVING_WAY.filter((way) => way === is) });
      expect([label, leftOut(after).length < leftOut(plan).length]).toEqual([label, true]);
    }
    expect(relaxationsOf(graphOf(ten().design), planOf(ten().design))).toEqual([]);
  });

  it('are searched for only where one after the other does not do: where it does, no plan leaves a needed link out', () => {
    const needed = (design: Design): number =>
      planOf(design).links.filter(({ fit, seeker }) => fit === undefined && seeker.isNeeded).length;
    const boards = ['controller-h7-carrier', 'controller-f4-wing', 'controller-f7-mini', 'controller-h7-wing', 'controller-8-bit-carrier'];
    const tried = boards.flatMap((board) =>
      TEN.map((_, i): readonly [boolean, number] => {
        const { design } = bench(board, ...TEN.slice(0, i + 1));
        return [everyLinkFits(graphOf(design)), needed(design)];
      }),
    );
    expect(tried.filter(([fits, left]) => fits && left > 0)).toEqual([]);
    expect(tried.filter(([fits]) => fits).length).toBeGreaterThan(10);
    expect(tried.filter(([fits, left]) => !fits && left > 0).length).toBeGreaterThan(5);
    expect(Object.values(demos).map((design) => everyLinkFits(graphOf(design)))).toEqual([true, true, false]);
  });

  it('say how far from the best they may be where the search is stopped', () => {
    const { design } = bench('controller-h7-carrier', ...TEN, ...TEN);
    const stoppedAfter = (steps: number): string | undefined => {
      let asked = 0;
      const board = portBoard(graphOf(design), { patience: { isOver: () => ++asked > steps } });
      return board?.proof.is === 'stopped' ? board.summary : undefined;
    };
    const [said] = [1, 2, 4, 8, 16, 32, 64, 128, 256, 512].flatMap((steps) => stoppedAfter(steps) ?? []);
    expect(said).toMatch(/The search was stopped: a better plan would cost at most \d+ less, of \d+\.$/);
  });

  it('keep to what the firmware takes: a role once, so many of MAVLink', () => {
    const one = bench(
      'controller-h7-carrier',
      'radio-900-class',
      'radio-433-class',
      'companion-small-5v',
      'companion-small-5v',
      'radio-hopping-long-range',
    );
    const links = planOf(withDialect(one.design, numbered)).links.filter(({ fit }) => fit !== undefined);
    expect(links).toHaveLength(4);
    expect(planOf(one.design).links.filter(({ fit }) => fit !== undefined).length).toBeGreaterThanOrEqual(links.length);
  });

  it('need a controller: without one every link is left out, with two each link has a port of either', () => {
    const none = planOf(bench('gnss-serial', 'radio-900-class').design);
    expect([none.ports, none.links.filter(({ fit }) => fit !== undefined)]).toEqual([[], []]);
    const two = planOf(bench('controller-f4-wing', 'controller-f4-wing', ...TEN).design);
    expect(new Set(two.links.flatMap(({ fit }) => fit?.port.entry.item.ref ?? [])).size).toBe(2);
  });
});
