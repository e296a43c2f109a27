import { assigned, powered, type CheckCases } from './build.ts';

const elevon = () => {
  const one = powered();
  one.add('servo-12g-metal', 'left elevon');
  one.wire('SRV1 lead', 'FC1 out1');
  return one.design;
};

export const outputCases: CheckCases = {
  'output.unwired': {
    wrong: () => assigned(powered().design, 'FC1', 'out2', 'elevon-left'),
    right: () => assigned(elevon(), 'FC1', 'out1', 'elevon-left'),
  },
  'output.wired-unassigned': {
    wrong: elevon,
    right: () => assigned(elevon(), 'FC1', 'out1', 'elevon-left'),
  },
};
