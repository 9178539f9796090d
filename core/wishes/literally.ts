/** A name as a part of a pattern that is looked for: its signs stand for themselves. */
export const literally = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')
