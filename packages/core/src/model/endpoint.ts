import { type TSchema, Type } from '@sinclair/typebox';
import { Ipv4Schema } from './ipv4.ts';
import { oneOf } from './oneOf.ts';
import { PortIdSchema } from './portId.ts';
import { PROTOCOL_IDS } from './protocolIds.ts';
import { SettingIdSchema, WhenSchema } from './setting.ts';

const closed = { additionalProperties: false } as const;

/** A pin of the same part as `port.n`. */
export const PinAddressSchema = Type.String({ pattern: '^[A-Za-z0-9][A-Za-z0-9-]{0,19}\\.[0-9]{1,2}$' });

const ProtocolIdSchema = oneOf(PROTOCOL_IDS);

const ProtocolOfferSchema = Type.Object(
  {
    protocol: ProtocolIdSchema,
    as: Type.Union([Type.Literal('talker'), Type.Literal('listener'), Type.Literal('both')]),
    bauds: Type.Array(Type.Integer({ minimum: 300, maximum: 10_000_000 }), { minItems: 1 }),
    defaultBaud: Type.Integer({ minimum: 300, maximum: 10_000_000 }),
    inverted: Type.Optional(Type.Boolean()),
  },
  closed,
);

const upTo64 = Type.Integer({ minimum: 1, maximum: 64 });

/**
 * How a receiver tells that it lost the link: by a flag in its frames, by sending no frames or pulses, by preset channels that somebody
 * has to choose well, or not at all, since it repeats the last channels.
 */
export const LOSS_SIGNALS = ['flag', 'no-frames', 'preset', 'none'] as const;
export type LossSignal = (typeof LOSS_SIGNALS)[number];
const LossSignalSchema = Type.Object(
  {
    format: Type.String({ minLength: 1 }),
    when: Type.Optional(WhenSchema),
    signal: oneOf(LOSS_SIGNALS),
    /** From the last frame through the air until it says so, in ms. */
    afterMs: Type.Optional(Type.Number({ minimum: 0, maximum: 10_000 })),
  },
  closed,
);

/** How well a receiver hears: how strong the signal arrives, or how many frames arrive whole. */
export const LINK_REPORTS = ['strength', 'quality'] as const;
export type LinkReport = (typeof LINK_REPORTS)[number];
/** Where it tells so: in frames of its format beside the channels, on one of the channels (0 for none), or at an analog output of the part. */
function linkReportSchema<N extends TSchema>(number: N) {
  const what = oneOf(LINK_REPORTS);
  return Type.Union([
    Type.Object({ is: Type.Literal('frames'), what }, closed),
    Type.Object({ is: Type.Literal('channel'), what, channel: number }, closed),
    Type.Object({ is: Type.Literal('output'), what, endpoint: SettingIdSchema }, closed),
  ]);
}

/**
 * The signals of a part, bound to its pins.
 * @param number the schema of a parameter: a plain number, or one that a setting chooses
 */
