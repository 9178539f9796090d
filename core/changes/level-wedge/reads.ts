import { familyOf, type Garment } from '../../pattern'
import type { Concept, Wish } from '../../wishes'
import { oneAmount, says, saysOnly, towards, used } from '../shared/reading/amounts'
import type { Reading } from '../types'
import type { LevelWedgeInputs } from './schema'

const PUT_IN: readonly Concept[] = ['more', 'longer', 'too-short', 'open', 'full-seat', 'belly']
const TAKE_OUT: readonly Concept[] = ['less', 'shorter', 'too-long', 'in', 'sway', 'fold', 'flat-seat']

const LENGTHS: readonly Concept[] = ['longer', 'shorter', 'too-short', 'too-long']

const HIGHER: readonly Concept[] = ['up', 'too-low']
const LOWER: readonly Concept[] = ['down', 'too-high']

const BACK: readonly Concept[] = ['back', 'centre-back']
const FRONT: readonly Concept[] = ['front', 'centre-front']

/** Craft 6.4 as it is said: “flat seat 1/2”, “full belly 3/4”, “take a wedge of 1/2 out at centre back”, “swayback 3/4”, “centre back too long”. */
export function readLevelWedge(
  wish: Wish,
  garment: Garment,
  wedgeOn: (pieceId: string) => LevelWedgeInputs | null,
): Reading<LevelWedgeInputs>[] {
  const isCentre = says(wish, 'centre-back', 'centre-front') && !says(wish, 'hem', 'dart')
  // “Take in the centre back” is said of its seam, which has a change of its own; a fold that is taken in there is a wedge.
  const isSeam = isCentre && says(wish, 'in', 'out', 'seam') && !says(wish, 'wedge', 'sway', 'fold', 'level')
  const hasLegs = garment.pieces.some((p) => familyOf(p) === 'leg')
  // “Raise the back waist”: the middle of trousers is longer there, the side as it is.
  const isWaist = says(wish, 'waist') && says(wish, 'front', 'back') && says(wish, ...HIGHER, ...LOWER)
  // “Crotch too short at the back” is the rise of that half.
  const isHalfCrotch = says(wish, 'crotch-depth') && says(wish, 'front') !== says(wish, 'back')
  const isLeg = hasLegs && (isHalfCrotch || says(wish, 'flat-seat', 'full-seat', 'belly', 'front-rise', 'back-rise') || isWaist)
  // “Back too long by 1/2” may be said of its middle, or of the whole body, and is asked.
  const isLong = says(wish, 'back') && saysOnly(wish, 'back', 'body', 'length', ...LENGTHS)
  // A back neckline that gapes may have too much at its middle, or be taken into a dart.
  const isGaping = says(wish, 'back') && says(wish, 'neckline') && saysOnly(wish, 'back', 'neckline', 'gapes', 'in', 'edge')
  const isHalf = !hasLegs && (isLong || (isGaping && says(wish, 'gapes')))
  if ((!says(wish, 'wedge', 'sway') && !isCentre && !isLeg && !isHalf) || says(wish, 'dart', 'hem', 'pivot') || isSeam) return []
  const rises = isWaist || isHalfCrotch || says(wish, 'front-rise', 'back-rise')
  const way = isGaping ? -1 : towards(wish, [...PUT_IN, ...(rises ? HIGHER : [])], [...TAKE_OUT, ...(rises ? LOWER : [])])
  if (way === 0 && !says(wish, 'wedge')) return []
  const isFront = says(wish, 'belly', 'front-rise', ...FRONT) && !says(wish, ...BACK)
  const piece = garment.pieces.find((p) => p.kind.includes(isFront ? 'front' : 'back') && wedgeOn(p.id) !== null)
  const inputs = piece && wedgeOn(piece.id)
  if (!inputs) return []
  // “Add 1/2 at centre back” may be said of its length, or of its width.
  const isOpen = isCentre && !says(wish, 'wedge', 'sway', 'fold', 'open', ...LENGTHS) && !isLeg
  const amountMm = oneAmount(wish, way)
  return [
    {
      inputs: { ...inputs, amountMm: amountMm ?? 0 },
      uses: used(
        wish,
        'wedge',
        'sway',
        'level',
        'waist',
        'above',
        'crotch-depth',
        ...(isHalf ? (['body', 'length', 'gapes', 'edge'] as const) : []),
        'front-rise',
        'back-rise',
        'neckline',
        ...BACK,
        ...FRONT,
        ...PUT_IN,
        ...TAKE_OUT,
        ...(rises ? [...HIGHER, ...LOWER] : []),
      ),
      // A waist edge may be meant, and not the seam below it; a neckline that gapes in front, and not the back.
      sure: (amountMm !== null && !isOpen && !isWaist && !isHalf && !says(wish, 'neckline')) || (way === 0 && wish.amounts.length === 0),
      ...(way === 0 ? {} : { towards: way }),
      how: wish.amounts.length > 0 ? 'fading to nothing at the side' : '',
    },
  ]
}

/** “Rounded back 1/2”, “upper back 3/8 too short”, “erect back 1/4”: a wedge across the shoulder blades. */
export function readRoundedBack(
  wish: Wish,
  garment: Garment,
  wedgeOn: (pieceId: string) => LevelWedgeInputs | null,
): Reading<LevelWedgeInputs>[] {
  const way = says(wish, 'rounded-back') ? 1 : -1
  if (!says(wish, 'rounded-back', 'erect-back') || says(wish, ...(way === 1 ? TAKE_OUT : PUT_IN), 'dart', 'upper-chest')) return []
  const inputs = garment.pieces.filter((p) => p.kind === 'back').flatMap((p) => wedgeOn(p.id) ?? [])[0]
  if (!inputs || wish.amounts.length === 0) return []
  const amountMm = oneAmount(wish, way)
  return [
    {
      inputs: { ...inputs, amountMm: amountMm ?? 0 },
      uses: used(wish, 'rounded-back', 'erect-back', 'body', 'above', ...BACK, ...(way === 1 ? PUT_IN : TAKE_OUT)),
      sure: amountMm !== null,
      towards: way,
      how: 'across the shoulder blades, fading to nothing at the armhole',
    },
  ]
}
