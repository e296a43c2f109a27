import { useState } from 'react';
import {
  AIRFRAME_KINDS,
  airframeKinds,
  COLOUR_SCHEMES,
  isAirframeKind,
  isColourScheme,
  OUTPUT_FUNCTIONS,
  plainCable,
  recolourEdits,
  requiredFunctions,
  type Aircraft,
} from '@wired-falcon/core';
import { useDesign, useGraph, useMake } from '../../session/SessionContext.tsx';
import { BatteryField } from './BatteryField.tsx';
import { DialectField } from './DialectField.tsx';
import { FrameNumbers } from './FrameNumbers.tsx';
import { NeedsTable } from './NeedsTable.tsx';

/** What the aircraft is to be, before its parts: airframe, battery, firmware, and what it wants of its controller. */
export function BriefView() {
  const design = useDesign();
  const { aircraft } = design;
  return (
    <div className="px-6 py-5">
      <h2 className="text-lg font-bold">Brief</h2>
      <p className="mt-1 max-w-prose text-ink2">
        What the aircraft is to be. The other stages take the airframe, the pack and the firmware from here.
      </p>
      <div className="mt-4 grid max-w-[880px] grid-cols-[minmax(0,1fr)_minmax(0,1fr)] gap-x-10 gap-y-3">
        <div>
          <NameFields key={`${aircraft.name}|${aircraft.note ?? ''}`} aircraft={aircraft} />
        </div>
        <div>
          <AirframeField aircraft={aircraft} />
          <BatteryField aircraft={aircraft} />
          <DialectField />
          <ColourField aircraft={aircraft} />
          <FaultsField aircraft={aircraft} />
        </div>
      </div>
      <NeedsTable />
      <FrameNumbers />
    </div>
  );
}

function NameFields({ aircraft }: { readonly aircraft: Aircraft }) {
  const make = useMake();
  const [name, setName] = useState(aircraft.name);
  const [note, setNote] = useState(aircraft.note ?? '');
  const saveName = (): void => {
    if (name.trim() !== '' && name.trim() !== aircraft.name) make({ kind: 'set-aircraft-name', name: name.trim(), was: aircraft.name });
  };
  return (
    <>
      <label className="block">
        <span className="text-[13px] text-ink2">Name</span>
        <input
          className="field mt-0.5 block w-full"
          maxLength={80}
          value={name}
          aria-invalid={name.trim() === ''}
          onChange={(event) => setName(event.target.value)}
          onBlur={saveName}
          onKeyDown={(event) => event.key === 'Enter' && saveName()}
        />
      </label>
      <label className="mt-3 block">
        <span className="text-[13px] text-ink2">Note: what it is for, and what it must be able to do</span>
        <textarea
          className="field mt-0.5 block w-full"
          rows={5}
          maxLength={2000}
          value={note}
          onChange={(event) => setNote(event.target.value)}
          onBlur={() => note !== (aircraft.note ?? '') && make({ kind: 'set-aircraft-note', note, was: aircraft.note ?? '' })}
        />
      </label>
    </>
  );
}

function AirframeField({ aircraft }: { readonly aircraft: Aircraft }) {
  const make = useMake();
  const { kind } = aircraft.airframe;
  const functions = requiredFunctions(kind).map((use) => OUTPUT_FUNCTIONS[use].title);
  return (
    <label className="block">
      <span className="text-[13px] text-ink2">Airframe</span>
      <select
        className="field mt-0.5 block w-full"
        value={kind}
        onChange={(event) => {
          const next = event.target.value;
          if (isAirframeKind(next)) make({ kind: 'set-airframe', airframe: next, was: kind });
        }}
      >
        {airframeKinds.map((each) => (
          <option key={each} value={each}>
            {AIRFRAME_KINDS[each].title}
          </option>
        ))}
      </select>
      <span className="mt-1 block text-[12.5px] text-ink2">
        {functions.length} outputs: {functions.join(', ')}.
      </span>
    </label>
  );
}

/** Whether one regulator for everything is enough, or the aircraft has to carry on without it. */
function FaultsField({ aircraft }: { readonly aircraft: Aircraft }) {
  const make = useMake();
  const was = aircraft.power?.survivesFaults === true;
  return (
    <label className="mt-3 flex items-start gap-2">
      <input type="checkbox" className="mt-1" checked={was} onChange={() => make({ kind: 'set-survives-faults', survives: !was, was })} />
      <span>
        Single electrical faults must be survived
        <span className="block text-[12.5px] text-ink2">
          A single broken wire or regulator that costs control is then a finding to mend; otherwise it is a note.
        </span>
      </span>
    </label>
  );
}

function ColourField({ aircraft }: { readonly aircraft: Aircraft }) {
  const make = useMake();
  const graph = useGraph();
  const now = aircraft.colourScheme ?? 'by-signal';
  const plains = graph.cables.map((cable) => plainCable(graph, cable)).filter((plain) => plain !== undefined);
  const edits = recolourEdits(graph, plains);
  return (
    <>
      <label className="mt-3 block">
        <span className="text-[13px] text-ink2">Colours of new wires</span>
        <select
          className="field mt-0.5 block w-full"
          value={now}
          onChange={(event) => {
            const next = event.target.value;
            if (isColourScheme(next)) make({ kind: 'set-colour-scheme', scheme: next, was: now });
          }}
        >
          {Object.entries(COLOUR_SCHEMES).map(([id, title]) => (
            <option key={id} value={id}>
              {title}
            </option>
          ))}
        </select>
      </label>
      {edits.length > 0 && (
        <button
          type="button"
          className="action mt-1.5"
          onClick={() => make({ kind: 'batch', title: `Recolour ${edits.length} wires`, edits: edits.slice(0, 400) })}
        >
          Recolour {edits.length} wires by this scheme
        </button>
      )}
    </>
  );
}
