import { useState } from 'react';
import { useSearchParams } from 'react-router';
import { sheetToCsv, type FaultLine, type Graph, type ScenarioReport } from '@wired-falcon/core';
import { useSelection, type Selection } from '../../selection/SelectionContext.tsx';
import { useDesign, useGraph, useSession } from '../../session/SessionContext.tsx';
import { downloadText } from '../../ui/download.ts';
import { useFollower } from '../../workers/FollowerContext.tsx';
import type { currents, netlist } from './calculators.ts';
import { FailChoices, type FailSubject } from './FailChoices.tsx';
import { FaultTable } from './FaultTable.tsx';
import { usePower } from './PowerFrame.tsx';
import { costText, isTroubled, situationText } from './powerWords.ts';
import { RiverDrawing } from './RiverDrawing.tsx';
import { riverLayout } from './riverLayout.ts';
import { SupplyTable } from './SupplyTable.tsx';
import { NotComputed } from '../../ui/NotComputed.tsx';
import { useFaults, useFaultyReport, type SweepState } from './useFaults.ts';

const FIRST = 'cruise';

/** What feeds what, in every situation that the aircraft gets into. */
export function PowerView() {
  const design = useDesign();
  const graph = useGraph();
  const power = usePower();
  const follower = useFollower();
  const session = useSession();
  const faults = useFaults();
  const [chosen, setChosen] = useState<FaultLine>();
  const fault = faultNow(faults.state, chosen);
  const { selection, select } = useSelection();
  const [params, setParams] = useSearchParams();
  const id = params.get('situation') ?? FIRST;
  const setId = (next: string): void => setParams({ situation: next }, { replace: true });
  const faulty = useFaultyReport(id, fault?.id);
  if (power === undefined) return <p className="p-6 text-ink2">Solving every situation ...</p>;
  const { scenarios } = power.answer;
  const intact = scenarios.find((scenario) => scenario.id === id) ?? scenarios[0];
  const report = fault === undefined ? intact : (faulty.report ?? intact);
  const hasSupply = scenarios.some(({ supplies }) => supplies.some(({ is }) => is === 'battery' || is === 'source'));
  if (report === undefined || !hasSupply) return <EmptyPower />;
  const subject = subjectOf(graph, selection);
  const saveNetlist = async (): Promise<void> => {
    const reply = await follower.once<typeof netlist>('power.netlist', report.id);
    if (reply.is === 'failed') return session.say(`The netlist could not be made. The error: ${reply.sentence}`);
    if (reply.is === 'answer' && reply.answer !== undefined)
      downloadText(`${design.aircraft.name}, ${report.title.toLowerCase()}.cir`, reply.answer, 'text/plain');
  };
  const saveCurrents = async (): Promise<void> => {
    const reply = await follower.once<typeof currents>('power.currents', report.id);
    if (reply.is === 'failed') return session.say(`The sheet of currents could not be made. The error: ${reply.sentence}`);
    if (reply.is !== 'answer' || reply.answer === undefined) return;
    downloadText(`${design.aircraft.name}, ${reply.answer.title.toLowerCase()}.csv`, sheetToCsv(reply.answer), 'text/csv');
  };
  return (
    <div className="px-5 py-3" data-testid="power" data-power-seq={power.seq}>
      <h2 className="sr-only">Power</h2>
      <ScenarioStrip scenarios={scenarios} chosen={report.id} onChoose={setId} />
      <p className="mt-2 text-[13px] text-ink2">
        {report.title}: {situationText(report)}
        {report.stalled !== undefined && `; ${report.stalled} is the worst servo to jam`}.{' '}
        {report.id === 'cruise' && 'Cruise power is an estimate from mass and cruise speed.'}
        {report.id === 'hover' && 'Hover throttle is an estimate from weight and lift propellers.'}
      </p>
      {report.unsettled !== undefined && (
        <p role="alert" className="mt-1 text-rust">
          {report.unsettled} does not settle here: do not trust these figures.
        </p>
      )}
      <NotComputed what="The situation with this fault could not be solved" failure={faulty.failure} />
      {fault !== undefined && (
        <p
          className="mt-2 flex items-center gap-3 border-l-2 border-rust pl-2"
          data-testid="fault-shown"
          data-is-solved={faulty.report !== undefined}
        >
          <span>
            With <b>{fault.names[0]}</b>: {costText(fault)}
          </span>
          <button type="button" className="action" onClick={() => setChosen(undefined)}>
            Clear the fault
          </button>
        </p>
      )}
      <Events report={report} />
      {report.starts.map((sentence) => (
        <p key={sentence} className="mt-1 border-l-2 border-rule pl-2 text-[13px]" data-testid="power-starts">
          {sentence}
        </p>
      ))}
      <div className="mt-3 overflow-x-auto">
        <RiverDrawing
          report={report}
          chosen={selection.is === 'item' ? selection.item : undefined}
          onChoose={(item) => select({ is: 'item', item })}
        />
      </div>
      <FailChoices state={faults.state} subject={subject} chosen={fault?.id} onChoose={setChosen} />
      <Dry report={report} />
      {/* They are of the whole aircraft, so that they wait while a fault is shown. */}
      <div className="mt-3 flex gap-2">
        <button type="button" className="action font-normal" disabled={fault !== undefined} onClick={() => void saveNetlist()}>
          SPICE netlist
        </button>
        <button type="button" className="action font-normal" disabled={fault !== undefined} onClick={() => void saveCurrents()}>
          Currents as CSV
        </button>
      </div>
      <SupplyTable report={report} />
      <FaultTable
        state={faults.state}
        chosen={fault?.id}
        onStop={faults.stop}
        onAgain={faults.again}
        onChoose={(line) => {
          setChosen(line);
          if (line !== undefined) setId(line.scenario);
        }}
      />
    </div>
  );
}

