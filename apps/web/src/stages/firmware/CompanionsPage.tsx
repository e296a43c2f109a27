import { leadsTo, type AircraftId, type SetupSheet } from '@wired-falcon/core';
import { useDesign, useSessionState } from '../../session/SessionContext.tsx';
import { usePageLine } from '../../session/usePageLine.tsx';
import { CopyButton } from '../../ui/CopyButton.tsx';
import { downloadText } from '../../ui/download.ts';
import { NotComputed } from '../../ui/NotComputed.tsx';
import { useCalculated } from '../../workers/useCalculated.ts';
import type { setups } from './calculators.ts';
import { PlaceLink } from './PlaceLink.tsx';

/** What is set on the computers and radios beside the controller: as steps, and as a text for each. */
export function CompanionsPage() {
  const { shown, failure } = useCalculated<typeof setups>('firmware.setups', 'setups');
  const { seq } = useSessionState();
  const { style } = usePageLine();
  const { aircraft } = useDesign();
  const sheets = shown?.answer;
  return (
    <section
      data-scroll
      className="print-plain min-h-0 overflow-y-auto px-5 py-4"
      aria-label="Companion and radios"
      data-testid="companions"
      data-current={shown?.seq === seq}
    >
      {style}
      <h2 className="text-lg font-bold">Companion and radios</h2>
      <NotComputed what="The set-up of this version could not be made" failure={failure} />
      {sheets?.length === 0 && (
        <p className="mt-2 max-w-prose">
          A companion computer and the radios of the telemetry link are set up beside the controller: device, baud rate, addresses, ids. Add
          one; its settings then follow from the wiring and the links.
        </p>
      )}
      {(sheets ?? []).map((sheet) => (
        <Sheet key={sheet.item} aircraft={aircraft.id} sheet={sheet} />
      ))}
    </section>
  );
}

interface SheetProps {
  readonly aircraft: AircraftId;
  readonly sheet: SetupSheet;
}

function Sheet({ aircraft, sheet: { ref, part, steps, file } }: SheetProps) {
  return (
    <section aria-label={ref} className="mt-4 text-[13px]" data-setup={ref}>
      <h3 className="text-[15px] font-bold">
        {ref} <span className="font-normal text-ink2">{part}</span>
      </h3>
      <div className="no-print mt-1 flex flex-wrap items-center gap-2">
        <CopyButton label={`Copy the text for ${ref}`} text={file} />
        <button type="button" className="action" onClick={() => downloadText(`${ref.toLowerCase()}-setup.txt`, file, 'text/plain')}>
          Save the text for {ref}
        </button>
      </div>
      <ol className="mt-1 max-w-[860px] list-decimal pl-5">
        {steps.map(({ title, text, caution, from }, i) => (
          <li key={`${title} ${i}`} className="border-b border-grid py-0.5">
            <span className="font-semibold">{title}.</span> {caution !== undefined && <strong>{caution} </strong>}
            {text}{' '}
            <span className="text-ink2">
              {[...new Map(from.map((source) => [source.words, source])).values()].slice(0, 3).map(({ words, path }, n) => (
                <span key={words}>
                  {n === 0 ? '' : ', '}
                  <PlaceLink words={words} place={leadsTo(path)} aircraft={aircraft} />
                </span>
              ))}
            </span>
          </li>
        ))}
      </ol>
      <details className="mt-1">
        <summary className="cursor-pointer">The text</summary>
        <pre className="value max-h-72 overflow-auto" tabIndex={0} aria-label={`Text for ${ref}`}>
          {file}
        </pre>
      </details>
    </section>
  );
}
