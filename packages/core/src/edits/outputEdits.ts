import { Type } from '@sinclair/typebox';
import { OutputFunctionSchema, outputKey } from '../model/aircraft.ts';
import { ItemIdSchema } from '../model/ids.ts';
import { OUTPUT_FUNCTIONS } from '../model/outputFunctions.ts';
import { SettingIdSchema } from '../model/setting.ts';
import { editKind, refuse } from './family.ts';
import { refOf } from './lookups.ts';

const functionOrNone = Type.Union([OutputFunctionSchema, Type.Null()]);

const setOutputFunction = editKind({
  kind: 'set-output-function',
  schema: Type.Object(
    {
      kind: Type.Literal('set-output-function'),
      item: ItemIdSchema,
      /** The endpoint of the output. */
      output: SettingIdSchema,
      function: functionOrNone,
      was: functionOrNone,
    },
    { additionalProperties: false },
  ),
  title: (edit, design) => {
    const place = `${refOf(design, edit.item)} ${edit.output}`;
    return edit.function === null ? `Leave ${place} without a function` : `${place} is for ${OUTPUT_FUNCTIONS[edit.function].title}`;
  },
  apply: ({ aircraft, parts }, edit) => {
    const item = aircraft.items[edit.item];
    if (item === undefined) return refuse('unknown-item', 'The controller is no longer there.', edit.item);
    const endpoint = parts.get(item.part)?.endpoints.find((candidate) => candidate.id === edit.output);
    if (endpoint?.is !== 'pulse-out') return refuse('unknown-port', `${item.ref} has no output "${edit.output}".`, edit.item);
    const key = outputKey(edit.item, edit.output);
    const { [key]: use, ...others } = aircraft.outputs;
    if ((use?.function ?? null) !== edit.was) {
      return refuse('changed-since', `What ${item.ref} ${edit.output} is for was changed meanwhile. Look at it, then decide.`, edit.item);
    }
    if (edit.function === null) return { aircraft: { ...aircraft, outputs: others } };
    const now = { item: edit.item, output: edit.output, function: edit.function };
    return { aircraft: { ...aircraft, outputs: { ...others, [key]: now } } };
  },
});

export const outputEdits = [setOutputFunction] as const;
