import { describe, expect, it } from '@jest/globals';
import { applyEdit } from '../edits/applyEdit.ts';
import { integrityOf } from '../edits/integrity.ts';
import { mateName } from '../edits/lookups.ts';
import type { SimpleEdit } from '../edits/registry.ts';
import { matesOf } from '../graph/matesAt.ts';
import { groupOf, pinNode } from '../graph/graph.ts';
import { graphOf } from '../graph/graphOf.ts';
import { voltsAt } from '../graph/railsOf.ts';
import type { Design } from '../model/design.ts';
import { asId, type EditId, type MateId } from '../model/ids.ts';
import { bench } from '../test/checkCases/build.ts';
import { findingsBy, itemOf, made, portOfItem } from '../test/designs.ts';
import { outputCard } from '../outputs/documents/outputCard.ts';
import { portCard } from './documents/portCard.ts';
import { joinWay } from './looms/joinWay.ts';
import { planJoin } from './looms/planJoin.ts';
import { freeOffsets, seatsOf } from './looms/seats.ts';
import { proposeMate, proposeMates } from './proposeMate.ts';
import { runsOf } from './runs.ts';

const STACK = ['controller-f7-rows', 'output-board-stacked-6', 'servo-9g-analog', 'battery-lipo-4s-5000'] as const;

function stacked(): { readonly apart: Design; readonly design: Design } {
  const one = bench(...STACK);
  one.wire('BAT1 main', 'PWR1 battery');
  one.wire('SRV1 lead', 'PWR1 out2');
  const proposal = proposeMate(graphOf(one.design), portOfItem(one.design, 'PWR1', 'stack'), portOfItem(one.design, 'FC1', 'servos'));
  if (proposal === undefined) throw new Error('The two do not go together.');
  return { apart: one.design, design: made(one.design, { kind: 'add-mate', mate: proposal.mate }) };
}

function mateOf(design: Design): MateId {
  const [mate] = Object.keys(design.aircraft.mates);
  return asId<MateId>(mate ?? '');
}

/** The edit that says what an output is for. */
function assigned(design: Design, output: string): Design {
  return made(design, { kind: 'set-output-function', item: itemOf(design, 'FC1').id, output, function: 'elevon-left', was: null });
}

