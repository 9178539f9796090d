export { LevelsSchema as LengthenSchema, type LevelsInputs as LengthenInputs } from '../shared/levels/schema'
