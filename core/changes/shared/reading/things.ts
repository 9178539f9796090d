import { plainText } from '../../../units'
import type { Garment, Piece, PieceFamily } from '../../../pattern'
import type { Concept, Wish } from '../../../wishes'
import { dartsOf, type FoundDart } from '../darts/find-darts'
import { dartFigures, familyOf, halfOf, shapeOf } from '../../../pattern'
import { says, used } from './amounts'

/** The parts of a garment by the words for them. */
const FAMILIES: readonly { words: Concept[]; family: PieceFamily }[] = [
  { words: ['sleeve', 'elbow', 'wrist'], family: 'sleeve' },
  { words: ['leg', 'knee', 'calf', 'thigh', 'ankle', 'inseam', 'leg-opening'], family: 'leg' },
  { words: ['skirt'], family: 'skirt' },
  { words: ['body'], family: 'bodice' },
]

/** Is a whole name said in a wish, by itself and not as a part of a longer word? */
export function isNamed(wish: Wish, name: string): boolean {
  const words = (text: string) => ` ${(plainText(text).match(/[\p{L}\d’']+/gu) ?? []).join(' ')} `
  return words(wish.text).includes(words(name))
}

/** Is the seam of a shoulder taken in or let out, and not the shoulder made narrower or broader? */
export const isShoulderSeam = (wish: Wish): boolean =>
  says(wish, 'shoulder') &&
  says(wish, 'in') !== says(wish, 'out') &&
  /\bshoulder seams?\b/i.test(wish.text) &&
  !/\b(?:wide|narrow|broad)/i.test(wish.text)

/** The pieces that a wish speaks of, and the words that say so; `isFamily` where it means a part of the garment and not one piece. */
export function askedPieces(garment: Garment, wish: Wish): { pieces: Piece[]; uses: Concept[]; isFamily: boolean } {
  // “Front” is a word for several pieces; “waistband” names one.
  const isOwnName = (name: string) => name.includes(' ') || wish.names.includes(name.toLowerCase())
  const byName = garment.pieces.filter((p) => isOwnName(p.name) && isNamed(wish, p.name)).sort((a, b) => b.name.length - a.name.length)
  const family = FAMILIES.find((f) => says(wish, ...f.words) && garment.pieces.some((p) => familyOf(p) === f.family))
  const side = (['front', 'back'] as const).filter((s) => wish.said.has(s))
  if (byName.length > 0) return { pieces: byName, uses: used(wish, 'front', 'back', 'body', 'leg', 'skirt', 'sleeve'), isFamily: false }
  if (family) {
    const all = garment.pieces.filter((p) => familyOf(p) === family.family)
    const own = side.length === 1 ? all.filter((p) => halfOf(p) === side[0]) : all
    return { pieces: own, uses: [...used(wish, ...family.words), ...side], isFamily: side.length !== 1 }
  }
  if (side.length === 0) return { pieces: [], uses: [], isFamily: false }
  return { pieces: garment.pieces.filter((p) => side.some((s) => halfOf(p) === s)), uses: side, isFamily: false }
}

/** The parts of a garment that can be made longer by themselves, each with its pieces: body, skirt, legs, sleeves. */
export const familiesOf = (garment: Garment): Piece[][] =>
  [...FAMILIES].reverse().flatMap((f) => {
    const pieces = garment.pieces.filter((p) => familyOf(p) === f.family)
    return pieces.length > 0 ? [pieces] : []
  })

const DART_WORDS: readonly Concept[] = ['side', 'armhole', 'shoulder', 'waist', 'neckline', 'bust', 'hem']
const ROLE_OF: Partial<Record<Concept, string>> = {
  side: 'side',
  armhole: 'armhole',
  shoulder: 'shoulder',
  waist: 'waist',
  neckline: 'neck',
  hem: 'hem',
}

/**
 * The darts that a wish speaks of: by their names, by the edge that they begin at, by the piece; all where it says no more
 * than “dart”.
 * @param words those that may say which; the ones that say where it goes to are not among them
 */
export function askedDarts(garment: Garment, wish: Wish, words: readonly Concept[] = DART_WORDS): { darts: FoundDart[]; uses: Concept[] } {
  const all = dartsOf(garment)
  const uses = used(wish, 'dart', 'dart-legs')
  const named = all.filter((d) => isNamed(wish, d.dart.name))
  const by = words.filter((w) => wish.said.has(w))
  const beginsAt = (d: FoundDart) => dartFigures(d.piece, shapeOf(d.piece, garment.baseSizeId), d.dart).before.role
  let darts = named.length > 0 ? named : all
  let took: Concept[] = named.length > 0 ? by : []
  if (named.length === 0)
    for (const word of by) {
      // The bust dart is the one of the front, wherever it begins.
      const fits = darts.filter((d) => (word === 'bust' ? d.piece.kind === 'front' : beginsAt(d) === ROLE_OF[word]))
      if (fits.length === 0) continue
      darts = fits
      took = [...took, word]
    }
  const piece = (['front', 'back'] as const).filter((s) => wish.said.has(s))
  const onPiece = piece.length === 1 ? darts.filter((d) => d.piece.kind.includes(piece[0]!)) : darts
  const found = onPiece.length > 0 ? onPiece : darts
  // Where nothing says which, “the dart” is that of the front.
  const fronts = named.length === 0 && took.length === 0 ? found.filter((d) => d.piece.kind === 'front') : []
  return { darts: fronts.length === 1 ? fronts : found, uses: [...uses, ...took, ...(onPiece.length > 0 ? piece : [])] }
}
