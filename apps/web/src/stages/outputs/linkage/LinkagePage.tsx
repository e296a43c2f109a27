import { useMemo } from 'react';
import { useSearchParams } from 'react-router';
import { linkedServos } from '@wired-falcon/core';
import { useGraph } from '../../../session/SessionContext.tsx';
import { usePageLine } from '../../../session/usePageLine.tsx';
import { LinkageDetail } from './LinkageDetail.tsx';
import { LoadedServos } from './LoadedServos.tsx';
import { ServoList } from './ServoList.tsx';

/** How every servo moves its surface: arm, rod and horn to scale, throws, force and trims. */
export function LinkagePage() {
  const graph = useGraph();
  const { style } = usePageLine();
  const servos = useMemo(() => linkedServos(graph), [graph]);
  const [query, setQuery] = useSearchParams();
  const chosen = servos.find(({ entry }) => entry.item.ref === query.get('servo')) ?? servos[0];
  return (
    <section data-scroll className="min-h-0 overflow-y-auto px-5 py-4" aria-label="Linkages" data-testid="linkages">
      {style}
      <h2 className="text-lg font-bold">Linkages</h2>
      {chosen === undefined ? (
        <p className="mt-2 max-w-prose">
          A servo moves its surface by an arm, a rod and a horn. Their holes decide how far it goes, how finely and how strongly. Add a
          servo first: press / and type add servo.
        </p>
      ) : (
        <>
          <ServoList graph={graph} servos={servos} chosen={chosen} onChoose={(ref) => setQuery({ servo: ref }, { replace: true })} />
          <LinkageDetail key={chosen.entry.item.id} graph={graph} linked={chosen} others={servos.filter((one) => one !== chosen)} />
          <LoadedServos graph={graph} />
        </>
      )}
    </section>
  );
}
