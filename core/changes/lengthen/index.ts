import { readLengthen } from './reads'
import { partnersIn } from '../shared/partners-in'
import { sumOfAmounts } from '../shared/sum-of-amounts'
import { lengthAtLines, sleeveAtLines } from './gives-length'
import { mendSide } from './mends'
import { familyOf, findPiece } from '../../pattern'
import { defineChange } from '../define-change'
import { beginAtLevels, firstLevel } from '../shared/levels/begin'
import { dragLengthen, lengthenHandles } from './handles'
import { lengthenSteps } from './paper-steps'
import { sideFields, titleOnSide } from '../shared/one-side'
import { applyOnBoth, levelsOnSide } from './levels-on-side'
import { LengthenSchema } from './schema'

/** Craft 6.1: lengthen or shorten at lines. */
export const lengthen = defineChange({
  kind: 'lengthen',
  title: 'Lengthen or shorten at lines',
  foundBy: [
    'shorten',
    'lengthen',
    'longer',
    'shorter',
    'too long',
    'too short',
    'length',
    'too long above the waist',
    'too long in the body',
    'body length',
    'sleeve too long',
    'leg too long',
    'tall',
    'petite',
    'waist sits too low',
    'waist sits too high',
    'bunches at the waist',
    'crotch depth',
    'longer rise',
    'shorter rise',
    'sleeve length above the elbow',
    'sleeve length below the elbow',
  ],
  does: 'Takes length out of the middle, or puts it in, on every piece that the line crosses.',
  holds: 'Hem, waist and opening widths, the shape of every edge beyond the line, grain.',
  schema: LengthenSchema,
  reads: readLengthen,
  mayMend: { 'collar-back': 1, 'crotch-depth': 1, 'crotch-curve': 2 },
  gives: ['back-neck-to-waist', 'waist-to-hip', 'waist-to-knee', 'arm-length', 'crotch'],
  phase: 'lengths',
  sideOf: (inputs) => inputs.side,
  onItsSide: levelsOnSide,
  costsAfter: {
    sizes: 'the sizes were blended at the old levels, so the changes from size to size no longer begin and end at the body’s.',
    sides: 'the sides were let out or taken in at the old levels, and the length now stretches or folds that line.',
  },
  givesLength: lengthAtLines,
  givesMore: (garment, _begun, missingMm, context, measureId) =>
    measureId === 'arm-length' ? sleeveAtLines(garment, missingMm, context.sizeId) : null,
  takesOver: sumOfAmounts,
  mends: mendSide,
  leftOut: partnersIn,
  begin: beginAtLevels,
  // Another piece has other marks: its lines begin afresh, and nobody is left out.
  withPiece(garment, inputs, pieceId, context) {
    const piece = findPiece(garment, pieceId)
    return piece ? { ...inputs, pieceId, levels: [firstLevel(piece, context.sizeId)], leftOut: [] } : inputs
  },
  fields: (garment, inputs) => [
    { type: 'growth', key: 'amountMm', label: 'How much', plus: 'Longer', minus: 'Shorter' },
    { type: 'piece', key: 'pieceId', label: 'Measured on' },
    { type: 'levels', key: 'levels', pieceKey: 'pieceId', label: 'Where' },
    { type: 'partners', key: 'leftOut', label: 'Changed with it' },
    // The middle of a piece on the fold is one for both sides.
    ...(findPiece(garment, inputs.pieceId)?.edges.some((e) => e.fold) && !inputs.side ? [] : sideFields(garment)),
  ],
  describe(garment, inputs) {
    const piece = findPiece(garment, inputs.pieceId)
    const what = !piece
      ? 'a piece that has gone'
      : piece.kind === 'sleeve'
        ? 'the sleeve'
        : familyOf(piece) === 'leg'
          ? 'the leg'
          : familyOf(piece) === 'skirt'
            ? 'the skirt'
            : familyOf(piece) === 'bodice'
              ? 'the body'
              : piece.name
    const way = inputs.amountMm === 0 ? 'Lengthen or shorten' : inputs.amountMm < 0 ? 'Shorten' : 'Lengthen'
    return { title: titleOnSide(`${way} ${what}`, inputs.side), amountMm: inputs.amountMm }
  },
  apply: applyOnBoth,
  handles: lengthenHandles,
  drag: (_garment, inputs, handleId, byMm) => dragLengthen(inputs, handleId, byMm),
  paperSteps: lengthenSteps,
  withAmount: (_garment, inputs, amountMm) => ({ ...inputs, amountMm }),
})

export { LengthenSchema, type LengthenInputs } from './schema'
