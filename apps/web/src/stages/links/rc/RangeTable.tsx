import { useState } from 'react';
import {
  givesName,
  naturalOrder,
  RANGE_GIVES,
  rcChannelsOf,
  STRIP_US,
  type Design,
  type ModeRange,
  type RangeGives,
} from '@wired-falcon/core';
import { makeId } from '../../../session/author.ts';
import { HeadRow } from '../../../ui/HeadRow.tsx';
import { NumberField } from '../../../ui/NumberField.tsx';
import { WideRegion } from '../../../ui/WideRegion.tsx';
import { firmwareName } from './firmwareName.ts';
import { useRcEdits } from './useRcEdits.ts';

/** The ranges of values that give modes, to be changed; and a row to add one. */
export function RangeTable({ design }: { readonly design: Design }) {
  const { setRange } = useRcEdits();
  const ranges = Object.entries(design.aircraft.rc.ranges).sort(
    ([, a], [, b]) => naturalOrder(a.channel, b.channel) || a.fromUs - b.fromUs || a.toUs - b.toUs,
  );
  return (
    <section aria-label="Ranges" className="min-w-0">
      <h3 className="text-[15px] font-bold">Ranges</h3>
      <WideRegion label="Ranges of values">
        <table className="mt-1 text-[12.5px]">
          <HeadRow heads={['Selects', 'Channel', 'From', 'To, us', 'Only with', { text: 'Remove', isHidden: true }]} cell="pr-2" />
          <tbody>
            {ranges.map(([id, range]) => (
              <RangeRow key={id} design={design} range={range} onSave={(value) => setRange(id, value)} />
            ))}
          </tbody>
        </table>
      </WideRegion>
      <AddRange design={design} onAdd={(range) => setRange(`r-${makeId()}`.slice(0, 40), range)} />
    </section>
  );
}

interface RangeRowProps {
  readonly design: Design;
  readonly range: ModeRange;
  readonly onSave: (range: ModeRange | null) => void;
}

function RangeRow({ design, range, onSave }: RangeRowProps) {
  const name = givesName(range.gives);
  const firmware = firmwareName(design, range.gives);
  const { with: also, ...plain } = range;
  return (
    <tr className="border-b border-rule" data-mode={range.gives}>
      <td className="py-0.5 pr-2">
        <GivesField
          label={`Mode of channel ${range.channel} from ${range.fromUs} us`}
          design={design}
          value={range.gives}
          onChange={(gives) => onSave({ ...range, gives })}
        />
        {firmware !== undefined && <span className="value ml-1 text-[11px] text-ink2">{firmware}</span>}
      </td>
      <td className="pr-2">
        <ChannelField
          label={`Channel of ${name}`}
          design={design}
          value={range.channel}
          onChange={(channel) => onSave({ ...range, channel })}
        />
      </td>
      <td className="pr-2">
        <Edge
          label={`${name} from`}
          value={range.fromUs}
          least={STRIP_US.least}
          most={range.toUs - 1}
          onSave={(fromUs) => onSave({ ...range, fromUs })}
        />
      </td>
      <td className="pr-2">
        <Edge
          label={`${name} to`}
          value={range.toUs}
          least={range.fromUs + 1}
          most={STRIP_US.most}
          onSave={(toUs) => onSave({ ...range, toUs })}
        />
      </td>
      <td className="pr-2">
        <span className="flex items-center gap-1">
          <ChannelField
            label={`${name} only with channel`}
            none="any"
            design={design}
            value={also?.channel}
            onChange={(channel) =>
              onSave(channel === '' ? plain : { ...plain, with: { fromUs: 1700, toUs: STRIP_US.most, ...also, channel } })
            }
          />
          {also !== undefined && (
            <>
              <Edge
                label={`${name} only with, from`}
                value={also.fromUs}
                least={STRIP_US.least}
                most={also.toUs - 1}
                onSave={(fromUs) => onSave({ ...plain, with: { ...also, fromUs } })}
              />
              <Edge
                label={`${name} only with, to`}
                value={also.toUs}
                least={also.fromUs + 1}
                most={STRIP_US.most}
                onSave={(toUs) => onSave({ ...plain, with: { ...also, toUs } })}
              />
            </>
          )}
        </span>
      </td>
      <td>
        <button
          type="button"
          className="underline"
          aria-label={`Remove ${name}, ${range.fromUs} to ${range.toUs} us`}
          onClick={() => onSave(null)}
        >
          remove
        </button>
      </td>
    </tr>
  );
}

