import { SeverityMark } from '../../../ui/SeverityMark.tsx';
import { useReadersUnits } from '../../../ui/readersUnits.ts';
import { useFindings } from '../../../workers/FollowerContext.tsx';
import { Mends } from '../../../workers/Mends.tsx';

/** What the checks say of some part of the RC plan, with what mends it. @param checks by id */
export function RcFindings({ checks, name }: { readonly checks: readonly string[]; readonly name: string }) {
  const { judged } = useFindings();
  const { read } = useReadersUnits();
  const own = judged.filter(({ waiver, finding }) => waiver === undefined && checks.includes(finding.check));
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
