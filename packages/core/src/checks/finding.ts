import type { Graph } from '../graph/graph.ts';
import type { CableId, ConductorId, ItemId } from '../model/ids.ts';
import type { Unbuilt } from '../model/builtAlike.ts';
import type { Stage } from '../model/stages.ts';
import type { Edit } from '../edits/registry.ts';

export const SEVERITIES = ['stop', 'mend', 'note'] as const;
/**
 * `stop`: can damage, burn or lose the aircraft. `mend`: will not work as planned. `note`: works; something to know.
 */
export type Severity = (typeof SEVERITIES)[number];

/** A thing that a finding is about; the interface points at it. */
export type Subject =
  | { readonly is: 'item'; readonly item: ItemId }
  | { readonly is: 'port'; readonly item: ItemId; readonly port: string }
  | { readonly is: 'pin'; readonly item: ItemId; readonly port: string; readonly n: number }
  | { readonly is: 'cable'; readonly cable: CableId }
  | { readonly is: 'conductor'; readonly cable: CableId; readonly conductor: ConductorId };

/** One number or fact that a finding rests on: what it is, its value with unit, and the limit where there is one. */
export interface Evidence {
  readonly label: string;
  readonly value: string;
  readonly limit?: string;
}

/** An edit that mends a finding. Ids of new things in it are placeholders: apply it through `withFreshIds`. */
export interface Remedy {
  /** Two to five words, for a button. */
  readonly label: string;
  /** What will be changed, as a sentence. */
  readonly sentence: string;
  readonly edit: Edit;
  /** One of several that differ in the part that is chosen: the best three that hold are offered. */
  readonly isChoice?: true;
}

/** What several findings come from. */
export interface Cause {
  /** The same for all that come from it, whichever check finds them. */
  readonly of: string;
  /** How far from it the finding is: the nearest tells it. 0 is the cause itself, 1 what it overloads, 2 what starves behind that. */
  readonly distance: 0 | 1 | 2;
}

/** A finding that is told under another one, which has the same cause and is nearer to it. */
export interface Follower {
  readonly key: string;
  readonly check: string;
  readonly severity: Severity;
  readonly what: string;
}

/** What a check found. Plain data, which crosses threads; what mends it is asked for by `remediesOf`. */
export interface Finding {
  readonly check: string;
  readonly stage: Stage;
  readonly severity: Severity;
  readonly where: readonly Subject[];
  /** One sentence with the references in it. */
  readonly what: string;
  readonly evidence: readonly Evidence[];
  /** What happens if it stays. */
  readonly why: string;
  /** The same for the same mistake at the same place, whatever else changes. */
  readonly key: string;
  /** The facts that the finding rests on. A waiver holds for key and basis. */
  readonly basis: string;
  /** What it comes from, where other findings can come from the same. */
  readonly cause?: Cause;
  /** What else comes from the same cause. */
  readonly follows: readonly Follower[];
}

/** What a check says of one place; the registry adds what all findings of the check share. */
export interface Saying {
  readonly severity: Severity;
  readonly where: readonly Subject[];
  readonly what: string;
  readonly evidence?: readonly Evidence[];
  readonly why: string;
  /** What mends it, drafted only when somebody asks. */
  readonly remedies?: () => readonly Remedy[];
  /** Tells apart two findings about the same subjects. */
  readonly discriminator?: string;
  /** One cause is one finding: what has the same one is told under the finding that is nearest to it. */
  readonly cause?: Cause;
}

/** What a check may look at. */
export interface CheckContext {
  readonly graph: Graph;
}

/** One design check: a pure function of the graph and of what is computed from it. */
export interface Check {
  readonly id: string;
  readonly stage: Stage;
  readonly title: string;
  /** Why no edit can mend what it finds; absent where it offers one, now and then at least. */
  readonly leftToPeople?: string;
  /** What it looks at besides how the aircraft is built. What it says is kept as long as neither changes. */
  readonly reads?: readonly Unbuilt[];
  readonly run: (context: CheckContext) => readonly Saying[];
}

/** The id of a subject as it stands in a finding's key. */
export function subjectKey(subject: Subject): string {
  switch (subject.is) {
    case 'item':
      return `item ${subject.item}`;
    case 'port':
      return `port ${subject.item} ${subject.port}`;
    case 'pin':
      return `pin ${subject.item} ${subject.port} ${subject.n}`;
    case 'cable':
      return `cable ${subject.cable}`;
    case 'conductor':
      return `conductor ${subject.cable} ${subject.conductor}`;
  }
}
