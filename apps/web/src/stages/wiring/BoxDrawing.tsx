import { PART_KINDS, type GraphItem, type Point, type Severity, type SheetBox, type SheetPin, type SheetPort } from '@wired-falcon/core';
import { SeverityShape } from '../../ui/SeverityMark.tsx';
import { pinPaint } from '../../drawing/pinPaint.ts';
import { pressKeys } from './pressKeys.ts';
import { COMB_WIDTH } from './sheetPlaces.ts';

interface StopProps {
  readonly tabIndex: number;
  readonly ref: (element: SVGElement | null) => void;
  readonly onFocus: () => void;
  readonly onChoose: () => void;
}

interface PinProps extends StopProps {
  readonly isPicked: boolean;
  readonly isDimmed: boolean;
  readonly onPoint: (isOver: boolean) => void;
}

interface BoxDrawingProps {
  readonly box: SheetBox;
  readonly entry: GraphItem;
  readonly origin: Point;
  readonly mark: Severity | undefined;
  readonly isChosen: boolean;
  readonly head: StopProps;
  readonly pinProps: (pin: SheetPin) => PinProps;
}

/** The controller as a spine with its combs, or another item as a card. */
export function BoxDrawing({ box, entry, origin, mark, isChosen, head, pinProps }: BoxDrawingProps) {
  return (
    <g transform={`translate(${origin.x} ${origin.y})`} data-item={entry.item.ref}>
      <rect
        width={box.width}
        height={box.height}
        fill="var(--color-sheet)"
        stroke={isChosen ? 'var(--color-rust)' : 'var(--color-ink)'}
        strokeWidth={box.is === 'spine' || isChosen ? 1.8 : 1}
        strokeDasharray={entry.item.where === 'aircraft' ? undefined : '5 4'}
      />
      {box.is === 'spine' ? (
        <SpineHead box={box} entry={entry} mark={mark} stop={head} />
      ) : (
        <CardHead box={box} entry={entry} mark={mark} stop={head} />
      )}
      <Mated box={box} />
      {box.is === 'spine'
        ? box.ports.map((port) => <Comb key={port.port.id} box={box} port={port} />)
        : labelledPorts(box).map((port) => <PortLabel key={port.port.id} box={box} port={port} />)}
      {box.pins.map((pin) => (
        <PinDrawing key={pin.key} box={box} pin={pin} refName={entry.item.ref} {...pinProps(pin)} />
      ))}
    </g>
  );
}

interface HeadProps {
  readonly box: SheetBox;
  readonly entry: GraphItem;
  readonly mark: Severity | undefined;
  readonly stop: StopProps;
}

function headButton({ onChoose, ...stop }: StopProps, name: string) {
  return {
    ...stop,
    role: 'button',
    'aria-label': `Item ${name}`,
    className: 'cursor-pointer',
    onClick: onChoose,
    onKeyDown: pressKeys(onChoose),
  } as const;
}

function SpineHead({ box, entry, mark, stop }: HeadProps) {
  const middle = box.width / 2;
  return (
    <g {...headButton(stop, entry.item.ref)}>
      <rect x={30} y={6} width={box.width - 60} height={38} fill="transparent" />
      <text x={middle} y={22} textAnchor="middle" fontSize="15" fontWeight="700">
        {entry.item.ref}
      </text>
      <text x={middle} y={38} textAnchor="middle" fontSize="11.5" fill="var(--color-ink2)">
        {shortName(entry)}
      </text>
      <path d={`M${middle} 46l8 9h-4v11h-8v-11h-4z`} fill="none" stroke="var(--color-ink)" />
      <text x={middle + 14} y={61} fontSize="11" fill="var(--color-ink2)">
        nose
      </text>
      {mark !== undefined && <Mark severity={mark} x={middle + 22} y={11} />}
    </g>
  );
}

function CardHead({ box, entry, mark, stop }: HeadProps) {
  const isRight = box.column > 0;
  const x = isRight ? box.width - 10 : 10;
  const anchor = isRight ? 'end' : 'start';
  const isAway = entry.item.where !== 'aircraft';
  const words = wrapped(entry.item.label ?? PART_KINDS[entry.part?.kind ?? 'buzzer'].title, 16);
  const lines = [...(isAway ? [`on the ${entry.item.where}`] : []), ...words].slice(0, 2);
  return (
    <g {...headButton(stop, isAway ? `${entry.item.ref}, on the ${entry.item.where}` : entry.item.ref)}>
      <rect x={isRight ? 44 : 4} y={3} width={box.width - 48} height={40} fill="transparent" />
      <text x={x} y={20} textAnchor={anchor} fontSize="13.5" fontWeight="700">
        {entry.item.ref}
      </text>
      {lines.map((line, i) => (
        <text key={line} x={x} y={34 + i * 13} textAnchor={anchor} fontSize="11.5" fill="var(--color-ink2)">
          {line}
        </text>
      ))}
      {mark !== undefined && <Mark severity={mark} x={isRight ? x - 22 - entry.item.ref.length * 9 : x + 56} y={9} />}
    </g>
  );
}

function Mark({ severity, x, y }: { readonly severity: Severity; readonly x: number; readonly y: number }) {
  return (
    <g transform={`translate(${x} ${y})`} aria-hidden="true">
      <SeverityShape severity={severity} colour="var(--color-rust)" />
    </g>
  );
}