export function endpointSchema<N extends TSchema>(number: N) {
  const base = {
    id: SettingIdSchema,
    when: Type.Optional(WhenSchema),
    /** Endpoints of one part with the same word here are never used at once, though they share pins. */
    exclusive: Type.Optional(Type.String()),
  };
  const pin = PinAddressSchema;
  const texts = Type.Array(Type.String(), { minItems: 1 });
  return Type.Union([
    Type.Object(
      {
        is: Type.Literal('uart'),
        ...base,
        tx: Type.Optional(pin),
        rx: Type.Optional(pin),
        cts: Type.Optional(pin),
        rts: Type.Optional(pin),
        /** What is printed, and the number of the chip's own UART. The firmware's number belongs to the dialect. */
        names: Type.Object({ label: Type.String(), chip: Type.Optional(Type.String()) }, closed),
        /** True for a computer's port that carries its login console until a person turns that off. */
        console: Type.Optional(Type.Boolean()),
        duplex: Type.Union([Type.Literal('full'), Type.Literal('single-wire'), Type.Literal('rx-only'), Type.Literal('tx-only')]),
        inverts: Type.Union([Type.Literal('none'), Type.Literal('rx'), Type.Literal('both')]),
        maxBaud: number,
        software: Type.Optional(Type.Boolean()),
        /** What its baud is divided from, and into how many samples it cuts a bit: its true baud is `mhz / (samples * n)`, where n goes in the steps of its divider. */
        clock: Type.Optional(
          Type.Object(
            {
              mhz: Type.Number({ exclusiveMinimum: 0, maximum: 1000 }),
              samplesPerBit: Type.Array(upTo64, { minItems: 1 }),
              /** Steps of its divider in a whole one; 1 where nothing is said. */
              dividerSteps: Type.Optional(upTo64),
            },
            closed,
          ),
        ),
        speaks: Type.Array(ProtocolOfferSchema, { minItems: 1 }),
      },
      closed,
    ),
    Type.Object(
      { is: Type.Literal('i2c-host'), ...base, sda: pin, scl: pin, pullUpOhm: Type.Optional(number), capacitancePf: number },
      closed,
    ),
    Type.Object(
      {
        is: Type.Literal('i2c-device'),
        ...base,
        sda: pin,
        scl: pin,
        addresses: Type.Array(Type.Integer({ minimum: 8, maximum: 119 }), { minItems: 1 }),
        /** None where it is left out, and where a setting makes it 0. */
        pullUpOhm: Type.Optional(number),
        capacitancePf: number,
      },
      closed,
    ),
    Type.Object(
      { is: Type.Literal('can'), ...base, high: pin, low: pin, terminated: Type.Boolean(), switchable: Type.Optional(Type.Boolean()) },
      closed,
    ),
    Type.Object(
      {
        is: Type.Literal('usb'),
        ...base,
        /** The port that it is on. */
        port: Type.Optional(PortIdSchema),
        /** A device asks a host; a computer is one. */
        as: Type.Optional(Type.Union([Type.Literal('host'), Type.Literal('device')])),
        /** The serial ports that a device shows to its host, by the protocols they carry. Over USB there is no baud. */
        serial: Type.Optional(Type.Array(Type.Array(ProtocolIdSchema, { minItems: 1 }), { minItems: 1, maxItems: 8 })),
      },
      closed,
    ),
    Type.Object({ is: Type.Literal('air'), ...base, band: Type.String() }, closed),
    Type.Object({ is: Type.Literal('phase'), ...base, pins: Type.Array(pin, { minItems: 2, maxItems: 3 }) }, closed),
    Type.Object({ is: Type.Literal('pulse-out'), ...base, pin, bank: Type.String(), kinds: texts }, closed),
    Type.Object(
      {
        is: Type.Literal('pulse-in'),
        ...base,
        pin,
        kinds: texts,
        rateHz: Type.Tuple([Type.Number(), Type.Number()]),
        use: Type.Union([Type.Literal('servo'), Type.Literal('motor'), Type.Literal('switching')]),
      },
      closed,
    ),
    Type.Object({ is: Type.Literal('rc-in'), ...base, pin, formats: texts }, closed),
    Type.Object(
      {
        is: Type.Literal('rc-out'),
        ...base,
        pin,
        formats: texts,
        channels: number,
        /** By format, and by a setting where that decides. What is not said is unknown. */
        lossSignal: Type.Optional(Type.Array(LossSignalSchema, { minItems: 1 })),
        /** From the stick to the end of the frame that says so, at most, in ms. */
        latencyMs: Type.Optional(Type.Number({ minimum: 0, maximum: 1000 })),
        /** Of a pulse train, from frame to frame, in ms. */
        frameMs: Type.Optional(Type.Number({ exclusiveMinimum: 0, maximum: 100 })),
        /** How it tells how well it hears; an empty list tells nothing. */
        tells: Type.Optional(Type.Array(linkReportSchema(number))),
      },
      closed,
    ),
    Type.Object({ is: Type.Literal('video-out'), ...base, pin, standards: texts, digital: Type.Optional(Type.Boolean()) }, closed),
    Type.Object({ is: Type.Literal('video-in'), ...base, pin, standards: texts, digital: Type.Optional(Type.Boolean()) }, closed),
    Type.Object({ is: Type.Literal('analog-sense'), ...base, pin, fullScaleV: number, purpose: Type.String() }, closed),
    Type.Object({ is: Type.Literal('analog-out'), ...base, pin, fullScaleV: number, purpose: Type.String() }, closed),
    Type.Object(
      {
        is: Type.Literal('network'),
        ...base,
        roles: texts,
        /** The port that it is on; none for a network inside a part, or through the air. */
        port: Type.Optional(PortIdSchema),
        /** That it has an address which a person sets; with the one that it is delivered with. */
        address: Type.Optional(Type.Object({ delivered: Type.Optional(Ipv4Schema) }, closed)),
      },
      closed,
    ),
  ]);
}
