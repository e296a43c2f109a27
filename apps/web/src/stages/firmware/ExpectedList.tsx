import type { ExpectedResult } from '@wired-falcon/core';
import type { CodeProblem } from '../../ui/CodeField.tsx';

interface ExpectedListProps {
  readonly results: readonly ExpectedResult[];
  readonly problems: readonly CodeProblem[];
}

/** What became of the tests that are written down. */
export function ExpectedList({ results, problems }: ExpectedListProps) {
  const met = results.filter(({ isMet }) => isMet).length;
  return (
    <div role="status" className="mt-1 text-[13px]" data-testid="expected" data-met={met} data-unmet={results.length - met}>
      {results.length > 0 && (
        <p className="font-semibold">
          {met === results.length
            ? `${met === 1 ? 'The test is' : `All ${met} tests are`} met.`
            : `${results.length - met} of ${results.length} tests are not met.`}
        </p>
      )}
      {problems.map(({ line, sentence }) => (
        <p key={line} className="text-rust">
          Line {line}: {sentence}
        </p>
      ))}
      {results
        .filter(({ isMet }) => !isMet)
        .map(({ expected, gives }) => (
          <p key={expected.line} className="text-rust">
            Expected <span className="value">{expected.line}</span>;{' '}
            {gives.length === 0 ? 'the dialect writes no line of these facts' : `the dialect writes ${gives.join(', ')}`}.
          </p>
        ))}
    </div>
  );
}
