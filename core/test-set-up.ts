import fc from 'fast-check'

// A failing generated case is reported with its seed at once; shrinking geometry to the last digit can take minutes.
fc.configureGlobal({ endOnFailure: true })
