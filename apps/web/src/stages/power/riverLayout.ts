import type { LoadLine, ScenarioReport, SupplyLine } from '@wired-falcon/core';

export type RiverLine = SupplyLine | LoadLine;

/** A place of the river: a supply, something on the way, or a load. */
export interface RiverBox {
  readonly line: RiverLine;
  readonly x: number;
  readonly y: number;
  /** Undefined for what feeds the river. */
  readonly from: RiverBox | undefined;
  /** What flows into it, in amperes. */
  readonly amps: number;
}

export interface River {
  readonly boxes: readonly RiverBox[];
  readonly width: number;
  readonly height: number;
  /** Those that nothing feeds and that feed nothing: loads in the dark. */
  readonly dry: readonly RiverLine[];
}

export const BOX = { width: 126, height: 30, gapX: 64, gapY: 6 } as const;

/**
 * The river as a tree from the supplies on the left to the loads on the right: each level a column, each load a row, and a
 * supply at the height of the first thing that it feeds.
 */
export function riverLayout(report: ScenarioReport): River {
  const lines = new Map<number, RiverLine>([...report.supplies, ...report.loads].map((line) => [line.device, line] as const));
  const children = new Map<number, { readonly to: number; readonly amps: number }[]>();
  const fed = new Set<number>();
  for (const { from, to, amps } of report.feeds) {
    if (fed.has(to)) continue;
    fed.add(to);
    children.set(from, [...(children.get(from) ?? []), { to, amps }]);
  }
  const boxes: RiverBox[] = [];
  let row = 0;
  let columns = 0;
  const seen = new Set<number>();
  const place = (device: number, column: number, from: RiverBox | undefined, amps: number): void => {
    const line = lines.get(device);
    if (line === undefined || seen.has(device)) return;
    seen.add(device);
    columns = Math.max(columns, column + 1);
    const box: RiverBox = { line, x: column * (BOX.width + BOX.gapX), y: row * (BOX.height + BOX.gapY), from, amps };
    boxes.push(box);
    const below = children.get(device) ?? [];
    if (below.length === 0) row += 1;
    for (const child of below) place(child.to, column + 1, box, child.amps);
  };
  for (const line of report.supplies) {
    const isRoot = !fed.has(line.device) && (line.is === 'battery' || line.is === 'usb' || line.is === 'source');
    if (isRoot && ((line.state !== 'off' && line.state !== 'standing by') || children.has(line.device)))
      place(line.device, 0, undefined, line.amps);
  }
  return {
    boxes,
    width: columns * (BOX.width + BOX.gapX) - BOX.gapX,
    height: row * (BOX.height + BOX.gapY),
    dry: report.loads.filter((line) => !seen.has(line.device)),
  };
}

/** How wide a current is drawn: the largest of the river 22 pixels, nothing thinner than one. */
export function flowWidth(amps: number, largestA: number): number {
  return amps <= 0 || largestA <= 0 ? 1 : Math.max(1, (22 * amps) / largestA);
}
