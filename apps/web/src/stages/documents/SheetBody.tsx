import type { ReactNode } from 'react';
import { cellIn, headOf, WIRE_COLOURS, type Column, type Sheet } from '@wired-falcon/core';
import { Swatch } from '../../ui/Swatch.tsx';
import { useReadersUnits } from '../../ui/readersUnits.ts';

interface SheetBodyProps {
  readonly sheet: Sheet;
  readonly line: string;
  /** A drawing that belongs to the sheet, above its rows. */
  readonly picture?: ReactNode;
}

/** One sheet: its head, its cautions, its rows and its notes. */
export function SheetBody({ sheet, line, picture }: SheetBodyProps) {
  const { read } = useReadersUnits();
  return (
    <>
      <h2 className="text-xl font-bold">{sheet.title}</h2>
      <p>{read(sheet.subtitle)}</p>
      <p className="value mt-1 text-ink2">{line}</p>
      {sheet.cautions.map((caution) => (
        <p key={caution} className="mt-3 border-l-2 border-rust pl-2">
          {read(caution)}
        </p>
      ))}
      {picture}
      {sheet.form === 'labels' ? <Labels sheet={sheet} /> : <SheetTable sheet={sheet} />}
      <ul className="mt-3 text-[13px]">
        {sheet.notes.map((note) => (
          <li key={note}>{read(note)}</li>
        ))}
      </ul>
    </>
  );
}

/** Labels to cut out: each text twice, so that it is read from both sides of the wire. */
function Labels({ sheet }: { readonly sheet: Sheet }) {
  return (
    <ul className="mt-4 grid grid-cols-3 gap-0 border-t border-l border-rule">
      {sheet.rows.map(([tag = '', here = '', there = '', flag = ''], i) => (
        <li key={i} className="break-inside-avoid border-r border-b border-rule px-2 py-1 text-[11px] leading-tight">
          {[0, 1].map((side) => (
            <div key={side} className={`py-0.5 ${side === 1 ? 'border-t border-dashed border-rule' : ''}`} aria-hidden={side === 1}>
              <span className="value font-medium">{tag}</span> {here}
              <span className="block text-ink2">to {there}</span>
              {flag !== '' && <span className="block font-semibold">! {flag}</span>}
            </div>
          ))}
        </li>
      ))}
    </ul>
  );
}

function SheetTable({ sheet }: { readonly sheet: Sheet }) {
  const { system } = useReadersUnits();
  return (
    <table className="mt-4 w-full border-t border-ink text-[13px]">
      <thead>
        <tr className="border-b border-ink text-left">
          {sheet.columns.map((column) => (
            <th key={column.title} className={`py-1 pr-3 font-semibold ${column.kind === 'number' ? 'text-right' : ''}`}>
              {headOf(column, system)}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {sheet.rows.map((row, i) => (
          <tr key={i} className="border-b border-rule align-top">
            {row.map((cell, j) => (
              <Cell key={j} text={cellIn(cell, sheet.columns[j]?.unit, system)} kind={sheet.columns[j]?.kind ?? 'words'} />
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
