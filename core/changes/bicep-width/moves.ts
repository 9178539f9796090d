import type { OpenedPiece } from '../../seams'
import type { PlayMove } from '../types'

/** The cuts and swings of each sleeve piece, as the hands make them. */
export const playBicep = (opened: readonly OpenedPiece[]): PlayMove[] =>
  opened.flatMap(({ pieceId, swings }) => swings.map((s): PlayMove => ({ ...s, pieceId, traced: [], by: { x: 0, y: 0 } })))
