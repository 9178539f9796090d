export * from './schema'
export * from './outline'
export { checkGarment } from './check-garment'
