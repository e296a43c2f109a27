import fc from 'fast-check';
import type { Edit, SimpleEdit } from '../edits/registry.ts';
import { proposeAdoption } from '../edits/proposeAdoption.ts';
import { nextReference } from '../edits/references.ts';
import { graphOf } from '../graph/graphOf.ts';
import type { PortAt } from '../graph/cableJoins.ts';
import { PIN_MAP_PRESETS, type PinMapPreset } from '../harness/fitPinMap.ts';
import { proposeCable } from '../harness/proposeCable.ts';
import { AWG_SIZES, outputKey, WIRE_COLOURS, type Cable } from '../model/aircraft.ts';
import { airframeKinds } from '../model/airframes.ts';
import { partKeyOf } from '../model/contentHash.ts';
import type { Design } from '../model/design.ts';
import { asId, type ConductorId, type ItemId, type LegId, type NodeId, type WaiverId } from '../model/ids.ts';
import type { PointId } from '../model/frame.ts';
import { powerFigures } from '../model/powerPlan.ts';
import { needIds } from '../model/needs.ts';
import { outputFunctions } from '../model/outputFunctions.ts';
import { settingsOf } from '../model/settingsOf.ts';
import { sampleParts } from '../parts/catalogue.ts';
import type { Draw } from './draw.ts';
import { frameEdit, placeEdit } from './randomLayoutEdits.ts';

export const draws: fc.Arbitrary<readonly Draw[]> = fc.array(
  fc.record({ kind: fc.nat(99), x: fc.nat(9999), y: fc.nat(9999), z: fc.nat(9999), isStale: fc.boolean() }),
  { minLength: 5, maxLength: 30, size: 'max' },
);

function pick<T>(list: readonly T[], n: number): T | undefined {
  return list[n % Math.max(1, list.length)];
}

const PRESETS: readonly PinMapPreset[] = ['meaning', 'straight', 'mirrored', 'supply-pulled', 'none'];
if (PRESETS.length !== Object.keys(PIN_MAP_PRESETS).length) throw new Error('A preset is missing from the random edits.');

/** The edit that a draw stands for on this design. Many make sense; those with `isStale` rest on a value that is not there. */
export function editFrom(design: Design, draw: Draw): Edit {
  const makers = [
    addItem,
    addItem,
    wire,
    wire,
    wire,
    conductor,
    colour,
    gauge,
    absent,
    end,
    length,
    text,
    setting,
    label,
    rename,
    side,
    removeItem,
    removeCable,
    leg,
    waiver,
    name,
    brief,
    output,
    plug,
    adopt,
    power,
    frameEdit,
    frameEdit,
    placeEdit,
    placeEdit,
  ];
  const one = pick(makers, draw.kind)?.(design, draw);
  if (one === undefined) return addItem(design, draw);
  if (draw.kind % 7 !== 3) return one;
  const another = wire(design, { ...draw, x: draw.y, y: draw.x }) ?? addItem(design, draw);
  return { kind: 'batch', title: 'two at once', edits: [one, another] };
}

function addItem(design: Design, { x, y, isStale }: Draw): SimpleEdit {
  const part = pick(sampleParts, x) ?? sampleParts[0];
  if (part === undefined) throw new Error('The catalogue is empty.');
  const ref = isStale && y % 3 === 0 ? 'FC1' : nextReference(design.aircraft, part.kind);
  return { kind: 'add-item', item: { id: asId<ItemId>('?1'), ref, part: partKeyOf(part), where: 'aircraft', settings: {} } };
}

function ports(design: Design): PortAt[] {
  return graphOf(design).items.flatMap(({ item, part }, ix) =>
    (part?.ports ?? []).map((port) => ({ item: ix, itemId: item.id, ref: item.ref, port })),
  );
}

function wire(design: Design, { x, y, z }: Draw): SimpleEdit | undefined {
  const all = ports(design);
  const [a, b] = [pick(all, x), pick(all, y)];
  if (a === undefined || b === undefined) return undefined;
  const { edit } = proposeCable(graphOf(design), a, b, pick(PRESETS, z) ?? 'meaning');
  return edit;
}

function anyCable(design: Design, n: number): Cable | undefined {
  return pick(graphOf(design).cables, n);
}

