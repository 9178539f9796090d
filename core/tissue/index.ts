export { bodyFigure, type BodyFigure, type BodyLevels } from './body-figure'
export { hangPieces, type HungPiece, type View } from './hang-pieces'
export { sideLevels, tissueRows, type TissueRow } from './tissue-rows'
