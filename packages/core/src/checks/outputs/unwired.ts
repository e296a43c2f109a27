import { pinNode, groupOf, pinsOf, type Graph, type GraphItem } from '../../graph/graph.ts';
import type { SimpleEdit } from '../../edits/registry.ts';
import { outputKey } from '../../model/aircraft.ts';
import { AIRFRAME_KINDS } from '../../model/airframes.ts';
import { OUTPUT_FUNCTIONS, type OutputFunction } from '../../model/outputFunctions.ts';
import type { Endpoint } from '../../model/part.ts';
import type { Check, Remedy, Saying, Subject } from '../finding.ts';

type Output = Extract<Endpoint, { is: 'pulse-out' }>;
type Input = Extract<Endpoint, { is: 'pulse-in' }>;

/** One output of a controller with its function and with what hangs on it. */
interface OutputState {
  readonly output: Output;
  readonly use: OutputFunction | undefined;
  readonly on: readonly { readonly entry: GraphItem; readonly input: Input }[];
  readonly subject: Subject;
  readonly label: string;
}

function outputsOf(graph: Graph, item: number): OutputState[] {
  const entry = graph.items[item];
  return (entry?.part?.endpoints ?? []).flatMap((output): OutputState[] => {
    if (entry === undefined || output.is !== 'pulse-out' || entry.part?.kind !== 'controller') return [];
    const dot = output.pin.lastIndexOf('.');
    const [port, n] = [output.pin.slice(0, dot), Number(output.pin.slice(dot + 1))];
    const label = entry.part.ports.find((candidate) => candidate.id === port)?.label ?? output.id;
    return [
      {
        output,
        use: graph.design.aircraft.outputs[outputKey(entry.item.id, output.id)]?.function,
        on: inputsOn(graph, item, port, n),
        subject: { is: 'pin', item: entry.item.id, port, n },
        label,
      },
    ];
  });
}

function inputsOn(graph: Graph, item: number, port: string, n: number): OutputState['on'] {
  const id = graph.items[item]?.item.id;
  const node = id === undefined ? undefined : pinNode(graph, id, port, n);
  if (node === undefined) return [];
  return pinsOf(graph, graph.wires, groupOf(graph.wires, node)).flatMap(({ at }) => {
    const entry = graph.items[at.item];
    const input = entry?.part?.endpoints.find((endpoint) => endpoint.is === 'pulse-in' && endpoint.pin === `${at.port.id}.${at.pin.n}`);
    return entry === undefined || input?.is !== 'pulse-in' ? [] : [{ entry, input }];
  });
}

/** Outputs that have a function and nothing on them. One note a controller. */
export const outputUnwired: Check = {
  id: 'output.unwired',
  stage: 'outputs',
  title: 'Output with a function and no wire',
  leftToPeople: 'what it drives, only a person knows',
  run: ({ graph }) =>
    graph.items.flatMap(({ item }, ix): Saying[] => {
      const open = outputsOf(graph, ix).filter(({ use, on }) => use !== undefined && on.length === 0);
      if (open.length === 0) return [];
      const names = open.map(({ use, label }) => `${label} (${use === undefined ? '' : OUTPUT_FUNCTIONS[use].title})`);
      return [
        {
          severity: 'note',
          where: open.map(({ subject }) => subject),
          what: `${item.ref} has ${open.length === 1 ? 'an output' : 'outputs'} with a function and nothing on ${open.length === 1 ? 'it' : 'them'}: ${names.join(', ')}.`,
          evidence: names.map((label) => ({ label, value: 'nothing wired' })),
          why: 'What the function stands for does not move.',
          discriminator: item.id,
        },
      ];
    }),
};

/** Outputs on which something is wired and that have no function. One note a controller. */
export const wiredUnassigned: Check = {
  id: 'output.wired-unassigned',
  stage: 'outputs',
  title: 'Wired output without a function',
  run: ({ graph }) =>
    graph.items.flatMap(({ item }, ix): Saying[] => {
      const all = outputsOf(graph, ix);
      const idle = all.filter(({ use, on }) => use === undefined && on.length > 0);
      if (idle.length === 0) return [];
      const names = idle.map(({ label, on }) => `${label} (${on.map(({ entry }) => entry.item.ref).join(', ')})`);
      return [
        {
          severity: 'note',
          where: idle.map(({ subject }) => subject),
          what: `${item.ref} has ${idle.length === 1 ? 'a wired output' : 'wired outputs'} without a function: ${names.join(', ')}.`,
          evidence: names.map((label) => ({ label, value: 'no function' })),
          why: 'The controller gives no pulses there, so that what is wired does nothing.',
          discriminator: item.id,
          remedies: () => assignByName(graph, item.id, all, idle),
        },
      ];
    }),
};

/** Gives every idle output the function that its item is called by, when all of them are called by one that is still free. */
function assignByName(graph: Graph, item: OutputUseItem, all: readonly OutputState[], idle: readonly OutputState[]): Remedy[] {
  const taken = new Set(all.map(({ use }) => use));
  const edits: SimpleEdit[] = [];
  for (const state of idle) {
    const use = functionNamed(graph, state, taken);
    if (use === undefined) return [];
    taken.add(use);
    edits.push({ kind: 'set-output-function', item, output: state.output.id, function: use, was: null });
  }
  const title = `Assign ${edits.length === 1 ? 'the output' : `${edits.length} outputs`} by what hangs on ${edits.length === 1 ? 'it' : 'them'}`;
  return [
    {
      label: 'Assign by name',
      sentence: `${title}: ${edits.map((edit) => ('function' in edit && edit.function !== null ? OUTPUT_FUNCTIONS[edit.function].title : '')).join(', ')}.`,
      edit: { kind: 'batch', title, edits },
    },
  ];
}

type OutputUseItem = GraphItem['item']['id'];

function functionNamed(graph: Graph, { on }: OutputState, taken: ReadonlySet<OutputFunction | undefined>): OutputFunction | undefined {
  const [first] = on;
  if (first === undefined) return undefined;
  const label = (first.entry.item.label ?? '').toLowerCase();
  const wanted = AIRFRAME_KINDS[graph.design.aircraft.airframe.kind].functions.filter((use) => !taken.has(use));
  const fitting = wanted.filter((use) => OUTPUT_FUNCTIONS[use].drives === first.input.use);
  const named = fitting.find((use) => OUTPUT_FUNCTIONS[use].title === label);
  return named ?? (first.input.use === 'motor' && fitting.length === 1 ? fitting[0] : undefined);
}
