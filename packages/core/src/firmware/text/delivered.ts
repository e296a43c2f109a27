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
