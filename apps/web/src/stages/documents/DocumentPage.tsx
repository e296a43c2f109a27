import { Link, useParams, useSearchParams } from 'react-router';
import { documentKinds, sheetToCsv, type DocumentChoice } from '@wired-falcon/core';
import { paths } from '../../addresses/paths.ts';
import { useDesign, useGraph } from '../../session/SessionContext.tsx';
import { downloadText } from '../../ui/download.ts';
import { usePageTitle } from '../../ui/pageTitle.ts';
import { NumberedPlan } from './NumberedPlan.tsx';
import { SheetBody } from './SheetBody.tsx';
import { usePageLine } from '../../session/usePageLine.tsx';

/** One document as a page, ready to print. */
export function DocumentPage() {
  const { kind: kindId, subject = '' } = useParams();
  const graph = useGraph();
  const design = useDesign();
  const [params, setParams] = useSearchParams();
  const kind = documentKinds.find((candidate) => candidate.id === kindId);
  const choices = kind?.choices ?? [];
  const chosen = Object.fromEntries(choices.map((choice) => [choice.id, valueOf(choice, params.get(choice.id))]));
  const sheet = kind?.build(graph, subject, chosen);
  const { aircraft } = design;
  const page = usePageLine();
  usePageTitle(`${aircraft.name}, ${sheet?.title ?? 'document'}`);
  if (sheet === undefined) {
    return (
      <p className="p-6">
        The subject of this document is no longer in the aircraft. <Link to={paths.documents(aircraft.id)}>Back to the documents</Link>
      </p>
    );
  }
  return (
    <article className="print-plain mx-auto max-w-[920px] px-6 py-5" data-testid="document">
      {page.style}
      <div className="no-print mb-4 flex items-center gap-2">
        <Link className="action" to={paths.documents(aircraft.id)}>
          All documents
        </Link>
        <button type="button" className="action action-main" onClick={() => window.print()}>
          Print
        </button>
        <button
          type="button"
          className="action"
          onClick={() => downloadText(`${aircraft.name} ${sheet.title}.csv`, sheetToCsv(sheet), 'text/csv;charset=utf-8')}
        >
          CSV
        </button>
        {choices.map((choice) => (
          <label key={choice.id} className="ml-3 flex items-center gap-1.5">
            {choice.label}
            <input
              className="field value w-16"
              type="number"
              min={choice.min}
              max={choice.max}
              value={chosen[choice.id]}
              onChange={(event) => setParams({ ...Object.fromEntries(params), [choice.id]: event.target.value }, { replace: true })}
            />
            {choice.unit}
          </label>
        ))}
      </div>
      <SheetBody sheet={sheet} line={page.line} picture={kindId === 'placement' ? <NumberedPlan graph={graph} /> : undefined} />
    </article>
  );
}

/** What stands in the address, when it is a number in range. */
function valueOf(choice: DocumentChoice, text: string | null): number {
  const value = text === null || text === '' ? choice.default : Number(text);
  return Number.isFinite(value) ? Math.min(choice.max, Math.max(choice.min, value)) : choice.default;
}
