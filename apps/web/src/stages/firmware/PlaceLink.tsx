import { Link } from 'react-router';
import { asId, type AircraftId, type DecidedAt, type ItemId } from '@wired-falcon/core';
import { paths } from '../../addresses/paths.ts';
import { useSelection } from '../../selection/SelectionContext.tsx';

interface PlaceLinkProps {
  readonly words: string;
  readonly place: DecidedAt | undefined;
  /** Given, and not asked for here: there are hundreds of these on a page, and the document changes with every edit. */
  readonly aircraft: AircraftId;
}

/** What a line rests on, as a link to where that is decided; what it is about is selected there. */
export function PlaceLink({ words, place, aircraft }: PlaceLinkProps) {
  const { select } = useSelection();
  if (place === undefined) return <>{words}</>;
  const { item } = place;
  return (
    <Link
      to={addressOf(aircraft, place)}
      className="inline-block min-h-6 underline"
      onClick={() => {
        if (item !== undefined) select({ is: 'item', item: asId<ItemId>(item) });
      }}
    >
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
