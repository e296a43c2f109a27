import { Link } from 'react-router';
import { connectorsMate, plainCable, type CableId, type Graph, type PortLeg } from '@wired-falcon/core';
import { paths } from '../../addresses/paths.ts';
import { useSelection } from '../../selection/SelectionContext.tsx';
import { CableText, CableWires } from './CableWires.tsx';
import { LengthField, TwistField, ViaField } from './LegFields.tsx';
import { useSession } from '../../session/SessionContext.tsx';

/** A cable in the margin: where it runs, what it is made of, and what can be done with it. */
export function CableFacts({ cable: id, graph }: { readonly cable: CableId; readonly graph: Graph }) {
  const session = useSession();
  const { clear } = useSelection();
  const cable = graph.cables[graph.cableIx.get(id) ?? -1];
  if (cable === undefined) return <p className="mt-2">This cable is no longer there.</p>;
  const plain = plainCable(graph, cable);
  const gauges = [...new Set(Object.values(cable.conductors).map((conductor) => conductor.awg))].sort((a, b) => a - b);
  const aircraft = graph.design.aircraft.id;
  const legs = Object.values(cable.legs);
  return (
    <section className="mt-1">
      <h2 className="text-lg font-bold">
        {cable.tag} {plain === undefined ? '' : `${plain.a.ref} to ${plain.b.ref} ${plain.b.port.label}`}
      </h2>
      <dl className="mt-2 grid grid-cols-[92px_1fr] gap-y-0.5">
        <dt className="text-ink2">Conductors</dt>
        <dd className="value">
          {Object.keys(cable.conductors).length}
          {gauges.length > 0 && `, AWG ${gauges.join(', ')}`}
        </dd>
        <dt className="text-ink2">Kind</dt>
        <dd className="value">{plain === undefined ? 'loom or open end' : isStraight(plain) ? 'straight' : 'custom pin map'}</dd>
        {plain !== undefined && (
          <>
            <dt className="text-ink2">Ends</dt>
            <dd className="value">{endsText(plain)}</dd>
          </>
        )}
      </dl>
      {legs.map((leg, i) => (
        <LengthField
          key={`${leg.id} ${leg.typedLengthMm ?? 0}`}
          cable={cable}
          leg={leg}
          title={legs.length === 1 ? 'Length' : `Leg ${i + 1}`}
        />
      ))}
      {legs.map((leg, i) => (
        <TwistField
          key={`${leg.id} twist ${leg.twistMm ?? 0}`}
          cable={cable}
          leg={leg}
          title={legs.length === 1 ? 'Twist' : `Twist ${i + 1}`}
        />
      ))}
      {legs.map((leg, i) => (
        <ViaField key={`${leg.id} via`} cable={cable} leg={leg} title={legs.length === 1 ? 'Led by' : `Leg ${i + 1} by`} />
      ))}
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

function isStraight(plain: PortLeg): boolean {
  return plain.conductors.every((conductor) => conductor.a.n === conductor.b.n);
}

function endsText(plain: PortLeg): string {
  const fits = connectorsMate(plain.endA.connector, plain.a.port.connector) && connectorsMate(plain.endB.connector, plain.b.port.connector);
  return fits ? 'both fit' : 'do not fit their ports';
}
