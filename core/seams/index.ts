export { bodySides, otherSide, sideOfPart, type Side } from './body-sides'
export {
  armholesWithSleeve,
  distinctHalves,
  findArmholes,
  halfKey,
  sameSleeve,
  topMark,
  whyNoArmhole,
  type Armhole,
  type Sleeve,
} from './find-armholes'
export { HALVES, measureArmhole, runLength, topOfCap, type ArmholeFigures, type Half, type SleevedArmhole } from './measure-armhole'
export { capParts, edgeBeyond, joinRuns, type CapPart } from './cap-parts'
export { fitCap, settleCapMarks, type CapWay } from './fit-cap'
export { capDrawer, NO_CAP_MOVE } from './reshape-cap'
export { settleCaps, settleCapsInSizes, type SettledCap } from './settle-caps'
export { moveUnderarm, underarmEnd, NO_UNDERARM_MOVE, type UnderarmMove } from './move-underarm'
export { fitArmholes, type ArmholeFit, type ArmholeWay } from './fit-armhole'
export { moveShoulder, type ShoulderMove } from './move-shoulder'
export { shoulderAbove, shoulderLength, type ShoulderOf } from './shoulder-above'
export { bicepPieces, type BicepPiece } from './bicep-pieces'
export { openBicep, type BicepSwing, type OpenedPiece } from './open-bicep'
export { beyondDart, closeDartsIn } from './over-darts'
export { letOutAcross, mostOf } from './let-out-across'
export { lengthenShoulder } from './lengthen-shoulder'
export { turnAtPanel, type PanelShoulder } from './shoulder-panel'
export { slopeShoulder } from './slope-shoulder'
export { evenUnderarms } from './even-underarms'
export { layTogether, unlay } from './lay-together'
export {
  averageReadings,
  crotchOf,
  distancesTo,
  layCrotch,
  type BodyCurve,
  type Crotch,
  type CrotchReading,
  type LaidCrotch,
} from './crotch'
export { crotchDepth, letOutAt, scoopedPlace, scoopLeg, type CrotchDepth } from './scoop-crotch'
export { findNecklines, isFacing, isStraightNeckline, type Neckline, type NeckShoulder } from './find-necklines'
export { neckAngles, neckMiddle, SQUARE_DEG } from './neckline-halves'
export { redrawNecklines, type NecklineMove } from './redraw-neckline'
export { bandsAlong, isStraightBand, lengthenBand, type SewnBand } from './lengthen-band'
export { biasStrips, type BiasStrips } from './bias-strips'
export { coverOf, findWrap, wrapFront, wrapNow, wrapPlaces, type WrapMove, type WrapPiece } from './wrap-front'
export { edgeDown, lengthOfSide, letOutSeam, placeOnSeam, shareAt, sidesOfSeam, type SeamSide, type SeamStretch } from './let-out-seam'
