import { Radio, RadioGroup } from '@headlessui/react';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import {
  asId,
  fitPinMap,
  PIN_MAP_PRESETS,
  proposeCable,
  straightCableHarm,
  withFreshIds,
  type CableId,
  type Graph,
  type PinAddress,
  type PinMapPreset,
  type PortAt,
} from '@wired-falcon/core';
import { paths } from '../../addresses/paths.ts';
import { makeId } from '../../session/author.ts';
import { useSelection } from '../../selection/SelectionContext.tsx';
import { useSession } from '../../session/SessionContext.tsx';
import { portOfPin } from '../../selection/portOfPin.ts';

const PRESETS: readonly PinMapPreset[] = ['meaning', 'straight', 'mirrored', 'supply-pulled', 'none'];

/** Two ports and the ways to join them: the effect of each on every pin stands there before one is taken. */
export function JoinProposal({ from, to, graph }: { readonly from: PinAddress; readonly to: PinAddress; readonly graph: Graph }) {
  const [preset, setPreset] = useState<PinMapPreset>('meaning');
  const session = useSession();
  const { select } = useSelection();
  const navigate = useNavigate();
  const [a, b] = [portOfPin(graph, from), portOfPin(graph, to)];
  if (a === undefined || b === undefined) return <p className="mt-2">One of these ports is no longer there.</p>;
  const harm = straightCableHarm(graph, a, b);
  const take = (): void => {
    const edit = withFreshIds(proposeCable(graph, a, b, preset).edit, makeId);
    const made = session.make(edit);
    if ('refused' in made || edit.kind !== 'add-cable') return;
    const cable = asId<CableId>(edit.cable.id);
    select({ is: 'cable', cable });
    if (preset === 'none') void navigate(paths.ladder(graph.design.aircraft.id, cable));
  };
  return (
    <section className="mt-1">
      <h2 className="text-lg font-bold">
        {a.ref} {a.port.label} to {b.ref} {b.port.label}
      </h2>
      {harm !== undefined && <p className="mt-1 border-l-2 border-rust pl-2 text-[12.5px]">{harm.sentence}</p>}
      <RadioGroup value={preset} onChange={setPreset} aria-label="Pin map" className="mt-2 flex flex-wrap gap-1">
        {PRESETS.map((candidate) => (
          <Radio
            key={candidate}
            value={candidate}
            className="action cursor-pointer font-normal data-checked:border-2 data-checked:border-ink data-checked:font-semibold"
          >
            {PIN_MAP_PRESETS[candidate]}
          </Radio>
        ))}
      </RadioGroup>
      <PinMapTable graph={graph} a={a} b={b} preset={preset} />
      <button type="button" className="action action-main mt-3" onClick={take}>
        Make the cable
      </button>
    </section>
  );
}

function PinMapTable({
  graph,
  a,
  b,
  preset,
}: {
  readonly graph: Graph;
  readonly a: PortAt;
  readonly b: PortAt;
  readonly preset: PinMapPreset;
}) {
  const map = fitPinMap(graph, a, b, preset);
  return (
    <>
      <table className="value mt-2 w-full text-[12px]">
        <tbody>
          {map.pairs.map((pair) => (
            <tr key={`${pair.a} ${pair.b}`} className="border-b border-rule align-top">
              <td className="py-0.5 whitespace-nowrap">
                {pair.a} {a.port.pins[pair.a - 1]?.label}
              </td>
              <td className="px-1">{pair.verdict.is === 'good' ? '-' : 'x'}</td>
              <td className="py-0.5 whitespace-nowrap">
                {pair.b} {b.port.pins[pair.b - 1]?.label}
              </td>
              <td className={`w-full pl-2 font-sans text-[12px] ${pair.verdict.is === 'good' ? 'text-ink2' : 'text-rust'}`}>
                {pair.verdict.why}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {map.leftOut.length > 0 && (
        <ul className="mt-2 text-[12px] text-ink2">
          {map.leftOut.map((left) => (
            <li key={`${left.side}${left.n}`}>
              <span className="value text-[11.5px]">
                {left.side === 'a' ? a.ref : b.ref}.{left.n} {left.label}
              </span>{' '}
              left out: {left.why}
            </li>
          ))}
        </ul>
      )}
    </>
  );
}
