import { useState, type ReactNode } from 'react';
import { LIMITS, type Spot } from '@wired-falcon/core';
import { NumberField } from '../../ui/NumberField.tsx';
import { HeadRow } from '../../ui/HeadRow.tsx';

interface SectionProps {
  readonly title: string;
  readonly head: readonly string[];
  readonly children: ReactNode;
  readonly onAdd: (() => void) | undefined;
  readonly addText: string;
}

/** A table of things of an airframe, with a way to add one. */
export function Section({ title, head, children, onAdd, addText }: SectionProps) {
  return (
    <section className="mt-4" aria-label={title}>
      <h3 className="text-[13px] font-semibold text-ink2">{title}</h3>
      <table className="mt-1 text-[13px]">
        <HeadRow cell="py-1 pr-3" heads={[...head, { text: 'Remove', isHidden: true }]} />
        <tbody>{children}</tbody>
      </table>
      {onAdd !== undefined && (
        <button type="button" className="action mt-2" onClick={onAdd}>
          {addText}
        </button>
      )}
    </section>
  );
}

const AXES = [0, 1, 2] as const;

interface SpotCellsProps {
  readonly of: string;
  readonly spot: Spot;
  readonly least: number;
  readonly names?: readonly [string, string, string];
  readonly onSave: (spot: Spot) => void;
}

/** Three lengths, each in a cell of its own. */
export function SpotCells({ of, spot, least, names = ['station', 'butt line', 'water line'], onSave }: SpotCellsProps) {
  const save = (axis: 0 | 1 | 2, value: number): void =>
    onSave([axis === 0 ? value : spot[0], axis === 1 ? value : spot[1], axis === 2 ? value : spot[2]]);
  return AXES.map((axis) => (
    <td key={axis} className="py-0.5 pr-1.5">
      <NumberField
        isLabelHidden
        label={`${of}, ${names[axis]}`}
        unit="mm"
        isUnitHidden
        value={spot[axis]}
        least={least}
        most={LIMITS.lengthMmMax}
        onSave={(value) => value !== undefined && save(axis, value)}
      />
    </td>
  ));
}

interface TextCellProps {
  readonly label: string;
  readonly text: string;
  readonly placeholder?: string;
  readonly onSave: (text: string) => void;
}

/** A short text in a cell; saved when it is left or Enter is pressed. */
export function TextCell({ label, text: was, placeholder, onSave }: TextCellProps) {
  const [text, setText] = useState(was);
  const save = (): void => {
    if (text.trim() !== was) onSave(text.trim());
  };
  return (
    <td className="py-0.5 pr-3">
      <input
        className="field w-40"
        aria-label={label}
        maxLength={LIMITS.labelChars}
        placeholder={placeholder}
        value={text}
        onChange={(event) => setText(event.target.value)}
        onBlur={save}
        onKeyDown={(event) => event.key === 'Enter' && save()}
      />
    </td>
  );
}

export function TakeOut({ of, onTake }: { readonly of: string; readonly onTake: () => void }) {
  return (
    <td>
      <button type="button" className="text-[12.5px] text-ink2 underline" aria-label={`Remove ${of}`} onClick={onTake}>
        remove
      </button>
    </td>
  );
}
