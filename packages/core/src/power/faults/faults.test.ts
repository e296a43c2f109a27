import { describe, expect, it } from '@jest/globals';
import { Bench } from '../../demo/bench.ts';
import { demoAircraft } from '../../demo/demoAircraft.ts';
import { mudflat } from '../../demo/mudflat.ts';
import { saltmarsh } from '../../demo/saltmarsh.ts';
import { graphOf } from '../../graph/graphOf.ts';
import type { Design } from '../../model/design.ts';
import { asId, type AircraftId } from '../../model/ids.ts';
import { shipped } from '../../edits/library.ts';
import { newAircraft } from '../../edits/newAircraft.ts';
import { solveScenarios, voltsAcross } from '../scenarios/solveScenario.ts';
import { aliveItems } from './aliveItems.ts';
import { areFedAlike, faultyCircuit, fromRunning, solveFault } from './solveFault.ts';
import { powerNetwork } from '../network/powerNetwork.ts';
import { abilitiesOf, crewOf } from './abilities.ts';
import { faultReport } from './faultReport.ts';
import { faultsOf } from './faultsOf.ts';
import { lostWords } from './lostWords.ts';
import { faultSteps, faultSweep, type FaultLine } from './faultSweep.ts';

let made = 0;
const makeId = (): string => `f${++made}`;
const salt = saltmarsh(asId<AircraftId>('saltmarsh'), makeId);
const sweep = faultSweep(graphOf(salt));

function lineOf(name: string, lines: readonly FaultLine[] = sweep.lines): FaultLine {
  const found = lines.find(({ names }) => names.includes(name));
  if (found === undefined) throw new Error(`There is no fault "${name}".`);
  return found;
}

describe('the faults of a network', () => {
  it('are each there once by what they do, and named by all that does it', () => {
    for (const { id, build } of demoAircraft) {
      const faults = faultsOf(powerNetwork(graphOf(build(asId<AircraftId>(id), makeId))));
      const effects = faults.map(({ effect }) => JSON.stringify(effect));
      expect(new Set(effects).size).toBe(effects.length);
      const ids = faults.map((fault) => fault.id);
      expect(ids.filter((one, i) => ids.indexOf(one) !== i)).toEqual([]);
    }
    expect(lineOf('W13 pulled at SRV5 lead').names).toContain('W13 pulled at FC1 main 5');
  });

  it('count both wires of a load and its plug as one, where they lead to nothing else', () => {
    expect(lineOf('W09 wire 2 (red) open').names).toEqual([
      'W09 wire 2 (red) open',
      'W09 wire 3 (black) open',
      'W09 pulled at FC1 main 1',
      'W09 pulled at SRV1 lead',
    ]);
    // The ground of this one leads on to the controller.
    expect(lineOf('W08 wire 2 (red) open').names).not.toContain('W08 wire 3 (black) open');
  });

  it('cover every pack, regulator, motor controller, load and power wire', () => {
    for (const name of [
      'BAT1 lost',
      'BEC1 buck off',
      'BEC1 buck failed shorted',
      'ESC1 dead',
      'GNSS1 receiver shorted',
      'W08 wire 2 (red) open',
      'W08 wire 3 (black) open',
    ]) {
      expect(lineOf(name).id).toBeTruthy();
    }
  });
});

