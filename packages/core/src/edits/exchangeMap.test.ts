import { describe, expect, it } from '@jest/globals';
import { saltmarsh } from '../demo/saltmarsh.ts';
import { findingsOf } from '../checks/findingsOf.ts';
import { partKeyOf } from '../model/contentHash.ts';
import type { Design } from '../model/design.ts';
import { asId, type PartId } from '../model/ids.ts';
import { sampleParts } from '../parts/catalogue.ts';
import { countingIds, demoDesign, emptyBench, itemOf, made } from '../test/designs.ts';
import { planAdoption } from './adoptPlan.ts';
import { exchangeMapOf } from './exchangeMap.ts';
import { integrityOf } from './integrity.ts';
import { proposeAdoption } from './proposeAdoption.ts';

function partOf(id: string) {
  const part = sampleParts.find((candidate) => candidate.id === id);
  if (part === undefined) throw new Error(`There is no ${id}.`);
  return part;
}

function exchanged(design: Design, ref: string, partId: string) {
  const edit = proposeAdoption(design, itemOf(design, ref).id, partKeyOf(partOf(partId)));
  if (edit === undefined) throw new Error('There is no proposal.');
  const plan = planAdoption(design, edit);
  if ('refused' in plan) throw new Error(plan.refused.sentence);
  return { plan, after: made(design, edit) };
}

/** The functions of an item's outputs, in order of the outputs of its part. */
function functionsOf(design: Design, ref: string): readonly string[] {
  const item = itemOf(design, ref);
  const outputs = (design.parts.get(item.part)?.endpoints ?? []).filter(({ is }) => is === 'pulse-out').map(({ id }) => id);
  return outputs.flatMap((output) =>
    Object.values(design.aircraft.outputs).flatMap((use) => (use.item === item.id && use.output === output ? [use.function] : [])),
  );
}

describe('another part in the place of one', () => {
  it('is the same part under another name: nothing moves', () => {
    const design = demoDesign();
    for (const part of sampleParts) {
      const copy = { ...part, id: asId<PartId>('copy') };
      const map = exchangeMapOf(design, itemOf(design, 'FC1').id, part, copy);
      for (const row of map.ports) {
        expect([part.id, row.to]).toEqual([part.id, row.from]);
        for (const pin of row.pins) expect([part.id, row.from, pin.to]).toEqual([part.id, row.from, pin.from]);
      }
      for (const row of [...map.settings, ...map.outputs]) expect([part.id, row.to]).toEqual([part.id, row.from]);
    }
  });

  it('another servo on the bus keeps the function and the number of the first', () => {
    const bench = emptyBench();
    bench.add('servo-25g-can', 'rudder', { 'CAN.node': 12 });
    const { id } = itemOf(bench.design, 'SRV1');
    bench.make({ kind: 'set-output-function', item: id, output: 'CAN', function: 'rudder', was: null });
    const other = { ...partOf('servo-25g-can'), id: asId<PartId>('servo-other-can'), massG: 31 };
    const design = { ...bench.design, parts: new Map([...bench.design.parts, [partKeyOf(other), other]]) };
    const edit = proposeAdoption(design, id, partKeyOf(other));
    if (edit === undefined) throw new Error('There is no proposal.');
    const after = made(design, edit);
    expect(Object.values(after.aircraft.outputs)).toEqual([{ item: id, output: 'CAN', function: 'rudder' }]);
    expect(itemOf(after, 'SRV1').settings['CAN.node']).toBe(12);
  });

  it('a larger controller takes every function in order, and every servo lead', () => {
    const whole = saltmarsh(asId('saltmarsh'), countingIds());
    const before = functionsOf(whole, 'FC1');
    expect(before.length).toBeGreaterThan(4);
    expect(functionsOf(exchanged(whole, 'FC1', 'controller-h7-ethernet').after, 'FC1')).toEqual(before);
    // One with fewer outputs: what is beyond its row takes the place of an output that nobody uses.
    const fewer = functionsOf(exchanged(whole, 'FC1', 'controller-h7-wing').after, 'FC1');
    expect(fewer).not.toEqual(before);
    expect([...fewer].sort()).toEqual([...before].sort());
    const design = demoDesign();
    for (const larger of ['controller-h7-wing', 'controller-f7-mini', 'controller-h7-carrier']) {
      const { plan, after } = exchanged(design, 'FC1', larger);
      const servos = ['W04', 'W06', 'W07', 'W08'];
      expect(plan.losses.filter((sentence) => servos.some((tag) => sentence.includes(tag)))).toEqual([]);
      expect(integrityOf(after)).toEqual([]);
    }
  });

  it('keeps what it has pins for: serial links stay serial, buses stay buses, with the settings of their ports', () => {
    const design = saltmarsh(asId('saltmarsh'), countingIds());
    const { plan, after } = exchanged(design, 'FC1', 'controller-h7-ethernet');
    const dropped = plan.losses.filter((sentence) => sentence.includes('becomes unplugged'));
    const cables = Object.values(design.aircraft.cables).filter(({ nodes }) =>
      Object.values(nodes).some((node) => node.is === 'end' && node.at.is === 'port' && node.at.item === itemOf(design, 'FC1').id),
    );
    expect(dropped.length).toBeLessThanOrEqual(2);
    expect(cables.length).toBeGreaterThan(10);
    const stops = (which: Design): readonly string[] =>
      findingsOf(which)
        .filter(({ severity, stage }) => severity === 'stop' && stage === 'wiring')
        .map(({ what }) => what);
    expect(stops(after)).toEqual(stops(design));
  });
});
