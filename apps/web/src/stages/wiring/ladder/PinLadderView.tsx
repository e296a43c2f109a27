import { useEffect, useState } from 'react';
import { Link, useParams } from 'react-router';
import {
  asId,
  contactJoins,
  nodeNames,
  portLegs,
  repinEdits,
  type Cable,
  type CableEnd,
  type CableId,
  type Graph,
  type NodeId,
  type PinMapPreset,
  type PortLeg,
} from '@wired-falcon/core';
import { paths } from '../../../addresses/paths.ts';
import { useSelection } from '../../../selection/SelectionContext.tsx';
import { useDesign, useGraph, useMake, useSession } from '../../../session/SessionContext.tsx';
import { usePageTitle } from '../../../ui/pageTitle.ts';
import { Ladder } from './Ladder.tsx';

/** Two ends of a cable face to face, with the wires between; joined, disconnected and swapped by pointer or arrow keys. */
export function PinLadderView() {
  const { cable: cableId = '' } = useParams();
  const graph = useGraph();
  const design = useDesign();
  const { select } = useSelection();
  const id = asId<CableId>(cableId);
  const cable = graph.cables[graph.cableIx.get(id) ?? -1];
  const tag = cable?.tag;
  useEffect(() => {
    if (tag !== undefined) select({ is: 'cable', cable: id });
  }, [id, tag, select]);
  usePageTitle(`${design.aircraft.name}, ${tag ?? 'cable'}`);
  const back = (
    <Link className="action" to={paths.wiring(design.aircraft.id)}>
      Back to the sheet
    </Link>
  );
  if (cable === undefined) return <p className="p-6">This cable is no longer in the aircraft. {back}</p>;
  return (
    <div className="px-6 py-5">
      <div className="flex items-center justify-between">
        <h2 className="text-xl font-bold">
          {cable.tag} <span className="font-normal text-ink2">pin ladder</span>
        </h2>
        {back}
      </div>
      <Ends key={cable.id} graph={graph} cable={cable} />
      <p className="mt-3 max-w-prose text-[13px] text-ink2">
        Choose a pin, then its counterpart. Keys: arrows go along and across, Enter chooses, Delete disconnects, x swaps with the next pin,
        c pulls the contact from the housing or fits it, o puts the next end opposite. Check polarity with a meter before the cable meets a
        part.
      </p>
    </div>
  );
}

interface Facing {
  readonly a: NodeId;
  readonly b: NodeId;
}

/** Which of the ends face each other; the others are folded, and told with how many wires lead to them. */
function Ends({ graph, cable }: { readonly graph: Graph; readonly cable: Cable }) {
  const [chosen, setChosen] = useState<Facing>();
  const ends = Object.values(cable.nodes).filter((node): node is CableEnd => node.is === 'end');
  const names = nodeNames(graph, cable);
  const [endA, endB] = facing(cable, ends, chosen);
  if (endA === undefined || endB === undefined)
    return <p className="mt-3 max-w-prose">{cable.tag} has only one end. Add a branch to it first.</p>;
  const face = (a: CableEnd, b: CableEnd): void => setChosen({ a: a.id, b: b.id });
  const choose = (side: 'a' | 'b', id: string): void => {
    const end = ends.find((other) => other.id === id);
    if (end === undefined) return;
    if (side === 'a') face(end, end === endB ? endA : endB);
    else face(end === endA ? endB : endA, end);
  };
  const folded = ends.filter((end) => end !== endA && end !== endB);
  const next = [...ends.slice(ends.indexOf(endB) + 1), ...ends].find((end) => end !== endA && end !== endB);
  const leg = portLegs(graph, cable).find(({ endA: x, endB: y }) => (x === endA && y === endB) || (x === endB && y === endA));
  const head = (side: 'a' | 'b', end: CableEnd) =>
    ends.length < 3 ? (
      <span className="font-bold">{names.get(end.id)}</span>
    ) : (
      <select
        className="field max-w-full font-bold"
        aria-label={side === 'a' ? 'End on the left' : 'End on the right'}
        value={end.id}
        onChange={(event) => choose(side, event.target.value)}
      >
        {ends.map((each) => (
          <option key={each.id} value={each.id}>
            {names.get(each.id)}
          </option>
        ))}
      </select>
    );
  return (
    <>
      {leg !== undefined && <Presets graph={graph} leg={leg} />}
      <Ladder
        key={`${endA.id} ${endB.id}`}
        graph={graph}
        cable={cable}
        ends={{ a: endA, b: endB }}
        heads={{ a: head('a', endA), b: head('b', endB) }}
        onNext={() => next !== undefined && face(endA, next)}
      />
      {folded.length > 0 && (
        <p className="mt-3 flex flex-wrap items-center gap-1.5 text-[13px]">
          <span className="text-ink2">Folded:</span>
          {folded.map((end) => (
            <button
              key={end.id}
              type="button"
              className="action py-0.5 font-normal"
              aria-label={`Show ${names.get(end.id) ?? ''} opposite`}
              onClick={() => face(endA, end)}
            >
              {names.get(end.id)}, {wireCount(contactJoins(cable, endA, end).length)}
            </button>
          ))}
        </p>
      )}
    </>
  );
}

function wireCount(count: number): string {
  return count === 0 ? 'no wire' : count === 1 ? '1 wire' : `${count} wires`;
}

/** The ends that face each other: as chosen, else the first end and the one that most of its wires lead to. */
function facing(cable: Cable, ends: readonly CableEnd[], chosen: Facing | undefined): readonly (CableEnd | undefined)[] {
  const [a, b] = [chosen?.a, chosen?.b].map((id) => ends.find((end) => end.id === id));
  if (a !== undefined && b !== undefined) return [a, b];
  const [first, ...others] = ends;
  if (first === undefined) return [];
  const joins = new Map(others.map((end) => [end, contactJoins(cable, first, end).length]));
  const [most] = [...others].sort((x, y) => (joins.get(y) ?? 0) - (joins.get(x) ?? 0));
  return [first, most];
}

const PRESETS: readonly (readonly [PinMapPreset, string])[] = [
  ['meaning', 'Re-pin by signal'],
  ['straight', 'Straight through'],
  ['mirrored', 'Mirrored'],
  ['supply-pulled', 'Supply pin pulled'],
];

function Presets({ graph, leg }: { readonly graph: Graph; readonly leg: PortLeg }) {
  const make = useMake();
  const session = useSession();
  const take = (preset: PinMapPreset, label: string): void => {
    const edits = repinEdits(graph, leg, preset);
    if (edits.length === 0) session.say(`${leg.cable.tag} already has this pin map.`);
    else make({ kind: 'batch', title: `${label}: ${leg.cable.tag}`, edits });
  };
  return (
    <div className="mt-3 flex flex-wrap gap-1.5">
      {PRESETS.map(([preset, label]) => (
        <button key={preset} type="button" className="action font-normal" onClick={() => take(preset, label)}>
          {label}
        </button>
      ))}
    </div>
  );
}
