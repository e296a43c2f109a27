import { Type } from '@sinclair/typebox';
import { factFamilies, WORD_LISTS, type WordList } from './firmwareFacts.ts';
import { recordOf } from './ids.ts';
import { keyText } from './keys.ts';
import { LIMITS } from './limits.ts';
import { oneOf } from './oneOf.ts';
import type { Shape } from './shape.ts';
import { TargetSchema } from './target.ts';

const closed = { additionalProperties: false } as const;
const name = Type.String({ minLength: 1, maxLength: LIMITS.nameChars });
const sentence = Type.String({ minLength: 1, maxLength: LIMITS.reasonChars });

/** A line of a template: literal text with fields in braces, `P{port}.ROLE {role}`. What it may hold is in `dialects/lineTemplate.ts`. */
const templateLine = Type.String({ minLength: 1, maxLength: 200, pattern: '^[^\\x00-\\x1f\\x7f]+$' });
/** A mark, a word or a sign as it is in the text. */
const mark = Type.String({ minLength: 1, maxLength: 40, pattern: '^[^\\x00-\\x1f\\x7f]+$' });
/** Words that stand in the brackets of a sheet (`dialects/sheet`), which ends them at its own signs. */
function inSheet(maxLength: number) {
  return Type.String({ minLength: 1, maxLength, pattern: '^[^;()\\x00-\\x1f\\x7f]+$' });
}
const valueText = inSheet(200);
const valueOfLine = Type.String({ minLength: 1, maxLength: 200, pattern: '^[^\\x00-\\x1f\\x7f]+$' });
/** Names inside a dialect. */
const ownKey = keyText('[a-z0-9][a-z0-9-]{0,39}');
/** What rows can be told apart by. */
export const ROW_TAGS = ['software', 'plain', 'used', 'unused'] as const;
export type RowTag = (typeof ROW_TAGS)[number];
const tag = oneOf(ROW_TAGS);

/**
 * What a line is for. A calibration is measured on the aircraft that it is of; an identity is given by the maker; a counter counts by itself.
 * None of the three is ever loaded from elsewhere.
 */
export const LINE_CLASSES = {
  planned: { title: 'planned' },
  calibration: { title: 'calibration' },
  identity: { title: 'identity' },
  counter: { title: 'counter' },
} as const;
export type LineClass = keyof typeof LINE_CLASSES;

const LineTemplateSchema = Type.Object(
  {
    /** Its name in the dialect. */
    id: ownKey,
    /** The facts that it writes: one line for each row of the family. */
    of: oneOf(factFamilies),
    write: templateLine,
    /** Rows of this kind only. */
    only: Type.Optional(tag),
    /** What stands there as delivered: the values of the line, one after the other with a space between. */
    delivered: Type.Optional(valueText),
    /** A prerequisite without which the firmware does not have the line, for all rows or for those with a tag. */
    needs: Type.Optional(Type.Object({ prerequisite: ownKey, of: Type.Optional(tag) }, closed)),
    /** The prerequisite that holds once this line is loaded and the controller was restarted. */
    gives: Type.Optional(Type.Object({ prerequisite: ownKey, /** With these values only. */ values: Type.Optional(valueText) }, closed)),
  },
  closed,
);
/** A line that the facts of an aircraft are written in. */
export type LineTemplate = Shape<typeof LineTemplateSchema>;

const OwnLineSchema = Type.Object(
  {
    id: ownKey,
    /** The line with its parts that vary in braces; the names in the braces are the dialect's own. The last one is the value. */
    match: templateLine,
    class: Type.Union([Type.Literal('calibration'), Type.Literal('identity'), Type.Literal('counter')]),
    title: inSheet(LIMITS.nameChars),
    /** The value as delivered: a calibration that has it was not done. */
    delivered: Type.Optional(valueText),
    /** What a person does so that the aircraft has its own. */
    todo: Type.Optional(inSheet(LIMITS.reasonChars)),
  },
  closed,
);
/** A line that is of one aircraft alone. */
export type OwnLine = Shape<typeof OwnLineSchema>;

const SectionSchema = Type.Object(
  {
    id: ownKey,
    title: name,
    /** The line that it begins with, where the text has such lines. */
    heading: Type.Optional(mark),
    lines: Type.Array(LineTemplateSchema, { maxItems: 60 }),
    own: Type.Optional(Type.Array(OwnLineSchema, { maxItems: 200 })),
  },
  closed,
);
export type DialectSection = Shape<typeof SectionSchema>;

const GrammarSchema = Type.Object(
  {
    /** What lines begin with that say nothing. */
    comments: Type.Array(mark, { maxItems: 8 }),
    /** What is between the cells of a line. Blanks around it do not count; without any, blanks are between them. */
    between: Type.Optional(mark),
    /** Words that a line may begin with and that say nothing. */
    leading: Type.Optional(Type.Array(mark, { maxItems: 8 })),
    /** Lines that are neither comment nor value: commands such as the one that saves. */
    commands: Type.Optional(Type.Array(mark, { maxItems: 20 })),
  },
  closed,
);

const PrerequisiteSchema = Type.Object(
  {
    id: ownKey,
    title: name,
    /** What a person does where no line of the text gives it. */
    byHand: Type.Optional(sentence),
  },
  closed,
);
export type Prerequisite = Shape<typeof PrerequisiteSchema>;

