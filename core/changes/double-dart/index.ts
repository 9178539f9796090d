import { readDoubleDart } from './reads'
import { mendInside } from './mends'
import { dot, scale, subtract } from '../../geometry'
import { doubleDartFigures, findPiece, shapeOf } from '../../pattern'
import { ok, refuse } from '../../result'
import { defineChange } from '../define-change'
import type { Handle } from '../types'
import { applyDoubleDart } from './apply'
import { doubleDartInputs, doubleDartPlaces, findDoubleDart } from './find'
import { doubleDartSteps } from './paper-steps'
import { DoubleDartSchema } from './schema'

/** Both sides of a dart go outward by half of what it takes in more. */
const HALF = 0.5

/** Craft 6.11 for a dart inside a piece, with a tip at both ends. */
export const doubleDart = defineChange({
  kind: 'double-dart',
  title: 'Make or change a waist dart inside a piece',
  foundBy: [
    'double-ended dart',
    'dart inside the piece',
    'waist dart',
    'fish-eye',
    'back too loose at the waist',
    'hollow back',
    'redraw the legs of a waist dart',
    'waist dart too long',
  ],
  does: 'Takes more in at a dart with two tips, or lets some out; makes it longer, shorter, higher, or anew.',
  holds: 'Every edge and seam, the grain; both legs alike, the waist smaller by exactly what is taken in.',
  schema: DoubleDartSchema,
  reads: readDoubleDart,
  phase: 'widths',
  mends: mendInside,
  begin(garment) {
    const places = doubleDartPlaces(garment)
    const first = places.find((d) => d.lineId) ?? places.find((d) => d.piece.kind === 'back') ?? places[0]
    const inputs = first && doubleDartInputs(garment, first.ref)
    return inputs
      ? ok(inputs)
      : refuse('no-waist', 'garment', 'no piece has its waist inside it.', 'This is for pieces that go on below the waist.')
  },
  withField(garment, inputs, key, value) {
    const next = key === 'dart' ? doubleDartInputs(garment, String(value)) : null
    return next ?? { ...inputs, [key]: value }
  },
  fields(garment) {
    return [
      {
        type: 'choice',
        key: 'dart',
        label: 'Which dart',
        options: doubleDartPlaces(garment).map((d) => ({
          value: d.ref,
          label: `${d.piece.name}, ${d.lineId ? d.name : `a new ${d.name}`}`,
        })),
      },
      { type: 'growth', key: 'amountMm', label: 'At its widest place', plus: 'Take in', minus: 'Let out', first: 'plus' },
      { type: 'length', key: 'upperMm', label: 'From the widest place to the upper tip' },
      { type: 'length', key: 'lowerMm', label: 'From the widest place to the lower tip' },
      { type: 'growth', key: 'raiseMm', label: 'The whole dart', plus: 'Higher', minus: 'Lower', first: 'plus' },
      { type: 'growth', key: 'outMm', label: 'Sideways', plus: 'To the side', minus: 'To the centre', first: 'plus' },
      {
        type: 'choice',
        key: 'legs',
        label: 'Legs',
        options: [
          { value: 'keep', label: 'as they are drawn' },
          { value: 'ruled', label: 'ruled anew, straight and alike' },
        ],
      },
    ]
  },
  describe(garment, inputs) {
    const found = findDoubleDart(garment, inputs.dart)
    const name = found ? `${found.lineId ? 'the' : 'a'} ${found.name}, ${found.piece.name}` : 'a dart that has gone'
    const verb = !found || inputs.amountMm === 0 ? 'Shape' : inputs.amountMm < 0 ? 'Let out' : found.lineId ? 'Take in' : 'Make'
    return { title: `${verb} ${name}`, amountMm: inputs.amountMm }
  },
  apply: applyDoubleDart,
  handles(garment, inputs, applied, context): Handle[] {
    const found = findDoubleDart(garment, inputs.dart)!
    const piece = findPiece(applied.garment, found.piece.id)!
    const line = piece.lines.find((l) => (found.lineId ? l.id === found.lineId : !found.piece.lines.some((o) => o.id === l.id)))
    if (!line) return []
    const d = doubleDartFigures(shapeOf(piece, context.sizeId), line.id)
    const of = { pieceId: piece.id, isGrowth: false, kind: 'level' as const }
    return [
      {
        ...of,
        id: 'amountMm',
        at: d.lips[0],
        axis: dot(subtract(d.lips[0], d.middle), d.across) < 0 ? scale(d.across, -1) : d.across,
        label: 'taken in',
        valueMm: inputs.amountMm,
        isGrowth: true,
        kind: 'amount',
        pace: HALF,
      },
      { ...of, id: 'upperMm', at: d.upper, axis: scale(d.down, -1), label: 'upper tip', valueMm: inputs.upperMm },
      { ...of, id: 'lowerMm', at: d.lower, axis: d.down, label: 'lower tip', valueMm: inputs.lowerMm },
    ]
  },
  drag(_garment, inputs, handleId, byMm) {
    if (handleId === 'amountMm') return { ...inputs, amountMm: inputs.amountMm + byMm }
    const key = handleId === 'upperMm' ? 'upperMm' : 'lowerMm'
    return { ...inputs, [key]: Math.max(5, inputs[key] + byMm) }
  },
  paperSteps: doubleDartSteps,
  withAmount: (_garment, inputs, amountMm) => ({ ...inputs, amountMm }),
})

export { doubleDartInputs } from './find'

export type { DoubleDartInputs } from './schema'
