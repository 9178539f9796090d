export * from './project-schema'
export { compareContents, mergeContents, usualKeep, type Difference, type Keep } from './merge-contents'
export { contentsOf, emptyFit, joinProject, projectsOf, splitProject, stopsOf, type Contents, type Project } from './project'
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
export { writeSvg } from './svg-out'
export { finishDrawing, type Drawing, type DrawnShape, type DrawnText } from './drawing'
export { readPdf, type PageProgress, type PdfPage } from './pdf-in'
export { readDxf } from './dxf-in'
export { readSvg } from './svg-in'
