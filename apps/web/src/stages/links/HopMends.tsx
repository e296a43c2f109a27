import { hopEndName, portOfSignal, type Chain, type Hop, type HopEnd, type JudgedFinding } from '@wired-falcon/core';
import { useFindings } from '../../workers/FollowerContext.tsx';
import { Mends } from '../../workers/Mends.tsx';

/** What mends the hop at which a chain breaks: the remedies of the findings about its two ends. */
export function HopMends({ hop }: { readonly hop: Hop }) {
  const { b } = hop;
  if (b === undefined) return null;
  return (
    <MendsOf
      name={`Remedies for ${hopEndName(hop.a)} to ${hopEndName(b)}`}
      isMeant={(finding) => isOfMedium(finding, hop) || (finding.check !== STREAMS && isAbout(finding, hop.a) && isAbout(finding, b))}
    />
  );
}

const STREAMS = 'link.bandwidth';

/** The checks of wires that have no two ends: of a bus, of which a finding names all who share the mistake. */
const OF_MEDIUM: Partial<Record<Hop['medium'], string>> = { i2c: 'wire.i2c', can: 'wire.can', analog: 'power.sense-scale' };

function isOfMedium({ check, where }: JudgedFinding['finding'], { medium, a, b }: Hop): boolean {
  const checks = OF_MEDIUM[medium];
  const ends = [a, b].map((end) => end?.entry.item.id);
  return checks !== undefined && check.startsWith(checks) && where.some((subject) => subject.is === 'item' && ends.includes(subject.item));
}

/** What makes the streams of a link fit. */
export function BudgetMends({ chain: { key } }: { readonly chain: Chain }) {
  return <MendsOf name="Remedies" isMeant={(finding) => finding.check === STREAMS && finding.key.includes(key)} />;
}

interface MendsOfProps {
  readonly name: string;
  readonly isMeant: (finding: JudgedFinding['finding']) => boolean;
}

function MendsOf({ name, isMeant }: MendsOfProps) {
  const { judged } = useFindings();
  const own = judged.filter(({ waiver, finding }) => waiver === undefined && isMeant(finding));
  if (own.length === 0) return null;
  return (
    <div className="no-print mt-2 flex flex-wrap gap-1.5" role="group" aria-label={name}>
      {own.map(({ finding }) => (
        <Mends key={finding.key} finding={finding} />
      ))}
    </div>
  );
}

function isAbout({ check, where }: JudgedFinding['finding'], { entry, signal }: HopEnd): boolean {
  const isItem = where.some((subject) => subject.is === 'item' && subject.item === entry.item.id);
  // What goes through the air or over a network is told of the item, and on no port.
  if (isItem && check.startsWith('link.')) return true;
  const port = portOfSignal(signal);
  return where.some((subject) => subject.is === 'port' && subject.item === entry.item.id && subject.port === port);
}
