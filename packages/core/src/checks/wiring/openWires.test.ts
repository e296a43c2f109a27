import { describe, expect, it } from '@jest/globals';
import type { Design } from '../../model/design.ts';
import { joined, powered, removed } from '../../test/checkCases/build.ts';
import { compassOnBus, motorWired } from '../../test/checkCases/wiring.ts';
import { findingsBy, made } from '../../test/designs.ts';
import { remediesOf } from '../findingsOf.ts';

function said(design: Design, check: string): readonly string[] {
  return findingsBy(design, check).map(({ severity, what }) => `${severity}: ${what}`);
}

/** The first remedy of a check's first finding, and what the check says after it. */
function mended(design: Design, check: string): readonly [label: string, left: readonly string[]] {
  const [finding] = findingsBy(design, check);
  const [remedy] = finding === undefined ? [] : remediesOf(design, finding);
  if (remedy === undefined) throw new Error(`${check} offers nothing.`);
  return [remedy.label, said(made(design, remedy.edit), check)];
}

/** A receiver with a compass on a port, by which pins of it. */
function gnssOn(port: string): Design {
  const one = powered('gnss-compass-i2c');
  one.wire('GNSS1 main', `FC1 ${port}`, 'meaning', 200);
  return one.design;
}

/** Receivers of the wing board on its first inputs. */
function receivers(count: 1 | 2): Design {
  const one = powered('receiver-sbus-rssi', 'receiver-crsf-full');
  one.wire('RX1 SBUS', 'FC1 S2', 'meaning', 100);
  if (count === 2) one.wire('RX2 UART', 'FC1 S3', 'meaning', 100);
  return one.design;
}

describe('a motor', () => {
  it('that lacks a phase cannot turn, and the wire is offered', () => {
    expect(said(motorWired(), 'wire.open-phase')).toEqual([]);
    const open = removed(motorWired(), 'W03', 2);
    expect(said(open, 'wire.open-phase')).toEqual(['stop: MOT1 cannot turn: phase B is open.']);
    expect(mended(open, 'wire.open-phase')).toEqual(['Add the wire', []]);
  });

  it('that is not plugged in yet is only unfinished', () => {
    expect(said(powered('motor-controller-60a-5v5a', 'motor-28mm-9x6').design, 'wire.open-phase')).toEqual([]);
  });

  it('on a controller without its plus does not turn either', () => {
    const dark = removed(motorWired(), 'W02', 1);
    expect(said(dark, 'power.no-supply')).toEqual(['stop: ESC1 is wired, but no supply reaches its drive.']);
    expect(mended(dark, 'power.no-supply')).toEqual(['Add the supply wire', []]);
    const unplugged = powered('motor-controller-60a-5v5a', 'motor-28mm-9x6');
    unplugged.wire('ESC1 motor', 'MOT1 phases', 'meaning', 60);
    expect(said(unplugged.design, 'power.no-supply')).toEqual(['mend: ESC1 is wired, but no supply reaches its drive.']);
  });
});

describe('a signal that leads nowhere', () => {
  it('is told of a motor controller, above a note', () => {
    const open = removed(motorWired(), 'W04', 1);
    expect(said(open, 'wire.no-signal')).toEqual(['mend: ESC1 is plugged in, but its signal is not connected.']);
    expect(mended(open, 'wire.no-signal')).toEqual(['Re-pin by signal', []]);
  });

  it('is a stop for the only receiver, and less where another one is heard', () => {
    expect(said(receivers(1), 'wire.no-signal')).toEqual([]);
    const lost = 'RX1 is plugged in, but its signal is not connected.';
    expect(said(removed(receivers(1), 'W02', 1), 'wire.no-signal')).toEqual([`stop: ${lost}`]);
    expect(said(removed(receivers(2), 'W02', 1), 'wire.no-signal')).toEqual([`mend: ${lost}`]);
  });

  it('is told of each half of a receiver with a compass', () => {
    expect(said(gnssOn('S1'), 'wire.no-signal')).toEqual(['mend: The compass of GNSS1 is not connected: SCL and SDA are open.']);
    expect(said(gnssOn('I2C'), 'wire.no-signal')).toEqual(['mend: The UART of GNSS1 is not connected: RX and TX are open.']);
  });

  it('is a note of a compass where another one is joined', () => {
    const one = powered('gnss-compass-i2c', 'compass-i2c-fixed');
    one.wire('GNSS1 main', 'FC1 S1', 'meaning', 200);
    one.wire('MAG1 I2C', 'FC1 I2C', 'meaning', 200);
    expect(said(one.design, 'wire.no-signal')).toEqual(['note: The compass of GNSS1 is not connected: SCL and SDA are open.']);
  });
});

describe('pins that are exchanged', () => {
  it('SDA on SCL and SCL on SDA are told, and not as a lack of wires', () => {
    const crossed = compassOnBus('straight');
    expect(said(crossed, 'wire.i2c-crossed')).toEqual(['mend: W02 swaps SDA and SCL between MAG1 and FC1 I2C.']);
    expect([...said(crossed, 'wire.partial'), ...said(crossed, 'wire.no-signal')]).toEqual([]);
    expect(mended(crossed, 'wire.i2c-crossed')).toEqual(['Re-pin by signal', []]);
  });

  it('ground on a signal is told between unlike plugs, and on a rail', () => {
    const receiver = powered('receiver-sbus-telemetry');
    receiver.wire('RX1 main', 'FC1 out1', 'none', 100);
    const exchanged = joined(receiver.design, 'W02', [
      [1, 2],
      [2, 1],
      [3, 3],
    ]);
    expect(said(exchanged, 'wire.ground-on-signal')).toEqual([
      'mend: W02 puts the ground of one part on a signal pin of the other, between RX1 and FC1 out 1.',
    ]);
    const one = powered('regulator-buck-5v-3a', 'servo-9g-digital');
    one.wire('FC1 motor', 'BEC1 in', 'meaning', 60);
    one.wire('BEC1 out', 'FC1 out6', 'mirrored', 60);
    one.wire('SRV1 lead', 'FC1 out1', 'meaning', 200);
    expect(said(one.design, 'wire.ground-on-signal')).toEqual([
      'mend: W03 puts the ground of one part on a signal pin of the other, between BEC1 and FC1 out 6.',
    ]);
    expect(mended(one.design, 'wire.ground-on-signal')).toEqual(['Re-pin by signal', []]);
  });
});
