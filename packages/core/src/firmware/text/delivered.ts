import { fillTemplate, matchTemplate } from '../../dialects/lines/lineTemplate.ts';
import type { CompiledLine } from '../../dialects/lines/compiledText.ts';
import type { DialectText, LineTemplate } from '../../model/dialectText.ts';

/** The values with which a board is delivered in a line, in a version where one is known; undefined where the dialect does not say. */
export function deliveredValues(
  text: DialectText,
  version: string | undefined,
  line: Pick<LineTemplate, 'id' | 'delivered'>,
): string | undefined {
  const { deliveredIn } = text;
  const own = version !== undefined && deliveredIn !== undefined && Object.hasOwn(deliveredIn, version) ? deliveredIn[version] : undefined;
  return own !== undefined && Object.hasOwn(own, line.id) ? own[line.id] : line.delivered;
}

/** A line with other values in it, as `delivered` and `gives` have them: one after the other with a space between. */
export function lineWithValues({ pieces, values }: Pick<CompiledLine, 'pieces' | 'values'>, line: string, others: string): string {
  const codes = new Map(others.split(' ').map((code, i) => [values[i]?.name ?? '', code]));
  const own = matchTemplate(pieces, line);
  return fillTemplate(pieces, ({ name }) => codes.get(name) ?? own?.get(name) ?? '');
}
