import { readTakeCup } from './reads'
import { PHASES } from '../types'
import { findPiece, type Garment } from '../../pattern'
import { ok, refuse } from '../../result'
import { defineChange } from '../define-change'
import { applyTakeCup, cupsFor } from './apply'
import { proposeCups } from './proposes'
import { takeCupSteps } from './paper-steps'
import { TakeCupSchema } from './schema'

/** Pieces that the pattern has for several cups. */
const cupPieces = (garment: Garment) => garment.pieces.filter((p) => cupsFor(garment, p.id).length > 1)

/** Craft 4: the cup variant that full minus high bust picks. */
export const takeCup = defineChange({
  kind: 'take-cup',
  title: 'Take the piece for another cup',
  foundBy: ['cup', 'another cup', 'cup variant', 'front for cup', 'cup size', 'bust cup'],
  does: 'Traces the pattern’s own front for another cup in the place of this one, before anything else is changed.',
  holds: 'Every seam as it matched, armhole, shoulder and neckline, the grain.',
  schema: TakeCupSchema,
  reads: readTakeCup,
  phase: 'trace',
  mayMend: { cup: 1 },
  // The piece for another cup replaces whatever was done before.
  costsAfter: Object.fromEntries(PHASES.slice(1).map((p) => [p, 'the piece for this cup would come without what that stop does.'])),
  proposes: proposeCups,
  takesOver: (there, proposed) => (there.pieceId === proposed.pieceId ? proposed : null),
  begin(garment) {
    const [piece] = cupPieces(garment)
    if (!piece)
      return refuse(
        'one-cup',
        'garment',
        'its pattern has no pieces for several cups.',
        'Name them on import, or change the bust with “Fuller or smaller bust”.',
      )
    return ok({ pieceId: piece.id, cup: piece.cup ?? cupsFor(garment, piece.id)[0]!.cup! })
  },
  withField: (garment, inputs, key, value) =>
    key === 'pieceId'
      ? { pieceId: String(value), cup: findPiece(garment, String(value))?.cup ?? inputs.cup }
      : { ...inputs, cup: String(value) },
  fields(garment, inputs) {
    const pieces = cupPieces(garment)
    const now = findPiece(garment, inputs.pieceId)?.cup
    return [
      ...(pieces.length > 1
        ? [{ type: 'choice' as const, key: 'pieceId', label: 'Piece', options: pieces.map((p) => ({ value: p.id, label: p.name })) }]
        : []),
      {
        type: 'choice',
        key: 'cup',
        label: 'Cup',
        options: cupsFor(garment, inputs.pieceId).map((c) => ({ value: c.cup!, label: c.cup === now ? `${c.cup} (as it is)` : c.cup! })),
      },
    ]
  },
  describe(garment, inputs) {
    const taken = cupsFor(garment, inputs.pieceId).find((c) => c.cup === inputs.cup)
    const title = taken
      ? `Take the ${taken.name.charAt(0).toLowerCase()}${taken.name.slice(1)}`
      : `Cup ${inputs.cup}, a piece that has gone`
    return { title, amountMm: null }
  },
  apply: applyTakeCup,
  handles: () => [],
  drag: (_garment, inputs) => inputs,
  paperSteps: takeCupSteps,
})

export { cupsFor } from './apply'

export type { TakeCupInputs } from './schema'
