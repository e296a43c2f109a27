import type { JudgedFinding, Slot } from '@wired-falcon/core';
import { SeverityMark } from '../../ui/SeverityMark.tsx';
import { useReadersUnits } from '../../ui/readersUnits.ts';
import { useFindings } from '../../workers/FollowerContext.tsx';
import { Mends } from '../../workers/Mends.tsx';

/** What the checks of the outputs say of one output, with what mends it. */
export function SlotFindings({ slot }: { readonly slot: Slot }) {
  const { judged } = useFindings();
  const { read } = useReadersUnits();
  const own = judged.filter(({ waiver, finding }) => waiver === undefined && isAbout(finding, slot));
  if (own.length === 0) return null;
  return (
    <ul className="mt-2" aria-label="Findings about this output">
      {own.map(({ finding }) => (
        <li key={finding.key} className="grid grid-cols-[20px_1fr] border-t border-rule py-1" data-finding={finding.check}>
          <span className="pt-0.5">
            <SeverityMark severity={finding.severity} />
          </span>
          <span>
            <span className="font-semibold">{read(finding.what)}</span> <span className="text-ink2">{read(finding.why)}</span>
            <span className="no-print mt-1 flex flex-wrap gap-1.5">
              <Mends finding={finding} />
            </span>
          </span>
        </li>
      ))}
    </ul>
  );
}

/** True for a finding of the outputs that names this pin. */
export function isAbout(finding: JudgedFinding['finding'], { output: { pin } }: Slot): boolean {
  const dot = pin.lastIndexOf('.');
  const [port, n] = [pin.slice(0, dot), Number(pin.slice(dot + 1))];
  return finding.stage === 'outputs' && finding.where.some((subject) => subject.is === 'pin' && subject.port === port && subject.n === n);
}
