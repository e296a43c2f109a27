import { useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { partKeyOf, percent, type BoardFit, type ItemId, type PartKey } from '@wired-falcon/core';
import { useDesign, useGraph } from '../../session/SessionContext.tsx';
import { partsOnOffer, useWorkshopParts } from '../../session/workshopParts.ts';
import { figures, HeadRow } from '../../ui/HeadRow.tsx';
import { NotComputed } from '../../ui/NotComputed.tsx';
import { useReadersUnits } from '../../ui/readersUnits.ts';
import { useCalculated } from '../../workers/useCalculated.ts';
import type { boards, BoardsAsk } from './calculators.ts';
import { MovePlan } from './MovePlan.tsx';

/** Every controller for this aircraft: what it is short of, what it leaves free, what it costs; and the change to one of them. */
export function BoardsPage() {
  const [params, setParams] = useSearchParams();
  const { items } = useGraph();
  const inAircraft = items.filter(({ item, part }) => part?.kind === 'controller' && item.where === 'aircraft').map(({ item }) => item);
  const [chosen, setChosen] = useState<ItemId>();
  const item = (inAircraft.find(({ id }) => id === chosen) ?? inAircraft[0])?.id ?? null;
  const own = useWorkshopParts();
  const { parts } = useDesign();
  const keys = useMemo(
    () =>
      partsOnOffer(own)
        .filter(({ kind }) => kind === 'controller')
        .map(partKeyOf)
        .filter((key) => parts.has(key)),
    [own, parts],
  );
  const to = keys.find((key) => key === params.get('to'));
  const setTo = (key: PartKey | undefined): void => setParams(key === undefined ? {} : { to: key });
  return (
    <section data-scroll className="print-plain min-h-0 overflow-y-auto px-5 py-4" aria-label="Controllers">
      {to === undefined ? (
        <>
          <h2 className="text-lg font-bold">Controllers for this aircraft</h2>
          <p className="mt-1 max-w-prose text-[13px] text-ink2">
            Each controller of the catalogue and of the workshop as a replacement, best first: fewest links and functions without a port,
            fewest parts without supply, then least work. Choose one to plan the change.
          </p>
          {inAircraft.length > 1 && (
            <label className="no-print mt-2 block text-[13px]">
              Instead of{' '}
              <select
                className="field"
                value={item ?? ''}
                onChange={(event) => setChosen(inAircraft.find(({ id }) => id === event.target.value)?.id)}
              >
                {inAircraft.map(({ id, ref }) => (
                  <option key={id} value={id}>
                    {ref}
                  </option>
                ))}
              </select>
            </label>
          )}
          {inAircraft.length === 0 && (
            <p className="mt-2">No controller is in the aircraft yet: these are what each would carry if it were put in.</p>
          )}
          <Fits item={item} keys={keys} onChoose={setTo} />
        </>
      ) : (
        <MovePlan key={`${item ?? ''} ${to}`} item={item} part={to} onBack={() => setTo(undefined)} />
      )}
    </section>
  );
}

interface FitsProps {
  readonly item: ItemId | null;
  readonly keys: readonly PartKey[];
  readonly onChoose: (key: PartKey) => void;
}

function Fits({ item, keys, onChoose }: FitsProps) {
  const ask = useMemo((): BoardsAsk => ({ item, boards: keys }), [item, keys]);
  const { shown, share, failure } = useCalculated<typeof boards>('brief.boards', ask);
  return (
    <div data-testid="boards" data-seq={shown?.seq ?? 0}>
      <NotComputed what="The controllers could not be compared for this version" failure={failure} />
      {share !== undefined && (
        <p className="mt-2 text-[13px]" role="status">
          Planning the change to each controller: {percent(share)}
        </p>
      )}
      {shown !== undefined && (
        <div className="mt-2 overflow-x-auto" role="region" aria-label="Controllers compared" tabIndex={0}>
          <table className="w-full border-collapse text-[13px]">
            <HeadRow
              cell="pr-3 py-1 align-bottom"
              heads={[
                'Controller',
                'Without a port or output',
                'Without supply',
                'Ports left',
                figures('Grams'),
                figures('Contacts'),
                figures('Cables'),
              ]}
            />
            <tbody>
              {shown.answer.map((fit) => (
                <FitRow key={fit.part} fit={fit} onChoose={onChoose} />
              ))}
            </tbody>
          </table>
        </div>
      )}
    </div>
  );
}

function FitRow({ fit, onChoose }: { readonly fit: BoardFit; readonly onChoose: (key: PartKey) => void }) {
  const { figure } = useReadersUnits();
  const { part, name, isNow, shortNeeded, short, dark, left, massG, contacts, cables } = fit;
  return (
    <tr className="border-b border-rule align-top" data-board={name}>
      <th scope="row" className="py-1 pr-3 text-left font-normal">
        {isNow ? (
          name
        ) : (
          <button
            type="button"
            className="min-h-6 text-left underline"
            aria-label={`Plan the change to ${name}`}
            onClick={() => onChoose(part)}
          >
            {name}
          </button>
        )}
        {isNow && <span className="block text-[12px] text-ink2">in the aircraft now</span>}
      </th>
      <td className="py-1 pr-3">
        {shortNeeded.length + short.length === 0 && 'nothing'}
        {shortNeeded.length > 0 && <span className="block text-rust">{shortNeeded.join(', ')}</span>}
        {short.length > 0 && <span className="block">{short.join(', ')}</span>}
      </td>
      <td className="py-1 pr-3">{dark.length === 0 ? 'nothing' : dark.join(', ')}</td>
      <td className="py-1 pr-3 lg:whitespace-nowrap">
        {left.serial} serial, {left.buses} {left.buses === 1 ? 'bus' : 'buses'}, {left.outputs} {left.outputs === 1 ? 'output' : 'outputs'}
      </td>
      <td className="value py-1 pr-3 text-right">{signed(figure(massG, 'g'), massG)}</td>
      <td className="value py-1 pr-3 text-right">{contacts}</td>
      <td className="value py-1 pr-3 text-right">{cables}</td>
    </tr>
  );
}

function signed(text: string, value: number): string {
  return value > 0 ? `+${text}` : text;
}
