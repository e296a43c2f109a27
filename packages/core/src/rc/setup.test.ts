import { describe, expect, it } from '@jest/globals';
import { demoAircraft } from '../demo/demoAircraft.ts';
import { applyEdit } from '../edits/applyEdit.ts';
import type { Edit } from '../edits/registry.ts';
import { documentKinds } from '../formats/documentKinds.ts';
import { graphOf } from '../graph/graphOf.ts';
import { airframeKinds } from '../model/airframes.ts';
import type { Design } from '../model/design.ts';
import { asId, type AircraftId, type EditId } from '../model/ids.ts';
import { sampleDialects } from '../dialects/sampleDialects.ts';
import { countingIds, emptyBench, itemOf, made } from '../test/designs.ts';
import { bench, withDialect } from '../test/checkCases/build.ts';
import { begin, planned, withChannel } from '../test/checkCases/rc.ts';
import { findingsOf } from '../checks/findingsOf.ts';
import { withPlainSpaces } from '../text/numbers.ts';
import { beginPlan } from './beginPlan.ts';
import { modeReachOf } from './modes/modeReach.ts';
import { radioSetup } from './radioSetup.ts';

const texts = (design: Design): Readonly<Record<string, string>> =>
  Object.fromEntries(radioSetup(graphOf(design)).map(({ title, text }) => [title, withPlainSpaces(text)]));

describe('a plan to begin with', () => {
  it.each(sampleDialects.flatMap((dialect) => airframeKinds.map((kind) => [dialect.id, kind, dialect] as const)))(
    'of the dialect %s for a %s has every mode within reach, and nothing that a check objects to',
    (_, kind, dialect) => {
      const empty = withDialect(bench('controller-f4-wing').design, dialect);
      const begun = { ...empty, aircraft: { ...empty.aircraft, airframe: { kind } } };
      for (const order of ['aileron-first', 'throttle-first'] as const) {
        const design = begin(begun, order);
        const reach = modeReachOf(design);
        expect([reach?.unreached, reach?.overlaps, reach?.gaps, reach?.farFromSafe, reach?.sharedWithArming]).toEqual([[], [], [], [], []]);
        expect(findingsOf(design).filter(({ check }) => check.startsWith('rc.mode') || check === 'link.dialect-refuses')).toEqual([]);
        expect(design.aircraft.rc.channels['1']?.use).toBe(order === 'aileron-first' ? 'roll' : 'throttle');
      }
    },
  );

  it('leaves alone what is planned already', () => {
    const own = withChannel(bench('controller-f4-wing').design, '5', { use: 'light' });
    expect(begin(own, 'aileron-first').aircraft.rc.channels['5']).toEqual({ use: 'light' });
    expect(beginPlan(planned(), 'aileron-first')).toBeUndefined();
  });
});

describe('what to do in the radio', () => {
  it('follows from the plan: channels with their sources, directions, travel both ways, formats and binding', () => {
    const salt = demoAircraft.find(({ id }) => id === 'saltmarsh')?.build(asId<AircraftId>('s'), countingIds());
    if (salt === undefined) throw new Error('There is no Saltmarsh.');
    const said = texts(salt);
    expect(said['Channels']).toBe(
      '1 roll; 2 pitch; 3 throttle; 4 yaw; 5 flight mode from switch 1; 6 arming from switch 2; 7 flaps from switch 3; 8 camera trigger from switch 4.',
    );
    expect(said['Directions']).toContain('channel 2 (pitch) has to fall');
    expect(said['Travel of channels 1, 2, 3, 4, 5, 6, 7 and 8']).toBe(
      '-97 % and +99 %: the radio sends 1005 us and 2005 us, and the controller reads 1000 us and 2000 us.',
    );
    expect(said['RX1: Bind']).toContain('Set: version 2, region world.');
    const wider = withChannel(salt, '1', { use: 'roll', ends: { leastUs: 1100, mostUs: 1900 } });
    expect(texts(wider)['Travel of channel 1']).toContain('the controller reads 1100 us and 1900 us');
    const turned = withChannel(salt, '4', { use: 'yaw', reversed: true });
    expect(texts(turned)['Directions']).toContain('Reversed in the radio so far: 4');
  });

  it('names the module, the mixed switches and a model that mixes', () => {
    const mud = demoAircraft.find(({ id }) => id === 'mudflat')?.build(asId<AircraftId>('m'), countingIds());
    if (mud === undefined) throw new Error('There is no Mudflat.');
    expect(texts(mud)['STK1: format to its module']).toContain('SBUS. In the menu of the RC transmitter');
    expect(texts(mud)['Channels']).toContain('switch 1 and switch 4, mixed');
    const mixed = made(planned(), { kind: 'set-rc-choice', choice: 'radioMixes', value: 'elevon', was: 'plain' });
    expect(texts(mixed)['A separate model']).toContain('the radio mixes elevons');
  });

  it('is a card and a list to print, as channels, modes and failsafe are', () => {
    const graph = graphOf(planned());
    for (const id of ['channel-card', 'mode-card', 'failsafe-card', 'radio-setup']) {
      const kind = documentKinds.find((one) => one.id === id);
      const [subject] = kind?.subjects(graph) ?? [];
      const sheet = subject === undefined ? undefined : kind?.build(graph, subject.id);
      expect(sheet?.rows.length).toBeGreaterThan(2);
      expect(sheet?.rows.every((row) => row.length === sheet.columns.length)).toBe(true);
      expect(kind?.subjects(graphOf(emptyBench().design))).toEqual([]);
    }
  });
});

