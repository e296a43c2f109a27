import type { FaultLine } from '@wired-falcon/core';
import type { SweepState } from './useFaults.ts';

interface FailChoicesProps {
  readonly state: SweepState;
  /** The reference of the item that is chosen in the river. */
  readonly itemRef: string | undefined;
  readonly chosen: string | undefined;
  readonly onChoose: (fault: FaultLine) => void;
}

/** The ways in which the chosen item can fail, to see at once what each does. */
export function FailChoices({ state, itemRef, chosen, onChoose }: FailChoicesProps) {
  if (state.is !== 'done' || itemRef === undefined) return null;
  const own = state.sweep.lines.flatMap((line) => {
    const name = line.names.find((candidate) => candidate.startsWith(`${itemRef} `) || candidate.includes(` pulled at ${itemRef} `));
    return name === undefined ? [] : [{ line, name }];
  });
  if (own.length === 0) return null;
  return (
    <div role="group" aria-label={`Fail ${itemRef}`} className="mt-2 flex flex-wrap items-center gap-1.5 text-[13px]">
      <span className="text-ink2">Fail:</span>
      {own.map(({ line, name }) => (
        <button
          key={line.id}
          type="button"
          aria-pressed={line.id === chosen}
          className={`min-h-6 border px-2 ${line.id === chosen ? 'border-ink bg-ink text-sheet' : 'border-rule'}`}
          onClick={() => onChoose(line)}
        >
          {name}
        </button>
      ))}
    </div>
  );
}
