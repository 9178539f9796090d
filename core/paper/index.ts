export { cutLineOf, takeAllowanceOff } from './cut-line'
export { layOut, footprintOf, type Layout, type LaidPiece, type Footprint } from './lay-out'
export { layOutSheet, cutWords, type Sheet, type SheetPiece, type SheetWords } from './sheet'
export { tilePages, PAPER_SIZES, MARGIN_MM, OVERLAP_MM, type Tiling, type Page, type PaperSize } from './tile-pages'
