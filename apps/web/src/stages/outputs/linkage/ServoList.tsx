import {
  decimals,
  forceOfServo,
  OUTPUT_FUNCTIONS,
  quantity,
  throwMm,
  travelOfServo,
  type Graph,
  type LinkedServo,
} from '@wired-falcon/core';
import { HeadRow } from '../../../ui/HeadRow.tsx';
import { useReadersUnits } from '../../../ui/readersUnits.ts';
import { WideRegion } from '../../../ui/WideRegion.tsx';

interface ServoListProps {
  readonly graph: Graph;
  readonly servos: readonly LinkedServo[];
  readonly chosen: LinkedServo;
  readonly onChoose: (ref: string) => void;
}

/** All servos with what their linkage comes to; one is chosen. */
export function ServoList({ graph, servos, chosen, onChoose }: ServoListProps) {
  return (
    <WideRegion label="Servos">
      <table className="mt-2 text-[12.5px]">
        <HeadRow heads={['Servo', 'Moves', 'Up', 'Down', 'deg per us', 'Torque margin']} cell="pr-4" />
        <tbody>
          {servos.map((linked) => (
            <ServoRow key={linked.entry.item.id} graph={graph} linked={linked} isChosen={linked === chosen} onChoose={onChoose} />
          ))}
        </tbody>
      </table>
    </WideRegion>
  );
}

interface ServoRowProps {
  readonly graph: Graph;
  readonly linked: LinkedServo;
  readonly isChosen: boolean;
  readonly onChoose: (ref: string) => void;
}

function ServoRow({ graph, linked, isChosen, onChoose }: ServoRowProps) {
  const { read } = useReadersUnits();
  const { entry, function: name, linkage, surface } = linked;
  const travel = travelOfServo(linked);
  const worst = Math.min(...(forceOfServo(graph, linked)?.margins ?? []).map(({ margin }) => margin));
  const throwWords = (deg: number): string =>
    read([quantity(deg, 'deg'), ...(surface === undefined ? [] : [quantity(throwMm(surface.chordMm, deg), 'mm')])].join(', '));
  return (
    <tr className={`border-b border-rule ${isChosen ? 'bg-grid' : ''}`} data-servo={entry.item.ref}>
      <th scope="row" className="pr-4 text-left">
        <button type="button" aria-pressed={isChosen} className="value min-h-6 px-1 underline" onClick={() => onChoose(entry.item.ref)}>
          {entry.item.ref}
        </button>
      </th>
      <td className="pr-4">{name === undefined ? 'nothing yet' : OUTPUT_FUNCTIONS[name].title}</td>
      {travel === undefined ? (
        <td colSpan={3} className={`pr-4 ${linkage === undefined ? 'text-ink2' : 'text-rust'}`}>
          {linkage === undefined ? 'linkage not entered' : 'does not close'}
        </td>
      ) : (
        <>
          <td className="value pr-4">{throwWords(travel.upDeg)}</td>
          <td className="value pr-4">{throwWords(travel.downDeg)}</td>
          <td className="value pr-4">{decimals(travel.degPerUs, 3)}</td>
        </>
      )}
      <td className={`value pr-4 ${worst < 1 ? 'text-rust' : ''}`}>{Number.isFinite(worst) ? `${decimals(worst, 1)} times` : ''}</td>
    </tr>
  );
}
