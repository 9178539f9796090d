import { dartFigures, shapeOf, type Garment } from '../../pattern'
import type { Concept, Wish } from '../../wishes'
import { oneAmount, says, saysWaist, used } from '../shared/reading/amounts'
import { dartWay } from '../shared/reading/dart-way'
import { askedDarts } from '../shared/reading/things'
import { dartsOf, type FoundDart } from '../shared/darts/find-darts'
import type { Reading } from '../types'
import type { DartIntakeInputs } from './schema'

const NEW_DART =
  /\b(?:add|put in|insert|make|need|want)s?\b.*\b(?:an?|another|two|new)\b(?: [\p{L}-]+){0,2} darts?\b|\badd(?: [\p{L}-]+)? darts\b/iu

/** Concepts that those words are read as, and those for the place of a dart. */
const SAID: readonly Concept[] = ['deeper', 'shallower', 'out', 'in', 'more', 'less', 'too-tight', 'too-loose', 'too-high', 'too-low']
/** Whoever says one of these speaks of something else that is done with darts. */
const OTHER: readonly Concept[] = [
  'move',
  'finish',
  'split',
  'merge',
  'straighten',
  'fold',
  'gapes',
  'apex',
  'up',
  'down',
  'longer',
  'shorter',
  'two-tipped',
  'dart-legs',
]

/** A waist dart may also be one with two tips, and one of the front is none of the back: then nothing here is meant. */
function isWhereSaid(wish: Wish, { piece, dart }: FoundDart, sizeId: string): boolean {
  const { role } = dartFigures(piece, shapeOf(piece, sizeId), dart).before
  const isHalf = (['front', 'back'] as const).every((half) => !says(wish, half) || piece.kind.includes(half))
  return isHalf && (!says(wish, 'waist') || role === 'waist')
}

/** Does a dart lie in a side? What it takes in there is what the front is longer than the back: that is asked about. */
const isAtSide = ({ piece, dart }: FoundDart, sizeId: string): boolean =>
  dartFigures(piece, shapeOf(piece, sizeId), dart).before.role === 'side'

/** The waist of trousers or a skirt stands away at the back: its darts there take the gap in, half of it on each side of the body. */
function readGap(wish: Wish, garment: Garment): Reading<DartIntakeInputs>[] {
  if (!says(wish, 'gapes') || !saysWaist(wish) || !says(wish, 'back') || says(wish, 'dart', 'fold', 'centre-back')) return []
  const darts = dartsOf(garment).filter(({ piece, dart }) => {
    const { role } = dartFigures(piece, shapeOf(piece, garment.baseSizeId), dart).before
    return piece.kind.includes('back') && role === 'waist'
  })
  const gapMm = oneAmount(wish, 1)
  return darts.slice(0, 1).map((d) => ({
    inputs: { dart: d.ref, amountMm: (gapMm ?? 0) / 2 / darts.length },
    uses: used(wish, 'gapes', 'waist', 'back'),
    sure: false,
    towards: 1,
    where: `on the ${d.piece.name}`,
    how: gapMm ? 'on each side of the body' : '',
  }))
}

/** Craft 6.11 as it is said: “waist dart 1/4 deeper”, “let out the back dart 1/8”, “the dart is too wide”. */
export function readDartIntake(wish: Wish, garment: Garment): Reading<DartIntakeInputs>[] {
  const gap = readGap(wish, garment)
  if (gap.length > 0) return gap
  const way = dartWay(wish)
  if (!says(wish, 'dart') || says(wish, ...OTHER) || way === 0) return []
  const { darts: asked, uses } = askedDarts(garment, wish)
  const darts = asked.filter((d) => isWhereSaid(wish, d, garment.baseSizeId))
  const amountMm = oneAmount(wish, way)
  // “Add a dart” wants one that is not there.
  if (wish.amounts.length === 0 && NEW_DART.test(wish.text)) return []
  return darts.map((d) => ({
    inputs: { dart: d.ref, amountMm: amountMm ?? 0 },
    uses: [...uses, ...used(wish, ...SAID, 'width', 'front', 'back', 'waist', 'make')],
    sure: amountMm !== null && darts.length === 1 && !isAtSide(d, garment.baseSizeId),
    towards: way,
    where: `on the ${d.piece.name}`,
    how: wish.amounts.length > 0 ? 'between the ends of its legs' : '',
  }))
}
