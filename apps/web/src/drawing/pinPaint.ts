import type { Pin } from '@wired-falcon/core';
import { WIRE_PAINT } from '../ui/wireColours.ts';

/** The fill of a pin: the colour that a new wire at it would have. */
export function pinPaint(pin: Pin): string {
  switch (pin.role) {
    case 'gnd':
      return WIRE_PAINT.black;
    case 'supply-in':
    case 'supply-out':
    case 'supply-through':
      return /^(9V|12V)/.test(pin.label) ? WIRE_PAINT.orange : WIRE_PAINT.red;
    case 'tx':
    case 'can-h':
      return WIRE_PAINT.yellow;
    case 'rx':
    case 'can-l':
      return WIRE_PAINT.green;
    case 'sda':
      return WIRE_PAINT.blue;
    case 'video-in':
    case 'video-out':
      return WIRE_PAINT.brown;
    case 'phase':
    case 'nc':
      return WIRE_PAINT.grey;
    default:
      return WIRE_PAINT.white;
  }
}
