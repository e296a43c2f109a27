import { useState } from 'react';
import { isPulseKind, PULSE_KINDS, pulseKinds, RATE_HZ, type Bank, type Graph } from '@wired-falcon/core';
import { NumberField } from '../../ui/NumberField.tsx';
import { useOutputEdits } from './useOutputEdits.ts';

/** PWM begins with what every servo takes. */
const FIRST_HZ = 50;

/** What a bank makes: the kind of pulses, and how many a second. */
export function PulsesField({ graph, bank }: { readonly graph: Graph; readonly bank: Bank }) {
  const { setBank } = useOutputEdits(graph);
  const { id, use, slots } = bank;
  const able = pulseKinds.filter((kind) => kind === use?.kind || slots.some(({ kinds }) => kinds.includes(kind)));
  const [lastHz, setLastHz] = useState(FIRST_HZ);
  return (
    <span className="flex items-center gap-2 text-[12.5px]">
      <select
        className="field"
        aria-label={`Pulses of bank ${id}`}
        value={use?.kind ?? ''}
        onChange={(event) => {
          const kind = event.target.value;
          if (!isPulseKind(kind)) setBank(bank, null);
          else setBank(bank, PULSE_KINDS[kind].hasRate ? { kind, rateHz: use?.rateHz ?? lastHz } : { kind });
        }}
      >
        <option value="">not planned</option>
        {able.map((kind) => (
          <option key={kind} value={kind}>
            {PULSE_KINDS[kind].title}
          </option>
        ))}
      </select>
      {use?.rateHz !== undefined && (
        <NumberField
          label={`Rate of bank ${id}`}
          isLabelHidden
          unit="Hz"
          value={use.rateHz}
          least={RATE_HZ.least}
          most={RATE_HZ.most}
          onSave={(rateHz) => {
            if (rateHz === undefined) return;
            setLastHz(rateHz);
            setBank(bank, { kind: use.kind, rateHz });
          }}
        />
      )}
    </span>
  );
}
