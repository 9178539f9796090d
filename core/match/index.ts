export { walkSeam } from './walk-seam'
export { walkGarment, cornersAsSewn } from './walk-garment'
export {
  DEFAULT_TOLERANCES,
  type Tolerances,
  type CornerArm,
  type Verdict,
  type WalkedCorner,
  type WalkedDart,
  type WalkedGarment,
  type WalkedMark,
  type WalkedSeam,
} from './types'
