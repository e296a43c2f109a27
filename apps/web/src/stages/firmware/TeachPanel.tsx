import { useState } from 'react';
import {
  factFamilies,
  factFamily,
  isFactFamily,
  tableOfCoding,
  teach,
  type CodeTable,
  type Dialect,
  type FactFamilyId,
  type KnownChange,
  type Lesson,
} from '@wired-falcon/core';
import { FactValueField } from './FactValueField.tsx';

interface TeachPanelProps {
  readonly dialect: Dialect;
  /** The tables of the dialect, with those of the board. */
  readonly tables: readonly CodeTable[];
  readonly target: string | undefined;
  readonly onLearn: (dialect: Dialect) => void;
}

/** Two dumps with one known change between them: the rules that would explain it, to be taken into the dialect. */
export function TeachPanel({ dialect, tables, target, onLearn }: TeachPanelProps) {
  const [family, setFamily] = useState<FactFamilyId>('port');
  const [field, setField] = useState('role');
  const [keys, setKeys] = useState<Readonly<Record<string, string>>>({});
  const [values, setValues] = useState<readonly [string, string]>(['', '']);
  const [dumps, setDumps] = useState<readonly [string, string]>(['', '']);
  const [answer, setAnswer] = useState<ReturnType<typeof teach>>();
  const { keys: keySpecs, fields } = factFamily(family);
  const spec = fields[field];
  const rowsOf = (coding: (typeof fields)[string]['coding']): CodeTable['rows'] =>
    tables.find(({ id }) => id === tableOfCoding(coding))?.rows ?? [];
  const choose = (next: FactFamilyId): void => {
    setFamily(next);
    setField(Object.keys(factFamily(next).fields)[0] ?? '');
    setKeys({});
    setValues(['', '']);
    setAnswer(undefined);
  };
  const ask = (): void => {
    if (spec === undefined) return;
    const change: KnownChange = {
      of: family,
      keys: Object.fromEntries(Object.entries(keySpecs).map(([key, { coding }]) => [key, valueOf(coding.by, keys[key] ?? '')])),
      field,
      was: valueOf(spec.coding.by, values[0]),
      now: valueOf(spec.coding.by, values[1]),
      ...(target === undefined ? {} : { target }),
    };
    setAnswer(teach(dialect, change, dumps[0], dumps[1]));
  };
  return (
    <details className="mt-4 text-[13px]" data-testid="teach">
      <summary className="cursor-pointer text-[15px] font-bold">Teach it from two dumps</summary>
      <p className="mt-1 max-w-prose text-[12.5px] text-ink2">
        Export the configuration, change one setting on the aircraft, save, and export it again. Enter what you changed: the line that
        differs shows how the firmware writes it.
      </p>
      <form
        aria-label="What was changed"
        className="mt-2 flex flex-wrap items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          ask();
        }}
      >
        <label>
          What
          <select
            className="field mt-0.5 block"
            value={family}
            onChange={(event) => {
              if (isFactFamily(event.target.value)) choose(event.target.value);
            }}
          >
            {factFamilies.map((id) => (
              <option key={id} value={id}>
                {factFamily(id).title}
              </option>
            ))}
          </select>
        </label>
        {Object.entries(keySpecs).map(([key, { title, coding }]) => (
          <FactValueField
            key={key}
            label={`Which ${title}`}
            rows={rowsOf(coding)}
            value={keys[key] ?? ''}
            onChange={(value) => setKeys({ ...keys, [key]: value })}
          />
        ))}
        <label>
          Fact
          <select className="field mt-0.5 block" value={field} onChange={(event) => setField(event.target.value)}>
            {Object.entries(fields).map(([id, { title }]) => (
              <option key={id} value={id}>
                {title}
              </option>
            ))}
          </select>
        </label>
        {spec !== undefined && (
          <>
            <FactValueField
              label="Before"
              rows={rowsOf(spec.coding)}
              value={values[0]}
              onChange={(value) => setValues([value, values[1]])}
            />
            <FactValueField
              label="After"
              rows={rowsOf(spec.coding)}
              value={values[1]}
              onChange={(value) => setValues([values[0], value])}
            />
          </>
        )}
        <div className="flex w-full flex-wrap gap-3">
          {(['before', 'after'] as const).map((when, i) => (
            <label key={when} className="grow">
              Dump {when} the change
              <textarea
                className="field value mt-0.5 block h-24 w-full"
                spellCheck={false}
                value={dumps[i === 0 ? 0 : 1]}
                onChange={(event) => setDumps(i === 0 ? [event.target.value, dumps[1]] : [dumps[0], event.target.value])}
              />
            </label>
          ))}
        </div>
        <button type="submit" className="action action-main">
          Find the rule
        </button>
      </form>
      {answer === undefined ? null : 'sentence' in answer ? (
        <p role="alert" className="mt-2 text-rust">
          {answer.sentence}
        </p>
      ) : (
        <ul className="mt-2">
          {answer.map((lesson) => (
            <LessonRow key={lesson.says.join(' ')} lesson={lesson} onLearn={() => onLearn(lesson.dialect)} />
          ))}
        </ul>
      )}
    </details>
  );
}

/** What is typed or chosen, as facts have it. */
function valueOf(by: string, text: string): string | number {
  return by === 'number' || by === 'bauds' ? Number(text) : text;
}

function LessonRow({
  lesson: { numberBefore, before, after, says, problems },
  onLearn,
}: {
  readonly lesson: Lesson;
  readonly onLearn: () => void;
}) {
  return (
    <li className="border-b border-grid py-1" data-lesson>
      <p className="value">
        {numberBefore}: {before} -&gt; {after}
      </p>
      {says.map((sentence) => (
        <p key={sentence}>{sentence}</p>
      ))}
      {problems.map((sentence) => (
        <p key={sentence} className="text-rust">
          {sentence}
        </p>
      ))}
      <button type="button" className="action mt-1" disabled={problems.length > 0} onClick={onLearn}>
        Add this rule to the dialect
      </button>
    </li>
  );
}