describe('what a fault takes in any wiring', () => {
  it('goes by the wires, not by the loom that they are in', () => {
    const bench = new Bench(asId<AircraftId>('loom'), 'Loom', makeId);
    for (const part of ['battery-lipo-6s-10000', 'distribution-plain-bus', 'regulator-buck-5v-3a', 'motor-controller-80a-opto'])
      bench.add(part, '');
    bench.wire('BAT1 main', 'PWR1 battery', 'meaning', 100);
    bench.wire('PWR1 b1', 'BEC1 in', 'meaning', 100);
    bench.branch('ESC1 power', 1, 1, 'red', 100);
    bench.strap('PWR1 b2', 'ESC1 power', 2, 100);
    const graph = graphOf(bench.design);
    const refs = faultsOf(powerNetwork(graph)).flatMap(({ names, takes: taken }) => {
      const items = taken.is === 'items' ? taken.items.map((item) => graph.items[item]?.item.ref) : [taken.is];
      return names.filter((name) => name.startsWith('W0')).map((name) => `${name}: ${items.join(' ')}`);
    });
    expect(refs.sort()).toEqual([
      'W01 pulled at BAT1 main: pack',
      'W01 pulled at PWR1 battery: pack',
      'W01 wire 1 (red) open: pack',
      'W01 wire 2 (black) open: pack',
      'W02 pulled at BEC1 in: ',
      'W02 pulled at ESC1 power: ESC1',
      'W02 pulled at PWR1 branch 1: ESC1',
      'W02 wire 1 to BEC1 1 (red) open: ',
      'W02 wire 1 to ESC1 1 (red) open: ESC1',
      'W02 wire 2 (black) open: ',
      'W03 pulled at ESC1 power: ESC1',
      'W03 pulled at PWR1 branch 2: ESC1',
      'W03 wire 2 (black) open: ESC1',
    ]);
  });
});

describe('pieces in series', () => {
  it('take what the dearest of them takes, whichever is named first', () => {
    const bench = new Bench(asId<AircraftId>('series'), 'Series', makeId);
    for (const part of ['battery-lipo-6s-10000', 'distribution-plain-bus', 'distribution-plain-bus', 'motor-controller-80a-opto'])
      bench.add(part, '');
    // The tags are given in this order: the middle first, then the pack, then the end.
    bench.wire('PWR1 b1', 'PWR2 battery', 'meaning', 100);
    bench.wire('PWR2 b1', 'ESC1 power', 'meaning', 100);
    bench.wire('BAT1 main', 'PWR1 battery', 'meaning', 100);
    const wires = faultsOf(powerNetwork(graphOf(bench.design))).filter(({ names }) => names[0]?.endsWith('open') === true);
    expect(wires.map(({ names }) => names.length)).toEqual([3, 3]);
    expect(wires.map(({ takes }) => takes.is)).toEqual(['pack', 'pack']);
  });
});

