import { Tab, TabGroup, TabList, TabPanel, TabPanels } from '@headlessui/react';
import { formOf, jsonAt, PartSchema, type FormField, type Json } from '@wired-falcon/core';
import { textOf, useDraft } from './DraftContext.tsx';
import { EntriesTab } from './EntriesTab.tsx';
import { FieldFor, GroupFields } from './FieldFor.tsx';
import { PortsTab } from './PortsTab.tsx';

const form = formOf(PartSchema);
type Group = Extract<FormField, { is: 'group' }>;
const whole: Group = form.is === 'group' ? form : { is: 'group', members: [] };
const LISTS = ['ports', 'settings', 'circuit', 'endpoints', 'routes', 'indications', 'steps', 'board'];
/** Told by the product and not typed. */
const GIVEN = ['id', 'source'];

function entryForm(list: string): FormField {
  const field = whole.members.find((member) => member.name === list)?.field;
  return field?.is === 'list' ? field.of : { is: 'group', members: [] };
}

const entryTitle = (entry: Json): string => `${textOf(entry, 'id') || '?'} ${textOf(entry, 'is')}`;
const portForm = entryForm('ports');

type ListOfEntries = Omit<Parameters<typeof EntriesTab>[0], 'form'>;

/** The tabs that hold lists of entries: one entry each. */
const LIST_TABS: readonly { readonly title: string; readonly lists: readonly ListOfEntries[] }[] = [
  {
    title: 'Settings',
    lists: [
      {
        name: 'settings',
        noun: 'setting',
        lead: 'Settings that a person can make on the part. Numbers, elements, signals and pins can depend on it. Protocol, baud rate and address of a serial, I2C or CAN signal need no entry: they follow from the signal.',
        titleOf: (entry) => textOf(entry, 'label') || entryTitle(entry),
      },
    ],
  },
  {
    title: 'Circuit',
    lists: [
      {
        name: 'circuit',
        noun: 'element',
        lead: "The part's direct-current network between its pins (UART.1) and inner nodes (@rail). Every supply pin belongs to an element; a load states its current and voltage range.",
        titleOf: entryTitle,
      },
    ],
  },
  {
    title: 'Signals',
    lists: [
      {
        name: 'endpoints',
        noun: 'signal',
        lead: 'What the part sends and receives, each on its pins. Two signals share a pin only if they are never used at once.',
        titleOf: entryTitle,
      },
    ],
  },
  {
    title: 'Paths',
    lists: [
      {
        name: 'routes',
        noun: 'path',
        lead: 'From one signal in to another out: a bridge, an inverter, an overlay.',
        titleOf: (entry) => `${textOf(entry, 'from') || '?'} to ${textOf(entry, 'to') || '?'}`,
      },
    ],
  },
  {
    title: 'Lights and steps',
    lists: [
      {
        name: 'indications',
        noun: 'light or sound',
        lead: 'Meaning of its lights and sounds.',
        titleOf: (entry) => textOf(entry, 'shows') || '?',
      },
      {
        name: 'steps',
        noun: 'step',
        lead: 'One-time steps with this part: binding, range calibration, first power-up. State the hazard at the step.',
        titleOf: (entry) => textOf(entry, 'title') || '?',
      },
    ],
  },
];

interface EditorTabsProps {
  readonly tab: number;
  readonly onTab: (tab: number) => void;
  readonly port: number;
  readonly onPort: (port: number) => void;
}

/** Everything that can be said of a part, by what it is about. */
export function EditorTabs({ tab, onTab, port, onPort }: EditorTabsProps) {
  const { draft } = useDraft();
  const isController = textOf(draft, 'kind') === 'controller';
  const board = whole.members.find((member) => member.name === 'board')?.field;
  const tabs = ['Facts', 'Ports and pins', ...LIST_TABS.map(({ title }) => title), ...(isController ? ['Banks'] : [])];
  return (
    <TabGroup selectedIndex={tab} onChange={onTab}>
      <TabList className="flex gap-4 border-b border-ink">
        {tabs.map((title) => (
          <Tab
            key={title}
            className="border-b-2 border-transparent pb-1 font-semibold text-ink2 data-selected:border-rust data-selected:text-ink"
          >
            {title}
          </Tab>
        ))}
      </TabList>
      <TabPanels className="pt-3">
        <TabPanel tabIndex={-1}>
          <div className="max-w-[620px]">
            <GroupFields field={whole} path={[]} hidden={[...LISTS, ...GIVEN]} />
          </div>
        </TabPanel>
        <TabPanel tabIndex={-1}>{portForm.is === 'group' && <PortsTab form={portForm} chosen={port} onChoose={onPort} />}</TabPanel>
        {LIST_TABS.map(({ title, lists }) => (
          <TabPanel key={title} tabIndex={-1}>
            {lists.map((list, i) => (
              <div key={list.name}>
                {i > 0 && <hr className="my-3 border-rule" />}
                <EntriesTab form={entryForm(list.name)} {...list} />
              </div>
            ))}
          </TabPanel>
        ))}
        {isController && board !== undefined && (
          <TabPanel tabIndex={-1}>
            {jsonAt(draft, ['board']) === undefined ? <AddBoard /> : <FieldFor field={board} path={['board']} label="Board" />}
          </TabPanel>
        )}
      </TabPanels>
    </TabGroup>
  );
}

function AddBoard() {
  const { set } = useDraft();
  return (
    <>
      <p className="text-[13px] text-ink2">Outputs that share a timer form a bank.</p>
      <button type="button" className="action mt-2" onClick={() => set(['board'], { banks: [], sensors: [] })}>
        Add banks
      </button>
    </>
  );
}
