// Property tests try the same cases every time, so that a green run stays green; PROPERTY_SEED=any tries others.
const fc = require('fast-check');

const seed = process.env.PROPERTY_SEED ?? '20261126';
const runs = process.env.PROPERTY_RUNS;
fc.configureGlobal({
  ...(seed === 'any' ? {} : { seed: Number(seed) }),
  ...(runs ? { numRuns: Number(runs) } : {}),
});
