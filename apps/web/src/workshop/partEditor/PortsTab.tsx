import {
  connectorFamilies,
  CONNECTOR_FAMILIES,
  GENDERS,
  jsonAt,
  withPinAdded,
  withPinMoved,
  withPinRemoved,
  withPortRenamed,
  type FormField,
  type Json,
} from '@wired-falcon/core';
import { entriesOf, pathText, textOf, useDraft } from './DraftContext.tsx';
import { GroupFields } from './FieldFor.tsx';
import { PinsTable } from './PinsTable.tsx';
import { plainText, TypedField } from './TypedField.tsx';

type Group = Extract<FormField, { is: 'group' }>;

interface PortsTabProps {
  readonly form: Group;
  readonly chosen: number;
  readonly onChoose: (port: number) => void;
}

/** The ports of the part, each with its connector and its pins in physical order. */
export function PortsTab({ form, chosen, onChoose }: PortsTabProps) {
  const { draft, set, change } = useDraft();
  const ports = entriesOf(draft, 'ports');
  const at = Math.min(chosen, ports.length - 1);
  const add = (): void => {
    set(['ports'], [...ports, newPort(ports)]);
    onChoose(ports.length);
  };
  return (
    <div className="grid grid-cols-[120px_minmax(0,1fr)] gap-x-5">
      <div>
        <ul aria-label="port list">
          {ports.map((port, i) => (
            <li key={i}>
              <button
                type="button"
                aria-current={i === at}
                className={`value w-full border-b border-rule px-1.5 py-1 text-left ${i === at ? 'bg-grid font-medium' : ''}`}
                onClick={() => onChoose(i)}
              >
                {textOf(port, 'label') || textOf(port, 'id')}
              </button>
            </li>
          ))}
        </ul>
        <button type="button" className="action mt-2" onClick={add}>
          Add port
        </button>
      </div>
      {at >= 0 && (
        <div key={at}>
          <PortFacts port={at} form={form} />
          <PinsTable
            port={at}
            form={pinForm(form)}
            onMove={(from, to) => change(withPinMoved(draft, at, from, to), '')}
            onAdd={() => change(withPinAdded(draft, at), '')}
            onRemove={(pin) => change(withPinRemoved(draft, at, pin), '')}
          />
          <button type="button" className="action mt-3" onClick={() => set(['ports', at], undefined)}>
            Remove this port
          </button>
        </div>
      )}
    </div>
  );
}

function PortFacts({ port, form }: { readonly port: number; readonly form: Group }) {
  const { draft, change, set, problems } = useDraft();
  const path = ['ports', port];
  const family = textOf(jsonAt(draft, [...path, 'connector']), 'family');
  return (
    <>
      <TypedField
        label="name in this part"
        value={jsonAt(draft, [...path, 'id'])}
        textOf={plainText}
        parse={(text) => text}
        maxLength={20}
        problem={problems.get(pathText([...path, 'id']))}
        onValue={(now) => change(withPortRenamed(draft, port, plainText(now)), `${pathText(path)}/id`)}
      />
      <GroupFields field={form} path={path} hidden={['id', 'pins', 'connector']} />
      <label className="mt-1.5 grid grid-cols-[150px_minmax(0,1fr)] items-center text-[13px]">
        connector
        <select className="field" value={family} onChange={(event) => set([...path, 'connector', 'family'], event.target.value)}>
          {connectorFamilies.map((each) => (
            <option key={each} value={each}>
              {CONNECTOR_FAMILIES[each].title}
            </option>
          ))}
        </select>
      </label>
      <label className="mt-1.5 grid grid-cols-[150px_minmax(0,1fr)] items-center text-[13px]">
        the part has the
        <select
          className="field"
          value={textOf(jsonAt(draft, [...path, 'connector']), 'gender')}
          onChange={(event) => set([...path, 'connector', 'gender'], event.target.value)}
        >
          {GENDERS.map((gender) => (
            <option key={gender} value={gender}>
              {gender}
            </option>
          ))}
        </select>
      </label>
    </>
  );
}

function pinForm(form: Group): Group | undefined {
  const pins = form.members.find((member) => member.name === 'pins')?.field;
  return pins?.is === 'list' && pins.of.is === 'group' ? pins.of : undefined;
}

/** A port as a start: supply and ground. */
function newPort(ports: readonly Json[]): Json {
  const taken = new Set(ports.map((port) => textOf(port, 'id')));
  let n = ports.length + 1;
  while (taken.has(`P${n}`)) n += 1;
  return {
    id: `P${n}`,
    label: `P${n}`,
    connector: { family: 'locking-1.25', positions: 2, gender: 'socket' },
    pins: [
      { n: 1, label: 'V', role: 'supply-in' },
      { n: 2, label: 'GND', role: 'gnd' },
    ],
  };
}
