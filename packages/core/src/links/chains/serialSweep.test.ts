import { describe, expect, it } from '@jest/globals';
import { findingsOf } from '../../checks/findingsOf.ts';
import { graphOf } from '../../graph/graphOf.ts';
import type { Design } from '../../model/design.ts';
import type { Part } from '../../model/part.ts';
import { sampleParts } from '../../parts/catalogue.ts';
import { set } from '../../test/checkCases/build.ts';
import { emptyBench, itemOf } from '../../test/designs.ts';
import { oneWire } from '../../test/oneWire.ts';
import { otherValue } from '../../test/otherValue.ts';
import { agrees, type FacetId, type Hop } from './hop.ts';
import { hopsOf } from './hopsOf.ts';

type Uart = Extract<Part['endpoints'][number], { is: 'uart' }>;

/** A board whose ports turn any signal round, and one port of it with flow control and one without. */
const BOARD = 'controller-h7-carrier';
const PORTS = ['A', 'C'] as const;

/** Every serial port of the catalogue that talks, or listens, to a controller. */
const ends = sampleParts
  .filter(({ kind }) => kind !== 'controller')
  .flatMap((part) => part.endpoints.flatMap((endpoint) => (endpoint.is === 'uart' ? [{ part, endpoint }] : [])));

function portOfUart({ tx, rx }: Uart): string {
  const pin = tx ?? rx ?? '';
  return pin.slice(0, pin.lastIndexOf('.'));
}

/** The part at a port of the board, both set to what they can agree on; undefined where the board speaks nothing of it. */
function agreed(part: Part, endpoint: Uart, port: string): Design | undefined {
  const bench = emptyBench();
  bench.add(BOARD, 'board');
  const settings = endpoint.when === undefined ? {} : { [endpoint.when.setting]: endpoint.when.in[0] ?? '' };
  bench.add(part.id, 'device', settings);
  const ref = Object.values(bench.design.aircraft.items).find(({ ref: one }) => one !== 'FC1')?.ref ?? '';
  const isAlone = part.endpoints.filter((one) => one.is === 'uart' && portOfUart(one) === portOfUart(endpoint)).length === 1;
  if (isAlone) bench.wire(`${ref} ${portOfUart(endpoint)}`, `FC1 ${port}`);
  const board = bench.design.parts.get(itemOf(bench.design, 'FC1').part)?.endpoints.find(({ id }) => id === port);
  const spoken = board?.is === 'uart' ? board.speaks : [];
  const common = endpoint.speaks.find(({ protocol }) => spoken.some((offer) => offer.protocol === protocol));
  const offer = spoken.find(({ protocol }) => protocol === common?.protocol);
  const baud = common?.bauds.find((one) => offer?.bauds.includes(one));
  if (common === undefined || offer === undefined) return undefined;
  bench.setting('FC1', `${port}.protocol`, common.protocol);
  if (baud !== undefined) bench.setting('FC1', `${port}.baud`, baud);
  if (endpoint.speaks.length > 1 && new Set(endpoint.speaks.map(({ protocol }) => protocol)).size > 1)
    bench.setting(ref, `${endpoint.id}.protocol`, common.protocol);
  const bauds = new Set(endpoint.speaks.flatMap((one) => one.bauds));
  if (baud !== undefined && bauds.size > 1) bench.setting(ref, `${endpoint.id}.baud`, baud);
  // Of two on one socket only the one that is meant is wired.
  if (isAlone) return bench.design;
  return board?.is !== 'uart' || board.rx === undefined || endpoint.tx === undefined
    ? undefined
    : oneWire(bench.design, [ref, endpoint.tx], ['FC1', board.rx]);
}

const serialHops = (design: Design): readonly Hop[] => hopsOf(graphOf(design)).hops.filter(({ medium }) => medium === 'serial');
const MISMATCH: Partial<Record<FacetId, string>> = { protocol: 'link.protocol-mismatch', baud: 'link.baud-mismatch' };

describe('every serial port of the catalogue at a controller', () => {
  const tried = new Map<FacetId, number>();

  it.each(ends.map((end) => [`${end.part.id} ${end.endpoint.id}`, end] as const))(
    '%s agrees as it should be, and parts by the setting that is changed',
    (_, { part, endpoint }) => {
      for (const port of PORTS) {
        const design = agreed(part, endpoint, port);
        if (design === undefined) continue;
        const mismatches = (one: Design): readonly string[] =>
          findingsOf(one).flatMap(({ check }) => (Object.values(MISMATCH).includes(check) ? [check] : []));
        for (const hop of serialHops(design).filter(agrees)) {
          expect(mismatches(design)).toEqual([]);
          const isProbed = [hop.a, hop.b].some((one) => one?.entry.part?.kind === 'gnss');
          for (const facet of hop.facets.filter(({ verdict, id }) => verdict === 'agree' && !(id === 'baud' && isProbed))) {
            for (const side of ['a', 'b'] as const) {
              const ref = hop[side]?.entry.item.ref ?? '';
              const { setting } = facet[side];
              const value = setting === undefined ? undefined : otherValue(facet, side, design, ref);
              if (setting === undefined || value === undefined) continue;
              const changed = set(design, ref, setting, value);
              const differing = serialHops(changed).flatMap(({ facets }) =>
                facets.filter(({ verdict }) => verdict === 'differ').map(({ id }) => id),
              );
              // With another protocol there is another baud: one is told, not both.
              expect([setting, value, differing[0]]).toEqual([setting, value, facet.id]);
              expect(mismatches(changed)).toContain(MISMATCH[facet.id]);
              tried.set(facet.id, (tried.get(facet.id) ?? 0) + 1);
            }
          }
        }
      }
    },
  );

  it('were many', () => {
    for (const id of ['protocol', 'baud'] as const) expect([id, (tried.get(id) ?? 0) > 20]).toEqual([id, true]);
  });
});
