import {
  liftMotors,
  outlineOf,
  percent,
  surfaceShapes,
  usualFrame,
  type AirframeKind,
  type Flat,
  type FramePlan,
  type MixedValue,
  type OutputFunction,
  type RotorRow,
  type SurfaceShape,
} from '@wired-falcon/core';
import { OutlineShape } from '../../drawing/OutlineShape.tsx';
import { aroundPieces, fromAbove, viewBoxText } from '../../drawing/viewBoxes.ts';
import { valueWords } from './motion.ts';

interface MotionDrawingProps {
  readonly kind: AirframeKind;
  readonly frame: FramePlan | undefined;
  readonly values: ReadonlyMap<OutputFunction, MixedValue>;
  readonly pulses: ReadonlyMap<OutputFunction, number>;
  readonly rotors: readonly RotorRow[];
  /** What is written beside a surface: its pulse, or only which way it goes. */
  readonly labels?: 'pulses' | 'ways';
}

/** What stands for the airframe where it has no numbers yet. */
const EXAMPLE_MM = 1600;
/** At full deflection the trailing edge is drawn so much of its chord further out, or in. */
const SWING = 0.7;

/** The airframe from above, nose up, with everything that moves as it is at this moment. */
export function MotionDrawing({ kind, frame, values, pulses, rotors, labels = 'pulses' }: MotionDrawingProps) {
  const numbered = frame ?? usualFrame(kind, EXAMPLE_MM);
  const { plan } = outlineOf(kind, numbered);
  const box = aroundPieces(plan, fromAbove);
  // Words are as large on the page whatever the airframe measures.
  const em = Math.max(box.width, box.height) / 26;
  const words = [...values.values()].map((value) => `${value.row.function.replaceAll('-', ' ')} ${valueWords(value)}`).join('; ');
  return (
    <svg
      viewBox={viewBoxText({ x: box.x - 2 * em, y: box.y - em, width: box.width + 4 * em, height: box.height + 3 * em })}
      className="max-h-[360px] w-full max-w-[420px]"
      role="img"
      aria-label={`From above, nose up: ${words}`}
      data-testid="motion"
    >
      <OutlineShape pieces={plan} project={fromAbove} />
      {surfaceShapes(kind, numbered).map((shape, i) => {
        const value = values.get(shape.function);
        // Both ailerons of one output go against each other.
        const turned = shape.function === 'ailerons' && shape.hinge[0][1] > 0 ? -(value?.value ?? 0) : (value?.value ?? 0);
        return value === undefined ? null : (
          <Surface key={`${shape.function} ${i}`} shape={shape} value={turned} us={pulses.get(shape.function)} em={em} labels={labels} />
        );
      })}
      {liftMotors(kind, numbered).map(({ rotor, at }) => {
        const row = rotors.find((one) => one.rotor.place === rotor.place);
        const value = row === undefined ? undefined : values.get(row.function);
        return row === undefined ? null : (
          <Rotor
            key={rotor.place}
            row={row}
            at={[at[0], at[1]]}
            radius={(numbered.numbers.liftPropDiameterMm ?? 200) / 2}
            share={value?.value ?? 0}
            us={pulses.get(row.function)}
            em={em}
          />
        );
      })}
      <Thrust kind={kind} frame={numbered} values={values} em={em} />
    </svg>
  );
}

interface SurfaceProps {
  readonly shape: SurfaceShape;
  readonly value: number;
  readonly us: number | undefined;
  readonly em: number;
  readonly labels: 'pulses' | 'ways';
}