/** What mates with the ports of a box, beside their pins. */
function Mated({ box }: { readonly box: SheetBox }) {
  return box.ports.flatMap((port) =>
    port.mates.map((name, i) => {
      const isLeft = port.side === 'left';
      const inset = box.is === 'spine' ? COMB_WIDTH + 7 : 58;
      return (
        <text
          key={`${port.port.id} ${name}`}
          x={isLeft ? inset : box.width - inset}
          y={port.top + port.height / 2 + 16 + i * 11}
          textAnchor={isLeft ? 'start' : 'end'}
          fontSize="10.5"
          fill="var(--color-ink2)"
          data-mated={name}
        >
          meets {name}
        </text>
      );
    }),
  );
}

/** A card with so many ports tells them apart by their labels. */
const LABELLED_PORTS = 3;
/** Where the name at the top of a card ends, from its top. */
const CARD_NAME_HEIGHT = 48;

/** The ports of a card that get a label at its outer edge: not beside its name, nor where there are pins on both sides. */
function labelledPorts({ ports }: SheetBox): readonly SheetPort[] {
  const [first] = ports;
  if (ports.length < LABELLED_PORTS || ports.some(({ side }) => side !== first?.side)) return [];
  return ports.filter(({ top, height }) => top + height / 2 > CARD_NAME_HEIGHT);
}

function PortLabel({ box, port }: { readonly box: SheetBox; readonly port: SheetPort }) {
  const isLeft = port.side === 'left';
  return (
    <text
      x={isLeft ? box.width - 8 : 8}
      y={port.top + port.height / 2 + 4}
      textAnchor={isLeft ? 'end' : 'start'}
      fontSize="10.5"
      fontWeight="600"
      fill="var(--color-ink2)"
    >
      {port.port.label}
    </text>
  );
}

/** The comb of one connector of the spine, with its label on the inside. */
function Comb({ box, port }: { readonly box: SheetBox; readonly port: SheetPort }) {
  const isLeft = port.side === 'left';
  const hasCable = port.cables.length > 0;
  const labelY = port.top + port.height / 2 + (hasCable ? -4 : 4);
  return (
    <>
      <rect
        x={isLeft ? 0 : box.width - COMB_WIDTH}
        y={port.top - 2}
        width={COMB_WIDTH}
        height={port.height + 4}
        fill="var(--color-paper)"
        stroke="var(--color-ink2)"
      />
      <text
        x={isLeft ? COMB_WIDTH + 7 : box.width - COMB_WIDTH - 7}
        y={labelY}
        textAnchor={isLeft ? 'start' : 'end'}
        fontSize="12"
        fontWeight="600"
        fill={hasCable ? 'var(--color-ink)' : 'var(--color-ink2)'}
      >
        {port.port.label}
      </text>
    </>
  );
}

function PinDrawing({
  box,
  pin,
  refName,
  isPicked,
  isDimmed,
  onChoose,
  onPoint,
  ...stop
}: { readonly box: SheetBox; readonly pin: SheetPin; readonly refName: string } & PinProps) {
  const isLeft = pin.side === 'left';
  const isSpine = box.is === 'spine';
  const edge = isLeft ? 0 : box.width;
  const circle = isSpine ? edge + (isLeft ? 9 : -9) : edge;
  const label = edge + (isLeft ? (isSpine ? 18 : 10) : isSpine ? -18 : -10);
  const port = box.ports.find((candidate) => candidate.port.id === pin.port);
  return (
    <g
      {...stop}
      role="button"
      aria-label={`Pin ${pin.pin.n} ${pin.pin.label} of ${refName} ${port?.port.label ?? pin.port}`}
      aria-pressed={isPicked}
      opacity={isDimmed ? 0.3 : 1}
      className="cursor-pointer"
      data-pin={`${refName}.${pin.port}.${pin.pin.n}`}
      onClick={onChoose}
      onKeyDown={pressKeys(onChoose)}
      onPointerEnter={() => onPoint(true)}
      onPointerLeave={() => onPoint(false)}
      onFocus={() => {
        stop.onFocus();
        onPoint(true);
      }}
    >
      <rect x={isLeft ? edge - 5 : edge - 51} y={pin.y - 7} width={56} height={14} fill="transparent" />
      {isSpine && <line x1={edge} x2={circle} y1={pin.y} y2={pin.y} stroke="var(--color-ink)" strokeWidth="1" />}
      <circle
        cx={circle}
        cy={pin.y}
        r={isPicked ? 6 : 4.2}
        fill={pinPaint(pin.pin)}
        stroke={isPicked ? 'var(--color-rust)' : 'var(--color-ink)'}
        strokeWidth={isPicked ? 2.5 : 1}
      />
      <text x={label} y={pin.y + 3.8} textAnchor={isLeft ? 'start' : 'end'} fontSize="11" className="font-mono">
        {pin.pin.label}
      </text>
    </g>
  );
}

function shortName({ part }: GraphItem): string {
  return (part?.name ?? 'unknown part').replace(/^Controller /, '');
}

/** Breaks words into lines of at most `most` characters. */
function wrapped(text: string, most: number): string[] {
  const lines: string[] = [];
  for (const word of text.split(' ')) {
    const last = lines.at(-1);
    if (last !== undefined && last.length + word.length < most) lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(word);
  }
  return lines;
}
