// Properties draw the same cases at each run, so that a red run is red again. WF_SEED=random (or a number) draws others.
const fc = require('fast-check');

const wanted = process.env.WF_SEED ?? '20261125';
if (wanted !== 'random') fc.configureGlobal({ seed: Number(wanted) });
