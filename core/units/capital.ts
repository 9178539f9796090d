/** Words as they begin a sentence or a row. @example capital('hip: too small') // 'Hip: too small' */
export const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1)
