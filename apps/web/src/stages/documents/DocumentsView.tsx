import { Link } from 'react-router';
import { documentKinds, writeAircraftFile } from '@wired-falcon/core';
import { paths } from '../../addresses/paths.ts';
import { useDesign, useGraph } from '../../session/SessionContext.tsx';
import { downloadText } from '../../ui/download.ts';

/** Every document that can be made of this aircraft. */
export function DocumentsView() {
  const graph = useGraph();
  const design = useDesign();
  const { aircraft } = design;
  return (
    <div className="px-6 py-5">
      <h2 className="text-lg font-bold">Documents</h2>
      <p className="mt-1 max-w-prose text-ink2">
        Each opens as a page to print, and as CSV for a spreadsheet. They are made from the aircraft as it is now.
      </p>
      <section className="mt-5 border-t border-rule pt-3">
        <h3 className="text-[15px] font-semibold">Booklet</h3>
        <p className="text-[13px] text-ink2">The aircraft as planned: its findings, then every document below, to print at once.</p>
        <Link className="action value mt-2 inline-block" to={paths.booklet(aircraft.id)} aria-label={`Booklet ${aircraft.name}`}>
          {aircraft.name}
        </Link>
      </section>
      {documentKinds.map((kind) => (
        <section key={kind.id} className="mt-5 border-t border-rule pt-3">
          <h3 className="text-[15px] font-semibold">{kind.title}</h3>
          <p className="text-[13px] text-ink2">{kind.summary}</p>
          <ul className="mt-2 flex flex-wrap gap-2">
            {kind.subjects(graph).map((subject) => (
              <li key={subject.id}>
                <Link
                  className="action value inline-block"
                  to={paths.document(aircraft.id, kind.id, subject.id)}
                  aria-label={`${kind.title} ${subject.title}`}
                >
                  {subject.title}
                </Link>
              </li>
            ))}
            {kind.subjects(graph).length === 0 && <li className="text-ink2">No data for it yet.</li>}
          </ul>
        </section>
      ))}
      <section className="mt-5 border-t border-rule pt-3">
        <h3 className="text-[15px] font-semibold">Aircraft file</h3>
        <p className="text-[13px] text-ink2">The whole aircraft with the parts it uses, as JSON. Import it in any hangar.</p>
        <button
          type="button"
          className="action mt-2"
          onClick={() => downloadText(`${aircraft.name}.json`, writeAircraftFile(design), 'application/json')}
        >
          Export {aircraft.name}
        </button>
      </section>
    </div>
  );
}
