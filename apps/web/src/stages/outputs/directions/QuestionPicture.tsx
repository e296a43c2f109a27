import { useMemo } from 'react';
import {
  CHANNEL_USES,
  mixerOf,
  rotorPlanOf,
  STICKS,
  usualFrame,
  type Graph,
  type MixedValue,
  type OutputFunction,
  type Question,
} from '@wired-falcon/core';
import { stickLayout } from '../../../ui/stickLayouts.ts';
import { MotionDrawing } from '../MotionDrawing.tsx';

const NO_PULSES: ReadonlyMap<OutputFunction, number> = new Map();
const EXAMPLE_MM = 1600;

/** What has to be seen: the stick that is moved or how the aircraft is held, and the surfaces as they have to move. */
export function QuestionPicture({ graph, question: { picture, step } }: { readonly graph: Graph; readonly question: Question }) {
  const { design } = graph;
  const { kind, frame } = design.aircraft.airframe;
  const rotors = useMemo(() => rotorPlanOf(graph), [graph]);
  const values = useMemo(() => {
    const rows = mixerOf(design);
    const moves =
      picture.is === 'channels'
        ? []
        : picture.is === 'motor'
          ? [{ function: rotors[picture.number - 1]?.function ?? 'motor-1', value: 1 }]
          : picture.moves;
    return new Map<OutputFunction, MixedValue>(
      rows.flatMap((row) => {
        const move = moves.find((one) => one.function === row.function);
        return row.scale === 'passed' ? [] : [[row.function, { row, value: Math.max(-1, Math.min(1, move?.value ?? 0)) }] as const];
      }),
    );
  }, [design, picture, rotors]);
  // The radio and the attitude are proven without a surface.
  const isShown = step === 'outputs' || step === 'stabilised';
  return (
    <figure className="self-start">
      {(picture.is === 'stick' || picture.is === 'channels') && (
        <StickFigure stickMode={design.aircraft.rc.choices.stickMode} picture={picture} />
      )}
      {picture.is === 'channels' && <ChannelFigure picture={picture} />}
      {picture.is === 'airframe' && <HeldFigure motion={picture.motion} />}
      {isShown && (
        <MotionDrawing
          kind={kind}
          frame={frame ?? usualFrame(kind, EXAMPLE_MM)}
          values={values}
          pulses={NO_PULSES}
          rotors={rotors}
          labels="ways"
        />
      )}
      <figcaption className="text-[12.5px] text-ink2">
        {isShown ? 'Expected. From above, nose up; down is filled, up is pale.' : 'Expected.'}
      </figcaption>
    </figure>
  );
}

type StickPicture = Extract<Question['picture'], { is: 'stick' | 'channels' }>;

/** The sticks of the radio, with the one that is moved and which way. */
function StickFigure({
  stickMode,
  picture: { stick, towards },
}: {
  readonly stickMode: string | undefined;
  readonly picture: StickPicture;
}) {
  const layout = stickLayout(stickMode);
  const sides = [layout.left, layout.right];
  const at = sides.findIndex((axes) => axes.across === stick || axes.along === stick);
  const isAcross = sides[at]?.across === stick;
  const way = isAcross ? (towards === 1 ? 'to the right' : 'to the left') : towards === 1 ? 'forward' : 'back';
  return (
    <svg viewBox="0 0 220 100" className="w-full max-w-[280px]" role="img" aria-label={`The ${at === 0 ? 'left' : 'right'} stick ${way}`}>
      {sides.map((_, i) => {
        const [x, y] = [55 + i * 110, 50];
        const [dx, dy] = i !== at ? [0, 0] : isAcross ? [32 * towards, 0] : [0, -32 * towards];
        return (
          <g key={i}>
            <rect x={x - 42} y={y - 42} width={84} height={84} fill="var(--color-white)" stroke="var(--color-ink2)" />
            {i === at && <line x1={x} y1={y} x2={x + dx} y2={y + dy} stroke="var(--color-rust)" strokeWidth={4} />}
            <circle cx={x + dx} cy={y + dy} r={9} fill={i === at ? 'var(--color-rust)' : 'var(--color-ink2)'} />
          </g>
        );
      })}
    </svg>
  );
}

/** The bars of the channel monitor: one goes, the others stay. */
function ChannelFigure({ picture: { stick, rises } }: { readonly picture: Extract<Question['picture'], { is: 'channels' }> }) {
  return (
    <svg
      viewBox="0 0 220 96"
      className="w-full max-w-[280px]"
      role="img"
      aria-label={`The ${stick} channel ${rises ? 'rises' : 'falls'}, the others do not move`}
    >
      {STICKS.map((one, i) => {
        const y = 14 + i * 22;
        const to = one === stick ? (rises ? 58 : -58) : 0;
        return (
          <g key={one}>
            <text x={0} y={y + 4} fontSize={11}>
              {CHANNEL_USES[one].title}
            </text>
            <rect x={64} y={y - 6} width={150} height={12} fill="var(--color-white)" stroke="var(--color-ink2)" />
            <rect
              x={139 + Math.min(0, to)}
              y={y - 6}
              width={Math.max(2, Math.abs(to))}
              height={12}
              fill={to === 0 ? 'var(--color-ink2)' : 'var(--color-rust)'}
            />
          </g>
        );
      })}
    </svg>
  );
}

const HELD = {
  level: { words: 'Held level', rotate: 0, view: 'behind' },
  'nose-up': { words: 'Nose raised, seen from the left', rotate: 22, view: 'left' },
  'right-down': { words: 'Right wing lowered, seen from behind', rotate: 22, view: 'behind' },
  'nose-right': { words: 'Nose turned to the right, seen from above', rotate: 28, view: 'above' },
} as const;

/** How the aircraft is held, beside level. */
function HeldFigure({ motion }: { readonly motion: keyof typeof HELD }) {
  const { words, rotate, view } = HELD[motion];
  return (
    <svg viewBox="-110 -50 220 100" className="w-full max-w-[280px]" role="img" aria-label={words}>
      <line x1={-100} x2={100} y1={0} y2={0} stroke="var(--color-rule)" strokeDasharray="4 4" />
      <g transform={`rotate(${rotate})`} stroke="var(--color-ink)" fill="var(--color-grid)" strokeWidth={2}>
        {view === 'behind' && (
          <>
            <line x1={-85} x2={85} y1={0} y2={0} strokeWidth={5} />
            <circle r={12} />
            <line x1={0} x2={0} y1={-12} y2={-32} strokeWidth={4} />
          </>
        )}
        {view === 'left' && (
          <>
            <path d="M -70 2 Q -72 -8 -40 -10 L 60 -5 L 78 -28 L 84 -28 L 82 2 Q 0 14 -70 2 Z" />
            <line x1={-22} x2={22} y1={0} y2={2} strokeWidth={5} stroke="var(--color-rust)" />
          </>
        )}
        {view === 'above' && (
          <>
            <path d="M 0 -44 Q 8 -30 7 40 L -7 40 Q -8 -30 0 -44 Z" />
            <path d="M -80 -4 L 80 -4 L 70 8 L -70 8 Z" />
          </>
        )}
      </g>
    </svg>
  );
}
