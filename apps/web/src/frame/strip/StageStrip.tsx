import { NavLink } from 'react-router';
import { SEVERITIES, STAGES, stages, type JudgedFinding, type Severity, type Stage } from '@wired-falcon/core';
import { pageAddress } from '../../addresses/paths.ts';
import { useRegistry } from '../../addresses/RegistryContext.tsx';
import { useDesign } from '../../session/SessionContext.tsx';
import { useFindings } from '../../workers/FollowerContext.tsx';
import { SeverityMark } from '../../ui/SeverityMark.tsx';

/** The stages in the order of work, each with its worst finding's mark and the count of open findings. */
export function StageStrip() {
  const design = useDesign();
  const { judged } = useFindings();
  const built = new Set(useRegistry().stages.map(({ id }) => id));
  return (
    <nav aria-label="Stages" className="no-print flex h-[38px] border-b border-rule">
      {stages.map((stage) => (
        <Segment
          key={stage}
          stage={stage}
          open={openIn(judged, stage)}
          to={built.has(stage) ? pageAddress(design.aircraft.id, stage) : undefined}
        />
      ))}
    </nav>
  );
}

function openIn(judged: readonly JudgedFinding[], stage: Stage): readonly Severity[] {
  return judged.filter(({ finding, waiver }) => finding.stage === stage && waiver === undefined).map(({ finding }) => finding.severity);
}

function Segment({ stage, open, to }: { readonly stage: Stage; readonly open: readonly Severity[]; readonly to: string | undefined }) {
  const worst = SEVERITIES.find((severity) => open.includes(severity));
  const inside = (
    <>
      <span className="font-semibold">{STAGES[stage]}</span>
      {worst !== undefined && (
        <span className="flex items-center gap-1.5 text-ink">
          <SeverityMark severity={worst} /> <span className="value">{open.length}</span>
        </span>
      )}
    </>
  );
  const shape = 'flex flex-1 items-center gap-2 border-b-[3px] px-4 max-lg:px-1.5';
  if (to === undefined) {
    return (
      <span className={`${shape} border-transparent text-ink2`} title="This stage has no screen yet; its findings are in the margin.">
        {inside}
        {worst === undefined && <span className="text-xs">later</span>}
      </span>
    );
  }
  return (
    <NavLink to={to} className={({ isActive }) => `${shape} ${isActive ? 'border-rust' : 'border-transparent'}`}>
      {inside}
    </NavLink>
  );
}
