import { CHANNEL_BYTES, packChannels, unpackChannels } from './channelBits.ts';
import type { UartFrame } from './uartLine.ts';

/** How CRSF goes over its wire, at its usual baud. */
export const CRSF_LINE: UartFrame = { baud: 416_666, parity: 'none', stopBits: 1, isInverted: false };

/** Of a frame to the flight controller. */
const ADDRESS = 0xc8;
const TYPE = { channels: 0x16, linkStatistics: 0x14 } as const;
const STATISTICS_BYTES = 10;
/** The length of a frame counts what follows it: type, content and check byte. */
const LENGTH_OVERHEAD = 2;
const MOST_LENGTH = 62;

/** How well a receiver hears, as a frame of CRSF tells it. */
export interface LinkStatistics {
  /** Strength of the signal at the first antenna, in dBm. */
  readonly strengthDbm: number;
  /** The share of frames that arrive, in per cent. */
  readonly qualityPercent: number;
  /** Signal over noise, in dB. */
  readonly snrDb: number;
}

/** What a frame of CRSF says; `other` for one that is whole and that nobody here reads. */
export type CrsfFrame =
  | { readonly is: 'channels'; readonly values: readonly number[] }
  | { readonly is: 'link-statistics'; readonly statistics: LinkStatistics }
  | { readonly is: 'other'; readonly type: number };

/** Sixteen values from 0 to 2047 as a frame of 26 bytes. @throws RangeError where the values are none */
export function encodeCrsfChannels(values: readonly number[]): readonly number[] {
  return frameOf(TYPE.channels, packChannels(values));
}

/** How well a receiver hears, as a frame; the uplink as given, the downlink the same. */
export function encodeCrsfStatistics({ strengthDbm, qualityPercent, snrDb }: LinkStatistics): readonly number[] {
  const strength = Math.min(Math.max(Math.round(-strengthDbm), 0), 255);
  const quality = Math.min(Math.max(Math.round(qualityPercent), 0), 100);
  const snr = Math.round(snrDb) & 0xff;
  // Both antennas, quality, signal over noise, antenna in use, air mode, power; then strength, quality and noise of the way down.
  return frameOf(TYPE.linkStatistics, [strength, strength, quality, snr, 0, 0, 0, strength, quality, snr]);
}

function frameOf(type: number, content: readonly number[]): readonly number[] {
  const checked = [type, ...content];
  return [ADDRESS, content.length + LENGTH_OVERHEAD, ...checked, crc8(checked)];
}

/** Every whole frame of a stream of bytes, in order. What is no frame, or fails its check byte, is passed over. */
export function decodeCrsf(bytes: readonly number[]): readonly CrsfFrame[] {
  const frames: CrsfFrame[] = [];
  for (let at = 0; at < bytes.length;) {
    const length = bytes[at + 1] ?? 0;
    const checked = bytes.slice(at + 2, at + 1 + length);
    const isWhole =
      bytes[at] === ADDRESS &&
      length >= LENGTH_OVERHEAD &&
      length <= MOST_LENGTH &&
      at + 2 + length <= bytes.length &&
      crc8(checked) === bytes[at + 1 + length];
    if (!isWhole) {
      at += 1;
      continue;
    }
    frames.push(contentOf(checked[0] ?? 0, checked.slice(1)));
    at += 2 + length;
  }
  return frames;
}

function contentOf(type: number, content: readonly number[]): CrsfFrame {
  if (type === TYPE.channels && content.length === CHANNEL_BYTES) return { is: 'channels', values: unpackChannels(content) };
  if (type === TYPE.linkStatistics && content.length === STATISTICS_BYTES) {
    const [strength = 0, , quality = 0, snr = 0] = content;
    return {
      is: 'link-statistics',
      statistics: { strengthDbm: -strength, qualityPercent: quality, snrDb: snr > 127 ? snr - 256 : snr },
    };
  }
  return { is: 'other', type };
}

/** The check byte over type and content: the polynomial 0xD5, highest bit first, beginning with 0. */
function crc8(bytes: readonly number[]): number {
  let crc = 0;
  for (const byte of bytes) {
    crc ^= byte;
    for (let i = 0; i < 8; i++) crc = (crc & 0x80) !== 0 ? ((crc << 1) ^ 0xd5) & 0xff : (crc << 1) & 0xff;
  }
  return crc;
}
