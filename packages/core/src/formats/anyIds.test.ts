import { createHash } from 'node:crypto';
import { describe, expect, it } from '@jest/globals';
import { findingsOf, remediesOf } from '../checks/findingsOf.ts';
import { compassFields } from '../field/compassFields.ts';
import { graphOf } from '../graph/graphOf.ts';
import { sheetModel } from '../harness/wiringSheet/sheetModel.ts';
import { legWays } from '../layout/ways.ts';
import { AircraftSchema } from '../model/aircraft.ts';
import { canonicalJson } from '../model/canonicalJson.ts';
import type { Design } from '../model/design.ts';
import { asId, type AircraftId, type MakeId } from '../model/ids.ts';
import { hasShape } from '../model/shape.ts';
import { demoAircraft } from '../demo/demoAircraft.ts';
import { faultSweep } from '../power/faults/faultSweep.ts';
import { scenarioNetlist } from '../power/spice/scenarioNetlist.ts';
import { withLoom, withOwnIds } from '../test/looms.ts';
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
  const cables = withOwnIds(withLoom(Object.values(design.aircraft.cables)), makeId);
  const stored: unknown = JSON.parse(
    canonicalJson({ ...design.aircraft, cables: Object.fromEntries(cables.map((cable) => [cable.id, cable])) }),
  );
  if (!hasShape(AircraftSchema, stored)) throw new Error(`${id} has lost its shape.`);
  return { ...design, aircraft: stored };
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
});
