import { Link } from 'react-router';
import { useQuery } from '@tanstack/react-query';
import { dayText, sampleDialects, writeDialectFile, type Dialect } from '@wired-falcon/core';
import { paths } from '../../addresses/paths.ts';
import { dialectsApi } from '../../session/transport.ts';
import { WORKSHOP_DIALECTS } from '../../session/workshopDialects.ts';
import { downloadText } from '../../ui/download.ts';
import { FileButton } from '../../ui/FileButton.tsx';
import { usePageTitle } from '../../ui/pageTitle.ts';
import { WorkshopHeader } from '../WorkshopHeader.tsx';
import { useDialectIntake, type Intake } from './useDialectIntake.ts';

/** The dialects of the workshop's own, and the samples to begin from. */
export function WorkshopDialectsView() {
  usePageTitle('Dialects of the workshop');
  const own = useQuery({ queryKey: WORKSHOP_DIALECTS, queryFn: dialectsApi.list });
  const intake = useDialectIntake(own.data ?? []);
  return (
    <div className="grid h-full grid-rows-[auto_minmax(0,1fr)]">
      <WorkshopHeader room="dialects">
        <FileButton label="Import a dialect" fileLabel="Dialect file" onText={intake.importText} />
      </WorkshopHeader>
      <main className="min-h-0 overflow-y-auto bg-sheet px-5 py-4">
        <h1 className="text-lg font-bold">Of this workshop</h1>
        <Told intake={intake} />
        {own.isError && <p className="mt-2 text-rust">{own.error.message}</p>}
        {own.data?.length === 0 && (
          <p className="mt-2 max-w-prose text-ink2">
            Nothing yet. A dialect says how one family of firmware writes ports, outputs, functions and modes. Copy the sample closest to
            your firmware, export it, put in your firmware's own numbers and words, and import it; then choose it in an aircraft's Brief.
          </p>
        )}
        <ul className="mt-2 max-w-[880px]" data-testid="own-dialects">
          {(own.data ?? []).map(({ dialect, revision, by, at }) => (
            <Line key={dialect.id} dialect={dialect} words={`revision ${revision}, ${by}, ${dayText(at)}`} intake={intake} />
          ))}
        </ul>
        <h2 className="mt-6 text-lg font-bold">Samples</h2>
        <p className="mt-1 max-w-prose text-[13px] text-ink2">Made up, to start from: they match no real firmware.</p>
        <ul className="mt-2 max-w-[880px]">
          {sampleDialects.map((dialect) => (
            <Line key={dialect.id} dialect={dialect} words={dialect.summary} intake={intake} />
          ))}
        </ul>
      </main>
    </div>
  );
}

/** What became of an import or a copy. */
function Told({ intake: { problem, done } }: { readonly intake: Intake }) {
  if (problem !== undefined)
    return (
      <p role="alert" className="mt-2 max-w-prose text-[13px] text-rust">
        {problem}
      </p>
    );
  return done === undefined ? null : (
    <p role="status" className="mt-2 text-[13px]">
      {done}
    </p>
  );
}

function Line({ dialect, words, intake }: { readonly dialect: Dialect; readonly words: string; readonly intake: Intake }) {
  return (
    <li className="flex items-baseline gap-3 border-b border-rule py-2">
      <Link className="font-semibold underline" to={paths.dialect(dialect.id)}>
        {dialect.name}
      </Link>
      <span className="text-[13px] text-ink2">{words}</span>
      <span className="grow" />
      <button type="button" className="text-[13px] underline" aria-label={`Copy ${dialect.name}`} onClick={() => intake.copy(dialect)}>
        copy
      </button>
      <button
        type="button"
        className="text-[13px] underline"
        aria-label={`Export ${dialect.name}`}
        onClick={() => downloadText(`${dialect.id}.dialect.json`, writeDialectFile(dialect), 'application/json')}
      >
        export
      </button>
    </li>
  );
}
