import type { Option } from '../assign/problem.ts';
import type { Fit } from './fit.ts';
import type { LinkSeeker } from './linkSeekers.ts';
import { GIVES_WAY, LEFT_OUT, priceOf } from './portPrices.ts';

/** An option of the search with the fits that it stands for: of each link of a plug one, or none. */
export interface Choice extends Option {
  readonly fits: readonly (Fit | undefined)[];
}

/** Two board ports for one plug of a device: a branch more, and a plug. */
const TWO_PLUGS = 8;

/** Every fit as an option of the search, and to be left out. */
export function choicesOf(seeker: LinkSeeker | undefined, fits: readonly Fit[]): readonly Choice[] {
  const own = fits.map((fit, k): Choice => ({
    id: `${fit.port.key} ${k}`,
    cost: priceOf(fit.prices) + (fit.gives === undefined ? 0 : GIVES_WAY),
    uses: fit.uses,
    fits: [fit],
  }));
  return [...own, { id: 'left out', cost: seeker?.isNeeded === true ? LEFT_OUT.needed : LEFT_OUT.optional, uses: [], fits: [undefined] }];
}

/** Every way in which the links of one plug choose, where they do not take one thing twice. */
export function together(all: readonly (readonly Choice[])[]): readonly Choice[] {
  return all.reduce((sofar, next) =>
    sofar.flatMap((a) =>
      next.flatMap((b): Choice[] => {
        if (a.uses.some((use) => b.uses.includes(use))) return [];
        const fits = [...a.fits, ...b.fits];
        const more = plugsAt(a.fits) > 0 && plugsAt(fits) > plugsAt(a.fits) ? TWO_PLUGS : 0;
        return [{ id: `${a.id}, ${b.id}`, cost: a.cost + b.cost + more, uses: [...a.uses, ...b.uses], fits }];
      }),
    ),
  );
}

/** How many sockets of boards some links are at. */
function plugsAt(fits: Choice['fits']): number {
  return new Set(fits.flatMap((fit) => (fit === undefined ? [] : [`${fit.port.item} ${fit.port.port}`]))).size;
}
