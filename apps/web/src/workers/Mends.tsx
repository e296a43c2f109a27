import type { JudgedFinding } from '@wired-falcon/core';
import { useMake } from '../session/SessionContext.tsx';
import { useReadersUnits } from '../ui/readersUnits.ts';
import { useRemedies } from './useRemedies.ts';

/** The buttons that mend a finding. */
export function Mends({ finding }: { readonly finding: JudgedFinding['finding'] }) {
  const make = useMake();
  const { read } = useReadersUnits();
  const { remedies, seq } = useRemedies(finding.key, true);
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
