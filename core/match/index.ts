export {
  walkGarment,
  cornersAsSewn,
  DEFAULT_TOLERANCES,
  type Tolerances,
  type CornerArm,
  type Verdict,
  type WalkedCorner,
  type WalkedDart,
  type WalkedGarment,
  type WalkedMark,
  type WalkedSeam,
} from './walk-garment'
