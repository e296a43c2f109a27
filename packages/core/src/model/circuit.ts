import { type TSchema, Type } from '@sinclair/typebox';
import { keyText } from './keys.ts';
import { WhenSchema } from './setting.ts';

const closed = { additionalProperties: false } as const;

/** A pin of the same part as `port.n`, or an inner node as `@name`. */
export const CircuitNodeSchema = Type.String({ pattern: '^(@[a-z0-9-]{1,20}|[A-Za-z0-9][A-Za-z0-9-]{0,19}\\.[0-9]{1,2})$' });

const cellCount = Type.Integer({ minimum: 1, maximum: 100 });

/**
 * The DC elements that parts are made of. Each names its nodes and its limits; what they do is computed elsewhere.
 * @param number the schema of a parameter: a plain number, or one that a setting chooses
 */
export function circuitElementSchema<N extends TSchema>(number: N) {
  const base = { id: keyText('[a-z0-9][a-z0-9-]{0,23}'), when: Type.Optional(WhenSchema) };
  const node = CircuitNodeSchema;
  const overload = Type.Union([
    Type.Literal('constant-current'),
    Type.Literal('foldback'),
    Type.Literal('hiccup'),
    Type.Literal('latch-off'),
  ]);
  return Type.Union([
    /** A supply from outside the aircraft, such as USB. */
    Type.Object({ is: Type.Literal('source'), ...base, plus: node, minus: node, volts: number, ohm: number, maxA: number }, closed),
    Type.Object(
      {
        is: Type.Literal('battery'),
        ...base,
        plus: node,
        minus: node,
        chemistry: Type.Union([Type.Literal('lipo'), Type.Literal('li-ion')]),
        cells: number,
        capacityMah: number,
        internalOhm: number,
        continuousA: number,
      },
      closed,
    ),
    /** Copper inside the part. 0 ohm: one and the same net. */
    Type.Object({ is: Type.Literal('link'), ...base, a: node, b: node, ohm: number, maxA: Type.Optional(number) }, closed),
    Type.Object(
      {
        is: Type.Literal('regulator'),
        ...base,
        topology: Type.Union([Type.Literal('buck'), Type.Literal('linear'), Type.Literal('buck-boost')]),
        in: node,
        out: node,
        gnd: node,
        setV: number,
        inputMinV: number,
        inputMaxV: number,
        dropoutV: number,
        efficiency: number,
        quiescentA: number,
        continuousA: number,
        burstA: number,
        burstS: number,
        onOverload: overload,
        /** Linear only: the heat at which it shuts down. */
        maxW: Type.Optional(number),
      },
      closed,
    ),
    /** Takes the first input, in this order, whose voltage is inside its window. Nothing flows back. */
    Type.Object(
      {
        is: Type.Literal('selector'),
        ...base,
        inputs: Type.Array(Type.Object({ node, minV: number, maxV: number, absoluteMaxV: number }, closed), { minItems: 1 }),
        out: node,
        dropV: number,
      },
      closed,
    ),
    Type.Object({ is: Type.Literal('diode'), ...base, from: node, to: node, dropV: number, maxA: number }, closed),
    Type.Object(
      {
        is: Type.Literal('limiter'),
        ...base,
        in: node,
        out: node,
        ohm: number,
        holdA: number,
        tripA: number,
        tripS: number,
        trippedW: number,
      },
      closed,
    ),
    Type.Object({ is: Type.Literal('switch'), ...base, a: node, b: node, closed: Type.Boolean(), maxA: number }, closed),
    Type.Object({ is: Type.Literal('sense'), ...base, a: node, b: node, ohm: number, fullScaleA: number }, closed),
    /** Takes supply: amperes per state at `nominalV`, and the window in which it works. */
    Type.Object(
      {
        is: Type.Literal('load'),
        ...base,
        supply: node,
        gnd: node,
        law: Type.Union([Type.Literal('constant-current'), Type.Literal('constant-power'), Type.Literal('resistance')]),
        nominalV: number,
        minV: number,
        maxV: number,
        idleA: number,
        typicalA: number,
        peakA: number,
        stallA: Type.Optional(number),
      },
      closed,
    ),
    /** Motor controller: what its motor takes from the pack is looked up from the motor across the phases. */
    Type.Object(
      {
        is: Type.Literal('drive'),
        ...base,
        plus: node,
        minus: node,
        phases: Type.Array(node, { minItems: 2, maxItems: 3 }),
        minV: number,
        maxV: number,
        continuousA: number,
        burstA: number,
        /** What it takes from the pack with its motor stopped. */
        idleA: Type.Optional(number),
        /** The packs that it is stated for, by their cells in series: its cut-off counts them. */
        cells: Type.Optional(Type.Object({ least: cellCount, most: cellCount }, closed)),
      },
      closed,
    ),
    /** Motor with its propeller: amperes from the pack by throttle, measured at `tableV`, and the thrust standing still where it was measured too. */
    Type.Object(
      {
        is: Type.Literal('motor'),
        ...base,
        phases: Type.Array(node, { minItems: 2, maxItems: 3 }),
        tableV: number,
        table: Type.Array(
          Type.Object({ throttle: Type.Number(), currentA: Type.Number(), thrustG: Type.Optional(Type.Number()) }, closed),
          { minItems: 2 },
        ),
        maxA: number,
      },
      closed,
    ),
    Type.Object(
      { is: Type.Literal('clamp'), ...base, a: node, gnd: node, volts: number, slopeOhm: number, maxW: number, maxJ: number },
      closed,
    ),
    Type.Object({ is: Type.Literal('capacitor'), ...base, a: node, gnd: node, microfarad: number, esrOhm: number }, closed),
  ]);
}
