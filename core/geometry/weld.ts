import type { Path, Segment } from './types'

/** Ends that differ by rounding noise are made one point, so that outlines stay closed to the last digit. */
export const weld = (path: readonly Segment[]): Path => path.map((s, i) => (i === 0 ? s : { ...s, from: path[i - 1]!.to }))
