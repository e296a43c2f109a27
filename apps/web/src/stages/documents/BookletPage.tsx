import { useMemo } from 'react';
import { Link } from 'react-router';
import { bookletOf } from '@wired-falcon/core';
import { paths } from '../../addresses/paths.ts';
import { useDesign } from '../../session/SessionContext.tsx';
import { SheetBody } from './SheetBody.tsx';
import { usePageLine } from '../../session/usePageLine.tsx';

/** The aircraft as planned, every document after the other, to print at once. */
export function BookletPage() {
  const design = useDesign();
  const { aircraft } = design;
  const page = usePageLine();
  const sheets = useMemo(() => bookletOf(design), [design]);
  return (
    <article className="print-plain mx-auto max-w-[920px] px-6 py-5" data-testid="booklet">
      {page.style}
      <div className="no-print mb-4 flex gap-2">
        <Link className="action" to={paths.documents(aircraft.id)}>
          All documents
        </Link>
        <button type="button" className="action action-main" onClick={() => window.print()}>
          Print
        </button>
      </div>
      <h1 className="text-2xl font-bold">{aircraft.name}, as planned</h1>
      <p className="mt-1 max-w-prose">{aircraft.note}</p>
      <ol className="mt-3 columns-2 text-[13px]">
        {sheets.map((sheet) => (
          <li key={sheet.title}>{sheet.title}</li>
        ))}
      </ol>
      {sheets.map((sheet) => (
        <section
          key={sheet.title}
          className="mt-8 border-t border-ink pt-4 print:mt-0 print:break-before-page print:border-none"
          aria-label={sheet.title}
        >
          <SheetBody sheet={sheet} line={page.line} />
        </section>
      ))}
    </article>
  );
}
