import { describe, expect, it } from '@jest/globals';
import { saltmarsh } from '../demo/saltmarsh.ts';
import { usualFrame } from '../layout/usualFrame.ts';
import type { BayId, FramePlan, PointId, RouteId } from '../model/frame.ts';
import { asId, type AircraftId } from '../model/ids.ts';
import type { Design } from '../model/design.ts';
import { countingIds, emptyBench, itemOf, made } from '../test/designs.ts';
import { applyEdit } from './applyEdit.ts';
import { insist } from './insist.ts';
import { integrityOf } from './integrity.ts';
import type { Edit } from './registry.ts';

const whole = saltmarsh(asId<AircraftId>('saltmarsh'), countingIds());
const empty = emptyBench().design;
const bay = (id: string): BayId => asId<BayId>(id);
const point = (id: string): PointId => asId<PointId>(id);

function refusal(design: Design, edit: Edit): string {
  const result = applyEdit(design, edit);
  return 'refused' in result ? `${result.refused.code}: ${result.refused.sentence}` : 'made';
}

function frameOf(design: Design): FramePlan {
  const { frame } = design.aircraft.airframe;
  if (frame === undefined) throw new Error('No airframe is laid out.');
  return frame;
}

describe('edits of the airframe', () => {
  it('lay one out, and leave it open again only when nothing lies in it', () => {
    const frame = usualFrame('quad', 450);
    const laid = made(empty, { kind: 'set-frame', frame, was: null });
    expect(frameOf(laid)).toEqual(frame);
    expect(made(laid, { kind: 'set-frame', frame: null, was: frame }).aircraft.airframe).toEqual({ kind: empty.aircraft.airframe.kind });
    expect(refusal(whole, { kind: 'set-frame', frame: null, was: frameOf(whole) })).toContain(
      'is in a bay that this airframe does not have',
    );
    expect(refusal(laid, { kind: 'set-frame', frame: null, was: null })).toContain('changed-since');
    const loose = {
      ...frame,
      routes: { ...frame.routes, [asId<RouteId>('loose')]: { a: point('spine'), b: point('gone'), diameterMm: 5 } },
    };
    expect(refusal(empty, { kind: 'set-frame', frame: loose, was: null })).toContain('does not join two points');
  });

  it('keep numbers within their limits, with the limits in the sentence', () => {
    const set = (value: number | null, was: number | null): Edit => ({ kind: 'set-frame-number', number: 'rootChordMm', value, was });
    const made1 = made(empty, set(210, null));
    expect(frameOf(made1).numbers).toEqual({ rootChordMm: 210 });
    expect(frameOf(made(made1, set(null, 210))).numbers).toEqual({});
    expect(refusal(empty, set(0, null))).toBe('bad-shape: "Root chord" must be from 1 to 20000 mm.');
    expect(refusal(empty, set(-5, null))).toContain('must be from 1');
    expect(refusal(empty, set(NaN, null))).toContain('bad-shape');
    expect(refusal(made1, set(220, 200))).toContain('changed-since');
  });

  it('take out no bay with something in it, no point with a route, and no route to nowhere', () => {
    const { bays, points, routes } = frameOf(whole);
    const nose = bays[bay('nose')] ?? null;
    expect(refusal(whole, { kind: 'set-bay', id: bay('nose'), bay: null, was: nose })).toMatch(/^bad-shape: \w+ is in this bay/);
    const spine = points[point('spine')] ?? null;
    expect(refusal(whole, { kind: 'set-frame-point', id: point('spine'), point: null, was: spine })).toContain('Routes end at this point');
    const [id] = Object.keys(routes).map((each) => asId<RouteId>(each));
    const was = id === undefined ? null : (routes[id] ?? null);
    if (id === undefined || was === null) throw new Error('There are routes.');
    expect(refusal(whole, { kind: 'set-route', id, route: { ...was, b: point('gone') }, was })).toContain('no point "gone"');
    expect(refusal(whole, { kind: 'set-route', id, route: { ...was, b: was.a }, was })).toContain('two different ends');
    expect(refusal(whole, { kind: 'set-route', id, route: null, was })).toBe('made');
    const spare = { title: 'spare', at: [100, 0, 0] as const, sizeMm: [50, 50, 50] as const, access: 'open' as const };
    const more = made(whole, { kind: 'set-bay', id: bay('spare'), bay: spare, was: null });
    expect(refusal(more, { kind: 'set-bay', id: bay('spare'), bay: null, was: spare })).toBe('made');
  });

  it('place an item only in a bay that is there, and insist on what stands there now', () => {
    const { id, place } = itemOf(whole, 'FC1');
    if (place === undefined) throw new Error('FC1 is placed.');
    const wrong = { ...place, bay: bay('cellar') };
    expect(refusal(whole, { kind: 'place-item', item: id, place: wrong, was: place })).toContain('unknown-bay');
    const stale: Edit = { kind: 'place-item', item: id, place: null, was: null };
    expect(refusal(whole, stale)).toContain('FC1 was moved meanwhile');
    expect(insist(whole, stale)).toEqual({ ...stale, was: place });
    const weighed = made(whole, { kind: 'weigh-item', item: id, massG: 70, was: null });
    expect(itemOf(weighed, 'FC1').weighedG).toBe(70);
    expect(refusal(weighed, { kind: 'weigh-item', item: id, massG: 80, was: null })).toContain('70');
    expect(refusal(whole, { kind: 'weigh-item', item: id, massG: 0, was: null })).toContain('bad-shape');
  });

  it('an import with an item in a bay that is gone, or a route to nowhere, is told', () => {
    const frame = frameOf(whole);
    const { [bay('nose')]: _gone, ...bays } = frame.bays;
    const { [point('spine')]: _lost, ...points } = frame.points;
    const broken = {
      ...whole,
      aircraft: { ...whole.aircraft, airframe: { ...whole.aircraft.airframe, frame: { ...frame, bays, points } } },
    };
    const sentences = integrityOf(broken).map(({ sentence }) => sentence);
    expect(sentences.some((sentence) => sentence.includes('is in a bay that the airframe does not have'))).toBe(true);
    expect(sentences.some((sentence) => sentence.includes('"spine"'))).toBe(true);
    expect(integrityOf(whole)).toEqual([]);
  });
});
