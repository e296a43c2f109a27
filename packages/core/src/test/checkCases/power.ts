import { powered, type CheckCases } from './build.ts';

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
};
