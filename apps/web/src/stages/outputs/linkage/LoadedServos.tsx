import { useMemo } from 'react';
import { Link } from 'react-router';
import { loadedSituation, quantity, type Graph } from '@wired-falcon/core';
import { paths } from '../../../addresses/paths.ts';
import { useMake } from '../../../session/SessionContext.tsx';

/** All servos against the air at once, as a situation for the power stage. */
export function LoadedServos({ graph }: { readonly graph: Graph }) {
  const make = useMake();
  const loaded = useMemo(() => loadedSituation(graph), [graph]);
  if (loaded === undefined) return null;
  const { totalA, isBeyond, edit } = loaded;
  return (
    <section aria-label="All surfaces loaded" className="mt-4 border-t border-ink pt-2 text-[13px]" data-testid="loaded">
      <h3 className="text-[15px] font-bold">All surfaces loaded</h3>
      <p>
        At the highest hinge moments the linked servos draw {quantity(totalA, 'A')} together.
        {isBeyond && ' That is more than moving freely, which the situation shows.'}
      </p>
      {edit === undefined ? (
        <Link className="underline" to={paths.situation(graph.design.aircraft.id, 'own-loaded')}>
          See the situation in Power
        </Link>
      ) : (
        <button type="button" className="action no-print" onClick={() => make(edit)}>
          Add it to Power as a situation
        </button>
      )}
    </section>
  );
}
