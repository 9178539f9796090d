import { chainsOf } from './chains'
import { readAddAtEdge } from './reads'
import { add, dot, scale } from '../../geometry'
import { findPiece, frameOf, shapeOf, type Garment } from '../../pattern'
import { ok, refuse } from '../../result'
import { pointOnChain, type SideChain } from '../../measure'
import { formatLength } from '../../units'
import { defineChange } from '../define-change'
import { lineStroke, outlineStroke } from '../shared/draw-step'
import type { Field, Handle, PaperStep, StepInput } from '../types'
import { outAlong } from '../shared/widen-sides'
import { applyAddAtEdge } from './apply'
import { proposeRemainder } from './proposes'
import { AddAtEdgeSchema, type AddAtEdgeInputs } from './schema'

const KEYS = ['bustMm', 'waistMm', 'hipMm'] as const
const WORDS = { bust: 'At the bust', waist: 'At the waist', hip: 'At the hip' } as const

const placeOn = (garment: Garment, chain: SideChain, atMm: number, sizeId: string) =>
  pointOnChain(shapeOf(findPiece(garment, chain.pieceId)!, sizeId), chain, atMm)

function outwardOf(garment: Garment, chain: SideChain, sizeId: string) {
  const piece = findPiece(garment, chain.pieceId)!
  const { across, middle } = frameOf(piece, shapeOf(piece, sizeId))
  return scale(across, Math.sign(dot(placeOn(garment, chain, 0, sizeId), across) - middle))
}

/** Is there a side seam with a zone on it? */
const hasSides = (garment: Garment, sizeId: string) => chainsOf(garment, sizeId).some((c) => c.zones.length > 0)

/** Craft 6.12: add at an edge. */
export const addAtEdge = defineChange({
  kind: 'add-at-edge',
  title: 'Add at the side seams',
  foundBy: [
    'add at an edge',
    'add width',
    'wider',
    'narrower',
    'too tight',
    'too loose',
    'take in',
    'let out',
    'side seam',
    'more room',
    'hip too tight',
    'waist too tight',
  ],
  does: 'Lets the side seams out or takes them in, by an amount at bust, waist and hip, alike on every piece.',
  holds: 'Side seams equal on front and back, corners where nothing is added, cap ease, grain.',
  schema: AddAtEdgeSchema,
  reads: readAddAtEdge,
  mayMend: { belly: 2, seat: 3, 'full-seat': 2, 'side-swings': 1 },
  gives: ['bust', 'waist', 'hip'],
  phase: 'sides',
  proposes: (garmentNow, asked) => (hasSides(garmentNow(), asked.context.sizeId) ? proposeRemainder(garmentNow, asked) : []),
  takesOver: (_there, proposed) => proposed,
  begin: (garment, context) =>
    hasSides(garment, context.sizeId)
      ? ok({ bustMm: 0, waistMm: 0, hipMm: 0 })
      : refuse('no-sides', 'garment', 'no side seam with a bust, waist or hip is found.', 'Name the side seams and the waist first.'),
  fields(garment) {
    const there = new Set(chainsOf(garment, garment.baseSizeId).flatMap((c) => c.zones.map((z) => z.zone)))
    return (['bust', 'waist', 'hip'] as const)
      .filter((z) => there.has(z))
      .map((z): Field => ({ type: 'growth', key: `${z}Mm`, label: `${WORDS[z]}, each edge`, plus: 'Out', minus: 'In' }))
  },
  describe(_garment, inputs) {
    const most = KEYS.reduce((a, b) => (Math.abs(inputs[b]) > Math.abs(inputs[a]) ? b : a))
    const way = inputs[most] === 0 ? 'Add at the side seams' : inputs[most] > 0 ? 'Let the sides out' : 'Take the sides in'
    return { title: way, amountMm: inputs[most] }
  },
  apply: applyAddAtEdge,
  handles(garment, inputs, _applied, context): Handle[] {
    const first = chainsOf(garment, context.sizeId).find((c) => c.zones.length > 0)
    if (!first) return []
    const axis = outwardOf(garment, first.chain, context.sizeId)
    return first.zones.map(({ zone, atMm }): Handle => {
      const key = `${zone}Mm` as const
      return {
        id: key,
        pieceId: first.chain.pieceId,
        at: add(placeOn(garment, first.chain, atMm, context.sizeId), scale(axis, inputs[key])),
        axis,
        label: zone,
        valueMm: inputs[key],
        isGrowth: true,
        kind: 'amount',
      }
    })
  },
  drag: (_garment, inputs, handleId, byMm) => {
    const key = KEYS.find((k) => k === handleId)
    return key ? { ...inputs, [key]: inputs[key] + byMm } : inputs
  },
  paperSteps: addPaperSteps,
  withLargest: (_garment, inputs, largestMm) => {
    const most = Math.max(Math.abs(inputs.bustMm), Math.abs(inputs.waistMm), Math.abs(inputs.hipMm))
    const part = most > 0 ? Math.abs(largestMm) / most : 0
    return { bustMm: inputs.bustMm * part, waistMm: inputs.waistMm * part, hipMm: inputs.hipMm * part }
  },
  withAmount: (_garment, _inputs, amountMm) => ({ bustMm: amountMm / 4, waistMm: amountMm / 2, hipMm: amountMm }),
})

/** Places along each side that are measured by hand, ends included. */
const PLACES = 5

function addPaperSteps({ before, inputs, applied, context, ruler }: StepInput<AddAtEdgeInputs>): PaperStep[] {
  const steps = chainsOf(before, context.sizeId).flatMap(({ chain }): PaperStep[] => {
    const out = outAlong(before, chain, inputs, context.sizeId)
    if (!out) return []
    const piece = findPiece(before, chain.pieceId)!
    const outward = outwardOf(before, chain, context.sizeId)
    const places = Array.from({ length: PLACES }, (_, i) => (chain.totalMm * i) / (PLACES - 1))
    const figures = places.map((mm) => formatLength(out(mm), ruler, { signed: true })).join(', ')
    return [
      {
        text: `${piece.name}: divide the side seam into ${PLACES - 1} equal parts from the top. At the marks measure outward, square to the grain (− is inward): ${figures}. Join the marks with one smooth line, and rule the edges above and below on to its ends.`,
        drawing: {
          pieceId: piece.id,
          strokes: [
            outlineStroke(before, piece.id, context.sizeId, 'outline'),
            outlineStroke(applied.garment, piece.id, context.sizeId, 'result'),
            ...places.map((mm) => {
              const p = placeOn(before, chain, mm, context.sizeId)
              return lineStroke(p, add(p, scale(outward, out(mm))), 'line')
            }),
          ],
          labels: [],
        },
      },
    ]
  })
  return [
    ...steps,
    { text: 'If the underarm moved, measure the armhole again and make the sleeve cap as much longer than it as before.', drawing: null },
    { text: 'Walk the side seams: front and back must be equal.', drawing: null },
  ]
}

export type { AddAtEdgeInputs } from './schema'
