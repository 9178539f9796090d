export { FILE_VERSION } from './file-version'
export * from './project-schema'
export { compareContents, mergeContents, usualKeep, type Difference, type Keep, type Merged } from './merge-contents'
export { contentsOf, emptyFit, joinProject, projectsOf, splitProject, stopsOf, type Contents, type Project } from './project'
export { logOf, LOG_LISTS, type Log } from './merge-log'
export { LARGEST_PICTURE, pictureType, readBackup, writeBackup, type Pictures } from './backup'
export { readProjectFile, writeProjectFile } from './project-file'
export {
  CHART_FIELDS,
  migrateFile,
  projectToVersion2,
  projectToVersion3,
  projectToVersion4,
  projectToVersion5,
  wearerToVersion2,
  wearerToVersion4,
} from './migrations'
export { toPathData } from './path-data'
export { writePlainDxf, writeTradeDxf } from './dxf-out'
export { writeSvg } from './svg-out'
export { finishDrawing, type Drawing, type DrawnShape, type DrawnText } from './drawing'
export { readPdf, type PageProgress, type PdfPage } from './pdf-in'
export { readDxf } from './dxf-in'
export { readSvg } from './svg-in'
export {
  MOST_PENS,
  MOST_SPEED_CM,
  PenChoiceSchema,
  PLOTTED,
  PLOTTED_NAMES,
  plotOf,
  usualPens,
  writeHpgl,
  type PenChoice,
  type Plot,
  type Plotted,
  type PlotStroke,
} from './hpgl-out'
export { readRuleTable, type RuleTable } from './rule-table'
