import { describe, expect, it } from '@jest/globals';
import { dialects } from '../firmware/dialects.ts';
import { addressesOf } from '../graph/graphOf.ts';
import { endpointPins } from '../graph/counterparts.ts';
import { partKeyOf } from '../model/contentHash.ts';
import { PartSchema, type Endpoint, type Part, type PinRole, type ResolvedPart } from '../model/part.ts';
import { partKinds } from '../model/partKinds.ts';
import { resolvePart, type Settings } from '../model/resolvePart.ts';
import { settingsOf, settingTakes } from '../model/settingsOf.ts';
import { shapeProblems } from '../model/shape.ts';
import { CAUTIONS } from './cautions.ts';
import { catalogue, sampleParts } from './catalogue.ts';

/** The part under every choice of each setting, the others as delivered. */
function variants(part: Part): ResolvedPart[] {
  const choices = settingsOf(part).flatMap((spec) =>
    spec.is === 'choice' ? spec.choices.map((choice): Settings => ({ [spec.id]: choice.value })) : [],
  );
  return [{}, ...choices].map((settings) => resolvePart(part, settings));
}

/** The roles that the pins of an endpoint may have. */
function wantedRoles(endpoint: Endpoint): (readonly [string, readonly PinRole[]])[] {
  switch (endpoint.is) {
    case 'uart': {
      const wire: readonly PinRole[] = endpoint.duplex === 'single-wire' ? ['single-wire'] : ['tx'];
      const wanted = [
        [endpoint.tx, wire],
        [endpoint.rx, ['rx']],
        [endpoint.cts, ['cts']],
        [endpoint.rts, ['rts']],
      ] as const;
      return wanted.flatMap(([pin, roles]) => (pin === undefined ? [] : [[pin, roles] as const]));
    }
    case 'i2c-host':
    case 'i2c-device':
      return [
        [endpoint.sda, ['sda']],
        [endpoint.scl, ['scl']],
      ];
    case 'can':
      return [
        [endpoint.high, ['can-h']],
        [endpoint.low, ['can-l']],
      ];
    case 'phase':
      return endpoint.pins.map((pin) => [pin, ['phase']] as const);
    case 'pulse-out':
      return [[endpoint.pin, ['pulse-out']]];
    case 'pulse-in':
      return [[endpoint.pin, ['pulse-in']]];
    case 'rc-in':
      return [[endpoint.pin, ['pulse-in', 'rx']]];
    case 'rc-out':
      return [[endpoint.pin, ['pulse-out', 'tx']]];
    case 'video-out':
      return [[endpoint.pin, ['video-out']]];
    case 'video-in':
      return [[endpoint.pin, ['video-in']]];
    case 'analog-sense':
      return [[endpoint.pin, ['analog-in']]];
    case 'analog-out':
      return [[endpoint.pin, ['analog-out']]];
    case 'usb':
    case 'air':
    case 'network':
      return [];
  }
}

