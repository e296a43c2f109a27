import type { Dialect } from '../model/dialect.ts';
import { counted, dialectId } from './build.ts';

/*
 * The first sample: everything is a named number, `P7.ROLE 31`. Made up: it counts ports in threes, from the last of the board's
 * left side on, and outputs in one row of tens. It matches no real firmware.
 */

const outs = (n: number): string[] => Array.from({ length: n }, (_, i) => `out${i + 1}`);

const boards: Dialect['boards'] = {
  POND8: { title: '8-bit carrier', serial: counted(5, 3, ['GPS', 'TEL']), outputs: counted(10, 10, outs(8)) },
  MERE8: { title: '8-bit, fed through its servo row', serial: counted(5, 3, ['POS', 'TEL']), outputs: counted(10, 10, outs(6)) },
  WREN3: { title: 'stabiliser board', serial: counted(5, 3, ['SBUS', 'SAT']), outputs: counted(10, 10, outs(5)) },
  SNIPE4: {
    title: 'F4 small stack board',
    serial: counted(5, 3, ['U6', 'U4', 'U3', 'U1', 'RC']),
    outputs: counted(10, 10, ['m1', 'm2', 'm3', 'm4', 'led1']),
    reserved: { quad: ['m1', 'm2', 'm3', 'm4'] },
  },
  PLOVER4: {
    title: 'F4 wing board',
    serial: counted(5, 3, ['S6', 'S5', 'S2', 'S1', 'S4', 'S3']),
    outputs: counted(10, 10, outs(6)),
  },
  TEAL7: {
    title: 'F7 mini',
    serial: counted(5, 3, ['RC', 'V1', 'G2', 'T2', 'G1', 'T1']),
    outputs: counted(10, 10, outs(8)),
    reserved: { quad: ['out1', 'out2', 'out3', 'out4'], 'lift-and-cruise': ['out1', 'out2', 'out3', 'out4'] },
  },
  REED7: {
    title: 'F7 on pin rows',
    serial: counted(5, 3, ['K3', 'K1', 'K2']),
    outputs: counted(10, 10, ['s1', 's2', 's3', 's4', 's5', 's6']),
  },
  ESTUARY7: {
    title: 'H7 carrier',
    serial: counted(5, 3, ['H', 'RC', 'F', 'D', 'E', 'B', 'C', 'A']),
    outputs: {
      ...counted(10, 10, ['m1', 'm2', 'm3', 'm4', 'm5', 'm6', 'm7', 'm8']),
      ...counted(210, 10, ['a1', 'a2', 'a3', 'a4', 'a5', 'a6']),
    },
    reserved: {
      quad: ['a1', 'a2', 'a3', 'a4'],
      'lift-and-cruise': ['a1', 'a2', 'a3', 'a4'],
    },
  },
  'ESTUARY7-NET': {
    title: 'H7 carrier with Ethernet',
    serial: counted(5, 3, ['X1', 'RC', 'L3', 'L1', 'P2', 'L2', 'P1']),
    outputs: counted(10, 10, outs(16)),
    reserved: { quad: ['out1', 'out2', 'out3', 'out4'], 'lift-and-cruise': ['out1', 'out2', 'out3', 'out4'] },
  },
  CURLEW7: {
    title: 'H7 wing board',
    serial: counted(5, 3, ['R7', 'R4', 'R6', 'R1', 'R5', 'R2', 'R3']),
    outputs: counted(10, 10, outs(12)),
    reserved: { 'lift-and-cruise': ['out3', 'out4', 'out5', 'out6'] },
  },
};

