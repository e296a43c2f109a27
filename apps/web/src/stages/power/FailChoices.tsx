import type { FaultLine } from '@wired-falcon/core';
import type { SweepState } from './useFaults.ts';

/** What can fail: the reference of an item or the tag of a cable, and the tags of the cables whose wires count too. */
export interface FailSubject {
  readonly name: string;
  readonly tags: readonly string[];
}

interface FailChoicesProps {
  readonly state: SweepState;
  /** What is chosen, in the river or elsewhere: an item with the cables at it, or a cable alone. */
  readonly subject: FailSubject | undefined;
  readonly chosen: string | undefined;
  readonly onChoose: (fault: FaultLine) => void;
}

/** The ways in which what is chosen can fail, its wires and plugs too, to see at once what each does. */
export function FailChoices({ state, subject, chosen, onChoose }: FailChoicesProps) {
  if (state.is !== 'done' || subject === undefined) return null;
  const own = state.sweep.lines.flatMap((line) => {
    const name = line.names.find((candidate) => isOf(candidate, subject));
    return name === undefined ? [] : [{ line, name }];
  });
  if (own.length === 0) return null;
  return (
    <div role="group" aria-label={`Fail ${subject.name}`} className="mt-2 flex flex-wrap items-center gap-1.5 text-[13px]">
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

function isOf(fault: string, { name, tags }: FailSubject): boolean {
  return [name, ...tags].some((one) => fault.startsWith(`${one} `)) || fault.includes(` pulled at ${name} `);
}
