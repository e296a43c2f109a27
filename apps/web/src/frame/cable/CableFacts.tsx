import { Link } from 'react-router';
import { legLengthMm, legName, nodeNames, plainCable, quantity, type Cable, type CableId, type Graph, type Leg } from '@wired-falcon/core';
import { paths } from '../../addresses/paths.ts';
import { useSelection } from '../../selection/SelectionContext.tsx';
import { CableEnds } from './CableEnds.tsx';
import { CableText, CableWires } from './CableWires.tsx';
import { LengthField, TwistField, ViaField } from './LegFields.tsx';
import { useSession } from '../../session/SessionContext.tsx';
import { useReadersUnits } from '../../ui/readersUnits.ts';

/** A cable in the margin: where it runs, what it is made of, and what can be done with it. */
export function CableFacts({ cable: id, graph }: { readonly cable: CableId; readonly graph: Graph }) {
  const session = useSession();
  const { clear } = useSelection();
  const cable = graph.cables[graph.cableIx.get(id) ?? -1];
  if (cable === undefined) return <p className="mt-2">This cable is no longer there.</p>;
  const gauges = [...new Set(Object.values(cable.conductors).map((conductor) => conductor.awg))].sort((a, b) => a - b);
  const aircraft = graph.design.aircraft.id;
  return (
    <section className="mt-1">
      <h2 className="text-lg font-bold">
        {cable.tag} {titleOf(graph, cable)}
      </h2>
      <dl className="mt-2 grid grid-cols-[92px_1fr] gap-y-0.5">
        <dt className="text-ink2">Conductors</dt>
        <dd className="value">
          {Object.keys(cable.conductors).length}
          {gauges.length > 0 && `, AWG ${gauges.join(', ')}`}
        </dd>
        <dt className="text-ink2">Kind</dt>
        <dd className="value">{kindOf(graph, cable)}</dd>
      </dl>
      <CableEnds cable={cable} graph={graph} />
      <Legs cable={cable} graph={graph} />
      <CableText key={`label ${cable.label ?? ''}`} cable={cable} field="label" title="Label" />
      <CableText key={`note ${cable.note ?? ''}`} cable={cable} field="note" title="Note" />
      <CableWires cable={cable} graph={graph} />
      <div className="mt-3 flex flex-wrap gap-1.5">
        <Link className="action" to={paths.ladder(aircraft, cable.id)}>
          Open pin ladder
        </Link>
        <Link className="action" to={paths.document(aircraft, 'pin-table', cable.id)}>
          Pin table
        </Link>
        <button
          type="button"
          className="action"
          onClick={() => {
            session.make({ kind: 'remove-cable', cable: cable.id });
            clear();
          }}
        >
          Remove {cable.tag}
        </button>
      </div>
    </section>
  );
}

function titleOf(graph: Graph, cable: Cable): string {
  const plain = plainCable(graph, cable);
  if (plain !== undefined) return `${plain.a.ref} to ${plain.b.ref} ${plain.b.port.label}`;
  return [...nodeNames(graph, cable)].flatMap(([id, name]) => (cable.nodes[id]?.is === 'end' ? [name] : [])).join(', ');
}

function kindOf(graph: Graph, cable: Cable): string {
  const plain = plainCable(graph, cable);
  if (plain !== undefined) return plain.conductors.every(({ a, b }) => a.n === b.n) ? 'straight' : 'custom pin map';
  const nodes = Object.values(cable.nodes);
  const splices = nodes.filter(({ is }) => is === 'splice').length;
  const ends = nodes.length - splices;
  if (ends === 2 && splices === 0) return 'an end is free';
  return `loom, ${ends} ends${splices === 0 ? '' : `, ${splices} ${splices === 1 ? 'splice' : 'splices'}`}`;
}

/** What a person says of each leg; of a loom folded, each leg under the names of its ends. */
function Legs({ cable, graph }: { readonly cable: Cable; readonly graph: Graph }) {
  const { read } = useReadersUnits();
  const legs = Object.values(cable.legs);
  const fields = (leg: Leg) => (
    <>
      <LengthField key={`${leg.id} ${leg.typedLengthMm ?? 0}`} cable={cable} leg={leg} title="Length" />
      <TwistField key={`${leg.id} twist ${leg.twistMm ?? 0}`} cable={cable} leg={leg} title="Twist" />
      <ViaField key={`${leg.id} via`} cable={cable} leg={leg} title="Route" />
    </>
  );
  const [only] = legs;
  if (legs.length === 1 && only !== undefined) return fields(only);
  return (
    <details className="mt-2">
      <summary className="cursor-pointer text-[13px] font-semibold text-ink2">Legs: {legs.length}</summary>
      <ul>
        {legs.map((leg) => {
          const lengthMm = legLengthMm(graph, cable, leg);
          return (
            <li key={leg.id}>
              <details className="mt-1">
                <summary className="cursor-pointer text-[13px]">
                  {legName(graph, cable, leg)}
                  <span className="value text-ink2">{lengthMm === undefined ? '' : `, ${read(quantity(lengthMm, 'mm'))}`}</span>
                </summary>
                {fields(leg)}
              </details>
            </li>
          );
        })}
      </ul>
    </details>
  );
}
