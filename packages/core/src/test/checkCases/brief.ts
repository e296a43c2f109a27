import { ofOlderParts } from '../olderParts.ts';
import { powered, type CheckCases } from './build.ts';

export const briefCases: CheckCases = {
  'part.unknown-facts': {
    wrong: () => ofOlderParts(powered('receiver-sbus-16').design),
    right: () => powered('receiver-sbus-16').design,
  },
};
