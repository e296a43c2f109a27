import type { FourBar, Linkage, SurfacePose } from '@wired-falcon/core';
import { holesOf } from './holesOf.ts';

interface LinkageDrawingProps {
  readonly linkage: Linkage;
  /** Undefined where arm, rod and horn do not meet. */
  readonly bar: FourBar | undefined;
  /** Undefined where they do not at this pulse. */
  readonly at: SurfacePose | undefined;
  readonly chordMm: number | undefined;
  readonly label: string;
  readonly onHole: (side: 'arm' | 'horn', mm: number) => void;
}

/** What stands for a chord that is not known. */
const EXAMPLE_CHORD_MM = 45;

/** Servo, arm, rod, horn and surface from the side, to scale, the surface to the right. A hole is chosen by pointing at it. */
export function LinkageDrawing({ linkage, bar, at, chordMm = EXAMPLE_CHORD_MM, label, onHole }: LinkageDrawingProps) {
  // A horn that is below is drawn below: what is aside of the rod counts downwards then.
  const down = linkage.horn === 'below' ? 1 : -1;
  const { distanceMm, heightMm = 0 } = linkage;
  const hinge = [distanceMm, down * heightMm] as const;
  const arms = holesOf(linkage, 'arm');
  const horns = holesOf(linkage, 'horn');
  const reach = Math.max(...arms, ...horns, 12) + 6;
  const chord = Math.min(chordMm, 0.6 * distanceMm + 40);
  // From the far side of the servo to the longest hole, and as far as the edge swings.
  const swing = 0.7 * chord;
  const far = Math.abs(heightMm);
  const [aside, across] = [Math.max(reach, swing - heightMm) + far, Math.max(linkage.crossed === true ? reach : 14, swing) + far];
  const top = down === 1 ? -across : -aside;
  const box = { x: -reach - 10, y: top, width: distanceMm + chord + reach + 26, height: aside + across };
  const line = { vectorEffect: 'non-scaling-stroke' } as const;
  const armAngle = at === undefined || bar === undefined ? 0 : bar.armRad + at.pose.armRad;
  const hornAngle = at === undefined || bar === undefined ? 0 : bar.hornRad + at.pose.hornRad;
  const armHole = (mm: number) => [mm * Math.sin(armAngle), down * (linkage.crossed === true ? -1 : 1) * mm * Math.cos(armAngle)] as const;
  const hornHole = (mm: number) => [hinge[0] + mm * Math.sin(hornAngle), hinge[1] + down * mm * Math.cos(hornAngle)] as const;
  const [arm, horn] = [armHole(linkage.armMm), hornHole(linkage.hornMm)];
  const surfaceRad = at === undefined ? 0 : (at.surfaceDeg * Math.PI) / 180;
  const edge = [hinge[0] + chord * Math.cos(surfaceRad), hinge[1] + chord * Math.sin(surfaceRad)] as const;
  const dot = Math.min(Math.max(0.95, box.width / 300), 4);
  return (
    <svg
      viewBox={`${box.x} ${box.y} ${box.width} ${box.height}`}
      className="max-h-[300px] w-full border border-rule bg-white"
      role="img"
      aria-label={label}
      data-testid="linkage-drawing"
    >
      <rect x={-10} y={-8} width={22} height={16} fill="var(--color-grid)" stroke="var(--color-ink)" {...line} />
      <line x1={hinge[0]} y1={hinge[1]} x2={hinge[0] + chord} y2={hinge[1]} stroke="var(--color-rule)" strokeDasharray="4 3" {...line} />
      <polygon
        points={`${hinge[0]},${hinge[1] - 3} ${edge[0]},${edge[1]} ${hinge[0]},${hinge[1] + 3}`}
        fill="var(--color-grid)"
        stroke="var(--color-ink)"
        {...line}
      />
      <line x1={0} y1={0} x2={armHole(reach - 6)[0]} y2={armHole(reach - 6)[1]} stroke="var(--color-ink2)" strokeWidth={1} {...line} />
      <line x1={0} y1={0} x2={arm[0]} y2={arm[1]} stroke="var(--color-ink)" strokeWidth={4} {...line} />
      <line
        x1={hinge[0]}
        y1={hinge[1]}
        x2={hornHole(reach - 6)[0]}
        y2={hornHole(reach - 6)[1]}
        stroke="var(--color-ink2)"
        strokeWidth={1}
        {...line}
      />
      <line x1={hinge[0]} y1={hinge[1]} x2={horn[0]} y2={horn[1]} stroke="var(--color-ink)" strokeWidth={4} {...line} />
      {at !== undefined && <line x1={arm[0]} y1={arm[1]} x2={horn[0]} y2={horn[1]} stroke="var(--color-rust)" strokeWidth={2} {...line} />}
      <circle cx={0} cy={0} r={dot * 1.4} fill="var(--color-ink)" />
      <circle cx={hinge[0]} cy={hinge[1]} r={dot * 1.4} fill="var(--color-ink)" />
      <g aria-hidden="true">
        {arms.map((mm) => (
          <Hole
            key={`a${mm}`}
            at={armHole(mm)}
            r={dot}
            isChosen={mm === linkage.armMm}
            name={`arm ${mm}`}
            onChoose={() => onHole('arm', mm)}
          />
        ))}
        {horns.map((mm) => (
          <Hole
            key={`h${mm}`}
            at={hornHole(mm)}
            r={dot}
            isChosen={mm === linkage.hornMm}
            name={`horn ${mm}`}
            onChoose={() => onHole('horn', mm)}
          />
        ))}
      </g>
    </svg>
  );
}

interface HoleProps {
  readonly at: readonly [number, number];
  readonly r: number;
  readonly isChosen: boolean;
  readonly name: string;
  readonly onChoose: () => void;
}

function Hole({ at: [x, y], r, isChosen, name, onChoose }: HoleProps) {
  return (
    <circle
      cx={x}
      cy={y}
      r={r}
      data-hole={name}
      className="cursor-pointer"
      fill={isChosen ? 'var(--color-rust)' : 'var(--color-white)'}
      stroke="var(--color-ink)"
      strokeWidth={1}
      vectorEffect="non-scaling-stroke"
      onClick={onChoose}
    />
  );
}
