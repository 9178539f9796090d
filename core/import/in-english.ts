import type { Drawing } from '../formats'
import { hasPartWord } from './part-words'

/**
 * Words of the trade in other languages as they stand on patterns, and the English ones that the readers know. A language counts only in
 * a file in which more of its sure words stand than lines with English ones: a short word of one is a name in another (“Rock”, “dos”,
 * “vista”), and what is written in several languages is read in English.
 */
interface Language {
  /** Words that no other language has for parts of a garment. */
  sure: RegExp
  /** As they are looked for, in this order: longer ones first. */
  words: readonly (readonly [pattern: string, english: string])[]
}

/** Letters as they are also written where a program has no others: “RUECKENTEIL”, “canesu”. */
const ALSO: Record<string, string> = {
  ä: '(?:ä|ae)',
  ö: '(?:ö|oe|o)',
  ü: '(?:ü|ue|u)',
  ß: '(?:ß|ss)',
  é: '[ée]',
  è: '[èe]',
  ô: '[ôo]',
  ó: '[óo]',
  ú: '[úu]',
  ñ: '[ñn]',
}

const word = (pattern: string) =>
  new RegExp(`(?<![\\p{L}\\d])(?:${pattern.replace(/[äöüßéèôóúñ]/g, (letter) => ALSO[letter]!)})(?!\\p{L})`, 'giu')

const GERMAN: Language = {
  sure: word(
    'vorderteile?|rückenteile?|rückteile?|\\p{L}*ärmel|vorderhose|hinterhose|vorderrock|hinterrock|stoffbruch|fadenlauf|hosenbund|taillenbund',
  ),
  words: [
    ['vordere mitte|vord\\.? mitte|v\\.?m\\.?', 'centre front'],
    ['hintere mitte|rückwärtige mitte|hint\\.? mitte|h\\.?m\\.?', 'centre back'],
    ['vorderhose|hosenvorderteil|vordere hose|vorderes hosenteil', 'Trouser front'],
    ['hinterhose|hosenrückteil|hosenrückenteil|hintere hose|hinteres hosenteil', 'Trouser back'],
    ['vorderrock|rockvorderteil|vordere rockbahn|rockvorderbahn', 'Skirt front'],
    ['hinterrock|rockrückteil|rockrückenteil|hintere rockbahn|rockrückbahn', 'Skirt back'],
    ['seitliches vorderteil|seitenvorderteil|vorderes seitenteil', 'Side front'],
    ['seitliches rückenteil|seitenrückenteil|rückwärtiges seitenteil|hinteres seitenteil', 'Side back'],
    ['rückenpasse', 'Back yoke'],
    ['vorder(?:teil)?passe', 'Front yoke'],
    ['rückenbelege?', 'Back facing'],
    ['vorder(?:teil)?belege?', 'Front facing'],
    ['vorderteile?', 'Front'],
    ['rückenteile?|rückteile?|rücken', 'Back'],
    ['oberärmel', 'Upper sleeve'],
    ['unterärmel', 'Under sleeve'],
    ['ärmelbündchen|ärmelmanschette|manschetten?', 'Cuff'],
    ['ärmelbelege?', 'Sleeve facing'],
    ['(?:\\p{L}+)?ärmel', 'Sleeve'],
    ['seitenteile?', 'Side panel'],
    ['kragensteg|steg', 'Collar stand'],
    ['oberkragen', 'Upper collar'],
    ['unterkragen', 'Under collar'],
    ['(?:\\p{L}+)?kragen', 'Collar'],
    ['taillenbund|hosenbund|rockbund|bund', 'Waistband'],
    ['halsbündchen|halsbund', 'Neckband'],
    ['(?:\\p{L}+)?passe', 'Yoke'],
    ['taschenbeutel', 'Pocket bag'],
    ['(?:\\p{L}+)?taschen?', 'Pocket'],
    ['patten?', 'Flap'],
    ['(?:\\p{L}+)?besatz|(?:\\p{L}+)?belege?', 'Facing'],
    ['gürtel', 'Belt'],
    ['kapuze', 'Hood'],
    ['futter', 'lining'],
    ['(?:vlies)?einlage', 'interfacing'],
    ['oberstoff', 'main fabric'],
    ['(?:(?:im|am|an den|an der|in den|zum)\\s{1,3})?(?:stoff)?bruch(?:kante)?', 'on the fold'],
    ['spiegelbildlich|gegengleich|gespiegelt', 'mirrored'],
    ['paarweise|paare?', 'pair'],
    ['fadenlauf|fadenrichtung', 'grain'],
    ['größen?|gr\\.', 'size'],
    ['nahtzugaben?|nz', 'seam allowance'],
    ['inklusive|inkl\\.?|enthalten', 'included'],
    ['zuschneiden|schneiden', 'cut'],
    ['mal', 'times'],
    ['(?:brust)?abnäher', 'dart'],
    ['saum', 'hem'],
    ['kontrollquadrat|testquadrat|prüfquadrat|kontrollkästchen', 'test square'],
    ['hier verlängern oder kürzen|verlängern (?:oder|/) kürzen', 'lengthen or shorten here'],
    ['vordere[rs]?', 'Front'],
    ['hintere[rs]?', 'Back'],
    ['vorne?', 'Front'],
    ['hinten', 'Back'],
    ['einmal', '1 times'],
    ['zweimal', '2 times'],
    ['viermal', '4 times'],
    ['rock', 'Skirt'],
    ['hose', 'Trouser'],
    ['links', 'left'],
    ['rechts', 'right'],
    ['und', 'and'],
  ],
}

