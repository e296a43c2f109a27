import { useState } from 'react';
import {
  hasShape,
  LEVEL_PITCH_DEG,
  LEVEL_SCHOOLS,
  SYSTEM_ID,
  TargetSchema,
  VersionSchema,
  type FirmwareFacts as Facts,
  type LevelSchool,
  type PlanView,
} from '@wired-falcon/core';
import { useDesign, useMake } from '../../session/SessionContext.tsx';
import { NumberField } from '../../ui/NumberField.tsx';

const SCHOOLS: readonly LevelSchool[] = ['at-level', 'as-it-flies'];

/** What is known of the firmware alone: target, version, system id, level. */
export function FirmwareFacts({ view }: { readonly view: PlanView }) {
  const { aircraft } = useDesign();
  const { facts } = aircraft.firmware;
  const systemId = aircraft.items[view.controller.id]?.settings[SYSTEM_ID];
  const make = useMake();
  const set = (name: keyof Facts, value: Facts): void => {
    const was: Facts = facts[name] === undefined ? {} : { [name]: facts[name] };
    if (Object.keys({ ...was, ...value }).length > 0) make({ kind: 'set-firmware-facts', value, was });
  };
  return (
    <section aria-label="Target and firmware" className="max-w-[360px]">
      <h3 className="text-[15px] font-bold">Target and firmware</h3>
      {view.controllers.length === 1 && (
        <WordField
          label="Board target"
          value={facts.target}
          usual={view.target ?? 'not known'}
          isGood={(text) => hasShape(TargetSchema, text)}
          rule="letters, digits, - and _"
          onSave={(text) => set('target', text === undefined ? {} : { target: text })}
        />
      )}
      <WordField
        label="Version"
        value={facts.version}
        usual="any"
        isGood={(text) => hasShape(VersionSchema, text)}
        rule="up to 20 letters, digits and points"
        onSave={(text) => set('version', text === undefined ? {} : { version: text })}
      />
      <NumberField
        label="System id"
        unit={undefined}
        value={typeof systemId === 'number' ? systemId : undefined}
        least={1}
        most={250}
        usual={{ value: 1 }}
        onSave={(id) =>
          make({
            kind: 'set-item-setting',
            item: view.controller.id,
            setting: SYSTEM_ID,
            value: id === undefined ? null : Math.round(id),
            was: systemId ?? null,
          })
        }
      />
      <fieldset className="mt-2">
        <legend className="text-[13px]">Level reference</legend>
        {SCHOOLS.map((school) => (
          <label key={school} className="block text-[13px]">
            <input
              type="radio"
              name="level-set"
              checked={facts.levelSet === school}
              onChange={() => set('levelSet', { levelSet: school })}
            />{' '}
            {LEVEL_SCHOOLS[school].title}
          </label>
        ))}
      </fieldset>
      {facts.levelSet !== 'as-it-flies' && (
        <NumberField
          label="Nose-up pitch in level flight"
          unit="deg"
          value={facts.levelPitchDeg}
          least={LEVEL_PITCH_DEG.least}
          most={LEVEL_PITCH_DEG.most}
          usual={{ words: 'not set' }}
          onSave={(levelPitchDeg) => set('levelPitchDeg', levelPitchDeg === undefined ? {} : { levelPitchDeg })}
        />
      )}
    </section>
  );
}

interface WordFieldProps {
  readonly label: string;
  readonly value: string | undefined;
  readonly usual: string;
  readonly isGood: (text: string) => boolean;
  /** What may be typed, in words. */
  readonly rule: string;
  readonly onSave: (text: string | undefined) => void;
}

/** A short word. It is saved when the field is left or Enter is pressed; what is not allowed stays and says so. */
function WordField({ label, value, usual, isGood, rule, onSave }: WordFieldProps) {
  const [typed, setTyped] = useState<string>();
  const text = typed ?? value ?? '';
  const isWrong = text !== '' && !isGood(text);
  const save = (): void => {
    if (typed === undefined || isWrong) return;
    if (typed !== (value ?? '')) onSave(typed === '' ? undefined : typed);
    setTyped(undefined);
  };
  return (
    <label className="flex items-center justify-between gap-2 py-0.5">
      <span className="text-[13px]">{label}</span>
      <span className="inline-flex items-center gap-1">
        <input
          className="field value w-36"
          value={text}
          placeholder={usual}
          aria-invalid={isWrong}
          onChange={(event) => setTyped(event.target.value)}
          onBlur={save}
          onKeyDown={(event) => {
            if (event.key === 'Enter') save();
          }}
        />
        {isWrong && (
          <span role="alert" className="text-[12.5px] text-rust">
            {rule}
          </span>
        )}
      </span>
    </label>
  );
}
