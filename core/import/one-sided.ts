import { isLimb, type EdgeRole, type PieceKind } from '../pattern'

/** Kinds that are no half of a body's part, whatever their shape. */
const OF_BOTH_SIDES: readonly PieceKind[] = ['band', 'other']
/** Of these a whole piece has two. */
const TWICE_ON_WHOLE: readonly EdgeRole[] = ['side', 'armhole', 'shoulder']

/** Is a piece of one side of the body: a limb, or half a front, back or skirt? “Cut 2” is then a left and a right one. */
export const isOneSided = (kind: PieceKind, roles: readonly EdgeRole[]): boolean =>
  isLimb({ kind }) || (!OF_BOTH_SIDES.includes(kind) && TWICE_ON_WHOLE.some((role) => roles.filter((r) => r === role).length === 1))
