import { expect, it } from '@jest/globals';
import { RealWorkshop } from './realWorkshop.ts';
import { runWorld, type WorldReport } from './world.ts';

/*
 * As many worlds as fit into the time that a test run gives them, always the same ones, from the first on. All of them, and as
 * many as one likes: npm run worlds -- 5000. One alone: npm run worlds -- 1 SEED.
 */
const wanted = Number(process.env['WF_WORLDS'] ?? Number.POSITIVE_INFINITY);
const first = Number(process.env['WF_FIRST_WORLD'] ?? 1);
const every = Number(process.env['WF_EVERY_WORLD'] ?? 1);
const SECONDS = Number(process.env['WF_WORLD_SECONDS'] ?? 70);
/** A database for so many worlds, so that a restore stays small. */
const WORLDS_PER_DATABASE = 40;
/** Fewer than this, and the sample says little. */
const LEAST = 100;

it('in every world nothing is lost, nothing is doubled, and nothing is called saved that is not', async () => {
  const end = wanted === Number.POSITIVE_INFINITY ? performance.now() + SECONDS * 1000 : Number.POSITIVE_INFINITY;
  const reports: WorldReport[] = [];
  let workshop = await RealWorkshop.open();
  for (let n = 0; n < wanted && (performance.now() < end || n < LEAST); n++) {
    if (n % WORLDS_PER_DATABASE === WORLDS_PER_DATABASE - 1) {
      await workshop.dispose();
      workshop = await RealWorkshop.open();
    }
    const report = await runWorld(workshop, first + n * every);
    reports.push(report);
    if (report.wrong.length > 0) break;
  }
  await workshop.dispose();
  const sum = (of: (report: WorldReport) => number): number => reports.reduce((total, report) => total + of(report), 0);
  process.stdout.write(
    `${reports.length} worlds: ${sum((r) => r.steps)} steps, ${sum((r) => r.edits)} edits, ${sum((r) => r.requests)} requests, ` +
      `${sum((r) => r.restarts)} restarts and ${sum((r) => r.restores)} restores of the server\n`,
  );
  expect(reports.flatMap(({ seed, wrong }) => wrong.map((sentence) => `World ${seed}: ${sentence}`))).toEqual([]);
});
