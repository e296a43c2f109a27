import { Outlet, useOutletContext } from 'react-router';
import { StageTabs } from '../../addresses/StageTabs.tsx';
import { NotComputed } from '../../ui/NotComputed.tsx';
import { useCalculated } from '../../workers/useCalculated.ts';
import type { Shown } from '../../workers/useKept.ts';
import type { report } from './calculators.ts';

type SolvedReport = Shown<typeof report> | undefined;

/** The pages of the power stage; they share one report. */
export function PowerFrame() {
  const { shown, failure } = useCalculated<typeof report>('power.report', null);
  return (
    <>
      <StageTabs />
      <NotComputed what="The situations of this version could not be solved" failure={failure} />
      <Outlet context={shown} />
    </>
  );
}

/** Every situation of the newest document that was solved; undefined before the first. */
export function usePower(): SolvedReport {
  return useOutletContext<SolvedReport>();
}