/** Everything is a named number. */
export const numbered: Dialect = {
  id: dialectId('numbered-ports'),
  name: 'Numbered ports',
  summary: 'Everything is a named number: one line each, name and value. Made up, to start from.',
  source: 'sample',
  boards,
  roles: {
    'mavlink-2': { code: '31', name: 'ground link' },
    'nmea-0183': { code: '44', name: 'position, sentences' },
    'gnss-binary': { code: '45', name: 'position, packets' },
    sbus: { code: '17', name: 'sticks, inverted frames', fixedBaud: 100_000 },
    crsf: { code: '19', name: 'sticks, two ways', fixedBaud: 420_000 },
    'satellite-frames': { code: '21', name: 'sticks, satellite', fixedBaud: 115_200 },
    'single-wire-telemetry': { code: '33', name: 'reports to the handset', fixedBaud: 57_600 },
    'transmitter-control': { code: '62', name: 'picture transmitter' },
    'osd-canvas': { code: '64', name: 'picture text', fixedBaud: 115_200 },
    rangefinder: { code: '47', name: 'height' },
    gimbal: { code: '66', name: 'gimbal' },
    'motor-telemetry': { code: '35', name: 'motor reports', fixedBaud: 115_200 },
    transparent: { code: '90', name: 'passed on as it comes' },
  },
  // In steps of 960 baud, rounded.
  bauds: {
    '4800': '5',
    '9600': '10',
    '19200': '20',
    '38400': '40',
    '57600': '60',
    '100000': '104',
    '115200': '120',
    '230400': '240',
    '420000': '438',
    '460800': '480',
    '921600': '960',
  },
  functions: {
    'aileron-left': { code: '311' },
    'aileron-right': { code: '312' },
    'elevon-left': { code: '321' },
    'elevon-right': { code: '322' },
    elevator: { code: '331' },
    rudder: { code: '341' },
    'v-tail-left': { code: '351' },
    'v-tail-right': { code: '352' },
    'flap-left': { code: '361' },
    'flap-right': { code: '362' },
    throttle: { code: '500' },
    'throttle-left': { code: '501' },
    'throttle-right': { code: '502' },
    'motor-1': { code: '511' },
    'motor-2': { code: '512' },
    'motor-3': { code: '513' },
    'motor-4': { code: '514' },
    'motor-5': { code: '515' },
    'motor-6': { code: '516' },
    pan: { code: '711' },
    tilt: { code: '712' },
    dropper: { code: '721' },
    'camera-trigger': { code: '731' },
    light: { code: '741' },
  },
  motors: {
    quad: [
      { place: 'rear-left', turns: 'counter-clockwise' },
      { place: 'front-left', turns: 'clockwise' },
      { place: 'front-right', turns: 'counter-clockwise' },
      { place: 'rear-right', turns: 'clockwise' },
    ],
    'lift-and-cruise': [
      { place: 'rear-left', turns: 'counter-clockwise' },
      { place: 'front-left', turns: 'clockwise' },
      { place: 'front-right', turns: 'counter-clockwise' },
      { place: 'rear-right', turns: 'clockwise' },
    ],
    hexa: [
      { place: 'rear-left', turns: 'clockwise' },
      { place: 'left', turns: 'counter-clockwise' },
      { place: 'front-left', turns: 'clockwise' },
      { place: 'front-right', turns: 'counter-clockwise' },
      { place: 'right', turns: 'clockwise' },
      { place: 'rear-right', turns: 'counter-clockwise' },
    ],
  },
  orientations: {
    level: { code: '100' },
    'yaw-90': { code: '101' },
    'yaw-180': { code: '102' },
    'yaw-270': { code: '103' },
    'roll-180': { code: '120' },
    'roll-180-yaw-90': { code: '121' },
    'roll-180-yaw-180': { code: '122' },
    'roll-180-yaw-270': { code: '123' },
  },
  modes: {
    manual: { code: '41', name: 'DIRECT' },
    rate: { code: '43', name: 'TURN RATE' },
    'self-level': { code: '46', name: 'LEVEL' },
    'altitude-hold': { code: '48', name: 'LEVEL+HEIGHT' },
    cruise: { code: '52', name: 'TRACK' },
    circle: { code: '54', name: 'ORBIT' },
    mission: { code: '57', name: 'ROUTE' },
    return: { code: '58', name: 'HOMEWARD' },
    'take-off': { code: '61', name: 'CLIMB OUT' },
    land: { code: '63', name: 'SET DOWN' },
    'hover-level': { code: '72', name: 'HOVER' },
    'hover-altitude': { code: '74', name: 'HOVER+HEIGHT' },
    'hover-position': { code: '76', name: 'HOVER+PLACE' },
    failsafe: { code: '79', name: 'AS LOST' },
    guided: { code: '81', name: 'LED' },
  },
  pitchRisesOn: 'pull',
  rcScaleUs: { least: 1000, middle: 1500, most: 2000 },
  frameScale: { low: { value: 200, us: 1000 }, high: { value: 1800, us: 2000 } },
  // A middle at 1500 us and the positions of a switch with six of them lie well inside.
  modeSlotsUs: [1110, 1290, 1445, 1685, 1895],
  failsafe: {
    delayS: 1.5,
    actions: {
      mission: { code: '1', name: 'ROUTE ON' },
      return: { code: '3', name: 'HOMEWARD' },
      circle: { code: '4', name: 'ORBIT' },
      descend: { code: '6', name: 'GLIDE' },
      'motor-stop': { code: '9', name: 'CUT' },
    },
    backBy: 'mode',
    throttleUs: 955,
  },
  limits: [
    { of: 'ground-links', most: 4, sentence: 'Four ports at the most carry MAVLink.' },
    { of: 'software-ports', most: 1, sentence: 'One serial port at the most is made by software.' },
    { of: 'rc-channels', most: 16, sentence: 'Sixteen RC channels are read.' },
    { of: 'mode-slots', most: 6, sentence: 'There are six mode slots, all on one channel.' },
  ],
  refusals: [
    { is: 'once', role: 'sbus', sentence: 'Sticks come in on one port only.' },
    { is: 'once', role: 'crsf', sentence: 'Sticks come in on one port only.' },
    { is: 'not-together', role: 'sbus', with: 'crsf', sentence: 'Sticks come in one way or the other.' },
    { is: 'not-by-software', role: 'gnss-binary', sentence: 'Position packets need a port of the chip.' },
  ],
};
