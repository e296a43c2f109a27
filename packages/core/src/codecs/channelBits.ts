/** SBUS and CRSF carry sixteen channels of eleven bits each, the lowest bit of the first channel first, in 22 bytes. */
export const FRAME_CHANNELS = 16;
const BITS = 11;
export const CHANNEL_BYTES = (FRAME_CHANNELS * BITS) / 8;
/** The largest value of a channel in a frame. */
export const MOST_VALUE = 2 ** BITS - 1;

/** Sixteen values from 0 to 2047 as 22 bytes. @throws RangeError where there are not sixteen, or one is no such value */
export function packChannels(values: readonly number[]): readonly number[] {
  if (values.length !== FRAME_CHANNELS) throw new RangeError(`A frame has ${FRAME_CHANNELS} channels, not ${values.length}.`);
  const bytes = new Array<number>(CHANNEL_BYTES).fill(0);
  values.forEach((value, channel) => {
    if (!Number.isInteger(value) || value < 0 || value > MOST_VALUE)
      throw new RangeError(`Channel ${channel + 1} cannot be ${value}: a frame holds whole values from 0 to ${MOST_VALUE}.`);
    for (let i = 0; i < BITS; i++) {
      const bit = channel * BITS + i;
      const byte = bit >> 3;
      bytes[byte] = (bytes[byte] ?? 0) | (((value >> i) & 1) << (bit & 7));
    }
  });
  return bytes;
}

/** The sixteen values of 22 bytes. @throws RangeError where there are not so many bytes */
export function unpackChannels(bytes: readonly number[]): readonly number[] {
  if (bytes.length !== CHANNEL_BYTES) throw new RangeError(`Channels take ${CHANNEL_BYTES} bytes, not ${bytes.length}.`);
  return Array.from({ length: FRAME_CHANNELS }, (_, channel) => {
    let value = 0;
    for (let i = 0; i < BITS; i++) {
      const bit = channel * BITS + i;
      value |= (((bytes[bit >> 3] ?? 0) >> (bit & 7)) & 1) << i;
    }
    return value;
  });
}

/** Two values of a frame with the pulse widths that they stand for; all others lie on the line through them. */
export interface ValueScale {
  readonly low: { readonly value: number; readonly us: number };
  readonly high: { readonly value: number; readonly us: number };
}

/** The scale that radios usually have: 172 to 1811 is 988 to 2012 us. */
export const RADIO_SCALE: ValueScale = { low: { value: 172, us: 988 }, high: { value: 1811, us: 2012 } };

/** The pulse width that a value of a frame stands for, in microseconds. */
export function usOfValue(value: number, { low, high }: ValueScale = RADIO_SCALE): number {
  return low.us + ((value - low.value) * (high.us - low.us)) / (high.value - low.value);
}

/** The value of a frame next to a pulse width in microseconds, within what a frame holds. */
export function valueOfUs(us: number, { low, high }: ValueScale = RADIO_SCALE): number {
  const value = low.value + ((us - low.us) * (high.value - low.value)) / (high.us - low.us);
  return Math.min(Math.max(Math.round(value), 0), MOST_VALUE);
}
