import { measureLength } from '../../geometry'
import { edgePath, familyOf, isLimb, shapeOf, type EdgeRole, type Garment, type Piece } from '../../pattern'
import type { Concept, Wish } from '../../wishes'
import { oneAmount, says, towards, used } from '../shared/reading/amounts'
import { saidLevel } from '../shared/reading/levels'
import { askedPieces, familiesOf } from '../shared/reading/things'
import { firstLevel } from '../shared/levels/begin'
import { grainExtent } from '../shared/levels/find-level'
import { lengthToken } from '../../units'
import type { LevelsInputs } from '../shared/levels/schema'
import type { ChangeContext, Reading } from '../types'
import { HIGHER, LOWER, readDistance, readHeight } from './reads-height'
import { LONGER, readTwoLines, SHORTER } from './reads-two-lines'

/** Words for things that are made longer in another way. */
const OTHERS: readonly Concept[] = [
  'dart',
  'two-tipped',
  'dart-legs',
  'shoulder',
  'notch',
  'wedge',
  'fold',
  'centre-back',
  'centre-front',
  'pivot',
  'slide',
  'slash',
  'sway',
  'neckline',
  'armhole',
  'crotch-curve',
  'bicep',
  'cap-ease',
  'whole-length',
  'square-shoulder',
  'front-rise',
  'back-rise',
  'sloping-shoulder',
]

/** An edge whose whole length a wish can name as what is wanted: “make the side 8 in”, “inseam 30 long”. */
const MEASURED: [Concept, EdgeRole[]][] = [
  ['side', ['side', 'outseam']],
  ['inseam', ['inseam']],
]

/** The length of a piece that is wanted, as it is now, mm: an edge that was named, or the piece itself along its grain. */
function lengthNow(piece: Piece, sizeId: string, wish: Wish): { mm: number; uses: Concept[] } {
  const shape = shapeOf(piece, sizeId)
  for (const [word, roles] of MEASURED) {
    const edges = piece.edges.filter((e) => roles.includes(e.role))
    if (wish.said.has(word) && edges.length > 0)
      return { mm: edges.reduce((sum, e) => sum + measureLength(edgePath(shape, e.id)), 0), uses: [word] }
  }
  const { topMm, bottomMm } = grainExtent(piece, shape)
  return { mm: bottomMm - topMm, uses: [] }
}

/** What a wish says of one part of a garment. */
function readOn(pieces: readonly Piece[], uses: readonly Concept[], isClear: boolean, wish: Wish, way: 1 | 0 | -1, sizeId: string) {
  const levels = pieces.map((piece) => ({ piece, said: saidLevel(piece, sizeId, wish) }))
  // A printed line in the place that was named is better than one that is worked out.
  const at = levels.find((l) => l.said?.isPrinted) ?? levels.find((l) => l.said) ?? levels.find((l) => l.said === null) ?? levels[0]!
  const { piece, said } = at
  const now = wish.wantedMm === null ? null : lengthNow(piece, sizeId, wish)
  const missingMm = wish.wantedMm !== null && now ? wish.wantedMm - now.mm : null
  // “Lengthen to 20” what is longer already says two things; and what would be less than half as long was hardly meant.
  const isHardlyMeant = now !== null && wish.wantedMm! < now.mm / 2
  const isAgainst = missingMm !== null && (missingMm * way < 0 || wish.amounts.length > 0 || isHardlyMeant)
  const amountMm = missingMm ?? oneAmount(wish, way)
  const what = now && (now.uses.length > 0 ? `the ${now.uses[0]}` : 'it')
  const reading: Reading<LevelsInputs> = {
    inputs: { amountMm: amountMm ?? 0, pieceId: piece.id, levels: [said?.level ?? firstLevel(piece, sizeId)], leftOut: [] },
    uses: [
      ...used(wish, ...LONGER, ...SHORTER),
      ...(says(wish, 'length', 'sleeve', 'crotch-depth', 'above', 'below', 'between') ? used(wish, 'more', 'less') : []),
      ...(says(wish, 'crotch-depth') ? used(wish, 'deeper', 'shallower', ...LOWER, ...HIGHER) : []),
      ...uses,
      ...(said?.uses ?? []),
      ...(now?.uses ?? used(wish, 'side')),
      ...(isLimb(piece) ? used(wish, 'hem', 'side', 'each') : []),
      ...(says(wish, 'keep') ? used(wish, 'keep', 'hem', 'leg-opening', 'wrist', 'ankle') : []),
    ],
    takes: ['wanted'],
    // Of one piece alone it is asked: its partners follow.
    sure: amountMm !== null && !isAgainst && said !== undefined && (isClear || (Boolean(said) && uses.length === 0)),
    ...(way === 0 ? {} : { towards: way }),
    where: said?.where ?? '',
    ...(what ? { how: `${what} is then ${lengthToken(wish.wantedMm!)} long` } : {}),
    ...(said?.stays ? { stays: `the ${said.stays} stays` } : {}),
  }
  return { reading, isThere: said !== undefined }
}

