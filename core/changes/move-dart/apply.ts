// To move a dart and to split it are one turn about the apex, of all or of a share: what it draws and holds is there.
export { applyMoveDart } from '../shared/darts/apply-move'
