export { listFaults, type Fault } from './list-faults'
export type { Mend } from './find-mends'
export { changeForLength, planSizes } from './plan-sizes'
export { adviseOrder, type OrderAdvice } from './advise-order'
