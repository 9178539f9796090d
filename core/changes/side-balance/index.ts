import { ok, refuse } from '../../result'
import { defineChange } from '../define-change'
import { dragSide, largestSide, sideHandles, zonesOnSides } from '../shared/side-drawing'
import type { Field } from '../types'
import { applySideBalance, piecesMoved } from './apply'
import { wayOf } from './held'
import { balanceSteps } from './paper-steps'
import { readSideBalance } from './reads'
import { SideBalanceSchema } from './schema'

const KEYS = ['bustMm', 'waistMm', 'hipMm'] as const
const WORDS = { bust: 'At the bust', waist: 'At the waist', hip: 'At the hip' } as const

/** Craft 9: width moved between front and back, so that the side seam hangs upright. */
export const sideBalance = defineChange({
  kind: 'side-balance',
  title: 'Move width between front and back',
  foundBy: ['side seam swings', 'side seam forward', 'side seam back', 'side seam not upright', 'front too narrow', 'back too narrow'],
  does: 'Moves the side seams toward the back or the front at bust, waist and hip: what one half gains, the other loses.',
  holds: 'Every measure round the body, side seams equal on front and back, cap ease, grain.',
  schema: SideBalanceSchema,
  reads: readSideBalance,
  mayMend: { 'side-swings': 1, 'swings-forward': 1, 'swings-back': 1, 'leg-twists': 1 },
  phase: 'sides',
  begin(garment, context) {
    const moved = piecesMoved(garment, context.sizeId)
    return moved.some((p) => wayOf(p) === 1) && moved.some((p) => wayOf(p) === -1) && zonesOnSides(garment, context.sizeId).length > 0
      ? ok({ bustMm: 0, waistMm: 0, hipMm: 0 })
      : refuse('no-sides', 'garment', 'no front and back that meet in a side seam are found.', 'Name the side seams and the waist first.')
  },
  fields: (garment) =>
    zonesOnSides(garment, garment.baseSizeId).map((z): Field => ({
      type: 'growth',
      key: `${z}Mm`,
      label: `${WORDS[z]}, each side seam`,
      plus: 'Front gains',
      minus: 'Back gains',
      first: 'plus',
    })),
  describe(_garment, inputs) {
    const most = KEYS.reduce((a, b) => (Math.abs(inputs[b]) > Math.abs(inputs[a]) ? b : a))
    const mm = inputs[most]
    const title =
      mm === 0
        ? 'Move width between front and back'
        : mm > 0
          ? 'Move width from the back to the front'
          : 'Move width from the front to the back'
    return { title, amountMm: mm }
  },
  apply: applySideBalance,
  handles: (garment, inputs, _applied, context) =>
    sideHandles(garment, inputs, context.sizeId, (id) => wayOf(garment.pieces.find((p) => p.id === id)!) === 1),
  drag: (_garment, inputs, handleId, byMm) => dragSide(inputs, handleId, byMm),
  paperSteps: balanceSteps,
  withLargest: (_garment, inputs, largestMm) => largestSide(inputs, largestMm),
  // A seam that swings is off most at its lower end.
  withAmount: (garment, _inputs, amountMm, context) => {
    const lowest = zonesOnSides(garment, context.sizeId).at(-1)
    return {
      bustMm: 0,
      waistMm: lowest === 'waist' ? amountMm : 0,
      hipMm: lowest === 'hip' ? amountMm : 0,
      ...(lowest === 'bust' ? { bustMm: amountMm } : {}),
    }
  },
})

export type { SideBalanceInputs } from './schema'
