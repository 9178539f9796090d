export { findPlace, findSign, PLACES, placesOf } from './places'
export type { Place, Sign, Try } from './sign-types'
export * from './schema'
export { carriedOver, emptyFitting, emptySighting, inOrder, isSign, openQuestions, questionsOf, seenWords, type Question } from './fitting'
export { amountOf, mendSign, sharedCauses, type FittingMend } from './mend-sign'
export { mendPin, pinnedMm, pinWords } from './mend-pin'
export { isSameWork, newestFirst, stopsSince, versionOf, type Work } from './versions'
export {
  ANCHORS,
  canCompare,
  compareFigures,
  comparePieces,
  laidOn,
  likeOf,
  type Anchor,
  type ComparedMeasure,
  type ComparedPiece,
  type ComparedSide,
} from './compare-garments'
export { beginLike, commonStops, type CommonStop, type WornGarment } from './common-stops'
export { foldMarksOf, usualPin } from './usual-pin'
export { pinDrawing } from './pin-drawing'
