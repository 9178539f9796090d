export { DartMoveSchema as SplitDartSchema, type DartMove as SplitDartInputs } from '../shared/darts/dart-move'
