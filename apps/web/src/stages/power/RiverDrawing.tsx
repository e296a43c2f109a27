import { quantity, current } from '@wired-falcon/core';
import { useMemo } from 'react';
import type { ItemId, ScenarioReport } from '@wired-falcon/core';
import { railColour } from './railColour.ts';
import { BOX, flowWidth, riverLayout, type RiverBox } from './riverLayout.ts';
import { stateText } from './powerWords.ts';

interface RiverDrawingProps {
  readonly report: ScenarioReport;
  readonly chosen: ItemId | undefined;
  readonly onChoose: (item: ItemId) => void;
}

const MARGIN = 12;

/** From the supplies to the loads, left to right: width is current, the label is voltage, the colour is the rail. */
export function RiverDrawing({ report, chosen, onChoose }: RiverDrawingProps) {
  const river = useMemo(() => riverLayout(report), [report]);
  const largestA = Math.max(0, ...river.boxes.map(({ amps }) => amps));
  return (
    <svg
      role="group"
      aria-label="Power river"
      width={river.width + 2 * MARGIN}
      height={river.height + 2 * MARGIN}
      viewBox={`${-MARGIN} ${-MARGIN} ${river.width + 2 * MARGIN} ${river.height + 2 * MARGIN}`}
    >
      {river.boxes.map((box) => (
        <Flow key={box.line.device} box={box} largestA={largestA} onChoose={() => onChoose(box.line.item)} />
      ))}
      {river.boxes.map((box) => (
        <FlowLabel key={box.line.device} box={box} largestA={largestA} />
      ))}
      {river.boxes.map((box) => (
        <Box key={box.line.device} box={box} isChosen={box.line.item === chosen} onChoose={() => onChoose(box.line.item)} />
      ))}
    </svg>
  );
}

/** Choosing a flow chooses what it feeds, and with it the wires on the way; by keyboard its box does the same. */
function Flow({ box, largestA, onChoose }: { readonly box: RiverBox; readonly largestA: number; readonly onChoose: () => void }) {
  const { from } = box;
  if (from === undefined) return null;
  const [x1, y1] = [from.x + BOX.width, from.y + BOX.height / 2];
  const [x2, y2] = [box.x, box.y + BOX.height / 2];
  const width = flowWidth(box.amps, largestA);
  const bend = (x2 - x1) * 0.5;
  const path = `M${x1} ${y1}C${x1 + bend} ${y1} ${x2 - bend} ${y2} ${x2} ${y2}`;
  return (
    <g className="cursor-pointer" onClick={onChoose} data-flow={`${box.line.ref}.${box.line.element}`}>
      <path d={path} fill="none" stroke="transparent" strokeWidth={Math.max(width, 12)} />
      <path d={path} fill="none" stroke="var(--color-ink)" strokeWidth={width + 1.5} />
      <path
        d={path}
        fill="none"
        stroke={railColour(from.line.volts)}
        strokeWidth={width}
        strokeDasharray={box.amps > 1e-4 ? undefined : '2 3'}
      />
    </g>
  );
}

function FlowLabel({ box, largestA }: { readonly box: RiverBox; readonly largestA: number }) {
  if (box.from === undefined) return null;
  const width = flowWidth(box.amps, largestA);
  const [x2, y2] = [box.x, box.y + BOX.height / 2];
  return (
    <text
      x={x2 - 4}
      y={y2 - Math.max(4, width / 2 + 3)}
      textAnchor="end"
      fontFamily="var(--font-mono)"
      fontSize={10.5}
      fill="var(--color-ink)"
      stroke="var(--color-sheet)"
      strokeWidth={3}
      paintOrder="stroke"
    >
      {current(box.amps)}
    </text>
  );
}

function Box({ box, isChosen, onChoose }: { readonly box: RiverBox; readonly isChosen: boolean; readonly onChoose: () => void }) {
  const { line } = box;
  const isWell = line.state === 'on' || line.state === 'off' || line.state === 'standing by';
  return (
    <g
      role="button"
      tabIndex={0}
      aria-pressed={isChosen}
      aria-label={`${line.ref} ${line.element}, ${quantity(line.volts, 'V')}, ${current(line.amps)}, ${stateText(line)}`}
      data-device={`${line.ref}.${line.element}`}
      transform={`translate(${box.x} ${box.y})`}
      className="cursor-pointer"
      onClick={onChoose}
      onKeyDown={(event) => {
        if (event.key !== 'Enter' && event.key !== ' ') return;
        event.preventDefault();
        onChoose();
      }}
    >
      <title>{`${line.ref} ${line.label}: ${stateText(line)}`}</title>
      <rect
        width={BOX.width}
        height={BOX.height}
        fill="var(--color-sheet)"
        stroke={isChosen ? 'var(--color-rust)' : 'var(--color-ink)'}
        strokeWidth={isChosen ? 2 : 1}
        strokeDasharray={isWell ? undefined : '4 2'}
      />
      <text x={7} y={13} fontSize={12} fontWeight={700} fill="var(--color-ink)">
        {line.ref}
      </text>
      <text x={BOX.width - 7} y={13} textAnchor="end" fontFamily="var(--font-mono)" fontSize={11.5} fill="var(--color-ink)">
        {quantity(line.volts, 'V')}
      </text>
      <text x={7} y={25} fontSize={10.5} fill={isWell ? 'var(--color-ink2)' : 'var(--color-rust)'} fontWeight={isWell ? 400 : 700}>
        {line.state === 'on' ? line.element : stateText(line)}
      </text>
    </g>
  );
}
