import { momentText } from '@wired-falcon/core';
import type { DumpResponse } from '@wired-falcon/contract';
import { HeadRow } from '../../ui/HeadRow.tsx';
import { NotComputed } from '../../ui/NotComputed.tsx';
import { WideRegion } from '../../ui/WideRegion.tsx';
import { useCalculated } from '../../workers/useCalculated.ts';
import type { between, BetweenAsk } from './calculators.ts';

interface BetweenDumpsProps {
  readonly first: DumpResponse;
  readonly second: DumpResponse;
  readonly ask: BetweenAsk;
  readonly onClose: () => void;
}

/** What two dumps have otherwise, whatever the plan says. */
export function BetweenDumps({ first, second, ask, onClose }: BetweenDumpsProps) {
  const { shown, failure } = useCalculated<typeof between>('firmware.between', ask);
  const answer = shown !== undefined && shown.ask === ask ? shown.answer : undefined;
  return (
    <section aria-label="Between two dumps" className="mt-4 text-[13px]" data-testid="between-dumps" data-ready={answer !== undefined}>
      <h3 className="text-[15px] font-bold">
        From {momentText(first.at)} to {momentText(second.at)}
      </h3>
      <NotComputed what="The two dumps could not be compared" failure={failure} />
      {answer === undefined ? null : 'sentence' in answer ? (
        <p>{answer.sentence}</p>
      ) : answer.length === 0 ? (
        <p>The two dumps are the same in every line.</p>
      ) : (
        <WideRegion label="Lines that differ between the two dumps">
          <table className="w-full min-w-[560px] text-[12.5px]">
            <HeadRow heads={['Line', 'First', 'Second', 'Meaning']} cell="pr-3" />
            <tbody>
              {answer.map((row) => (
                <tr key={`${row.section} ${row.name}`} className="border-b border-grid" data-between={row.is}>
                  <td className="value pr-3">{row.name}</td>
                  <td className="value pr-3">{row.first?.text ?? 'not there'}</td>
                  <td className="value pr-3">{row.second?.text ?? 'not there'}</td>
                  <td>{row.class === 'unknown' ? 'not in the dialect' : row.class}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </WideRegion>
      )}
      <button type="button" className="action no-print mt-2" onClick={onClose}>
        Close this comparison
      </button>
    </section>
  );
}
