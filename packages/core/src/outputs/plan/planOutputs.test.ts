import { describe, expect, it } from '@jest/globals';
import { remediesOf, findingsOf } from '../../checks/findingsOf.ts';
import { mudflat } from '../../demo/mudflat.ts';
import type { Bench } from '../../demo/bench.ts';
import { roleTable } from '../../dialects/roleTable.ts';
import { applyEdit } from '../../edits/applyEdit.ts';
import { graphOf } from '../../graph/graphOf.ts';
import { documentKinds } from '../../formats/documentKinds.ts';
import type { Design } from '../../model/design.ts';
import { asId, type AircraftId } from '../../model/ids.ts';
import { LIFT_FUNCTIONS, OUTPUT_FUNCTIONS, outputFunctions, type OutputFunction } from '../../model/outputFunctions.ts';
import { outputKey } from '../../model/outputPlan.ts';
import { settingsOf } from '../../model/settingsOf.ts';
import { withDialect } from '../../test/checkCases/build.ts';
import { countingIds, emptyBench, findingsBy, itemOf, made } from '../../test/designs.ts';
import { withLoom } from '../../test/looms.ts';
import { busServos, functionSeekers } from './functionSeekers.ts';
import { moveFunction } from './moveFunction.ts';
import { outputBoards, type OutputBoard } from './outputBoard.ts';
import { planOutputs } from './planOutputs.ts';
import { racksOf, slotsIn, type Slot } from './racks.ts';
import { takeOutputs } from './takeOutputs.ts';

const demo = (): Design => mudflat(asId<AircraftId>('mudflat'), countingIds('mud'));

function board(design: Design): OutputBoard {
  const found = outputBoards(graphOf(design))[0];
  if (found === undefined) throw new Error('There is no controller with outputs.');
  return found;
}

function taken(design: Design): Design {
  const { edit } = board(design);
  return edit === undefined ? design : made(design, edit);
}

const placeOf = (design: Design, name: OutputFunction): string | undefined =>
  board(design).rows.find((row) => row.function === name)?.planned;
const useAt = (design: Design, output: string) => design.aircraft.outputs[outputKey(itemOf(design, 'FC1').id, output)];
const bankAt = (design: Design, bank: string) => design.aircraft.banks[outputKey(itemOf(design, 'FC1').id, bank)];

/** The outputs of all controllers. */
const slotsOf = (design: Design): readonly Slot[] => racksOf(graphOf(design)).flatMap(slotsIn);

/** A wing with what it needs, wired to these outputs of the small wing board: banks A (1, 2), B (3, 4), C (5, 6). */
function wing(left: string, servo = 'servo-9g-digital'): Bench {
  const bench = emptyBench();
  bench.add('controller-f4-wing', 'flight controller');
  bench.add(servo, 'left elevon');
  bench.add(servo, 'right elevon');
  bench.add('motor-controller-20a-6s', 'pusher');
  bench.wire('SRV1 lead', `FC1 ${left}`);
  bench.wire('SRV2 lead', 'FC1 out3');
  bench.wire('ESC1 signal', 'FC1 out1');
  return bench;
}

