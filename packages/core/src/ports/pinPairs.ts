import type { Endpoint } from '../model/part.ts';

/** The pins of a device's endpoint, each with the pin of the board that it goes to. */
export function pinPairs(endpoint: Endpoint, board: readonly Endpoint[]): readonly { readonly a: number; readonly b: number }[] {
  const pairs = board.flatMap((other): readonly (readonly [string | undefined, string | undefined])[] => {
    if (endpoint.is === 'uart' && other.is === 'uart')
      return [
        [endpoint.tx, other.rx],
        [endpoint.rx, other.tx],
      ];
    if (endpoint.is === 'i2c-device' && other.is === 'i2c-host')
      return [
        [endpoint.sda, other.sda],
        [endpoint.scl, other.scl],
      ];
    if (endpoint.is === 'can' && other.is === 'can')
      return [
        [endpoint.high, other.high],
        [endpoint.low, other.low],
      ];
    if (endpoint.is === 'rc-out' && other.is === 'rc-in') return [[endpoint.pin, other.pin]];
    if (endpoint.is === 'analog-out' && other.is === 'analog-sense')
      return other.purpose.split(' or ').includes(endpoint.purpose) ? [[endpoint.pin, other.pin]] : [];
    return [];
  });
  const position = (pin: string): number => Number(pin.slice(pin.lastIndexOf('.') + 1));
  return pairs.flatMap(([a, b]) => (a === undefined || b === undefined ? [] : [{ a: position(a), b: position(b) }]));
}
