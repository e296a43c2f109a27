import { fillTemplate, parseTemplate } from '../dialects/lines/lineTemplate.ts';
import type { DialectSection } from '../model/dialectText.ts';
import type { ConfigLine } from './configLine.ts';
import type { Configuration } from './configuration.ts';
import { plannedTarget, type FirmwareScope } from './scope.ts';

/** Whether a text has every line, or those alone that differ from how a board is delivered. */
export type TextContents = 'complete' | 'differences';

/** The text to load, pass by pass; each is loaded by itself, and the controller restarted after it. */
export function passTexts(configuration: Configuration, contents: TextContents = 'complete'): readonly string[] {
  const { lines, extra, passes, scope } = configuration;
  const written = lines.filter((line) => line.text !== '' && (contents === 'complete' || !line.isDelivered));
  return inPassTexts(
    scope,
    [...written.map(placed), ...extra.map(({ section, text }) => ({ section, text, pass: passes }))],
    headerLines(scope, contents),
  );
}

/** All passes in one text. */
export function configText(configuration: Configuration, contents: TextContents = 'complete'): string {
  return passTexts(configuration, contents).join('\n');
}

/** A line with where and when it is loaded. */
export interface PlacedLine {
  readonly section: string;
  readonly pass: number;
  readonly text: string;
}

function placed({ section, pass, text }: ConfigLine): PlacedLine {
  return { section: section.id, pass, text };
}

/** Lines as texts to load, a text a pass; a pass without lines is left out. Lines of a section that the dialect does not have come last. */
export function inPassTexts({ text }: FirmwareScope, lines: readonly PlacedLine[], header: readonly string[] = []): readonly string[] {
  const passes = [...new Set(lines.map(({ pass }) => pass))].sort((a, b) => a - b);
  const known = new Set(text.sections.map(({ id }) => id));
  const [comment] = text.grammar.comments;
  return passes.map((pass, i) => {
    const own = lines.filter((line) => line.pass === pass);
    const out = [
      ...(i === 0 ? header : []),
      ...(passes.length > 1 && comment !== undefined ? [`${comment} pass ${i + 1} of ${passes.length}`] : []),
      ...text.sections.flatMap((section) =>
        withHeading(
          section,
          own.filter((line) => line.section === section.id).map((line) => line.text),
        ),
      ),
      ...own.filter(({ section }) => !known.has(section)).map((line) => line.text),
      ...(text.passEnd ?? []),
      ...(text.footer ?? []),
    ];
    return `${out.join('\n')}\n`;
  });
}

function withHeading({ heading }: DialectSection, lines: readonly string[]): readonly string[] {
  return heading === undefined || lines.length === 0 ? lines : [heading, ...lines];
}

/** The head of a text; a line is left out where what it tells is not known. */
function headerLines(scope: FirmwareScope, contents: TextContents): readonly string[] {
  const { header, contents: words } = scope.text;
  const known: Readonly<Record<string, string | undefined>> = {
    board: plannedTarget(scope.graph, scope.entry),
    version: scope.graph.design.aircraft.firmware.facts.version,
    contents: words?.[contents],
    aircraft: scope.graph.design.aircraft.name,
  };
  return header.flatMap((line) => {
    const parsed = parseTemplate(line);
    if ('problem' in parsed) return [];
    const isKnown = parsed.pieces.every((piece) => piece.is === 'text' || known[piece.field.name] !== undefined);
    return isKnown ? [fillTemplate(parsed.pieces, ({ name }) => known[name] ?? '')] : [];
  });
}