interface EdgeProps {
  readonly label: string;
  readonly value: number;
  readonly least: number;
  readonly most: number;
  readonly onSave: (us: number) => void;
}

function Edge({ label, value, least, most, onSave }: EdgeProps) {
  return (
    <NumberField
      label={`${label}, us`}
      isLabelHidden
      isUnitHidden
      unit="us"
      value={value}
      least={least}
      most={most}
      onSave={(us) => us !== undefined && onSave(us)}
    />
  );
}

interface GivesFieldProps {
  readonly label: string;
  readonly design: Design;
  readonly value: RangeGives;
  readonly onChange: (gives: RangeGives) => void;
}

/** The modes that the firmware has, first; the others are offered too, and a check says that it has them not. */
function GivesField({ label, design, value, onChange }: GivesFieldProps) {
  const known = RANGE_GIVES.filter((gives) => gives === 'armed' || firmwareName(design, gives) !== undefined || gives === value);
  return (
    <select
      className="field w-36"
      aria-label={label}
      value={value}
      onChange={(event) => {
        const gives = RANGE_GIVES.find((one) => one === event.target.value);
        if (gives !== undefined) onChange(gives);
      }}
    >
      {known.map((gives) => (
        <option key={gives} value={gives}>
          {givesName(gives)}
        </option>
      ))}
    </select>
  );
}

interface ChannelFieldProps {
  readonly label: string;
  readonly design: Design;
  readonly value: string | undefined;
  /** What stands for no channel, where that may be. */
  readonly none?: string;
  readonly onChange: (channel: string) => void;
}

function ChannelField({ label, design, value = '', none, onChange }: ChannelFieldProps) {
  const numbers = [...new Set([...rcChannelsOf(design).map(([no]) => no), ...(value === '' ? [] : [value])])].sort(naturalOrder);
  return (
    <select className="field" aria-label={label} value={value} onChange={(event) => onChange(event.target.value)}>
      {none !== undefined && <option value="">{none}</option>}
      {numbers.map((no) => (
        <option key={no} value={no}>
          {no}
        </option>
      ))}
    </select>
  );
}

function AddRange({ design, onAdd }: { readonly design: Design; readonly onAdd: (range: ModeRange) => void }) {
  const modes = RANGE_GIVES.filter((gives) => gives === 'armed' || firmwareName(design, gives) !== undefined);
  const [gives, setGives] = useState<RangeGives>();
  const chosen = gives ?? modes[1] ?? 'manual';
  const channel = rcChannelsOf(design).find(([, { use }]) => use === (chosen === 'armed' ? 'arm' : 'mode'))?.[0] ?? '5';
  return (
    <form
      aria-label="Another range"
      className="no-print mt-2 flex items-center gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        onAdd({ channel, gives: chosen, ...freeSpan(design, channel) });
      }}
    >
      <GivesField label="Mode to add" design={design} value={chosen} onChange={setGives} />
      <button type="submit" className="action">
        Add a range
      </button>
    </form>
  );
}

/** The first values of a channel that belong to nothing, or its upper end. */
function freeSpan(design: Design, channel: string): { readonly fromUs: number; readonly toUs: number } {
  let from: number = STRIP_US.least;
  const taken = Object.values(design.aircraft.rc.ranges)
    .filter((range) => range.channel === channel)
    .sort((a, b) => a.fromUs - b.fromUs);
  for (const { fromUs, toUs } of taken) {
    if (fromUs > from) return { fromUs: from, toUs: fromUs };
    from = Math.max(from, toUs);
  }
  return from < STRIP_US.most ? { fromUs: from, toUs: STRIP_US.most } : { fromUs: 1900, toUs: STRIP_US.most };
}