const FRENCH: Language = {
  sure: word('devant|manches?|empiècement|parementure|droit[- ]fil|poignets?|pliure|ceinture'),
  words: [
    ['milieu (?:du )?devant', 'centre front'],
    ['milieu (?:du )?dos', 'centre back'],
    ['dessus de (?:la )?manche', 'Upper sleeve'],
    ['dessous de (?:la )?manche', 'Under sleeve'],
    ['(?:petit )?côté (?:du )?devant|devant côté', 'Side front'],
    ['(?:petit )?côté (?:du )?dos|dos côté', 'Side back'],
    ['pied de col', 'Collar stand'],
    ['dessus de col', 'Upper collar'],
    ['dessous de col', 'Under collar'],
    ['fond de poche', 'Pocket bag'],
    ['manches?', 'Sleeve'],
    ['devant', 'Front'],
    ['dos|arrière', 'Back'],
    ['une(?= fois)', '1'],
    ['deux(?= fois)', '2'],
    ['quatre(?= fois)', '4'],
    ['col', 'Collar'],
    ['ceinture', 'Waistband'],
    ["bande d[’']encolure", 'Neckband'],
    ['poignets?', 'Cuff'],
    ['empiècement', 'Yoke'],
    ['parementure|enforme', 'Facing'],
    ['poches?', 'Pocket'],
    ['rabat', 'Flap'],
    ['capuche', 'Hood'],
    ['jupe', 'Skirt'],
    ['pantalon', 'Trouser'],
    ['doublure', 'lining'],
    ['entoilage|thermocollant', 'interfacing'],
    ['tissu(?: principal)?', 'main fabric'],
    ['(?:au|sur le|dans le|à la|sur la)\\s+(?:pli(?:ure)?)(?: du tissu)?|pliure', 'on the fold'],
    ['en miroir|symétriques?', 'mirrored'],
    ['paires?', 'pair'],
    ['droit[- ]fil', 'grain'],
    ['taille(?=\\s{0,3}:?\\s{0,3}(?:\\d|[SML]\\b|X+[SL]\\b))', 'size'],
    ['marges? de coutures?', 'seam allowance'],
    ['comprises?|incluses?', 'included'],
    ['couper|coupez', 'cut'],
    ['fois', 'times'],
    ['pinces?', 'dart'],
    ['ourlet', 'hem'],
    ['carré (?:de )?(?:contrôle|test)', 'test square'],
    ['gauche', 'left'],
    ['droite', 'right'],
    ['et', 'and'],
  ],
}

