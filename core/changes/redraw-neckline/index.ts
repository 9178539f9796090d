import { reversePath, tangentAt } from '../../geometry'
import { edgePath, shapeOf } from '../../pattern'
import { ok } from '../../result'
import { findNecklines, HALVES, neckMiddle, type Half, type Neckline } from '../../seams'
import { defineChange } from '../define-change'
import { necklineAsSewn } from '../shared/as-sewn'
import type { Field, Handle } from '../types'
import { applyRedrawNeckline, mainAmount, withMain } from './apply'
import { necklinePaperSteps } from './paper-steps'
import { deeperFor, proposeNeckline } from './proposes'
import { readRedrawNeckline } from './reads'
import { AS_IT_IS, RedrawNecklineSchema, type RedrawNecklineInputs } from './schema'
import { bandsOf, canFollow } from './sewn-to'

const BANDS = [
  { value: 'follows', label: 'becomes as much longer or shorter' },
  { value: 'left', label: 'is left as it is' },
] as const

function titleOf(inputs: RedrawNecklineInputs): string {
  const { frontMm, backMm, widerMm } = inputs
  const said = [frontMm, backMm, widerMm].filter((mm) => mm !== 0)
  if (said.length === 0) return 'Redraw the neckline'
  if (widerMm === 0 && frontMm * backMm > 0) return frontMm > 0 ? 'Deeper neckline' : 'Higher neckline'
  if (said.length > 1) return 'Another neckline'
  if (widerMm !== 0) return widerMm > 0 ? 'Wider neckline' : 'Narrower neckline'
  return `${said[0]! > 0 ? 'Deeper' : 'Higher'} neckline ${frontMm !== 0 ? 'in front' : 'at the back'}`
}

/** Craft 6.13: redraw a neckline. */
export const redrawNeckline = defineChange({
  kind: 'redraw-neckline',
  title: 'Redraw the neckline',
  foundBy: [
    'deeper neckline',
    'higher neckline',
    'lower the neckline',
    'raise the neckline',
    'wider neckline',
    'narrower neckline',
    'neckline too high',
    'neckline too tight',
    'scoop neck',
    'neck opening',
  ],
  does: 'Draws the neckline deeper or higher at the centre, wider or narrower along both shoulders; band and facing follow.',
  holds: 'Square to the centre, running on across the shoulder; shoulder seams alike; every other edge; the band’s seam.',
  schema: RedrawNecklineSchema,
  reads: (wish, garment, context, begun) => readRedrawNeckline(wish, begun, (mm, usual) => deeperFor(garment, usual, mm, context)),
  mayMend: { 'neck-shape': 0 },
  gives: ['neck'],
  givesMore: deeperFor,
  proposes: proposeNeckline,
  phase: 'widths',
  begin(garment) {
    const found = findNecklines(garment)
    return found.ok ? ok(AS_IT_IS) : found
  },
  fields(garment): Field[] {
    const found = findNecklines(garment)
    const necklines = found.ok ? found.value : []
    const band = bandsOf(garment, necklines).find((b) => canFollow(b, garment.baseSizeId))
    const centre = (half: Half): Field => ({
      type: 'growth',
      key: `${half}Mm`,
      label: half === 'front' ? 'At centre front' : 'At centre back',
      plus: 'Deeper',
      minus: 'Higher',
      first: 'plus',
    })
    return [
      ...HALVES.filter((half) => necklines.some((n) => n.half === half && !n.facing)).map(centre),
      { type: 'growth', key: 'widerMm', label: 'Along each shoulder', plus: 'Wider', minus: 'Narrower', first: 'plus' },
      ...(band ? [{ type: 'choice' as const, key: 'band', label: band.piece.name, options: [...BANDS] }] : []),
    ]
  },
  describe: (_garment, inputs) => ({ title: titleOf(inputs), amountMm: inputs[mainAmount(inputs)] }),
  apply: applyRedrawNeckline,
  handles(_garment, inputs, applied, context): Handle[] {
    const found = findNecklines(applied.garment)
    if (!found.ok) return []
    const body = found.value.filter((n) => !n.facing)
    const shape = (n: Neckline) => shapeOf(n.piece, context.sizeId)
    const centres = HALVES.flatMap((half): Handle[] => {
      const n = body.find((one) => one.half === half)
      const middle = n && neckMiddle(n, shape(n))
      if (!middle) return []
      const valueMm = inputs[`${half}Mm`]
      const kind = half === body[0]!.half ? 'amount' : 'level'
      return [{ id: half, pieceId: n.piece.id, at: middle.at, axis: middle.down, label: 'at the centre', valueMm, isGrowth: true, kind }]
    })
    const [first] = body
    if (!first) return centres
    const { edgeId, reversed } = first.shoulders.last
    const path = edgePath(shape(first), edgeId)
    const [start] = reversed ? reversePath(path) : path
    const wider: Handle = {
      id: 'wider',
      pieceId: first.piece.id,
      at: start!.from,
      axis: tangentAt(start!, 0),
      label: 'at the shoulder',
      valueMm: inputs.widerMm,
      isGrowth: true,
      kind: 'level',
    }
    return [...centres, wider]
  },
  drag(_garment, inputs, handleId, byMm) {
    if (handleId === 'wider') return { ...inputs, widerMm: inputs.widerMm + byMm }
    return handleId === 'back' ? { ...inputs, backMm: inputs.backMm + byMm } : { ...inputs, frontMm: inputs.frontMm + byMm }
  },
  choices(garment, inputs) {
    const found = findNecklines(garment)
    if (!found.ok || bandsOf(garment, found.value).length === 0) return []
    return BANDS.map(({ value, label }) => ({ label: `the band ${label}`, inputs: { ...inputs, band: value } }))
  },
  paperSteps: necklinePaperSteps,
  asSewn: (before, _inputs, applied, context) => necklineAsSewn(before, applied.garment, context.sizeId),
  withLargest: (_garment, inputs, largestMm) => withMain(inputs, largestMm),
  withAmount: (_garment, inputs, amountMm) => ({ ...inputs, [mainAmount(inputs)]: amountMm }),
})

export type { RedrawNecklineInputs } from './schema'
