import { CAUTIONS, radioSetup, type Graph } from '@wired-falcon/core';
import { useReadersUnits } from '../../../ui/readersUnits.ts';

/** What has to be done in the radio and with the receiver, computed from the plan. */
export function SetupList({ graph }: { readonly graph: Graph }) {
  const { read } = useReadersUnits();
  return (
    <section aria-label="Set-up of the radio" className="mt-6">
      <h3 className="text-[15px] font-bold">Set-up of the radio</h3>
      <ol className="mt-1 max-w-[900px] list-decimal pl-5 text-[13px]">
        {radioSetup(graph).map(({ title, text, caution }, i) => (
          <li key={`${title} ${i}`} className="border-b border-rule py-1">
            <span className="font-semibold">{title}.</span> {read(text)}
            {caution !== undefined && CAUTIONS[caution] !== undefined && <span className="block font-semibold">{CAUTIONS[caution]}</span>}
          </li>
        ))}
      </ol>
    </section>
  );
}
