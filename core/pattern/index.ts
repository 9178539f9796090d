export * from './schema'
export * from './outline'
export { takeSize } from './take-size'
export { checkGarment } from './check-garment'
