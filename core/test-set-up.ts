import fc from 'fast-check'

// A failing generated case is reported with its seed at once; shrinking geometry to the last digit can take minutes.
// The seed is fixed so that a run can be repeated; FC_SEED tries others.
fc.configureGlobal({ endOnFailure: true, includeErrorInReport: true, seed: Number(process.env.FC_SEED ?? 20261123) })