/** “Hem up 2” of trousers: the leg is shorter. */
function readEnd(garment: Garment, wish: Wish, sizeId: string): Reading<LevelsInputs>[] {
  const way = towards(wish, LOWER, HIGHER)
  const legs = garment.pieces.filter(isLeg)
  if (way === 0) return []
  const { reading } = readOn(
    legs,
    ['leg', ...LOWER, ...HIGHER].filter((c) => wish.said.has(c as Concept)) as Concept[],
    true,
    wish,
    way,
    sizeId,
  )
  return [reading]
}

const isLeg = (piece: Piece): boolean => familyOf(piece) === 'leg'

/** “Bodice 3/4 shorter above the waist seam”: the seam says where, as the waist does; null for any other wish. */
function atTheWaist(wish: Wish): Wish | null {
  if (!says(wish, 'waist-seam') || !says(wish, 'above', 'below') || !says(wish, ...LONGER, ...SHORTER)) return null
  return {
    ...wish,
    said: new Set([...wish.said].map((c) => (c === 'waist-seam' ? 'waist' : c))),
    tokens: wish.tokens.map((t) => (t.is === 'concept' && t.concept === 'waist-seam' ? { ...t, concept: 'waist' } : t)),
  }
}

/** “Lower the waistline 1”, “waist sits too high” of trousers: their waist is their upper edge, and goes with the rise; null for any other wish. */
function asRise(wish: Wish, garment: Garment): Wish | null {
  const isLegs = garment.pieces.some(isLeg) && garment.pieces.every((p) => familyOf(p) !== 'bodice')
  if (
    !isLegs ||
    !says(wish, 'waist') ||
    !says(wish, 'up', 'down', 'too-high', 'too-low') ||
    says(wish, 'front', 'back', 'dart', 'side', 'hem')
  )
    return null
  return {
    ...wish,
    text: `${wish.text} rise`,
    said: new Set([...wish.said].map((c) => (c === 'waist' ? 'crotch-depth' : c))),
    tokens: wish.tokens.map((t) => (t.is === 'concept' && t.concept === 'waist' ? { ...t, concept: 'crotch-depth' } : t)),
  }
}

/** Craft 6.1 as it is said: “lengthen the leg by 2 keep the knee”, “2 in shorter above the waist”, “make the sleeve 22 in long”. */
export function readLengthen(wish: Wish, garment: Garment, context: ChangeContext): Reading<LevelsInputs>[] {
  const rise = asRise(wish, garment)
  if (rise) return readOf(rise, garment, context).map((r) => ({ ...r, uses: [...r.uses, 'waist'], sure: false }))
  const atWaist = atTheWaist(wish)
  return atWaist
    ? readOf(atWaist, garment, context).map((r) => ({ ...r, uses: [...r.uses, 'waist-seam'] }))
    : readOf(wish, garment, context)
}