describe('a plan of outputs', () => {
  it('leaves what is wired where it is, and banks that nobody needs whole', () => {
    const plan = board(demo());
    expect(plan.edit).toBeUndefined();
    expect(plan.rows.every(({ now, planned }) => now === planned)).toBe(true);
    expect(plan.banks.filter(({ planned }) => planned === undefined).map(({ id }) => id)).toEqual(['B', 'E']);
  });

  it('runs a bank as fast as the slowest on it, and lets motors have their own', () => {
    const design = taken(wing('out4').design);
    // DShot has no range to teach.
    expect(bankAt(design, 'A')).toMatchObject({ kind: 'dshot' });
    expect(bankAt(design, 'B')).toMatchObject({ kind: 'pwm', rateHz: 250 });
    expect(useAt(design, 'out1')?.function).toBe('throttle');
    // An analog servo beside the motor slows both.
    const slow = taken(wing('out2', 'servo-9g-analog').design);
    expect(bankAt(slow, 'A')).toMatchObject({ kind: 'pwm', rateHz: 50 });
  });

  it('goes by what a person holds', () => {
    const design = taken(wing('out4').design);
    const item = itemOf(design, 'FC1').id;
    const held = made(design, { kind: 'hold-output', item, output: 'out1', held: true, was: false });
    expect(placeOf(held, 'throttle')).toBe('out 1');
    // Held elsewhere than it is wired: the plug goes there.
    const moved = made(made(design, { kind: 'set-output-function', item, output: 'out1', function: null, was: 'throttle' }), {
      kind: 'set-output-function',
      item,
      output: 'out5',
      function: 'throttle',
      was: null,
    });
    expect(placeOf(moved, 'throttle')).toBe('out 1');
    const there = made(moved, { kind: 'hold-output', item, output: 'out5', held: true, was: false });
    expect(board(taken(there)).edit).toBeUndefined();
    expect(useAt(taken(there), 'out5')).toMatchObject({ function: 'throttle', held: true });
  });

  it('says which rule is in the way where something needed finds no output', () => {
    // Role table keeps outputs 1 and 2 of this board for motors of a twin; six functions for six outputs then find no place.
    const bench = emptyBench();
    bench.make({ kind: 'set-airframe', airframe: 'twin-motor', was: 'flying-wing' });
    bench.add('controller-f4-wing', 'flight controller');
    const design = withDialect(bench.design, roleTable);
    const payload = made(design, {
      kind: 'set-output-function',
      item: itemOf(design, 'FC1').id,
      output: 'out5',
      function: 'rudder',
      was: null,
    });
    const plan = board(payload);
    expect(plan.rows.filter(({ planned }) => planned === undefined)).toEqual([]);
    const motors = plan.rows.filter(({ function: name }) => OUTPUT_FUNCTIONS[name].drives === 'motor');
    expect(motors.map(({ planned }) => planned).sort()).toEqual(['out 1', 'out 2']);
    // A lift-and-cruise of eight motors has nine, and this firmware has eight.
    const nine = made(design, { kind: 'set-airframe', airframe: 'lift-and-cruise-8', was: 'twin-motor' });
    const left = board(nine).rows.find(({ function: name }) => name === 'motor-8');
    expect(left).toMatchObject({ planned: undefined, why: 'There are at most eight motors.' });
  });

  it('offers the fewest rules to let go of', () => {
    const bench = emptyBench();
    bench.make({ kind: 'set-airframe', airframe: 'twin-motor', was: 'flying-wing' });
    bench.add('controller-f4-wing', 'flight controller');
    let design = withDialect(bench.design, roleTable);
    const item = itemOf(design, 'FC1').id;
    // A motor is held on one of the free outputs, so that five surfaces and a motor have four places.
    design = made(design, { kind: 'set-output-function', item, output: 'out3', function: 'throttle-left', was: null });
    design = made(design, { kind: 'hold-output', item, output: 'out3', held: true, was: false });
    const { relaxations, rows } = board(design);
    expect(rows.some(({ planned, isNeeded }) => planned === undefined && isNeeded)).toBe(true);
    // That the firmware keeps outputs for motors is no rule of ours to let go of.
    expect(relaxations.map(({ sentence }) => sentence)).toEqual(['Move what is fixed to out 3: then left aileron gets an output.']);
    for (const { edit } of relaxations) {
      const after = made(design, edit);
      const uses = Object.values(after.aircraft.outputs).map((use) => use.function);
      expect(new Set(uses).size).toBe(6);
    }
  });

  it('counts servos on a bus by themselves', () => {
    const bench = emptyBench();
    bench.add('controller-h7-carrier', 'flight controller');
    bench.add('servo-25g-can', 'left elevon');
    const { design } = bench;
    const servo = itemOf(design, 'SRV1').id;
    const said = made(design, { kind: 'set-output-function', item: servo, output: 'CAN', function: 'elevon-left', was: null });
    expect(busServos(graphOf(said))).toEqual([expect.objectContaining({ function: 'elevon-left', node: undefined })]);
    const numbered = made(said, { kind: 'set-item-setting', item: servo, setting: 'CAN.node', value: 12, was: null });
    expect(busServos(graphOf(numbered))).toEqual([expect.objectContaining({ function: 'elevon-left', node: 12 })]);
    expect(functionSeekers(graphOf(said)).map((seeker) => seeker.function)).toEqual(['elevon-right', 'throttle']);
  });

  it('knows what is wired by what it is, and gives lights their data where a bank makes that', () => {
    const bench = emptyBench();
    bench.add('controller-f4-stack', 'flight controller');
    bench.add('led-strip-16', 'tail');
    const strip = Object.values(bench.design.aircraft.items).find(({ ref }) => ref.startsWith('LED'))?.ref ?? '';
    bench.wire(`${strip} in`, 'FC1 led1');
    const plan = board(bench.design);
    expect(plan.rows.find(({ function: name }) => name === 'light')?.planned).toBeDefined();
    expect(plan.banks.find(({ id }) => id === 'B')?.planned).toBe('LED data');
  });

  it('counts a function that a second controller has, and plans what hangs there by itself', () => {
    const bench = wing('out4');
    bench.add('controller-f4-wing', 'for the payload');
    bench.add('servo-9g-digital', 'dropper');
    bench.wire('SRV3 lead', 'FC2 out2');
    bench.assign('FC2', 'out1', 'throttle');
    bench.assign('FC2', 'out2', 'dropper');
    const [main, second] = outputBoards(graphOf(bench.design));
    expect([main?.controller, second?.controller]).toEqual(['FC1', 'FC2']);
    // The throttle is on the other controller: nobody misses it here, and nothing is taken off there.
    expect(main?.rows.map((row) => [row.function, row.planned])).toEqual([
      ['elevon-left', 'out 4'],
      ['elevon-right', 'out 3'],
    ]);
    expect(second?.rows.map((row) => [row.function, row.now, row.planned])).toEqual([
      ['throttle', 'out 1', 'out 1'],
      ['dropper', 'out 2', 'out 2'],
    ]);
    let { design } = bench;
    for (const { edit } of outputBoards(graphOf(design))) if (edit !== undefined) design = made(design, edit);
    expect(findingsBy(design, 'output.missing-function')).toEqual([]);
    expect(outputBoards(graphOf(design)).map(({ edit }) => edit)).toEqual([undefined, undefined]);
    const across = slotsOf(design).find(({ use }) => use?.function === 'dropper');
    expect(moveFunction(graphOf(design), across?.key ?? '', slotsOf(design)[4]?.key ?? '')).toBeUndefined();
    const bare = slotsOf(design).find(({ use }) => use?.function === 'elevon-left');
    const less = made(design, {
      kind: 'set-output-function',
      item: itemOf(design, 'FC1').id,
      output: bare?.output.id ?? '',
      function: null,
      was: 'elevon-left',
    });
    expect(findingsBy(less, 'output.missing-function').map(({ what }) => what)).toEqual(['FC1 has no output for left elevon.']);
  });

  it('offers to switch off the serial port on a pin that is needed, and does it', () => {
    const bench = wing('out4');
    const { design } = bench;
    const fc = itemOf(design, 'FC1');
    const part = design.parts.get(fc.part);
    const pin = part?.endpoints.find(({ id }) => id === 'out2');
    const serial = part?.endpoints.find(({ is }) => is === 'uart')?.id ?? '';
    if (part === undefined || pin?.is !== 'pulse-out') throw new Error('The board has no second output.');
    // A board with two outputs and a third whose pin is that of a serial port.
    const small = {
      ...part,
      endpoints: part.endpoints
        .filter(({ is, id }) => is !== 'pulse-out' || ['out1', 'out2', 'out3'].includes(id))
        .map((endpoint) => (endpoint.is === 'uart' && endpoint.id === serial ? { ...endpoint, tx: pin.pin } : endpoint)),
    };
    const shared: Design = { ...design, parts: new Map([...design.parts, [fc.part, small]]) };
    const set = made(shared, {
      kind: 'set-item-setting',
      item: fc.id,
      setting: `${serial}.protocol`,
      value:
        settingsOf(part).flatMap((spec) => (spec.id === `${serial}.protocol` && spec.is === 'choice' ? spec.choices : []))[0]?.value ?? '',
      was: fc.settings[`${serial}.protocol`] ?? null,
    });
    const plan = board(set);
    expect(plan.summary).toContain('No output for');
    expect(plan.relaxations.map(({ sentence }) => sentence)).toEqual([
      expect.stringMatching(new RegExp(`^Switch off serial port ${serial}: then (left|right) elevon gets an output\\.$`)),
    ]);
    const after = made(set, plan.relaxations[0]?.edit ?? { kind: 'batch', title: '', edits: [] });
    expect(itemOf(after, 'FC1').settings[`${serial}.protocol`]).toBeUndefined();
    expect(findingsBy(after, 'output.missing-function')).toEqual([]);
    expect(board(after).edit).toBeUndefined();
  });

  it('is made of nothing but sentences where there is nothing to plan', () => {
    expect(planOutputs(graphOf(emptyBench().design))).toBeUndefined();
    expect(outputBoards(graphOf(emptyBench().design))[0]).toBeUndefined();
  });

  it('says what finds no place of more functions than there are outputs', () => {
    const bench = emptyBench();
    bench.add('controller-f4-wing', 'flight controller');
    const item = itemOf(bench.design, 'FC1').id;
    // Every function there is, as far as the document can hold them: six on its outputs, the others on those of nothing.
    const all = outputFunctions.map((name, i) => [outputKey(item, `x${i}`), { item, output: `x${i}`, function: name }] as const);
    const crowded: Design = { ...bench.design, aircraft: { ...bench.design.aircraft, outputs: Object.fromEntries(all) } };
    const plan = board(crowded);
    expect(plan.rows).toHaveLength(outputFunctions.length);
    expect(plan.rows.filter(({ planned }) => planned !== undefined)).toHaveLength(6);
    expect(plan.rows.filter(({ planned, isNeeded }) => planned === undefined && isNeeded)).toEqual([]);
    for (const { why } of plan.rows) expect(why).toMatch(/^[A-Z].*\.$/);
  });
});

