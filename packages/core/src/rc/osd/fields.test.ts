import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { findingsOf } from '../../checks/findingsOf.ts';
import type { Bench } from '../../demo/bench.ts';
import { graphOf } from '../../graph/graphOf.ts';
import type { Design } from '../../model/design.ts';
import { OSD_FIELDS, osdFields, type OsdField } from '../../model/osdFields.ts';
import type { OsdSpot } from '../../model/rcPlan.ts';
import { bench, FC, set } from '../../test/checkCases/build.ts';
import { fieldAt, planned, withPicture } from '../../test/checkCases/rc.ts';
import { emptyBench, findingsBy, made } from '../../test/designs.ts';
import { beginFields } from './beginFields.ts';
import { fieldPlanOf, faultsOf, freeSpotFor } from './fieldPlan.ts';
import { fieldSource } from './fieldSources.ts';
import { NTSC_ROWS, PAL_ROWS, pictureGridOf } from './pictureGrid.ts';
import { radioFieldSource } from './radioScreen.ts';

describe('what draws over the picture', () => {
  it('is the overlay on the way of an analog picture; NTSC has three lines fewer than PAL', () => {
    const selectable = (standard: string | undefined): Design => {
      const one = bench(FC, 'camera-analog-5v', 'video-transmitter-analog');
      one.wire('CAM1 AV', 'FC1 camera');
      one.wire('VTX1 AV', 'FC1 video');
      return standard === undefined ? one.design : set(one.design, 'CAM1', 'standard', standard);
    };
    const pal = pictureGridOf(graphOf(selectable('PAL')));
    const ntsc = pictureGridOf(graphOf(selectable('NTSC')));
    expect(pal).toMatchObject({ is: 'analog', by: 'FC1', standard: 'PAL', cols: 30, rows: 16 });
    expect(ntsc).toMatchObject({ standard: 'NTSC', rows: 13 });
    expect(PAL_ROWS - NTSC_ROWS).toBe(3);
  });

  it('is the text of a digital transmitter that is joined to the controller, and nothing without either', () => {
    const digital = (isWired: boolean): Design => {
      const one = bench(FC, 'video-air-unit-digital');
      if (isWired) one.wire('VTX1 main', 'FC1 S5');
      return one.design;
    };
    expect(pictureGridOf(graphOf(digital(true)))).toMatchObject({ is: 'digital', by: 'VTX1', margin: 0 });
    expect(pictureGridOf(graphOf(digital(false)))).toBeUndefined();
    expect(pictureGridOf(graphOf(emptyBench().design))).toBeUndefined();
  });

  it('loses the lowest lines when the camera is set to the other standard', () => {
    const one = bench(FC, 'camera-analog-5v', 'video-transmitter-analog');
    one.wire('CAM1 AV', 'FC1 camera');
    one.wire('VTX1 AV', 'FC1 video');
    const low = fieldAt(set(one.design, 'CAM1', 'standard', 'PAL'), 'timer', { col: 4, row: 14 });
    expect(findingsBy(low, 'osd.field-place')).toEqual([]);
    const ntsc = set(low, 'CAM1', 'standard', 'NTSC');
    expect(findingsBy(ntsc, 'osd.field-place').map(({ severity, what }) => [severity, what])).toEqual([
      ['mend', 'The flight time does not fit on the OSD of FC1: it starts at column 5, line 15 of 30 columns, 13 lines.'],
    ]);
  });
});

describe('places of fields', () => {
  const grid = { cols: 30, rows: 13, margin: 1 };
  const spots = fc.dictionary(fc.constantFrom(...osdFields), fc.record({ col: fc.nat(31), row: fc.nat(14) }), { maxKeys: 8 });

  it('are wrong exactly where characters lie outside, on one another or in the edge, character by character', () => {
    fc.assert(
      fc.property(spots, (drawn) => {
        const osd: Partial<Record<OsdField, OsdSpot>> = drawn;
        const cells = (field: OsdField): readonly string[] => {
          const spot = osd[field];
          return spot === undefined ? [] : Array.from({ length: OSD_FIELDS[field].width }, (_, i) => `${spot.col + i} ${spot.row}`);
        };
        for (const field of osdFields) {
          const spot = osd[field];
          if (spot === undefined) continue;
          const own = cells(field).map((cell) => cell.split(' ').map(Number));
          const isOutside = own.some(([x = 0, y = 0]) => x >= 30 || y >= 13);
          const over = osdFields.filter((other) => other !== field && cells(other).some((cell) => cells(field).includes(cell)));
          const isAtEdge = own.some(([x = 0, y = 0]) => x < 1 || y < 1 || x > 28 || y > 11);
          const faults = faultsOf(field, spot, grid, osd);
          if (isOutside) expect(faults).toEqual([{ is: 'outside' }]);
          else expect(faults).toEqual([...over.map((other) => ({ is: 'overlaps', other })), ...(isAtEdge ? [{ is: 'at-edge' }] : [])]);
        }
      }),
    );
  });

  it('are found free without any fault, until the grid is full', () => {
    const osd: Partial<Record<OsdField, OsdSpot>> = {};
    for (const field of osdFields) {
      const spot = freeSpotFor(field, grid, osd);
      if (spot === undefined) throw new Error(`There is no room for ${field}.`);
      expect(faultsOf(field, spot, grid, osd)).toEqual([]);
      osd[field] = spot;
    }
    expect(freeSpotFor('mode', { cols: 10, rows: 4, margin: 1 }, {})).toBeUndefined();
  });
});

