import { byCause } from './byCause.ts';
import { basisOf, holdsFor } from './basis.ts';
import type { Aircraft, Waiver } from '../model/aircraft.ts';
import { unbuiltChanges } from '../model/builtAlike.ts';
import type { Design } from '../model/design.ts';
import { naturalOrder } from '../model/naturalOrder.ts';
import { graphOf } from '../graph/graphOf.ts';
import { subjectKey, type Check, type CheckContext, type Finding, type Remedy, type Saying, type Severity } from './finding.ts';
import { checks } from './registry.ts';

/** A check that could not look at a design, and why. All others did. */
export interface BrokenCheck {
  readonly id: string;
  readonly title: string;
  readonly error: string;
}

/** What the checks said of a design, and how the remedies of each finding are drafted, by its key. */
export interface Said {
  readonly design: Design;
  readonly findings: readonly Finding[];
  readonly drafts: ReadonlyMap<string, () => readonly Remedy[]>;
  readonly broken: readonly BrokenCheck[];
  /** The findings of each check, or why it has none. */
  readonly byCheck: ReadonlyMap<Check, CheckAnswer>;
}

type CheckAnswer = { readonly findings: readonly Finding[] } | BrokenCheck;

const cache = new WeakMap<Design, Said>();
/** What was said last, most often of the version before. */
let last: Said | undefined;

/** Everything that the checks say of a design, in stable order: severity, stage, then the sentence by reference. */
export function findingsOf(design: Design): readonly Finding[] {
  return saidOf(design).findings;
}

/** What each check says by itself, before what has one cause is told as one; in the order of checks. */
export function findingsApart(design: Design): readonly Finding[] {
  return [...saidOf(design).byCheck.values()].flatMap((answer) => ('error' in answer ? [] : answer.findings));
}

/** What each check says of a design that is only tried: what was said of the one of today stays what the next is compared with. */
export function findingsTried(tried: Design, today: Design): readonly Finding[] {
  const { byCheck } = cache.get(tried) ?? askChecks(checks, { graph: graphOf(tried) }, saidOf(today));
  return [...byCheck.values()].flatMap((answer) => ('error' in answer ? [] : answer.findings));
}

/**
 * The edits that should mend a finding of this design, best first, also of one that is told under another; none where the finding is not
 * one of this design. Which of them hold on this aircraft, `provenRemedies` tries.
 */
export function remediesOf(design: Design, { key }: Pick<Finding, 'key'>): readonly Remedy[] {
  return saidOf(design).drafts.get(key)?.() ?? [];
}

/** The checks that could not look at this design. */
export function brokenChecks(design: Design): readonly BrokenCheck[] {
  return saidOf(design).broken;
}

function saidOf(design: Design): Said {
  const known = cache.get(design);
  if (known !== undefined) return known;
  const said = askChecks(checks, { graph: graphOf(design) }, last);
  cache.set(design, said);
  last = said;
  return said;
}

/**
 * Asks checks one after the other. One that throws is named, and the others are asked as ever.
 * @param before what was said of an earlier version: a check that reads nothing of what has changed since then is not asked again
 */
export function askChecks(asked: readonly Check[], context: CheckContext, before?: Said): Said {
  const { design } = context.graph;
  const changed = before === undefined ? undefined : unbuiltChanges(before.design, design);
  const drafts = new Map<string, () => readonly Remedy[]>();
  const byCheck = new Map<Check, CheckAnswer>();
  for (const check of asked) {
    const kept = changed?.some((member) => check.reads?.includes(member)) === false ? before?.byCheck.get(check) : undefined;
    byCheck.set(check, kept ?? answerOf(check, context, drafts));
    if (kept === undefined || 'error' in kept) continue;
    // Remedies are drafted for the version of today, whatever version the finding is from.
    for (const { key } of kept.findings) drafts.set(key, () => remediesNow(check, context, key));
  }
  const answers = [...byCheck.values()];
  const findings = byCause(answers.flatMap((answer) => ('error' in answer ? [] : answer.findings)));
  return { design, findings, drafts, broken: answers.filter((answer) => 'error' in answer), byCheck };
}

/** Asks one check, and puts down how its remedies are drafted. */
function answerOf(check: Check, context: CheckContext, drafts: Map<string, () => readonly Remedy[]>): CheckAnswer {
  try {
    const findings = check.run(context).map((saying) => {
      const finding = findingFrom(check, saying);
      if (saying.remedies !== undefined) drafts.set(finding.key, saying.remedies);
      return finding;
    });
    return { findings };
  } catch (error) {
    const { id, title } = check;
    return { id, title, error: error instanceof Error ? error.message : String(error) };
  }
}

function remediesNow(check: Check, context: CheckContext, key: string): readonly Remedy[] {
  const drafts = new Map<string, () => readonly Remedy[]>();
  answerOf(check, context, drafts);
  return drafts.get(key)?.() ?? [];
}

function findingFrom(check: Check, saying: Saying): Finding {
  const evidence = saying.evidence ?? [];
  const subjects = saying.where.map(subjectKey).sort();
  return {
    check: check.id,
    stage: check.stage,
    severity: saying.severity,
    where: saying.where,
    what: saying.what,
    evidence,
    why: saying.why,
    key: [check.id, ...subjects, ...(saying.discriminator === undefined ? [] : [saying.discriminator])].join(' | '),
    basis: basisOf(saying.severity, evidence),
    ...(saying.cause === undefined ? {} : { cause: saying.cause }),
    follows: [],
  };
}

/** A finding with what people decided about it. */
export interface JudgedFinding {
  readonly finding: Finding;
  /** The waiver that holds for it: same key and same facts. */
  readonly waiver?: Waiver;
  /** A waiver that was given for it when the facts were others, and that no longer holds. */
  readonly lapsed?: Waiver;
}

/** Puts each finding together with its waiver. A waiver holds for key and basis; when the basis changed it has lapsed. */
export function judge(findings: readonly Finding[], aircraft: Aircraft): JudgedFinding[] {
  const waivers = Object.values(aircraft.waivers).sort((a, b) => naturalOrder(a.at, b.at));
  return findings.map((finding) => {
    const about = waivers.filter((waiver) => waiver.findingKey === finding.key);
    const waiver = about.find((candidate) => holdsFor(candidate.basis, finding.basis));
    if (waiver !== undefined) return { finding, waiver };
    const lapsed = about.at(-1);
    return lapsed === undefined ? { finding } : { finding, lapsed };
  });
}

/** How many findings of each severity stand, waived ones left out. */
export function countBySeverity(judged: readonly JudgedFinding[]): Record<Severity, number> {
  const counts: Record<Severity, number> = { stop: 0, mend: 0, note: 0 };
  for (const { finding, waiver } of judged) if (waiver === undefined) counts[finding.severity]++;
  return counts;
}
