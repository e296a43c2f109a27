import { Link } from 'react-router';
import type { AircraftId, DecidedAt } from '@wired-falcon/core';
import { paths } from '../../addresses/paths.ts';
import { useDesign } from '../../session/SessionContext.tsx';

interface PlaceLinkProps {
  readonly words: string;
  readonly place: DecidedAt | undefined;
}

/** What a line rests on, as a link to where that is decided. */
export function PlaceLink({ words, place }: PlaceLinkProps) {
  const { aircraft } = useDesign();
  if (place === undefined) return <>{words}</>;
  return (
    <Link to={addressOf(aircraft.id, place)} className="inline-block min-h-6 underline">
      {words}
    </Link>
  );
}

function addressOf(aircraft: AircraftId, { at }: DecidedAt): string {
  switch (at) {
    case 'brief':
      return paths.brief(aircraft);
    case 'item':
    case 'wiring':
      return paths.wiring(aircraft);
    case 'layout':
      return paths.layout(aircraft);
    case 'ports':
      return paths.ports(aircraft);
    case 'channels':
      return paths.channels(aircraft);
    case 'modes':
      return paths.modes(aircraft);
    case 'picture':
      return paths.picture(aircraft);
    case 'outputs':
      return paths.outputs(aircraft);
    case 'firmware':
      return paths.firmware(aircraft);
  }
}
