import type { LinkReport } from '../model/endpoint.ts';
import type { Endpoint } from '../model/part.ts';
import type { ProtocolId } from '../model/protocolIds.ts';

interface RcFormat {
  readonly title: string;
  /** The protocol that carries it on a serial port; undefined for pulses. */
  readonly protocol: ProtocolId | undefined;
  /** How many channels it has room for. */
  readonly channels: number;
}

/** The forms in which RC channels go over a wire. */
export const RC_FORMATS: Readonly<Record<string, RcFormat>> = {
  pwm: { title: 'PWM', protocol: undefined, channels: 1 },
  ppm: { title: 'PPM', protocol: undefined, channels: 16 },
  sbus: { title: 'SBUS', protocol: 'sbus', channels: 16 },
  crsf: { title: 'CRSF', protocol: 'crsf', channels: 16 },
  satellite: { title: 'satellite frames', protocol: 'satellite-frames', channels: 12 },
};

export type RcOut = Extract<Endpoint, { is: 'rc-out' }>;

/** What a receiver tells of how well it hears, as people say it. */
export const LINK_REPORT_WORDS: Readonly<Record<LinkReport, string>> = { strength: 'signal strength', quality: 'link quality' };

/** A format as people write it; one that nobody knows by its own word. */
export function rcFormatTitle(format: string): string {
  return Object.hasOwn(RC_FORMATS, format) ? (RC_FORMATS[format]?.title ?? format) : format;
}
