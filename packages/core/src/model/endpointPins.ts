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

/** The port that an endpoint is on, by its first pin; of USB and of a network, which name none, the one that they state. */
export function portOfEndpoint(endpoint: Endpoint | Part['endpoints'][number]): string | undefined {
  if (endpoint.is === 'usb' || endpoint.is === 'network') return endpoint.port;
  const [pin] = endpoint.is === 'uart' ? [endpoint.rx ?? endpoint.tx] : endpointPins(endpoint);
  return pin?.slice(0, pin.lastIndexOf('.'));
}
