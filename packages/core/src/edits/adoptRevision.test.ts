import { describe, expect, it } from '@jest/globals';
import { partKeyOf } from '../model/contentHash.ts';
import type { Design } from '../model/design.ts';
import { asId, type MateId, type PartId } from '../model/ids.ts';
import type { Part } from '../model/part.ts';
import { settingsOf } from '../model/settingsOf.ts';
import { bench } from '../test/checkCases/build.ts';
import { cableOf, demoDesign, itemOf, made } from '../test/designs.ts';
import { offsetOf } from '../model/aircraft.ts';
import { sampleParts } from '../parts/catalogue.ts';
import { takesSeveralCables } from '../model/connector.ts';
import { integrityOf } from './integrity.ts';
import { planAdoption, type AdoptRevision } from './adoptPlan.ts';
import { applyEdit } from './applyEdit.ts';
import { partsPutBack } from './partsPutBack.ts';
import { proposeAdoption } from './proposeAdoption.ts';

const demo = demoDesign();
const radio = itemOf(demo, 'RADIO1');
const radioPart = partOf(demo, 'RADIO1');

function partOf(design: Design, ref: string): Part {
  const part = design.parts.get(itemOf(design, ref).part);
  if (part === undefined) throw new Error(`${ref} has no part.`);
  return part;
}

/** The demo aircraft with one more part known, and the proposal to make an item one of it. */
function proposal(ref: string, part: Part, start: Design = demo): { readonly design: Design; readonly edit: AdoptRevision } {
  const design = { ...start, parts: new Map([...start.parts, [partKeyOf(part), part]]) };
  const edit = proposeAdoption(design, itemOf(design, ref).id, partKeyOf(part));
  if (edit === undefined) throw new Error('There is no proposal.');
  return { design, edit };
}

function plan(design: Design, edit: AdoptRevision) {
  const planned = planAdoption(design, edit);
  if ('refused' in planned) throw new Error(planned.refused.sentence);
  return planned;
}

/** The contacts at the radio's end of its cable, by the wire's id. */
function contacts(design: Design): Record<string, number> {
  const cable = cableOf(design, 'W10');
  const end = Object.values(cable.nodes).find((node) => node.is === 'end' && node.at.is === 'port' && node.at.item === radio.id);
  return Object.fromEntries(Object.values(cable.conductors).map(({ id, a, b }) => [id, a.node === end?.id ? a.n : b.n] as const));
}
const port = radioPart.ports[0];
if (port === undefined) throw new Error('The radio has no port.');
/** The same radio with the pins of its port the other way round. */
const turned: Part = {
  ...radioPart,
  massG: radioPart.massG + 1,
  ports: radioPart.ports.map((each, i) =>
    i === 0 ? { ...each, pins: [...each.pins].reverse().map((pin, at) => ({ ...pin, n: at + 1 })) } : each,
  ),
};