describe('a function that is taken along', () => {
  it('goes with its plug and its travel, and what was there comes back; undone in one step', () => {
    const design = made(taken(wing('out4').design), {
      kind: 'set-output-travel',
      item: itemOf(wing('out4').design, 'FC1').id,
      output: 'out4',
      value: { trimUs: 1480, reversed: true },
      was: {},
    });
    const slots = slotsOf(design);
    const [from, to] = ['out 4', 'out 3'].map((label) => slots.find((slot) => slot.label === label)?.key ?? '');
    const edit = moveFunction(graphOf(design), from ?? '', to ?? '');
    if (edit === undefined) throw new Error('It cannot be moved.');
    const result = applyEdit(design, edit);
    if ('refused' in result) throw new Error(result.refused.sentence);
    expect(useAt(result.design, 'out3')).toMatchObject({ function: 'elevon-left', trimUs: 1480, reversed: true });
    expect(useAt(result.design, 'out4')).toEqual(expect.objectContaining({ function: 'elevon-right' }));
    const after = slotsOf(result.design);
    const refs = (label: string): readonly string[] =>
      after.find((slot) => slot.label === label)?.on.map(({ entry }) => entry.item.ref) ?? [];
    expect([refs('out 3'), refs('out 4')]).toEqual([['SRV1'], ['SRV2']]);
    // No cable was made: the plugs changed over.
    expect(Object.keys(result.design.aircraft.cables).sort()).toEqual(Object.keys(design.aircraft.cables).sort());
  });

  it('goes along a row of pins to its own pin, and nowhere else', () => {
    const bench = emptyBench();
    bench.add('controller-f7-rows', 'flight controller');
    bench.add('servo-9g-digital', 'left elevon');
    const design = taken(bench.design);
    const graph = graphOf(design);
    const slots = slotsOf(graph.design);
    const from = slots.find(({ use }) => use?.function === 'elevon-left');
    let count = 0;
    for (const to of slots) {
      if (to.use !== undefined || from === undefined) continue;
      const edit = moveFunction(graph, from.key, to.key);
      if (edit === undefined) continue;
      count++;
      const after = slotsOf(made(design, edit));
      expect(after.filter(({ on }) => on.length > 0).map(({ label, use }) => [label, use?.function])).toEqual([[to.label, 'elevon-left']]);
    }
    expect(count).toBeGreaterThan(2);
  });

  it('takes a Y-lead along as a whole', () => {
    const bench = emptyBench();
    bench.make({ kind: 'set-airframe', airframe: 'one-aileron', was: 'flying-wing' });
    bench.add('controller-f4-wing', 'flight controller');
    bench.add('servo-9g-digital', 'ailerons');
    bench.add('servo-9g-digital', 'ailerons too');
    bench.wire('FC1 out3', 'SRV1 lead');
    bench.wire('FC1 out4', 'SRV2 lead');
    bench.assign('FC1', 'out3', 'ailerons');
    const cables = withLoom(Object.values(bench.design.aircraft.cables));
    const design: Design = {
      ...bench.design,
      aircraft: { ...bench.design.aircraft, cables: Object.fromEntries(cables.map((cable) => [cable.id, cable])) },
    };
    const refsOn = (design: Design, label: string): readonly string[] =>
      slotsOf(design)
        .find((slot) => slot.label === label)
        ?.on.map(({ entry }) => entry.item.ref) ?? [];
    expect(refsOn(design, 'out 3')).toEqual(['SRV1', 'SRV2']);
    const [from, to] = ['out 3', 'out 6'].map((label) => slotsOf(design).find((slot) => slot.label === label)?.key ?? '');
    const edit = moveFunction(graphOf(design), from ?? '', to ?? '');
    if (edit === undefined) throw new Error('It cannot be moved.');
    const after = made(design, edit);
    expect([refsOn(after, 'out 3'), refsOn(after, 'out 6')]).toEqual([[], ['SRV1', 'SRV2']]);
    expect(Object.keys(after.aircraft.cables)).toEqual(Object.keys(design.aircraft.cables));
  });

  it('stays where its plug leads others too', () => {
    const bench = emptyBench();
    bench.make({ kind: 'set-airframe', airframe: 'quad', was: 'flying-wing' });
    bench.add('controller-f4-stack', 'flight controller');
    bench.add('motor-controller-four-in-one-45a', 'lift');
    const stack = Object.values(bench.design.aircraft.items).find(({ ref }) => ref === 'ESC1');
    if (stack === undefined) throw new Error('There is no motor controller.');
    bench.wire('ESC1 FC', 'FC1 ESC');
    [1, 2, 3, 4].forEach((n) => bench.assign('FC1', `m${n}`, LIFT_FUNCTIONS[n - 1] ?? 'motor-1'));
    const graph = graphOf(bench.design);
    const slots = slotsOf(graph.design);
    const wired = slots.filter(({ on }) => on.length > 0);
    expect(wired).toHaveLength(4);
    expect(moveFunction(graph, wired[0]?.key ?? '', slots.find(({ on }) => on.length === 0)?.key ?? '')).toBeUndefined();
  });

  it('goes nowhere from an output that is free, or to itself', () => {
    const graph = graphOf(taken(wing('out4').design));
    const slots = slotsOf(graph.design);
    const key = (label: string): string => slots.find((slot) => slot.label === label)?.key ?? '';
    expect(moveFunction(graph, key('out 6'), key('out 5'))).toBeUndefined();
    expect(moveFunction(graph, key('out 1'), key('out 1'))).toBeUndefined();
    expect(moveFunction(graph, 'gone.out1', key('out 1'))).toBeUndefined();
  });
});

