import { describe, expect, it } from '@jest/globals';
import { sampleParts } from '../parts/catalogue.ts';
import { smallAircraft } from '../test/smallAircraft.ts';
import { graphOf } from '../graph/graphOf.ts';
import { chainsOf } from '../links/chains/chainsOf.ts';
import { chainWords } from '../links/chains/chainWords.ts';
import { findingsOf } from './findingsOf.ts';

/** The parts that aircraft of practice could not be built without. */
const ASKED_FOR = [
  'adapter-usb-serial',
  'adapter-usb-ethernet',
  'controller-8-bit-servo-fed',
  'controller-stabiliser-5',
  'receiver-pwm-8-telemetry',
  'receiver-settable',
  'receiver-satellite',
  'camera-analog-servo-plug',
  'video-transmitter-analog-servo-plugs',
  'video-camera-transmitter-analog',
  'current-sensor-telemetry-100a',
  'power-module-analog-100a-5-12-12v',
  'gnss-can-chained',
  'motor-controller-20a-5v1a',
  'motor-controller-20a-6s',
  'motor-23mm-7x4-6s',
  'companion-camera-two-serial',
  'companion-small-ethernet',
  'radio-network-picture',
  'radio-900-six-way',
  'radio-ip-rs232',
  'recorder-ground-network',
  'handheld-air-unit-5-way',
  'stick-unit-16-bay',
  'stick-module-900',
  'head-tracker-ppm',
  'computer-bench',
  'supply-bench-30v',
  'meter-handheld',
];

const designs = Object.entries(smallAircraft).map(([name, make]) => [name, make()] as const);

describe.each(designs)('%s', (_, design) => {
  it('is wired as it should be: nothing above a note', () => {
    const above = findingsOf(design).filter(({ severity }) => severity !== 'note');
    expect(above.map(({ check, what }) => `${check}: ${what}`)).toEqual([]);
  });

  it('has every link from end to end', () => {
    const graph = graphOf(design);
    const astray = chainsOf(graph).filter(({ kind, state }) => state.is !== 'agrees' && (kind.isNeeded || state.is !== 'not-joined'));
    expect(astray.map((chain) => chainWords(graph, chain))).toEqual([]);
  });
});

it.each(ASKED_FOR)('%s says what is done with it first', (id) => {
  const part = sampleParts.find((candidate) => String(candidate.id) === id);
  expect(part?.steps?.length).toBeGreaterThan(0);
});

it('between them have every part that was asked for, and every item of the aircraft is wired', () => {
  const used = designs.flatMap(([, { aircraft, parts }]) => Object.values(aircraft.items).map(({ part }) => String(parts.get(part)?.id)));
  expect(ASKED_FOR.filter((id) => !used.includes(id))).toEqual([]);
  const unwired = designs.flatMap(([, design]) => findingsOf(design).filter(({ check }) => check === 'wire.not-wired'));
  expect(unwired.map(({ what }) => what)).toEqual([]);
});
