import { Type } from '@sinclair/typebox';
import { BondSchema } from './bond.ts';
import { ConnectorSchema } from './connector.ts';
import {
  AircraftIdSchema,
  BondIdSchema,
  CableIdSchema,
  ConductorIdSchema,
  DialectKeySchema,
  ItemIdSchema,
  type ItemId,
  LegIdSchema,
  MateIdSchema,
  NodeIdSchema,
  PartKeySchema,
  recordOf,
  SocketIdSchema,
  WaiverIdSchema,
  WishIdSchema,
} from './ids.ts';
import { airframeKinds } from './airframes.ts';
import { FirmwarePlanSchema } from './firmwarePlan.ts';
import { FramePlanSchema, PlaceSchema, PointIdSchema } from './frame.ts';
import { keyText } from './keys.ts';
import { LIMITS } from './limits.ts';
import { LinkageSchema } from './linkage.ts';
import { LinkKeySchema, LinkWordsSchema, WishSchema } from './linkWords.ts';
import { MateSchema } from './mate.ts';
import { PortIdSchema } from './portId.ts';
import { needIds, type NeedId } from './needs.ts';
import { oneOf } from './oneOf.ts';
import { BankUseSchema, MixingSchema, OutputKeySchema, OutputUseSchema } from './outputPlan.ts';
import { PowerPlanSchema } from './powerPlan.ts';
import { RcPlanSchema } from './rcPlan.ts';
import { SettingIdSchema, SettingValueSchema } from './setting.ts';
import type { Shape } from './shape.ts';
import { SocketSchema } from './socket.ts';

const closed = { additionalProperties: false } as const;
const name = Type.String({ minLength: 1, maxLength: LIMITS.nameChars });
const note = Type.String({ maxLength: LIMITS.noteChars });
const label = Type.String({ maxLength: LIMITS.labelChars });

/** The version of the document's shape that this code writes. */
export const SCHEMA_VERSION = 18;

/** What people call an item: a prefix and a number, `GNSS1`. */
export const RefSchema = Type.String({ pattern: '^[A-Z]{1,8}[1-9][0-9]{0,3}$' });
/** What people call a cable: `W07`. */
export const TagSchema = Type.String({ pattern: '^W[0-9]{2,4}$' });

/** Where an item can be: in the aircraft, on the ground beside the pilot, or on the bench. */
export const ItemWhereSchema = Type.Union([Type.Literal('aircraft'), Type.Literal('ground'), Type.Literal('bench')]);
export type ItemWhere = Shape<typeof ItemWhereSchema>;

/** What scales show, in grams. */
export const WeighedGSchema = Type.Number({ exclusiveMinimum: 0, maximum: 100_000 });

export const ItemSchema = Type.Object(
  {
    id: ItemIdSchema,
    ref: RefSchema,
    part: PartKeySchema,
    where: ItemWhereSchema,
    label: Type.Optional(label),
    /** Keyed by setting, or by endpoint and setting: `S4.baud`. */
    settings: recordOf(SettingIdSchema, SettingValueSchema),
    /** On which side of the wiring sheet a person wants the card. */
    sheetSide: Type.Optional(Type.Union([Type.Literal('left'), Type.Literal('right')])),
    /** Where it sits in the airframe; absent as long as nobody has placed it. */
    place: Type.Optional(PlaceSchema),
    /** As weighed; where absent, the part's mass counts. */
    weighedG: Type.Optional(WeighedGSchema),
    /** What carries its bytes over a network. */
    sockets: Type.Optional(recordOf(SocketIdSchema, SocketSchema, LIMITS.socketsPerItem)),
  },
  closed,
);
/** A part placed in the aircraft. */
export type Item = Shape<typeof ItemSchema>;

export const CableEndAtSchema = Type.Union([
  Type.Object(
    {
      is: Type.Literal('port'),
      item: ItemIdSchema,
      port: PortIdSchema,
      /** In a row of pins, how many of them come before the first contact of the plug; none where nothing is said. */
      offset: Type.Optional(Type.Integer({ minimum: 1, maximum: LIMITS.pinsPerPort })),
    },
    closed,
  ),
  Type.Object({ is: Type.Literal('mate'), cable: CableIdSchema, node: NodeIdSchema }, closed),
  Type.Object({ is: Type.Literal('free') }, closed),
]);
/** Where the end of a cable is plugged or soldered. */
export type CableEndAt = Shape<typeof CableEndAtSchema>;

