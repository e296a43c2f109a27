import type { Endpoint, Part } from './part.ts';

/** The pins on which an endpoint has its signals, as `port.n`; in the catalogue and on an item alike. */
export function endpointPins(endpoint: Endpoint | Part['endpoints'][number]): readonly string[] {
  switch (endpoint.is) {
    case 'uart':
      return [endpoint.tx, endpoint.rx, endpoint.cts, endpoint.rts].filter((pin) => pin !== undefined);
    case 'i2c-host':
    case 'i2c-device':
      return [endpoint.sda, endpoint.scl];
    case 'can':
      return [endpoint.high, endpoint.low];
    case 'phase':
      return endpoint.pins;
    case 'pulse-out':
    case 'pulse-in':
    case 'rc-in':
    case 'rc-out':
    case 'video-out':
    case 'video-in':
    case 'analog-sense':
    case 'analog-out':
      return [endpoint.pin];
    case 'usb':
    case 'air':
    case 'network':
      return [];
  }
}