const SPANISH: Language = {
  sure: word('delanter[oa]s?|espalda|mangas?|canesú|pretina|doblez|puños?'),
  words: [
    ['centro (?:del )?(?:delantero|frente)', 'centre front'],
    ['centro (?:de la )?(?:espalda|trasero)', 'centre back'],
    ['costad(?:ill)?o delantero', 'Side front'],
    ['costad(?:ill)?o (?:espalda|trasero)', 'Side back'],
    ['pie de cuello', 'Collar stand'],
    ['delanter[oa]s?', 'Front'],
    ['espalda|traser[oa]s?', 'Back'],
    ['manga superior', 'Upper sleeve'],
    ['manga inferior|bajo ?manga', 'Under sleeve'],
    ['mangas?', 'Sleeve'],
    ['cuello', 'Collar'],
    ['puños?', 'Cuff'],
    ['pretina|cinturilla', 'Waistband'],
    ['canesú', 'Yoke'],
    ['vistas?', 'Facing'],
    ['bolsillos?', 'Pocket'],
    ['capucha', 'Hood'],
    ['falda', 'Skirt'],
    ['pantalón', 'Trouser'],
    ['forro', 'lining'],
    ['entretela', 'interfacing'],
    ['tela(?: principal)?', 'main fabric'],
    ['(?:al|en|sobre|en el|sobre el)\\s+(?:doblez|lomo)(?: de la tela)?|doblez', 'on the fold'],
    ['en espejo|simétric[oa]s?', 'mirrored'],
    ['par(?:es)?', 'pair'],
    ['(?:al |recto )?hilo', 'grain'],
    ['tallas?', 'size'],
    ['margen(?:es)? de costura', 'seam allowance'],
    ['incluidos?', 'included'],
    ['cortar|corte', 'cut'],
    ['una(?= vez)', '1'],
    ['dos(?= veces)|(?<=cut )dos', '2'],
    ['cuatro(?= veces)', '4'],
    ['vez|veces', 'times'],
    ['piezas?', 'pieces'],
    ['pinzas?', 'dart'],
    ['cuadro de (?:prueba|control)', 'test square'],
  ],
}

const ITALIAN: Language = {
  sure: word('davanti|dietro|manica|maniche|sprone|polsin[oi]|paramontura|dritto ?filo'),
  words: [
    ['centro davanti', 'centre front'],
    ['centro dietro', 'centre back'],
    ['fianchetto davanti', 'Side front'],
    ['fianchetto dietro', 'Side back'],
    ['sopramanica', 'Upper sleeve'],
    ['sottomanica', 'Under sleeve'],
    ['davanti', 'Front'],
    ['dietro', 'Back'],
    ['manica|maniche', 'Sleeve'],
    ['colletto|collo', 'Collar'],
    ['polsin[oi]', 'Cuff'],
    ['cinturino|cintura', 'Waistband'],
    ['sprone|carré', 'Yoke'],
    ['paramontura|ripiego', 'Facing'],
    ['tasca|tasche', 'Pocket'],
    ['cappuccio', 'Hood'],
    ['gonna', 'Skirt'],
    ['pantaloni?', 'Trouser'],
    ['fodera', 'lining'],
    ['teletta', 'interfacing'],
    ['(?:in|sulla|su)\\s+(?:piega|ripiegatura)(?: (?:del|della) (?:tessuto|stoffa))?', 'on the fold'],
    ['specular[ei]', 'mirrored'],
    ['dritto ?filo', 'grain'],
    ['tagli[ae]', 'size'],
    ['margin[ei] di cucitura', 'seam allowance'],
    ['compres[oi]|inclus[oi]', 'included'],
    ['tagliare', 'cut'],
    ['una(?= volta)', '1'],
    ['due(?= volte)', '2'],
    ['quattro(?= volte)', '4'],
    ['volta|volte', 'times'],
    ['pezzi', 'pieces'],
    ['pinces?', 'dart'],
    ['orlo', 'hem'],
    ['quadrato di (?:prova|controllo)', 'test square'],
  ],
}

