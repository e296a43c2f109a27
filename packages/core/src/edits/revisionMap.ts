import { type Static, type TSchema, Type } from '@sinclair/typebox';
import { LIMITS } from '../model/limits.ts';
import { PortIdSchema } from '../model/portId.ts';
import { SettingIdSchema } from '../model/setting.ts';
import type { DeepReadonly } from '../model/shape.ts';

const closed = { additionalProperties: false } as const;
const port = PortIdSchema;
const pin = Type.Integer({ minimum: 1, maximum: LIMITS.pinsPerPort });
const orNone = <S extends TSchema>(schema: S) => Type.Union([schema, Type.Null()]);

/** Where everything of the old part is in the new one; null where there is no counterpart. Names every port, pin, setting and output. */
export const RevisionMapSchema = Type.Object(
  {
    ports: Type.Array(
      Type.Object({ from: port, to: orNone(port), pins: Type.Array(Type.Object({ from: pin, to: orNone(pin) }, closed)) }, closed),
      { maxItems: LIMITS.partPorts },
    ),
    settings: Type.Array(Type.Object({ from: SettingIdSchema, to: orNone(SettingIdSchema) }, closed), { maxItems: 1000 }),
    outputs: Type.Array(Type.Object({ from: SettingIdSchema, to: orNone(SettingIdSchema) }, closed), { maxItems: 200 }),
  },
  closed,
);
export type RevisionMap = DeepReadonly<Static<typeof RevisionMapSchema>>;
