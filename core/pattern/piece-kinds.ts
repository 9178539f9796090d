import type { PieceKind } from './schema'

/** What a piece is made for: its part of the body, and of which half of it. A new kind of piece is a row here. */
interface KindFacts {
  /** What it is called where one chooses it. */
  name: string
  family: 'bodice' | 'skirt' | 'leg' | 'sleeve' | 'band' | 'other'
  half: 'front' | 'back' | null
}

export type PieceFamily = KindFacts['family']
export type BodyHalf = NonNullable<KindFacts['half']>

export const KIND_FACTS: Record<PieceKind, KindFacts> = {
  front: { name: 'front', family: 'bodice', half: 'front' },
  back: { name: 'back', family: 'bodice', half: 'back' },
  sleeve: { name: 'sleeve', family: 'sleeve', half: null },
  'leg-front': { name: 'front leg', family: 'leg', half: 'front' },
  'leg-back': { name: 'back leg', family: 'leg', half: 'back' },
  'skirt-front': { name: 'skirt front', family: 'skirt', half: 'front' },
  'skirt-back': { name: 'skirt back', family: 'skirt', half: 'back' },
  band: { name: 'band', family: 'band', half: null },
  other: { name: 'other', family: 'other', half: null },
}

/** Which part of the body a piece covers. */
export const familyOf = (piece: { kind: PieceKind }): PieceFamily => KIND_FACTS[piece.kind].family

/** Which half of the body it lies on; null for one that goes round, or belongs to neither. */
export const halfOf = (piece: { kind: PieceKind }): BodyHalf | null => KIND_FACTS[piece.kind].half

/** It goes round an arm or a leg, and its grain runs down the middle of it. */
export const isLimb = (piece: { kind: PieceKind }): boolean => ['sleeve', 'leg'].includes(familyOf(piece))

/** It covers a part of the trunk or a leg, front or back. */
export const isBody = (piece: { kind: PieceKind }): boolean => halfOf(piece) !== null
