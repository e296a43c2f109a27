import { useState } from 'react';
import { isJsonList, isJsonObject, jsonAt, PIN_ROLES, type FormField } from '@wired-falcon/core';
import { pathText, textOf, useDraft } from './DraftContext.tsx';
import { FieldFor } from './FieldFor.tsx';
import { plainText, TypedField } from './TypedField.tsx';
import { HeadRow } from '../../ui/HeadRow.tsx';

type Group = Extract<FormField, { is: 'group' }>;

interface PinsTableProps {
  readonly port: number;
  readonly form: Group | undefined;
  readonly onMove: (from: number, to: number) => void;
  readonly onAdd: () => void;
  readonly onRemove: (pin: number) => void;
}

const LEVELS = [1.8, 3.3, 5, 12] as const;
/** What a signal of each level usually stands, as a start. */
const USUAL_MAX: Readonly<Record<number, number>> = { 1.8: 2, 3.3: 3.6, 5: 5.5, 12: 15 };

/** The pins of a port in physical order, pin 1 first. What names a pin goes with it when it is moved. */
export function PinsTable({ port, form, onMove, onAdd, onRemove }: PinsTableProps) {
  const { draft, set, problems } = useDraft();
  const [open, setOpen] = useState<number>();
  const path = ['ports', port, 'pins'];
  const list = jsonAt(draft, path);
  const pins = isJsonList(list) ? list : [];
  return (
    <div className="mt-3">
      <table className="w-full text-[13px]">
        <caption className="pb-1 text-left font-semibold">Pins, in physical order</caption>
        <HeadRow heads={[{ text: 'n', className: 'w-7' }, 'Label', 'Role', 'Level V', 'Maximum V', { text: 'Order', isHidden: true }]} />
        <tbody>
          {pins.map((pin, i) => {
            const n = i + 1;
            const logic = jsonAt(pin, ['logic']);
            return (
              <tr key={i} className="border-b border-rule">
                <td className="value">{n}</td>
                <td className="py-0.5 pr-1.5">
                  <TypedField
                    label={`pin ${n} label`}
                    isLabelHidden
                    value={jsonAt(pin, ['label'])}
                    textOf={plainText}
                    parse={(text) => text}
                    maxLength={12}
                    problem={problems.get(pathText([...path, i, 'label']))}
                    onValue={(now) => set([...path, i, 'label'], now)}
                  />
                </td>
                <td className="pr-1.5">
                  <select
                    aria-label={`pin ${n} role`}
                    className="field value w-full"
                    value={textOf(pin, 'role')}
                    onChange={(event) => set([...path, i, 'role'], event.target.value)}
                  >
                    {PIN_ROLES.map((role) => (
                      <option key={role} value={role}>
                        {role}
                      </option>
                    ))}
                  </select>
                </td>
                <td className="w-[74px] pr-1.5">
                  <select
                    aria-label={`pin ${n} level`}
                    className="field value w-full"
                    value={textOf(logic, 'highV')}
                    onChange={(event) => {
                      const highV = Number(event.target.value);
                      set(
                        [...path, i, 'logic'],
                        event.target.value === ''
                          ? undefined
                          : { ...(isJsonObject(logic) ? logic : { inputMaxV: USUAL_MAX[highV] ?? 5.5 }), highV },
                      );
                    }}
                  >
                    <option value="">none</option>
                    {LEVELS.map((level) => (
                      <option key={level} value={level}>
                        {level}
                      </option>
                    ))}
                  </select>
                </td>
                <td className="value w-[64px]">{textOf(logic, 'inputMaxV')}</td>
                <td className="whitespace-nowrap text-right text-[12px]">
                  <button
                    type="button"
                    className="min-h-6 min-w-6 px-1 underline disabled:text-ink2"
                    disabled={i === 0}
                    onClick={() => onMove(i, i - 1)}
                    aria-label={`Move pin ${n} up`}
                  >
                    up
                  </button>
                  <button
                    type="button"
                    className="min-h-6 min-w-6 px-1 underline disabled:text-ink2"
                    disabled={n === pins.length}
                    onClick={() => onMove(i, i + 1)}
                    aria-label={`Move pin ${n} down`}
                  >
                    down
                  </button>
                  <button
                    type="button"
                    className="min-h-6 min-w-6 px-1 underline"
                    aria-expanded={open === i}
                    aria-label={`More of pin ${n}`}
                    onClick={() => setOpen(open === i ? undefined : i)}
                  >
                    more
                  </button>
                  <button
                    type="button"
                    className="min-h-6 min-w-6 px-1 underline"
                    disabled={pins.length === 1}
                    onClick={() => onRemove(i)}
                    aria-label={`Remove pin ${n}`}
                  >
                    out
                  </button>
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <button type="button" className="action mt-2" onClick={onAdd}>
        Add pin
      </button>
      {open !== undefined && form !== undefined && open < pins.length && (
        <PinMore key={open} form={form} path={[...path, open]} n={open + 1} />
      )}
    </div>
  );
}

/** What of a pin is not in the table: the rest of its level, and what it becomes under a setting. */
function PinMore({ form, path, n }: { readonly form: Group; readonly path: (string | number)[]; readonly n: number }) {
  const { draft } = useDraft();
  const logic = form.members.find((member) => member.name === 'logic')?.field;
  const becomes = form.members.find((member) => member.name === 'becomes')?.field;
  return (
    <div className="mt-2 border-t border-rule pt-1">
      {logic !== undefined && jsonAt(draft, [...path, 'logic']) !== undefined && (
        <FieldFor field={logic} path={[...path, 'logic']} label={`Level of pin ${n}`} />
      )}
      {becomes !== undefined && <FieldFor field={becomes} path={[...path, 'becomes']} label={`pin ${n} changes`} />}
    </div>
  );
}
