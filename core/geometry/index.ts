export * from './types'
export * from './vector'
export { line, cubic, pointAt, pointsOf, tangentAt, derivativeAt, cutSegment, reverseSegment, isStraight } from './segment'
export { measureLength, measureSegment } from './measure-length'
export { placeAt, parameterAtLength } from './place-at'
export { carryBetween, fullnessFor, type PathEnd } from './carry-between'
export { cutPath } from './cut-path'
export { nearestPlace } from './nearest-place'
export { boundsOf, boundsOfPoints, handleBoxOf, joinBoxes } from './bounds-of'
export { farthestAlong } from './farthest-along'
export { measureArea } from './measure-area'
export {
  type Affine,
  IDENTITY,
  applyAffine,
  chain,
  mapPath,
  movePath,
  reversePath,
  slideBy,
  turnAbout,
  turnDirection,
} from './transform-path'

export { flattenPath } from './flatten-path'
export { intersectPaths, type Crossing } from './intersect-paths'
export { findSelfCrossing } from './find-self-crossing'
export { PointGrid } from './point-grid'
export { joinStraight, thinOut } from './thin-out'
export { fitCurve, isStraightPath } from './fit-curve'
export { countInflections } from './count-inflections'
export { findNearestRoot } from './find-nearest-root'
export { findRoot } from './find-root'
export { offsetOutline, offsetPath } from './offset-outline'
export { alongGrain, crossLevel, crossPoints } from './cross-level'
export { placeOnRay } from './place-on-ray'
export { weld } from './weld'