describe('a fault that is followed from the intact aircraft', () => {
  it('comes to what a running start of the faulty aircraft comes to, on every demo and in every situation', () => {
    let followed = 0;
    for (const design of demoAircraft.map(({ id, build }) => build(asId<AircraftId>(id), makeId))) {
      for (const base of solveScenarios(graphOf(design))) {
        for (const fault of faultsOf(base.network)) {
          const quick = solveFault(base, fault);
          const whole = fromRunning(base.network, faultyCircuit(base.circuit, fault));
          if (quick.before === quick.after && whole.before.iterations !== quick.before.iterations) followed++;
          const what = `${design.aircraft.name} ${base.scenario.id} ${fault.id}`;
          expect([what, quick.falls.map(({ device }) => device)]).toEqual([what, whole.falls.map(({ device }) => device)]);
          expect([what, ...aliveItems(base, quick)]).toEqual([what, ...aliveItems(base, whole)]);
          base.network.devices.forEach(({ kind }, device) => {
            const off = Math.abs(voltsAcross(base.network, quick.after, device) - voltsAcross(base.network, whole.after, device));
            if (kind !== 'draw' || quick.dark.includes(device) || whole.dark.includes(device)) return;
            expect([what, device, off < 1e-5 || off]).toEqual([what, device, true]);
          });
        }
      }
    }
    expect(followed).toBeGreaterThan(450);
  });

  it('comes to the same by way of a situation that is fed alike', () => {
    const bases = solveScenarios(graphOf(salt));
    const [cruise, storm] = ['cruise', 'servo-storm'].map((wanted) => bases.find(({ scenario }) => scenario.id === wanted));
    const full = bases.find(({ scenario }) => scenario.id === 'battery-bench');
    if (cruise === undefined || storm === undefined || full === undefined) throw new Error('A situation is missing.');
    expect([areFedAlike(cruise, storm), areFedAlike(cruise, full)]).toEqual([true, false]);
    let darkened = 0;
    for (const fault of faultsOf(cruise.network)) {
      const alone = solveFault(storm, fault);
      const after = solveFault(storm, fault, solveFault(cruise, fault));
      expect([fault.id, ...after.dark]).toEqual([fault.id, ...alone.dark]);
      expect([fault.id, ...after.after.volts]).toEqual([fault.id, ...alone.after.volts]);
      if (alone.dark.length > 0) darkened++;
    }
    expect(darkened).toBeGreaterThan(10);
  });

  it('lets start what the fault lets start: a regulator whose input was too low, behind one that puts its input through', () => {
    const bench = new Bench(asId<AircraftId>('chain'), 'Chain', makeId);
    for (const part of [
      'battery-lipo-4s-5000',
      'distribution-plain-bus',
      'regulator-buck-5v-3a',
      'regulator-buck-9v-2a',
      'servo-9g-digital',
    ])
      bench.add(part, '');
    bench.wire('BAT1 main', 'PWR1 battery', 'meaning', 100);
    bench.wire('PWR1 b1', 'BEC1 in', 'meaning', 100);
    // Less than it starts at, so that nobody proposes it.
    bench.wire('BEC1 out', 'BEC2 in', 'none', 100);
    bench.join(2, 1, 24, 'red');
    bench.join(3, 2, 24, 'black');
    bench.wire('BEC2 out', 'SRV1 lead', 'meaning', 100);
    // More than the servo stands, so that nobody proposes it.
    bench.join(2, 2, 24, 'orange');
    const base = solveScenarios(graphOf(bench.design)).find(({ scenario }) => scenario.id === 'cruise');
    if (base === undefined) throw new Error('There is no cruise.');
    const servo = base.network.devices.findIndex(({ kind }) => kind === 'draw');
    const fault = faultsOf(base.network).find(({ id }) => id === 'BEC1 buck failed shorted');
    if (fault === undefined) throw new Error('There is no such fault.');
    expect(voltsAcross(base.network, base.before, servo)).toBeCloseTo(0, 3);
    expect(voltsAcross(base.network, solveFault(base, fault).before, servo)).toBeGreaterThan(8.5);
  });
});

