import type { JudgedFinding } from '@wired-falcon/core';
import { SeverityMark } from '../ui/SeverityMark.tsx';
import { useReadersUnits } from '../ui/readersUnits.ts';
import { useFindings } from './FollowerContext.tsx';
import { Mends } from './Mends.tsx';

interface FindingListProps {
  readonly name: string;
  /** Which findings are meant. Those that somebody has accepted are left out. */
  readonly isMeant: (finding: JudgedFinding['finding']) => boolean;
}

/** Findings where a page speaks of the same thing, with what mends them. */
export function FindingList({ name, isMeant }: FindingListProps) {
  const { judged } = useFindings();
  const { read } = useReadersUnits();
  const own = judged.filter(({ waiver, finding }) => waiver === undefined && isMeant(finding));
  if (own.length === 0) return null;
  return (
    <ul className="mt-2 max-w-[900px]" aria-label={name}>
      {own.map(({ finding }) => (
        <li key={finding.key} className="grid grid-cols-[20px_1fr] border-b border-rule py-1 text-[13px]" data-finding={finding.check}>
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