describe('ports that mate', () => {
  it('meet pin by pin, feed one another, and are a run without cables', () => {
    const { apart, design } = stacked();
    const node = (at: Design, ref: string, port: string, n: number): number => pinNode(graphOf(at), itemOf(at, ref).id, port, n) ?? -1;
    const rail = (at: Design): number | undefined => voltsAt(graphOf(at), node(at, 'FC1', 'servos', 2));
    expect([rail(apart), rail(design)]).toEqual([undefined, 6]);
    const run = runsOf(graphOf(design)).find(({ mate }) => mate !== undefined);
    expect(run?.name).toBe('PWR1 stack on FC1 servos');
    expect(run?.cables).toEqual([]);
    expect(run?.joins.map(({ a, b }) => [a.pin.n, b.pin.n])).toEqual(Array.from({ length: 18 }, (_, i) => [i + 1, i + 1]));
    expect(integrityOf(design)).toEqual([]);
  });

  it('pass signals on: what leaves the outputs of the board on top counts as wired where it arrives, and the board drives nothing', () => {
    const { apart, design } = stacked();
    const [before, after] = [assigned(apart, 's2'), assigned(design, 's2')];
    expect(findingsBy(before, 'output.unwired')).toHaveLength(1);
    expect(findingsBy(after, 'output.unwired')).toEqual([]);
    const graph = graphOf(design);
    const [fc, servo] = [pinNode(graph, itemOf(design, 'FC1').id, 'servos', 4), pinNode(graph, itemOf(design, 'SRV1').id, 'lead', 1)];
    expect(groupOf(graph.wires, fc ?? -1)).toBe(groupOf(graph.wires, servo ?? -2));
    expect(findingsBy(design, 'wire.contention')).toEqual([]);
    expect(findingsBy(design, 'wire.not-wired').filter(({ what }) => /PWR1|SRV1/.test(what))).toEqual([]);
    expect(findingsBy(apart, 'wire.not-wired').filter(({ what }) => what.includes('stack'))).toHaveLength(1);
  });

  it('are on the port card, and the output card says where a signal arrives over the board, and by which cable', () => {
    const graph = graphOf(stacked().design);
    const fc = itemOf(graph.design, 'FC1').id;
    expect(
      portCard(graph, fc)
        ?.rows.find(([label]) => label === 'servos')
        ?.slice(5, 7),
    ).toEqual(['PWR1 stack', '']);
    expect(outputCard(graph, fc)?.rows.map((cells) => [cells[8], cells[9]])).toEqual([
      ['', ''],
      ['SRV1 lead', 'W02'],
      ...Array.from({ length: 4 }, () => ['', '']),
    ]);
  });

  it('are occupied: nothing else is plugged in, wired or put there', () => {
    const { apart, design } = stacked();
    const graph = graphOf(design);
    const servos = portOfItem(design, 'FC1', 'servos');
    expect(freeOffsets(graph, servos, 3)).toEqual([]);
    expect(seatsOf(graph, servos).some(({ stretch }) => stretch?.isPlugged === false)).toBe(false);
    expect(joinWay(graph, portOfItem(design, 'SRV1', 'lead'), servos)).toMatchObject({ is: 'mated' });
    expect(planJoin(graph, portOfItem(design, 'SRV1', 'lead'), servos, 'meaning')).toBeUndefined();
    expect(proposeMates(graph, itemOf(design, 'PWR1').id).filter(({ a }) => a.port.id === 'stack')).toEqual([]);
    const cable = Object.values(design.aircraft.cables).find(({ tag }) => tag === 'W02');
    const [end] = Object.values(cable?.nodes ?? {});
    if (cable === undefined || end?.is !== 'end') throw new Error('W02 has no end.');
    const plug: SimpleEdit = {
      kind: 'set-cable-end',
      cable: cable.id,
      node: end.id,
      at: { is: 'port', item: servos.itemId, port: 'servos', offset: 3 },
      was: end.at,
    };
    expect(applyEdit(design, plug)).toMatchObject({ refused: { code: 'port-occupied' } });
    // And the other way round: on a row with a plug, the board finds no room.
    const plugged = applyEdit(apart, plug);
    if ('refused' in plugged) throw new Error(plugged.refused.sentence);
    expect(proposeMate(graphOf(plugged.design), portOfItem(apart, 'PWR1', 'stack'), portOfItem(apart, 'FC1', 'servos'))).toBeUndefined();
    const mate = design.aircraft.mates[mateOf(design)];
    if (mate === undefined) throw new Error('There is no mate.');
    expect(applyEdit(plugged.design, { kind: 'add-mate', mate })).toMatchObject({ refused: { code: 'port-occupied' } });
  });

  it('are refused where they do not go together, and parted with an item that is taken out; undo puts both back', () => {
    const { design } = stacked();
    const id = asId<MateId>('m');
    const place = (ref: string, port: string) => ({ item: itemOf(design, ref).id, port });
    const refused = (a: [string, string], b: [string, string]) =>
      applyEdit(design, { kind: 'add-mate', mate: { id, a: place(...a), b: place(...b) } });
    expect(refused(['BAT1', 'main'], ['FC1', 'comms'])).toMatchObject({ refused: { code: 'does-not-mate' } });
    expect(refused(['FC1', 'comms'], ['FC1', 'servos'])).toMatchObject({ refused: { code: 'cable-to-itself' } });
    expect(refused(['PWR1', 'stick'], ['FC1', 'servos'])).toMatchObject({ refused: { code: 'unknown-port' } });
    const gone = applyEdit(design, { kind: 'remove-item', item: itemOf(design, 'PWR1').id });
    if ('refused' in gone) throw new Error(gone.refused.sentence);
    expect(gone.design.aircraft.mates).toEqual({});
    const back = applyEdit(gone.design, { kind: 'undo', of: asId<EditId>('e') }, () => gone.inverse);
    expect('design' in back && back.design.aircraft.mates).toEqual(design.aircraft.mates);
    const parted = made(design, { kind: 'remove-mate', mate: mateOf(design) });
    expect(matesOf(graphOf(parted), itemOf(design, 'FC1').id)).toEqual([]);
    const mate = design.aircraft.mates[mateOf(design)];
    expect(mate === undefined ? '' : mateName(design, mate)).toBe('PWR1 stack on FC1 servos');
  });
});
