import type { Seam } from '../pattern'
import { RUN_THROUGH_DEG, SEAM_EASE_MM, SEAM_GOOD_MM } from '../tolerances'

export type Verdict = 'good' | 'ease' | 'fault'

export interface Tolerances {
  goodMm: number
  easeMm: number
  runThroughDeg: number
}

export const DEFAULT_TOLERANCES: Tolerances = { goodMm: SEAM_GOOD_MM, easeMm: SEAM_EASE_MM, runThroughDeg: RUN_THROUGH_DEG }

export interface WalkedSide {
  lengthMm: number
  parts: { pieceId: string; pieceName: string; edgeId: string; edgeName: string; lengthMm: number }[]
}

export interface WalkedMark {
  name: string
  /** The two marks that are meant to meet. */
  pair: Seam['marks'][number]
  firstMm: number
  secondMm: number
  /** How far outside of what the seam's surplus explains the two marks miss each other, mm. */
  offMm: number
  verdict: Verdict
}

/** An edge that runs on through a seam when sewn, and which of its ends lies there. */
export interface CornerArm {
  pieceId: string
  edgeId: string
  atStart: boolean
}

export interface WalkedCorner {
  id: string
  where: string
  /** What the edge that runs on is called: a hem, an armhole. */
  edgeName: string
  /** What it runs through, in words that go on from its name: “across the side seam”. */
  through: string
  /** The two edges that run through; one alone where it meets its own mirror image at a fold. */
  arms: CornerArm[]
  /** Turn of the sewn outline where it runs through, deg; 0 is smooth. */
  turnDeg: number
  designed: boolean
  verdict: Verdict
}

export interface WalkedSeam {
  seam: Seam
  sides: [WalkedSide, WalkedSide]
  /** First side minus second side, mm. */
  surplusMm: number
  /** How far the surplus lies outside the wanted range, mm; positive: the first side is too long. */
  offMm: number
  verdict: Verdict
  marks: WalkedMark[]
  corners: WalkedCorner[]
  /** Surplus between one shared mark and the next, in walking order: where the ease sits. */
  easeByStretch: { from: string; to: string; surplusMm: number }[]
}

export interface WalkedDart {
  pieceId: string
  pieceName: string
  dartId: string
  dartName: string
  firstMm: number
  secondMm: number
  offMm: number
  verdict: Verdict
  /** Where the edge runs across the closed dart; null for one that lies inside the piece. */
  corner: WalkedCorner | null
}

export interface WalkedFold {
  pieceId: string
  corner: WalkedCorner
}

export interface WalkedGarment {
  seams: WalkedSeam[]
  darts: WalkedDart[]
  folds: WalkedFold[]
}
