import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { SEVERITIES, momentText } from '@wired-falcon/core';
import type { HangarEntry } from '@wired-falcon/contract';
import { paths } from '../../addresses/paths.ts';
import { failureOf } from '../../session/failure.ts';
import { KeyForm } from '../../session/KeyForm.tsx';
import { hangarApi } from '../../session/transport.ts';
import { FileButton } from '../../ui/FileButton.tsx';
import { usePageTitle } from '../../ui/pageTitle.ts';
import { SeverityMark } from '../../ui/SeverityMark.tsx';

const CHECKING_MS = 400;

/** The workshop's aircraft: what each holds, what its checks say, when it was changed. */
export function HangarView() {
  usePageTitle('Hangar');
  const hangar = useQuery({
    queryKey: ['hangar'],
    queryFn: hangarApi.list,
    gcTime: 0,
    refetchInterval: ({ state }) => (state.data?.some(({ checked }) => checked.is === 'checking') === true ? CHECKING_MS : false),
  });
  return (
    <div className="min-h-full">
      <header className="flex h-10 items-center gap-4 border-b border-ink px-4">
        <h1 className="text-[17px] font-bold">Wired Falcon</h1>
        <span className="text-ink2">hangar</span>
        <span className="grow" />
        <Link className="underline" to={paths.workshopParts()}>
          Parts of the workshop
        </Link>
        <Link className="underline" to={paths.workshopDialects()}>
          Dialects of the workshop
        </Link>
        <Link className="underline" to={paths.fromDump()}>
          Aircraft from a dump
        </Link>
      </header>
      <main className="mx-auto max-w-[1080px] px-4 py-6">
        <div className="flex items-start justify-between gap-8">
          <div>
            <h2 className="text-2xl font-bold">Hangar</h2>
            <p className="mt-1 max-w-prose text-ink2">
              Every aircraft of this workshop. Open one to wire it; its findings are in its margin.
            </p>
          </div>
          <NewAircraft />
        </div>
        {hangar.isError && (
          <div className="mt-6">
            <p className="mb-3 text-rust">{hangar.error.message}</p>
            {failureOf(hangar.error).is === 'key' && <KeyForm onTaken={() => void hangar.refetch()} />}
          </div>
        )}
        {hangar.isPending && <p className="mt-6 text-ink2">Opening the hangar ...</p>}
        {hangar.data?.length === 0 && (
          <p className="mt-6">
            There is no aircraft yet. Name one above; then add its parts, for example with the entry line: "add controller".
          </p>
        )}
        {hangar.data !== undefined && hangar.data.length > 0 && <HangarTable entries={hangar.data} />}
        <p className="mt-8 max-w-prose text-[12.5px] text-ink2">
          Wired Falcon computes from sample values and from what you enter. Check its values against your parts. Local electrical codes,
          radio and aviation rules and licensed practice come first.
        </p>
      </main>
    </div>
  );
}

function HangarTable({ entries }: { readonly entries: readonly HangarEntry[] }) {
  return (
    <table className="mt-6 w-full border-t border-ink" data-testid="hangar">
      <thead>
        <tr className="border-b border-rule text-left text-[13px] text-ink2">
          <th className="py-1.5 font-semibold">Aircraft</th>
          <th className="text-right font-semibold">Items</th>
          <th className="text-right font-semibold">Cables</th>
          <th className="pl-10 font-semibold">Findings</th>
          <th className="text-right font-semibold">Edits</th>
          <th className="text-right font-semibold">Last change</th>
        </tr>
      </thead>
      <tbody>
        {entries.map((entry) => (
          <tr key={entry.id} className="border-b border-rule">
            <td className="py-2">
              <Link
                className="text-[16px] font-semibold underline decoration-rule underline-offset-4 hover:decoration-ink"
                to={paths.wiring(entry.id)}
              >
                {entry.name}
              </Link>
            </td>
            <td className="value text-right">{entry.checked.is === 'checked' && entry.checked.items}</td>
            <td className="value text-right">{entry.checked.is === 'checked' && entry.checked.cables}</td>
            <td className="pl-10">
              <Findings entry={entry} />
            </td>
            <td className="value text-right">{entry.version}</td>
            <td className="value text-right">{momentText(entry.updatedAt)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Findings({ entry }: { readonly entry: HangarEntry }) {
  const { checked } = entry;
  if (checked.is === 'checking') return <span className="text-ink2">checking ...</span>;
  if (checked.is === 'problem') return <span className="text-[13px] text-rust">{checked.sentence}</span>;
  const present = SEVERITIES.filter((severity) => checked.findings[severity] > 0);
  if (present.length === 0) return <span className="text-ink2">none</span>;
  return (
    <span className="flex gap-4">
      {present.map((severity) => (
        <span key={severity} className="flex items-center gap-1.5">
          <SeverityMark severity={severity} silent /> <span className="value">{checked.findings[severity]}</span> {severity}
        </span>
      ))}
    </span>
  );
}

function NewAircraft() {
  const [name, setName] = useState('');
  const [problem, setProblem] = useState('');
  const navigate = useNavigate();
  const queries = useQueryClient();
  const open = async ({ id }: { id: HangarEntry['id'] }): Promise<void> => {
    await queries.invalidateQueries({ queryKey: ['hangar'] });
    await navigate(paths.wiring(id));
  };
  const onError = (error: Error): void => setProblem(error.message);
  const create = useMutation({ mutationFn: hangarApi.create, onSuccess: open, onError });
  const importing = useMutation({ mutationFn: hangarApi.importFile, onSuccess: open, onError });
  return (
    <form
      className="shrink-0"
      onSubmit={(event) => {
        event.preventDefault();
        if (name.trim() !== '') create.mutate(name.trim());
      }}
    >
      <label className="block text-[13px] text-ink2" htmlFor="new-name">
        New aircraft
      </label>
      <div className="mt-1 flex gap-2">
        <input id="new-name" className="field w-52" value={name} maxLength={80} onChange={(event) => setName(event.target.value)} />
        <button type="submit" className="action action-main" disabled={name.trim() === '' || create.isPending}>
          Create
        </button>
        <FileButton label="Import a file" fileLabel="Aircraft file" onText={(text) => importing.mutate(text)} />
      </div>
      {problem !== '' && (
        <p role="alert" className="mt-2 max-w-[420px] text-[13px] text-rust">
          {problem}
        </p>
      )}
    </form>
  );
}
