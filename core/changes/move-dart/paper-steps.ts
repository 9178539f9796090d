export { moveDartSteps } from '../shared/darts/move-steps'