describe('lift motors', () => {
  it('turn as the firmware has it once the plan is taken, and so do their propellers in the bill of materials', () => {
    const design = demo();
    const silent: Design = {
      ...design,
      aircraft: {
        ...design.aircraft,
        items: Object.fromEntries(
          Object.entries(design.aircraft.items).map(([id, item]) => {
            const { spin: _spin, hand: _hand, ...settings } = item.settings;
            return [id, item.ref.startsWith('MOT') && item.ref !== 'MOT5' ? { ...item, settings } : item];
          }),
        ),
      },
    };
    const plan = planOutputs(graphOf(silent));
    if (plan === undefined) throw new Error('Mudflat has no outputs.');
    const edit = takeOutputs(graphOf(silent), plan).edit;
    if (edit === undefined) throw new Error('Nothing is set.');
    const after = made(silent, edit);
    expect([1, 2, 3, 4].map((n) => itemOf(after, `MOT${n}`).settings['spin'])).toEqual([
      'counter-clockwise',
      'clockwise',
      'counter-clockwise',
      'clockwise',
    ]);
    const bill = documentKinds.find(({ id }) => id === 'bill-of-materials')?.build(graphOf(after), 'aircraft');
    const propellers =
      bill?.rows.filter((row) => row[2] === 'Propeller').map((row) => `${row[0] ?? ''} ${row[1] ?? ''}: ${row[3] ?? ''}`) ?? [];
    expect(propellers).toHaveLength(3);
    expect(propellers.filter((line) => line.startsWith('2 '))).toEqual([
      expect.stringMatching(/, clockwise: MOT2 MOT4$/),
      expect.stringMatching(/, counter-clockwise: MOT1 MOT3$/),
    ]);
  });
});

