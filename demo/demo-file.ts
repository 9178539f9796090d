import { contentsOf } from '../core/formats/project'
import { writeProjectFile } from '../core/formats/project-file'
import { demoWardrobe } from './wardrobe'

/** The demo wardrobe as the text of a project file. @param now when its garments were hung */
export function demoFile(now: Date): string {
  const { projects, wearers, log } = demoWardrobe(now)
  return writeProjectFile(contentsOf(projects, wearers, [], log), now)
}
