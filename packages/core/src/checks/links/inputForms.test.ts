import { describe, expect, it } from '@jest/globals';
import type { Design } from '../../model/design.ts';
import { asId } from '../../model/ids.ts';
import { partKeyOf } from '../../model/contentHash.ts';
import { bench, joined, powered, set } from '../../test/checkCases/build.ts';
import { findingsBy, itemOf, made } from '../../test/designs.ts';
import { remediesOf } from '../findingsOf.ts';

function said(design: Design, check: string): readonly string[] {
  return findingsBy(design, check).map(({ severity, what }) => `${severity}: ${what}`);
}

/** A receiver whose signal, supply and ground are joined by hand to a port of a controller. */
function byHand(controller: string, receiver: string, from: string, to: string, pairs: readonly (readonly [number, number])[]): Design {
  const one = bench(controller, receiver);
  one.wire(`RX1 ${from}`, `FC1 ${to}`, 'none', 100);
  return joined(one.design, 'W01', pairs);
}

/** The wing board as a workshop may have written it down: its serial ports cannot invert, and nobody said how they want SBUS. */
function plainUart(design: Design): Design {
  const fc = itemOf(design, 'FC1');
  const part = design.parts.get(fc.part);
  if (part === undefined) throw new Error('There is no part.');
  const endpoints = part.endpoints.map((endpoint) =>
    endpoint.is === 'uart' ? { ...endpoint, speaks: endpoint.speaks.map(({ inverted: _unsaid, ...offer }) => offer) } : endpoint,
  );
  const own = { ...part, id: asId<typeof part.id>('own-wing'), endpoints };
  const key = partKeyOf(own);
  const parts = new Map([...design.parts, [key, own]]);
  const items = { ...design.aircraft.items, [fc.id]: { ...fc, part: key } };
  return { ...design, parts, aircraft: { ...design.aircraft, items } };
}

describe('an input that does not read what arrives', () => {
  it('PPM at one for SBUS and CRSF, and SBUS at one for PPM', () => {
    const ppm = byHand('controller-f4-wing', 'receiver-ppm-8', 'PPM', 'S2', [
      [1, 2],
      [2, 1],
      [3, 3],
    ]);
    expect(said(ppm, 'rc.format-unsupported')).toEqual(['mend: FC1 S2 rc in does not read PPM, which RX1 PPM sends.']);
    const sbus = byHand('controller-8-bit-servo-fed', 'receiver-sbus-16', 'SBUS', 'PPM', [
      [3, 1],
      [2, 2],
      [1, 3],
    ]);
    expect(said(sbus, 'rc.format-unsupported')).toEqual(['mend: FC1 ppm in does not read SBUS, which RX1 SBUS sends.']);
  });

  it('inverted SBUS at a serial port that cannot invert, whether its data say how it wants it or not', () => {
    const one = powered('receiver-sbus-16');
    one.wire('RX1 SBUS', 'FC1 S1', 'meaning', 100);
    const told = ['mend: FC1 S1 is not suitable for RX1: it cannot invert the signal.'];
    expect(said(one.design, 'link.port-unsuitable')).toEqual(told);
    expect(said(plainUart(one.design), 'link.port-unsuitable')).toEqual(told);
  });
});

describe('a wired port without a role', () => {
  it('is a note, and its role and baud are offered', () => {
    const one = powered('gnss-serial');
    one.wire('GNSS1 UART', 'FC1 S1', 'meaning', 100);
    expect(said(one.design, 'link.no-role')).toEqual(['note: A wired port has no role yet: FC1 S1 (GNSS1).']);
    const [finding] = findingsBy(one.design, 'link.no-role');
    const [remedy] = finding === undefined ? [] : remediesOf(one.design, finding);
    if (remedy === undefined) throw new Error('Nothing is offered.');
    const after = made(one.design, remedy.edit);
    expect([...said(after, 'link.no-role'), ...said(after, 'link.protocol-mismatch'), ...said(after, 'link.baud-mismatch')]).toEqual([]);
    expect(itemOf(after, 'FC1').settings).toMatchObject({ 'S1.protocol': 'nmea-0183', 'S1.baud': 38_400 });
    expect(said(set(one.design, 'FC1', 'S1.protocol', 'gnss-binary'), 'link.no-role')).toEqual([]);
  });
});
