import { blankOf, isJsonList, isJsonObject, jsonAt, type FormField, type JsonPath } from '@wired-falcon/core';
import { entriesOf, pathText, textOf, useDraft } from './DraftContext.tsx';
import { entryWords, fieldWords } from './fieldWords.ts';
import { numberFrom, plainText, settingValueFrom, TypedField } from './TypedField.tsx';

interface FieldProps<F extends FormField = FormField> {
  readonly field: F;
  readonly path: JsonPath;
  readonly label: string;
}
type FieldOf<K extends FormField['is']> = FieldProps<Extract<FormField, { is: K }>>;

/** The form of one place of the draft. */
export function FieldFor({ field, path, label }: FieldProps) {
  const { draft, set, problems } = useDraft();
  const value = jsonAt(draft, path);
  const problem = problems.get(pathText(path));
  const typed = { label, value, problem, onValue: (now: Parameters<typeof set>[1]) => set(path, now) };
  switch (field.is) {
    case 'fixed':
      return null;
    case 'choice':
      return <ChoiceField field={field} path={path} label={label} />;
    case 'text':
      return (
        <TypedField
          {...typed}
          textOf={plainText}
          parse={(text) => text}
          maxLength={field.maxLength}
          isLong={field.isLong}
          {...optionsFor(path, draft)}
        />
      );
    case 'number':
      return <TypedField {...typed} textOf={plainText} parse={numberFrom} inputMode="decimal" />;
    case 'setting-value':
      return <TypedField {...typed} textOf={plainText} parse={settingValueFrom} />;
    case 'pin':
    case 'node':
      return <TypedField {...typed} textOf={plainText} parse={(text) => text} options={pinsOf(draft)} />;
    case 'yes-no':
      return (
        <label className="mt-1.5 grid grid-cols-[150px_minmax(0,1fr)] items-center text-[13px]">
          {label}
          <input
            type="checkbox"
            className="justify-self-start"
            checked={value === true}
            onChange={(event) => set(path, event.target.checked)}
          />
        </label>
      );
    case 'parameter':
      return <ParameterField field={field} path={path} label={label} />;
    case 'words':
      return <WordsField field={field} path={path} label={label} />;
    case 'list':
      return <ListField field={field} path={path} label={label} />;
    case 'row':
      return <RowField field={field} path={path} label={label} />;
    case 'group':
      return (
        <fieldset className="mt-2 border-l border-rule pl-3">
          <legend className="text-[13px] font-semibold">{label}</legend>
          <GroupFields field={field} path={path} />
        </fieldset>
      );
    case 'kinds':
      return <KindsFields field={field} path={path} label={label} />;
  }
}

/** The names that a text of this place is likely to be. */
function optionsFor(path: JsonPath, draft: Parameters<typeof entriesOf>[0]): { readonly options?: readonly string[] } {
  const name = path.at(-1);
  if (name === 'setting' || name === 'fromSetting') return { options: entriesOf(draft, 'settings').map((spec) => textOf(spec, 'id')) };
  if (path[0] === 'routes') return { options: entriesOf(draft, 'endpoints').map((endpoint) => textOf(endpoint, 'id')) };
  return {};
}

function pinsOf(draft: Parameters<typeof entriesOf>[0]): readonly string[] {
  return entriesOf(draft, 'ports').flatMap((port) => {
    const pins = jsonAt(port, ['pins']);
    return isJsonList(pins) ? pins.map((_, i) => `${textOf(port, 'id')}.${i + 1}`) : [];
  });
}

function ChoiceField({ field, path, label }: FieldOf<'choice'>) {
  const { draft, set, problems } = useDraft();
  const value = jsonAt(draft, path);
  const problem = problems.get(pathText(path));
  return (
    <label className="mt-1.5 grid grid-cols-[150px_minmax(0,1fr)] items-center text-[13px]">
      {label}
      <select
        className="field value w-full"
        value={plainText(value)}
        aria-invalid={problem !== undefined}
        onChange={(event) =>
          set(
            path,
            field.values.find((choice) => String(choice) === event.target.value),
          )
        }
      >
        {!field.values.some((choice) => choice === value) && <option value={plainText(value)}>{plainText(value)}</option>}
        {field.values.map((choice) => (
          <option key={choice} value={choice}>
            {choice}
          </option>
        ))}
      </select>
    </label>
  );
}

function ParameterField({ field, path, label }: FieldOf<'parameter'>) {
  const { draft, set, problems } = useDraft();
  const value = jsonAt(draft, path);
  const isBySetting = isJsonObject(value);
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_auto] items-start gap-x-2">
      {isBySetting ? (
        <FieldFor field={field.bySetting} path={path} label={label} />
      ) : (
        <TypedField
          label={label}
          value={value}
          textOf={plainText}
          parse={numberFrom}
          inputMode="decimal"
          problem={problems.get(pathText(path))}
          onValue={(now) => set(path, now)}
        />
      )}
      <button
        type="button"
        className="mt-2 text-[12px] underline"
        aria-label={isBySetting ? `${label}: one number` : `${label}: chosen by a setting`}
        onClick={() => set(path, isBySetting ? 0 : blankOf(field.bySetting))}
      >
        {isBySetting ? 'one number' : 'by a setting'}
      </button>
    </div>
  );
}