/** A place in a port; in a row of pins, after so many of them. */
export function portPlace(item: ItemId, port: string, offset: number): Extract<CableEndAt, { is: 'port' }> {
  return { is: 'port', item, port, ...(offset === 0 ? {} : { offset }) };
}

/** How many pins of a row come before the first contact of a plug: contact n sits on pin n + offset. */
export function offsetOf(at: CableEndAt): number {
  return at.is === 'port' && at.offset !== undefined ? at.offset : 0;
}

const contact = Type.Integer({ minimum: 1, maximum: LIMITS.pinsPerPort });
export const AbsentSchema = Type.Array(contact, { maxItems: LIMITS.pinsPerPort });

export const CableNodeSchema = Type.Union([
  Type.Object(
    {
      id: NodeIdSchema,
      is: Type.Literal('end'),
      at: CableEndAtSchema,
      connector: ConnectorSchema,
      /** Contacts pulled from the shell, in rising order. */
      absent: Type.Optional(AbsentSchema),
    },
    closed,
  ),
  Type.Object({ id: NodeIdSchema, is: Type.Literal('splice') }, closed),
]);
export type CableNode = Shape<typeof CableNodeSchema>;
export type CableEnd = Extract<CableNode, { is: 'end' }>;

export const LengthMmSchema = Type.Number({ exclusiveMinimum: 0, maximum: LIMITS.lengthMmMax });
/** The length of one turn of twisted wires. */
export const TwistMmSchema = Type.Number({ minimum: 5, maximum: 500 });
export const LegSchema = Type.Object(
  {
    id: LegIdSchema,
    a: NodeIdSchema,
    b: NodeIdSchema,
    typedLengthMm: Type.Optional(LengthMmSchema),
    /** Where its wires are twisted together, the length of one turn. */
    twistMm: Type.Optional(TwistMmSchema),
    /** The point of the airframe by way of which it is led, where that is not the shortest. */
    via: Type.Optional(PointIdSchema),
  },
  closed,
);
/** The stretch of a cable between two of its nodes. */
export type Leg = Shape<typeof LegSchema>;

/** A contact of a cable's end, or the joint of a splice, whose only position is 1. */
export const NodePinSchema = Type.Object({ node: NodeIdSchema, n: contact }, closed);
export type NodePin = Shape<typeof NodePinSchema>;

export const AWG_SIZES = [6, 8, 10, 12, 14, 16, 18, 20, 22, 24, 26, 28, 30] as const;
export const AwgSchema = Type.Integer({ minimum: 6, maximum: 30 });
export const WIRE_COLOURS = ['black', 'red', 'orange', 'yellow', 'green', 'blue', 'violet', 'grey', 'white', 'brown', 'pink'] as const;
export type WireColour = (typeof WIRE_COLOURS)[number];
export const ColourSchema = oneOf(WIRE_COLOURS);

/** The schemes by which new wires get their colour. */
export const COLOUR_SCHEMES = {
  'by-signal': 'by signal',
  'few-colours': 'few colours',
  'servo-style': 'brown ground, orange signal',
} as const;
export type ColourScheme = keyof typeof COLOUR_SCHEMES;

export function isColourScheme(text: string): text is ColourScheme {
  return Object.hasOwn(COLOUR_SCHEMES, text);
}

export const ColourSchemeSchema = oneOf(Object.keys(COLOUR_SCHEMES).filter(isColourScheme));

export const ConductorSchema = Type.Object(
  {
    id: ConductorIdSchema,
    leg: LegIdSchema,
    /** At the leg's `a` node. */
    a: NodePinSchema,
    /** At the leg's `b` node. */
    b: NodePinSchema,
    awg: AwgSchema,
    colour: ColourSchema,
  },
  closed,
);
/** One wire from contact to contact. */
export type Conductor = Shape<typeof ConductorSchema>;

export const CableSchema = Type.Object(
  {
    id: CableIdSchema,
    tag: TagSchema,
    label: Type.Optional(label),
    note: Type.Optional(note),
    nodes: recordOf(NodeIdSchema, CableNodeSchema, LIMITS.nodesPerCable),
    legs: recordOf(LegIdSchema, LegSchema, LIMITS.legsPerCable),
    conductors: recordOf(ConductorIdSchema, ConductorSchema, LIMITS.conductorsPerCable),
  },
  closed,
);
/** One physical cable or loom. */
export type Cable = Shape<typeof CableSchema>;

