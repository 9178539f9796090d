import type { Pinned } from '~~/core/changes'
import { foldMarksOf } from '~~/core/fittings'
import type { Garment } from '~~/core/pattern'

/** One thing to be said of a pin: chosen from a list, or a length. */
export type PinField = { key: string; label: string; test: string } & (
  | { type: 'choice'; value: string; options: { value: string; label: string }[]; set: (value: string) => Record<string, unknown> }
  | { type: 'length'; mm: number; isAmount: boolean }
)

const WAYS = {
  side: { label: 'Side seams', out: 'let out', in: 'taken in' },
  seam: { label: 'Seam', out: 'let out', in: 'taken in' },
  wedge: { label: 'Wedge', out: 'taken out', in: 'put in' },
} as const

const HEM_WAYS = [
  { id: 'shorter', name: 'turned up' },
  { id: 'longer', name: 'let down' },
]

/** What is asked of something that was pinned, in the order in which one measures it. */
export function pinFields(garment: Garment, pinned: Pinned): PinField[] {
  const piece = 'pieceId' in pinned ? garment.pieces.find((p) => p.id === pinned.pieceId) : undefined
  const place = (key: string, label: string, test: string, mm: number): PinField => ({
    type: 'length',
    key,
    label,
    test,
    mm,
    isAmount: false,
  })
  const amount = (key: string, label: string, mm: number): PinField => ({
    type: 'length',
    key,
    label,
    test: `pin-${key}`,
    mm,
    isAmount: true,
  })
  const choice = (
    key: string,
    label: string,
    test: string,
    value: string,
    options: readonly { id: string; name: string }[],
    set: (chosen: string) => Record<string, unknown> = (chosen) => ({ [key]: chosen }),
  ): PinField => ({ type: 'choice', key, label, test, value, options: options.map((o) => ({ value: o.id, label: o.name })), set })
  const pieceAndEdge = (label: string, withFold: boolean): PinField[] => {
    if (!('pieceId' in pinned)) return []
    const edges = (piece?.edges ?? []).filter((e) => e.role !== 'dart-leg' && (withFold || !e.fold))
    return [
      choice('pieceId', 'Piece', 'pin-piece', pinned.pieceId, garment.pieces),
      choice('edgeId', label, 'pin-edge', pinned.edgeId, edges),
    ]
  }
  const way = (how: keyof typeof WAYS, isOut: boolean): PinField => {
    const { label, out, in: within } = WAYS[how]
    const options = [
      { id: 'in', name: within },
      { id: 'out', name: out },
    ]
    return choice('isOut', label, 'pin-way', isOut ? 'out' : 'in', options, (chosen) => ({ isOut: chosen === 'out' }))
  }
  switch (pinned.how) {
    case 'fold':
      return [
        ...pieceAndEdge('At the', false),
        choice('from', 'Measured from', 'pin-from', pinned.from, foldMarksOf(garment, pinned.pieceId, pinned.edgeId)),
        place('atMm', 'To the nearer pin', 'pin-at', pinned.atMm),
        amount('mm', 'From pin to pin', pinned.mm),
      ]
    case 'wedge':
      return [
        ...pieceAndEdge('Widest at', true),
        place('belowMm', 'Below its upper end', 'pin-at', pinned.belowMm),
        way('wedge', pinned.isOut),
        amount('mm', 'How deep', pinned.mm),
      ]
    case 'seam':
      return [
        ...pieceAndEdge('Seam at the', false),
        way('seam', pinned.isOut),
        amount('mm', 'Each edge, where deepest', pinned.mm),
        place('atMm', 'Deepest below the upper end', 'pin-at', pinned.atMm),
        place('aboveMm', 'Runs out above over', 'pin-above', pinned.aboveMm),
        place('belowMm', 'Runs out below over', 'pin-below', pinned.belowMm),
      ]
    case 'side':
      return [
        way('side', pinned.isOut),
        amount('bustMm', 'At the bust, each edge', pinned.bustMm),
        amount('waistMm', 'At the waist, each edge', pinned.waistMm),
        amount('hipMm', 'At the hip, each edge', pinned.hipMm),
      ]
    case 'hem':
      return [
        choice('isLonger', 'Hem', 'pin-way', pinned.isLonger ? 'longer' : 'shorter', HEM_WAYS, (chosen) => ({
          isLonger: chosen === 'longer',
        })),
        amount('centreFrontMm', 'Centre front', pinned.centreFrontMm),
        amount('sideMm', 'Sides', pinned.sideMm),
        amount('centreBackMm', 'Centre back', pinned.centreBackMm),
      ]
  }
}