function conductor(design: Design, { x, y, z }: Draw): SimpleEdit | undefined {
  const cable = anyCable(design, x);
  const [only] = Object.values(cable?.legs ?? {});
  if (cable === undefined || only === undefined) return undefined;
  const held = Object.values(cable.conductors);
  const one = pick(held, y);
  if (one !== undefined && z % 3 === 0) return { kind: 'remove-conductor', cable: cable.id, conductor: one.id };
  if (one !== undefined && z % 3 === 1) {
    return { kind: 'move-conductor', cable: cable.id, conductor: one.id, end: 'b', to: { node: one.b.node, n: 1 + (y % 5) }, was: one.b };
  }
  return {
    kind: 'add-conductor',
    cable: cable.id,
    conductor: {
      id: asId<ConductorId>('?1'),
      leg: only.id,
      a: { node: only.a, n: 1 + (y % 4) },
      b: { node: only.b, n: 1 + (z % 4) },
      awg: 26,
      colour: 'pink',
    },
  };
}

function colour(design: Design, { x, y, z, isStale }: Draw): SimpleEdit | undefined {
  const cable = anyCable(design, x);
  const one = pick(Object.values(cable?.conductors ?? {}), y);
  if (cable === undefined || one === undefined) return undefined;
  return {
    kind: 'set-conductor-colour',
    cable: cable.id,
    conductor: one.id,
    colour: pick(WIRE_COLOURS, z) ?? 'red',
    was: isStale ? 'pink' : one.colour,
  };
}

function gauge(design: Design, { x, y, z }: Draw): SimpleEdit | undefined {
  const cable = anyCable(design, x);
  const one = pick(Object.values(cable?.conductors ?? {}), y);
  if (cable === undefined || one === undefined) return undefined;
  return { kind: 'set-conductor-gauge', cable: cable.id, conductor: one.id, awg: pick(AWG_SIZES, z) ?? 26, was: one.awg };
}

function anyEnd(cable: Cable | undefined, n: number) {
  return pick(
    Object.values(cable?.nodes ?? {}).filter((node) => node.is === 'end'),
    n,
  );
}

function absent(design: Design, { x, y, z, isStale }: Draw): SimpleEdit | undefined {
  const cable = anyCable(design, x);
  const node = anyEnd(cable, y);
  if (cable === undefined || node === undefined) return undefined;
  const wanted = z % 4 === 0 ? [] : [1 + (z % 4)];
  return { kind: 'set-absent-contacts', cable: cable.id, node: node.id, absent: wanted, was: isStale ? [9] : [...(node.absent ?? [])] };
}

function end(design: Design, { x, y, z, isStale }: Draw): SimpleEdit | undefined {
  const cable = anyCable(design, x);
  const node = anyEnd(cable, y);
  const port = pick(ports(design), z);
  const other = anyCable(design, z);
  const otherEnd = anyEnd(other, z);
  if (cable === undefined || node === undefined || port === undefined) return undefined;
  const was = isStale ? { is: 'free' as const } : node.at;
  if (z % 5 === 0) return { kind: 'set-cable-end', cable: cable.id, node: node.id, at: { is: 'free' }, was };
  if (z % 5 === 1 && other !== undefined && otherEnd !== undefined) {
    return { kind: 'set-cable-end', cable: cable.id, node: node.id, at: { is: 'mate', cable: other.id, node: otherEnd.id }, was };
  }
  return { kind: 'set-cable-end', cable: cable.id, node: node.id, at: { is: 'port', item: port.itemId, port: port.port.id }, was };
}

function plug(design: Design, { x, y, z, isStale }: Draw): SimpleEdit | undefined {
  const cable = anyCable(design, x);
  const node = anyEnd(cable, y);
  if (cable === undefined || node === undefined) return undefined;
  const connector = { ...node.connector, positions: 1 + (z % 8) };
  return { kind: 'set-end-connector', cable: cable.id, node: node.id, connector, was: isStale ? connector : node.connector };
}

/** Another part of the kind in the item's place, with the proposed mapping. */
function adopt(design: Design, { x, y, isStale }: Draw): SimpleEdit | undefined {
  const item = pick(Object.values(design.aircraft.items), x);
  const kind = item === undefined ? undefined : design.parts.get(item.part)?.kind;
  const part = pick(
    sampleParts.filter((candidate) => candidate.kind === kind),
    y,
  );
  if (item === undefined || part === undefined) return undefined;
  const proposed = proposeAdoption(design, item.id, partKeyOf(part));
  return proposed === undefined || !isStale ? proposed : { ...proposed, was: partKeyOf(part) };
}

