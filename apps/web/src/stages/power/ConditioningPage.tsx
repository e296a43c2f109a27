import { useState } from 'react';
import {
  capacitorForDip,
  clampsFor,
  CONDITIONER_PART,
  conditioningEdit,
  decimals,
  FILTER_PART,
  fromCatalogue,
  inSentence,
  lcFilterAnswer,
  leadCapacitance,
  quantity,
  settingsOf,
  type Part,
  stated,
  type Unit,
} from '@wired-falcon/core';
import { useGraph, useMake } from '../../session/SessionContext.tsx';
import { NumberField } from '../../ui/NumberField.tsx';

/** The arithmetic of what keeps rails quiet: capacitor and clamp, LC filter, capacitors for long battery leads. */
export function ConditioningPage() {
  return (
    <div className="grid grid-cols-2 gap-x-10 gap-y-6 px-5 py-3" data-testid="conditioning">
      <Conditioner />
      <Filter />
      <Lead />
      <Cautions />
    </div>
  );
}

/** One field of a calculator. */
interface Entry {
  readonly label: string;
  readonly unit: Unit | undefined;
  readonly least: number;
  readonly most: number;
}

type Figures<K extends string> = Readonly<Record<K, number>>;

interface FieldsProps<K extends string> {
  readonly entries: Readonly<Record<K, Entry>>;
  readonly figures: Figures<K>;
  readonly onChange: (figures: Figures<K>) => void;
}

function Fields<K extends string>({ entries, figures, onChange }: FieldsProps<K>) {
  return Object.entries<Entry>(entries).map(([id, { label, unit, least, most }]) => (
    <NumberField
      key={id}
      label={label}
      unit={unit}
      least={least}
      most={most}
      value={Object.entries<number>(figures).find(([name]) => name === id)?.[1]}
      onSave={(value) => value !== undefined && onChange({ ...figures, [id]: value })}
    />
  ));
}

const RAIL = {
  railV: { label: 'Highest normal rail', unit: 'V', least: 1, most: 60 },
  maxV: { label: 'Lowest maximum voltage on this rail', unit: 'V', least: 1, most: 80 },
  stepA: { label: 'Servo start current, step', unit: 'A', least: 0.1, most: 100 },
  stepMs: { label: 'regulator response time', unit: 'ms', least: 0.01, most: 100 },
  sourceA: { label: 'supplied meanwhile', unit: 'A', least: 0, most: 100 },
  allowedV: { label: 'Dip allowed', unit: 'V', least: 0.05, most: 5 },
  pushedA: { label: 'Servo regeneration, braking', unit: 'A', least: 0, most: 50 },
  pushedMs: { label: 'for', unit: 'ms', least: 0.1, most: 2000 },
} as const;

const ESR_OHM = 0.03;
const SLOPE_OHM = 0.4;
const TOLERANCE = 0.05;

function Conditioner() {
  const [figures, setFigures] = useState<Figures<keyof typeof RAIL>>({
    railV: 5.2,
    maxV: 6.5,
    stepA: 4,
    stepMs: 0.2,
    sourceA: 1.5,
    allowedV: 0.6,
    pushedA: 1,
    pushedMs: 50,
  });
  const dip = capacitorForDip({
    stepA: figures.stepA,
    stepS: figures.stepMs / 1000,
    sourceA: figures.sourceA,
    esrOhm: ESR_OHM,
    allowedV: figures.allowedV,
  });
  const [clamp] = clampsFor({
    railV: figures.railV,
    absoluteMaxV: figures.maxV,
    pushedA: figures.pushedA,
    pushedS: figures.pushedMs / 1000,
    slopeOhm: SLOPE_OHM,
    tolerance: TOLERANCE,
  });
  return (
    <section aria-label="Rail conditioner">
      <h2 className="text-[15px] font-bold">Rail conditioner: capacitor and clamp</h2>
      <Fields entries={RAIL} figures={figures} onChange={setFigures} />
      <p className="mt-2 text-[13px]" data-testid="dip">
        {dip === undefined
          ? 'No capacitor is enough: its own resistance causes the whole dip. Use several in parallel, or a stronger regulator.'
          : `At least ${stated(dip.microfarad, 'uF')} with ${stated(ESR_OHM * 1000, 'mohm')}: the dip is ${quantity(dip.dipV, 'V')}.`}
      </p>
      <p className="mt-1 text-[13px]" data-testid="clamp">
        {clamp === undefined
          ? 'No standard zener value is above the normal rail and below the lowest maximum voltage.'
          : `Zener ${stated(clamp.volts, 'V')}, 5 %: begins at ${quantity(clamp.fromV, 'V')}, holds the rail below ${quantity(clamp.toV, 'V')}; it does not conduct at the normal rail; a braking servo puts ${quantity(clamp.energyJ, 'J')} into it.`}
      </p>
      <PutIn
        part={CONDITIONER_PART}
        wanted={dip === undefined || clamp === undefined ? undefined : { microfarad: dip.microfarad, clamp: clamp.volts }}
      />
    </section>
  );
}

