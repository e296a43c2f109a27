import { useMemo } from 'react';
import { Link, useParams } from 'react-router';
import { useQuery } from '@tanstack/react-query';
import { dialectTables, sampleDialects, writeDialectFile, type Dialect, type DialectTable } from '@wired-falcon/core';
import { paths } from '../../addresses/paths.ts';
import { dialectsApi } from '../../session/transport.ts';
import { dialectsOnOffer, WORKSHOP_DIALECTS } from '../../session/workshopDialects.ts';
import { downloadText } from '../../ui/download.ts';
import { usePageTitle } from '../../ui/pageTitle.ts';
import { WorkshopHeader } from '../WorkshopHeader.tsx';

/** One dialect, as tables to read and to print. */
export function DialectView() {
  const { id } = useParams();
  const own = useQuery({ queryKey: WORKSHOP_DIALECTS, queryFn: dialectsApi.list });
  const revision = own.data?.find(({ dialect }) => dialect.id === id)?.revision;
  const dialect = dialectsOnOffer(own.data ?? []).find((candidate) => candidate.id === id);
  usePageTitle(dialect?.name ?? 'Dialect');
  if (dialect === undefined) {
    return (
      <>
        <WorkshopHeader room="dialects" />
        <main className="p-6">
          <p>{own.isPending ? 'Opening ...' : 'The workshop has no such dialect.'}</p>
          <Link className="mt-4 inline-block underline" to={paths.workshopDialects()}>
            Dialects of the workshop
          </Link>
        </main>
      </>
    );
  }
  const isSample = sampleDialects.some((sample) => sample === dialect);
  return (
    <div className="print-plain grid h-full grid-rows-[auto_minmax(0,1fr)]">
      <WorkshopHeader room="dialects" name={dialect.name} state={isSample ? 'sample' : `revision ${revision ?? 1}`}>
        <button type="button" className="action no-print" onClick={() => window.print()}>
          Print
        </button>
        <button
          type="button"
          className="action no-print"
          onClick={() => downloadText(`${dialect.id}.dialect.json`, writeDialectFile(dialect), 'application/json')}
        >
          Export
        </button>
      </WorkshopHeader>
      {/* Nothing in the tables takes the keyboard: the page itself does, to be scrolled. */}
      <main tabIndex={0} className="print-plain min-h-0 overflow-y-auto bg-sheet px-5 py-4">
        <p className="max-w-prose text-ink2">{dialect.summary}</p>
        <Tables dialect={dialect} />
      </main>
    </div>
  );
}

function Tables({ dialect }: { readonly dialect: Dialect }) {
  const tables = useMemo(() => dialectTables(dialect), [dialect]);
  return (
    <div className="mt-3 columns-[360px] gap-8">
      {tables.map((table) => (
        <Table key={table.id} table={table} />
      ))}
    </div>
  );
}

function Table({ table: { title, columns, rows } }: { readonly table: DialectTable }) {
  return (
    <table className="mb-6 w-full break-inside-avoid text-[12.5px]">
      <caption className="mb-1 text-left font-semibold">{title}</caption>
      <thead>
        <tr className="border-b border-ink2 text-left text-ink2">
          {columns.map((column) => (
            <th key={column} scope="col" className="pr-3 font-normal">
              {column}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map((cells, row) => (
          <tr key={`${row} ${cells[0] ?? ''}`} className="border-b border-rule align-baseline">
            {cells.map((cell, column) => (
              <td key={columns[column]} className={column === 0 ? 'pr-3' : 'value pr-3'}>
                {cell}
              </td>
            ))}
          </tr>
        ))}
        {rows.length === 0 && (
          <tr>
            <td colSpan={columns.length} className="text-ink2">
              Not known.
            </td>
          </tr>
        )}
      </tbody>
    </table>
  );
}