const ByHandSchema = Type.Object(
  {
    id: ownKey,
    when: Type.Union([Type.Literal('before'), Type.Literal('after')]),
    text: sentence,
    caution: Type.Optional(sentence),
    /** Only where the aircraft has such facts. */
    of: Type.Optional(oneOf(factFamilies)),
  },
  closed,
);
/** Something that the text cannot do. */
export type ByHandStep = Shape<typeof ByHandSchema>;

const PressSchema = Type.Object(
  {
    of: oneOf(factFamilies),
    /** The field that is set so. */
    field: keyText('[a-z][A-Za-z]{0,19}'),
    /** What is pressed. */
    button: name,
    /** How long, where it is held. */
    seconds: Type.Optional(Type.Number({ minimum: 0, maximum: 60 })),
    /** How many times, by the value as the dialect writes it. */
    presses: Type.Optional(recordOf(keyText('[A-Za-z0-9][A-Za-z0-9._+/-]{0,39}'), Type.Integer({ minimum: 0, maximum: 40 }), 60)),
    /** The light that confirms it. */
    light: sentence,
  },
  closed,
);
/** A fact that is set by pressing a button. */
export type Press = Shape<typeof PressSchema>;

function wordsOf(list: WordList) {
  return recordOf(keyText(WORD_LISTS[list].of.join('|')), Type.String({ pattern: '^[^\\s\\x00-\\x1f]{1,40}$' }), 200);
}
const words = Type.Partial(
  Type.Object(
    {
      switch: wordsOf('switch'),
      inversion: wordsOf('inversion'),
      flow: wordsOf('flow'),
      pulses: wordsOf('pulses'),
      uses: wordsOf('uses'),
      airframes: wordsOf('airframes'),
      monitors: wordsOf('monitors'),
      sensors: wordsOf('sensors'),
      osd: wordsOf('osd'),
      mixes: wordsOf('mixes'),
      features: wordsOf('features'),
      levelling: wordsOf('levelling'),
      back: wordsOf('back'),
    } satisfies Record<WordList, unknown>,
    closed,
  ),
);

const factText = Type.Union([Type.String({ minLength: 1, maxLength: 60 }), Type.Number()]);
const ExpectedLineSchema = Type.Object(
  {
    of: oneOf(factFamilies),
    /** Where the line has an index of a board. */
    board: Type.Optional(TargetSchema),
    facts: recordOf(keyText('[a-z][A-Za-z]{0,19}'), factText, 20),
    line: valueOfLine,
  },
  closed,
);
/** A row of facts and a line that it has to give: a test of a dialect that a person has written down. */
export type ExpectedLine = Shape<typeof ExpectedLineSchema>;

/** Tables that have a code for "none", and for modes one for "armed". */
export const NONE_CODES = ['roles', 'functions', 'modes', 'actions', 'armed'] as const;
export type NoneCode = (typeof NONE_CODES)[number];
const code = Type.String({ pattern: '^[^\\s\\x00-\\x1f]{1,24}$' });

export const DialectTextSchema = Type.Object(
  {
    grammar: GrammarSchema,
    /** Lines at the head of a text, with `{board}`, `{version}`, `{contents}`, `{aircraft}`: read back, they tell what it is of. */
    header: Type.Array(templateLine, { maxItems: 20 }),
    /** What stands for `{contents}`. */
    contents: Type.Optional(Type.Object({ complete: mark, differences: mark }, closed)),
    sections: Type.Array(SectionSchema, { minItems: 1, maxItems: 60 }),
    /** Lines at the end of each pass: what saves and restarts. */
    passEnd: Type.Optional(Type.Array(templateLine, { maxItems: 10 })),
    footer: Type.Optional(Type.Array(templateLine, { maxItems: 10 })),
    words,
    /** What is written where a port has no role, an output no function, a slot no mode; and for the range in which motors may run. */
    none: Type.Optional(Type.Partial(Type.Object({ roles: code, functions: code, modes: code, actions: code, armed: code }, closed))),
    prerequisites: Type.Optional(Type.Array(PrerequisiteSchema, { maxItems: 40 })),
    byHand: Type.Optional(Type.Array(ByHandSchema, { maxItems: 60 })),
    /** What a person expects of it: a row of facts, and a line that it has to give. */
    expects: Type.Optional(Type.Array(ExpectedLineSchema, { maxItems: 200 })),
    /** Where lines of another version are delivered otherwise: by version, then by the line's name in the dialect. */
    deliveredIn: Type.Optional(recordOf(keyText('[A-Za-z0-9][A-Za-z0-9._-]{0,19}'), recordOf(ownKey, valueText, 500), 40)),
    /** Boards that take no text: all that is set on them is set by hand. */
    pressed: Type.Optional(
      Type.Object(
        { boards: Type.Array(TargetSchema, { minItems: 1, maxItems: 60 }), steps: Type.Array(PressSchema, { maxItems: 60 }) },
        closed,
      ),
    ),
  },
  closed,
);
/** How a dialect writes a configuration, and reads one. */
export type DialectText = Shape<typeof DialectTextSchema>;
