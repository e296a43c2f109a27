import { describe, expect, it } from '@jest/globals';
import {
  applyEdit,
  asId,
  findingsOf,
  graphOf,
  reedbed,
  saltmarsh,
  sampleParts,
  withFreshIds,
  type AircraftId,
  type Design,
} from '@wired-falcon/core';
import { screensOf } from '../addresses/screens.ts';
import { stages } from '../stages/index.ts';
import { workshopPages } from '../workshop/index.ts';
import { entryCommands, suggestionsFor } from './commands.ts';

let count = 0;
const makeId = (): string => `t${++count}`;
const demo = reedbed(asId<AircraftId>('reedbed'), makeId);

const screens = screensOf({ stages, workshop: workshopPages }, demo.aircraft.id);

function suggest(text: string, design: Design = demo) {
  return suggestionsFor(text, { design, graph: graphOf(design), aircraft: design.aircraft.id, screens, parts: sampleParts });
}

function take(text: string, design: Design = demo): Design {
  const action = suggest(text, design)[0]?.action;
  if (action?.is !== 'edit') throw new Error(`"${text}" is no edit.`);
  const result = applyEdit(design, withFreshIds(action.edit, makeId));
  if ('refused' in result) throw new Error(result.refused.sentence);
  return result.design;
}

const withGnss = take('add gnss');

