import type { EdgeRole, Garment, Piece } from '../../pattern'
import type { Concept, Wish } from '../../wishes'
import { oneAmount, says, towards, used } from '../shared/reading/amounts'
import { askedPieces } from '../shared/reading/things'
import type { Reading } from '../types'
import type { SlashSwingInputs } from './schema'

const ROLES: Partial<Record<Concept, EdgeRole[]>> = {
  hem: ['hem'],
  'leg-opening': ['leg-opening'],
  waist: ['waist'],
  side: ['side', 'outseam'],
  armhole: ['armhole'],
  neckline: ['neck'],
  shoulder: ['shoulder'],
  inseam: ['inseam'],
  'centre-front': ['centre-front'],
  'centre-back': ['centre-back'],
}

/** Craft 6.8 as it is said: “open the hem toward the waist 1”, “slash and swing”. */
export function readSlashSwing(
  wish: Wish,
  garment: Garment,
  usual: (pieceId: string) => SlashSwingInputs | null,
): Reading<SlashSwingInputs>[] {
  const isOpen = says(wish, 'open', 'close') && says(wish, 'toward')
  if (!says(wish, 'slash', 'swing') && !isOpen) return []
  const asked = askedPieces(garment, wish)
  const words = wish.tokens.flatMap((t) => (t.is === 'concept' && ROLES[t.concept] ? [t.concept] : []))
  const [from, to] = words
  const edgeOn = (p: Piece, word: Concept | undefined) => word && p.edges.find((e) => ROLES[word]!.includes(e.role))
  const hasBoth = (p: Piece) => edgeOn(p, from) !== undefined && edgeOn(p, to) !== undefined
  const pieces = asked.pieces.length > 0 ? asked.pieces : garment.pieces
  // A slash is tried before it is offered, which takes its time: on the likeliest piece first, and no further than needed.
  let begun: { piece: Piece; inputs: SlashSwingInputs } | null = null
  for (const piece of [...pieces].sort((a, b) => Number(hasBoth(b)) - Number(hasBoth(a)))) {
    const inputs = usual(piece.id)
    if (inputs) begun = { piece, inputs }
    if (begun) break
  }
  if (!begun) return []
  const { piece } = begun
  const [fromEdge, hinge] = [edgeOn(piece, from), edgeOn(piece, to)]
  const way = towards(wish, ['open', 'more', 'fuller'], ['close', 'less'])
  const amountMm = wish.amounts.length === 0 ? 0 : oneAmount(wish, way)
  const edges = fromEdge && hinge ? { fromEdgeId: fromEdge.id, hingeEdgeId: hinge.id } : {}
  return [
    {
      inputs: { ...begun.inputs, ...edges, amountMm: amountMm ?? 0 },
      uses: [
        ...used(wish, 'slash', 'swing', 'open', 'close', 'toward', 'more', 'less', 'fuller'),
        ...asked.uses,
        ...(fromEdge && hinge ? [from!, to!] : []),
      ],
      sure: amountMm !== null && (isOpen ? fromEdge !== undefined && hinge !== undefined : words.length === 0),
      ...(way === 0 ? {} : { towards: way }),
    },
  ]
}
