import {
  lossBasis,
  lossPathsOf,
  lossTimeline,
  lossVerdicts,
  RC_FIGURES,
  dialectOf,
  delayS,
  lossActions,
  quantity,
  stated,
  throttleMargin,
  type Graph,
  type LossSignal,
  type RcFigure,
  type Unit,
} from '@wired-falcon/core';
import { useMake } from '../../../session/SessionContext.tsx';
import { NotComputed } from '../../../ui/NotComputed.tsx';
import { NumberField } from '../../../ui/NumberField.tsx';
import { useReadersUnits } from '../../../ui/readersUnits.ts';
import { useCalculated } from '../../../workers/useCalculated.ts';
import type { batteryHome } from '../calculators.ts';
import { LossPicture } from './LossPicture.tsx';
import { RcFindings } from './RcFindings.tsx';
import { RcChoiceField } from './RcChoiceField.tsx';
import { NO_RESERVE, reserveWords } from './reserveWords.ts';
import { useRcEdits } from './useRcEdits.ts';

/** What happens when the signal, the ground link or the pack is at its end. */
export function FailsafeSection({ graph }: { readonly graph: Graph }) {
  const { design } = graph;
  const timeline = lossTimeline(graph);
  const known = dialectOf(design)?.failsafe?.actions;
  const unknown = lossActions.filter((action) => known !== undefined && known[action] === undefined);
  const { thresholdUs, lowestUs } = throttleMargin(design);
  return (
    <section aria-label="Loss of signal" className="mt-6">
      <h2 className="text-lg font-bold">Loss of signal</h2>
      {timeline === undefined ? (
        <p className="mt-1 text-[13px] text-ink2">No channels arrive at a controller yet.</p>
      ) : (
        <LossPicture timeline={timeline} />
      )}
      <RcFindings name="Findings about loss of signal" checks={['rc.failsafe', 'rc.rssi-source']} />
      <div className="mt-3 grid gap-x-10 min-[1000px]:grid-cols-2 gap-y-4">
        <section aria-label="Controller">
          <RcChoiceField choice="onLoss" without={unknown} />
          <Figure figure="lossDelayS" usual={delayS(graph)} />
          <Figure figure="throttleThresholdUs" usual={dialectOf(design)?.failsafe?.throttleUs} />
          <p className="text-[12px] text-ink2">
            {thresholdUs === undefined
              ? 'The firmware does not check the throttle.'
              : lowestUs === undefined
                ? 'No channel is assigned to the throttle.'
                : `Lowest throttle ${stated(Math.round(lowestUs), 'us')}: ${stated(Math.round(lowestUs - thresholdUs), 'us')} above the threshold.`}
          </p>
          <Figure figure="returnHeightM" />
          <RcChoiceField choice="back" />
        </section>
        <section aria-label="Receivers, ground link and pack">
          <Seen graph={graph} />
          <RcChoiceField choice="onGroundLoss" without={unknown} />
          <Figure figure="groundDelayS" />
          <RcChoiceField choice="onLowBattery" without={unknown} />
          <Figure figure="wayHomeM" />
          <Figure figure="homeSpeedMps" />
          <Reserve />
        </section>
      </div>
    </section>
  );
}

/** A figure of the plan. */
export function Figure({ figure, usual }: { readonly figure: RcFigure; readonly usual?: number | undefined }) {
  const { figures, setFigure } = useRcEdits();
  const { title, unit, least, most }: { readonly title: string; readonly unit: Unit; readonly least: number; readonly most: number } =
    RC_FIGURES[figure];
  return (
    <NumberField
      label={title}
      unit={unit}
      least={least}
      most={most}
      value={figures[figure]}
      usual={{ value: usual }}
      onSave={(value) => setFigure(figure, value)}
    />
  );
}

const SEEN_WORDS: Readonly<Record<LossSignal, string>> = {
  flag: 'flag sent, controller reported it',
  'no-frames': 'frames stopped, controller reported it',
  preset: 'it sent preset channels',
  none: 'it repeated the last channels',
};

function isLossSignal(text: string): text is LossSignal {
  return Object.hasOwn(SEEN_WORDS, text);
}

/** What somebody saw each receiver do, with the stick unit switched off. */
function Seen({ graph }: { readonly graph: Graph }) {
  const make = useMake();
  const sources = new Map(lossPathsOf(graph).map((path) => [path.feed.source.entry.item.id, path]));
  const { seen } = graph.design.aircraft.rc;
  const verdicts = lossVerdicts(graph);
  return [...sources].map(([id, path]) => {
    const { item } = path.feed.source.entry;
    const own = verdicts.filter((verdict) => verdict.path.feed.source.entry.item.id === id);
    const isNoticed = own.every(({ is }) => is === 'noticed');
    const isOpen = own.every(({ is }) => is === 'noticed' || is === 'unknown');
    return (
      <div key={id} data-seen={item.ref}>
        <label className="flex items-center justify-between gap-2 text-[13px]">
          Test of {item.ref}, transmitter off, propellers off
          <select
            className="field w-56"
            value={path.seen ?? ''}
            onChange={(event) => {
              const signal = isLossSignal(event.target.value) ? event.target.value : undefined;
              const value = signal === undefined ? null : { signal, basis: lossBasis(item) };
              make({ kind: 'set-seen-loss', item: item.id, value, was: seen[item.id] ?? null });
            }}
          >
            <option value="">not tested since it was set up</option>
            {Object.entries(SEEN_WORDS).map(([signal, words]) => (
              <option key={signal} value={signal}>
                {words}
              </option>
            ))}
          </select>
        </label>
        <p className={`text-[12px] ${isNoticed ? 'text-ink2' : 'font-semibold text-rust'}`}>
          {isNoticed
            ? 'The controller detects loss of signal.'
            : isOpen
              ? 'It is unknown whether the controller detects loss of signal.'
              : 'The controller does not detect loss of signal.'}
        </p>
      </div>
    );
  });
}

/** When the pack has to send the aircraft home, computed beside what a person sets. */
function Reserve() {
  const { shown, failure } = useCalculated<typeof batteryHome>('links.battery-home', 'reserve');
  const { read } = useReadersUnits();
  const { figures, setFigure } = useRcEdits();
  const reserve = shown?.answer;
  const isFigure = reserve !== undefined && typeof reserve !== 'string';
  return (
    <div className="mt-1 text-[12.5px]" data-testid="reserve" data-seq={shown?.seq ?? 0}>
      <NotComputed what="The return could not be computed" failure={failure} />
      {reserve !== undefined && <p>{typeof reserve === 'string' ? NO_RESERVE[reserve] : read(reserveWords(reserve))}</p>}
      <Figure figure="batteryVolts" usual={isFigure ? Math.round(reserve.atVolts * 10) / 10 : undefined} />
      <Figure figure="batteryMah" usual={isFigure ? Math.round(reserve.atMah / 10) * 10 : undefined} />
      {isFigure && (figures.batteryMah ?? 0) > reserve.atMah && (
        <p role="alert" className="font-semibold text-rust">
          {stated(figures.batteryMah ?? 0, 'mAh')} is later than {quantity(reserve.atMah, 'mAh')}: the way home takes{' '}
          {quantity(reserve.homeMah, 'mAh')}.{' '}
          <button type="button" className="underline" onClick={() => setFigure('batteryMah', Math.floor(reserve.atMah / 10) * 10)}>
            Use the computed value
          </button>
        </p>
      )}
    </div>
  );
}
