import { inMenu } from '../ways.ts';
import { analogPicture, digitalPicture } from '../airTraits.ts';
import type { Part } from '../../model/part.ts';
import { buck, load, logic3V3, offer, pictureSender, samplePart, uart, wiredPort, type RawEndpoint, type Row } from '../build.ts';
import { air, gnd, STANDARDS, type About, type Figures } from './videoFacts.ts';

const control = (pin: string): RawEndpoint =>
  uart('CTL', { tx: pin }, [offer('transmitter-control', 'both', 4800)], { duplex: 'single-wire' });
const cautions = ['antenna-before-power', 'radio-rules'];

/** An analog transmitter; its pins are found by their role. */
function analogTransmitter(about: About, rows: readonly Row[], [amperes, volts]: Figures): Part {
  const at = (role: Row[1]): string | undefined => {
    const ix = rows.findIndex((row) => row[1] === role);
    return ix < 0 ? undefined : `AV.${ix + 1}`;
  };
  const controlPin = at('single-wire');
  return samplePart({
    kind: 'video-transmitter',
    ...about,
    ports: [wiredPort('AV', ['locking-1.25', 'socket'], rows, { needed: true })],
    how: inMenu(['air.number'], 'menu over the control wire, or its button', '"Channel"', {
      confirms: 'the lights count band and channel',
    }),
    circuit: [load('transmitter', [at('supply-in') ?? '@v', '@gnd'], amperes, volts, { law: 'constant-power' })],
    endpoints: [
      { is: 'video-in', id: 'vid', pin: at('video-in') ?? '', standards: [...STANDARDS] },
      ...(controlPin === undefined ? [] : [control(controlPin)]),
      air,
    ],
    routes: [{ from: 'vid', to: 'air', transform: 'bridge' }],
    cautions,
  });
}

/** Digital air units want a full-duplex UART for what is written over the picture. */
function digitalUnit(about: About, rows: readonly Row[], [amperes, volts]: Figures): Part {
  const at = (role: Row[1]): string => `main.${rows.findIndex((row) => row[1] === role) + 1}`;
  return samplePart({
    kind: 'video-transmitter',
    ...about,
    ports: [wiredPort('main', ['locking-2.0', 'socket'], rows, { needed: true })],
    how: inMenu(['air.version', 'air.paired'], 'goggles or screen of the pilot', '"Link"', { confirms: 'the picture comes' }),
    circuit: [load('air-unit', [at('supply-in'), '@gnd'], amperes, volts, { law: 'constant-power' })],
    endpoints: [uart('OSD', { tx: at('tx'), rx: at('rx') }, [offer('osd-canvas', 'both', 115_200)]), air],
    cautions,
  });
}

export const videoTransmitters: readonly Part[] = [
  analogTransmitter(
    {
      id: 'video-transmitter-analog',
      name: 'Video transmitter, analog, 7 to 25 V',
      summary: '5.8 GHz class, 25 to 400 mW, one control wire.',
      massG: 10,
      sizeMm: [32, 22, 7],
      radios: [pictureSender([5725, 5875], 26, [0, 0, 30], analogPicture)],
    },
    [['V', 'supply-in'], gnd, ['VID', 'video-in'], ['CTL', 'single-wire', logic3V3]],
    [
      [0.15, 0.35, 0.5],
      [9, 7, 25],
    ],
  ),
  analogTransmitter(
    {
      id: 'video-transmitter-analog-5v',
      name: 'Video transmitter, analog, 5 V only',
      summary: '5.8 GHz class, 25 and 200 mW, buttons only. 5.5 V maximum.',
      massG: 5,
      sizeMm: [24, 20, 6],
      radios: [pictureSender([5725, 5875], 23, [0, 0, 30], analogPicture)],
    },
    [gnd, ['VID', 'video-in'], ['V', 'supply-in']],
    [
      [0.2, 0.4, 0.55],
      [5, 4.5, 5.5],
    ],
  ),
  analogTransmitter(
    {
      id: 'video-transmitter-analog-1w',
      name: 'Video transmitter, analog, 1 W',
      summary: '5.8 GHz class, 25 mW to 1 W, 9 to 36 V, one control wire.',
      massG: 24,
      sizeMm: [44, 32, 12],
      radios: [pictureSender([5725, 5875], 30, [0, 0, 30], analogPicture)],
    },
    [['V', 'supply-in'], gnd, gnd, ['VID', 'video-in'], ['CTL', 'single-wire', logic3V3]],
    [
      [0.2, 0.7, 0.95],
      [12, 9, 36],
    ],
  ),
  digitalUnit(
    {
      id: 'video-air-unit-digital',
      name: 'Digital video air unit',
      summary: 'Camera and transmitter in one; needs a full-duplex UART for the on-screen display. 7 to 26 V.',
      massG: 39,
      sizeMm: [44, 38, 15],
      radios: [pictureSender([5725, 5875], 28, [0, 0, 30], digitalPicture)],
      noiseDbm: -92,
    },
    [['V', 'supply-in'], gnd, ['TX', 'tx', logic3V3], ['RX', 'rx', logic3V3]],
    [
      [0.4, 0.8, 1.3],
      [9, 7, 26],
    ],
  ),
  digitalUnit(
    {
      id: 'video-air-unit-digital-small',
      name: 'Digital video air unit, small',
      summary: 'Light unit for 5 V or up to 12 V; the same on-screen display port.',
      massG: 21,
      sizeMm: [32, 29, 12],
      radios: [pictureSender([5725, 5875], 25, [0, 0, 30], digitalPicture)],
      noiseDbm: -94,
    },
    [gnd, ['RX', 'rx', logic3V3], ['TX', 'tx', logic3V3], ['V', 'supply-in']],
    [
      [0.5, 0.9, 1.4],
      [9, 4.8, 12.6],
    ],
  ),
];

