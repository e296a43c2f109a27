import { useSelection } from '../../selection/SelectionContext.tsx';
import { findingsAbout } from '../../selection/findingsAbout.ts';
import { useGraph } from '../../session/SessionContext.tsx';
import { useFindings } from '../../workers/FollowerContext.tsx';
import { LongList } from '../../ui/LongList.tsx';
import { NotComputed } from '../../ui/NotComputed.tsx';
import { CableFacts } from '../cable/CableFacts.tsx';
import { FindingCard } from './FindingCard.tsx';
import { useFrameState } from '../FrameState.tsx';
import { ItemFacts } from '../item/ItemFacts.tsx';
import { JoinProposal } from '../pin/JoinProposal.tsx';
import { FreeEnd } from '../pin/FreeEnd.tsx';
import { PickedPin } from '../pin/PickedPin.tsx';

/** What is selected, its facts, and its findings with their remedies; all findings when nothing is selected. */
export function Margin() {
  const { isMarginOpen, toggleMargin } = useFrameState();
  const { selection, clear } = useSelection();
  const { judged, seq, broken, failure } = useFindings();
  const isChecking = seq === 0 && failure === undefined;
  const graph = useGraph();
  if (!isMarginOpen) {
    return (
      <button type="button" className="no-print border-l border-rule px-2 text-ink2" onClick={toggleMargin}>
        <span className="[writing-mode:vertical-rl]">show margin ({isChecking ? 'checking' : `${judged.length} findings`})</span>
      </button>
    );
  }
  const about = findingsAbout(judged, selection);
  const open = about.filter(({ waiver }) => waiver === undefined);
  const accepted = about.filter(({ waiver }) => waiver !== undefined);
  const isPart = about.length !== judged.length;
  return (
    <aside aria-label="Margin" data-scroll className="no-print min-h-0 overflow-y-auto border-l border-rule px-4 py-3">
      <div className="flex justify-between text-[13px] text-ink2">
        <span className="font-semibold">{headingOf(selection.is)}</span>
        {selection.is === 'nothing' ? (
          <button type="button" className="underline" onClick={toggleMargin}>
            hide margin
          </button>
        ) : (
          <button type="button" className="underline" onClick={clear}>
            clear selection
          </button>
        )}
      </div>
      {selection.is === 'item' && <ItemFacts key={selection.item} item={selection.item} graph={graph} />}
      {selection.is === 'cable' && <CableFacts key={selection.cable} cable={selection.cable} graph={graph} />}
      {selection.is === 'pin' && <PickedPin pin={selection.pin} graph={graph} />}
      {selection.is === 'end' && <FreeEnd cable={selection.cable} node={selection.node} graph={graph} />}
      {selection.is === 'join' && <JoinProposal from={selection.from} to={selection.to} graph={graph} />}
      <h3 className="mt-4 border-b border-rule pb-2 text-[13px] font-semibold text-ink2">
        {isChecking ? 'Checking ...' : isPart ? `Findings here: ${open.length} of ${judged.length}` : `Findings: ${open.length}`}
      </h3>
      <NotComputed what="The checks could not run on this version" failure={failure} />
      {broken.map(({ id, title, error }) => (
        <NotComputed key={id} what={`The check "${title}" (${id}) could not run on this version; all others did`} failure={error} />
      ))}
      {open.length === 0 && !isChecking && broken.length === 0 && failure === undefined && (
        <p className="mt-3 text-ink2">{isPart ? 'No findings here.' : 'No findings.'}</p>
      )}
      <LongList
        entries={open}
        keyOf={(entry) => entry.finding.key}
        render={(entry) => <FindingCard judged={entry} />}
        estimate={210}
        testId="findings"
      />
      {accepted.length > 0 && (
        <>
          <h3 className="mt-4 border-b border-rule pb-2 text-[13px] font-semibold text-ink2">Accepted: {accepted.length}</h3>
          <LongList
            entries={accepted}
            keyOf={(entry) => entry.finding.key}
            render={(entry) => <FindingCard judged={entry} />}
            estimate={170}
          />
        </>
      )}
    </aside>
  );
}

function headingOf(is: ReturnType<typeof useSelection>['selection']['is']): string {
  switch (is) {
    case 'nothing':
      return 'Whole aircraft';
    case 'item':
      return 'Selected item';
    case 'cable':
      return 'Selected cable';
    case 'pin':
      return 'Chosen pin';
    case 'end':
      return 'Free end';
    case 'join':
      return 'Two ports to connect';
  }
}
