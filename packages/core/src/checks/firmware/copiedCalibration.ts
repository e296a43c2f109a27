import { configurable } from '../../firmware/scope.ts';
import { listed } from '../../text/lists.ts';
import type { Check, Saying } from '../finding.ts';

/** Calibration that was never done here: values of another aircraft, or all as delivered. */
export const copiedCalibration: Check = {
  id: 'firmware.copied-calibration',
  stage: 'firmware',
  title: 'Calibration copied or missing',
  leftToPeople: 'sensors are calibrated on the aircraft',
  run: ({ graph }) =>
    configurable(graph).flatMap(({ item }): Saying[] => {
      const found = graph.design.aircraft.firmware.read[item.id];
      if (found === undefined) return [];
      const { copiedFrom, calibrations, uncalibrated } = found;
      const where = [{ is: 'item' as const, item: item.id }];
      if (copiedFrom !== undefined)
        return [
          {
            severity: 'mend',
            where,
            what: `${item.ref} has the calibration of ${copiedFrom.aircraft}.`,
            evidence: [{ label: 'identical calibration values', value: String(copiedFrom.lines), limit: '0' }],
            why: 'Each sensor is different: gyros drift, the heading is off, airspeed reads wrong. Calibrate on this aircraft.',
            discriminator: 'copied',
          },
        ];
      if (calibrations === 0 || uncalibrated.length < Math.min(calibrations, 60)) return [];
      return [
        {
          severity: 'mend',
          where,
          what: `${item.ref} is not calibrated: all ${calibrations} calibration values are defaults.`,
          evidence: [{ label: 'default', value: listed(uncalibrated.slice(0, 6)) }],
          why: 'Level, heading and airspeed are off by the errors of its sensors. Calibrate them before the first flight.',
          discriminator: 'none',
        },
      ];
    }),
};
