export { DartMoveSchema as MoveDartSchema, type DartMove as MoveDartInputs } from '../shared/darts/dart-move'
