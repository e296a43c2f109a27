import { stated } from '@wired-falcon/core';

interface HoleRowProps {
  readonly title: string;
  readonly holes: readonly number[];
  readonly chosen: number;
  readonly onChoose: (mm: number) => void;
}

/** The holes of an arm or a horn, one of which is in use. */
export function HoleRow({ title, holes, chosen, onChoose }: HoleRowProps) {
  return (
    <fieldset className="no-print mt-1 flex flex-wrap items-center gap-1 text-[12.5px]">
      <legend className="float-left w-32">{title}</legend>
      {holes.map((mm) => (
        <button
          key={mm}
          type="button"
          aria-pressed={mm === chosen}
          aria-label={stated(mm, 'mm')}
          className={`value min-h-6 border border-ink px-2 ${mm === chosen ? 'bg-ink text-sheet' : ''}`}
          onClick={() => onChoose(mm)}
        >
          {mm}
        </button>
      ))}
      <span className="text-ink2">mm</span>
    </fieldset>
  );
}
