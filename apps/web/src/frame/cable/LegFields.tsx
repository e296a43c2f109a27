import { asId, legLengthMm, type Cable, type Leg, type PointId, stated, range } from '@wired-falcon/core';
import { useGraph, useSession } from '../../session/SessionContext.tsx';
import { useNumberText } from '../../ui/useNumberText.ts';
import { useReadersUnits } from '../../ui/readersUnits.ts';

const MOST_MM = 20_000;

interface LegFieldProps {
  readonly cable: Cable;
  readonly leg: Leg;
  readonly title: string;
}

/** The length that a person typed; empty when there is none. */
export function LengthField({ cable, leg, title }: LegFieldProps) {
  const session = useSession();
  const graph = useGraph();
  const { system, figure } = useReadersUnits();
  const { typedLengthMm: _typed, ...untyped } = leg;
  const byLayout = legLengthMm(graph, cable, untyped);
  return (
    <MillimetreField
      title={title}
      value={leg.typedLengthMm}
      takes={(mm) => mm > 0 && mm <= MOST_MM}
      usual={byLayout === undefined ? 'not set' : `${stated(byLayout, 'mm')} by layout`}
      problem={
        system === 'metric'
          ? 'A length is a number of millimetres, up to 20 000.'
          : `A length is a number of inches, up to ${figure(MOST_MM, 'mm')}.`
      }
      onSave={(lengthMm) =>
        session.make({ kind: 'set-leg-length', cable: cable.id, leg: leg.id, lengthMm, was: leg.typedLengthMm ?? null })
      }
    />
  );
}

/** The length of a turn where the wires are twisted together; empty where they lie side by side. */
export function TwistField({ cable, leg, title }: LegFieldProps) {
  const session = useSession();
  return (
    <MillimetreField
      title={title}
      value={leg.twistMm}
      takes={(mm) => mm >= 5 && mm <= 500}
      problem={`One turn of twisted wires takes ${range(5, 500, 'mm')}. Leave it empty where they lie side by side.`}
      onSave={(twistMm) => session.make({ kind: 'set-leg-twist', cable: cable.id, leg: leg.id, twistMm, was: leg.twistMm ?? null })}
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
  readonly value: number | undefined;
  readonly takes: (mm: number) => boolean;
  /** What stands there as long as nobody has typed anything. */
  readonly usual?: string;
  readonly problem: string;
  readonly onSave: (mm: number | null) => void;
}

function MillimetreField({ title, value, takes, usual, problem, onSave }: MillimetreFieldProps) {
  const units = useReadersUnits();
  const { isWrong, input } = useNumberText({ value, unit: 'mm', mayBeEmpty: true, takes, onSave: (mm) => onSave(mm ?? null) });
  return (
    <label className="mt-1.5 grid grid-cols-[92px_1fr] items-center">
      <span className="text-ink2">
        {title} {units.unit('mm')}
      </span>
      <input className="field value w-36" placeholder={usual === undefined ? undefined : units.read(usual)} {...input} />
      {isWrong && (
        <span role="alert" className="col-span-2 mt-1 text-[12.5px] text-rust">
          {units.read(problem)}
        </span>
      )}
    </label>
  );
}