/** Longer or shorter: a crotch that hangs too low has too long a rise; a rise itself is higher when it is longer. */
function wayOf(wish: Wish, hasLength: boolean, isCrotch: boolean) {
  const isRise = isCrotch && /\brise\b/i.test(wish.text) && !/\bcrotch\b/i.test(wish.text)
  const [longer, shorter] = isRise ? [HIGHER, LOWER] : [LOWER, HIGHER]
  return towards(
    wish,
    [...LONGER, ...(hasLength ? (['more'] as const) : []), ...(isCrotch ? [...longer, 'deeper' as const] : [])],
    [...SHORTER, ...(hasLength ? (['less'] as const) : []), ...(isCrotch ? [...shorter, 'shallower' as const] : [])],
  )
}

function readOf(wish: Wish, garment: Garment, context: ChangeContext): Reading<LevelsInputs>[] {
  if (says(wish, ...OTHERS, 'waist-seam', 'grading') || wish.counts.up + wish.counts.down > 0) return []
  // “Take 3/4 off the sleeves” is likely said of their length, and asked about.
  const isTaken = !says(wish, 'length', 'width', 'hem', 'wrist', 'side', 'each', 'round') && says(wish, 'more', 'less')
  // As is “take 1 out of the body above the waist”.
  // “Cut off 3 inches” of trousers or a skirt: nothing else is said.
  const isBare =
    [...wish.said].every((c) => c === 'less') &&
    wish.said.size === 1 &&
    garment.pieces.every((p) => familyOf(p) !== 'bodice' && p.kind !== 'sleeve')
  const isLikely =
    isBare ||
    (isTaken &&
      (wish.said.has('sleeve') ||
        says(wish, 'between') ||
        (says(wish, 'above', 'below') && says(wish, 'body', 'skirt', 'leg', 'knee', 'elbow'))))
  const distance = readDistance(wish, garment, context.sizeId)
  if (distance.length > 0) return distance
  const isCrotch = wish.said.has('crotch-depth')
  // The crotch of one half alone is a wedge at its middle.
  if (isCrotch && says(wish, 'front') !== says(wish, 'back')) return []
  const hasLength = wish.said.has('length') || isCrotch || isLikely
  const way = wayOf(wish, hasLength, isCrotch)
  if (way === 0 && says(wish, 'hem', 'leg-opening') && garment.pieces.some(isLeg)) return readEnd(garment, wish, context.sizeId)
  if (way === 0 && wish.wantedMm === null) return readHeight(familiesOf(garment), wish, context.sizeId)
  // “Set the waist to 30” is said of a round, not of a length.
  if (way === 0 && says(wish, 'bust', 'waist', 'hip', 'thigh', 'knee', 'calf', 'ankle', 'wrist', 'hem', 'leg-opening')) return []
  const asked = askedPieces(garment, wish)
  const families = familiesOf(garment)
  const bodies = families.filter((f) => f[0]!.kind !== 'sleeve')
  // The hem of a body or a skirt has a change of its own; that of trousers is the end of the leg.
  const meant = asked.pieces.length > 0 ? [asked.pieces] : says(wish, 'hem', 'side', 'inseam') ? bodies : families
  if (meant.length === 0 || (says(wish, 'hem') && !says(wish, 'keep') && meant.some((f) => !f.every(isLimb)))) return []
  const isClear = !isLikely && (asked.isFamily || (asked.pieces.length === 0 && meant.length === 1))
  if (way !== 0 && says(wish, 'above') && says(wish, 'below')) {
    const two = meant.flatMap((pieces) => readTwoLines(pieces, asked.uses, wish, way, context.sizeId))
    if (two.length > 0) return two
  }
  // Of several that were not named, the ones are meant that are nearly as long.
  const isNear = (pieces: readonly Piece[]) => {
    const { mm } = lengthNow(pieces[0]!, context.sizeId, wish)
    return asked.pieces.length > 0 || wish.wantedMm === null || Math.abs(wish.wantedMm - mm) <= mm / 2
  }
  const near = meant.length === 1 ? meant : meant.filter(isNear)
  const read = near.map((pieces) => readOn(pieces, asked.uses, isClear, wish, way, context.sizeId))
  // Where only one part of the garment has the height that was named, that part is meant.
  const there = read.filter((r) => r.isThere)
  const sure = there.filter((r) => r.reading.sure)
  return (sure.length > 0 ? sure : there.length > 0 ? there : read).map((r) => r.reading)
}
