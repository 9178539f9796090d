import type { Wearer } from '~~/core/body'

/** What tells a fit from the others of its garment: for whom it is, and its own name. */
export function fitTitle({ wearerId, name }: { wearerId: string | null; name: string }, wearers: readonly Wearer[]): string {
  const wearer = wearers.find((w) => w.id === wearerId)
  const forWhom = wearer ? `for ${wearer.name}` : 'no wearer yet'
  return name === '' ? forWhom : `${forWhom}, ${name}`
}
