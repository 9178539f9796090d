import type { IEntity } from 'dxf-parser'
import type { Point } from '../geometry'

/** What the library gives of an entity, of whatever sort: nothing of it is trusted. */
export type Loose = IEntity & Record<string, unknown>

export const isPoint = (p: unknown): p is Point =>
  typeof p === 'object' && p !== null && Number.isFinite((p as Point).x) && Number.isFinite((p as Point).y)

/** A figure of an entity, or what stands for it where it has none. */
export const figure = (v: unknown, otherwise: number): number => (typeof v === 'number' && Number.isFinite(v) ? v : otherwise)
