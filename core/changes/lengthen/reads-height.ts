import { familyOf, findPiece, type Garment, type Piece } from '../../pattern'
import { bodyLengths } from '../../size'
import { lengthToken } from '../../units'
import type { Concept, Wish } from '../../wishes'
import { oneAmount, says, saysOnly, towards, used } from '../shared/reading/amounts'
import { saidLevel } from '../shared/reading/levels'
import type { LevelsInputs } from '../shared/levels/schema'
import type { Reading } from '../types'
import { saidAs } from './reads-two-lines'

/** Heights of the body that a wish may want elsewhere on the piece. */
const HEIGHTS: readonly Concept[] = ['waist', 'hip', 'knee', 'elbow']

export const LOWER: readonly Concept[] = ['down', 'too-high']
export const HIGHER: readonly Concept[] = ['up', 'too-low']

/**
 * “Waist 1/2 lower”, “knee too high 1”: the piece is made longer or shorter above that height. Asked about, since all below it
 * moves along.
 */
export function readHeight(families: readonly Piece[][], wish: Wish, sizeId: string): Reading<LevelsInputs>[] {
  const name = HEIGHTS.find((h) => wish.said.has(h))
  const way = towards(wish, LOWER, HIGHER)
  if (!name || way === 0 || says(wish, 'hem', 'leg-opening')) return []
  // The waist of trousers and skirts is their upper edge; an elbow is a sleeve’s.
  const own = name === 'waist' ? 'bodice' : name === 'elbow' ? 'sleeve' : null
  const meant = families.filter((f) => own === null || familyOf(f[0]!) === own)
  return meant.flatMap((pieces): Reading<LevelsInputs>[] => {
    const found = pieces.flatMap((piece) => {
      const said = saidLevel(piece, sizeId, saidAs(wish, 'above', name))
      return said ? [{ piece, said }] : []
    })
    const at = found.find((f) => f.said.isPrinted) ?? found[0]
    if (!at) return []
    return [
      {
        inputs: { amountMm: oneAmount(wish, way) ?? 0, pieceId: at.piece.id, levels: [at.said.level], leftOut: [] },
        uses: used(wish, name, 'body', 'leg', 'sleeve', ...LOWER, ...HIGHER),
        sure: false,
        towards: way,
        where: at.said.where,
        how: `above the ${name}, and all below it moves along`,
      },
    ]
  })
}

/** No height lies nearer to the waist, mm: a smaller figure says by how much something changes. */
const NEAREST_MM = 100

/** Lengths of the body that a wish can name by both their ends, by the words that are then said and no others; how the end is called. */
const DISTANCES: readonly { id: string; end: string; place: ['above', Concept]; says: readonly Concept[]; only: readonly Concept[] }[] = [
  {
    id: 'waist-to-knee',
    end: 'the knee is then',
    place: ['above', 'knee'],
    says: ['knee', 'waist'],
    only: ['below', 'from', 'length', 'leg'],
  },
  { id: 'waist-to-hip', end: 'the hip is then', place: ['above', 'hip'], says: ['hip', 'waist'], only: ['below', 'from', 'length', 'leg'] },
  {
    id: 'back-neck-to-waist',
    end: 'the waist is then',
    place: ['above', 'waist'],
    says: ['length', 'body', 'above', 'waist'],
    only: ['back', 'centre-back'],
  },
  {
    id: 'front-to-waist',
    end: 'the waist is then',
    place: ['above', 'waist'],
    says: ['length', 'body', 'above', 'waist', 'front'],
    only: [],
  },
]

/**
 * “Knee 58 cm below the waist”, “neck to waist 44 cm”: the piece is made longer or shorter between the two until they lie so far
 * apart. Asked about, since all below moves along.
 */
export function readDistance(wish: Wish, garment: Garment, sizeId: string): Reading<LevelsInputs>[] {
  const wantedMm = wish.wantedMm ?? (wish.amounts.length === 1 && wish.amounts[0]!.sign === 0 ? wish.amounts[0]!.mm : 0)
  const meant = DISTANCES.find((d) => d.says.every((c) => wish.said.has(c)) && saysOnly(wish, ...d.says, ...d.only, 'make'))
  if (!meant || wantedMm < NEAREST_MM || !says(wish, 'below', 'from', 'above')) return []
  const row = bodyLengths(garment, null).find((r) => r.id === meant.id)
  const piece = row && findPiece(garment, row.pieceId)
  const said = piece && saidLevel(piece, sizeId, saidAs(wish, ...meant.place))
  if (!row || !piece || !said) return []
  return [
    {
      inputs: { amountMm: wantedMm - row.garmentMm, pieceId: piece.id, levels: [said.level], leftOut: [] },
      uses: used(wish, ...meant.says, ...meant.only),
      takes: ['wanted'],
      sure: false,
      where: said.where,
      how: `${meant.end} ${lengthToken(wantedMm)} below the ${row.from}, and all below it moves along`,
    },
  ]
}
