import { halfOf, outlineOf, placementOrder, type Graph } from '@wired-falcon/core';
import { OutlineShape } from '../../drawing/OutlineShape.tsx';
import { aroundPieces, fromAbove, viewBoxText } from '../../drawing/viewBoxes.ts';

/** The plan of the placement sheet: the aircraft from above, its parts by the numbers of the table. */
export function NumberedPlan({ graph }: { readonly graph: Graph }) {
  const { kind, frame } = graph.design.aircraft.airframe;
  if (frame === undefined) return null;
  const { plan } = outlineOf(kind, frame);
  const view = aroundPieces(plan, fromAbove);
  const letterMm = Math.max(view.width, view.height) * 0.014;
  return (
    <svg viewBox={viewBoxText(view)} className="mt-3 max-h-[440px] w-full" role="img" aria-label="Plan with the numbers of the table">
      <OutlineShape pieces={plan} project={fromAbove} />
      {placementOrder(graph).map(({ item, part, place }, i) => {
        const half = halfOf(part.sizeMm, { ...place, yawDeg: 0 });
        const [station, butt] = place.at;
        return (
          <g key={item.id} transform={`translate(${butt} ${station}) rotate(${place.yawDeg})`}>
            <rect
              x={-half[1]}
              y={-half[0]}
              width={half[1] * 2}
              height={half[0] * 2}
              fill="var(--color-sheet)"
              fillOpacity={0.7}
              stroke="var(--color-ink)"
              vectorEffect="non-scaling-stroke"
            />
            <text textAnchor="middle" dominantBaseline="central" fontSize={letterMm} className="font-mono">
              {i + 1}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
