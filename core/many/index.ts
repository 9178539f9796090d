export { ManyChoicesSchema, type ManyChoices } from './choices'
export {
  figuresOf,
  layOf,
  FitFiguresSchema,
  makeFit,
  MadeFitSchema,
  openFit,
  reopenFit,
  type FitFigures,
  type MadeFit,
  type OpenedFit,
  type Pair,
} from './made-fit'
export { fitsApart, outlined, shareCuts, type OutlinedFit, type SharedCut } from './share-cuts'
export { nestSheet, type NestedFit } from './nest'
export { cutLines, sizesInWords, writeCutCsv, writeManyCsv, type CutLine, type ManyRow } from './tables'