describe('sources of fields', () => {
  const wing = (fill: (one: Bench) => void, ...parts: readonly string[]): Design => {
    const one = bench('controller-h7-carrier', ...parts);
    fill(one);
    return one.design;
  };
  const has = (design: Design, field: OsdField): boolean => fieldSource(graphOf(design), field).isThere;

  it('are there when what measures is wired and gets through, and not before', () => {
    const loose = wing(() => undefined, 'gnss-serial', 'airspeed-can-7k', 'power-module-analog-60a', 'rangefinder-serial-40m');
    for (const field of ['satellites', 'airspeed', 'pack-volts', 'pack-amps', 'height-above-ground'] as const)
      expect([field, has(loose, field)]).toEqual([field, false]);
    const wired = wing(
      (one) => {
        one.wire('GNSS1 UART', 'FC1 E');
        one.setting('FC1', 'E.protocol', 'gnss-binary');
        one.setting('FC1', 'E.baud', 115_200);
        one.setting('GNSS1', 'UART.protocol', 'gnss-binary');
        one.setting('GNSS1', 'UART.baud', 115_200);
        one.wire('ASPD1 CAN', 'FC1 CAN1');
        one.wire('PM1 out', 'FC1 PWR2');
      },
      'gnss-serial',
      'airspeed-can-7k',
      'power-module-analog-60a',
    );
    for (const field of ['satellites', 'home-arrow', 'airspeed', 'pack-volts', 'pack-amps', 'used-mah'] as const)
      expect([field, has(wired, field)]).toEqual([field, true]);
    // A chain that breaks gives nothing.
    const broken = set(wired, 'FC1', 'E.protocol', 'mavlink-2');
    expect(has(broken, 'satellites')).toBe(false);
  });

  it('are the board itself, its sensors, and the firmware', () => {
    const board = wing(() => undefined);
    expect([has(board, 'height'), has(board, 'horizon'), has(board, 'heading'), has(board, 'timer')]).toEqual([true, true, true, true]);
    const stack = bench('controller-f4-stack').design;
    expect([has(stack, 'height'), has(stack, 'horizon')]).toEqual([false, true]);
    expect(has(emptyBench().design, 'timer')).toBe(false);
    expect(has(planned(), 'throttle')).toBe(true);
    expect(has(board, 'throttle')).toBe(false);
  });

  it('of the link are what the receiver tells the controller', () => {
    const crsf = wing((one) => {
      one.wire('RX1 UART', 'FC1 RC');
      one.setting('FC1', 'RC.protocol', 'crsf');
    }, 'receiver-crsf-full');
    expect([has(crsf, 'link-quality'), has(crsf, 'link-strength')]).toEqual([true, true]);
    const sbus = wing((one) => {
      one.wire('RX1 SBUS', 'FC1 RC');
      one.setting('FC1', 'RC.protocol', 'sbus');
    }, 'receiver-sbus-rssi');
    expect([has(sbus, 'link-quality'), has(sbus, 'link-strength')]).toEqual([false, false]);
  });

  it('on the radio need a way back: by telemetry, in a two-way format, or a sensor on the receiver', () => {
    const onRadio = (design: Design, field: OsdField) => radioFieldSource(graphOf(design), field);
    const sticksOnly = wing((one) => one.wire('RX1 SBUS', 'FC1 RC'), 'receiver-sbus-16');
    expect(onRadio(sticksOnly, 'mode').isThere).toBe(false);
    expect(onRadio(sticksOnly, 'timer').isThere).toBe(true);
    const both = wing((one) => {
      one.wire('RX1 UART', 'FC1 RC');
      one.setting('FC1', 'RC.protocol', 'crsf');
    }, 'receiver-crsf-full');
    expect(onRadio(both, 'mode')).toEqual({ isThere: true, words: 'FC1 itself, by RX1 in CRSF' });
    const alone = bench('controller-8-bit-carrier', 'receiver-pwm-8-telemetry', 'current-sensor-telemetry-100a');
    alone.wire('RX1 ch1', 'FC1 in1');
    alone.wire('PM1 tele', 'RX1 tele');
    expect(onRadio(alone.design, 'used-mah')).toEqual({ isThere: true, words: 'PM1, by the receiver' });
    expect(onRadio(alone.design, 'mode').isThere).toBe(false);
  });
});

describe('screens to begin with', () => {
  it('hold what has a source, in place, and no check objects', () => {
    const design = withPicture();
    const edit = beginFields(graphOf(design));
    if (edit === undefined) throw new Error('There is nothing to begin with.');
    const begun = made(design, edit);
    const { rows } = fieldPlanOf(graphOf(begun));
    for (const { spot, source, faults } of rows) {
      if (spot !== undefined) expect([source.isThere, faults]).toEqual([true, []]);
    }
    expect(rows.filter(({ spot }) => spot !== undefined).length).toBeGreaterThan(5);
    expect(findingsOf(begun).filter(({ check }) => check.startsWith('osd.'))).toEqual([]);
    expect(beginFields(graphOf(begun))).toBeUndefined();
  });

  it('name what the pilot needs and no screen shows', () => {
    const design = fieldAt(withPicture(), 'timer', { col: 4, row: 4 });
    const unseen = findingsBy(design, 'osd.field-without-source').map(({ what }) => what);
    expect(unseen[0]).toContain('No screen shows what the pilot needs of FC1: pack voltage, charge used, flight mode');
    expect(unseen[0]).not.toContain('flight time');
  });
});
