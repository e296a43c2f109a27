import type { SheetBox, SheetModel } from './sheetModel.ts';

/**
 * The wiring sheet as the input of a layered-graph engine, and its answer read back. The JSON is the engine's own form
 * (nodes with ports at fixed places, one edge a conductor); the engine itself runs elsewhere.
 */
export interface EngineGraph {
  readonly id: string;
  readonly layoutOptions: Readonly<Record<string, string>>;
  readonly children: EngineNode[];
  readonly edges: EngineEdge[];
}
interface EngineNode {
  readonly id: string;
  readonly width: number;
  readonly height: number;
  readonly layoutOptions: Readonly<Record<string, string>>;
  readonly ports: {
    readonly id: string;
    readonly x: number;
    readonly y: number;
    readonly width: number;
    readonly height: number;
    readonly layoutOptions: Readonly<Record<string, string>>;
  }[];
}
interface EngineEdge {
  readonly id: string;
  readonly sources: string[];
  readonly targets: string[];
}

/** The part of the engine's answer that is read. */
export interface EngineAnswer {
  readonly width?: number;
  readonly height?: number;
  readonly children?: readonly { readonly id: string; readonly x?: number; readonly y?: number }[];
  readonly edges?: readonly {
    readonly id: string;
    readonly sections?: readonly { readonly startPoint: Point; readonly endPoint: Point; readonly bendPoints?: readonly Point[] }[];
  }[];
}
export interface Point {
  readonly x: number;
  readonly y: number;
}

/** Where everything is, in sheet units. */
export interface SheetLayout {
  readonly width: number;
  readonly height: number;
  readonly boxes: ReadonlyMap<string, Point>;
  /** The corners of each wire, ends included, by the wire's id. */
  readonly wires: ReadonlyMap<string, readonly Point[]>;
}

const OPTIONS: Readonly<Record<string, string>> = {
  'elk.algorithm': 'layered',
  'elk.direction': 'RIGHT',
  'elk.edgeRouting': 'ORTHOGONAL',
  'elk.partitioning.activate': 'true',
  'elk.randomSeed': '1',
  'elk.padding': '[top=16,left=16,bottom=16,right=16]',
  'elk.spacing.nodeNode': '12',
  'elk.layered.spacing.nodeNodeBetweenLayers': '34',
  'elk.layered.spacing.edgeEdgeBetweenLayers': '7',
  'elk.layered.spacing.edgeNodeBetweenLayers': '16',
  'elk.layered.nodePlacement.strategy': 'NETWORK_SIMPLEX',
  'elk.layered.crossingMinimization.strategy': 'LAYER_SWEEP',
  'elk.layered.thoroughness': '20',
  'elk.separateConnectedComponents': 'false',
};

/** What to give to the engine. Equal models give equal input, so that equal documents give equal pictures. */
export function engineGraph(model: SheetModel): EngineGraph {
  const leftmost = Math.min(0, ...model.boxes.map((box) => box.column));
  return {
    id: 'sheet',
    layoutOptions: OPTIONS,
    children: model.boxes.map((box) => engineNode(box, leftmost)),
    edges: model.wires.map((wire) => ({ id: wire.id, sources: [wire.from], targets: [wire.to] })),
  };
}

function engineNode(box: SheetBox, leftmost: number): EngineNode {
  return {
    id: box.item,
    width: box.width,
    height: box.height,
    layoutOptions: {
      'elk.portConstraints': 'FIXED_POS',
      'elk.partitioning.partition': String(box.column - leftmost),
    },
    ports: box.pins.map((pin) => ({
      id: pin.key,
      x: pin.side === 'left' ? 0 : box.width,
      y: pin.y,
      width: 0,
      height: 0,
      layoutOptions: { 'elk.port.side': pin.side === 'left' ? 'WEST' : 'EAST' },
    })),
  };
}

/** Reads the engine's answer. What it did not place is left out. */
export function readLayout(answer: EngineAnswer): SheetLayout {
  const boxes = new Map<string, Point>();
  for (const node of answer.children ?? []) boxes.set(node.id, { x: node.x ?? 0, y: node.y ?? 0 });
  const wires = new Map<string, readonly Point[]>();
  for (const edge of answer.edges ?? []) {
    const points = (edge.sections ?? []).flatMap((section) => [section.startPoint, ...(section.bendPoints ?? []), section.endPoint]);
    wires.set(edge.id, points);
  }
  return { width: answer.width ?? 0, height: answer.height ?? 0, boxes, wires };
}
