import { Dialog, DialogBackdrop, DialogPanel, DialogTitle } from '@headlessui/react';
import { useRegistry } from '../addresses/RegistryContext.tsx';
import type { KeyHelp, StageDef } from '../addresses/stageDef.ts';
import { FRAME_KEYS } from './frameKeys.ts';
import { useFrameState } from './FrameState.tsx';
import { useReadersUnits } from '../ui/readersUnits.ts';

/** Keyboard help: the keys that work everywhere, then those of each stage. */
export function KeysDialog() {
  const { areKeysShown, showKeys } = useFrameState();
  const { stages } = useRegistry();
  return (
    <Dialog open={areKeysShown} onClose={() => showKeys(false)} className="relative z-30">
      <DialogBackdrop className="fixed inset-0 bg-ink/30" />
      <div className="fixed inset-0 grid place-items-center p-4">
        <DialogPanel className="max-h-full w-[560px] overflow-y-auto border border-ink bg-sheet p-5">
          <DialogTitle className="text-lg font-bold">Keys</DialogTitle>
          <Keys keys={Object.values(FRAME_KEYS)} />
          {stages
            .map((stage) => ({ stage, keys: keysOf(stage) }))
            .filter(({ keys }) => keys.length > 0)
            .map(({ stage, keys }) => (
              <section key={stage.id} aria-label={stage.title}>
                <h3 className="mt-4 border-b border-rule pb-1 text-[13px] font-semibold text-ink2">{stage.title}</h3>
                <Keys keys={keys} />
              </section>
            ))}
          <button type="button" className="action mt-4" onClick={() => showKeys(false)}>
            Close
          </button>
        </DialogPanel>
      </div>
    </Dialog>
  );
}

function keysOf({ title, opensWith, keys }: StageDef): readonly KeyHelp[] {
  return opensWith === undefined ? keys : [{ keys: opensWith, what: `open ${title.toLowerCase()}` }, ...keys];
}

function Keys({ keys }: { readonly keys: readonly KeyHelp[] }) {
  const { read } = useReadersUnits();
  return (
    <dl className="mt-2 grid grid-cols-[150px_1fr] gap-y-1.5">
      {keys.map(({ keys: name, what }) => (
        <div key={name} className="contents">
          <dt className="value">{name}</dt>
          <dd>{read(what)}</dd>
        </div>
      ))}
    </dl>
  );
}
