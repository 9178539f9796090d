import { measureLength } from '../../geometry'
import { edgePath, shapeOf, type EdgeRole, type Garment, type Piece } from '../../pattern'
import type { Concept, Wish } from '../../wishes'
import { oneAmount, says, towards, used } from '../shared/reading/amounts'
import { saidLevel } from '../shared/reading/levels'
import { askedPieces, familiesOf } from '../shared/reading/things'
import { firstLevel } from '../shared/levels/begin'
import { grainExtent } from '../shared/levels/find-level'
import { lengthToken } from '../../units'
import type { LevelsInputs } from '../shared/levels/schema'
import type { ChangeContext, Reading } from '../types'

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
  'square-shoulder',
  'sloping-shoulder',
]
const LONGER: readonly Concept[] = ['longer', 'too-short']
const SHORTER: readonly Concept[] = ['shorter', 'too-long']

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
  // “Lengthen to 20” what is longer already says two things.
  const isAgainst = missingMm !== null && (missingMm * way < 0 || wish.amounts.length > 0)
  const amountMm = missingMm ?? oneAmount(wish, way)
  const what = now && (now.uses.length > 0 ? `the ${now.uses[0]}` : 'it')
  const reading: Reading<LevelsInputs> = {
    inputs: { amountMm: amountMm ?? 0, pieceId: piece.id, levels: [said?.level ?? firstLevel(piece, sizeId)], leftOut: [] },
    uses: [
      ...used(wish, ...LONGER, ...SHORTER),
      ...(wish.said.has('length') || wish.said.has('sleeve') || wish.said.has('crotch-depth') ? used(wish, 'more', 'less') : []),
      ...uses,
      ...(said?.uses ?? []),
      ...(now?.uses ?? used(wish, 'side')),
      ...(isLimb(piece) ? used(wish, 'hem', 'side') : []),
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

const isLimb = (piece: Piece): boolean => piece.kind === 'sleeve' || piece.kind.startsWith('leg')

/** Craft 6.1 as it is said: “lengthen the leg by 2 keep the knee”, “2 in shorter above the waist”, “make the sleeve 22 in long”. */
export function readLengthen(wish: Wish, garment: Garment, context: ChangeContext): Reading<LevelsInputs>[] {
  if (says(wish, ...OTHERS, 'waist-seam', 'grading') || wish.counts.up + wish.counts.down > 0) return []
  // “Take 3/4 off the sleeves” is likely said of their length, and asked about.
  const isLikely = wish.said.has('sleeve') && !says(wish, 'length', 'width', 'hem', 'wrist') && says(wish, 'more', 'less')
  const hasLength = wish.said.has('length') || wish.said.has('crotch-depth') || isLikely
  const way = towards(wish, hasLength ? [...LONGER, 'more'] : LONGER, hasLength ? [...SHORTER, 'less'] : SHORTER)
  if (way === 0 && wish.wantedMm === null) return []
  // “Set the waist to 30” is said of a round, not of a length.
  if (way === 0 && says(wish, 'bust', 'waist', 'hip', 'thigh', 'knee', 'hem', 'leg-opening')) return []
  const asked = askedPieces(garment, wish)
  const families = familiesOf(garment)
  const bodies = families.filter((f) => f[0]!.kind !== 'sleeve')
  // The hem of a body or a skirt has a change of its own; that of trousers is the end of the leg.
  const meant = asked.pieces.length > 0 ? [asked.pieces] : says(wish, 'hem', 'side', 'inseam') ? bodies : families
  if (meant.length === 0 || (says(wish, 'hem') && !says(wish, 'keep') && meant.some((f) => !f.every(isLimb)))) return []
  const isClear = !isLikely && (asked.isFamily || (asked.pieces.length === 0 && meant.length === 1))
  const read = meant.map((pieces) => readOn(pieces, asked.uses, isClear, wish, way, context.sizeId))
  // Where only one part of the garment has the height that was named, that part is meant.
  const there = read.filter((r) => r.isThere)
  const sure = there.filter((r) => r.reading.sure)
  return (sure.length > 0 ? sure : there.length > 0 ? there : read).map((r) => r.reading)
}
