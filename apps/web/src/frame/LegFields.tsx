import { useState } from 'react';
import { asId, legLengthMm, type Cable, type Leg, type PointId } from '@wired-falcon/core';
import { useGraph, useSession } from '../session/SessionContext.tsx';

interface LegFieldProps {
  readonly cable: Cable;
  readonly leg: Leg;
  readonly title: string;
}

/** The length that a person typed; empty when there is none. */
export function LengthField({ cable, leg, title }: LegFieldProps) {
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
export function TwistField({ cable, leg, title }: LegFieldProps) {
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

/** The point of the airframe that it is led by; the shortest way where none is chosen. */
export function ViaField({ cable, leg, title }: LegFieldProps) {
  const session = useSession();
  const { frame } = useGraph().design.aircraft.airframe;
  const entries = Object.entries(frame?.points ?? {});
  if (entries.length === 0) return null;
  const choose = (id: string): void => {
    const chosen = entries.find(([own]) => own === id);
    const via = chosen === undefined ? null : asId<PointId>(chosen[0]);
    session.make({ kind: 'set-leg-via', cable: cable.id, leg: leg.id, via, was: leg.via ?? null });
  };
  return (
    <label className="mt-1 grid grid-cols-[92px_1fr] items-center">
      <span className="text-ink2">{title}</span>
      <select className="field w-full" value={leg.via ?? ''} onChange={(event) => choose(event.target.value)}>
        <option value="">the shortest way</option>
        {entries.map(([id, point]) => (
          <option key={id} value={id}>
            {point.title}
          </option>
        ))}
      </select>
    </label>
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