function WordsField({ field, path, label }: FieldOf<'words'>) {
  const { draft, set, problems } = useDraft();
  const prefix = `${pathText(path)}/`;
  const inside = [...problems].find(([place]) => place === pathText(path) || place.startsWith(prefix));
  const entry = field.of.is === 'number' ? numberFrom : field.of.is === 'setting-value' ? settingValueFrom : (text: string) => text;
  const value = jsonAt(draft, path);
  return (
    <TypedField
      label={`${label}, by commas`}
      value={value}
      textOf={(now) => (isJsonList(now) ? now.map(plainText).join(', ') : '')}
      parse={(text) =>
        text
          .split(',')
          .map((word) => word.trim())
          .filter((word) => word !== '')
          .map(entry)
      }
      problem={inside?.[1]}
      onValue={(now) => set(path, now)}
    />
  );
}

function ListField({ field, path, label }: FieldOf<'list'>) {
  const { draft, set } = useDraft();
  const value = jsonAt(draft, path);
  const entries = isJsonList(value) ? value : [];
  const one = entryWords(label);
  return (
    <fieldset className="mt-2">
      <legend className="text-[13px] font-semibold">{label}</legend>
      {entries.map((_, i) => (
        <div key={i} className="grid grid-cols-[minmax(0,1fr)_auto] items-start gap-x-2">
          <FieldFor field={field.of} path={[...path, i]} label={`${one} ${i + 1}`} />
          <button type="button" className="mt-2 text-[12px] underline" onClick={() => set([...path, i], undefined)}>
            Remove {one} {i + 1}
          </button>
        </div>
      ))}
      <button
        type="button"
        className="action mt-1.5"
        onClick={() => set(path, [...entries, field.of.is === 'kinds' ? {} : blankOf(field.of)])}
      >
        Add {one}
      </button>
    </fieldset>
  );
}

function RowField({ field, path, label }: FieldOf<'row'>) {
  const { draft, set, problems } = useDraft();
  const value = jsonAt(draft, path);
  const words = label.split(', ');
  return (
    <div className="mt-1.5 grid grid-cols-[150px_minmax(0,1fr)] items-center text-[13px]">
      <span className="pr-2">{label}</span>
      <span className="flex gap-2">
        {field.of.map((_, i) => (
          <TypedField
            key={i}
            label={words[i] ?? `${label} ${i + 1}`}
            isLabelHidden
            value={jsonAt(value, [i])}
            textOf={plainText}
            parse={numberFrom}
            inputMode="decimal"
            problem={problems.get(pathText([...path, i]))}
            onValue={(now) => set([...path, i], now)}
          />
        ))}
      </span>
    </div>
  );
}

/** The members of a group; those that may be left out can be added and taken out. */
export function GroupFields({ field, path, hidden = [] }: Omit<FieldOf<'group'>, 'label'> & { readonly hidden?: readonly string[] }) {
  const { draft, set } = useDraft();
  const value = jsonAt(draft, path);
  const members = field.members.filter((member) => !hidden.includes(member.name));
  const isThere = (name: string): boolean => isJsonObject(value) && Object.hasOwn(value, name);
  const absent = members.filter((member) => member.isOptional && !isThere(member.name));
  return (
    <>
      {members
        .filter((member) => !member.isOptional || isThere(member.name))
        .map(({ name, isOptional, field: inner }) => (
          <div key={name} className="grid grid-cols-[minmax(0,1fr)_auto] items-start gap-x-2">
            <FieldFor field={inner} path={[...path, name]} label={fieldWords(name)} />
            {isOptional && (
              <button type="button" className="mt-2 text-[12px] underline" onClick={() => set([...path, name], undefined)}>
                Leave out {fieldWords(name)}
              </button>
            )}
          </div>
        ))}
      {absent.length > 0 && (
        <p className="mt-2 flex flex-wrap gap-x-3 gap-y-1 text-[12px] text-ink2">
          Can be added:
          {absent.map((member) => (
            <button
              key={member.name}
              type="button"
              className="underline"
              onClick={() => set([...path, member.name], blankOf(member.field))}
            >
              {fieldWords(member.name)}
            </button>
          ))}
        </p>
      )}
    </>
  );
}

/** One of several kinds of entry: its kind, then the members of that kind. What both kinds have stays when the kind is changed. */
export function KindsFields({ field, path, label }: FieldOf<'kinds'>) {
  const { draft, set } = useDraft();
  const value = jsonAt(draft, path);
  const kind = textOf(value, 'is');
  const form = field.kinds.get(kind);
  const choose = (next: string): void => {
    const wanted = field.kinds.get(next);
    if (wanted?.is !== 'group') return;
    const blank = blankOf(wanted);
    const kept = wanted.members.flatMap(({ name }) => {
      const there = name === 'is' ? undefined : jsonAt(value, [name]);
      return there === undefined ? [] : [[name, there] as const];
    });
    set(path, isJsonObject(blank) ? { ...blank, ...Object.fromEntries(kept) } : blank);
  };
  return (
    <div>
      <label className="mt-1.5 grid grid-cols-[150px_minmax(0,1fr)] items-center text-[13px]">
        {label}
        <select className="field value w-full" value={kind} onChange={(event) => choose(event.target.value)}>
          {form === undefined && <option value={kind}>choose one</option>}
          {[...field.kinds.keys()].map((name) => (
            <option key={name} value={name}>
              {name}
            </option>
          ))}
        </select>
      </label>
      {form?.is === 'group' && <GroupFields field={form} path={path} />}
    </div>
  );
}
