import { useMemo } from 'react';
import { findPin, joinVerdict, type Graph, type PinAddress, type SheetBox, type SheetPin } from '@wired-falcon/core';
import { useSelection } from '../../selection/SelectionContext.tsx';
import { useFindings } from '../../workers/FollowerContext.tsx';
import type { LaidOutSheet } from './sheetLayout/useSheetLayout.ts';
import { BoxDrawing } from './BoxDrawing.tsx';
import { marksOf } from './findingMarks.ts';
import { stopsOf, tagPlaces } from './sheetPlaces.ts';
import { TagDrawing } from './TagDrawing.tsx';
import { useRoving } from './useRoving.ts';
import { isSamePin } from './usePinPick.ts';
import { WireDrawing, WireMarks } from './WireDrawing.tsx';

interface SheetDrawingProps {
  readonly graph: Graph;
  readonly laidOut: LaidOutSheet;
  readonly picked: PinAddress | undefined;
  readonly onPick: (pin: PinAddress) => void;
  readonly onPoint: (pin: PinAddress | undefined) => void;
}

/** The laid-out sheet as a drawing: wires first, boxes over them, then tags and the marks of findings. */
export function SheetDrawing({ graph, laidOut, picked, onPick, onPoint }: SheetDrawingProps) {
  const { model, layout } = laidOut;
  const { selection, select } = useSelection();
  const { judged } = useFindings();
  const tags = useMemo(() => tagPlaces(model, layout), [model, layout]);
  const stops = useMemo(() => stopsOf(model, layout, tags), [model, layout, tags]);
  const { onKeyDown, stopProps } = useRoving(stops);
  const marks = useMemo(() => marksOf(judged), [judged]);
  const chosenCable = selection.is === 'cable' ? selection.cable : undefined;
  const sortedWires = [...model.wires].sort((a, b) => Number(a.cable === chosenCable) - Number(b.cable === chosenCable));
  const spineX = spineMiddle(model.boxes, layout.boxes);
  return (
    <svg
      role="group"
      aria-label="Wiring sheet"
      viewBox={`0 0 ${layout.width} ${layout.height}`}
      style={{ width: '100%', maxWidth: layout.width }}
      className="h-fit font-sans"
      onKeyDown={onKeyDown}
    >
      {sortedWires.map((wire) => (
        <WireDrawing
          key={wire.id}
          wire={wire}
          points={layout.wires.get(wire.id) ?? []}
          isChosen={wire.cable === chosenCable}
          isFaded={picked !== undefined}
          onChoose={() => select({ is: 'cable', cable: wire.cable })}
        />
      ))}
      {model.boxes.map((box) => {
        const origin = layout.boxes.get(box.item);
        const entry = graph.items[graph.itemIx.get(box.item) ?? -1];
        if (origin === undefined || entry === undefined) return null;
        return (
          <BoxDrawing
            key={box.item}
            box={box}
            entry={entry}
            origin={origin}
            mark={marks.items.get(box.item)}
            isChosen={selection.is === 'item' && selection.item === box.item}
            head={{ ...stopProps(`head ${box.item}`), onChoose: () => select({ is: 'item', item: box.item }) }}
            pinProps={(pin) => ({
              ...stopProps(pin.key),
              isPicked: picked !== undefined && isSamePin(picked, addressOf(pin)),
              isDimmed: picked !== undefined && !goesWith(graph, picked, addressOf(pin)),
              onChoose: () => onPick(addressOf(pin)),
              onPoint: (isOver: boolean) => onPoint(isOver ? addressOf(pin) : undefined),
            })}
          />
        );
      })}
      {tags.map((tag) => {
        const cable = graph.cables[graph.cableIx.get(tag.cable) ?? -1];
        return (
          cable !== undefined && (
            <TagDrawing
              key={tag.id}
              place={tag}
              text={cable.tag}
              mark={marks.cables.get(tag.cable)}
              isChosen={tag.cable === chosenCable}
              stop={stopProps(tag.id)}
              onChoose={() => select({ is: 'cable', cable: tag.cable })}
            />
          )
        );
      })}
      <WireMarks model={model} layout={layout} marks={marks.conductors} spineX={spineX} />
    </svg>
  );
}

function addressOf(pin: SheetPin): PinAddress {
  return { item: pin.item, port: pin.port, n: pin.pin.n };
}

function goesWith(graph: Graph, from: PinAddress, to: PinAddress): boolean {
  const [a, b] = [findPin(graph, from), findPin(graph, to)];
  if (a === undefined || b === undefined) return false;
  return isSamePin(from, to) || joinVerdict(graph, a, b).is === 'good';
}

function spineMiddle(boxes: readonly SheetBox[], origins: ReadonlyMap<string, { readonly x: number }>): number {
  const spine = boxes.find((box) => box.is === 'spine');
  return spine === undefined ? 0 : (origins.get(spine.item)?.x ?? 0) + spine.width / 2;
}
