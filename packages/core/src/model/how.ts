import { Type } from '@sinclair/typebox';
import { stated } from '../text/numbers.ts';
import { LIMITS } from './limits.ts';
import { PortIdSchema } from './portId.ts';
import type { Shape } from './shape.ts';

const closed = { additionalProperties: false } as const;
const words = Type.String({ minLength: 1, maxLength: LIMITS.reasonChars });
/** The sign by which the part shows that it took the setting. */
const confirms = Type.Optional(words);

export const HowSchema = Type.Union([
  Type.Object({ is: Type.Literal('solder-bridge'), bridge: words, confirms }, closed),
  Type.Object({ is: Type.Literal('jumper'), jumper: words, confirms }, closed),
  Type.Object({ is: Type.Literal('switch'), switch: words, confirms }, closed),
  Type.Object({ is: Type.Literal('knob'), knob: words, confirms }, closed),
  Type.Object({ is: Type.Literal('button'), button: words, seconds: Type.Number({ exclusiveMinimum: 0, maximum: 120 }), confirms }, closed),
  Type.Object(
    {
      is: Type.Literal('menu'),
      /** The program, page or handset that shows the menu. */
      tool: words,
      menu: words,
      /** As delivered. */
      password: Type.Optional(words),
      /** The port of the part by which the tool reaches it; over the air where none is named. */
      over: Type.Optional(PortIdSchema),
      confirms,
    },
    closed,
  ),
  /** By the way the part is wired, with no setting in it. */
  Type.Object({ is: Type.Literal('wiring'), wiring: words, confirms }, closed),
]);
/** How a person sets something on a part, as the part's maker made it. */
export type How = Shape<typeof HowSchema>;

/** The same in a sentence or two. @param portLabel what is printed beside a port of the part */
export function howText(how: How, portLabel: (port: string) => string): string {
  const sign = how.confirms === undefined ? '' : ` Confirmation: ${how.confirms}.`;
  switch (how.is) {
    case 'solder-bridge':
      return `Solder bridge ${how.bridge}.${sign}`;
    case 'jumper':
      return `Jumper ${how.jumper}.${sign}`;
    case 'switch':
      return `Switch ${how.switch}.${sign}`;
    case 'knob':
      return `Turn the knob ${how.knob}.${sign}`;
    case 'button':
      return `Hold the button ${how.button} for ${stated(how.seconds, 's')}.${sign}`;
    case 'menu': {
      const over = how.over === undefined ? '' : ` over ${portLabel(how.over)}`;
      const password = how.password === undefined ? '' : `, default password "${how.password}"`;
      return `In the ${how.tool}${over}: ${how.menu}${password}.${sign}`;
    }
    case 'wiring':
      return `${how.wiring}.${sign}`;
  }
}