describe('adopting another revision of a part', () => {
  it('changes nothing but the part where the names stayed', () => {
    const { design, edit } = proposal('RADIO1', { ...radioPart, massG: radioPart.massG + 1 });
    expect(plan(design, edit)).toMatchObject({ moves: [], losses: [] });
    const after = made(design, edit);
    expect(after.aircraft.cables).toEqual(demo.aircraft.cables);
    expect(after.aircraft.outputs).toEqual(demo.aircraft.outputs);
    expect(itemOf(after, 'RADIO1')).toEqual({ ...radio, part: edit.part });
  });

  it('keeps each wire on its signal when the pins are in another order, and says so', () => {
    const { design, edit } = proposal('RADIO1', turned);
    const before = contacts(design);
    const after = contacts(made(design, edit));
    for (const [id, n] of Object.entries(before)) expect(after[id]).toBe(port.pins.length + 1 - n);
    expect(plan(design, edit).losses).toEqual([]);
    expect(plan(design, edit).moves).toHaveLength(Object.values(before).filter((n) => 2 * n !== port.pins.length + 1).length);
  });

  it('is taken back whole', () => {
    const { design, edit } = proposal('RADIO1', turned);
    const result = applyEdit(design, edit);
    if ('refused' in result) throw new Error(result.refused.sentence);
    const back = applyEdit(result.design, { kind: 'undo', of: asId('e') }, () => result.inverse);
    expect('design' in back && back.design.aircraft).toEqual(demo.aircraft);
  });

  it('names both revisions in what takes it back, and the part of an item that was taken out', () => {
    const { design, edit } = proposal('RADIO1', turned);
    const result = applyEdit(design, edit);
    if ('refused' in result) throw new Error(result.refused.sentence);
    expect([...partsPutBack(result.inverse)].sort()).toEqual([partKeyOf(radioPart), partKeyOf(turned)].sort());
    const removed = applyEdit(result.design, { kind: 'remove-item', item: edit.item });
    if ('refused' in removed) throw new Error(removed.refused.sentence);
    expect([...partsPutBack(removed.inverse)]).toEqual([partKeyOf(turned)]);
  });

  it('moves plugs along a row of pins with their signals, and lets those hang free that would be torn apart', () => {
    const one = bench('controller-f7-rows', 'servo-9g-analog', 'servo-9g-analog');
    for (const ref of ['SRV1', 'SRV2']) one.wire(`${ref} lead`, 'FC1 servos');
    const board = partOf(one.design, 'FC1');
    const places = (design: Design) =>
      ['W01', 'W02'].map(
        (tag) =>
          Object.values(cableOf(design, tag).nodes).flatMap((node) =>
            node.is === 'end' && node.at.is === 'port' ? offsetOf(node.at) : [],
          )[1],
      );
    expect(places(one.design)).toEqual([0, 3]);
    /** The same board with other pins in the row of its outputs. */
    const withRow = (change: (pins: Part['ports'][number]['pins']) => Part['ports'][number]['pins']): Part => ({
      ...board,
      massG: board.massG + 1,
      ports: board.ports.map((each) => {
        if (each.id !== 'servos') return each;
        const pins = change(each.pins).map((pin, at) => ({ ...pin, n: at + 1 }));
        return { ...each, pins, connector: { ...each.connector, positions: pins.length } };
      }),
    });
    const longer = proposal(
      'FC1',
      withRow((pins) => [{ n: 1, label: '-', role: 'nc' }, ...pins]),
      one.design,
    );
    expect(plan(longer.design, longer.edit).losses).toEqual([]);
    const after = made(longer.design, longer.edit);
    expect(places(after)).toEqual([1, 4]);
    expect(integrityOf(after)).toEqual([]);
    const torn = proposal(
      'FC1',
      withRow(([s1, v1, g1, s2, ...rest]) => [s2, v1, g1, s1, ...rest].filter((pin) => pin !== undefined)),
      one.design,
    );
    expect(plan(torn.design, torn.edit).losses.filter((loss) => loss.includes('becomes unplugged'))).toHaveLength(2);
    expect(integrityOf(made(torn.design, torn.edit))).toEqual([]);
  });

  it('keeps boards that sit on one another as long as they go together, and parts them where they do not', () => {
    const one = bench('controller-f7-rows', 'output-board-stacked-6');
    const place = (ref: string, portId: string) => ({ item: itemOf(one.design, ref).id, port: portId });
    const id = asId<MateId>('m');
    const stack = made(one.design, { kind: 'add-mate', mate: { id, a: place('PWR1', 'stack'), b: place('FC1', 'servos') } });
    const board = partOf(stack, 'FC1');
    const now = (pin: string): string => pin.replace(/^servos\./, 'outputs.');
    const renamed: Part = {
      ...board,
      massG: board.massG + 1,
      ports: board.ports.map((each) => (each.id === 'servos' ? { ...each, id: 'outputs' } : each)),
      endpoints: board.endpoints.map((endpoint) => (endpoint.is === 'pulse-out' ? { ...endpoint, pin: now(endpoint.pin) } : endpoint)),
      circuit: board.circuit.map((element) => (element.is === 'link' ? { ...element, a: now(element.a), b: now(element.b) } : element)),
    };
    const kept = proposal('FC1', renamed, stack);
    expect(made(kept.design, kept.edit).aircraft.mates[id]?.b.port).toBe('outputs');
    expect(plan(kept.design, kept.edit).losses).toEqual([]);
    const shorter: Part = {
      ...board,
      ports: board.ports.map((each) => {
        const pins = each.pins.slice(0, 12);
        return each.id === 'servos' ? { ...each, pins, connector: { ...each.connector, positions: 12 } } : each;
      }),
      endpoints: board.endpoints.filter(({ id: endpoint }) => endpoint !== 's5' && endpoint !== 's6'),
      circuit: board.circuit.filter((element) => !/servos\.1[3-8]/.test(JSON.stringify(element))),
    };
    const torn = proposal('FC1', shorter, stack);
    expect(made(torn.design, torn.edit).aircraft.mates).toEqual({});
    expect(plan(torn.design, torn.edit).losses).toContain('FC1 and PWR1 are separated: the two no longer mate.');
  });

  it('lets a cable hang free whose port has no counterpart, and lists it', () => {
    const other: Part = {
      ...radioPart,
      ports: [
        ...radioPart.ports.slice(1),
        {
          id: 'SPARE',
          label: 'SPARE',
          connector: { family: 'USB-C', positions: 1, gender: 'socket' },
          pins: [{ n: 1, label: 'G', role: 'gnd' }],
        },
      ],
    };
    const { design, edit } = proposal('RADIO1', other);
    expect(plan(design, edit).losses.join(' ')).toContain(`W10 becomes unplugged: RADIO1 has nothing for the port ${port.label}.`);
    const ends = Object.values(cableOf(made(design, edit), 'W10').nodes).map((node) => (node.is === 'end' ? node.at.is : ''));
    expect(ends.sort()).toEqual(['free', 'port']);
  });

  it('gives a cable that fitted the connector of the new port', () => {
    const wider: Part = {
      ...radioPart,
      ports: radioPart.ports.map((each, i) =>
        i === 0
          ? {
              ...each,
              connector: { ...each.connector, positions: each.pins.length + 1 },
              pins: [...each.pins, { n: each.pins.length + 1, label: 'X', role: 'nc' as const }],
            }
          : each,
      ),
    };
    const { design, edit } = proposal('RADIO1', wider);
    expect(plan(design, edit).moves).toEqual([`W10 gets another connector at ${port.label}: ${port.pins.length + 1} positions.`]);
    expect(plan(design, edit).losses).toEqual([]);
  });

  it('lets the second cable of a solder pad hang free where the new port takes one, and lists it', () => {
    const board = sampleParts.find((part) => part.kind === 'controller' && !part.ports.some(({ id }) => id === 'battery'));
    const pads = partOf(demo, 'FC1').ports.find(({ connector }) => takesSeveralCables(connector));
    const plug = board?.ports.find(({ connector }) => !takesSeveralCables(connector));
    if (board === undefined || pads === undefined || plug === undefined) throw new Error('The catalogue has not what this needs.');
    const at = { is: 'port', item: itemOf(demo, 'FC1').id, port: pads.id } as const;
    const cables = Object.values(demo.aircraft.cables);
    const free = cables.flatMap((cable) =>
      Object.values(cable.nodes).flatMap((node) =>
        node.is === 'end' && node.at.is === 'port' && node.at.item === at.item ? [{ cable, node }] : [],
      ),
    );
    const start = free
      .slice(0, 2)
      .reduce((design, { cable, node }) => made(design, { kind: 'set-cable-end', cable: cable.id, node: node.id, at, was: node.at }), demo);
    const { design, edit } = proposal('FC1', board, start);
    const rows = edit.map.ports.map((row) => ({ ...row, to: row.from === pads.id ? plug.id : null }));
    const one = { ...edit, map: { ...edit.map, ports: rows } };
    const atPads = Object.values(start.aircraft.cables).flatMap(({ nodes }) =>
      Object.values(nodes).filter(
        (node) => node.is === 'end' && node.at.is === 'port' && node.at.item === at.item && node.at.port === at.port,
      ),
    );
    expect(atPads.length).toBeGreaterThan(1);
    expect(plan(design, one).losses.filter((sentence) => sentence.includes('accepts one cable, and another is in it'))).toHaveLength(
      atPads.length - 1,
    );
    expect(integrityOf(made(design, one))).toEqual([]);
  });

  it('takes out the wires of pins that are gone, and lists them', () => {
    const { design, edit } = proposal('RADIO1', turned);
    const [first] = Object.entries(contacts(design));
    const none: AdoptRevision = {
      ...edit,
      map: {
        ...edit.map,
        ports: edit.map.ports.map((row) => ({
          ...row,
          pins: row.pins.map((pin) => (pin.from === first?.[1] ? { ...pin, to: null } : pin)),
        })),
      },
    };
    expect(plan(design, none).losses.join(' ')).toContain(`The wire of W10 at ${port.label} ${first?.[1] ?? ''}`);
    expect(Object.keys(contacts(made(design, none)))).not.toContain(first?.[0]);
  });

  it('drops settings and output functions that have no counterpart, and lists them', () => {
    const board = partOf(demo, 'FC1');
    const output = board.endpoints.find(({ is }) => is === 'pulse-out')?.id ?? '';
    const [spec] = settingsOf(board).filter((each) => each.is === 'choice');
    const setting = spec?.id ?? '';
    const value = spec?.is === 'choice' ? (spec.choices.at(-1)?.value ?? null) : null;
    const fc1 = itemOf(demo, 'FC1').id;
    const used = made(made(demo, { kind: 'set-output-function', item: fc1, output, function: 'throttle', was: null }), {
      kind: 'set-item-setting',
      item: fc1,
      setting,
      value,
      was: itemOf(demo, 'FC1').settings[setting] ?? null,
    });
    const { design, edit } = proposal('FC1', { ...board, massG: board.massG + 1 }, used);
    const map = {
      ...edit.map,
      settings: edit.map.settings.map((row) => (row.from === setting ? { ...row, to: null } : row)),
      outputs: edit.map.outputs.map((row) => (row.from === output ? { ...row, to: null } : row)),
    };
    const { losses } = plan(design, { ...edit, map });
    expect(losses.some((sentence) => sentence.startsWith(`The setting ${setting} =`))).toBe(true);
    expect(losses).toContain(`The function of FC1 ${output} is removed: the new part has no such output.`);
    const after = made(design, { ...edit, map });
    expect(Object.keys(itemOf(after, 'FC1').settings)).not.toContain(setting);
    expect(Object.values(after.aircraft.outputs).filter((use) => use.item === fc1 && use.output === output)).toEqual([]);
  });

  it('is refused over a change that came between, or with a mapping that cannot be', () => {
    const { design, edit } = proposal('RADIO1', turned);
    const refusal = (other: AdoptRevision): string => {
      const planned = planAdoption(design, other);
      return 'refused' in planned ? planned.refused.sentence : 'accepted';
    };
    expect(refusal({ ...edit, was: edit.part })).toContain('was changed meanwhile');
    expect(refusal({ ...edit, part: partKeyOf({ ...turned, id: asId<PartId>('gone') }) })).toContain('is not known here');
    expect(refusal({ ...edit, map: { ...edit.map, ports: [] } })).toContain(`the mapping has no entry for its port "${port.id}"`);
    const doubled = edit.map.ports.map((row) => ({ ...row, pins: row.pins.map((pin) => ({ ...pin, to: 1 })) }));
    expect(refusal({ ...edit, map: { ...edit.map, ports: doubled } })).toContain('two pins of its port');
    const beyond = edit.map.ports.map((row) => ({ ...row, pins: row.pins.slice(0, 1).map((pin) => ({ ...pin, to: 50 })) }));
    expect(refusal({ ...edit, map: { ...edit.map, ports: beyond } })).toContain('and the mapping has more');
    const both = edit.map.ports.map((row) => ({ ...row, to: 'NOWHERE' }));
    expect(refusal({ ...edit, map: { ...edit.map, ports: both } })).toContain('has no port "NOWHERE"');
  });
});
