import { Link, useParams } from 'react-router';
import { documentKinds, sheetToCsv, WIRE_COLOURS, type Column, type Sheet } from '@wired-falcon/core';
import { paths } from '../../app/paths.ts';
import { useGraph, useSessionState } from '../../session/SessionContext.tsx';
import { downloadText } from '../../ui/download.ts';
import { usePageTitle } from '../../ui/pageTitle.ts';
import { Swatch } from '../../ui/Swatch.tsx';

/** One document as a page, ready to print. */
export function DocumentPage() {
  const { kind: kindId, subject = '' } = useParams();
  const graph = useGraph();
  const { design, version } = useSessionState();
  const sheet = documentKinds.find((kind) => kind.id === kindId)?.build(graph, subject);
  const { aircraft } = design;
  usePageTitle(`${aircraft.name}, ${sheet?.title ?? 'document'}`);
  if (sheet === undefined) {
    return (
      <p className="p-6">
        What this document was about is no longer in the aircraft. <Link to={paths.documents(aircraft.id)}>Back to the documents</Link>
      </p>
    );
  }
  const today = new Date().toLocaleDateString('en-GB', { dateStyle: 'medium' });
  const line = `${aircraft.name}, after ${version === 1 ? '1 edit' : `${version} edits`}, ${today}`;
  return (
    <article className="print-plain mx-auto max-w-[920px] px-6 py-5" data-testid="document">
      <style>{`@page { @bottom-left { content: ${JSON.stringify(line)}; font-family: 'IBM Plex Mono', monospace; font-size: 9pt; } }`}</style>
      <div className="no-print mb-4 flex gap-2">
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
      </div>
      <h2 className="text-xl font-bold">{sheet.title}</h2>
      <p>{sheet.subtitle}</p>
      <p className="value mt-1 text-ink2">{line}</p>
      {sheet.cautions.map((caution) => (
        <p key={caution} className="mt-3 border-l-2 border-rust pl-2">
          {caution}
        </p>
      ))}
      <SheetTable sheet={sheet} />
      <ul className="mt-3 text-[13px]">
        {sheet.notes.map((note) => (
          <li key={note}>{note}</li>
        ))}
      </ul>
    </article>
  );
}

function SheetTable({ sheet }: { readonly sheet: Sheet }) {
  return (
    <table className="mt-4 w-full border-t border-ink text-[13px]">
      <thead>
        <tr className="border-b border-ink text-left">
          {sheet.columns.map((column) => (
            <th key={column.title} className={`py-1 pr-3 font-semibold ${column.kind === 'number' ? 'text-right' : ''}`}>
              {column.title}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {sheet.rows.map((row, i) => (
          <tr key={i} className="border-b border-rule align-top">
            {row.map((cell, j) => (
              <Cell key={j} text={cell} kind={sheet.columns[j]?.kind ?? 'words'} />
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Cell({ text, kind }: { readonly text: string; readonly kind: Column['kind'] }) {
  const colour = WIRE_COLOURS.find((candidate) => candidate === text);
  return (
    <td className={`py-1 pr-3 ${kind === 'number' ? 'value text-right' : kind === 'value' ? 'value' : ''}`}>
      {kind === 'colour' && colour !== undefined ? (
        <span className="flex items-center gap-1.5">
          <Swatch colour={colour} /> {text}
        </span>
      ) : (
        text
      )}
    </td>
  );
}
