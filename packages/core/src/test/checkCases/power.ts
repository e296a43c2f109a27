import type { Design } from '../../model/design.ts';
import { bench, powered, type CheckCases } from './build.ts';

/** A motor controller of four cells at most, on a pack. */
function onThePack(pack: string): Design {
  const one = bench(pack, 'distribution-plain-bus', 'motor-controller-40a-5v2a');
  one.wire('BAT1 main', 'PWR1 battery', 'meaning', 100);
  one.wire('PWR1 b1', 'ESC1 power', 'straight', 100);
  return one.design;
}

export const powerCases: CheckCases = {
  'power.reversed': {
    wrong: () => {
      const one = powered('radio-900-class');
      one.wire('RADIO1 UART', 'FC1 S1', 'straight');
      return one.design;
    },
    right: () => {
      const one = powered('radio-900-class');
      one.wire('RADIO1 UART', 'FC1 S1');
      return one.design;
    },
  },
  'power.parallel-regulators': {
    wrong: () => {
      const one = powered('motor-controller-40a-5v2a', 'regulator-buck-5v-3a');
      one.wire('ESC1 signal', 'FC1 out1');
      one.wire('BEC1 out', 'FC1 out2', 'straight');
      return one.design;
    },
    right: () => {
      const one = powered('motor-controller-40a-5v2a', 'regulator-buck-5v-3a');
      one.wire('ESC1 signal', 'FC1 out1', 'supply-pulled');
      one.wire('BEC1 out', 'FC1 out2');
      return one.design;
    },
  },
  'power.over-voltage': { wrong: () => onThePack('battery-lipo-6s-10000'), right: () => onThePack('battery-lipo-4s-5000') },
};
