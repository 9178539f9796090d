/** Words that name a part of a garment: a text with one of them is what its piece is called. */
const PARTS = [
  'front|back|side|panel|bodice|yoke|gusset|godet|insert|inset|shield',
  'sleeve|cuff|undersleeve|oversleeve|placket|plackets|gauntlet',
  'collar|undercollar|stand|lapel|revers|hood|neckband|neckline|facing|facings|band|binding|ruff|jabot',
  'skirt|waistband|belt|peplum|basque|overskirt|underskirt|tier|ruffle|frill|flounce|apron|train',
  'leg|trouser|trousers|pant|pants|shorts|fly|crotch|seat|breeches',
  'pocket|pockets|flap|welt|jet|bag|tab|loop|strap|straps|tie|ties|bib|buckle|epaulette|epaulet|belt ?loop|carrier',
  'casing|lining|interlining|interfacing|underlining|hem|brim|crown|visor|cup|sole|thumb|tongue|vamp|cape|cowl|sash',
  'patch|patches|bow|tail|piping|keeper|wing|ear|palm|gaiter|spat|petal',
].join('|')

const PART_WORD = new RegExp(`\\b(?:${PARTS})s?\\b`, 'i')

/** Is there a word in it that names a part of a garment? */
export const hasPartWord = (text: string): boolean => PART_WORD.test(text)
