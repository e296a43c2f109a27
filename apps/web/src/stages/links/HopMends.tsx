import { hopEndName, portOfSignal, type Hop, type HopEnd, type JudgedFinding } from '@wired-falcon/core';
import { useMake } from '../../session/SessionContext.tsx';
import { useReadersUnits } from '../../ui/readersUnits.ts';
import { useFindings } from '../../workers/FollowerContext.tsx';
import { useRemedies } from '../../workers/useRemedies.ts';

/** What mends the hop at which a chain breaks: the remedies of the findings about its two ends. */
export function HopMends({ hop }: { readonly hop: Hop }) {
  const { judged } = useFindings();
  const { b } = hop;
  if (b === undefined) return null;
  const own = judged.filter(({ waiver, finding }) => waiver === undefined && isAbout(finding, hop.a) && isAbout(finding, b));
  if (own.length === 0) return null;
  return (
    <div className="no-print mt-2 flex flex-wrap gap-1.5" role="group" aria-label={`What mends ${hopEndName(hop.a)} to ${hopEndName(b)}`}>
      {own.map(({ finding }) => (
        <Mends key={finding.key} finding={finding} />
      ))}
    </div>
  );
}

function isAbout({ where }: JudgedFinding['finding'], { entry, signal }: HopEnd): boolean {
  const port = portOfSignal(signal);
  return where.some((subject) => subject.is === 'port' && subject.item === entry.item.id && subject.port === port);
}

function Mends({ finding }: { readonly finding: JudgedFinding['finding'] }) {
  const make = useMake();
  const { read } = useReadersUnits();
  const { remedies, seq } = useRemedies(finding.key);
  return (
    <span className="contents" data-drafted-for={seq}>
      {remedies.map(({ label, sentence, edit }) => (
        <button key={sentence} type="button" className="action" title={read(sentence)} data-mend onClick={() => make(edit)}>
          {read(label)}
        </button>
      ))}
    </span>
  );
}
