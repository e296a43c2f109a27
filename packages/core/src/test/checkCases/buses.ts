import { bench, set, type CheckCases } from './build.ts';
import type { Design } from '../../model/design.ts';

/** A board with a splitter on its I2C bus, and sensors on the splitter. */
function i2c(...parts: readonly string[]): Design {
  const one = bench('controller-f7-mini', 'splitter-i2c-4', ...parts);
  one.wire('FC1 I2C', 'HUB1 i1');
  Object.values(one.design.aircraft.items)
    .filter(({ ref }) => ref.startsWith('MAG') || ref.startsWith('ASPD'))
    .forEach(({ ref }, i) => one.wire(`${ref} I2C`, `HUB1 i${i + 2}`));
  return one.design;
}

/** A board, a hub and CAN devices on it. */
function can(...parts: readonly string[]): Design {
  const one = bench('controller-f7-mini', 'hub-can-6', ...parts);
  one.wire('FC1 CAN', 'HUB1 c1', 'meaning', 200);
  Object.values(one.design.aircraft.items)
    .filter(({ ref }) => /^(GNSS|ASPD|RNG|PAY)/.test(ref))
    .forEach(({ ref }, i) => one.wire(`${ref} CAN`, `HUB1 c${i + 2}`, 'meaning', 250));
  return one.design;
}

export const busCases: CheckCases = {
  'wire.i2c-address': {
    wrong: () => set(i2c('compass-i2c-fixed', 'compass-i2c-selectable', 'airspeed-i2c-2k5'), 'MAG2', 'I2C.address', 0x0e),
    right: () => i2c('compass-i2c-fixed', 'compass-i2c-selectable', 'airspeed-i2c-2k5'),
  },
  'wire.i2c-bus': {
    wrong: () => {
      const one = bench('controller-f7-mini', 'airspeed-i2c-2k5');
      one.wire('ASPD1 I2C', 'FC1 I2C', 'meaning', 2200);
      return one.design;
    },
    right: () => {
      const one = bench('controller-f7-mini', 'airspeed-i2c-2k5');
      one.wire('ASPD1 I2C', 'FC1 I2C', 'meaning', 900);
      return one.design;
    },
  },
  'wire.can-bus': {
    wrong: () => can('gnss-can-compass', 'airspeed-can-7k'),
    right: () => set(can('gnss-can-compass', 'airspeed-can-7k'), 'ASPD1', 'CAN.terminated', true),
  },
};