/** Down: filled, and longer to the eye; up: pale and shorter. What stands swings aside. */
function Surface({ shape: { function: name, hinge, chordMm, isUpright }, value, us, em, labels }: SurfaceProps) {
  const [a, b] = hinge.map(fromAbove);
  if (a === undefined || b === undefined) return null;
  const isStill = Math.abs(value) < 0.005;
  const isDown = value > 0;
  const isWay = labels === 'ways';
  const label = isWay ? '' : us === undefined ? percent(Math.abs(value)) : String(us);
  if (isUpright) {
    const tip = [a[0] + value * chordMm * 0.8, a[1] + chordMm * Math.cos(value * 0.9)] as const;
    return (
      <g data-surface={name} data-value={Math.round(value * 100)}>
        <line
          x1={a[0]}
          y1={a[1]}
          x2={tip[0]}
          y2={tip[1]}
          stroke={isStill ? 'var(--color-ink)' : 'var(--color-rust)'}
          strokeWidth={em / 3}
        />
        <text x={tip[0]} y={tip[1] + 2.2 * em} textAnchor="middle" fontSize={em} className="font-mono" aria-hidden="true">
          {isWay ? (isStill ? '' : isDown ? 'right' : 'left') : label}
        </text>
      </g>
    );
  }
  const depth = chordMm * (1 + SWING * value);
  const points = [a, b, [b[0], b[1] + depth], [a[0], a[1] + depth]].map((point) => point.join(',')).join(' ');
  return (
    <g data-surface={name} data-value={Math.round(value * 100)}>
      <polygon
        points={points}
        fill={isStill ? 'var(--color-white)' : isDown ? 'var(--color-rust)' : 'var(--color-grid)'}
        stroke={isStill || isDown ? 'var(--color-ink)' : 'var(--color-rust)'}
        strokeWidth={1}
        vectorEffect="non-scaling-stroke"
      />
      <text
        x={isTail(name) ? (a[0] < 0 ? b[0] : a[0]) : (a[0] + b[0]) / 2}
        y={Math.max(a[1], b[1]) + depth + em * 1.1}
        textAnchor={isTail(name) ? (a[0] < 0 ? 'end' : 'start') : 'middle'}
        fontSize={em}
        className="font-mono"
        aria-hidden="true"
      >
        {label}
        {!isStill && (isDown ? ' down' : ' up')}
      </text>
    </g>
  );
}

/** The halves of a tail are close together: their words stand to both sides. */
function isTail(name: OutputFunction): boolean {
  return name.startsWith('v-tail') || name.startsWith('a-tail');
}

interface RotorProps {
  readonly row: RotorRow;
  readonly at: Flat;
  readonly radius: number;
  readonly share: number;
  readonly us: number | undefined;
  readonly em: number;
}

/** A ring that fills with the thrust, an arrow for the way it turns, and its number. */
function Rotor({ row: { number, rotor }, at, radius, share, us, em }: RotorProps) {
  const [x, y] = fromAbove(at);
  const isLower = rotor.place.endsWith('-lower');
  const r = isLower ? radius * 0.72 : radius;
  const way = rotor.turns === 'clockwise' ? 1 : -1;
  const from = [x - way * r * 0.6, y - r * 0.8] as const;
  const to = [x + way * r * 0.6, y - r * 0.8] as const;
  const tip = way * em;
  const arrow = [
    'M',
    ...from,
    'A',
    r,
    r,
    0,
    0,
    way === 1 ? 1 : 0,
    ...to,
    'm',
    -tip / 2,
    -0.7 * em,
    'l',
    tip / 2,
    0.7 * em,
    'l',
    -0.8 * tip,
    0.2 * em,
  ].join(' ');
  return (
    <g data-rotor={number} data-value={Math.round(share * 100)}>
      <circle cx={x} cy={y} r={r * Math.sqrt(share)} fill="var(--color-grid)" />
      <circle cx={x} cy={y} r={r} fill="none" stroke="var(--color-ink)" strokeWidth={1} vectorEffect="non-scaling-stroke" />
      <path d={arrow} fill="none" stroke="var(--color-rust)" strokeWidth={1.5} vectorEffect="non-scaling-stroke" />
      <text x={x} y={isLower ? y + em * 2.2 : y + em * 0.1} textAnchor="middle" fontSize={em * 1.1} fontWeight={600} aria-hidden="true">
        {number}
      </text>
      <text
        x={x}
        y={isLower ? y + em * 3.3 : y + em * 1.2}
        textAnchor="middle"
        fontSize={em * 0.9}
        className="font-mono"
        aria-hidden="true"
      >
        {us ?? ''}
      </text>
    </g>
  );
}

interface ThrustProps {
  readonly kind: AirframeKind;
  readonly frame: FramePlan;
  readonly values: ReadonlyMap<OutputFunction, MixedValue>;
  readonly em: number;
}

/** Propellers that push, as bars that grow with the throttle. */
function Thrust({ frame: { numbers }, values, em }: ThrustProps) {
  const { propStationMm, propDiameterMm = 200, propButtMm = 0 } = numbers;
  if (propStationMm === undefined) return null;
  const all = [
    ['throttle', 0],
    ['throttle-left', -propButtMm],
    ['throttle-right', propButtMm],
  ] as const;
  return (
    <g>
      {all.map(([name, butt]) => {
        const value = values.get(name);
        if (value === undefined) return null;
        const [x, y] = fromAbove([propStationMm, butt]);
        const half = (propDiameterMm / 2) * value.value;
        return (
          <line
            key={name}
            data-thrust={name}
            data-value={Math.round(value.value * 100)}
            x1={x - half}
            x2={x + half}
            y1={y}
            y2={y}
            stroke="var(--color-rust)"
            strokeWidth={em / 2.5}
          />
        );
      })}
    </g>
  );
}
