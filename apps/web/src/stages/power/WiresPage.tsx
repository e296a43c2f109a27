import { quantity, current } from '@wired-falcon/core';
import { useState } from 'react';
import type { ScenarioReport, WireProposal } from '@wired-falcon/core';
import { useMake } from '../../session/SessionContext.tsx';
import { NotComputed } from '../../ui/NotComputed.tsx';
import { Swatch } from '../../ui/Swatch.tsx';
import { useCalculated } from '../../workers/useCalculated.ts';
import type { wires } from './calculators.ts';
import { usePower } from './PowerFrame.tsx';
import { HeadRow } from '../../ui/HeadRow.tsx';
import { useReadersUnits } from '../../ui/readersUnits.ts';

/** The gauge that each supply wire should have, and what the current sensors will and will not count. */
export function WiresPage() {
  const power = usePower();
  const { shown, failure } = useCalculated<typeof wires>('power.wires', null);
  const scenarios = power?.answer.scenarios.filter(({ charge }) => charge !== undefined) ?? [];
  return (
    <div className="px-5 py-3" data-testid="wires" data-power-seq={shown?.seq ?? 0}>
      <Sensors scenarios={scenarios} />
      <h2 className="mt-5 text-[15px] font-bold">Gauge and drop of every supply wire</h2>
      <NotComputed what="The wires of this version could not be sized" failure={failure} />
      {shown === undefined && failure !== undefined ? null : shown === undefined ? (
        <p className="text-ink2">Solving every situation ...</p>
      ) : (
        <Wires wires={shown.answer} />
      )}
    </div>
  );
}

function Sensors({ scenarios }: { readonly scenarios: readonly ScenarioReport[] }) {
  const [id, setId] = useState('cruise');
  const shown = scenarios.find((scenario) => scenario.id === id) ?? scenarios[0];
  if (shown === undefined) return null;
  const { sensors, packs } = shown.sense;
  return (
    <section aria-label="Current sensors">
      <h2 className="flex items-center gap-3 text-[15px] font-bold">
        Readings of the current sensors
        <select className="field font-normal" aria-label="Situation" value={shown.id} onChange={(event) => setId(event.target.value)}>
          {scenarios.map((scenario) => (
            <option key={scenario.id} value={scenario.id}>
              {scenario.title}
            </option>
          ))}
        </select>
      </h2>
      {sensors.length === 0 && <p className="text-[13px]">There is no current sensor in this aircraft.</p>}
      <table className="mt-1 w-full max-w-[760px] text-[13px]">
        <tbody>
          {sensors.map(({ name, amps, fullScaleA }) => (
            <tr key={name} className="border-b border-rule">
              <td className="font-semibold">{name}</td>
              <td className="value text-right">{current(amps)}</td>
              <td className="pl-3 text-ink2">
                range {current(fullScaleA)}
                {amps > fullScaleA && <b className="text-rust">: out of range</b>}
              </td>
            </tr>
          ))}
          {packs.map(({ ref, amps, unseenA, unseen }) => (
            <tr key={ref} className="border-b border-rule">
              <td className="font-semibold">{ref} gives</td>
              <td className="value text-right">{current(amps)}</td>
              <td className="pl-3">
                {unseenA < 0.001 ? (
                  'all measured'
                ) : (
                  <>
                    not measured: <span className="value">{current(unseenA)}</span> ({unseen.map(({ name }) => name).join(', ')}),{' '}
                    {quantity(unseenA * 1000, 'mAh')} an hour
                  </>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

function Wires({ wires }: { readonly wires: readonly WireProposal[] }) {
  const { unit, figure } = useReadersUnits();
  const make = useMake();
  if (wires.length === 0) return <p className="text-[13px]">No supply wires yet.</p>;
  return (
    <table className="mt-1 w-full text-[13px]">
      <HeadRow heads={['Wire', unit('mm'), 'Highest', 'rated', 'in', 'Drop', 'allowed', 'in', 'AWG', 'Proposed']} />
      <tbody>
        {wires.map((wire) => (
          <tr key={`${wire.cable} ${wire.conductor}`} className="border-b border-rule">
            <td>
              <span className="font-semibold">{wire.tag}</span> {wire.contact} <Swatch colour={wire.colour} />
            </td>
            <td className="value">{figure(wire.lengthMm, 'mm')}</td>
            <td className={`value ${wire.amps > wire.limitA ? 'font-semibold text-rust' : ''}`}>{current(wire.amps)}</td>
            <td className="value">{current(wire.limitA)}</td>
            <td>{wire.hottestIn}</td>
            <td className={`value ${wire.dropV > wire.allowedV ? 'font-semibold text-rust' : ''}`}>{quantity(wire.dropV, 'V')}</td>
            <td className="value">{quantity(wire.allowedV, 'V')}</td>
            <td>{wire.longestIn}</td>
            <td className="value">{wire.awg}</td>
            <td>
              <Proposal
                wire={wire}
                onTake={(awg) => make({ kind: 'set-conductor-gauge', cable: wire.cable, conductor: wire.conductor, awg, was: wire.awg })}
              />
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Proposal({
  wire: { tag, contact, awg, proposedAwg },
  onTake,
}: {
  readonly wire: WireProposal;
  readonly onTake: (awg: number) => void;
}) {
  if (proposedAwg === undefined) return <span className="text-rust">none that fits its contacts</span>;
  if (proposedAwg === awg) return <span className="value">{awg}</span>;
  // A thinner wire is worth a word, not a button: the sum does not know what the wire must stand when another one breaks.
  if (proposedAwg > awg) return <span className="text-ink2">{proposedAwg} is enough</span>;
  return (
    <button
      type="button"
      className="action"
      aria-label={`Use AWG ${proposedAwg} for ${tag} wire ${contact}`}
      onClick={() => onTake(proposedAwg)}
    >
      Use <span className="value">{proposedAwg}</span>
    </button>
  );
}
