import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import type { NoPlan, PlanView, TextContents } from '@wired-falcon/core';
import { paths } from '../../addresses/paths.ts';
import { useDesign, useSessionState } from '../../session/SessionContext.tsx';
import { usePageLine } from '../../session/usePageLine.tsx';
import { CopyButton } from '../../ui/CopyButton.tsx';
import { downloadText } from '../../ui/download.ts';
import { NotComputed } from '../../ui/NotComputed.tsx';
import { useCalculated } from '../../workers/useCalculated.ts';
import { ByHand } from './ByHand.tsx';
import type { plan } from './calculators.ts';
import { ControllerField } from './ControllerField.tsx';
import { FirmwareFacts } from './FirmwareFacts.tsx';
import { PlanLines } from './PlanLines.tsx';
import { useController } from './useController.ts';

/** What to load into a controller: each line with what makes it so, pass by pass, and what is left to a person. */
export function LoadPage() {
  const { id, choose } = useController();
  const ask = useMemo(() => ({ controller: id }), [id]);
  const { shown, failure } = useCalculated<typeof plan>('firmware.plan', ask);
  const { seq } = useSessionState();
  const { style } = usePageLine();
  const view = shown?.answer;
  return (
    <section
      data-scroll
      className="print-plain min-h-0 overflow-y-auto px-5 py-4"
      aria-label="What to load"
      data-testid="firmware-load"
      data-plan-seq={shown?.seq ?? 0}
      data-current={shown?.seq === seq}
    >
      {style}
      <h2 className="text-lg font-bold">What to load{view?.is === 'plan' ? ` into ${view.controller.ref}` : ''}</h2>
      <NotComputed what="The configuration of this version could not be made" failure={failure} />
      {view === undefined ? null : view.is === 'plan' ? <Plan view={view} onChoose={choose} /> : <Nothing view={view} />}
    </section>
  );
}

/** Why there is nothing to load, and where to go. */
function Nothing({ view }: { readonly view: NoPlan }) {
  const { aircraft } = useDesign();
  return (
    <p className="mt-2 max-w-prose">
      {view.sentence}{' '}
      <Link className="underline" to={paths.brief(aircraft.id)}>
        Go to the Brief
      </Link>
    </p>
  );
}

interface PlanProps {
  readonly view: PlanView;
  readonly onChoose: (ref: string) => void;
}

function Plan({ view, onChoose }: PlanProps) {
  const { aircraft } = useDesign();
  const [contents, setContents] = useState<TextContents>('complete');
  const texts = view.texts[contents];
  const fileName = `${aircraft.name} ${view.controller.ref}`.replace(/[^\p{L}\p{N}]+/gu, '-').toLowerCase();
  const count = view.passes.flat().reduce((sum, { lines }) => sum + lines.length, 0);
  return (
    <>
      <p className="text-[13px] text-ink2">
        {view.pressed.length > 0
          ? `${view.dialect}: this board has no text configuration; everything is set on the board itself.`
          : `${count} lines in ${view.passes.length === 1 ? 'one pass' : `${view.passes.length} passes`}, dialect ${view.dialect}, target ${view.target ?? 'not known'}${view.version === undefined ? '' : `, version ${view.version}`}.`}
      </p>
      <div className="no-print mt-2 flex flex-wrap items-center gap-2">
        <ControllerField view={view} onChoose={onChoose} />
        {view.pressed.length === 0 && (
          <>
            <label className="text-[13px]">
              <input
                type="checkbox"
                checked={contents === 'differences'}
                onChange={(event) => setContents(event.target.checked ? 'differences' : 'complete')}
              />{' '}
              only what differs from the defaults of the board
            </label>
            {texts.map((text, i) => (
              <CopyButton key={i} label={texts.length === 1 ? 'Copy' : `Copy pass ${i + 1}`} text={text} />
            ))}
            <button
              type="button"
              className="action"
              onClick={() => texts.forEach((text, i) => downloadText(`${fileName}-pass-${i + 1}.txt`, text, 'text/plain'))}
            >
              Save as {texts.length === 1 ? 'a file' : 'files'}
            </button>
            <button type="button" className="action" onClick={() => window.print()}>
              Print
            </button>
          </>
        )}
      </div>
      {[...view.unmet, ...view.leftOut].map((sentence) => (
        <p key={sentence} className="mt-1 max-w-prose text-[13px] text-rust">
          {sentence}
        </p>
      ))}
      <div className="mt-3 flex flex-wrap gap-x-10 gap-y-4">
        <FirmwareFacts view={view} />
        <ByHand view={view} />
      </div>
      <PlanLines aircraft={aircraft.id} view={view} isShort={contents === 'differences'} />
    </>
  );
}
