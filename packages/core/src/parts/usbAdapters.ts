import type { Part } from '../model/part.ts';
import { ethernetPort, load, logic5Tolerant, offer, samplePart, standardBauds, uart, wiredPort, type Row } from './build.ts';

const gnd: Row = ['GND', 'gnd', '@gnd'];
const plug = wiredPort('usb', ['USB-C', 'plug'], [['VBUS', 'supply-in', '@vbus'], ['D+', 'usb'], ['D-', 'usb'], gnd], {
  label: 'USB',
  needed: true,
});

/** Parts on a computer's USB that give it another port. */
export const usbAdapters: readonly Part[] = [
  samplePart({
    id: 'adapter-usb-serial',
    kind: 'converter',
    name: 'USB serial adapter',
    summary:
      'A serial port for a computer, 3.3 V signals that withstand 5 V. Its supply pin gives 5 V, 3.3 V or nothing, by a jumper: nothing by default.',
    massG: 6,
    sizeMm: [42, 18, 9],
    settings: [
      {
        is: 'choice',
        id: 'supply',
        label: 'supply pin gives',
        choices: [
          { value: 'none', label: 'nothing' },
          { value: '3V3', label: '3.3 V' },
          { value: '5V', label: '5 V' },
        ],
        default: 'none',
        how: { is: 'jumper', jumper: 'beside the row, at 3.3 or at 5; remove it where the other side has its own supply' },
      },
    ],
    ports: [
      plug,
      wiredPort(
        'serial',
        ['pin-2.54', 'pins'],
        [
          gnd,
          ['CTS', 'cts', logic5Tolerant],
          ['V', 'supply-out', '@out'],
          ['TX', 'tx', logic5Tolerant],
          ['RX', 'rx', logic5Tolerant],
          ['RTS', 'rts', logic5Tolerant],
        ],
        { needed: true },
      ),
    ],
    circuit: [
      load('chip', ['@vbus', '@gnd'], [0.01, 0.015, 0.03], [5, 4.4, 5.5]),
      { is: 'link', id: 'five', when: { setting: 'supply', in: ['5V'] }, a: '@vbus', b: '@out', ohm: 0.1, maxA: 0.5 },
      {
        is: 'regulator',
        id: 'three',
        when: { setting: 'supply', in: ['3V3'] },
        topology: 'linear',
        in: '@vbus',
        out: '@out',
        gnd: '@gnd',
        setV: 3.3,
        inputMinV: 3.6,
        inputMaxV: 6,
        dropoutV: 0.3,
        efficiency: 1,
        quiescentA: 0.001,
        continuousA: 0.2,
        burstA: 0.25,
        burstS: 1,
        onOverload: 'foldback',
        maxW: 0.5,
      },
    ],
    endpoints: [
      { is: 'usb', id: 'usb', port: 'usb', as: 'device', serial: [['transparent']] },
      uart('serial', { tx: 'serial.4', rx: 'serial.5', cts: 'serial.2', rts: 'serial.6' }, [
        offer('transparent', 'both', 115_200, standardBauds),
      ]),
    ],
    how: [
      {
        settings: ['serial.baud', 'serial.frame', 'serial.flow'],
        how: { is: 'menu', tool: 'program on the computer that opens the port', menu: 'speed, frame and flow control' },
      },
    ],
    routes: [{ from: 'usb', to: 'serial', transform: 'bridge' }],
    indications: [
      { shows: 'red flicker', means: 'the computer sends' },
      { shows: 'green flicker', means: 'the other side sends' },
    ],
    steps: [
      {
        title: 'Loop it back',
        text: 'Connect TX to RX and type: the echo proves that the adapter works.',
      },
    ],
  }),
  samplePart({
    id: 'adapter-usb-ethernet',
    kind: 'converter',
    name: 'USB Ethernet adapter',
    summary: 'An Ethernet socket for a computer that has only USB.',
    massG: 14,
    sizeMm: [58, 22, 16],
    noiseDbm: -95,
    ports: [plug, ethernetPort('ETH', 'Ethernet')],
    circuit: [load('chip', ['@vbus', '@gnd'], [0.05, 0.12, 0.2], [5, 4.4, 5.5])],
    endpoints: [
      { is: 'usb', id: 'usb', port: 'usb', as: 'device' },
      { is: 'network', id: 'ETH', port: 'ETH', roles: ['host'] },
    ],
    routes: [{ from: 'usb', to: 'ETH', transform: 'bridge' }],
    indications: [{ shows: 'amber flicker', means: 'data passes' }],
    steps: [
      {
        title: 'Address',
        text: 'Give the computer a fixed address on this socket, in the network of the other end.',
      },
    ],
  }),
];
