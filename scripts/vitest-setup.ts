import fc from 'fast-check';

// The same cases on every machine and every day: a failure is then a change's, not the dice's. FAST_CHECK_SEED rolls others.
fc.configureGlobal({ seed: Number(process.env.FAST_CHECK_SEED ?? 20261123) });
