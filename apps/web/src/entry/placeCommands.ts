import { byNatural, scenariosOf, type SimpleEdit } from '@wired-falcon/core';
import { paths } from '../addresses/paths.ts';
import type { EntryCommand, EntryContext, Suggestion } from './suggestion.ts';

function after(word: string, text: string): string | undefined {
  const typed = text.trim().toLowerCase();
  if (typed === word) return '';
  return typed.startsWith(`${word} `) ? typed.slice(word.length + 1).trim() : undefined;
}

/** `go documents`: opens a screen, by the beginning of any of its words; one that begins so comes first. */
export const goCommand: EntryCommand = {
  id: 'go',
  example: 'go documents',
  suggest: (text, { screens }) => {
    const wanted = after('go', text);
    if (wanted === undefined) return [];
    const begins = screens.filter(({ words }) => words.startsWith(wanted));
    const holds = screens.filter(({ words }) => !words.startsWith(wanted) && words.includes(` ${wanted}`));
    return [...begins, ...holds].map(({ words, to }) => ({ text: `go ${words}`, effect: `opens ${words}`, action: { is: 'go', to } }));
  },
};

/** `scenario jammed`: shows what every rail carries in a situation. */
export const scenarioCommand: EntryCommand = {
  id: 'scenario',
  example: 'scenario jammed',
  suggest: (text, { aircraft, design }) => {
    const wanted = after('scenario', text);
    if (wanted === undefined) return [];
    return scenariosOf(design.aircraft)
      .filter(({ id, title }) => id.startsWith(wanted) || title.toLowerCase().includes(wanted))
      .map(({ id, title }) => ({
        text: `scenario ${id}`,
        effect: `shows the power river in "${title}"`,
        action: { is: 'go', to: paths.situation(aircraft, id) },
      }));
  },
};

/** `find tx`: items, ports, pins and cables by name; the chosen one is selected. */
export const findCommand: EntryCommand = {
  id: 'find',
  example: 'find tx',
  suggest: (text, context) => {
    const wanted = after('find', text);
    if (wanted === undefined || wanted === '') return [];
    return [...itemHits(context, wanted), ...cableHits(context, wanted)].slice(0, 20);
  },
};

function itemHits({ graph, aircraft }: EntryContext, wanted: string): Suggestion[] {
  return graph.items.flatMap(({ item, part }): Suggestion[] => {
    const pins = (part?.ports ?? []).flatMap((port) =>
      port.pins
        .filter((pin) => [pin.label, pin.role].some((name) => name.toLowerCase() === wanted))
        .map((pin) => `${port.label} pin ${pin.n} (${pin.label})`),
    );
    const isNamed = `${item.ref} ${item.label ?? ''} ${part?.name ?? ''}`.toLowerCase().includes(wanted);
    if (!isNamed && pins.length === 0) return [];
    const effect = isNamed ? `${part?.name ?? 'unknown part'}${item.label === undefined ? '' : `, ${item.label}`}` : pins.join(', ');
    return [
      { text: `find ${item.ref}`, effect, action: { is: 'select', selection: { is: 'item', item: item.id }, to: paths.wiring(aircraft) } },
    ];
  });
}

function cableHits({ graph, aircraft }: EntryContext, wanted: string): Suggestion[] {
  return graph.cables
    .filter((cable) => `${cable.tag} ${cable.label ?? ''}`.toLowerCase().includes(wanted))
    .map((cable) => ({
      text: `find ${cable.tag}`,
      effect: `cable${cable.label === undefined ? '' : `, ${cable.label}`}`,
      action: { is: 'select', selection: { is: 'cable', cable: cable.id }, to: paths.wiring(aircraft) },
    }));
}

/** `open w04`: the pin ladder of a cable. */
export const openCommand: EntryCommand = {
  id: 'open',
  example: 'open w04',
  suggest: (text, { graph, aircraft }) => {
    const wanted = after('open', text);
    if (wanted === undefined) return [];
    return graph.cables
      .filter((cable) => cable.tag.toLowerCase().startsWith(wanted))
      .map((cable) => ({
        text: `open ${cable.tag}`,
        effect: 'opens its pin ladder',
        action: { is: 'go', to: paths.ladder(aircraft, cable.id) },
      }));
  },
};

/** `print port-card fc1`, `print w04`: a document. */
export const printCommand: EntryCommand = {
  id: 'print',
  example: 'print fc1',
  suggest: (text, { graph, aircraft }) => {
    const wanted = after('print', text);
    if (wanted === undefined) return [];
    const cards = graph.items
      .filter(({ item, part }) => part?.kind === 'controller' && item.ref.toLowerCase().startsWith(wanted))
      .map(({ item }) => ({ name: item.ref, effect: 'port card', to: paths.document(aircraft, 'port-card', item.id) }));
    const tables = graph.cables
      .filter((cable) => cable.tag.toLowerCase().startsWith(wanted))
      .map((cable) => ({ name: cable.tag, effect: 'pin table', to: paths.document(aircraft, 'pin-table', cable.id) }));
    return [...cards, ...tables].map(({ name, effect, to }) => ({
      text: `print ${name}`,
      effect: `opens its ${effect}`,
      action: { is: 'go', to },
    }));
  },
};

/** `cut w07` or `cut gnss1`: takes a cable or an item out. */
export const cutCommand: EntryCommand = {
  id: 'cut',
  example: 'cut w07',
  suggest: (text, { design }) => {
    const wanted = after('cut', text);
    if (wanted === undefined || wanted === '') return [];
    const cables = Object.values(design.aircraft.cables).map((cable) => {
      const edit: SimpleEdit = { kind: 'remove-cable', cable: cable.id };
      return { name: cable.tag, edit, effect: 'removes the cable' };
    });
    const items = Object.values(design.aircraft.items).map((item) => {
      const edit: SimpleEdit = { kind: 'remove-item', item: item.id };
      return { name: item.ref, edit, effect: 'removes the item; its cables stay, unplugged' };
    });
    return [...cables, ...items]
      .filter(({ name }) => name.toLowerCase().startsWith(wanted))
      .sort(byNatural(({ name }) => name))
      .map(({ name, edit, effect }) => ({ text: `cut ${name}`, effect, action: { is: 'edit', edit } }));
  },
};

/** `undo` and `redo`. */
export const historyCommands: EntryCommand = {
  id: 'undo',
  example: 'undo',
  suggest: (text) => {
    const typed = text.trim().toLowerCase();
    if (typed === 'undo') return [{ text: 'undo', effect: 'undoes your last edit', action: { is: 'undo' } }];
    return typed === 'redo' ? [{ text: 'redo', effect: 'redoes it', action: { is: 'redo' } }] : [];
  },
};