describe('what a fault costs', () => {
  it('an intact aircraft has all four abilities', () => {
    expect([...sweep.abilities].sort()).toEqual(['control', 'link', 'navigation', 'propulsion']);
  });

  it('the only pack takes everything, its only regulator control; with a second of each neither does', () => {
    const { items: all, ...rest } = salt.aircraft;
    const items = Object.fromEntries(Object.entries(all).filter(([, { ref }]) => !['BAT2', 'BEC3', 'PWR3'].includes(ref)));
    const cables = Object.fromEntries(Object.entries(rest.cables).filter(([, { tag }]) => !['W25', 'W26', 'W28'].includes(tag)));
    const { lines } = faultSweep(graphOf({ ...salt, aircraft: { ...rest, items, cables } }));
    const all4 = expect.arrayContaining(['control', 'propulsion', 'navigation', 'link']);
    expect(lineOf('BAT1 lost', lines)).toMatchObject({ class: 'critical', lost: all4, isInherent: true });
    expect(lineOf('BEC1 buck off', lines)).toMatchObject({ class: 'critical', lost: ['control'], isInherent: false });
    expect(lineOf('BAT1 lost').lost).not.toContain('control');
    expect(lineOf('BEC1 buck off')).toMatchObject({ class: 'latent', lost: [] });
  });

  it('what has lost its return is dead, though its supply still stands at its pin', () => {
    expect(lineOf('W16 wire 2 (black) open').dead).toEqual(['RX1']);
    expect(lineOf('W17 wire 6 (black) open')).toMatchObject({ class: 'minor', dead: ['GNSS1'], lost: ['navigation'] });
    let darkened = 0;
    for (const { id, build } of demoAircraft) {
      const graph = graphOf(build(asId<AircraftId>(id), makeId));
      const base = solveScenarios(graph).find(({ scenario }) => scenario.id === 'cruise');
      if (base === undefined) throw new Error('There is no cruise.');
      for (const fault of faultsOf(base.network)) {
        const result = solveFault(base, fault);
        const alive = aliveItems(base, result);
        const living = result.dark.filter((device) => alive[base.network.devices[device]?.device.item ?? -1] === 1);
        expect([fault.id, ...living]).toEqual([fault.id]);
        darkened += result.dark.length;
      }
    }
    expect(darkened).toBeGreaterThan(20);
  });

  it('is judged in no other situation once it is critical', () => {
    const critical = sweep.lines.filter((line) => line.class === 'critical').length;
    expect(sweep.judged).toBe(2 * sweep.lines.length);
    expect(sweep.solves).toBe(sweep.judged - critical);
  });

  it('the motor controller takes propulsion alone, the GNSS lead navigation', () => {
    expect(lineOf('ESC1 dead')).toMatchObject({ class: 'minor', lost: ['propulsion'], dead: ['ESC1'] });
    expect(lineOf('W17 pulled at GNSS1 main')).toMatchObject({ class: 'minor', lost: ['navigation'] });
  });

  it('on Saltmarsh every critical fault is inherent: one controller, two V-tail surfaces that both are needed, what feeds them', () => {
    const critical = sweep.lines.filter((line) => line.class === 'critical');
    expect(critical.filter((line) => !line.isInherent).map(({ id }) => id)).toEqual([]);
    expect(critical.map(({ id }) => id)).toEqual(
      expect.arrayContaining(['FC1 logic shorted', 'SRV5 servo shorted', 'BEC1 buck failed shorted']),
    );
    expect(sweep.lines.filter((line) => line.class === 'major' && !line.isInherent)).toEqual([]);
  });

  it('one of two ailerons is enough, one of two V-tail surfaces is not', () => {
    expect(lineOf('W09 pulled at SRV1 lead').lost).toEqual([]);
    expect(lineOf('W13 pulled at SRV5 lead').lost).toEqual(['control']);
  });

  it('the controller falls over to the servo rail when its own supply is lost, and says so', () => {
    const line = lineOf('PM1 reg-5v off');
    expect(line.class).toBe('latent');
    expect(line.dead).not.toContain('FC1');
    const report = faultReport(graphOf(salt), 'cruise', line.id);
    expect(report?.loads.find(({ ref, element }) => `${ref} ${element}` === 'FC1 logic')?.state).toBe('on');
    expect(report?.supplies.find(({ ref, element }) => `${ref} ${element}` === 'PM1 reg-5v')?.state).toBe('off');
  });

  it('the worst come first', () => {
    const classes = sweep.lines.map((line) => line.class);
    expect(classes.indexOf('minor')).toBeGreaterThan(classes.lastIndexOf('critical'));
    expect(classes.indexOf('none')).toBeGreaterThan(classes.lastIndexOf('latent'));
  });

  it('hovering needs all four lift motors, cruising none of them', () => {
    const { lines } = faultSweep(graphOf(mudflat(asId<AircraftId>('mudflat'), makeId)));
    expect(lineOf('ESC1 dead', lines)).toMatchObject({ class: 'critical', scenario: 'hover', dead: ['ESC1'] });
    expect(lineOf('ESC5 dead', lines)).toMatchObject({ class: 'minor', scenario: 'cruise', lost: ['propulsion'] });
  });

  it('can be left in the middle, and an empty aircraft has none', () => {
    const steps = faultSteps(graphOf(salt));
    expect(steps.next()).toMatchObject({ done: false, value: expect.any(Number) });
    const empty: Design = { aircraft: newAircraft(asId<AircraftId>('e'), 'Empty'), ...shipped };
    expect(faultSweep(graphOf(empty)).lines).toEqual([]);
    expect(faultReport(graphOf(empty), 'cruise', 'BAT1 lost')).toBeUndefined();
  });
});