const DUTCH: Language = {
  sure: word('voorpand(?:en)?|achterpand(?:en)?|rugpand(?:en)?|mouw(?:en)?|tailleband|stofvouw|draadrichting'),
  words: [
    ['midden ?voor', 'centre front'],
    ['midden ?achter', 'centre back'],
    ['broek ?voorpand|voorbroek|voorpand broek', 'Trouser front'],
    ['broek ?achterpand|achterbroek|achterpand broek', 'Trouser back'],
    ['rok ?voorpand|voorpand rok|voorrok', 'Skirt front'],
    ['rok ?achterpand|achterpand rok|achterrok', 'Skirt back'],
    ['zij ?voorpand', 'Side front'],
    ['zij ?achterpand', 'Side back'],
    ['voorpand(?:en)?', 'Front'],
    ['achterpand(?:en)?|rugpand(?:en)?', 'Back'],
    ['bovenmouw', 'Upper sleeve'],
    ['ondermouw', 'Under sleeve'],
    ['mouw(?:en)?', 'Sleeve'],
    ['kraagstaander|staander', 'Collar stand'],
    ['kraag', 'Collar'],
    ['manchet(?:ten)?', 'Cuff'],
    ['tailleband', 'Waistband'],
    ['schouderpas|pas', 'Yoke'],
    ['beleg', 'Facing'],
    ['(?:\\p{L}+)?zak(?:ken)?', 'Pocket'],
    ['capuchon', 'Hood'],
    ['voering', 'lining'],
    ['tussenvoering|vlieseline', 'interfacing'],
    ['(?:aan|tegen|op|langs)\\s+(?:de )?(?:stof)?vouw|stofvouw', 'on the fold'],
    ['gespiegeld', 'mirrored'],
    ['draadrichting', 'grain'],
    ['maten|maat', 'size'],
    ['naadtoeslag', 'seam allowance'],
    ['inclusief', 'included'],
    ['knippen|knip', 'cut'],
    ['keer', 'times'],
    ['figuurnaad', 'dart'],
    ['zoom', 'hem'],
    ['controlevierkant|testvierkant', 'test square'],
  ],
}

const LANGUAGES = [GERMAN, FRENCH, SPANISH, ITALIAN, DUTCH].map(({ sure, words }) => ({
  sure,
  words: words.map(([pattern, english]) => [word(pattern), english] as const),
}))

/** A word as it is written where it stands: small behind another word, “Skirt front”. */
const asThere = (english: string) => (found: string, place: number, text: string) =>
  /\p{L}\s$/u.test(text.slice(Math.max(0, place - 2), place)) ? english.toLowerCase() : english

/** “2 zuschneiden”, “2 times cut”: in English the figure stands behind the word. */
const FIGURE_FIRST = /\b(\d{1,2})\s{0,3}(?:[x×]|times)?\s{0,3}cut\b/gi

/**
 * A drawing whose words are in another language, with the words of the trade in English: what a piece is called, how it is cut, where its
 * fold is. Words that are not known stay; a drawing in English stays as it is.
 */
export function inEnglish(drawing: Drawing): Drawing {
  const all = [...drawing.texts.map((t) => t.text), ...drawing.shapes.flatMap((s) => [s.name, ...s.groups])]
  const written = [...new Set(all)].join('\n').normalize('NFC')
  const hits = LANGUAGES.map(({ sure }) => [...written.matchAll(sure)].length)
  const most = Math.max(...hits)
  const english = new Set(drawing.texts.flatMap(({ text }) => (hasPartWord(text) ? [text] : [])))
  if (most <= english.size) return drawing
  const { words } = LANGUAGES[hits.indexOf(most)]!
  const said = new Map<string, string>()
  const translated = (text: string): string => {
    const known = said.get(text)
    if (known !== undefined) return known
    const now = words.reduce((t, [pattern, to]) => t.replace(pattern, asThere(to)), text.normalize('NFC')).replace(FIGURE_FIRST, 'cut $1')
    said.set(text, now)
    return now
  }
  return {
    ...drawing,
    texts: drawing.texts.map((t) => ({ ...t, text: translated(t.text) })),
    shapes: drawing.shapes.map((s) => ({ ...s, name: translated(s.name), groups: s.groups.map(translated) })),
  }
}