/** What is chosen, as faults name it. */
function subjectOf(graph: Graph, selection: Selection): FailSubject | undefined {
  if (selection.is === 'cable') {
    const tag = graph.design.aircraft.cables[selection.cable]?.tag;
    return tag === undefined ? undefined : { name: tag, tags: [] };
  }
  const item = selection.is === 'item' ? graph.itemIx.get(selection.item) : undefined;
  const name = graph.items[item ?? -1]?.item.ref;
  if (item === undefined || name === undefined) return undefined;
  return { name, tags: (graph.cablesAtItem[item] ?? []).flatMap((cable) => graph.cables[cable]?.tag ?? []) };
}

/** The chosen fault as the newest sweep has it: a wire that is no longer there cannot fail. */
function faultNow(state: SweepState, chosen: FaultLine | undefined): FaultLine | undefined {
  return state.is === 'done' ? state.sweep.lines.find(({ id }) => id === chosen?.id) : chosen;
}

interface ScenarioStripProps {
  readonly scenarios: readonly ScenarioReport[];
  readonly chosen: string;
  readonly onChoose: (id: string) => void;
}

function ScenarioStrip({ scenarios, chosen, onChoose }: ScenarioStripProps) {
  return (
    <div role="group" aria-label="Situation" className="flex flex-wrap gap-x-1 gap-y-1 border-b border-ink pb-1.5">
      {scenarios.map((scenario) => (
        <button
          key={scenario.id}
          type="button"
          aria-pressed={scenario.id === chosen}
          className={`min-h-6 px-2 py-0.5 text-[13px] ${scenario.id === chosen ? 'bg-ink font-semibold text-sheet' : ''}`}
          onClick={() => onChoose(scenario.id)}
        >
          {scenario.title}
          {isTroubled(scenario) && (
            <span className={scenario.id === chosen ? '' : 'font-semibold text-rust'} title="Something fails or is under-voltage here">
              {' '}
              !<span className="sr-only"> something fails</span>
            </span>
          )}
        </button>
      ))}
    </div>
  );
}

function Events({ report }: { readonly report: ScenarioReport }) {
  return (
    <ol className="mt-1 text-[13px]" data-testid="power-events" aria-label="What fails, in order">
      {report.events.map((sentence, i) => (
        <li key={i} className="border-l-2 border-rust pl-2">
          {sentence}
        </li>
      ))}
    </ol>
  );
}

/** Loads that no current reaches, and those that are fed the wrong way round. */
function Dry({ report }: { readonly report: ScenarioReport }) {
  const refs = (lines: readonly { readonly ref: string }[]): string => [...new Set(lines.map(({ ref }) => ref))].join(', ');
  const reversed = report.loads.filter(({ state }) => state === 'reversed');
  const dry = riverLayout(report).dry.filter(({ state }) => state !== 'reversed');
  return (
    <div className="mt-2 text-[13px]" data-testid="power-dry">
      {reversed.length > 0 && <p className="font-semibold text-rust">Powered in reverse: {refs(reversed)}. Do not apply power.</p>}
      {dry.length > 0 && <p>Unpowered in this situation: {refs(dry)}.</p>}
    </div>
  );
}

function EmptyPower() {
  return (
    <div className="px-6 py-5" data-testid="power">
      <h2 className="text-lg font-bold">Power</h2>
      <p className="mt-1 max-w-prose text-ink2">
        This page shows what feeds what, with every voltage and current, in each situation from USB on the bench to a jammed servo. It needs
        a supply: add a battery, for example with <span className="value">/ add battery lipo 4s</span>, and wire it.
      </p>
    </div>
  );
}
