import { freeSpotFor, OSD_FIELDS, type FieldPlan, type FieldRow, type OsdField } from '@wired-falcon/core';
import { HeadRow } from '../../../ui/HeadRow.tsx';
import { useDesign } from '../../../session/SessionContext.tsx';
import { WideRegion } from '../../../ui/WideRegion.tsx';
import { useRcEdits } from './useRcEdits.ts';

interface FieldListProps {
  readonly plan: FieldPlan;
  readonly onChoose: (field: OsdField) => void;
}

/** Every field with its source, and on which screen it is. */
export function FieldList({ plan, onChoose }: FieldListProps) {
  return (
    <WideRegion label="Fields">
      <table className="mt-4 text-[12.5px]">
        <caption className="text-left text-[15px] font-bold">Fields and their sources</caption>
        <HeadRow heads={['Field', 'Picture', 'Its source', 'Radio', 'Its way to the radio']} cell="pr-5" />
        <tbody>
          {plan.rows.map((row) => (
            <Row key={row.field} plan={plan} row={row} onChoose={onChoose} />
          ))}
        </tbody>
      </table>
    </WideRegion>
  );
}

function Row({ plan: { grid }, row, onChoose }: FieldListProps & { readonly row: FieldRow }) {
  const { setOsdField, setRadioField } = useRcEdits();
  const { osd } = useDesign().aircraft.rc;
  const { field, spot, source, isOnRadio, radioSource } = row;
  const { title, isNeeded } = OSD_FIELDS[field];
  const free = grid === undefined ? undefined : freeSpotFor(field, grid, osd);
  const toggle = (isOn: boolean): void => {
    if (!isOn) setOsdField(field, null);
    else if (free !== undefined) {
      setOsdField(field, free);
      onChoose(field);
    }
  };
  const words = (isThere: boolean, isShown: boolean): string => (isThere ? '' : isShown ? 'font-semibold text-rust' : 'text-ink2');
  return (
    <tr className="h-[26px] border-b border-rule" data-row={field}>
      <th scope="row" className="pr-5 text-left font-normal">
        {title}
        {isNeeded && <span className="text-ink2">, needed</span>}
      </th>
      <td className="pr-5">
        <input
          type="checkbox"
          aria-label={`${title} in the OSD`}
          checked={spot !== undefined}
          disabled={spot === undefined && free === undefined}
          onChange={(event) => toggle(event.target.checked)}
        />
      </td>
      <td className={`pr-5 ${words(source.isThere, spot !== undefined)}`}>{source.words}</td>
      <td className="pr-5">
        <input
          type="checkbox"
          aria-label={`${title} on the radio`}
          checked={isOnRadio}
          onChange={(event) => setRadioField(field, event.target.checked)}
        />
      </td>
      <td className={words(radioSource.isThere, isOnRadio)}>{radioSource.words}</td>
    </tr>
  );
}
