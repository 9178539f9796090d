import { readGrade } from './reads'
import { cornersOf, findPiece, grainDirection, shapeOf, cornerPoint } from '../../pattern'
import { ok, refuse } from '../../result'
import { findZones } from '../../measure'
import { lengthToken } from '../../units'
import { defineChange } from '../define-change'
import type { Handle } from '../types'
import { cardinalsOf } from './cardinals'
import { gradePaperSteps } from './paper-steps'
import { GradeSchema } from './schema'
import { proposeSizes } from './proposes'
import { applyGrade } from './apply'

/** Smallest interval that people grade by, and the one that is offered first, mm: one inch. */
const USUAL_INTERVAL_MM = 25.4

/** Craft 6.5: whole-size grade. */
export const grade = defineChange({
  kind: 'grade',
  title: 'Grade whole sizes',
  foundBy: ['grade', 'size', 'sizes', 'one size larger', 'one size smaller', 'next size', 'nest', 'beyond the largest size', 'whole size'],
  does: 'Makes larger and smaller sizes of every piece, in one nest, by an interval and a table of rules.',
  holds: 'Bust, waist and hip grow by exactly the interval, cap ease, dart intakes, seams that matched.',
  schema: GradeSchema,
  reads: (wish, _garment, _context, begun) => readGrade(wish, begun),
  mayMend: { size: 0, bicep: 2, 'arm-drags': 2 },
  gives: ['high-bust', 'bust', 'waist', 'hip'],
  phase: 'new-sizes',
  costsAfter: { sizes: 'the new sizes are made from the blend, not from the size that it took the place of.' },
  proposes: proposeSizes,
  takesOver: (_there, proposed) => proposed,
  begin: (garment) =>
    findZones(garment).length === 0
      ? refuse('no-zones', 'garment', 'no bust, waist or hip is found on its pieces.', 'Name the edges (side, armhole, waist, ...) first.')
      : ok({ intervalMm: 0, up: 1, down: 1, upIntervalsMm: [], downIntervalsMm: [], centre: 'none', rules: {}, school: 'shift' }),
  fields: (garment, inputs) => [
    {
      type: 'length',
      key: 'intervalMm',
      label: 'Growth from size to size',
      hint: `Round the body; ${lengthToken(USUAL_INTERVAL_MM)} to ${lengthToken(USUAL_INTERVAL_MM * 1.5)} is usual.`,
    },
    { type: 'count', key: 'up', label: 'Sizes above', max: 20 },
    { type: 'count', key: 'down', label: 'Sizes below', max: 20 },
    { type: 'lengths', key: 'upIntervalsMm', label: 'Steps upward of their own', count: inputs.up, fallbackKey: 'intervalMm' },
    { type: 'lengths', key: 'downIntervalsMm', label: 'Steps downward of their own', count: inputs.down, fallbackKey: 'intervalMm' },
    {
      type: 'choice',
      key: 'centre',
      label: 'Given at the centres',
      options: [
        { value: 'none', label: 'nothing: all at the sides' },
        { value: 'third', label: 'a third, half of it at the neck' },
      ],
    },
    { type: 'own', component: 'RulesField', key: 'rules', label: 'Rules' },
    {
      type: 'choice',
      key: 'school',
      label: 'Drawn by hand by',
      options: [
        { value: 'shift', label: 'shifting the pattern' },
        { value: 'outward', label: 'measuring outward' },
        { value: 'spread', label: 'cutting and spreading' },
      ],
    },
  ],
  describe(_garment, inputs) {
    const parts = [inputs.up > 0 ? `${inputs.up} up` : '', inputs.down > 0 ? `${inputs.down} down` : ''].filter(Boolean)
    return { title: `Grade ${parts.join(', ') || 'whole sizes'}`, amountMm: inputs.intervalMm }
  },
  apply: applyGrade,
  handles(garment, inputs, _applied, context): Handle[] {
    // An arrow of one interval at the first side corner: its length is the input.
    for (const piece of garment.pieces) {
      const i = cardinalsOf(piece).findIndex((c) => c === 'underarm' || c === 'waist-side')
      if (i < 0) continue
      const shape = shapeOf(findPiece(garment, piece.id)!, context.sizeId)
      const at = cornerPoint(piece, shape, cornersOf(piece, piece.edges[i]!.id).start.id)!
      const down = grainDirection(shape)
      const axis = { x: down.y, y: -down.x }
      return [
        {
          id: 'interval',
          pieceId: piece.id,
          at: { x: at.x + axis.x * inputs.intervalMm, y: at.y + axis.y * inputs.intervalMm },
          axis,
          label: 'interval',
          valueMm: inputs.intervalMm,
          isGrowth: false,
          kind: 'amount',
        },
      ]
    }
    return []
  },
  drag: (_garment, inputs, _handleId, byMm) => ({ ...inputs, intervalMm: Math.max(0, inputs.intervalMm + byMm) }),
  paperSteps: gradePaperSteps,
  withAmount: (_garment, inputs, amountMm) => ({ ...inputs, intervalMm: Math.abs(amountMm) }),
})

export { gradeGarment, gradedSizes } from './grade-garment'
export { rulesOf, splitInterval, tableOf } from './rules'
export { CARDINALS, GradeSchema, RULE_TABLES, type Cardinal, type GradeInputs, type Rule, type RuleTable } from './schema'
export { cardinalsOf } from './cardinals'
export { CARDINAL_WORDS } from './cardinals'
