import { describe, expect, it } from '@jest/globals';
import { withPlainSpaces } from '../text/numbers.ts';
import fc from 'fast-check';
import { applyEdit } from '../edits/applyEdit.ts';
import { graphOf } from '../graph/graphOf.ts';
import { radioSheet } from '../harness/documents/radioSheet.ts';
import { crossSections } from '../layout/crossSections.ts';
import type { Flat } from '../layout/outline.ts';
import { usualFrame } from '../layout/usualFrame.ts';
import type { Design } from '../model/design.ts';
import type { FramePiece, Spot } from '../model/frame.ts';
import { itemOf, made } from '../test/designs.ts';
import { carrying } from '../test/checkCases/placement.ts';
import { shadowName, shadowsOf, shadowWords } from './shadows.ts';

/** A wing of 1.6 m with a receiver's antenna at a spot, and these pieces of carbon. */
function withAntenna(at: Spot, ...carbon: readonly FramePiece[]): Design {
  return carbon.reduce(
    (design, piece) => made(design, { kind: 'set-frame-carbon', piece, isCarbon: true, was: false }),
    carrying([['receiver-sbus-16', 'RX1', at]]),
  );
}

function said(design: Design): string[] {
  return shadowsOf(graphOf(design)).map((shadow) => `${shadowName(shadow.body)} ${shadowWords(shadow)}`);
}

/** The share of all directions from a point in which a ray meets the edge, in degrees: by looking in each of 3600. */
function hiddenByLooking([station, butt]: Flat, edge: readonly Flat[]): number {
  let hit = 0;
  for (let tenth = 0; tenth < 3600; tenth++) {
    const angle = ((tenth + 0.5) / 10) * (Math.PI / 180);
    const [dx, dy] = [-Math.cos(angle), Math.sin(angle)];
    const isHit = edge.some((b, i) => {
      const a = edge.at(i - 1) ?? b;
      const [ex, ey] = [b[0] - a[0], b[1] - a[1]];
      const cross = dx * ey - dy * ex;
      if (Math.abs(cross) < 1e-12) return false;
      const along = ((a[0] - station) * ey - (a[1] - butt) * ex) / cross;
      const share = ((a[0] - station) * dy - (a[1] - butt) * dx) / cross;
      return along > 0 && share >= 0 && share <= 1;
    });
    if (isHit) hit++;
  }
  return hit / 10;
}

describe('what is made of carbon', () => {
  it('shadows an antenna at its height, and nothing else does', () => {
    expect(said(withAntenna([300, 400, 0]))).toEqual([]);
    expect(said(withAntenna([300, 400, 0], 'body'))).toEqual(['carbon body to the left']);
    expect(said(withAntenna([-300, 0, 0], 'body'))).toEqual(['carbon body aft']);
    expect(said(withAntenna([300, 400, 500], 'body', 'wing', 'tail', 'arm'))).toEqual([]);
  });

  it('shadows all round what stands in it, and the radio sheet says so', () => {
    const design = withAntenna([300, 0, 0], 'body');
    expect(said(design)).toEqual(['carbon body all round']);
    expect(withPlainSpaces(radioSheet(graphOf(design)).notes.join(' '))).toContain(
      'Carbon body hides 360 degrees of the horizon all round from the antenna of RX1.',
    );
  });

  it('hides as much as rays from the antenna meet, wherever it stands', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -600, max: 1200 }),
        fc.integer({ min: -900, max: 900 }),
        fc.constantFrom<FramePiece>('body', 'wing'),
        (station, butt, piece) => {
          const design = withAntenna([station + 0.37, butt + 0.41, 0], piece);
          const { kind, frame } = design.aircraft.airframe;
          const [section] = frame === undefined ? [] : crossSections(kind, frame, 0).filter((one) => one.piece === piece);
          if (section === undefined) throw new Error(`There is no ${piece}.`);
          const looked = hiddenByLooking([station + 0.37, butt + 0.41], section.points);
          const [shadow] = shadowsOf(graphOf(design));
          if (looked < 9.5) expect(shadow === undefined || shadow.spanDeg < 10.5).toBe(true);
          else expect(Math.abs((shadow?.spanDeg ?? 0) - looked)).toBeLessThan(looked < 10.5 ? 10.6 : 0.31);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('is taken back, and a change that somebody else made meanwhile is not overwritten', () => {
    const design = withAntenna([300, 0, 0], 'body', 'wing');
    expect(design.aircraft.airframe.frame?.carbon).toEqual(['body', 'wing']);
    const bare = (['wing', 'body'] as const).reduce(
      (one, piece) => made(one, { kind: 'set-frame-carbon', piece, isCarbon: false, was: true }),
      design,
    );
    expect(bare.aircraft.airframe.frame).toEqual(withAntenna([300, 0, 0]).aircraft.airframe.frame);
    expect(bare.aircraft.airframe.frame === undefined || 'carbon' in bare.aircraft.airframe.frame).toBe(false);
    expect(applyEdit(design, { kind: 'set-frame-carbon', piece: 'body', isCarbon: true, was: false })).toHaveProperty(
      'refused.code',
      'changed-since',
    );
    expect(itemOf(bare, 'RX1').place?.at).toEqual([300, 0, 0]);
  });
});

describe('a cut through an airframe', () => {
  it('meets the halves of a V where they are at that height, and the fin of another tail in the middle', () => {
    const butts = (kind: 'v-tail' | 'conventional', water: number): number[] =>
      crossSections(kind, usualFrame(kind, 1600), water)
        .filter(({ piece }) => piece === 'tail')
        .flatMap(({ points }) => points.map(([, butt]) => Math.round(butt)));
    const { tailSpanMm: span = 0 } = usualFrame('v-tail', 1600).numbers;
    // The tips are a third of the span up: half way up the halves are half of their half span out.
    expect(butts('v-tail', span / 6)).toEqual([-1, -1, 1, 1].map((side) => Math.round((side * span) / 4)));
    expect(butts('v-tail', span)).toEqual([]);
    expect(butts('conventional', 50)).toEqual([0, 0]);
  });

  it('meets the arms of a multirotor on top of its body, and its body below', () => {
    const frame = usualFrame('quad', 600);
    const pieces = (water: number): FramePiece[] => crossSections('quad', frame, water).map(({ piece }) => piece);
    const top = (frame.numbers.bodyHeightMm ?? 0) / 2;
    expect(pieces(top + 5)).toEqual(['arm', 'arm', 'arm', 'arm']);
    expect(pieces(-top + 1)).toEqual(['body']);
    expect(pieces(top + 100)).toEqual([]);
  });
});
