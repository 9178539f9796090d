export { listFaults, type Fault, type Mend } from './list-faults'
