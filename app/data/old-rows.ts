export {
  projectToVersion2,
  projectToVersion3,
  projectToVersion4,
  projectToVersion5,
  wearerToVersion2,
  wearerToVersion4,
} from '~~/core/formats/migrations'
export { actToVersion6 } from './act-migration'
export { withoutDoubts } from './tray-migration'
