import { addCommand } from './addCommand.ts';
import { boardCommand } from './boardCommand.ts';
import { bondCommand, unbondCommand } from './bondCommands.ts';
import { chainCommand } from './chainCommand.ts';
import { mateCommand, partCommand } from './mateCommands.ts';
import { lengthCommand } from './lengthCommand.ts';
import { moveCommand } from './moveCommand.ts';
import { cutCommand, findCommand, goCommand, historyCommands, openCommand, printCommand, scenarioCommand } from './placeCommands.ts';
import { onPortCommand } from './onPortCommand.ts';
import { portCommand } from './portCommand.ts';
import { plugCommand, unplugCommand } from './plugCommands.ts';
import type { EntryCommand, EntryContext, Suggestion } from './suggestion.ts';
import { wireCommand } from './wireCommand.ts';

/** Every command of the entry line. A new one is named here once; help and completion follow. */
export const entryCommands: readonly EntryCommand[] = [
  wireCommand,
  plugCommand,
  unplugCommand,
  mateCommand,
  partCommand,
  bondCommand,
  unbondCommand,
  addCommand,
  findCommand,
  boardCommand,
  moveCommand,
  lengthCommand,
  openCommand,
  printCommand,
  goCommand,
  scenarioCommand,
  chainCommand,
  portCommand,
  onPortCommand,
  cutCommand,
  historyCommands,
];

/** What could be meant by a text, best first; with nothing typed, or nothing understood, an example of each command. */
export function suggestionsFor(text: string, context: EntryContext): readonly Suggestion[] {
  const found = entryCommands.flatMap((command) => command.suggest(text, context));
  if (found.length > 0) return found.slice(0, 12);
  const typed = text.trim().toLowerCase();
  return entryCommands
    .filter((command) => typed === '' || command.id.startsWith(typed))
    .map((command) => ({ text: command.example, effect: 'for example', action: undefined }));
}
