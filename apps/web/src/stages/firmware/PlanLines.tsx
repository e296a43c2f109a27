import { memo } from 'react';
import { sameJson, type AircraftId, type PlanLine, type PlanView } from '@wired-falcon/core';
import { HeadRow } from '../../ui/HeadRow.tsx';
import { WideRegion } from '../../ui/WideRegion.tsx';
import { PlaceLink } from './PlaceLink.tsx';

interface PlanLinesProps {
  readonly aircraft: AircraftId;
  readonly view: PlanView;
  /** Only what differs from the defaults of the board. */
  readonly isShort: boolean;
}

/** Every line with what it is about and what it rests on, pass by pass. */
export const PlanLines = memo(function PlanLines({ aircraft, view: { passes, extra }, isShort }: PlanLinesProps) {
  return (
    <>
      {passes.map((sections, i) => (
        <section key={i} aria-label={`Pass ${i + 1}`} className="mt-5" data-pass={i + 1}>
          {passes.length > 1 && (
            <h3 className="text-[15px] font-bold">
              Pass {i + 1}
              <span className="ml-2 text-[13px] font-normal text-ink2">
                {i + 1 < passes.length ? 'then restart: the next pass depends on this one' : 'then restart'}
              </span>
            </h3>
          )}
          {sections.map(({ id, title, lines }) => {
            const shown = isShort ? lines.filter((line) => !line.isDelivered || line.derived !== undefined) : lines;
            return shown.length === 0 ? null : (
              <WideRegion key={id} label={`Pass ${i + 1}: ${title}`}>
                <table className="mt-2 w-full min-w-[620px] text-[12.5px]">
                  <caption className="text-left text-[13px] font-semibold">{title}</caption>
                  <HeadRow heads={['Line', 'Meaning', 'Source']} cell="pr-3 py-0.5" />
                  <tbody>
                    {shown.map((line) => (
                      <Line key={line.name} aircraft={aircraft} line={line} />
                    ))}
                  </tbody>
                </table>
              </WideRegion>
            );
          })}
        </section>
      ))}
      {extra.length > 0 && (
        <section aria-label="Lines kept as in the aircraft" className="mt-5 text-[13px]">
          <h3 className="text-[15px] font-bold">Kept as in the aircraft</h3>
          <p>These are not in the plan and are loaded too.</p>
          <ul className="value">
            {extra.map((text) => (
              <li key={text}>{text}</li>
            ))}
          </ul>
        </section>
      )}
    </>
  );
});

interface LineProps {
  readonly aircraft: AircraftId;
  readonly line: PlanLine;
}

/** Drawn again only when it says something else: each answer brings all lines anew, and an edit changes a few. */
const Line = memo(function Line({ aircraft, line: { text, derived, what, words, reasons } }: LineProps) {
  return (
    <tr className="border-b border-grid align-top" data-line={text}>
      <td className="value py-0.5 pr-3 whitespace-nowrap">
        {text === '' ? <span className="text-ink2">not loaded</span> : text}
        {derived !== undefined && (
          <span className="block text-ink2">
            as planned: <s>{derived}</s>
          </span>
        )}
      </td>
      <td className="py-0.5 pr-3">
        {what}: {words}
        {derived !== undefined && <span className="block text-ink2">Kept as in the aircraft.</span>}
      </td>
      <td className="py-0.5 text-ink2">
        {reasons.map(({ words: reason, place }, i) => (
          <span key={`${reason} ${i}`}>
            {i === 0 ? '' : ', '}
            <PlaceLink words={reason} place={place} aircraft={aircraft} />
          </span>
        ))}
      </td>
    </tr>
  );
}, sameJson);
