import {
  clevisTurns,
  MIDDLE_US,
  squaringTrimUs,
  quantity,
  rodWords,
  travelOfServo,
  turnWords,
  type Linkage,
  type LinkedServo,
} from '@wired-falcon/core';
import { Link } from 'react-router';
import { paths } from '../../../addresses/paths.ts';
import { useDesign } from '../../../session/SessionContext.tsx';
import { useReadersUnits } from '../../../ui/readersUnits.ts';
import { useLinkageEdits } from './useLinkageEdits.ts';

/** The flown trim as turns of the clevis, the trim that squares the arm, and whether the surface goes the way its function wants. */
export function TrimHelp({ linked, linkage }: { readonly linked: LinkedServo; readonly linkage: Linkage }) {
  const { takeTrim, setTrim } = useLinkageEdits(linked);
  const { read } = useReadersUnits();
  const { limits, use, isOpening } = linked;
  const flown = use === undefined || isOpening || limits.trimUs === MIDDLE_US ? undefined : clevisTurns(linkage, limits.trimUs);
  const square = squaringTrimUs(linkage);
  const isSquare = square === undefined || Math.abs(square - limits.trimUs) < 1;
  return (
    <section aria-label="Trim" className="mt-3 text-[13px]" data-testid="trim-help">
      <h4 className="font-semibold">Trim</h4>
      {isOpening ? (
        <p className="text-ink2">Closed at {quantity(limits.trimUs, 'us')}.</p>
      ) : flown === undefined ? (
        <p className="text-ink2">
          The trim of the output is {quantity(limits.trimUs, 'us')}. After a flight, set it to the trim that was flown.
        </p>
      ) : (
        <>
          <p>
            {read(`${quantity(limits.trimUs, 'us')} is ${turnWords(flown.turns)} at one clevis: the rod ${rodWords(flown.rodMm)} long.`)}
          </p>
          <button type="button" className="action no-print" onClick={() => takeTrim(linkage, flown.rodMm)}>
            Move the trim into the rod
          </button>
        </>
      )}
      {square !== undefined && !isOpening && !isSquare && use !== undefined && (
        <p className="mt-1">
          The arm is square at {quantity(square, 'us')}.{' '}
          <button type="button" className="action no-print" onClick={() => setTrim(square)}>
            Square it by the trim
          </button>
        </p>
      )}
      <Way linked={linked} linkage={linkage} />
    </section>
  );
}

/** Which way a longer pulse moves the surface, and what that means for the reversal of the output. */
function Way({ linked, linkage }: { readonly linked: LinkedServo; readonly linkage: Linkage }) {
  const { setReversed } = useLinkageEdits(linked);
  const { aircraft } = useDesign();
  const travel = travelOfServo(linked);
  if (travel === undefined || linked.use === undefined) return null;
  const goesDown = (linkage.arm === 'pushes') === (linkage.horn === 'above');
  const isSpoiler = linked.function?.startsWith('spoiler') === true;
  const isReversed = linked.use.reversed === true;
  const isRight = (goesDown !== isReversed) !== isSpoiler;
  return (
    <p className="mt-1" data-way={isRight ? 'right' : 'wrong'}>
      As described, a longer pulse moves the trailing edge {goesDown ? 'down, or right' : 'up, or left'}: the output is{' '}
      {isRight ? 'correct' : 'reversed'}.{' '}
      {!isRight && (
        <button type="button" className="action no-print" onClick={() => setReversed(!isReversed)}>
          {isReversed ? 'Do not reverse it' : 'Reverse it'}
        </button>
      )}{' '}
      <Link className="underline" to={paths.directions(aircraft.id)}>
        Test it on the aircraft
      </Link>
    </p>
  );
}
