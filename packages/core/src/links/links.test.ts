import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { numbered } from '../dialects/numbered.ts';
import type { Item } from '../model/aircraft.ts';
import type { UartEndpoint } from '../model/part.ts';
import { PROTOCOL_IDS } from '../model/protocolIds.ts';
import { resolvePart, type Settings } from '../model/resolvePart.ts';
import { sampleParts } from '../parts/catalogue.ts';
import { powered } from '../test/checkCases/build.ts';
import { demoDesign, findingsBy, itemOf } from '../test/designs.ts';
import { needsOffered, shortagesOf } from './needsOffered.ts';
import { namesDiffer, portNamesOf } from './portNames.ts';
import { protocols } from './protocols.ts';
import { baudsAgree, canTakeBaud, serialSetup } from './serialSetup.ts';

function endpointOf(partId: string, endpointId: string): UartEndpoint {
  const part = sampleParts.find((candidate) => candidate.id === partId);
  const endpoint = part === undefined ? undefined : resolvePart(part, {}).endpoints.find((candidate) => candidate.id === endpointId);
  if (endpoint?.is !== 'uart') throw new Error(`There is no serial endpoint ${endpointId} of ${partId}.`);
  return endpoint;
}

function itemWith(settings: Settings): Item {
  return { ...itemOf(demoDesign(), 'FC1'), settings };
}

describe('serial set-up', () => {
  it('is as delivered for a device, whatever it could be set to', () => {
    expect(serialSetup(itemWith({}), endpointOf('radio-900-class', 'UART'))).toEqual({
      protocol: 'mavlink-2',
      baud: 57_600,
      baudIs: 'default',
      frame: '8N1',
      flow: 'off',
    });
    expect(serialSetup(itemWith({}), endpointOf('receiver-sbus-16', 'SBUS'))).toEqual({
      protocol: 'sbus',
      baud: 100_000,
      baudIs: 'default',
      frame: '8E2',
      flow: 'off',
    });
  });

  it('has a delivered baud even before the protocol is chosen, when all protocols share it', () => {
    expect(serialSetup(itemWith({}), endpointOf('gnss-serial', 'UART'))).toEqual({
      protocol: undefined,
      baud: 38_400,
      baudIs: 'default',
      frame: undefined,
      flow: 'off',
    });
  });

  it('has flow control where both its pins are, and a frame of its own where it carries any bytes', () => {
    expect(serialSetup(itemWith({}), endpointOf('radio-433-class', 'UART')).flow).toBe('automatic');
    expect(serialSetup(itemWith({ 'UART.flow': 'required' }), endpointOf('radio-433-class', 'UART')).flow).toBe('required');
    expect(serialSetup(itemWith({ 'S1.frame': '8E2' }), endpointOf('radio-ip-two-serial', 'S1')).frame).toBe('8E2');
  });

  it('is open for a controller port until it is set', () => {
    const s4 = endpointOf('controller-f4-wing', 'S4');
    expect(serialSetup(itemWith({}), s4)).toMatchObject({ protocol: undefined, baud: undefined, baudIs: 'not set' });
    expect(serialSetup(itemWith({ 'S4.protocol': 'nmea-0183' }), s4)).toMatchObject({
      protocol: 'nmea-0183',
      baud: 38_400,
      baudIs: 'default',
    });
    expect(serialSetup(itemWith({ 'S4.baud': 9600 }), s4)).toMatchObject({ protocol: undefined, baud: 9600, baudIs: 'set' });
    expect(serialSetup(itemWith({ 'S4.protocol': 'nonsense' }), s4).protocol).toBeUndefined();
  });
});

describe('bauds', () => {
  it('agree within the tolerance of a clock, and 416 666 with 420 000', () => {
    expect(baudsAgree(416_666, 420_000)).toBe(true);
    expect(baudsAgree(57_600, 115_200)).toBe(false);
    expect(baudsAgree(100_000, 104_000)).toBe(true);
    expect(baudsAgree(100_000, 104_001)).toBe(false);
  });

  it('agree both ways or not at all', () => {
    const baud = fc.integer({ min: 300, max: 2_000_000 });
    fc.assert(fc.property(baud, baud, (a, b) => baudsAgree(a, b) === baudsAgree(b, a)));
  });

  it('are taken only where an offer has them', () => {
    const s6 = endpointOf('controller-f4-wing', 'S6');
    expect(canTakeBaud(s6, undefined, 19_200)).toBe(true);
    expect(canTakeBaud(s6, undefined, 57_600)).toBe(true);
    expect(canTakeBaud(s6, undefined, 115_200)).toBe(false);
    expect(canTakeBaud(endpointOf('controller-f4-wing', 'S2'), 'sbus', 420_000)).toBe(false);
    expect(canTakeBaud(endpointOf('controller-f4-wing', 'S2'), 'crsf', 420_000)).toBe(true);
  });
});

