// Lengthening is the plain use of a room that several kinds work in: what it draws and holds is there.
export { applyAtLevels as applyLengthen } from '../shared/levels/apply'
