import { Link } from 'react-router';
import { AIRFRAME_KINDS, STAGES, UNIT_SYSTEMS } from '@wired-falcon/core';
import { pageAddress, paths } from '../../addresses/paths.ts';
import { useRegistry } from '../../addresses/RegistryContext.tsx';
import { useSession, useSessionState } from '../../session/SessionContext.tsx';
import { useFrameState } from '../FrameState.tsx';
import { savedWords } from './savedWords.ts';
import { chooseUnits, isUnitSystem, useReadersUnits } from '../../ui/readersUnits.ts';

/** Aircraft, version, saved state, undo and redo. */
export function FlightStrip() {
  const session = useSession();
  const { design, version, undo, redo } = useSessionState();
  const { showKeys } = useFrameState();
  const { aircraft } = design;
  const { read } = useReadersUnits();
  const servingAll = useRegistry().stages.filter(({ id }) => !Object.hasOwn(STAGES, id));
  const [lastUndo, lastRedo] = [undo.at(-1), redo.at(-1)];
  return (
    <header className="no-print flex h-10 items-center gap-4 border-b border-ink px-4">
      <Link to={paths.hangar()} className="text-ink2 hover:text-ink">
        Hangar
      </Link>
      <h1 className="text-[17px] font-bold">{aircraft.name}</h1>
      <span className="whitespace-nowrap text-ink2 max-lg:hidden">{AIRFRAME_KINDS[aircraft.airframe.kind].title}</span>
      <span className="value whitespace-nowrap max-lg:hidden">{version === 1 ? '1 edit' : `${version} edits`}</span>
      <SavedState />
      <span className="grow" />
      <UnitsChoice />
      <StripButton
        label="undo"
        keys="Ctrl Z"
        disabled={lastUndo === undefined}
        title={lastUndo === undefined ? 'Nothing to undo' : `Undo: ${read(lastUndo.title)}`}
        onPress={() => session.undo()}
      />
      <StripButton
        label="redo"
        keys="Ctrl Y"
        disabled={lastRedo === undefined}
        title={lastRedo === undefined ? 'Nothing to redo' : `Redo: ${read(lastRedo.title)}`}
        onPress={() => session.redo()}
      />
      {servingAll.map(({ id, title, opensWith }) => (
        <StripLink key={id} label={title.toLowerCase()} keys={opensWith} to={pageAddress(aircraft.id, id)} />
      ))}
      <StripButton label="keys" keys="?" disabled={false} title="Keyboard help" onPress={() => showKeys(true)} />
    </header>
  );
}

/** What this reader reads lengths, masses and speeds in. The aircraft itself stays as it is. */
function UnitsChoice() {
  const { system } = useReadersUnits();
  return (
    <select
      aria-label="Units"
      title="What lengths, masses and speeds are shown and typed in"
      className="field py-0 text-[12.5px]"
      value={system}
      onChange={(event) => isUnitSystem(event.target.value) && chooseUnits(event.target.value)}
    >
      {Object.entries(UNIT_SYSTEMS).map(([id, title]) => (
        <option key={id} value={id}>
          {title}
        </option>
      ))}
    </select>
  );
}

function SavedState() {
  const state = useSessionState();
  const isQuiet = state.saving !== 'waiting' && state.trouble === undefined && state.keeping !== 'window';
  const words = savedWords(state);
  const tone = isQuiet ? 'text-ink2' : 'font-medium text-rust';
  return (
    <span role="status" className={`value min-w-0 truncate ${tone}`} title={words} data-testid="saved-state">
      {words}
    </span>
  );
}

function StripButton(props: {
  readonly label: string;
  readonly keys: string;
  readonly disabled: boolean;
  readonly title: string;
  readonly onPress: () => void;
}) {
  return (
    <button
      type="button"
      className="flex items-center gap-1.5 whitespace-nowrap disabled:text-[#767060]"
      disabled={props.disabled}
      title={props.title}
      onClick={props.onPress}
    >
      {props.label} <kbd className="key max-lg:hidden">{props.keys}</kbd>
    </button>
  );
}

function StripLink({ label, keys, to }: { readonly label: string; readonly keys: string | undefined; readonly to: string }) {
  return (
    <Link className="flex items-center gap-1.5" to={to}>
      {label} {keys !== undefined && <kbd className="key max-lg:hidden">{keys}</kbd>}
    </Link>
  );
}