describe('abilities', () => {
  it('need the controller, and one way to be told where to go', () => {
    const crew = crewOf(graphOf(salt));
    const alive = new Uint8Array(crew.graph.items.length).fill(1);
    const kill = (ref: string, from: Uint8Array = alive): Uint8Array => {
      const copy = from.slice();
      copy[crew.graph.items.findIndex(({ item }) => item.ref === ref)] = 0;
      return copy;
    };
    expect(abilitiesOf(crew, kill('FC1'), 'cruise')).toEqual(new Set(['link']));
    expect(abilitiesOf(crew, kill('RX1'), 'cruise').has('control')).toBe(true);
    expect(abilitiesOf(crew, kill('RX1', kill('GNSS1')), 'cruise').has('control')).toBe(false);
  });

  it('one regulator for a flying wing is one failure from losing it; two behind diodes are not', () => {
    const wing = (hasSecond: boolean): Design => {
      const bench = new Bench(asId<AircraftId>('wing'), 'Wing', makeId);
      bench.add('controller-h7-carrier', 'controller');
      bench.add('battery-lipo-4s-5000', 'pack');
      bench.add('distribution-plain-bus', 'bus');
      bench.add('power-module-i2c-120a', 'controller supply');
      bench.wire('BAT1 main', 'PM1 battery', 'meaning', 100);
      bench.wire('PM1 load', 'PWR1 battery', 'meaning', 100);
      bench.wire('PM1 out', 'FC1 PWR1', 'meaning', 100);
      bench.add('regulator-buck-5v-3a', 'rail');
      bench.wire('PWR1 b1', 'BEC1 in', 'meaning', 100);
      if (hasSecond) {
        bench.add('regulator-buck-5v-3a', 'rail');
        bench.add('combiner-two-inputs', 'either');
        bench.wire('PWR1 b2', 'BEC2 in', 'meaning', 100);
        bench.wire('BEC1 out', 'PWR2 A', 'meaning', 100);
        bench.wire('BEC2 out', 'PWR2 B', 'meaning', 100);
        bench.wire('PWR2 out', 'FC1 m8', 'meaning', 100);
      } else bench.wire('BEC1 out', 'FC1 m8', 'meaning', 100);
      (['elevon-left', 'elevon-right'] as const).forEach((use, i) => {
        bench.add('servo-12g-metal', use);
        bench.wire(`SRV${i + 1} lead`, `FC1 m${i + 1}`, 'meaning', 300);
        bench.assign('FC1', `m${i + 1}`, use);
      });
      bench.add('receiver-sbus-telemetry', 'RC');
      bench.wire('RX1 main', 'FC1 RC', 'meaning', 100);
      return bench.design;
    };
    expect(lineOf('BEC1 buck off', faultSweep(graphOf(wing(false))).lines).class).toBe('critical');
    const twice = faultSweep(graphOf(wing(true))).lines;
    expect(lineOf('BEC1 buck off', twice)).toMatchObject({ class: 'latent', lost: [] });
  });
});

describe('while outputs have no functions yet', () => {
  const { lines } = faultSweep(graphOf({ ...salt, aircraft: { ...salt.aircraft, outputs: {} } }));

  it('nobody can tell whether a fault costs control that takes what steers', () => {
    const critical = sweep.lines.filter((line) => line.class === 'critical');
    expect(critical.some(({ dead }) => dead.includes('FC1'))).toBe(true);
    for (const { id } of critical) expect([id, lines.find((line) => line.id === id)?.class]).toEqual([id, 'unknown']);
    expect(lines[0]?.class).toBe('unknown');
    expect(lines[0] === undefined ? '' : lostWords(lines[0])).toMatch(/^control: unknown/);
    expect(lostWords(lineOf('W17 pulled at GNSS1 main'))).toBe('navigation');
    expect(sweep.lines.some((line) => line.class === 'unknown')).toBe(false);
  });

  it('what takes nothing that steers is judged as ever', () => {
    expect(lineOf('W17 pulled at GNSS1 main', lines)).toMatchObject({ class: 'minor', lost: ['navigation'] });
  });
});
