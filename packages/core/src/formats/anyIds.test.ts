import { createHash } from 'node:crypto';
import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { findingsOf, remediesOf } from '../checks/findingsOf.ts';
import { compassFields } from '../field/compassFields.ts';
import { graphOf } from '../graph/graphOf.ts';
import { sheetModel } from '../harness/wiringSheet/sheetModel.ts';
import { legWays } from '../layout/ways.ts';
import { AircraftSchema, type Cable } from '../model/aircraft.ts';
import { canonicalJson } from '../model/canonicalJson.ts';
import type { Design } from '../model/design.ts';
import { asId, type AircraftId, type MakeId } from '../model/ids.ts';
import { hasShape } from '../model/shape.ts';
import { demoAircraft } from '../demo/demoAircraft.ts';
import { faultSweep } from '../power/faults/faultSweep.ts';
import { scenarioNetlist } from '../power/spice/scenarioNetlist.ts';
import { demoDesign } from '../test/designs.ts';
import { withLoom, withOwnIds } from '../test/looms.ts';
import { draws } from '../test/randomEdits/draw.ts';
import { play } from '../test/randomEdits/play.ts';
import { documentKinds } from './documentKinds.ts';

/** Ids in no order, as a workshop draws them. */
function drawnIds(seed: string): MakeId {
  let count = 0;
  return () => createHash('sha256').update(`${seed} ${++count}`).digest('hex').slice(0, 16);
}

/** A demo aircraft with ids of its own, its members in the order in which a store gives them back. */
function drawn(id: string, seed: string): Design {
  const makeId = drawnIds(seed);
  const design = demoAircraft.find((each) => each.id === id)?.build(asId<AircraftId>(id), makeId);
  if (design === undefined) throw new Error(`There is no ${id}.`);
  return stored(design, withOwnIds(withLoom(Object.values(design.aircraft.cables)), makeId));
}

/** A design with these cables, as a store gives it back. */
function stored(design: Design, cables: readonly Cable[]): Design {
  const document: unknown = JSON.parse(
    canonicalJson({ ...design.aircraft, cables: Object.fromEntries(cables.map((cable) => [cable.id, cable])) }),
  );
  if (!hasShape(AircraftSchema, document)) throw new Error('The aircraft has lost its shape.');
  return { ...design, aircraft: document };
}

/** What people read of an aircraft, by where it stands. */
const READ: Readonly<Record<string, (design: Design) => unknown>> = {
  findings: (design) => findingsOf(design).map(({ severity, what, evidence }) => ({ severity, what, evidence })),
  remedies: (design) => findingsOf(design).map((finding) => remediesOf(design, finding).map(({ label, sentence }) => [label, sentence])),
  documents: (design) => {
    const graph = graphOf(design);
    return documentKinds.map((kind) => kind.subjects(graph).map(({ id, title }) => [title, kind.build(graph, id)]));
  },
  'wiring sheet': (design) => {
    const { boxes, wires } = sheetModel(graphOf(design));
    return {
      boxes: boxes.map(({ ref, column, width, height, pins }) => ({
        ref,
        column,
        width,
        height,
        pins: pins.map(({ port, pin, y }) => [port, pin.n, y]),
      })),
      wires: wires.length,
    };
  },
  'ways of cables': (design) => [...legWays(graphOf(design)).values()].map(({ cable, way, lengthMm }) => [cable.tag, lengthMm, way.spots]),
  compasses: (design) =>
    compassFields(graphOf(design)).map(({ compass, situations, legs }) => ({
      ref: compass.item.ref,
      situations,
      legs: legs.map(({ of, amps, ut }) => [of.cable.tag, amps, ut]),
    })),
  faults: (design) => faultSweep(graphOf(design)).lines.map(({ id: _id, ...line }) => line),
  netlist: (design) => scenarioNetlist(graphOf(design), 'cruise'),
};

describe('two aircraft that differ in nothing but their ids', () => {
  describe.each(demoAircraft.map(({ id }) => id))('%s', (id) => {
    const [one, two] = [drawn(id, 'one'), drawn(id, 'two')];

    it.each(Object.keys(READ))('have the same %s', (name) => {
      expect(READ[name]?.(two)).toEqual(READ[name]?.(one));
    });
  });

  it('have the same findings, pin tables and nets, whatever was done to them', () => {
    let looms = 0;
    fc.assert(
      fc.property(draws, (list) => {
        const { end } = play(demoDesign(), list);
        const [one, two] = ['one', 'two'].map((seed) => stored(end, withOwnIds(Object.values(end.aircraft.cables), drawnIds(seed))));
        if (one === undefined || two === undefined) throw new Error('There are two of them.');
        looms += graphOf(one).cables.filter(({ legs }) => Object.keys(legs).length > 1).length;
        for (const name of ['findings', 'ways of cables', 'wiring sheet']) expect(READ[name]?.(two)).toEqual(READ[name]?.(one));
        for (const document of ['pin-table', 'labels', 'cut-list', 'nets'])
          expect(sheetsOf(two, document)).toEqual(sheetsOf(one, document));
      }),
      { numRuns: 25, endOnFailure: true },
    );
    expect(looms).toBeGreaterThan(3);
  });
});

function sheetsOf(design: Design, id: string): unknown {
  const graph = graphOf(design);
  const kind = documentKinds.find((candidate) => candidate.id === id);
  if (kind === undefined) throw new Error(`There is no document ${id}.`);
  return kind.subjects(graph).map((subject) => kind.build(graph, subject.id));
}
