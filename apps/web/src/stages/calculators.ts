import type { AnyCalculator } from '../workers/calculator.ts';
import { findings, remedies, remediesAhead } from '../workers/findings.ts';
import { briefCalculators } from './brief/calculators.ts';
import { firmwareCalculators } from './firmware/calculators.ts';
import { layoutCalculators } from './layout/calculators.ts';
import { linkCalculators } from './links/calculators.ts';
import { outputCalculators } from './outputs/calculators.ts';
import { powerCalculators } from './power/calculators.ts';

/** Everything that the worker computes. The calculators of a stage are named here once. */
export const calculators: readonly AnyCalculator[] = [
  findings,
  remedies,
  remediesAhead,
  ...briefCalculators,
  ...powerCalculators,
  ...layoutCalculators,
  ...linkCalculators,
  ...outputCalculators,
  ...firmwareCalculators,
];
