import {
  ARM_WAYS,
  armWays,
  HORN_SIDES,
  hornSides,
  LINKAGE_FIGURES,
  type Linkage,
  type LinkageFigure,
  type LinkedServo,
} from '@wired-falcon/core';
import { NumberField } from '../../../ui/NumberField.tsx';
import { useLinkageEdits } from './useLinkageEdits.ts';

const MEASURED = ['armMm', 'hornMm', 'distanceMm'] as const;
/** The figures that may be left open, with what holds then. */
const OPTIONAL: readonly (readonly [Exclude<LinkageFigure, (typeof MEASURED)[number]>, string?])[] = [
  ['heightMm'],
  ['armDeg'],
  ['hornDeg'],
  ['rodMm', 'to fit'],
  ['servoDeg'],
  ['clevisMm'],
  ['chordMm', 'as drawn'],
  ['lengthMm', 'as drawn'],
  ['momentPerRad'],
];

/** The figures of a linkage, and which way it is built. */
export function LinkageForm({ linked, linkage }: { readonly linked: LinkedServo; readonly linkage: Linkage }) {
  const { set, leaveOpen } = useLinkageEdits(linked);
  return (
    <section aria-label="Linkage dimensions">
      <h4 className="font-semibold">Figures</h4>
      {MEASURED.map((name) => (
        <NumberField
          key={name}
          label={LINKAGE_FIGURES[name].title}
          unit="mm"
          value={linkage[name]}
          least={LINKAGE_FIGURES[name].least}
          most={LINKAGE_FIGURES[name].most}
          onSave={(value) => value !== undefined && set({ ...linkage, [name]: value })}
        />
      ))}
      {OPTIONAL.map(([name, words]) => {
        const { title, unit, least, most, usual } = LINKAGE_FIGURES[name];
        return (
          <NumberField
            key={name}
            label={title}
            unit={unit === 'per rad' ? undefined : unit}
            value={linkage[name]}
            least={least}
            most={most}
            usual={{ value: usual, ...(words === undefined ? {} : { words }) }}
            onSave={(value) => {
              const { [name]: _was, ...rest } = linkage;
              set(value === undefined ? rest : { ...rest, [name]: value });
            }}
          />
        );
      })}
      <Choice label="Horn" titles={HORN_SIDES} options={hornSides} value={linkage.horn} onChange={(horn) => set({ ...linkage, horn })} />
      <Choice label="A longer pulse" titles={ARM_WAYS} options={armWays} value={linkage.arm} onChange={(arm) => set({ ...linkage, arm })} />
      <label className="flex min-h-7 items-center gap-2 text-[13px]">
        <input
          type="checkbox"
          checked={linkage.crossed === true}
          onChange={(event) => {
            const { crossed: _was, ...rest } = linkage;
            set(event.target.checked ? { ...rest, crossed: true } : rest);
          }}
        />
        Arm and horn point to opposite sides
      </label>
      <button type="button" className="no-print text-[13px] underline" onClick={leaveOpen}>
        Clear the linkage
      </button>
    </section>
  );
}

interface ChoiceProps<T extends string> {
  readonly label: string;
  readonly titles: Readonly<Record<T, string>>;
  readonly options: readonly T[];
  readonly value: T;
  readonly onChange: (value: T) => void;
}

function Choice<T extends string>({ label, titles, options, value, onChange }: ChoiceProps<T>) {
  return (
    <label className="flex items-center justify-between gap-2 py-0.5 text-[13px]">
      <span>{label}</span>
      <select
        className="field w-40"
        value={value}
        onChange={(event) => {
          const next = options.find((one) => one === event.target.value);
          if (next !== undefined) onChange(next);
        }}
      >
        {options.map((one) => (
          <option key={one} value={one}>
            {titles[one]}
          </option>
        ))}
      </select>
    </label>
  );
}
