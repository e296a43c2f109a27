import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from '@jest/globals';
import { withPlainSpaces } from '../text/numbers.ts';
import { findingsOf, remediesOf } from '../checks/findingsOf.ts';
import { integrityOf } from '../edits/integrity.ts';
import { graphOf } from '../graph/graphOf.ts';
import { outputBoards } from '../outputs/plan/outputBoard.ts';
import type { Design } from '../model/design.ts';
import { asId, type AircraftId } from '../model/ids.ts';
import { countingIds, made } from '../test/designs.ts';
import { AircraftSchema } from '../model/aircraft.ts';
import { shapeProblems } from '../model/shape.ts';
import { largeAircraft } from './largeAircraft.ts';
import { multiplied } from './multiplied.ts';
import { demoAircraft } from './demoAircraft.ts';

function demo(id: string): Design {
  const found = demoAircraft.find((each) => each.id === id);
  if (found === undefined) throw new Error(`There is no ${id}.`);
  return found.build(asId<AircraftId>(id), countingIds());
}

function said(design: Design): string[] {
  return findingsOf(design).map((finding) => withPlainSpaces(`${finding.severity} ${finding.check}: ${finding.what}`));
}

describe('the demo aircraft', () => {
  it.each(demoAircraft.map(({ id }) => id))('%s holds together', (id) => {
    expect(integrityOf(demo(id))).toEqual([]);
  });

  it('Saltmarsh gives nothing above a note, and its notes are those of the golden file', () => {
    const golden = readFileSync(join(process.cwd(), 'packages/core/src/demo/saltmarsh.notes.txt'), 'utf8');
    expect(`${said(demo('saltmarsh')).join('\n')}\n`).toBe(golden);
    expect(golden.split('\n').filter((line) => line !== '' && !line.startsWith('note '))).toEqual([]);
  });

  it('Mudflat gives nothing above a note but the antenna that is too near', () => {
    expect(said(demo('mudflat')).filter((line) => !line.startsWith('note '))).toEqual([
      'mend place.gnss-near-transmitter: RADIO1 arrives at GNSS1 second antenna 12 dB above its limit: their antennas are 34 mm apart.',
    ]);
  });

  it.each(demoAircraft.map(({ id }) => id))('%s is placed whole', (id) => {
    const flying = Object.values(demo(id).aircraft.items).filter(({ where }) => where === 'aircraft');
    expect(flying.filter(({ place }) => place === undefined)).toEqual([]);
  });

  it.each([
    ['power.parallel-regulators', 'BEC1 and ESC1 drive one rail'],
    ['wire.servo-lead', 'W08 between SRV2 and FC1 out 3 is plugged in the wrong way round'],
    ['wire.partial', 'W11 joins SDA of ASPD1 and FC1, and not SCL'],
    ['wire.fits-but-wrong', 'W15 is a straight cable'],
    ['power.reversed', 'W15 joins the supply of FC1 S3'],
    ['wire.no-common-ground', 'W16 joins a signal of CC1'],
    ['wire.i2c-address', 'MAG1 and MAG2 have the same I2C address 0x0E'],
    ['wire.i2c-bus', 'The I2C bus of ASPD1, FC1, MAG1 and MAG2 is beyond its limits: pull-ups'],
    ['wire.connector-mate', 'The 5-way plug of W17 fits loosely into the 4-way MAG1 I2C'],
    ['wire.level', 'LED1 in pin 1 (S) needs 3.5 V for a high'],
    ['link.baud-mismatch', 'FC1 S1 runs at 115200 baud and RADIO1 UART at 57600'],
    ['link.protocol-mismatch', 'FC1 S5 uses MAVLink 2 and VTX2 OSD uses digital OSD canvas'],
    ['link.console-in-the-way', 'CC1 UART1 still carries its login console'],
    ['link.air-mismatch', 'link id: network number 25 against network number 31'],
    ['link.bandwidth', 'RADIO1 telemetry needs 142 % of the capacity between RADIO2 radio and RADIO1 radio'],
    ['link.port-unsuitable', 'FC1 S6 is not suitable for CC1: it is a software port'],
    ['power.no-supply', 'CC1 is wired, but no supply reaches its computer'],
    ['power.ground-return', 'If the ground wire of W02 opens, W04 contact 3 at'],
    ['wire.not-wired', 'BZ1 (Buzzer, 5 V active) is not wired yet'],
    ['output.linkage', 'Arm, rod and horn of SRV2 do not meet at 1500 us'],
    ['output.wired-unassigned', 'FC1 has wired outputs without a function'],
  ])('Reedbed has its mistake %s found', (check, words) => {
    expect(said(demo('reedbed')).some((line) => line.includes(` ${check}: `) && line.includes(words))).toBe(true);
  });

  it('Reedbed is mended by remedies alone, down to what no edit of these checks can do', () => {
    let design = demo('reedbed');
    for (let round = 0; round < 60; round++) {
      const now = design;
      const remedy = findingsOf(now).flatMap((finding) => remediesOf(now, finding))[0];
      if (remedy === undefined) break;
      design = made(design, remedy.edit);
    }
    expect(findingsOf(design).map((finding) => finding.check)).toEqual([
      'power.no-supply',
      'wire.not-wired',
      'wire.back-powered',
      'wire.i2c-bus',
      'link.port-names',
      'rc.rssi-source',
      'output.wired-unassigned',
      'output.not-begun',
    ]);
  });

  it('Reedbed comes to no finding above a note by remedies and the plan of its outputs', () => {
    const mended = (from: Design): Design => {
      let design = from;
      for (let round = 0; round < 60; round++) {
        const now = design;
        const above = findingsOf(now).filter(({ severity }) => severity !== 'note');
        const remedy = above.flatMap((finding) => remediesOf(now, finding))[0];
        if (remedy === undefined) break;
        design = made(design, remedy.edit);
      }
      return design;
    };
    const wired = mended(demo('reedbed'));
    const plan = outputBoards(graphOf(wired))[0];
    if (plan?.edit === undefined) throw new Error('There is no plan to take.');
    const whole = mended(made(wired, plan.edit));
    expect(findingsOf(whole).filter(({ severity }) => severity !== 'note')).toEqual([]);
    expect(
      Object.values(whole.aircraft.outputs)
        .map((use) => use.function)
        .sort(),
    ).toEqual(['elevon-left', 'elevon-right', 'throttle']);
  });

  it('multiplied holds together, and its checks say of every copy what they say of one', () => {
    const one = demo('reedbed');
    const three = multiplied(one, 3);
    expect(shapeProblems(AircraftSchema, three.aircraft)).toEqual([]);
    expect(integrityOf(three)).toEqual([]);
    const count = (design: Design, check: string) => findingsOf(design).filter((finding) => finding.check === check).length;
    for (const check of ['power.reversed', 'wire.i2c-address', 'link.baud-mismatch', 'wire.not-wired', 'link.console-in-the-way']) {
      expect([check, count(three, check)]).toEqual([check, 3 * count(one, check)]);
    }
  });

  it('the large one has 400 items and 1,000 cables, and can be checked', () => {
    const large = largeAircraft(asId<AircraftId>('large'), countingIds());
    expect([Object.keys(large.aircraft.items).length, Object.keys(large.aircraft.cables).length]).toEqual([400, 1000]);
    expect(integrityOf(large)).toEqual([]);
    expect(findingsOf(large).length).toBeGreaterThan(0);
  });
});
