import { MIX_FIGURES, mixFigures, percent, saturationOf, type Graph, type MixerRow, type MixFigure } from '@wired-falcon/core';
import { NumberField } from '../../ui/NumberField.tsx';
import { useOutputEdits } from './useOutputEdits.ts';

/** The functions that each figure has a say in. */
const SERVES: Readonly<Record<MixFigure, RegExp>> = {
  roll: /^(elevon|flaperon)/,
  pitch: /^(elevon|v-tail|a-tail)/,
  yaw: /^(v-tail|a-tail)/,
  flap: /^flaperon/,
  differential: /^(aileron-|flaperon)/,
  thrustYaw: /^throttle-/,
};

/** How the controller mixes, where a person wants it otherwise than is usual. Only what has a say on this airframe. */
export function MixFigures({ graph, rows }: { readonly graph: Graph; readonly rows: readonly MixerRow[] }) {
  const { setMix } = useOutputEdits(graph);
  const { mixing } = graph.design.aircraft;
  const shown = mixFigures.filter((figure) => rows.some((row) => SERVES[figure].test(row.function)));
  const left = saturationOf(rows);
  if (shown.length + left.length === 0) return null;
  return (
    <section aria-label="Mixer" className="mt-6 max-w-[420px]">
      <h3 className="text-[15px] font-bold">Mixer</h3>
      {shown.map((figure) => {
        const { title, usual, least, most } = MIX_FIGURES[figure];
        const value = mixing[figure];
        return (
          <NumberField
            key={figure}
            label={title}
            unit="%"
            value={value === undefined ? undefined : Math.round(value * 100)}
            least={least * 100}
            most={most * 100}
            usual={{ value: usual * 100 }}
            onSave={(share) => setMix(figure, share === undefined ? undefined : share / 100)}
          />
        );
      })}
      {left.length > 0 && (
        <>
          <h4 className="mt-2 font-semibold">Authority left at full command</h4>
          <ul className="text-[12.5px]">
            {left.map(({ full, other, remains }) => (
              <li key={`${full} ${other}`}>
                At full {full}: <span className="value">{percent(remains)}</span> of {other}
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}