const FILTER = {
  volts: { label: 'Supply', unit: 'V', least: 1, most: 60 },
  amps: { label: 'Load', unit: 'A', least: 0.01, most: 10 },
  microhenry: { label: 'Coil', unit: 'uH', least: 1, most: 10_000 },
  coilMilliohm: { label: 'Resistance of the coil', unit: 'mohm', least: 1, most: 10_000 },
  microfarad: { label: 'Capacitor', unit: 'uF', least: 1, most: 10_000 },
  esrMilliohm: { label: 'Its series resistance', unit: 'mohm', least: 1, most: 10_000 },
  switchingKhz: { label: 'Motor controller switching frequency', unit: 'kHz', least: 1, most: 200 },
  motorHz: { label: 'Highest motor frequency', unit: 'Hz', least: 10, most: 20_000 },
} as const;

function Filter() {
  const [figures, setFigures] = useState<Figures<keyof typeof FILTER>>({
    volts: 12,
    amps: 0.5,
    microhenry: 100,
    coilMilliohm: 80,
    microfarad: 470,
    esrMilliohm: 50,
    switchingKhz: 24,
    motorHz: 2000,
  });
  const answer = lcFilterAnswer(
    {
      microhenry: figures.microhenry,
      coilOhm: figures.coilMilliohm / 1000,
      microfarad: figures.microfarad,
      esrOhm: figures.esrMilliohm / 1000,
    },
    { volts: figures.volts, amps: figures.amps, switchingHz: figures.switchingKhz * 1000, motorHz: [0, figures.motorHz] },
  );
  return (
    <section className="[&_[data-unit]]:min-w-9" aria-label="LC filter">
      <h2 className="text-[15px] font-bold">LC filter for video</h2>
      <Fields entries={FILTER} figures={figures} onChange={setFigures} />
      <p className="mt-2 text-[13px]" data-testid="filter">
        Resonance at {quantity(answer.resonanceHz, 'Hz')}, Q {decimals(answer.q, 1)}. At {stated(figures.switchingKhz, 'kHz')}{' '}
        {quantity(answer.attenuationDb, 'dB')} weaker; it drops {quantity(answer.dropV, 'V')}.
      </p>
      {answer.isHarmful && (
        <p role="alert" className="mt-1 text-[13px] text-rust">
          At {quantity(answer.peakHz, 'Hz')} the noise is {quantity(answer.peakDb, 'dB')} stronger, and the motor turns through that
          frequency. Use a larger capacitor, or one with more series resistance.
        </p>
      )}
      <PutIn part={FILTER_PART} wanted={{ microhenry: figures.microhenry, microfarad: figures.microfarad }} />
    </section>
  );
}

function Lead() {
  const [addedMm, setAddedMm] = useState(300);
  const { microfarad, pieces } = leadCapacitance(addedMm);
  return (
    <section aria-label="Long battery lead">
      <h2 className="text-[15px] font-bold">Long battery lead</h2>
      <NumberField
        label="Lengthened by"
        unit="mm"
        value={addedMm}
        least={0}
        most={5000}
        onSave={(value) => value !== undefined && setAddedMm(value)}
      />
      <p className="mt-2 text-[13px]" data-testid="lead">
        {microfarad === 0
          ? 'Nothing to add.'
          : `${stated(microfarad, 'uF')} low ESR at the motor controller${pieces > 1 ? `, as ${pieces} capacitors` : ''}, above the pack's full voltage, with short leads. Longer motor leads need none.`}
      </p>
      <p className="mt-1 text-[13px] text-ink2">
        A large pack sparks when it is plugged in: use a connector with a resistor or an anti-spark lead.
      </p>
    </section>
  );
}

/** Puts a part of the samples into the aircraft with the values of its settings that are next to what was computed. */
function PutIn({ part, wanted }: { readonly part: Part | undefined; readonly wanted: Readonly<Record<string, number>> | undefined }) {
  const graph = useGraph();
  const make = useMake();
  if (part === undefined || wanted === undefined) return null;
  const found = fromCatalogue(part, wanted);
  if (found.is === 'missing') {
    return (
      <p className="mt-2 text-[13px]" data-testid="not-in-catalogue">
        The catalogue has no such part: the {inSentence(part.name)} does not come with{' '}
        {found.settings.map((id) => `${wordsOf(part, id)} ${wanted[id] ?? ''}`).join(', ')}. Buy one with these values, and enter it as a
        part of the workshop.
      </p>
    );
  }
  const { settings } = found;
  const edit = conditioningEdit(graph, part, settings);
  if (edit === undefined) return null;
  return (
    <button type="button" className="action mt-2" onClick={() => make(edit)}>
      Add it to the aircraft ({Object.values(settings).join(', ')})
    </button>
  );
}

function wordsOf(part: Part, setting: string): string {
  const spec = settingsOf(part).find(({ id }) => id === setting);
  if (spec === undefined) return setting;
  const unit = spec.is === 'choice' ? spec.unit : undefined;
  return `${spec.label.toLowerCase()}${unit === undefined ? '' : ` in ${unit}`}:`;
}

function Cautions() {
  return (
    <section aria-label="Cautions">
      <h2 className="text-[15px] font-bold">Before powering it</h2>
      <ul className="list-disc pl-5 text-[13px]">
        <li>
          The negative terminal of the capacitor goes to ground. On aluminium electrolytics the stripe marks the negative; on tantalums the
          bar marks the positive. Reversed, it bursts.
        </li>
        <li>The band of the zener, its cathode, goes to the rail.</li>
        <li>
          Test it on a separate supply with a current limit first, wearing eye protection, and measure the rail before connecting the
          controller.
        </li>
        <li>A clamp fails short beyond its energy. It never protects against a regulator that fails shorted.</li>
      </ul>
    </section>
  );
}
