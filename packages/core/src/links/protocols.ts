import type { Frame } from '../model/setting.ts';
import type { ProtocolId } from '../model/protocolIds.ts';

/** A wire format on a serial port. `transparent` carries the bytes of every other; its frame is a setting. */
export interface Protocol {
  readonly id: ProtocolId;
  readonly title: string;
  readonly frame: Frame;
  /** True when idle is low: the signal is upside down on the wire. */
  readonly inverted: boolean;
}

/** One entry a protocol; lists and documents take them from here. */
export const protocols: Readonly<Record<ProtocolId, Protocol>> = {
  'mavlink-2': { id: 'mavlink-2', title: 'MAVLink 2', frame: '8N1', inverted: false },
  'nmea-0183': { id: 'nmea-0183', title: 'NMEA 0183', frame: '8N1', inverted: false },
  'gnss-binary': { id: 'gnss-binary', title: 'GNSS binary', frame: '8N1', inverted: false },
  sbus: { id: 'sbus', title: 'SBUS', frame: '8E2', inverted: true },
  crsf: { id: 'crsf', title: 'CRSF', frame: '8N1', inverted: false },
  'satellite-frames': { id: 'satellite-frames', title: 'satellite receiver frames', frame: '8N1', inverted: false },
  'single-wire-telemetry': { id: 'single-wire-telemetry', title: 'single-wire telemetry return', frame: '8N1', inverted: true },
  'transmitter-control': { id: 'transmitter-control', title: 'transmitter control', frame: '8N2', inverted: false },
  rangefinder: { id: 'rangefinder', title: 'rangefinder', frame: '8N1', inverted: false },
  gimbal: { id: 'gimbal', title: 'gimbal control', frame: '8N1', inverted: false },
  'motor-telemetry': { id: 'motor-telemetry', title: 'motor controller telemetry', frame: '8N1', inverted: false },
  transparent: { id: 'transparent', title: 'any bytes', frame: '8N1', inverted: false },
  'osd-canvas': { id: 'osd-canvas', title: 'digital OSD canvas', frame: '8N1', inverted: false },
};
