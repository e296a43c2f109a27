import { useHotkeys } from 'react-hotkeys-hook';
import { useNavigate } from 'react-router';
import { pageAddress } from '../addresses/paths.ts';
import { useRegistry } from '../addresses/RegistryContext.tsx';
import { focusEntryLine } from '../entry/focusEntryLine.ts';
import { useSelection } from '../selection/SelectionContext.tsx';
import { useSession } from '../session/SessionContext.tsx';
import { useFrameState } from './FrameState.tsx';
import { FRAME_KEYS } from './frameKeys.ts';

/** The keys that work everywhere on an aircraft's screens, except inside a field where they would be typed. */
export function FrameKeys() {
  const session = useSession();
  const { stages } = useRegistry();
  const { toggleMargin, showKeys, areKeysShown } = useFrameState();
  const { clear } = useSelection();
  const navigate = useNavigate();
  const enabled = !areKeysShown;
  const act: Readonly<Record<keyof typeof FRAME_KEYS, () => void>> = {
    entry: focusEntryLine,
    undo: () => session.undo(),
    redo: () => session.redo(),
    margin: toggleMargin,
    letGo: clear,
    help: () => showKeys(true),
  };
  // By the sign that is typed, wherever it is on the keyboard: "/" needs Shift on some.
  const options = { useKey: true, preventDefault: true, enabled };
  // A list of choices has no text to type into, and nothing of its own to withdraw.
  const alsoInLists = { ...options, enableOnFormTags: ['select'] as const };
  useHotkeys(FRAME_KEYS.entry.hotkeys, act.entry, alsoInLists);
  useHotkeys('mod+k', act.entry, { ...options, enableOnFormTags: true });
  useHotkeys(FRAME_KEYS.undo.hotkeys, act.undo, alsoInLists);
  useHotkeys(FRAME_KEYS.redo.hotkeys, act.redo, alsoInLists);
  useHotkeys(FRAME_KEYS.margin.hotkeys, act.margin, options);
  useHotkeys(FRAME_KEYS.letGo.hotkeys, act.letGo, options);
  useHotkeys(FRAME_KEYS.help.hotkeys, act.help, options);
  const opening = stages.flatMap(({ opensWith }) => opensWith ?? []);
  useHotkeys(
    opening,
    ({ key }) => {
      const stage = stages.find(({ opensWith }) => opensWith === key.toLowerCase());
      if (stage !== undefined) void navigate(pageAddress(session.id, stage.id));
    },
    options,
  );
  return null;
}
