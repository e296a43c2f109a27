import { Type } from '@sinclair/typebox';
import type { Aircraft } from '../model/aircraft.ts';
import { sameJson } from '../model/canonicalJson.ts';
import { LIMITS } from '../model/limits.ts';
import { oneOf } from '../model/oneOf.ts';
import {
  MissionSchema,
  OwnSituationIdSchema,
  OwnSituationSchema,
  POWER_FIGURES,
  powerFigures,
  type PowerPlan,
} from '../model/powerPlan.ts';
import { editKind, refuse } from './family.ts';

const closed = { additionalProperties: false } as const;
const numberOrNone = Type.Union([Type.Number(), Type.Null()]);

const setFigure = editKind({
  kind: 'set-power-figure',
  schema: Type.Object(
    { kind: Type.Literal('set-power-figure'), figure: oneOf(powerFigures), value: numberOrNone, was: numberOrNone },
    closed,
  ),
  title: (edit) => `${POWER_FIGURES[edit.figure].title}: ${edit.value ?? 'default'}`,
  apply: ({ aircraft }, { figure, value, was }) => {
    const { title, least, most } = POWER_FIGURES[figure];
    if ((aircraft.power?.[figure] ?? null) !== was)
      return refuse('changed-since', `"${title}" was changed meanwhile. Check it, then decide.`);
    if (value !== null && !(value >= least && value <= most)) return refuse('bad-shape', `"${title}" must be from ${least} to ${most}.`);
    const { [figure]: _old, ...rest } = aircraft.power ?? {};
    return { aircraft: withPlan(aircraft, value === null ? rest : { ...rest, [figure]: value }) };
  },
});

const situationOrNone = Type.Union([OwnSituationSchema, Type.Null()]);

const setSituation = editKind({
  kind: 'set-own-situation',
  schema: Type.Object(
    { kind: Type.Literal('set-own-situation'), id: OwnSituationIdSchema, situation: situationOrNone, was: situationOrNone },
    closed,
  ),
  title: (edit) =>
    edit.situation === null ? `Remove the situation "${edit.was?.title ?? edit.id}"` : `Situation "${edit.situation.title}"`,
  apply: ({ aircraft }, { id, situation, was }) => {
    const { [id]: now, ...others } = aircraft.power?.situations ?? {};
    if (!sameJson(now ?? null, was)) return refuse('changed-since', 'That situation was changed meanwhile. Check it, then decide.');
    if (situation !== null && now === undefined && Object.keys(others).length >= LIMITS.ownSituations) {
      return refuse('bad-shape', `An aircraft has at most ${LIMITS.ownSituations} situations of its own. Remove one first.`);
    }
    const used = aircraft.power?.mission?.some((leg) => leg.situation === id) === true;
    if (situation === null && used) return refuse('bad-shape', 'The mission has a leg in this situation. Remove the leg first.');
    const { situations: _old, ...rest } = aircraft.power ?? {};
    const situations = situation === null ? others : { ...others, [id]: situation };
    return { aircraft: withPlan(aircraft, Object.keys(situations).length === 0 ? rest : { ...rest, situations }) };
  },
});

const setMission = editKind({
  kind: 'set-mission',
  schema: Type.Object({ kind: Type.Literal('set-mission'), mission: MissionSchema, was: MissionSchema }, closed),
  title: (edit) => (edit.mission.length === 0 ? 'Leave the mission open' : `Mission of ${edit.mission.length} legs`),
  apply: ({ aircraft }, { mission, was }) => {
    if (!sameJson(aircraft.power?.mission ?? [], was))
      return refuse('changed-since', 'The mission was changed meanwhile. Check it, then decide.');
    const { mission: _old, ...rest } = aircraft.power ?? {};
    return { aircraft: withPlan(aircraft, mission.length === 0 ? rest : { ...rest, mission }) };
  },
});

const setSurvivesFaults = editKind({
  kind: 'set-survives-faults',
  schema: Type.Object({ kind: Type.Literal('set-survives-faults'), survives: Type.Boolean(), was: Type.Boolean() }, closed),
  title: (edit) => (edit.survives ? 'Single electrical faults must be survived' : 'Single electrical faults need not be survived'),
  apply: ({ aircraft }, { survives, was }) => {
    const { survivesFaults = false, ...rest } = aircraft.power ?? {};
    if (survivesFaults !== was)
      return refuse('changed-since', 'Whether single faults must be survived was changed meanwhile. Check it, then decide.');
    return { aircraft: withPlan(aircraft, survives ? { ...rest, survivesFaults: true } : rest) };
  },
});

function withPlan(aircraft: Aircraft, power: PowerPlan): Aircraft {
  const { power: _old, ...rest } = aircraft;
  return Object.keys(power).length === 0 ? rest : { ...rest, power };
}

export const powerEdits = [setFigure, setSituation, setMission, setSurvivesFaults] as const;