function length(design: Design, { x, z }: Draw): SimpleEdit | undefined {
  const cable = anyCable(design, x);
  const [only] = Object.values(cable?.legs ?? {});
  if (cable === undefined || only === undefined) return undefined;
  if (z % 5 === 1) {
    return { kind: 'set-leg-twist', cable: cable.id, leg: only.id, twistMm: z % 2 === 0 ? null : 20 + (z % 40), was: only.twistMm ?? null };
  }
  const [point] = Object.keys(design.aircraft.airframe.frame?.points ?? {});
  if (z % 7 === 2 && point !== undefined) {
    return {
      kind: 'set-leg-via',
      cable: cable.id,
      leg: only.id,
      via: only.via === undefined ? asId<PointId>(point) : null,
      was: only.via ?? null,
    };
  }
  return {
    kind: 'set-leg-length',
    cable: cable.id,
    leg: only.id,
    lengthMm: z % 4 === 0 ? null : 10 + (z % 900),
    was: only.typedLengthMm ?? null,
  };
}

function text(design: Design, { x, z }: Draw): SimpleEdit | undefined {
  const cable = anyCable(design, x);
  if (cable === undefined) return undefined;
  const field = z % 2 === 0 ? 'label' : 'note';
  return { kind: 'set-cable-text', cable: cable.id, field, value: z % 3 === 0 ? '' : `text ${z}`, was: cable[field] ?? '' };
}

function anyItem(design: Design, n: number) {
  return pick(graphOf(design).items, n)?.item;
}

function setting(design: Design, { x, y, z, isStale }: Draw): SimpleEdit | undefined {
  const item = anyItem(design, x);
  const part = item === undefined ? undefined : design.parts.get(item.part);
  const spec = pick(part === undefined ? [] : settingsOf(part), y);
  if (item === undefined || spec === undefined) return undefined;
  const value = spec.is === 'choice' ? (pick(spec.choices, z)?.value ?? null) : spec.min;
  return {
    kind: 'set-item-setting',
    item: item.id,
    setting: spec.id,
    value: z % 5 === 0 ? null : value,
    was: isStale ? 'stale' : (item.settings[spec.id] ?? null),
  };
}

function label(design: Design, { x, z }: Draw): SimpleEdit | undefined {
  const item = anyItem(design, x);
  return item === undefined
    ? undefined
    : { kind: 'label-item', item: item.id, label: z % 3 === 0 ? '' : `label ${z}`, was: item.label ?? '' };
}

function rename(design: Design, { x, z }: Draw): SimpleEdit | undefined {
  const item = anyItem(design, x);
  return item === undefined ? undefined : { kind: 'rename-item', item: item.id, ref: `AUX${1 + (z % 30)}`, was: item.ref };
}

function side(design: Design, { x, z }: Draw): SimpleEdit | undefined {
  const item = anyItem(design, x);
  const sides = ['left', 'right', 'auto'] as const;
  return item === undefined
    ? undefined
    : { kind: 'set-sheet-side', item: item.id, side: pick(sides, z) ?? 'auto', was: item.sheetSide ?? 'auto' };
}

function removeItem(design: Design, { x, isStale }: Draw): SimpleEdit | undefined {
  const item = anyItem(design, x);
  if (isStale) return { kind: 'remove-item', item: asId<ItemId>('nobody') };
  return item === undefined ? undefined : { kind: 'remove-item', item: item.id };
}

function removeCable(design: Design, { x }: Draw): SimpleEdit | undefined {
  const cable = anyCable(design, x);
  return cable === undefined ? undefined : { kind: 'remove-cable', cable: cable.id };
}

function leg(design: Design, { x, y, z }: Draw): SimpleEdit | undefined {
  const loose = graphOf(design).cables.filter((each) => Object.keys(each.legs).length > 1);
  const cable = z % 2 === 0 && loose.length > 0 ? pick(loose, x) : anyCable(design, x);
  const from = pick(Object.values(cable?.nodes ?? {}), y);
  if (cable === undefined || from === undefined) return undefined;
  const legs = Object.values(cable.legs);
  const empty = legs.filter((each) => !Object.values(cable.conductors).some((held) => held.leg === each.id));
  const one = pick(z % 3 === 0 || empty.length === 0 ? legs : empty, z);
  if (z % 2 === 0 && one !== undefined) return { kind: 'remove-leg', cable: cable.id, leg: one.id };
  const node = asId<NodeId>('?2');
  return { kind: 'add-leg', cable: cable.id, leg: { id: asId<LegId>('?1'), a: from.id, b: node }, node: { id: node, is: 'splice' } };
}