/** What a transmitter without a control wire is set by. */
const channelSteps: NonNullable<Part['steps']> = [
  {
    title: 'Channel and power',
    text: 'Antenna fitted. Hold the button 3 s for the band, press it for the channel; 6 s for the power. The lights count band, channel and power.',
    caution: 'antenna-before-power',
  },
];
const channelLights: NonNullable<Part['indications']> = [
  { shows: 'blue flashes', means: 'the band, counted' },
  { shows: 'red flashes', means: 'the channel, counted' },
  { shows: 'green flashes', means: 'the power, counted' },
];

/** Transmitters without the sockets of the others. */
export const videoTransmittersBesides: readonly Part[] = [
  samplePart({
    id: 'video-transmitter-analog-servo-plugs',
    kind: 'video-transmitter',
    name: 'Video transmitter, analog, on 3-pin rows, with 5 V for the camera',
    summary: '5.8 GHz class, 200 mW, 7 to 16 V on a two-pin row; the camera plugs straight into its other row and gets 5 V from it.',
    massG: 18,
    sizeMm: [46, 26, 12],
    radios: [pictureSender([5725, 5875], 23, [0, 0, 30], analogPicture)],
    how: [
      { settings: ['air.number'], how: { is: 'button', button: 'on its side', seconds: 3, confirms: 'the lights count band and channel' } },
    ],
    ports: [
      wiredPort('power', ['pin-2.54', 'pins'], [['V', 'supply-in'], gnd], { needed: true }),
      wiredPort('AV', ['pin-2.54', 'pins'], [['VID', 'video-in'], ['5V', 'supply-out', '@5v'], gnd], {
        label: 'camera',
        signalRow: 'inner',
        needed: true,
      }),
    ],
    circuit: [
      load('transmitter', ['power.1', '@gnd'], [0.12, 0.25, 0.35], [12, 7, 16], { law: 'constant-power' }),
      buck('reg-5v', {
        in: 'power.1',
        out: '@5v',
        gnd: '@gnd',
        setV: 5,
        inputMinV: 6.5,
        inputMaxV: 16,
        dropoutV: 1,
        efficiency: 0.85,
        quiescentA: 0.005,
        continuousA: 0.5,
        burstA: 0.7,
        burstS: 5,
      }),
    ],
    endpoints: [{ is: 'video-in', id: 'vid', pin: 'AV.1', standards: [...STANDARDS] }, air],
    indications: channelLights,
    steps: channelSteps,
    cautions,
  }),
  samplePart({
    id: 'video-camera-transmitter-analog',
    kind: 'video-transmitter',
    name: 'Camera and video transmitter in one, analog',
    summary: '5.8 GHz class, 25 to 200 mW, lens and antenna on one board; only supply and ground to wire. 3.3 to 5.5 V.',
    massG: 5,
    sizeMm: [22, 18, 16],
    radios: [pictureSender([5725, 5875], 23, [0, 0, 25], analogPicture)],
    how: [
      { settings: ['air.number'], how: { is: 'button', button: 'on its side', seconds: 3, confirms: 'the lights count band and channel' } },
    ],
    ports: [wiredPort('power', ['locking-1.25', 'plug'], [['V', 'supply-in'], gnd], { needed: true })],
    circuit: [load('unit', ['power.1', '@gnd'], [0.2, 0.42, 0.55], [5, 3.3, 5.5], { law: 'constant-power' })],
    endpoints: [air],
    indications: channelLights,
    steps: channelSteps,
    cautions,
  }),
];
