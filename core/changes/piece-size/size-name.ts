import type { Garment } from '../../pattern'

/** What a size is called on this garment. */
export const sizeName = (garment: Garment, sizeId: string) => garment.sizes.find((s) => s.id === sizeId)?.name ?? 'that has gone'
