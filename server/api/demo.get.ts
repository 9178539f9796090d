import { writeProjectFile } from '../../core/formats/project-file'
import { demoWardrobe } from '../../demo/wardrobe'

/** The demo wardrobe as a project file, drafted when asked for; the page reads it like any other file. */
export default defineEventHandler((event) => {
  const now = new Date()
  const { projects, wearers } = demoWardrobe(now)
  setHeader(event, 'content-type', 'application/json')
  return writeProjectFile(projects, wearers, now)
})
