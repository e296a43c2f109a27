import type { BareStart } from '@wired-falcon/core';
import { HeadRow } from '../../ui/HeadRow.tsx';
import { WideRegion } from '../../ui/WideRegion.tsx';

interface ProposalViewProps {
  readonly proposal: BareStart;
  readonly isBusy: boolean;
  readonly onCreate: () => void;
}

/** What was made of a dump: each placeholder with the line that it was inferred from, and what became of the other lines. */
export function ProposalView({ proposal: { inferences, taken, kept, unknown, bad }, isBusy, onCreate }: ProposalViewProps) {
  return (
    <section aria-label="Proposed aircraft" className="mt-4 text-[13px]" data-testid="proposal">
      <h2 className="text-[15px] font-bold">Proposed aircraft</h2>
      <p>
        {taken} settings imported, {inferences.length} placeholders added, {kept} lines kept as they are.
        {unknown + bad === 0 ? ' Every line is understood.' : ` ${unknown} lines are not in the dialect, ${bad} cannot be read.`}
      </p>
      <button type="button" className="action action-main mt-2" disabled={isBusy} onClick={onCreate}>
        Create this aircraft
      </button>
      {inferences.length > 0 && (
        <WideRegion label="Placeholders">
          <table className="mt-3 w-full max-w-[900px] text-[12.5px]">
            <HeadRow heads={['No.', 'Line', 'What was made of it']} cell="pr-3" />
            <tbody>
              {inferences.map(({ number, text, what }) => (
                <tr key={what} className="border-b border-grid">
                  <td className="value pr-3 text-ink2">{number}</td>
                  <td className="value pr-3">{text}</td>
                  <td>{what}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </WideRegion>
      )}
    </section>
  );
}