describe('bad input', () => {
  const design = taken(wing('out4').design);
  const item = itemOf(design, 'FC1').id;

  it('limits that cross, rates of kinds that have none, and shares beyond the whole are refused with a sentence', () => {
    const refused = (edit: Parameters<typeof applyEdit>[1]): string => {
      const result = applyEdit(design, edit);
      return 'refused' in result ? result.refused.sentence : '';
    };
    const travel = (value: object) => refused({ kind: 'set-output-travel', item, output: 'out1', value, was: {} });
    expect(travel({ minUs: 1800, maxUs: 1200 })).toBe('FC1 out1: the minimum, 1800 us, must be below the maximum, 1200 us.');
    expect(travel({ minUs: 1600 })).toBe('FC1 out1: the trim, 1500 us, must be between 1600 and 2000 us.');
    expect(refused({ kind: 'set-output-travel', item, output: 'out6', value: {}, was: {} })).toContain('has no function yet');
    const bank = bankAt(design, 'A');
    const was = bank === undefined ? null : { kind: bank.kind, ...(bank.rateHz === undefined ? {} : { rateHz: bank.rateHz }) };
    expect(refused({ kind: 'set-bank', item, bank: 'A', value: { kind: 'dshot', rateHz: 300 }, was })).toContain(
      'have no rate of their own',
    );
    expect(refused({ kind: 'set-bank', item, bank: 'A', value: { kind: 'pwm' }, was })).toContain('need a rate');
    expect(refused({ kind: 'set-bank', item, bank: 'Z', value: null, was: null })).toBe('FC1 has no bank "Z".');
    expect(refused({ kind: 'set-mix-figure', figure: 'roll', value: 1.5, was: null })).toContain('must be from 0 % to 100 %');
  });

  it('two throttles are a finding, and one is left by its remedy', () => {
    const two = made(design, { kind: 'set-output-function', item, output: 'out5', function: 'throttle', was: null });
    const [finding] = findingsBy(two, 'output.duplicate-function');
    expect(finding?.severity).toBe('mend');
    const [remedy] = finding === undefined ? [] : remediesOf(two, finding);
    if (remedy === undefined) throw new Error('Nothing mends it.');
    const after = made(two, remedy.edit);
    expect(findingsOf(after).filter(({ check }) => check === 'output.duplicate-function')).toEqual([]);
    expect(useAt(after, 'out1')?.function).toBe('throttle');
  });
});
