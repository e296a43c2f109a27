import { CHANNEL_BYTES, packChannels, unpackChannels } from './channelBits.ts';
import type { UartFrame } from './uartLine.ts';

/** How SBUS goes over its wire. */
export const SBUS_LINE: UartFrame = { baud: 100_000, parity: 'even', stopBits: 2, isInverted: true };
/** From the start of a frame to the start of the next, as it is usual. */
export const SBUS_PERIOD_MS = 14;

const FIRST_BYTE = 0x0f;
const LAST_BYTE = 0x00;
export const SBUS_BYTES = 1 + CHANNEL_BYTES + 2;

const FLAGS = { channel17: 0x01, channel18: 0x02, frameLost: 0x04, failsafe: 0x08 } as const;

/** What a frame of SBUS says. */
export interface SbusFrame {
  /** Sixteen values from 0 to 2047. */
  readonly values: readonly number[];
  readonly channel17: boolean;
  readonly channel18: boolean;
  /** One frame did not arrive through the air. */
  readonly frameLost: boolean;
  /** The link is lost; the values are what the receiver was told to send then. */
  readonly failsafe: boolean;
}

/** A frame as its 25 bytes. @throws RangeError where the values are none */
export function encodeSbus({ values, channel17, channel18, frameLost, failsafe }: SbusFrame): readonly number[] {
  const flags =
    (channel17 ? FLAGS.channel17 : 0) |
    (channel18 ? FLAGS.channel18 : 0) |
    (frameLost ? FLAGS.frameLost : 0) |
    (failsafe ? FLAGS.failsafe : 0);
  return [FIRST_BYTE, ...packChannels(values), flags, LAST_BYTE];
}

/** What 25 bytes say; undefined where they are no frame: another first or last byte, or another count. */
export function decodeSbus(bytes: readonly number[]): SbusFrame | undefined {
  if (bytes.length !== SBUS_BYTES || bytes[0] !== FIRST_BYTE || bytes[SBUS_BYTES - 1] !== LAST_BYTE) return undefined;
  const flags = bytes[1 + CHANNEL_BYTES] ?? 0;
  return {
    values: unpackChannels(bytes.slice(1, 1 + CHANNEL_BYTES)),
    channel17: (flags & FLAGS.channel17) !== 0,
    channel18: (flags & FLAGS.channel18) !== 0,
    frameLost: (flags & FLAGS.frameLost) !== 0,
    failsafe: (flags & FLAGS.failsafe) !== 0,
  };
}
