import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import { hasShape, jsonOf, PartIdSchema, type PartId } from '@wired-falcon/core';
import { paths } from '../../addresses/paths.ts';
import { ServerRefusal } from '../../session/failure.ts';
import { partsApi } from '../../session/transport.ts';
import { WorkshopHeader } from '../WorkshopHeader.tsx';
import { keptDraft } from '../../partDrafts/draftStore.ts';
import { PartEditor } from './PartEditor.tsx';

/** One part of the workshop's own: what was being changed in this browser, else its newest revision. */
export function PartEditorView() {
  const { id } = useParams();
  if (!hasShape(PartIdSchema, id)) return <p className="p-6">This address does not name a part.</p>;
  return <LoadedEditor key={id} id={id} />;
}

function LoadedEditor({ id }: { readonly id: PartId }) {
  const revisions = useQuery({
    queryKey: ['part', id],
    queryFn: () => partsApi.revisions(id).catch(noneYet),
    gcTime: 0,
  });
  if (revisions.isError) return <Failure sentence={revisions.error.message} />;
  if (revisions.data === undefined) return <p className="p-6 text-ink2">Opening the part ...</p>;
  const [newest] = revisions.data;
  const kept = keptDraft(id);
  const start = kept ?? (newest === undefined ? undefined : { draft: jsonOf(newest.part), base: newest.revision });
  if (start === undefined) return <Failure sentence="The workshop has no such part, and no draft of it is kept in this browser." />;
  return <PartEditor id={id} start={start} isKept={kept !== undefined} revisions={revisions.data} />;
}

/** A part that was never saved has no revisions; that is no failure. */
function noneYet(error: unknown): [] {
  if (error instanceof ServerRefusal && error.status === 404) return [];
  throw error;
}

function Failure({ sentence }: { readonly sentence: string }) {
  return (
    <>
      <WorkshopHeader room="parts" />
      <main className="p-6">
        <h1 className="text-xl font-bold">This part cannot be opened</h1>
        <p className="mt-2 max-w-prose">{sentence}</p>
        <Link className="mt-4 inline-block underline" to={paths.workshopParts()}>
          Back to the parts of the workshop
        </Link>
      </main>
    </>
  );
}
