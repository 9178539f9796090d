export { stepsAtLevels as lengthenSteps } from '../shared/levels/paper-steps'
