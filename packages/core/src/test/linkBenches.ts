import type { Bench } from '../demo/bench.ts';
import { powered } from './checkCases/build.ts';

/** A controller that is powered, with a radio of this part on its port S1, set to what the radio speaks. */
export function withRadio(part: string, port: string): Bench {
  const one = powered(part);
  one.wire(`RADIO1 ${port}`, 'FC1 S1');
  one.setting('FC1', 'S1.protocol', 'mavlink-2');
  one.setting('FC1', 'S1.baud', 57_600);
  return one;
}

/** A pair of telemetry radios, the ground side of it on a computer, not bonded yet. */
export function pairOnGround(): Bench {
  const one = withRadio('radio-900-class', 'UART');
  one.add('radio-900-ground-usb', 'ground side', {}, 'ground');
  one.add('computer-bench', 'pilot', {}, 'ground');
  one.wire('RADIO2 usb', 'PC1 usb1');
  return one;
}

/** The same, bonded. */
export function bondedPair(): Bench {
  const one = pairOnGround();
  one.bond('RADIO1', 'RADIO2');
  return one;
}

/** Two IP radios, serial in the aircraft, Ethernet on the ground, with sockets that meet. */
export function overNetwork(): Bench {
  const one = withRadio('radio-ip-two-serial', 'S1');
  one.add('radio-ip-two-serial', 'ground', { 'ETH.ip': '10.77.0.2' }, 'ground');
  one.add('computer-bench', 'pilot', { 'ETH.ip': '10.77.0.9' }, 'ground');
  one.wire('RADIO2 ETH', 'PC1 ETH');
  one.bond('RADIO1', 'RADIO2');
  one.socket('RADIO1', { endpoint: 'S1', transport: 'udp', role: 'client', remote: { address: '10.77.0.9', port: 14_550 } });
  one.socket('PC1', { endpoint: 'program1', transport: 'udp', role: 'server', localPort: 14_550 });
  return one;
}
