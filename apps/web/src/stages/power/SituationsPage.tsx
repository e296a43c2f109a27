import { useState } from 'react';
import { LIMITS, LOAD_STATES, scenariosOf, type OwnSituation, type Scenario, percent, stated } from '@wired-falcon/core';
import { useDesign, useMake } from '../../session/SessionContext.tsx';
import { NumberField } from '../../ui/NumberField.tsx';
import { HeadRow } from '../../ui/HeadRow.tsx';

const NEW: OwnSituation = {
  title: 'Own situation',
  charge: 0.8,
  durationS: null,
  cruiseThrottle: 'cruise',
  liftThrottle: 0,
  servos: 0.2,
  transmitters: 'typical',
  others: 'typical',
  internalFactor: 1,
};

/** The table of situations that everything is solved in; those of a person can be changed. */
export function SituationsPage() {
  const design = useDesign();
  const { aircraft } = design;
  const make = useMake();
  const own = Object.entries(aircraft.power?.situations ?? {});
  const [refusal, setRefusal] = useState<string>();
  const add = (): void => {
    const id = Array.from({ length: LIMITS.ownSituations + 1 }, (_, n) => `own-${n + 1}`).find((candidate) =>
      own.every(([used]) => used !== candidate),
    );
    if (id !== undefined)
      make({ kind: 'set-own-situation', id, situation: { ...NEW, title: `Own situation ${own.length + 1}` }, was: null });
  };
  const takeOut = (id: string, situation: OwnSituation): void => {
    const isFlown = aircraft.power?.mission?.some((leg) => leg.situation === id) === true;
    setRefusal(isFlown ? `The mission has a leg in "${situation.title}". Remove the leg first.` : undefined);
    if (!isFlown) make({ kind: 'set-own-situation', id, situation: null, was: situation });
  };
  return (
    <div className="px-5 py-3" data-testid="situations">
      <h2 className="text-[15px] font-bold">Situations</h2>
      <p className="mt-1 max-w-prose text-[13px] text-ink2">
        Everything is solved in each of them. Short ones may use burst ratings; those that last may not.
      </p>
      <table className="mt-2 w-full text-[13px]">
        <HeadRow heads={['Situation', 'Charge', 'Duration', 'Cruise motors', 'Lift motors', 'Servos', 'Transmitters', 'Others']} />
        <tbody>
          {scenariosOf(aircraft).map((scenario) => (
            <Row key={scenario.id} scenario={scenario} />
          ))}
        </tbody>
      </table>
      {refusal !== undefined && (
        <p role="alert" className="mt-2 text-rust">
          {refusal}
        </p>
      )}
      {own.map(([id, situation]) => (
        <OwnForm key={id} id={id} situation={situation} onTakeOut={() => takeOut(id, situation)} />
      ))}
      <button type="button" className="action mt-3" disabled={own.length >= LIMITS.ownSituations} onClick={add}>
        Add a situation
      </button>
    </div>
  );
}

function Row({ scenario }: { readonly scenario: Scenario }) {
  const { charge, durationS, cruiseThrottle, liftThrottle, servos, internalFactor = 1 } = scenario;
  return (
    <tr className="border-b border-rule">
      <td className="font-semibold">{scenario.title}</td>
      <td className="value">
        {charge === undefined ? 'USB' : percent(charge)}
        {internalFactor !== 1 && `, resistance x ${internalFactor}`}
      </td>
      <td className="value">{durationS === Infinity ? 'lasting' : stated(durationS, 's')}</td>
      <td className="value">{cruiseThrottle === 'cruise' ? 'cruising' : percent(cruiseThrottle)}</td>
      <td className="value">{liftThrottle === 'hover' ? 'hovering' : percent(liftThrottle)}</td>
      <td className="value">{scenario.isJammed === true ? 'one stalled, others moving' : `${percent(servos)} moving`}</td>
      <td className="value">{scenario.transmitters}</td>
      <td className="value">{scenario.others}</td>
    </tr>
  );
}

interface OwnFormProps {
  readonly id: string;
  readonly situation: OwnSituation;
  readonly onTakeOut: () => void;
}

function OwnForm({ id, situation, onTakeOut }: OwnFormProps) {
  const make = useMake();
  const [title, setTitle] = useState(situation.title);
  const set = (change: Partial<OwnSituation>): void => {
    make({ kind: 'set-own-situation', id, situation: { ...situation, ...change }, was: situation });
  };
  const share = (label: string, value: number, save: (value: number) => void) => (
    <NumberField
      label={label}
      unit="%"
      value={Math.round(value * 100)}
      least={0}
      most={100}
      onSave={(typed) => typed !== undefined && save(typed / 100)}
    />
  );
  const saveTitle = (): void => {
    if (title.trim() !== '' && title.trim() !== situation.title) set({ title: title.trim() });
  };
  return (
    <fieldset className="mt-3 border-t border-rule pt-2">
      <legend className="sr-only">{situation.title}</legend>
      <div className="grid max-w-[880px] grid-cols-3 gap-x-8">
        <label className="col-span-3 flex items-center gap-2 py-0.5">
          <span className="text-[13px]">Name</span>
          <input
            className="field w-64"
            maxLength={40}
            value={title}
            aria-invalid={title.trim() === ''}
            onChange={(event) => setTitle(event.target.value)}
            onBlur={saveTitle}
            onKeyDown={(event) => event.key === 'Enter' && saveTitle()}
          />
          <button type="button" className="action" onClick={onTakeOut}>
            Remove {situation.title}
          </button>
        </label>
        {share('Charge', situation.charge, (charge) => set({ charge }))}
        <NumberField
          label="Lasts"
          unit="s"
          value={situation.durationS ?? undefined}
          least={1}
          most={86_400}
          usual={{ words: 'unlimited' }}
          onSave={(durationS) => set({ durationS: durationS ?? null })}
        />
        <NumberField
          label="Cruise motors"
          unit="%"
          value={situation.cruiseThrottle === 'cruise' ? undefined : Math.round(situation.cruiseThrottle * 100)}
          least={0}
          most={100}
          usual={{ words: 'cruising' }}
          onSave={(typed) => set({ cruiseThrottle: typed === undefined ? 'cruise' : typed / 100 })}
        />
        {share('Lift motors', situation.liftThrottle, (liftThrottle) => set({ liftThrottle }))}
        {share('Servos moving', situation.servos, (servos) => set({ servos }))}
        <NumberField
          label="Pack resistance, times"
          unit={undefined}
          value={situation.internalFactor}
          least={0.5}
          most={5}
          onSave={(internalFactor) => internalFactor !== undefined && set({ internalFactor })}
        />
        {(['transmitters', 'others'] as const).map((who) => (
          <label key={who} className="flex items-center justify-between gap-2 py-0.5">
            <span className="text-[13px]">{who === 'others' ? 'Other loads' : 'Transmitters'}</span>
            <select
              className="field"
              value={situation[who]}
              onChange={(event) => {
                const state = LOAD_STATES.find((one) => one === event.target.value);
                if (state !== undefined) set({ [who]: state });
              }}
            >
              {LOAD_STATES.map((state) => (
                <option key={state}>{state}</option>
              ))}
            </select>
          </label>
        ))}
      </div>
    </fieldset>
  );
}
