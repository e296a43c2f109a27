import { useState } from 'react';
import { naturalOrder, type RcPlan, type RcSwitch } from '@wired-falcon/core';
import { HeadRow } from '../../../ui/HeadRow.tsx';
import { useRcEdits } from './useRcEdits.ts';

const POSITIONS = [2, 3, 6] as const;

/** The switches of the radio with their positions. */
export function SwitchList({ rc }: { readonly rc: RcPlan }) {
  const { setSwitch } = useRcEdits();
  const ids = Object.keys(rc.switches).sort(naturalOrder);
  const add = (): void => {
    const n = Array.from({ length: ids.length + 1 }, (_, i) => i + 1).find((one) => rc.switches[`s${one}`] === undefined) ?? ids.length + 1;
    setSwitch(`s${n}`, { title: `switch ${n}`, positions: 3 });
  };
  return (
    <section aria-label="Switches of the radio">
      <h3 className="text-[15px] font-bold">Switches of the radio</h3>
      <table className="mt-1 text-[12.5px]">
        <HeadRow heads={['Name', 'Positions', 'Channels', { text: 'Remove', isHidden: true }]} cell="pr-4" />
        <tbody>
          {ids.map((id) => {
            const one = rc.switches[id];
            return one === undefined ? null : (
              <tr key={id} className="border-b border-rule" data-switch={id}>
                <td className="py-0.5 pr-4">
                  <TitleField one={one} onSave={(title) => setSwitch(id, { ...one, title })} />
                </td>
                <td className="pr-4">
                  <select
                    className="field"
                    aria-label={`Positions of ${one.title}`}
                    value={one.positions}
                    onChange={(event) => {
                      const positions = POSITIONS.find((count) => String(count) === event.target.value);
                      if (positions !== undefined) setSwitch(id, { ...one, positions });
                    }}
                  >
                    {POSITIONS.map((count) => (
                      <option key={count} value={count}>
                        {count}
                      </option>
                    ))}
                  </select>
                </td>
                <td className="value pr-4">{channelsOf(rc, id).join(', ')}</td>
                <td>
                  <button type="button" className="underline" aria-label={`Remove ${one.title}`} onClick={() => setSwitch(id, null)}>
                    remove
                  </button>
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <button type="button" className="action mt-2" onClick={add}>
        Add a switch
      </button>
    </section>
  );
}

function channelsOf({ channels }: RcPlan, id: string): readonly string[] {
  return Object.keys(channels)
    .filter((no) => {
      const from = channels[no]?.from;
      return from?.is === 'switches' && from.switches.includes(id);
    })
    .sort(naturalOrder);
}

function TitleField({ one, onSave }: { readonly one: RcSwitch; readonly onSave: (title: string) => void }) {
  const [text, setText] = useState<string>();
  const save = (): void => {
    const title = text?.trim() ?? '';
    if (title !== '' && title !== one.title) onSave(title.slice(0, 24));
    setText(undefined);
  };
  return (
    <input
      className="field w-32"
      aria-label={`Name of ${one.title}`}
      maxLength={24}
      value={text ?? one.title}
      onChange={(event) => setText(event.target.value)}
      onBlur={save}
      onKeyDown={(event) => event.key === 'Enter' && save()}
    />
  );
}