export const WaiverSchema = Type.Object(
  {
    id: WaiverIdSchema,
    /** The finding it is about, and the facts that the finding rested on when it was given. */
    findingKey: Type.String({ maxLength: 400 }),
    basis: Type.String({ maxLength: 2000 }),
    reason: Type.String({ minLength: 3, maxLength: LIMITS.reasonChars }),
    by: name,
    at: Type.String({ pattern: '^\\d{4}-\\d{2}-\\d{2}T\\d{2}:\\d{2}:\\d{2}(\\.\\d{1,3})?Z$' }),
  },
  closed,
);
/** A person's word that a finding may stand, as long as its facts stay. */
export type Waiver = Shape<typeof WaiverSchema>;

export const AirframeKindSchema = oneOf(airframeKinds);
export const NeedIdSchema = oneOf(needIds);

/** How many of one thing an aircraft can want. */
export const NeedCountSchema = Type.Integer({ minimum: 1, maximum: 32 });

const NeedsSchema = Type.Unsafe<Partial<Record<NeedId, number>>>(recordOf(keyText(needIds.join('|')), NeedCountSchema));

export const PlannedBatterySchema = Type.Object(
  {
    chemistry: Type.Union([Type.Literal('lipo'), Type.Literal('li-ion')]),
    cells: Type.Integer({ minimum: 1, maximum: LIMITS.batteryCells }),
  },
  closed,
);
/** The pack that a person has in mind, before or beside the one that is in the aircraft. */
export type PlannedBattery = Shape<typeof PlannedBatterySchema>;

export const AircraftSchema = Type.Object(
  {
    schema: Type.Literal(SCHEMA_VERSION),
    id: AircraftIdSchema,
    name,
    note: Type.Optional(note),
    airframe: Type.Object({ kind: AirframeKindSchema, frame: Type.Optional(FramePlanSchema) }, closed),
    plannedBattery: Type.Optional(PlannedBatterySchema),
    /** What a person says about power; the usual where nothing is said. */
    power: Type.Optional(PowerPlanSchema),
    /** How many of each thing the aircraft wants of its controller. */
    needs: NeedsSchema,
    /** How the firmware that is flown writes things. */
    dialect: DialectKeySchema,
    /** The scheme that new wires follow; by signal where nothing is said. */
    colourScheme: Type.Optional(ColourSchemeSchema),
    items: recordOf(ItemIdSchema, ItemSchema, LIMITS.itemsPerAircraft),
    cables: recordOf(CableIdSchema, CableSchema, LIMITS.cablesPerAircraft),
    /** Ports that mate directly, without a cable. */
    mates: recordOf(MateIdSchema, MateSchema, LIMITS.matesPerAircraft),
    /** Radios that are meant to hear one another. */
    bonds: recordOf(BondIdSchema, BondSchema, LIMITS.bondsPerAircraft),
    /** What a person says about links that exist by themselves. */
    links: recordOf(LinkKeySchema, LinkWordsSchema),
    /** Links beyond those. */
    wishes: recordOf(WishIdSchema, WishSchema, LIMITS.wishesPerAircraft),
    /** Channels, switches, modes, what happens on loss, what the pilot sees. */
    rc: RcPlanSchema,
    /** What each output is for, by item and endpoint. */
    outputs: recordOf(OutputKeySchema, OutputUseSchema),
    /** What the outputs of each bank make, by item and bank. */
    banks: recordOf(OutputKeySchema, BankUseSchema),
    /** How the controller mixes, where it is not the usual. */
    mixing: MixingSchema,
    /** How each servo moves its surface, by the servo. */
    linkages: recordOf(ItemIdSchema, LinkageSchema, LIMITS.itemsPerAircraft),
    /** Target and version, what is known of the firmware alone, lines kept as the aircraft has them, what was read. */
    firmware: FirmwarePlanSchema,
    waivers: recordOf(WaiverIdSchema, WaiverSchema),
    /** The highest number given out per prefix; only rises, so that no reference is ever used for two things. */
    issued: recordOf(keyText('[A-Z]{1,8}'), Type.Integer({ minimum: 1, maximum: 9999 })),
  },
  closed,
);
/** The document. */
export type Aircraft = Shape<typeof AircraftSchema>;
