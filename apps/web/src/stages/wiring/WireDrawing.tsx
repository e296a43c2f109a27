import type { Point, Severity, SheetLayout, SheetModel, SheetWire } from '@wired-falcon/core';
import { SeverityShape } from '../../ui/SeverityMark.tsx';
import { WIRE_PAINT } from '../../ui/wireColours.ts';

interface WireDrawingProps {
  readonly wire: SheetWire;
  readonly points: readonly Point[];
  readonly isChosen: boolean;
  readonly isFaded: boolean;
  readonly onChoose: () => void;
}

/** One conductor in its real colour over an ink outline. */
export function WireDrawing({ wire, points, isChosen, isFaded, onChoose }: WireDrawingProps) {
  const path = points.map(({ x, y }, i) => `${i === 0 ? 'M' : 'L'}${x} ${y}`).join('');
  return (
    <g fill="none" strokeLinejoin="round" opacity={isFaded ? 0.35 : 1} className="cursor-pointer" onClick={onChoose} data-wire={wire.id}>
      <path d={path} stroke="var(--color-ink)" strokeWidth={isChosen ? 6 : 3.8} />
      <path d={path} stroke={WIRE_PAINT[wire.colour]} strokeWidth={isChosen ? 3.4 : 2.6} />
    </g>
  );
}

interface WireMarksProps {
  readonly model: SheetModel;
  readonly layout: SheetLayout;
  readonly marks: ReadonlyMap<string, Severity>;
  readonly spineX: number;
}

/** The marks of findings on the very conductor, near the end that is away from the controller. */
export function WireMarks({ model, layout, marks, spineX }: WireMarksProps) {
  return model.wires.map((wire) => {
    const severity = marks.get(wire.id);
    const at = severity === undefined ? undefined : markPoint(layout.wires.get(wire.id) ?? [], spineX);
    if (severity === undefined || at === undefined) return null;
    return (
      <g key={wire.id} transform={`translate(${at.x - 6} ${at.y - 6})`} aria-hidden="true">
        <SeverityShape severity={severity} colour="var(--color-rust)" />
      </g>
    );
  });
}

const FROM_END = 17;

function markPoint(points: readonly Point[], spineX: number): Point | undefined {
  const [first, last] = [points[0], points.at(-1)];
  if (first === undefined || last === undefined) return undefined;
  const outer = Math.abs(first.x - spineX) > Math.abs(last.x - spineX) ? first : last;
  const inward = outer === first ? points[1] : points.at(-2);
  return { x: outer.x + Math.sign((inward?.x ?? spineX) - outer.x) * FROM_END, y: outer.y };
}
