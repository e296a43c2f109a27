import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import {
  asId,
  bareStart,
  catalogue,
  dialectKeyOf,
  partKeyOf,
  sampleParts,
  writeAircraftFile,
  type AircraftId,
  type BareStart,
  type DialectKey,
  type PartKey,
} from '@wired-falcon/core';
import { pageAddress } from '../../addresses/paths.ts';
import { makeId } from '../../session/author.ts';
import { hangarApi } from '../../session/transport.ts';
import { dialectsOnOffer, useWorkshopDialects } from '../../session/workshopDialects.ts';
import { useWorkshopParts } from '../../session/workshopParts.ts';
import { DumpInput } from '../../ui/DumpInput.tsx';
import { usePageTitle } from '../../ui/pageTitle.ts';
import { WorkshopHeader } from '../WorkshopHeader.tsx';
import { ProposalView } from './ProposalView.tsx';

/** An aircraft from the dump of a flying one: board, dialect and dump, then what was made of it, then the aircraft. */
export function BareStartView() {
  usePageTitle('Aircraft from a dump');
  const queries = useQueryClient();
  const navigate = useNavigate();
  const dialects = dialectsOnOffer(useWorkshopDialects()).filter(({ text }) => text !== undefined);
  const boards = [...useWorkshopParts().map(({ part }) => part), ...sampleParts].filter(({ kind }) => kind === 'controller');
  const [name, setName] = useState('');
  const [dialect, setDialect] = useState<DialectKey>();
  const [board, setBoard] = useState<PartKey>();
  const [proposal, setProposal] = useState<BareStart>();
  const [problem, setProblem] = useState<string>();
  const chosenDialect = dialects.find((one) => dialectKeyOf(one) === dialect) ?? dialects[0];
  const chosenBoard = boards.find((one) => partKeyOf(one) === board) ?? boards[0];
  const create = useMutation({
    mutationFn: ({ design }: BareStart) => hangarApi.importFile(writeAircraftFile(design)),
    onSuccess: async ({ id }) => {
      await queries.invalidateQueries({ queryKey: ['hangar'] });
      await navigate(pageAddress(id, 'firmware', 'read-back'));
    },
  });
  const propose = (dump: string): void => {
    if (chosenDialect === undefined || chosenBoard === undefined) return;
    const library = { parts: catalogue, dialects: new Map(dialects.map((one) => [dialectKeyOf(one), one])) };
    const begun = bareStart(
      library,
      {
        id: asId<AircraftId>(makeId()),
        name: name.trim() === '' ? 'Aircraft from a dump' : name.trim(),
        dialect: dialectKeyOf(chosenDialect),
        board: chosenBoard,
        dump,
      },
      makeId,
    );
    setProblem('sentence' in begun ? begun.sentence : undefined);
    setProposal('sentence' in begun ? undefined : begun);
  };
  return (
    <div className="grid h-full grid-rows-[auto_minmax(0,1fr)]">
      <WorkshopHeader room="from-dump" />
      <main data-scroll className="min-h-0 overflow-y-auto bg-sheet px-5 py-4">
        <h1 className="text-lg font-bold">Aircraft from a dump</h1>
        <p className="mt-1 max-w-prose text-[13px] text-ink2">
          From the exported configuration of a flying controller and the type of its board: ports, outputs, RC and sensors as in the dump,
          placeholders for the parts connected there, and every other line kept as it is. Replace the placeholders for your parts
          afterwards.
        </p>
        <div className="mt-3 flex flex-wrap gap-4 text-[13px]">
          <label>
            Name
            <input
              className="field mt-0.5 block w-56"
              maxLength={80}
              placeholder="Aircraft from a dump"
              value={name}
              onChange={(event) => setName(event.target.value)}
            />
          </label>
          <label>
            Board
            <select
              className="field mt-0.5 block w-72"
              value={chosenBoard === undefined ? '' : partKeyOf(chosenBoard)}
              onChange={(event) => setBoard(boards.map(partKeyOf).find((key) => key === event.target.value))}
            >
              {boards.map((part) => (
                <option key={partKeyOf(part)} value={partKeyOf(part)}>
                  {part.name}
                </option>
              ))}
            </select>
          </label>
          <label>
            Dialect
            <select
              className="field mt-0.5 block w-56"
              value={chosenDialect === undefined ? '' : dialectKeyOf(chosenDialect)}
              onChange={(event) => setDialect(dialects.map(dialectKeyOf).find((key) => key === event.target.value))}
            >
              {dialects.map((one) => (
                <option key={dialectKeyOf(one)} value={dialectKeyOf(one)}>
                  {one.name}
                </option>
              ))}
            </select>
          </label>
        </div>
        <DumpInput action="Propose an aircraft" onDump={propose} />
        {[problem, create.error?.message].map((sentence) =>
          sentence === undefined ? null : (
            <p key={sentence} role="alert" className="mt-2 max-w-prose text-[13px] text-rust">
              {sentence}
            </p>
          ),
        )}
        {proposal !== undefined && <ProposalView proposal={proposal} isBusy={create.isPending} onCreate={() => create.mutate(proposal)} />}
      </main>
    </div>
  );
}
