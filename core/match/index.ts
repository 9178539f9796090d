export {
  walkGarment,
  DEFAULT_TOLERANCES,
  type Tolerances,
  type Verdict,
  type WalkedCorner,
  type WalkedDart,
  type WalkedGarment,
  type WalkedMark,
  type WalkedSeam,
} from './walk-garment'
