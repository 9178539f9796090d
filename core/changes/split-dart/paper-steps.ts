export { moveDartSteps as splitDartSteps } from '../shared/darts/move-steps'
