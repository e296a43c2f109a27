import { describe, expect, it } from '@jest/globals';
import { partProblems } from '../graph/partProblems.ts';
import { partKeyOf } from '../model/contentHash.ts';
import { PartSchema, type Part, type PinRole } from '../model/part.ts';
import { partKinds } from '../model/partKinds.ts';
import { shapeProblems } from '../model/shape.ts';
import { catalogue, sampleParts } from './catalogue.ts';
import { unknownFacts } from './partFacts.ts';
import { ratingProblems } from '../graph/ratingProblems.ts';

describe.each(sampleParts.map((part) => [part.id, part] as const))('%s', (_, part) => {
  it('has the shape of a part', () => {
    expect(shapeProblems(PartSchema, part)).toEqual([]);
  });

  it('states every fact that concerns it', () => {
    expect(unknownFacts(part).map(({ id }) => id)).toEqual([]);
  });

  it('has figures that can be', () => {
    expect(ratingProblems(part)).toEqual([]);
  });

  it('holds together under every choice of its settings', () => {
    expect(partProblems(part)).toEqual([]);
  });
});

describe('the catalogue', () => {
  it('holds every part once, by kind and name', () => {
    expect(catalogue.size).toBe(sampleParts.length);
    for (const part of sampleParts) expect(catalogue.get(partKeyOf(part))).toBe(part);
    const ranks = sampleParts.map((part) => partKinds.indexOf(part.kind));
    expect(ranks).toEqual([...ranks].sort((a, b) => a - b));
  });

  it.each([
    ['controller', 7],
    ['power-module', 4],
    ['distribution', 3],
    ['regulator', 6],
    ['motor-controller', 6],
    ['motor', 5],
    ['servo', 7],
    ['gnss', 5],
    ['compass', 2],
    ['airspeed', 4],
    ['rangefinder', 3],
    ['rc-receiver', 6],
    ['converter', 4],
    ['telemetry-radio', 5],
    ['handheld-link', 2],
    ['companion', 3],
    ['camera', 5],
    ['video-transmitter', 5],
    ['osd', 2],
    ['screen', 1],
    ['payload', 6],
    ['battery', 6],
  ] as const)('has enough of the kind %s', (kind, least) => {
    expect(sampleParts.filter((part) => part.kind === kind).length).toBeGreaterThanOrEqual(least);
  });

  it('says of everything that carries channels what its lights mean and what is done once', () => {
    const carries = sampleParts.filter(({ endpoints }) => endpoints.some(({ is }) => is === 'rc-out' || is === 'rc-in'));
    const channelled = carries.filter(({ kind }) => kind !== 'controller');
    expect(channelled.length).toBeGreaterThan(14);
    expect(
      channelled.filter(({ indications = [], steps = [] }) => indications.length === 0 || steps.length === 0).map(({ id }) => id),
    ).toEqual([]);
  });

  it('varies pin orders between parts of one kind, as the world does', () => {
    const orders = (kind: Part['kind'], role: PinRole) =>
      new Set(
        sampleParts
          .filter((part) => part.kind === kind)
          .flatMap((part) => part.ports.filter((port) => port.pins.some((pin) => pin.role === role)))
          .map((port) => port.pins.map((pin) => pin.role).join(' ')),
      );
    expect(orders('controller', 'tx').size).toBeGreaterThanOrEqual(5);
    expect(orders('telemetry-radio', 'tx').size).toBeGreaterThanOrEqual(3);
    expect(orders('airspeed', 'sda').size).toBeGreaterThanOrEqual(2);
    expect(orders('controller', 'pulse-out').size).toBeGreaterThanOrEqual(2);
  });
});