describe('names of ports', () => {
  const board = sampleParts.find((part) => part.id === 'controller-f4-wing');
  const names = board === undefined ? [] : portNamesOf(resolvePart(board, {}), numbered);

  it('are three for each serial port of the board', () => {
    expect(names.map(({ label, chip, firmware }) => [label, chip, firmware])).toEqual([
      ['S1', 'UART1', '14'],
      ['S3', 'UART3', '20'],
      ['S4', 'UART6', '17'],
      ['S2 rc in', 'UART2', '11'],
      ['S5', 'UART4', '8'],
      ['S6', undefined, '5'],
    ]);
  });

  it('differ where their numbers do', () => {
    const serial = { S1: '1', S3: '3', S4: '5', S2: '2', S5: '4', S6: '6' };
    const plain = { ...numbered, boards: { PLOVER4: { title: 'F4 wing board', serial } } };
    const asOnTheBoard = board === undefined ? [] : portNamesOf(resolvePart(board, {}), plain);
    expect(asOnTheBoard.filter(namesDiffer).map(({ label }) => label)).toEqual(['S4', 'S5']);
    expect(names.filter(namesDiffer)).toHaveLength(6);
  });

  it('have no firmware number in a dialect that nobody knows', () => {
    if (board !== undefined)
      expect(portNamesOf(resolvePart(board, {}), undefined).every(({ firmware }) => firmware === undefined)).toBe(true);
  });
});

describe('protocols', () => {
  it('are each known by their own id, with an inverted signal where the field has one', () => {
    for (const id of PROTOCOL_IDS) expect(protocols[id].id).toBe(id);
    expect(PROTOCOL_IDS.filter((id) => protocols[id].inverted)).toEqual(['sbus', 'single-wire-telemetry']);
    expect(protocols.sbus.frame).toBe('8E2');
  });
});

describe('a software port', () => {
  const radioOn = (port: string, baud: number) => {
    const one = powered();
    one.add('radio-433-class', 'telemetry', { 'UART.baud': baud });
    one.wire('RADIO1 UART', `FC1 ${port}`);
    return findingsBy(one.design, 'link.port-unsuitable').map(({ severity, what }) => [severity, what]);
  };

  it('does for 19 200 baud, barely for 57 600, and not for more', () => {
    expect(radioOn('S6', 19_200)).toEqual([]);
    expect(radioOn('S6', 57_600)).toEqual([
      ['note', 'FC1 S6 is barely suitable for RADIO1: it is a software port, and 57600 baud is marginal there.'],
    ]);
    expect(radioOn('S6', 115_200)).toEqual([
      ['mend', 'FC1 S6 is not suitable for RADIO1: it is a software port and reaches 57600 baud of the 115200 required.'],
    ]);
    expect(radioOn('S1', 57_600)).toEqual([]);
  });
});

describe('what a board offers', () => {
  const board = (id: string) => {
    const part = sampleParts.find((candidate) => candidate.id === id);
    if (part === undefined) throw new Error(`There is no ${id}.`);
    return resolvePart(part, {});
  };
  const count = (id: string, need: string) => needsOffered(board(id)).find((offer) => offer.need === need)?.suitable.length;

  it('is counted by what really suits: no RC on a port that cannot invert, nothing fast on software', () => {
    expect(count('controller-f4-wing', 'gnss')).toBe(4);
    expect(count('controller-f4-wing', 'companion')).toBe(4);
    expect(count('controller-f4-wing', 'servos')).toBe(6);
    expect(count('controller-f4-wing', 'can')).toBe(0);
    expect(count('controller-h7-carrier', 'can')).toBe(2);
    expect(count('controller-f4-stack', 'servos')).toBe(5);
    expect(count('controller-8-bit-carrier', 'rc')).toBeGreaterThanOrEqual(8);
    expect(count('controller-h7-wing', 'lights')).toBe(2);
  });

  it('is short where needs that share ports want more than there are between them', () => {
    expect(shortagesOf(board('controller-f4-wing'), { gnss: 2, telemetry: 2, companion: 1 })).toEqual([
      { needs: ['gnss', 'telemetry', 'companion'], wanted: 5, there: 4 },
    ]);
    expect(shortagesOf(board('controller-f4-wing'), { can: 1 })).toEqual([{ needs: ['can'], wanted: 1, there: 0 }]);
    expect(shortagesOf(board('controller-f4-wing'), { gnss: 1, telemetry: 1, servos: 2, motors: 1 })).toEqual([]);
  });
});
