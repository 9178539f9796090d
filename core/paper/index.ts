export { cutLineOf, takeAllowanceOff } from './cut-line'
export { layersOf, type Layer } from './layers'
export { bestLayout } from './best-layout'
export { layOut, footprintOf, type Layout, type LaidPiece, type Footprint } from './lay-out'
export { makeNotebook, type Fitted, type Notebook, type NotebookStop } from './notebook'
export {
  cutWords,
  drawPieces,
  grainStrokes,
  markStrokes,
  notchStrokes,
  type DrawnPieces,
  type OtherLine,
  type SheetChoice,
  type SheetWords,
} from './draw-pieces'
export { arrange, layOutSheet, sheetFor, type Sheet, type SheetPiece } from './sheet'
export { tightCautions } from './cautions-in-words'
export { changesInWords, stopInWords } from './stop-in-words'
export { meetsChord, roomOf, widthOfWords, type PlacedWords, type Room } from './place-words'
export { edgeWords, notchNumbers } from './write-on-piece'
export {
  MARGIN_MM,
  MOST_MARGIN_MM,
  OVERLAP_MM,
  PAPER_IDS,
  PAPER_SIZES,
  paperFor,
  ROLL_MM,
  type PaperChoice,
  type PaperId,
  type PaperSize,
} from './paper-sizes'
export { frontPages, JOINT_MM, pageEdgesOf, tapeFor, tilePages, withoutPages, type Joint, type Page, type Tiling } from './tile-pages'
export { makeFittingLog, type LoggedFitting, type LoggedItem } from './fitting-log'
export { calibrate, ProjectorSchema, SQUARE_PX, throwMatrix, type Projector, type Throw } from './projector'