describe('edits of the plan', () => {
  const refused = (design: Design, edit: Edit): string | undefined => {
    const result = applyEdit(design, edit);
    return 'refused' in result ? `${result.refused.code}: ${result.refused.sentence}` : undefined;
  };
  const range = { channel: '5', fromUs: 800, toUs: 1290, gives: 'manual' } as const;

  it('are refused with a sentence where they make no sense', () => {
    const design = planned();
    const { m1 = null } = design.aircraft.rc.ranges;
    expect(refused(design, { kind: 'set-mode-range', id: 'm1', value: { ...range, fromUs: 1300 }, was: m1 })).toBe(
      'bad-shape: The range would end at 1290 us, before it begins at 1300 us.',
    );
    expect(
      refused(design, { kind: 'set-rc-channel', channel: '9', value: { use: 'light', ends: { leastUs: 2000, mostUs: 1000 } }, was: null }),
    ).toBe('bad-shape: Channel 9 would end at 1000 us, before it begins at 2000 us.');
    expect(refused(design, { kind: 'set-rc-switch', id: 's1', value: null, was: design.aircraft.rc.switches['s1'] ?? null })).toBe(
      'bad-shape: Channel 5 comes from switch 1. Choose another source first.',
    );
    expect(refused(design, { kind: 'set-rc-figure', figure: 'lossDelayS', value: 99, was: null })).toContain('must be from 0 to 60');
    expect(refused(design, { kind: 'set-rc-choice', choice: 'onLoss', value: 'sing', was: 'return' })).toContain('cannot be "sing"');
    expect(refused(design, { kind: 'set-rc-figure', figure: 'lossDelayS', value: 2, was: 1 })).toContain('changed-since');
    // Numbers of channels, and pulse widths, that do not exist.
    for (const channel of ['0', '33', '99', '-1', '1.5'])
      expect(refused(design, { kind: 'set-rc-channel', channel, value: { use: 'light' }, was: null })).toContain('bad-shape');
    for (const fromUs of [-5, 0, 99_999, Number.NaN])
      expect(refused(design, { kind: 'set-mode-range', id: 'x', value: { ...range, fromUs }, was: null })).toContain('bad-shape');
  });

  it('forget an item that is gone, and undo brings it back', () => {
    const one = bench('controller-f4-wing', 'receiver-sbus-16', 'companion-small-5v');
    one.add('head-tracker-ppm', '', {}, 'ground');
    const [rx, cc, tracker] = [itemOf(one.design, 'RX1'), itemOf(one.design, 'CC1'), itemOf(one.design, 'STK1')];
    let design = withChannel(one.design, '9', { use: 'pan', from: { is: 'tracker', item: tracker.id } });
    design = made(design, { kind: 'set-take-over', item: cc.id, value: { channels: ['1', '2'] }, was: null });
    design = made(design, { kind: 'set-seen-loss', item: rx.id, value: { signal: 'flag', basis: '0'.repeat(16) }, was: null });
    for (const item of [rx, cc, tracker]) {
      const removed = applyEdit(design, { kind: 'remove-item', item: item.id });
      if ('refused' in removed) throw new Error(removed.refused.sentence);
      expect(JSON.stringify(removed.design.aircraft.rc)).not.toContain(item.id);
      const back = applyEdit(removed.design, { kind: 'undo', of: asId<EditId>('e1') }, () => removed.inverse);
      expect('refused' in back ? back.refused : back.design.aircraft.rc).toEqual(design.aircraft.rc);
    }
  });
});