describe('the entry line', () => {
  it('shows an example of every command when nothing is typed', () => {
    expect(suggest('').map((suggestion) => suggestion.text)).toEqual(entryCommands.map((command) => command.example));
  });

  it('adds parts by words, several at once, under the next references', () => {
    expect(suggest('add servo 9g x4')[0]).toMatchObject({ text: 'add Servo 9 g, analog x4', effect: 'adds SRV3 to SRV6' });
    const refs = Object.values(take('add servo 9g x4').aircraft.items).map((item) => item.ref);
    expect(refs.filter((ref) => ref.startsWith('SRV')).sort()).toEqual(['SRV1', 'SRV2', 'SRV3', 'SRV4', 'SRV5', 'SRV6']);
    expect(suggest('add nonsense')).toEqual([]);
  });

  it('moves a part by station and butt line, and says why it cannot', () => {
    const { frame: _none, ...airframe } = demo.aircraft.airframe;
    const bare = { ...demo, aircraft: { ...demo.aircraft, airframe } };
    expect(suggest('move fc1 420 0', bare)[0]).toMatchObject({ action: undefined, effect: 'the airframe is not laid out yet: go layout' });
    const whole = saltmarsh(asId<AircraftId>('saltmarsh'), makeId);
    expect(suggest('move fc1', whole)[0]?.effect).toBe('station and butt line in mm, then a water line if you like');
    expect(suggest('move fc1 540 x', whole)[0]?.effect).toBe('these are not all numbers');
    const at = (design: Design) => Object.values(design.aircraft.items).find(({ ref }) => ref === 'FC1')?.place?.at;
    expect(at(take('move fc1 540 5', whole))).toEqual([540, 5, 20]);
    expect(at(take('move fc1 540 5 -10', whole))).toEqual([540, 5, -10]);
  });

  it('keeps the links of a part on a port, and says why where they cannot be there', () => {
    const found = suggest('radio1 on s4')[0];
    expect(found).toMatchObject({ text: 'RADIO1 on FC1 S4', effect: 'fixes RADIO1 telemetry there when ports are planned' });
    expect(found?.action).toMatchObject({ is: 'edit', to: '/aircraft/reedbed/links/ports' });
    const radio = Object.values(demo.aircraft.items).find(({ ref }) => ref === 'RADIO1')?.id ?? '';
    expect(take('radio1 on s4').aircraft.links[`telemetry.${radio}`]?.port?.endpoint).toBe('S4');
    expect(suggest('radio1 on s2')[0]).toMatchObject({ action: undefined, effect: expect.stringMatching(/^cannot be there: /) });
    expect(suggest('nobody on s4').filter(({ action }) => action !== undefined)).toEqual([]);
  });

  it('plans the change to another controller', () => {
    const boards = suggest('move to ');
    expect(boards.length).toBe(10);
    expect(boards.every(({ action }) => action?.is === 'go' && action.to.includes('/brief/boards?to='))).toBe(true);
    expect(suggest('move to h7 wing')[0]?.text).toBe('move to controller h7 wing board, servo regulator');
    expect(suggest('move to nonsense').filter(({ action }) => action !== undefined)).toEqual([]);
  });

  it('wires two ports by meaning, and tells what it would do', () => {
    expect(suggest('gnss1 > s4', withGnss)[0]).toMatchObject({
      text: 'GNSS1 UART > FC1 S4',
      effect: '4 conductors by signal, pairs crossed',
    });
    const cable = Object.values(take('gnss1 > s4', withGnss).aircraft.cables).find((candidate) => candidate.tag === 'W21');
    expect(Object.values(cable?.conductors ?? {}).map((conductor) => [conductor.a.n, conductor.b.n])).toEqual([
      [1, 1],
      [2, 3],
      [3, 2],
      [4, 4],
    ]);
  });

  it('offers a branch where a plug is in the way, after what is free, and says what Enter does', () => {
    const offers = suggest('gnss1 > s', withGnss);
    expect(offers[0]?.effect).toMatch(/^4 conductors by signal/);
    expect(offers.find((offer) => offer.text === 'GNSS1 UART > FC1 S1')?.effect).toMatch(/^branch of W10: \d conductors? by signal/);
    const before = Object.keys(withGnss.aircraft.cables).length;
    const after = take('gnss1 > fc1 s1', withGnss);
    expect(Object.keys(after.aircraft.cables)).toHaveLength(before);
    expect(suggest('gnss1 uart.1 > radio1 uart.4', after)[0]?.effect).toBe('W10 already connects them');
    expect(suggest('gnss1 uart.2 > radio1 uart.2', after)[0]?.effect).toMatch(/^in W10: 1 conductor/);
  });

  it('joins two pins of a cable that is there, and says so where they are joined', () => {
    const open = suggest('radio1 uart.1 > fc1 s1.2')[0];
    expect(open).toMatchObject({ text: 'RADIO1 UART.1 > FC1 S1.2', effect: expect.stringMatching(/^in W10: 1 conductor, /) });
    expect(suggest('radio1 uart > fc1 s1')[0]).toMatchObject({ effect: 'W10 already connects them', action: undefined });
  });

  it('makes two cables one loom where each port holds a plug', () => {
    const offer = suggest('radio1 uart.1 > rx1 sbus.1')[0];
    expect(offer?.effect).toMatch(/^W\d+ becomes part of W10: 1 conductor/);
    const count = Object.keys(demo.aircraft.cables).length;
    expect(Object.keys(take('radio1 uart.1 > rx1 sbus.1').aircraft.cables)).toHaveLength(count - 1);
  });

  it('finds items by pin, name and description, and cables by tag', () => {
    expect(suggest('find elevon').map((hit) => hit.text)).toEqual(['find SRV1', 'find SRV2']);
    expect(suggest('find sda').map((hit) => hit.text)).toEqual(['find ASPD1', 'find FC1', 'find MAG1', 'find MAG2']);
    expect(suggest('find w0').map((hit) => hit.text)).toContain('find W04');
  });

  it('goes, opens, prints, cuts, undoes', () => {
    expect(suggest('go doc')[0]?.action).toEqual({ is: 'go', to: '/aircraft/reedbed/documents' });
    expect(suggest('open w04')[0]?.action).toMatchObject({ is: 'go', to: expect.stringContaining('/wiring/') });
    expect(suggest('print fc1')[0]?.action).toMatchObject({ is: 'go', to: expect.stringContaining('/documents/port-card/') });
    expect(Object.values(take('cut w13').aircraft.cables).map((cable) => cable.tag)).not.toContain('W13');
    expect(suggest('undo')[0]?.action).toEqual({ is: 'undo' });
    expect(suggest('redo')[0]?.action).toEqual({ is: 'redo' });
  });

  it('unplugs an end, plugs it in again where it fits first, and types lengths', () => {
    const loose = take('unplug w10 fc1');
    expect(findingsOf(loose).some(({ what }) => what === 'W10 at RADIO1 UART has an unplugged end.')).toBe(true);
    const offers = suggest('plug w10 > fc1', loose);
    expect(offers[0]?.effect).toMatch(/^plugs its free end into FC1 S\d$/);
    expect(offers.at(-1)?.effect).toContain('which it does not fit');
    expect(findingsOf(take('plug w10 > fc1 s1', loose))).toEqual(findingsOf(demo));
    expect(suggest('plug w10')).toEqual(expect.not.arrayContaining([expect.objectContaining({ action: expect.anything() })]));
    const lengths = (design: Design) =>
      Object.values(Object.values(design.aircraft.cables).find(({ tag }) => tag === 'W10')?.legs ?? {}).map(
        ({ typedLengthMm }) => typedLengthMm,
      );
    expect(lengths(take('length w10 120'))).toEqual([120]);
    expect(suggest('length w10 x')[0]).toMatchObject({ effect: expect.stringContaining('a length is a number'), action: undefined });
  });

  it('puts plugs side by side on a row of pins, says where, and plugs in from a pin on', () => {
    let design = take('add controller f7 rows');
    design = take('add servo 9g x2', design);
    expect(suggest('srv3 > fc2 servos', design)[0]?.effect).toBe('3 conductors by signal, on FC2 servos pins 1-3');
    design = take('srv3 > fc2 servos', design);
    expect(suggest('srv4 > fc2 servos', design)[0]?.effect).toMatch(/^3 conductors by signal, on FC2 servos pins 4-6/);
    design = take('srv4 > fc2 servos', design);
    design = take('unplug w22 fc2', design);
    expect(suggest('plug w22 > fc2 servos', design)[0]).toMatchObject({
      text: 'plug W22 > FC2 servos.4',
      effect: 'plugs its free end into FC2 servos, over pins 4 to 6',
    });
    design = take('plug w22 > fc2 servos.16', design);
    expect(suggest('unplug w22 fc2', design)[0]?.text).toBe('unplug W22 FC2 servos pins 16-18');
  });

  it('never throws, whatever is typed', () => {
    for (const text of ['>', 'a > b > c', 'fc1 >', '> fc1', 'add', 'add x', 'find', '...', 'fc1.99 > gnss1', '<b>', '\\', '('])
      expect(Array.isArray(suggest(text))).toBe(true);
  });

  describe('offers first what makes most sense', () => {
    const bare: Design = { ...demo, aircraft: { ...demo.aircraft, cables: {} } };
    const first = (text: string, design = bare): string | undefined => suggest(text, design)[0]?.text;

    it('a signal before a supply, and the most of its pins', () => {
      expect(first('srv1 > fc1')).toBe('SRV1 lead > FC1 out 1');
      expect(first('esc1 > fc1')).toBe('ESC1 signal > FC1 out 1');
      expect(first('radio1 > fc1')).toBe('RADIO1 UART > FC1 S1');
    });

    it('fewer pins left out before more', () => {
      expect(first('rx1 > fc1')).toBe('RX1 SBUS > FC1 S2 rc in');
      expect(first('bat1 > fc1')).toBe('BAT1 main > FC1 battery');
    });

    it('a supply that starts what it feeds', () => {
      const offers = suggest('bec1 out > fc1', bare).map(({ text }) => text);
      expect(offers[0]).not.toContain('FC1 battery');
    });

    it("never a regulator's input for its output, as long as one of it can feed", () => {
      const offers = suggest('bec1 > fc1', bare).map(({ text }) => text);
      const last = offers.findLastIndex((text) => text.startsWith('BEC1 out'));
      expect(last).toBeGreaterThan(0);
      expect(offers.slice(0, last).filter((text) => text.startsWith('BEC1 in'))).toEqual([]);
    });

    it('a free port before one that is taken, wherever it stands in the list', () => {
      const taken = take('srv1 > fc1 out 1', bare);
      expect(suggest('srv2 > fc1', taken)[0]?.text).toBe('SRV2 lead > FC1 out 2');
      const outputs = suggest('srv2 > fc1 out', taken);
      expect(outputs.at(-1)).toMatchObject({
        text: 'SRV2 lead > FC1 out 1',
        effect: expect.stringMatching(/^branch of W\d+: 3 conductors by signal, 3 splices$/),
      });
      expect(outputs.slice(0, -1).every(({ effect }) => !effect.startsWith('branch'))).toBe(true);
    });

    it('a map of grounds alone after every other', () => {
      const offers = suggest('bat1 > fc1', bare);
      const grounds = offers.findIndex(({ effect }) => effect.startsWith('1 conductor '));
      expect(grounds).toBeGreaterThan(0);
      expect(offers.slice(0, grounds).every(({ effect }) => !effect.startsWith('1 conductor '))).toBe(true);
    });
  });
});
