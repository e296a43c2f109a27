import { useMemo } from 'react';
import { decimals, holesFor, LINKAGE_FIGURES, stated, type Linkage, type LinkedServo } from '@wired-falcon/core';
import { HeadRow } from '../../../ui/HeadRow.tsx';
import { NumberField } from '../../../ui/NumberField.tsx';
import { WideRegion } from '../../../ui/WideRegion.tsx';
import { useLinkageEdits } from './useLinkageEdits.ts';

const SHOWN = 6;

/** A throw that is wanted, and the holes that give it, the best first. */
export function HoleFinder({ linked, linkage }: { readonly linked: LinkedServo; readonly linkage: Linkage }) {
  const { set, takeHoles } = useLinkageEdits(linked);
  const { limits, servo, use } = linked;
  const { upDeg, downDeg } = linkage;
  const [firstUs, lastUs] = servo.widthUs;
  const found = useMemo(
    () =>
      upDeg === undefined || downDeg === undefined ? undefined : holesFor(linkage, { upDeg, downDeg }, limits.trimUs, [firstUs, lastUs]),
    [linkage, upDeg, downDeg, limits.trimUs, firstUs, lastUs],
  );
  return (
    <section aria-label="Wanted throw" className="mt-3 text-[13px]" data-testid="hole-finder">
      <h4 className="font-semibold">Wanted throw</h4>
      <div className="flex flex-wrap gap-x-6">
        {(['upDeg', 'downDeg'] as const).map((name) => (
          <NumberField
            key={name}
            label={name === 'upDeg' ? 'Up, or left' : 'Down, or right'}
            unit="deg"
            value={linkage[name]}
            least={LINKAGE_FIGURES[name].least}
            most={LINKAGE_FIGURES[name].most}
            usual={{ words: 'open' }}
            onSave={(value) => {
              const { [name]: _was, ...rest } = linkage;
              set(value === undefined ? rest : { ...rest, [name]: value });
            }}
          />
        ))}
      </div>
      {found === undefined ? (
        <p className="text-ink2">
          Enter both throws: the holes that give them are listed with the pulses to set, the finest and strongest first.
        </p>
      ) : found.length === 0 ? (
        <p className="text-rust">
          No hole gives this throw inside {firstUs} to {stated(lastUs, 'us')} and clear of the dead points.
        </p>
      ) : (
        <WideRegion label="Holes for the wanted throw">
          <table className="text-[12.5px]">
            <HeadRow heads={['Arm, mm', 'Horn, mm', 'Pulses, us', 'deg per us', 'Force', 'To the end, us', 'Use it']} cell="pr-4" />
            <tbody>
              {found.slice(0, SHOWN).map(({ armMm, hornMm, limits: own, degPerUs, force, endMarginUs }) => (
                <tr key={`${armMm} ${hornMm}`} className="value border-b border-rule" data-holes={`${armMm} ${hornMm}`}>
                  <td className="pr-4">{armMm}</td>
                  <td className="pr-4">{hornMm}</td>
                  <td className="pr-4">
                    {Math.round(own.minUs)} to {Math.round(own.maxUs)}
                  </td>
                  <td className="pr-4">{decimals(degPerUs, 3)}</td>
                  <td className="pr-4">x {decimals(force, 2)}</td>
                  <td className="pr-4">{Math.round(endMarginUs)}</td>
                  <td>
                    <button
                      type="button"
                      className="action no-print"
                      aria-label={`Use arm ${stated(armMm, 'mm')} and horn ${stated(hornMm, 'mm')}`}
                      disabled={use === undefined}
                      onClick={() => takeHoles(linkage, armMm, hornMm, own)}
                    >
                      Use
                    </button>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </WideRegion>
      )}
      {use === undefined && <p className="text-ink2">Assign a function to its output first; then the pulses can be set.</p>}
    </section>
  );
}
