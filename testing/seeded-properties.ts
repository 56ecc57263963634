/** Generated inputs are the same in every run of the tests, so that a failure is found again; FC_SEED tries others. */
import fc from 'fast-check';

fc.configureGlobal({ seed: Number(process.env.FC_SEED ?? 20261121) });
