import fc from 'fast-check'

// A failing generated case is reported with its seed at once; shrinking geometry to the last digit can take minutes.
// The seed is fixed so that a run can be repeated; FC_SEED tries others. Sixty cases of each law, where it names no number:
// enough to find what is wrong with it, and the core is tested in some minutes.
fc.configureGlobal({ endOnFailure: true, includeErrorInReport: true, numRuns: 60, seed: Number(process.env.FC_SEED ?? 20261123) })
