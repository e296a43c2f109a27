import { boardLies, decimals, type BoardLies, type Graph } from '@wired-falcon/core';

const AXES = ['aft', 'right', 'up'] as const;

/** How the controller lies: its arrow as the aircraft sees it, what the firmware is told, and the rotation between the two. */
export function BoardFigure({ graph }: { readonly graph: Graph }) {
  const lies = boardLies(graph);
  if (lies === undefined) return null;
  const { entry, told, code, turning, isUpsideDown, isOtherwiseInLayout } = lies;
  return (
    <section aria-label="Board orientation" className="mt-6 border-t border-ink pt-2 text-[13px]" data-testid="board-lies">
      <h3 className="text-[15px] font-bold">Orientation of {entry.item.ref}</h3>
      <div className="mt-1 flex flex-wrap items-start gap-6">
        <ArrowFigure lies={lies} />
        <div className="max-w-[46ch]">
          <p>
            The firmware is set to: {told}
            {code === undefined ? ', for which it has no code.' : `, code ${code}.`}
          </p>
          {isUpsideDown && <p>Its labels face down: left and right are swapped.</p>}
          {isOtherwiseInLayout === undefined && <p className="text-ink2">It is not placed in the layout yet.</p>}
          {isOtherwiseInLayout === true && <p className="text-rust">Its orientation in the layout is different.</p>}
        </div>
        <table className="text-[12.5px]">
          <caption className="text-left text-ink2">Rotation, aircraft by board</caption>
          <thead>
            <tr>
              <td />
              {AXES.map((axis) => (
                <th key={axis} scope="col" className="px-2 text-right font-normal text-ink2">
                  {axis}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {turning.map((row, i) => (
              <tr key={AXES[i]}>
                <th scope="row" className="pr-2 text-left font-normal text-ink2">
                  {AXES[i]}
                </th>
                {row.map((value, j) => (
                  <td key={AXES[j]} className="value px-2 text-right">
                    {Number.isInteger(value) ? value : decimals(value, 2)}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}

/** The board from above, nose of the aircraft up. An arrow that points up or down is a ring. */
function ArrowFigure({ lies: { arrow, isUpsideDown, entry } }: { readonly lies: BoardLies }) {
  const [aft, right, up] = arrow;
  const isFlat = Math.abs(up) < 0.9;
  const [x, y] = [34 * right, 34 * aft];
  const length = Math.hypot(x, y);
  const [ux, uy] = length === 0 ? [0, 0] : [x / length, y / length];
  const words = isFlat ? '' : up > 0 ? ', its nose up' : ', its nose down';
  return (
    <svg
      viewBox="-60 -60 120 120"
      width={120}
      height={120}
      role="img"
      aria-label={`${entry.item.ref} from above${words}${isUpsideDown ? ', labels down' : ''}`}
    >
      <rect
        x={-42}
        y={-42}
        width={84}
        height={84}
        fill="var(--color-white)"
        stroke="var(--color-ink)"
        strokeDasharray={isUpsideDown ? '5 4' : undefined}
      />
      {isFlat ? (
        <>
          <line x1={-x} y1={-y} x2={x} y2={y} stroke="var(--color-rust)" strokeWidth={5} />
          <polygon
            points={`${x + 14 * ux},${y + 14 * uy} ${x - 9 * uy},${y + 9 * ux} ${x + 9 * uy},${y - 9 * ux}`}
            fill="var(--color-rust)"
          />
        </>
      ) : (
        <circle r={14} fill={up > 0 ? 'var(--color-rust)' : 'none'} stroke="var(--color-rust)" strokeWidth={4} />
      )}
    </svg>
  );
}
