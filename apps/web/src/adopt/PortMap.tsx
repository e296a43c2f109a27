import { mapPort, type Part, type PartPort, type RevisionMap } from '@wired-falcon/core';
import { HeadRow } from '../ui/HeadRow.tsx';

type Row = RevisionMap['ports'][number];

interface PortMapProps {
  readonly from: Part;
  readonly to: Part;
  readonly rows: readonly Row[];
  readonly onRow: (row: Row) => void;
}

/** What each port and pin of a part becomes in the part that takes its place. */
export function PortMap({ from, to, rows, onRow }: PortMapProps) {
  return (
    <table className="mt-3 w-full text-[13px]">
      <HeadRow heads={['Port now', 'Becomes', 'Pins']} />
      <tbody>
        {rows.map((row) => {
          const port = from.ports.find(({ id }) => id === row.from);
          const target = to.ports.find(({ id }) => id === row.to);
          if (port === undefined) return null;
          return (
            <tr key={row.from} className="border-b border-rule align-top">
              <td className="value py-1">{port.label}</td>
              <td className="py-0.5 pr-2">
                <select
                  aria-label={`Port ${port.label} becomes`}
                  className="field value"
                  value={row.to ?? ''}
                  onChange={(event) =>
                    onRow(
                      mapPort(
                        port,
                        to.ports.find(({ id }) => id === event.target.value),
                      ),
                    )
                  }
                >
                  <option value="">nothing</option>
                  {to.ports.map(({ id, label }) => (
                    <option key={id} value={id}>
                      {label}
                    </option>
                  ))}
                </select>
              </td>
              <td className="py-1">{target !== undefined && <PinMap port={port} target={target} row={row} onRow={onRow} />}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

interface PinMapProps {
  readonly port: PartPort;
  readonly target: PartPort;
  readonly row: Row;
  readonly onRow: (row: Row) => void;
}

/** The pins of one port: open where they do not all stay, so that it is looked at. */
function PinMap({ port, target, row, onRow }: PinMapProps) {
  const label = (of: PartPort, n: number | null): string =>
    n === null ? 'nothing' : `${n} ${of.pins.find((pin) => pin.n === n)?.label ?? ''}`;
  const isSame = row.pins.every((pin) => pin.to !== null && label(port, pin.from) === label(target, pin.to));
  const setPin = (from: number, to: number | null): void =>
    onRow({ ...row, pins: row.pins.map((pin) => (pin.from === from ? { from, to } : pin)) });
  return (
    <details open={!isSame}>
      <summary className="min-h-6 cursor-pointer">{isSame ? 'as they are' : 'not all as they are'}</summary>
      {row.pins.map((pin) => (
        <label key={pin.from} className="mt-1 grid grid-cols-[80px_1fr] items-center">
          <span className="value">{label(port, pin.from)}</span>
          <select
            aria-label={`Pin ${label(port, pin.from)} of ${port.label} becomes`}
            className="field value"
            value={pin.to ?? ''}
            onChange={(event) => setPin(pin.from, event.target.value === '' ? null : Number(event.target.value))}
          >
            <option value="">nothing</option>
            {target.pins.map(({ n }) => (
              <option key={n} value={n}>
                {label(target, n)}
              </option>
            ))}
          </select>
        </label>
      ))}
    </details>
  );
}