function waiver(design: Design, { x, z }: Draw): SimpleEdit | undefined {
  const there = pick(Object.values(design.aircraft.waivers), x);
  if (z % 2 === 0 && there !== undefined) return { kind: 'remove-waiver', waiver: there.id };
  return {
    kind: 'add-waiver',
    waiver: {
      id: asId<WaiverId>('?1'),
      findingKey: `key ${x % 5}`,
      basis: `basis ${z % 3}`,
      reason: 'because',
      by: 'tester',
      at: '2026-11-24T10:00:00Z',
    },
  };
}

function name(design: Design, { x, isStale }: Draw): SimpleEdit {
  if (x % 2 === 0)
    return { kind: 'set-aircraft-note', note: x % 3 === 0 ? '' : `note ${x}`, was: isStale ? 'stale' : (design.aircraft.note ?? '') };
  return { kind: 'set-aircraft-name', name: `Name ${x}`, was: isStale ? 'stale' : design.aircraft.name };
}

function brief({ aircraft }: Design, { x, y, z, isStale }: Draw): SimpleEdit {
  switch (x % 5) {
    case 4:
      return {
        kind: 'set-colour-scheme',
        scheme: z % 2 === 0 ? 'few-colours' : 'by-signal',
        was: isStale ? 'servo-style' : (aircraft.colourScheme ?? 'by-signal'),
      };
    case 0:
      return { kind: 'set-airframe', airframe: pick(airframeKinds, z) ?? 'quad', was: isStale ? 'hexa' : aircraft.airframe.kind };
    case 1: {
      const battery = z % 3 === 0 ? null : { chemistry: 'lipo' as const, cells: 1 + (z % 14) };
      return { kind: 'set-planned-battery', battery, was: isStale ? null : (aircraft.plannedBattery ?? null) };
    }
    case 2: {
      const need = pick(needIds, y) ?? 'rc';
      return { kind: 'set-need', need, count: z % 3 === 0 ? null : 1 + (z % 9), was: isStale ? 9 : (aircraft.needs[need] ?? null) };
    }
    default:
      return { kind: 'set-dialect', dialect: `dialect-${z % 3}`, was: isStale ? 'stale' : aircraft.dialect };
  }
}

function power({ aircraft }: Design, { x, y, z, isStale }: Draw): SimpleEdit {
  switch (x % 3) {
    case 0: {
      const figure = pick(powerFigures, y) ?? 'usbA';
      return {
        kind: 'set-power-figure',
        figure,
        value: z % 4 === 0 ? null : 0.5 + (z % 5) / 10,
        was: isStale ? 0.123 : (aircraft.power?.[figure] ?? null),
      };
    }
    case 1: {
      const id = `own-${y % 3}`;
      const now = aircraft.power?.situations?.[id] ?? null;
      const situation = {
        title: `Tow ${z % 7}`,
        charge: (z % 11) / 10,
        durationS: z % 3 === 0 ? null : 60,
        cruiseThrottle: z % 2 === 0 ? ('cruise' as const) : 0.5,
        liftThrottle: 0,
        servos: 0.5,
        transmitters: 'peak' as const,
        others: 'typical' as const,
        internalFactor: 1,
      };
      return { kind: 'set-own-situation', id, situation: z % 5 === 0 ? null : situation, was: isStale ? situation : now };
    }
    default: {
      const legs = Array.from({ length: z % 4 }, (_, i) => ({ situation: i === 0 ? 'climb' : 'cruise', minutes: 1 + (y % 20) }));
      return {
        kind: 'set-mission',
        mission: legs,
        was: isStale ? [{ situation: 'glide', minutes: 99 }] : [...(aircraft.power?.mission ?? [])],
      };
    }
  }
}

function output(design: Design, { x, y, z, isStale }: Draw): SimpleEdit | undefined {
  const boards = graphOf(design).items.filter(({ part }) => part?.endpoints.some((endpoint) => endpoint.is === 'pulse-out') === true);
  const board = pick(boards, x);
  const outputs = board?.part?.endpoints.filter((endpoint) => endpoint.is === 'pulse-out') ?? [];
  const one = pick(outputs, y);
  if (board === undefined || one === undefined) return undefined;
  const now = design.aircraft.outputs[outputKey(board.item.id, one.id)]?.function ?? null;
  const wanted = z % 4 === 0 ? null : (pick(outputFunctions, z) ?? null);
  return { kind: 'set-output-function', item: board.item.id, output: one.id, function: wanted, was: isStale ? 'tilt' : now };
}
