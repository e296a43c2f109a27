import { useState } from 'react';
import { Link } from 'react-router';
import {
  byNatural,
  connectorsMate,
  legLengthMm,
  plainCable,
  type Cable,
  type CableId,
  type Graph,
  type Leg,
  type PlainCable,
} from '@wired-falcon/core';
import { paths } from '../app/paths.ts';
import { useSelection } from '../selection/SelectionContext.tsx';
import { CableText, CableWires } from './CableWires.tsx';
import { useGraph, useSession } from '../session/SessionContext.tsx';

/** A cable in the margin: where it runs, what it is made of, and what can be done with it. */
export function CableFacts({ cable: id, graph }: { readonly cable: CableId; readonly graph: Graph }) {
  const session = useSession();
  const { clear } = useSelection();
  const cable = graph.cables[graph.cableIx.get(id) ?? -1];
  if (cable === undefined) return <p className="mt-2">This cable is no longer there.</p>;
  const plain = plainCable(graph, cable);
  const gauges = [...new Set(Object.values(cable.conductors).map((conductor) => conductor.awg))].sort((a, b) => a - b);
  const aircraft = graph.design.aircraft.id;
  const legs = Object.values(cable.legs).sort(byNatural((leg) => leg.id));
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
          title={legs.length === 1 ? 'Length mm' : `Leg ${i + 1} mm`}
        />
      ))}
      {legs.map((leg, i) => (
        <TwistField
          key={`${leg.id} twist ${leg.twistMm ?? 0}`}
          cable={cable}
          leg={leg}
          title={legs.length === 1 ? 'Twist mm' : `Twist ${i + 1} mm`}
        />
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

function isStraight(plain: PlainCable): boolean {
  return plain.conductors.every((conductor) => conductor.a.n === conductor.b.n);
}

function endsText(plain: PlainCable): string {
  const fits = connectorsMate(plain.endA.connector, plain.a.port.connector) && connectorsMate(plain.endB.connector, plain.b.port.connector);
  return fits ? 'both fit' : 'do not fit their ports';
}

/** The length that a person typed; empty when there is none. */
function LengthField({ cable, leg, title }: { readonly cable: Cable; readonly leg: Leg; readonly title: string }) {
  const session = useSession();
  const graph = useGraph();
  const was = leg.typedLengthMm ?? null;
  const { typedLengthMm: _typed, ...untyped } = leg;
  const byLayout = legLengthMm(graph, cable, untyped);
  return (
    <MillimetreField
      title={title}
      was={was}
      takes={(mm) => mm > 0 && mm <= 20_000}
      usual={byLayout === undefined ? 'not set' : `${byLayout} by layout`}
      problem="A length is a number of millimetres, up to 20 000."
      onSave={(lengthMm) => session.make({ kind: 'set-leg-length', cable: cable.id, leg: leg.id, lengthMm, was })}
    />
  );
}

/** The length of a turn where the wires are twisted together; empty where they lie side by side. */
function TwistField({ cable, leg, title }: { readonly cable: Cable; readonly leg: Leg; readonly title: string }) {
  const session = useSession();
  const was = leg.twistMm ?? null;
  return (
    <MillimetreField
      title={title}
      was={was}
      takes={(mm) => mm >= 5 && mm <= 500}
      problem="One turn of twisted wires takes 5 to 500 mm. Leave it empty where they lie side by side."
      onSave={(twistMm) => session.make({ kind: 'set-leg-twist', cable: cable.id, leg: leg.id, twistMm, was })}
    />
  );
}

interface MillimetreFieldProps {
  readonly title: string;
  readonly was: number | null;
  readonly takes: (mm: number) => boolean;
  /** What stands there as long as nobody has typed anything. */
  readonly usual?: string;
  readonly problem: string;
  readonly onSave: (mm: number | null) => void;
}

function MillimetreField({ title, was, takes, usual, problem: sentence, onSave }: MillimetreFieldProps) {
  const [text, setText] = useState(was === null ? '' : String(was));
  const [problem, setProblem] = useState('');
  const save = (): void => {
    const trimmed = text.trim().replace(',', '.');
    const mm = trimmed === '' ? null : Number(trimmed);
    if (mm === was) return setProblem('');
    if (mm !== null && !takes(mm)) return setProblem(sentence);
    setProblem('');
    onSave(mm);
  };
  return (
    <label className="mt-1.5 grid grid-cols-[92px_1fr] items-center">
      <span className="text-ink2">{title}</span>
      <input
        className="field value w-36"
        inputMode="decimal"
        placeholder={usual}
        value={text}
        aria-invalid={problem !== ''}
        onChange={(event) => setText(event.target.value)}
        onBlur={save}
        onKeyDown={(event) => event.key === 'Enter' && save()}
      />
      {problem !== '' && <span className="col-span-2 mt-1 text-[12.5px] text-rust">{problem}</span>}
    </label>
  );
}
