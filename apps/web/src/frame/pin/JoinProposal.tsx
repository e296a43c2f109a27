import { Radio, RadioGroup } from '@headlessui/react';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import {
  asId,
  joinMap,
  joinWay,
  mateName,
  pinsBefore,
  pinsOfStretch,
  loomOf,
  PIN_MAP_PRESETS,
  planJoin,
  seatOver,
  splicesFor,
  straightCableHarm,
  withFreshIds,
  type CableId,
  type Graph,
  type JoinWay,
  type PinAddress,
  type PinMap,
  type PinMapPreset,
  type PinMapWish,
  type PortAt,
} from '@wired-falcon/core';
import { paths } from '../../addresses/paths.ts';
import { makeId } from '../../session/author.ts';
import { useSelection } from '../../selection/SelectionContext.tsx';
import { useSession } from '../../session/SessionContext.tsx';
import { portOfPin } from '../../selection/portOfPin.ts';

const PRESETS: readonly PinMapPreset[] = ['meaning', 'straight', 'mirrored', 'supply-pulled', 'none'];
const CHOICES = [...PRESETS, 'only'] as const;
type Choice = (typeof CHOICES)[number];

/** Two ports and the ways to join them: the effect of each on every pin stands there before one is taken. */
export function JoinProposal({ from, to, graph }: { readonly from: PinAddress; readonly to: PinAddress; readonly graph: Graph }) {
  const [choice, setChoice] = useState<Choice>('meaning');
  const session = useSession();
  const { select } = useSelection();
  const navigate = useNavigate();
  const [wholeA, wholeB] = [portOfPin(graph, from), portOfPin(graph, to)];
  if (wholeA === undefined || wholeB === undefined) return <p className="mt-2">One of these ports is no longer there.</p>;
  // Of a row of pins, what is around the pin that was chosen.
  const isByPin = choice === 'only' || choice === 'none';
  const [a, b] = isByPin ? [wholeA, wholeB] : [seatOver(graph, wholeA, from.n), seatOver(graph, wholeB, to.n)];
  const wish: PinMapWish = choice === 'only' ? { a: from.n, b: to.n } : choice;
  const map = joinMap(graph, a, b, wish);
  const way = joinWay(graph, map.a, map.b);
  const splices = splicesFor(graph, map);
  if (way.is === 'mated') {
    const mate = graph.design.aircraft.mates[way.mate];
    return (
      <p className="mt-2">{mate === undefined ? 'A port' : mateName(graph.design, mate)}: the port is occupied. Separate the two first.</p>
    );
  }
  const harm = way.is === 'cable' ? straightCableHarm(graph, map.a, map.b) : undefined;
  const take = (): void => {
    const plan = planJoin(graph, a, b, wish);
    if (plan === undefined) return session.say(`${nameOf(way)} already connects these pins.`);
    const edit = withFreshIds(plan, makeId);
    const made = session.make(edit);
    if ('refused' in made) return;
    const cable = edit.kind === 'add-cable' ? asId<CableId>(edit.cable.id) : way.is === 'cable' ? undefined : loomOf(way).id;
    if (cable === undefined) return;
    select({ is: 'cable', cable });
    if (choice === 'none') void navigate(paths.ladder(graph.design.aircraft.id, cable));
  };
  return (
    <section className="mt-1">
      <h2 className="text-lg font-bold">
        {a.ref} {a.port.label} to {b.ref} {b.port.label}
      </h2>
      {way.is !== 'cable' && <p className="mt-1 text-[12.5px] text-ink2">{whyLoom(way, a, b)}</p>}
      {harm !== undefined && <p className="mt-1 border-l-2 border-rust pl-2 text-[12.5px]">{harm.sentence}</p>}
      <RadioGroup value={choice} onChange={setChoice} aria-label="Pin map" className="mt-2 flex flex-wrap gap-1">
        {CHOICES.map((candidate) => (
          <Radio
            key={candidate}
            value={candidate}
            className="action cursor-pointer font-normal data-checked:border-2 data-checked:border-ink data-checked:font-semibold"
          >
            {candidate === 'only' ? 'Only these two pins' : PIN_MAP_PRESETS[candidate]}
          </Radio>
        ))}
      </RadioGroup>
      <Seats map={map} />
      <PinMapTable map={map} />
      {splices > 0 && (
        <p className="mt-2 text-[12.5px]">
          {splices === 1 ? 'One contact holds a wire already and takes' : `${splices} contacts hold a wire already and take`} no second one:
          the wires are spliced behind the plug. Wear eye protection and ventilate when soldering, and insulate each splice.
        </p>
      )}
      <button type="button" className="action action-main mt-3" onClick={take}>
        {buttonOf(way)}
      </button>
    </section>
  );
}

function nameOf(way: Exclude<JoinWay, { is: 'mated' }>): string {
  return way.is === 'cable' ? 'A cable' : loomOf(way).tag;
}

/** Why it is no cable of its own. */
function whyLoom(way: Exclude<JoinWay, { is: 'cable' | 'mated' }>, a: PortAt, b: PortAt): string {
  switch (way.is) {
    case 'branch': {
      const at = way.isAtA ? a : b;
      return `The plug of ${way.of.cable.tag} is in ${at.ref} ${at.port.label}: the cable gets a branch.`;
    }
    case 'inside':
      return `${way.a.cable.tag} has a plug in both: it gets wires between the two.`;
    case 'merge':
      return `The plug of ${way.a.cable.tag} is in ${a.ref} ${a.port.label}, that of ${way.b.cable.tag} in ${b.ref} ${b.port.label}: the two become one loom, ${way.a.cable.tag}.`;
  }
}

function buttonOf(way: Exclude<JoinWay, { is: 'mated' }>): string {
  switch (way.is) {
    case 'cable':
      return 'Make the cable';
    case 'branch':
      return `Add the branch to ${way.of.cable.tag}`;
    case 'inside':
      return `Add the wires to ${way.a.cable.tag}`;
    case 'merge':
      return `Make ${way.a.cable.tag} and ${way.b.cable.tag} one loom`;
  }
}

/** Over which pins of a row a plug goes. */
function Seats({ map: { a, b } }: { readonly map: PinMap }) {
  const rows = [a, b].filter(({ stretch }) => stretch !== undefined);
  return rows.map((at) => (
    <p key={at.ref} className="mt-2 text-[12.5px]">
      The plug at {at.ref} {at.port.label} is over{pinsOfStretch(at)}. Nothing guides a plug on a row: mark its first pin.
    </p>
  ));
}

function PinMapTable({ map }: { readonly map: PinMap }) {
  const { a, b } = map;
  return (
    <>
      <table className="value mt-2 w-full text-[12px]">
        <tbody>
          {map.pairs.map((pair) => (
            <tr key={`${pair.a} ${pair.b}`} className="border-b border-rule align-top">
              <td className="py-0.5 whitespace-nowrap">
                {pair.a + pinsBefore(a)} {a.port.pins[pair.a - 1]?.label}
              </td>
              <td className="px-1">{pair.verdict.is === 'good' ? '-' : 'x'}</td>
              <td className="py-0.5 whitespace-nowrap">
                {pair.b + pinsBefore(b)} {b.port.pins[pair.b - 1]?.label}
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
                {left.side === 'a' ? a.ref : b.ref}.{left.n + pinsBefore(left.side === 'a' ? a : b)} {left.label}
              </span>{' '}
              left out: {left.why}
            </li>
          ))}
        </ul>
      )}
    </>
  );
}