describe.each(sampleParts.map((part) => [part.id, part] as const))('%s', (_, part) => {
  it('has the shape of a part', () => {
    expect(shapeProblems(PartSchema, part)).toEqual([]);
  });

  it('names only pins that exist', () => {
    for (const resolved of variants(part)) {
      const pins = new Set(resolved.ports.flatMap((port) => port.pins.map((pin) => `${port.id}.${pin.n}`)));
      for (const element of resolved.circuit) {
        for (const address of addressesOf(element)) if (!address.startsWith('@')) expect(pins).toContain(address);
      }
      for (const endpoint of resolved.endpoints) for (const address of endpointPins(endpoint)) expect(pins).toContain(address);
    }
  });

  it('numbers its pins from 1 in physical order, as many as the connector has', () => {
    for (const port of part.ports) {
      expect(port.pins.map((pin) => pin.n)).toEqual(port.pins.map((_pin, i) => i + 1));
      expect(port.connector.positions).toBe(port.pins.length);
    }
    expect(new Set(part.ports.map((port) => port.id)).size).toBe(part.ports.length);
  });

  it('has a ground on every port, or says why not', () => {
    for (const port of part.ports) expect(port.pins.some((pin) => pin.role === 'gnd') || port.groundless !== undefined).toBe(true);
  });

  it('shares no pin between endpoints that are on at once, unless declared exclusive', () => {
    for (const resolved of variants(part)) {
      const users = new Map<string, string[]>();
      for (const endpoint of resolved.endpoints) {
        if (endpoint.exclusive !== undefined) continue;
        for (const pin of endpointPins(endpoint)) users.set(pin, [...(users.get(pin) ?? []), endpoint.id]);
      }
      expect([...users].filter(([, names]) => names.length > 1)).toEqual([]);
    }
  });

  it('binds every signal to a pin of its own role', () => {
    for (const resolved of variants(part)) {
      const roles = new Map<string, PinRole>(
        resolved.ports.flatMap((port) => port.pins.map((pin) => [`${port.id}.${pin.n}`, pin.role] as const)),
      );
      for (const endpoint of resolved.endpoints) {
        for (const [address, wanted] of wantedRoles(endpoint)) expect(wanted).toContain(roles.get(address));
      }
    }
  });

  it('gives every signal pin a level, so that both ends of a wire can be compared', () => {
    const signals = ['tx', 'rx', 'cts', 'rts', 'sda', 'scl', 'pulse-out', 'pulse-in', 'analog-in', 'analog-out', 'single-wire'];
    if (part.kind === 'hub') return; // only copper: the levels are those of what hangs on it
    for (const port of part.ports) {
      for (const pin of port.pins) if (signals.includes(pin.role)) expect([port.id, pin.label, pin.logic]).not.toContain(undefined);
    }
  });

  it('has unique element and endpoint ids', () => {
    const elements = part.circuit.map((element) => element.id);
    expect(new Set(elements).size).toBe(elements.length);
    const endpoints = part.endpoints.map((endpoint) => endpoint.id);
    expect(new Set(endpoints).size).toBe(endpoints.length);
  });

  it('reaches every supply pin with some element, so that the solver will know what hangs on it', () => {
    const named = new Set(
      part.circuit.flatMap((element) =>
        addressesOf(resolvePart({ ...part, circuit: [element] }, {}).circuit[0] ?? { is: 'link', id: 'x', a: '', b: '', ohm: 0 }),
      ),
    );
    for (const port of part.ports) {
      for (const pin of port.pins) if (pin.role.startsWith('supply')) expect(named).toContain(`${port.id}.${pin.n}`);
    }
  });

  it('has loads whose working window holds their nominal voltage', () => {
    for (const resolved of variants(part)) {
      for (const element of resolved.circuit) {
        if (element.is !== 'load') continue;
        expect(element.minV).toBeLessThanOrEqual(element.nominalV);
        expect(element.maxV).toBeGreaterThanOrEqual(element.nominalV);
        expect(element.peakA).toBeGreaterThanOrEqual(element.typicalA);
        expect(element.typicalA).toBeGreaterThanOrEqual(element.idleA);
      }
    }
  });

  it('puts every pulse output into exactly one bank', () => {
    const outputs = part.endpoints.filter((endpoint) => endpoint.is === 'pulse-out').map((endpoint) => endpoint.id);
    const banked = (part.board?.banks ?? []).flatMap((bank) => bank.outputs);
    expect([...banked].sort()).toEqual([...outputs].sort());
    for (const endpoint of part.endpoints) {
      if (endpoint.is !== 'pulse-out') continue;
      expect(part.board?.banks.find((bank) => bank.id === endpoint.bank)?.outputs).toContain(endpoint.id);
    }
  });

  it('has defaults that its settings take, routes between its own endpoints, and known cautions', () => {
    for (const spec of settingsOf(part)) if (spec.default !== undefined) expect(settingTakes(spec, spec.default)).toBe(true);
    const ids = part.endpoints.map((endpoint) => endpoint.id);
    for (const route of part.routes) for (const id of [route.from, route.to]) expect(ids).toContain(id);
    for (const caution of part.cautions ?? []) expect(CAUTIONS).toHaveProperty(caution);
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

  it('has a firmware index in every dialect for every serial port of every controller, each index once', () => {
    for (const part of sampleParts.filter((candidate) => candidate.kind === 'controller')) {
      for (const dialect of dialects) {
        const indexes = part.endpoints
          .filter((endpoint) => endpoint.is === 'uart')
          .map((endpoint) => dialect.serialIndex(part.id, endpoint.id));
        expect(indexes).not.toContain(undefined);
        expect(new Set(indexes).size).toBe(indexes.length);
      }
    }
  });
});
