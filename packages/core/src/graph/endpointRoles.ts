import type { Endpoint, PinRole } from '../model/part.ts';

/** The pins of an endpoint with the roles that each of them may have. */
export function endpointRoles(endpoint: Endpoint): readonly (readonly [pin: string, roles: readonly PinRole[]])[] {
  switch (endpoint.is) {
    case 'uart': {
      const wire: readonly PinRole[] = endpoint.duplex === 'single-wire' ? ['single-wire'] : ['tx'];
      const wanted: readonly (readonly [string | undefined, readonly PinRole[]])[] = [
        [endpoint.tx, wire],
        [endpoint.rx, ['rx']],
        [endpoint.cts, ['cts']],
        [endpoint.rts, ['rts']],
      ];
      return wanted.flatMap(([pin, roles]) => (pin === undefined ? [] : [[pin, roles] as const]));
    }
    case 'i2c-host':
    case 'i2c-device':
      return [
        [endpoint.sda, ['sda']],
        [endpoint.scl, ['scl']],
      ];
    case 'can':
      return [
        [endpoint.high, ['can-h']],
        [endpoint.low, ['can-l']],
      ];
    case 'phase':
      return endpoint.pins.map((pin) => [pin, ['phase']] as const);
    case 'pulse-out':
      return [[endpoint.pin, ['pulse-out']]];
    case 'pulse-in':
      return [[endpoint.pin, ['pulse-in']]];
    case 'rc-in':
      return [[endpoint.pin, ['pulse-in', 'rx']]];
    case 'rc-out':
      return [[endpoint.pin, ['pulse-out', 'tx']]];
    case 'video-out':
      return [[endpoint.pin, ['video-out']]];
    case 'video-in':
      return [[endpoint.pin, ['video-in']]];
    case 'analog-sense':
      return [[endpoint.pin, ['analog-in']]];
    case 'analog-out':
      return [[endpoint.pin, ['analog-out']]];
    case 'usb':
    case 'air':
    case 'network':
      return [];
  }
}
