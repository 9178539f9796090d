import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { demoWardrobe } from '../../demo/wardrobe'
import { applyOrRefuse, CHANGE_KINDS, contextOf, findKind, foldPlan, withId } from '../changes'
import { stopsOf } from '../formats'
import { DEFAULT_TOLERANCES } from '../match'
import { measureLength } from '../geometry'
import { edgePath, shapeOf, type Garment } from '../pattern'
import { INCH_MM, writeLengths } from '../units'
import { PHRASES } from '../wishes/lexicon'
import { answerWish, offerAs } from './answer-wish'
import { answerAsTried, tryOffer } from './try-offer'

const { projects, wearers } = demoWardrobe(new Date('2026-11-27'))
const GARMENTS = {
  blouse: 'demo-blouse',
  legs: 'demo-tapered',
  dress: 'demo-dress',
  suit: 'demo-bather',
  two: 'demo-harper',
  smock: 'demo-baker',
  vest: 'demo-ferryman',
  flared: 'demo-flared',
  tunic: 'demo-tunic',
  jacket: 'demo-jacket',
} as const
const opened = (name: string) => {
  const project = projects.find((p) => p.id === GARMENTS[name as keyof typeof GARMENTS])!
  const wearer = wearers.find((w) => w.id === project.wearerId) ?? null
  return { garment: project.garment, context: contextOf(project.garment, project, wearer, DEFAULT_TOLERANCES) }
}
const answerOn = (name: string, text: string, units: 'in' | 'cm' = 'in') => {
  const { garment, context } = opened(name)
  return answerWish(text, units, garment, context)
}

/**
 * What is typed on a garment, and what must come of it: a kind with some of its inputs (figures in inches, `at` is the mark of
 * its level), “asks”, “asks” with a kind that must be among the offers, or “nothing”.
 */
const TABLE = `
jacket: cap 1/2 higher -> cap-to-armhole way="height"
blouse: cap too big, ease it down by 3/8 -> cap-to-armhole frontMm=-0.1875 backMm=-0.1875
blouse: sleeve length plus 1 below elbow -> lengthen amountMm=1
blouse: body length +1 above the waist -> lengthen amountMm=1
blouse: make it 24 long from the back neck -> uneven-hem
dress: make the dress 41 long -> asks uneven-hem
dress: back neck to hem 42 -> asks uneven-hem
dress: knee length skirt -> asks uneven-hem
dress: hem 2 in below the knee -> asks uneven-hem
blouse: back hangs lower than front by 1 -> asks uneven-hem
blouse: front is 1/2 higher than the back -> asks uneven-hem
blouse: close the bust dart -> asks move-dart
blouse: close the waist dart by 1/4 -> asks
blouse: move the bust point out 1/2 -> raise-dart asideMm=0.5
blouse: shift the apex in by 3/8 -> raise-dart asideMm=-0.375
legs: knee length 58 cm from waist -> asks lengthen
legs: finished inseam 29 in -> asks lengthen
legs: bowed legs -> asks
legs: knees knock -> asks
legs: legs twist outward -> asks side-balance
blouse: it rides up when I lift my arms -> lower-armhole
jacket: the jacket pulls up whenever I reach up -> lower-armhole
blouse: pinch 1/2 out of the armhole -> take-in-fold
tunic: pinch 3/8 at the neckline -> take-in-fold
blouse: gaping at the buttons -> bust-amount
blouse: erect back 1/4 -> level-wedge amountMm=-0.25
jacket: erect back -> asks level-wedge
blouse: hollow above the bust -> across-armhole
blouse: shorten bodice 3/4 at front only -> front-length amountMm=-0.75
blouse: one hip is higher by 1/2 -> asks
legs: high hip on the left -> asks
jacket: collar stands away -> take-in-fold
legs: smile lines at the crotch -> crotch-shape
legs: waist is 1 too big at the back -> asks dart-intake
legs: taper legs to 12 at hem -> hem-fullness
dress: hem hangs longer at the sides -> uneven-hem
smock: sleeves end above wrist, 1 1/2 longer -> lengthen amountMm=1.5
smock: too much ease in the body, take out 3 total -> add-at-edge bustMm=-0.75 waistMm=-0.75 hipMm=-0.75
jacket: sleeve cap 3/8 flatter -> cap-to-armhole way="height"
dress: less full at the hem 8 -> hem-fullness
blouse: longer at the back only 1 1/2 -> asks uneven-hem
jacket: neck to waist 16 1/2 in -> asks lengthen
dress: back neck to waist 16 in -> asks lengthen
jacket: front neck to waist 18 in -> asks lengthen
legs: hip 8 in below the waist -> asks lengthen
suit: suit too short in the torso by 1 1/2 -> lengthen amountMm=1.5
blouse: sleeve is tight at the elbow 1/2 -> seam-stretch amountMm=0.25
blouse: widen across front 1/2 -> across-width half="front" amountMm=0.5
blouse: shirt tail longer 3 -> uneven-hem centreBackMm=3 sideMm=0
legs: move side seam to the back 1/2 at hip -> side-balance hipMm=0.5
blouse: move the side seams forward 3/8 at the waist -> side-balance waistMm=-0.375
legs: bootcut 2 in at hem -> hem-fullness
legs: not enough room in the seat 1 -> level-wedge amountMm=1
legs: knee 23 in below the waist -> asks lengthen
jacket: give the sleeve cap 1/4 more ease at the back -> cap-to-armhole frontMm=0 backMm=0.25
jacket: less ease in the front half of the cap 1/8 -> cap-to-armhole frontMm=-0.125 backMm=0
jacket: sleeve cap has to fit the armhole again -> cap-to-armhole way="height"
jacket: redraw the cap to match the armhole -> cap-to-armhole way="height"
blouse: the sleeve won't go back into the new armhole -> cap-to-armhole way="height"
jacket: make armhole match the sleeve -> armhole-to-cap way="lower"
jacket: enlarge the armhole to fit the sleeve -> asks armhole-to-cap
jacket: trim 1/2 off the armhole at the bottom -> lower-armhole amountMm=0.5
jacket: shoulder seam slants back, bring it forward 1/2 -> shoulder-forward amountMm=0.5
jacket: rolled shoulders, 3/8 -> shoulder-forward amountMm=0.375
jacket: elbow 1 lower -> asks lengthen
tunic: neckline wider 1/2 at shoulder -> redraw-neckline widerMm=0.5 frontMm=0
blouse: scoop the neck 2 in -> asks redraw-neckline
legs: thigh 1 in fuller -> asks seam-stretch
legs: thigh needs 3/4 more -> asks seam-stretch
legs: extend the crotch points 1/2 in -> seam-stretch atMm=0 amountMm=0.5
legs: let out the inseam at the crotch 3/8 -> seam-stretch atMm=0 amountMm=0.375
legs: the crotch point is too short by 1/2 -> seam-stretch atMm=0 amountMm=0.5
legs: fuller thighs, let out the inseam at the top 1/2 -> seam-stretch atMm=0 amountMm=0.5
blouse: extend the crotch points 1/2 -> nothing
suit: extend the crotch point 1/2 -> nothing
legs: shorten the crotch fork 1/4 -> seam-stretch atMm=0 amountMm=-0.25
blouse: the shoulder sticks out 1/2 past my shoulder bone -> shoulder-width amountMm=-0.5
blouse: the seam of the shoulder goes beyond my shoulder by 3/8 -> shoulder-width amountMm=-0.375
blouse: the sleeves don't fit me -> asks
blouse: my back is round, make it fit -> asks level-wedge
blouse: the sleeve isn't wide enough, 1 more -> asks bicep-width
blouse: make it fit -> nothing
blouse: I'm pear shaped -> nothing
blouse: fit it to my measurements -> nothing
blouse: two bust darts instead of one -> split-dart edgeId="shoulder"
blouse: sleeve cap 1/2 too big for the armhole -> cap-to-armhole frontMm=-0.25 backMm=-0.25
blouse: petite, 1 shorter -> asks lengthen
blouse: side seams 1/2 in at waist, 1/2 out at hip -> asks
blouse: let out side seams below the waist only 1/2 -> add-at-edge hipMm=0.125 waistMm=0
blouse: let out the sides above the waist 1/2 -> add-at-edge bustMm=0.125 waistMm=0
blouse: the waist falls above my natural waist by 1 -> asks lengthen
blouse: make it sleeveless -> asks
blouse: cut the sleeves at the elbow -> lengthen pieceId="sleeve"
blouse: excess at the back armhole, 1/2 -> take-in-fold edgeId="armhole" amountMm=0.5
blouse: horizontal fold at the back waist 3/4 -> level-wedge pieceId="back" amountMm=-0.75
blouse: take a half inch tuck out of the back waist -> level-wedge pieceId="back" amountMm=-0.5
blouse: hips 1 fuller -> add-at-edge hipMm=0.25
blouse: too much length between shoulder and bust, 1/2 -> across-armhole half="front" amountMm=-0.5
blouse: wrist to 11 -> hem-fullness pieceId="sleeve"
legs: cuff 13 -> asks hem-fullness
legs: fat knees -> asks seam-stretch
legs: knee sits 1 low -> asks lengthen
blouse: the sleeves won't come down to my wrist, 1 short -> lengthen pieceId="sleeve" amountMm=1
blouse: sleeves don't reach my wrists by 1/2 -> lengthen pieceId="sleeve" amountMm=0.5
blouse: sleeves need to come up 1 -> lengthen pieceId="sleeve" amountMm=-1
blouse: shoulder seams extend 1/2 past my shoulders -> shoulder-width amountMm=-0.5
blouse: shoulder seam hangs over my arm by 3/8 -> shoulder-width amountMm=-0.375
blouse: shoulder seams don't reach my shoulder bone by 1/2 -> shoulder-width amountMm=0.5
blouse: there's an inch too much at the waist -> add-at-edge waistMm=-0.25
blouse: I can pinch 2 inches at the waist -> add-at-edge waistMm=-0.5
blouse: won't close over the hips, 2 inches short -> add-at-edge hipMm=0.5
blouse: buttons won't meet at the bust by 2 -> bust-amount amountMm=1
blouse: front hem swings up 1/2 -> uneven-hem centreFrontMm=0.5 sideMm=0
blouse: bust dart ends 1/2 too soon -> finish-dart
legs: pants drag on the ground, 1 -> lengthen amountMm=-1
legs: high waters, 2 longer -> lengthen amountMm=2
dress: skirt flares too much, 4 less at the hem -> hem-fullness amountMm=-1
dress: skirt isn't full enough, 6 more -> hem-fullness amountMm=1.5
tunic: overlap is too small by 2 -> wrap-over overlapMm=6.13386
dress: zip won't do up at the waist, 1 inch short -> add-at-edge waistMm=0.25
blouse: bust +2 -> bust-amount amountMm=1
blouse: waist -1 in -> add-at-edge waistMm=-0.25
blouse: hip + 1 -> add-at-edge hipMm=0.25
blouse: shoulder -1/2 -> shoulder-width amountMm=-0.5
blouse: sleeve length +1 -> lengthen pieceId="sleeve" amountMm=1
blouse: length -2 -> asks lengthen
legs: hem -1 -> asks
dress: neckline -1/2 -> asks
blouse: 1/2 off each sleeve -> asks lengthen
blouse: loses 1 in length -> asks lengthen
blouse: it's snug at the hip, add 1 -> add-at-edge hipMm=0.25
blouse: hem is riding up at the front 1 -> uneven-hem centreFrontMm=1 sideMm=0
blouse: convert the side dart into an armhole dart -> move-dart edgeId="armhole"
blouse: collar too tight by 1/2 -> asks redraw-neckline
blouse: my shoulders are square, about 3/8 -> shoulder-slope amountMm=0.375
blouse: bodice needs 1/2 more length at the front -> front-length amountMm=0.5
legs: pull lines at the hip -> add-at-edge
tunic: wrap 2 further over -> wrap-over overlapMm=6.13386
blouse: sleeves end an inch above my wrist bone -> lengthen pieceId="sleeve" amountMm=1
legs: the pants end 2" above her ankle -> lengthen amountMm=2
blouse: sleeves to end 2 above the wrist -> asks
blouse: I need another 2 inches round the hips -> add-at-edge hipMm=0.5 waistMm=0
dress: needs an extra 1 at the waist -> add-at-edge waistMm=0.25
legs: another inch in the back rise -> level-wedge pieceId="back" amountMm=1
blouse: shoulder seam sits 1/2 inch behind the top of my shoulder -> shoulder-forward amountMm=0.5
blouse: shoulder seam is 3/8" in front of my shoulder -> shoulder-forward amountMm=-0.375
blouse: shoulder seam rolls to the back 1/2 -> shoulder-forward amountMm=0.5
blouse: the shoulder seams keep sliding backwards by 3/8 -> shoulder-forward amountMm=0.375
blouse: shoulder seam drifts forward 1/4 -> shoulder-forward amountMm=-0.25
blouse: my shoulders roll forward 1/2 -> shoulder-forward amountMm=0.5
blouse: her shoulder slumps forward by 3/8 -> shoulder-forward amountMm=0.375
blouse: shoulder seam 1/2 too far behind -> shoulder-forward amountMm=0.5
blouse: slide the shoulder seam backward 1/4 -> shoulder-forward amountMm=-0.25
blouse: cut the neckline 1 lower -> redraw-neckline frontMm=1
blouse: cut out 1 at the waist -> add-at-edge waistMm=-0.25
blouse: make the sleeves cut less into my arms, 1 -> bicep-width amountMm=1
dress: shows too much cleavage, by 1 -> redraw-neckline frontMm=-1
dress: less cleavage 1/2 -> redraw-neckline frontMm=-0.5
dress: the neckline is too revealing, 1 -> redraw-neckline frontMm=-1
tunic: lower the V by 1 -> redraw-neckline frontMm=1
tunic: the v is 1/2 too deep -> redraw-neckline frontMm=-0.5
blouse: please cut the neck wider 1/2 -> redraw-neckline widerMm=0.5
blouse: cut the armholes deeper by 3/4 -> lower-armhole amountMm=0.75
blouse: cut the sleeves 1 shorter -> lengthen pieceId="sleeve" amountMm=-1
legs: cut the legs 2 shorter -> lengthen amountMm=-2
legs: cut the hems wider 1 -> hem-fullness amountMm=0.5
blouse: cut one size larger -> asks
dress: skirt drags on the floor at the back by 1 1/4 -> uneven-hem centreBackMm=-1.25 sideMm=0
dress: the hem is trailing the ground by 2 -> uneven-hem centreFrontMm=-2 sideMm=-2 centreBackMm=-2
legs: when I sit the back pulls down 3/4 -> level-wedge pieceId="back" amountMm=0.75
legs: when she sits down, the waistband slides down 1 -> level-wedge pieceId="back" amountMm=1
tunic: front edge falls open -> take-in-fold edgeId="neck"
dress: turn the waist dart into the side -> nothing
suit: bust wider 2 -> add-at-edge bustMm=0.5
suit: hips 1 bigger -> asks seam-stretch
legs: my seat is flat, 1/2 -> level-wedge pieceId="back" amountMm=-0.5
jacket: hunched shoulders -> asks shoulder-forward
blouse: pull the side seams in 1 each at the waist -> add-at-edge waistMm=-1
blouse: draw the waist in 1 -> add-at-edge waistMm=-0.25
dress: the waist is 1 inch large -> add-at-edge waistMm=-0.25
blouse: shoulders slide off, 1/2 too wide -> shoulder-width amountMm=-0.5
jacket: sleeve width at the bicep plus 1 -> bicep-width amountMm=1
jacket: back is too broad between armholes by 1/2 -> across-width half="back" amountMm=-0.5
flared: make the flare 3 inches less -> hem-fullness amountMm=-1.5
dress: skirt a line 4 -> hem-fullness pieceId="skirt-front" amountMm=1
blouse: cap needs to be 1/2 taller -> cap-to-armhole way="height"
legs: dropped crotch 1 -> asks
dress: skirt longer at the back 2 -> uneven-hem centreBackMm=2 sideMm=0
dress: the back of the skirt is 1 1/2 too long -> uneven-hem centreBackMm=-1.5 centreFrontMm=0
dress: skirt 1 shorter in front -> uneven-hem centreFrontMm=-1
blouse: upper arms are big, 1 inch -> bicep-width amountMm=1
legs: thighs are big 1 -> asks seam-stretch
blouse: sleeve is too small for armhole -> cap-to-armhole
blouse: the cap is too big for its armhole -> cap-to-armhole
blouse: there's too much ease in the sleeve head, 1/2 -> cap-to-armhole frontMm=-0.25 backMm=-0.25
blouse: cap has half an inch too much ease -> cap-to-armhole frontMm=-0.25
blouse: reduce sleeve cap ease by 1/2 -> cap-to-armhole frontMm=-0.25
blouse: cap is too tall by 1/2 -> cap-to-armhole way="height"
blouse: widen the neckline 1/2 each side -> redraw-neckline widerMm=0.5
blouse: widen neck 1/4 at each shoulder -> redraw-neckline widerMm=0.25
blouse: widen each shoulder 1/4 -> shoulder-width amountMm=0.25
dress: I'm long in the torso by 1 -> lengthen amountMm=1
dress: she is short in the waist, 1/2 -> lengthen amountMm=-0.5
blouse: 1 inch too long from shoulder to waist -> lengthen pieceId="front" amountMm=-1
blouse: dart ends 1 past the bust point -> finish-dart
blouse: dart too shallow by 1/4 -> asks dart-intake
blouse: darts poke at the tips -> asks finish-dart
blouse: puffier sleeve 2 -> asks hem-fullness
blouse: half a size larger -> asks
blouse: one shoulder is lower 3/8 -> asks shoulder-slope
blouse: can't raise my arms -> lower-armhole
jacket: nip the waist 1 -> add-at-edge waistMm=-0.25 bustMm=0
legs: flare 2 from the knee -> asks hem-fullness
legs: make it a straight leg -> asks hem-fullness
blouse: rotate the sleeve forward 1/2 -> asks shoulder-forward
vest: shorten the sleeves 1 -> nothing
blouse: inseam 1 longer -> nothing
tunic: shorten the skirt 2 -> asks lengthen
smock: skirt 2 longer -> asks lengthen
two: let out the panel seam 1/2 -> nothing
dress: bust dart too high by 1 -> nothing
suit: raise the leg opening 1 -> asks slash-swing
blouse: shape the waist more -> add-at-edge
blouse: add 1/2 below bust -> lengthen pieceId="front" amountMm=0.5
dress: size 3 bust, 4 waist, 5 hips -> blend bust="one-1" hip="one+1"
dress: size 3 hips, 5 bust -> blend bust="one+1" hip="one-1"
blouse: I wear a D cup -> asks bust-amount
blouse: fold out 1/2 across the chest -> asks take-in-fold
dress: a-line it by 4 -> hem-fullness amountMm=1
dress: narrower skirt by 4 -> asks hem-fullness
dress: bunches at back waist 3/4 -> level-wedge amountMm=-0.75
blouse: folds at small of back -> level-wedge
legs: low rise 2 -> lengthen amountMm=-2
legs: too tight in the seat 1 -> level-wedge amountMm=1
blouse: hem isn't level -> uneven-hem
blouse: leave the waist alone, hips 1 bigger -> add-at-edge hipMm=0.25 waistMm=0
blouse: take in the waist alone 1 -> asks add-at-edge
blouse: take in the side seams 1 from the hem -> asks add-at-edge
blouse: take 1 in off the bottom -> uneven-hem sideMm=-1
blouse: hem 40 and lengthen 12 -> asks
blouse: cut the sleeves off at the elbow -> lengthen pieceId="sleeve"
legs: cut off at the knee -> lengthen
blouse: the sleeves are too long and the body is 1 short -> asks
legs: the crotch is 1 low -> lengthen amountMm=-1
vest: the armholes are 1/2 low -> lower-armhole amountMm=-0.5
blouse: bust 38, waist 30, hips 40 -> nothing
blouse: my bust is 38 and my waist 30 -> nothing
blouse: shoulder seam sits to the front by 1/4 -> shoulder-forward amountMm=-0.25
blouse: shoulder seam falls behind my shoulder 1/2 -> shoulder-forward amountMm=0.5
blouse: the shoulder seam lies to the back 3/8 -> shoulder-forward amountMm=0.375
vest: wider waist dart 1/4 -> double-dart amountMm=0.25
vest: narrower waist dart 1/4 -> double-dart amountMm=-0.25
vest: let out the waist dart 1/4 -> double-dart amountMm=-0.25
legs: it gives me a wedgie, 1/2 -> lengthen amountMm=0.5
legs: petite by 2 inches -> lengthen amountMm=-2
blouse: tall, add 2 inches -> asks lengthen
blouse: ease the hip by 1 inch -> add-at-edge hipMm=0.25
blouse: I'm a 4 in the shoulders and a 6 in the hips -> asks blend
blouse: she wears a 3 at the bust and 5 at the hips -> blend
blouse: too much fabric at the lower back 1/2 -> level-wedge pieceId="back" amountMm=-0.5
blouse: pulls at the bust button -> bust-amount
legs: hips 1 wider but waist same -> add-at-edge hipMm=0.25 waistMm=0
legs: hips 1 wider, waist unchanged -> add-at-edge hipMm=0.25 waistMm=0
legs: hips 1 wider, same waist -> add-at-edge hipMm=0.25 waistMm=0
blouse: bust 2 wider, keep the hips -> bust-amount amountMm=1 waist="side"
blouse: bust 2 wider, keep the waist -> asks bust-amount
dress: fuller bust 2, the waist stays -> bust-amount amountMm=1 waist="side"
blouse: right shoulder drops 1/4 -> shoulder-slope amountMm=-0.25 side="right"
blouse: narrower back by 1/2 -> across-width half="back" amountMm=-0.5
blouse: lower cap by 1/4 -> cap-to-armhole way="height"
blouse: deeper v of 3/4 -> redraw-neckline frontMm=0.75
legs: rise 1/2 shorter in front -> level-wedge pieceId="front" amountMm=-0.5
legs: trouser rise 1.5 cm longer at the back -> asks level-wedge
legs: bum sticks out, 1 -> level-wedge pieceId="back" amountMm=1
blouse: make the dart legs the same length -> equal-legs
blouse: the sleeves are an inch long on me -> lengthen pieceId="sleeve" amountMm=-1
blouse: sleeves 1 inch long -> lengthen pieceId="sleeve" amountMm=-1
blouse: the sleeve is 3/4 short -> lengthen pieceId="sleeve" amountMm=0.75
blouse: my sleeves are 2 long -> lengthen pieceId="sleeve" amountMm=-2
blouse: make the sleeve 1 in long -> asks lengthen
blouse: shoulders are narrow by 1/2 each -> asks shoulder-width
blouse: the shoulders are narrow by 1/2 -> shoulder-width amountMm=0.5
blouse: the hips are 2 inches wide -> add-at-edge hipMm=-0.5
blouse: my hips are 2 inches wide -> add-at-edge hipMm=0.5
blouse: the waist is 1 inch big -> add-at-edge waistMm=-0.25
blouse: the armhole is high 1/2 -> lower-armhole amountMm=0.5
legs: the legs are short by 2 -> lengthen amountMm=2
blouse: cut 1 1/4 off the bottom of the sleeves -> lengthen pieceId="sleeve" amountMm=-1.25
legs: cut 2 off the ends of the legs -> lengthen amountMm=-2
blouse: trim 1 inch off the hem -> uneven-hem centreFrontMm=-1 sideMm=-1 centreBackMm=-1
dress: cut off 3 inches from the bottom -> uneven-hem sideMm=-3
blouse: lower the neckline 3/4 at the front only -> redraw-neckline frontMm=0.75 backMm=0
blouse: bust darts end too close to the point -> asks finish-dart
legs: lower the waistband 1 inch -> asks lengthen
smock: add a dart -> asks
blouse: add 1/4 to the bust dart -> asks dart-intake
blouse: take in from 1 at the waist to 2 at the hip -> asks add-at-edge
blouse: folds at the bust -> asks
blouse: needs 2 inches at the hem -> uneven-hem
dress: the skirt needs 2 inches in length -> lengthen pieceId="skirt-front" amountMm=2
legs: hips 1 bigger, waist stays -> add-at-edge hipMm=0.25 waistMm=0
blouse: sleeve 1/2 wider at elbow -> seam-stretch amountMm=0.25
blouse: tight elbows, 3/4 -> seam-stretch amountMm=0.375
jacket: more room at the elbow 1 -> asks seam-stretch
blouse: lengthen the sleeve 1/2 below the elbow -> lengthen pieceId="sleeve" amountMm=0.5
blouse: size 4 at the bust, 6 at the hip -> blend
blouse: grade from a 4 at the bust to a 6 at the hip -> blend
blouse: from 3 at the bust to 5 at the hip -> blend
blouse: size 5 at the hip, 1 longer -> asks lengthen
legs: seat 1 inch bigger -> level-wedge amountMm=1
legs: take in from 1 to 2 at the knee -> asks seam-stretch
blouse: make it boxy -> add-at-edge waistMm=0
blouse: nipped waist, 2 inches -> add-at-edge waistMm=-0.5 hipMm=0
legs: add 2 inches to the hips, keep the waist -> add-at-edge hipMm=0.5 waistMm=0
blouse: let the hips out 1 but keep the bust -> add-at-edge hipMm=0.25 bustMm=0
flared: bell bottoms, 4 more -> hem-fullness
blouse: make two darts out of one -> split-dart
blouse: too tight all over by 2 -> add-at-edge hipMm=0.5 bustMm=0.5
jacket: sleeves too long by 3/4 and too tight 1 -> asks lengthen
blouse: lower the front neckline 1 and the back neckline 1/2 -> asks redraw-neckline
legs: front too baggy at crotch -> asks level-wedge
blouse: the armhole gapes at the back 1/2 -> take-in-fold amountMm=0.5
vest: armhole is gaping at the back -> take-in-fold amountMm=0
blouse: I am short between shoulder and bust, take 3/8 out -> across-armhole half="front" amountMm=-0.375
blouse: lengthen between shoulder and bust 1/2 -> across-armhole half="front" amountMm=0.5
blouse: hips need 2 inches -> add-at-edge hipMm=0.5 bustMm=0
blouse: shoulders need 1/4 -> shoulder-width amountMm=0.25
blouse: sleeves need to be 1 longer -> lengthen pieceId="sleeve" amountMm=1
blouse: 1/2 inch more from neck to waist -> lengthen amountMm=0.5
dress: shorten from neck to waist 1/2 -> lengthen pieceId="bodice-front" amountMm=-0.5
blouse: my back is long, 1/2 inch more from neck to waist -> asks lengthen
blouse: bust dart points too close to the apex -> asks finish-dart
blouse: drag lines from bust to side -> bust-amount amountMm=0
blouse: pulls across the bust, 1 -> bust-amount amountMm=0.5
two: cup too small -> asks bust-amount
legs: bow legs -> asks
legs: thighs need 1 inch -> asks seam-stretch
legs: dart legs unequal -> equal-legs
smock: less gathers -> asks hem-fullness
blouse: not enough room in the sleeve 1 -> bicep-width amountMm=1
blouse: less slope in the shoulders 1/4 -> shoulder-slope amountMm=0.25
blouse: shoulder slope too steep by 1/4 -> shoulder-slope amountMm=0.25
blouse: more shoulder slope 1/4 -> shoulder-slope amountMm=-0.25
blouse: shoulder slope 1/4 -> asks shoulder-slope
blouse: not so wide at the waist, 1 in all -> add-at-edge waistMm=-0.25
blouse: it gapes between the buttons at the bust -> bust-amount amountMm=0
blouse: sleeves end above my wrist by 1 1/2 -> lengthen pieceId="sleeve" amountMm=1.5
blouse: my arms are too fat for the sleeves, need 1 inch more -> bicep-width amountMm=1
blouse: her bust is bigger by 2 -> bust-amount amountMm=1
blouse: my shoulders are narrow, 1/2 -> shoulder-width amountMm=-0.5
blouse: it's baggy at the waist, lose 2 inches -> add-at-edge waistMm=-0.5 bustMm=0
blouse: neckline sits too high, scoop it 1/2 -> redraw-neckline frontMm=0.5
blouse: shoulders slope more than the pattern by 3/8 -> shoulder-slope amountMm=-0.375
blouse: armholes too deep by 3/4 -> lower-armhole amountMm=-0.75
blouse: scoop out the armhole 1/4 -> lower-armhole amountMm=0.25
blouse: 1 inch more between bust and waist -> lengthen amountMm=1
blouse: back is too long, folds above the waist 3/4 -> level-wedge pieceId="back" amountMm=-0.75
blouse: flare the hem by 2 inches -> asks add-at-edge
blouse: shorten by 2 but not the sleeves -> asks lengthen
blouse: don't change the hem -> nothing
legs: cut off 3 inches -> asks lengthen
legs: bigger bum, 1 inch -> level-wedge pieceId="back" amountMm=1
legs: front crotch 1/2 longer -> level-wedge pieceId="front" amountMm=0.5
legs: back rise 1 higher -> level-wedge pieceId="back" amountMm=1
legs: 2 in too long, but the knee is right -> lengthen amountMm=-2
dress: bodice 3/4 shorter above the waist seam -> lengthen pieceId="bodice-front" amountMm=-0.75
dress: waist seam 1/2 lower -> place-seam
dress: waist seam 1/2 -> asks place-seam
dress: less fabric in the skirt -> hem-fullness pieceId="skirt-front" amountMm=0
dress: side seams swing forward 1/2 -> side-balance
dress: train 10 in longer at the back -> uneven-hem centreBackMm=10 sideMm=0
tunic: the wrap gapes 3/4 -> take-in-fold amountMm=0.75
blouse: hem longer at the back by 1 -> uneven-hem centreBackMm=1 sideMm=0 centreFrontMm=0
blouse: back hem 1 longer -> uneven-hem centreBackMm=1 sideMm=0
blouse: raise the front hem 1/2 -> uneven-hem centreFrontMm=-0.5 centreBackMm=0
blouse: hem 2 longer all round -> uneven-hem centreBackMm=2 sideMm=2 centreFrontMm=2
blouse: shorten the hem by an inch -> uneven-hem sideMm=-1 centreBackMm=-1
blouse: back 1 1/2, sides 3/4 -> uneven-hem centreBackMm=1.5 sideMm=0.75 centreFrontMm=0
blouse: hem longer, 1 at the sides and 2 at centre back -> uneven-hem sideMm=1 centreBackMm=2 centreFrontMm=0
blouse: hem dips at the back -> uneven-hem centreBackMm=0
blouse: lower the hem 3/4 -> uneven-hem sideMm=0.75 centreFrontMm=0.75
blouse: take up the hem half an inch -> uneven-hem sideMm=-0.5
blouse: hem too long by 2cm -> uneven-hem sideMm=-0.787
blouse: uneven hem -> uneven-hem sideMm=0
blouse: take 1 off the hem at the front -> uneven-hem centreFrontMm=-1 sideMm=0
blouse: hem 1/2 in. longer at centre front -> uneven-hem centreFrontMm=0.5 centreBackMm=0
blouse: level the hem -> uneven-hem sideMm=0
dress: raise the hem 1 -> uneven-hem sideMm=-1 centreBackMm=-1
dress: let down the hem 2 -> uneven-hem sideMm=2
blouse: raise the dart -> raise-dart amountMm=0 dart="front side-dart"
blouse: raise the side dart 1/2 -> raise-dart amountMm=0.5
blouse: lower the bust dart by 3/8 -> raise-dart amountMm=-0.375 dart="front side-dart"
blouse: dart 1/2 higher -> raise-dart amountMm=0.5
blouse: side dart too low by 1 -> raise-dart amountMm=1
blouse: the dart points above the apex -> raise-dart amountMm=0 dart="front side-dart"
blouse: dart is below the apex by 1/2 -> raise-dart amountMm=0.5
two: lower the shoulder dart 1/4 -> asks raise-dart
two: raise the side dart 1/4 -> raise-dart amountMm=0.25 dart="front side-dart"
blouse: move the dart up 1/2 -> raise-dart amountMm=0.5
blouse: front too wide across the chest 1/2 -> asks across-width
blouse: chest too narrow between the armholes 3/8 -> across-width half="front" amountMm=0.375
blouse: back too broad by 1/2 -> across-width half="back" amountMm=-0.5
blouse: drop shoulder 2 -> asks shoulder-slope
legs: hip too tight by 1 1/2 but waist fine -> asks add-at-edge
legs: make them 2 longer -> lengthen amountMm=2
legs: lower the waistline 1 -> asks lengthen
legs: add 1 below the knee -> asks lengthen
legs: 7/8 length -> asks lengthen
legs: shorten 1 between hip and knee, and add 1 below the knee -> asks lengthen
blouse: make it a 3/4 sleeve -> asks
blouse: take the shoulders up 1/4 -> asks
blouse: the hem is 1 longer at the back -> asks uneven-hem
blouse: hem should be level, it is 3/4 longer in front -> asks uneven-hem
blouse: the sleeve is 1 shorter on one side -> asks lengthen
blouse: large bust, small shoulders -> asks
blouse: turn the side dart down 10 degrees -> asks
blouse: bust dart should be horizontal -> straighten-dart
dress: A-line the skirt by 4 -> hem-fullness
dress: side seams need to come in 1/2 at the waist -> add-at-edge waistMm=-0.125
legs: higher rise 1 -> lengthen amountMm=1
legs: lower the rise 3/4 -> lengthen amountMm=-0.75
legs: rise too low by 1 -> lengthen amountMm=1
legs: raise the crotch 1 -> lengthen amountMm=-1
legs: pants ride up in the crotch 3/4 -> lengthen amountMm=0.75
legs: crotch too short in back by 1 -> level-wedge pieceId="back" amountMm=1
legs: taper from the knee to the hem by 1 inch each leg -> hem-fullness amountMm=-0.5
legs: widen each hem 1/2 -> hem-fullness amountMm=0.5
legs: baggy under the bum 1/2 -> level-wedge pieceId="back" amountMm=-0.5
legs: waistband gaps at the back 1 -> asks dart-intake
dress: let the waist seam down 3/4 -> place-seam
dress: dress is too tight over the seat by 2 -> add-at-edge hipMm=0.5
blouse: give me another inch across the hips -> add-at-edge hipMm=0.25
blouse: dart points 3/4 above my bust -> raise-dart
blouse: neck opening too small by 1 inch -> asks redraw-neckline
blouse: take a wedge of 3/8 out at the neckline -> asks take-in-fold
blouse: hunched back 3/4 -> level-wedge pieceId="back" amountMm=0.75
blouse: waist 32 inches finished -> asks add-at-edge
blouse: bring the shoulder seam back 1/4 -> shoulder-forward amountMm=-0.25
blouse: size 3 shoulders with size 5 hips -> asks blend
blouse: add 2cm to the front length -> front-length
legs: waist dart 1/4 deeper -> dart-intake dart="back waist-dart" amountMm=0.25
legs: let out the back darts 1/8 -> dart-intake amountMm=-0.125
legs: the waist dart takes in too much -> asks dart-intake
legs: take in the waist dart 3/8 -> dart-intake amountMm=0.375
legs: take the waist dart in 1/4 -> dart-intake amountMm=0.25
legs: let the waist dart out 1/8 -> dart-intake amountMm=-0.125
legs: take 1/4 in out of the waist dart -> asks
legs: waist darts 3/8 bigger -> dart-intake amountMm=0.375
legs: smaller dart 1/4 -> dart-intake amountMm=-0.25
blouse: shoulder dart too wide by 1/8 -> dart-intake dart="back shoulder-dart" amountMm=-0.125
blouse: side dart 1/4 deeper -> asks dart-intake
blouse: finish the side dart -> finish-dart dart="front side-dart"
blouse: finish the dart -> finish-dart dart="front side-dart"
blouse: finishing the bust dart -> finish-dart dart="front side-dart"
blouse: finish the shoulder dart of the back -> finish-dart dart="back shoulder-dart"
blouse: finish the dart 1 1/2 from the apex -> finish-dart tipBackMm=1.5
blouse: straighten the side dart -> straighten-dart dart="front side-dart"
blouse: straighten the dart -> straighten-dart dart="front side-dart"
blouse: strighten the bust dart -> straighten-dart dart="front side-dart"
blouse: move the side dart to the armhole -> move-dart edgeId="armhole" dart="front side-dart"
blouse: move the bust dart to the shoulder -> move-dart edgeId="shoulder"
blouse: move the bust dart to the waist -> asks move-dart
blouse: rotate the side dart into the neckline -> move-dart edgeId="neck"
blouse: transfer the dart to the hem -> move-dart edgeId="hem"
two: move the shoulder dart to the armhole -> asks move-dart
blouse: split the side dart to the shoulder -> split-dart edgeId="shoulder"
blouse: divide the bust dart -> split-dart dart="front side-dart"
two: merge the shoulder dart into the side dart -> merge-darts dart="front side-dart-2" into="front side-dart"
two: combine the side dart into the shoulder dart -> merge-darts dart="front side-dart"
two: merge the darts -> asks merge-darts
blouse: make the dart legs equal -> equal-legs dart="front side-dart"
blouse: equal legs on the side dart -> equal-legs dart="front side-dart"
blouse: narrower shoulder -> shoulder-width amountMm=0
blouse: narrower shoulder 1/4 -> shoulder-width amountMm=-0.25
blouse: narrow the shoulders by 3/8 -> shoulder-width amountMm=-0.375
blouse: broader shoulder 1/4 -> shoulder-width amountMm=0.25
blouse: shoulders too wide by 1/2 -> shoulder-width amountMm=-0.5
blouse: shoulder too narrow -> shoulder-width amountMm=0
blouse: seam falls off the shoulder -> shoulder-width amountMm=0
blouse: shorten the shoulder 1/4 -> shoulder-width amountMm=-0.25
blouse: shoulder seam 1 cm longer -> shoulder-width amountMm=0.3937
dress: widen the shoulders 1/2 -> shoulder-width amountMm=0.5
blouse: take in the side -> add-at-edge bustMm=0
blouse: take the side in 2 -> add-at-edge bustMm=-0.5 waistMm=-0.5 hipMm=-0.5
blouse: let out the sides by 1 -> add-at-edge bustMm=0.25 hipMm=0.25
blouse: let the side seams out 1 -> add-at-edge hipMm=0.25
blouse: take 1/2 out of each side -> add-at-edge waistMm=-0.5
blouse: add 1/4 at each side -> add-at-edge waistMm=0.25
blouse: take in the waist 2 -> add-at-edge waistMm=-0.5 bustMm=0 hipMm=0
blouse: let the waist out an inch -> add-at-edge waistMm=0.25 hipMm=0
blouse: too tight at the hip -> add-at-edge hipMm=0
blouse: hip too tight by 2 -> add-at-edge hipMm=0.5 waistMm=0
blouse: waist too loose 1 -> add-at-edge waistMm=-0.25
blouse: wider hips, 1 1/2 all round -> add-at-edge hipMm=0.375
blouse: narrower at the waist by 4 cm -> add-at-edge waistMm=-0.3937
blouse: let out the waist and hip 2 -> add-at-edge waistMm=0.5 hipMm=0.5 bustMm=0
blouse: let out the bust at the side 1 -> add-at-edge bustMm=0.25 waistMm=0
blouse: sides in by 1 at the waist -> add-at-edge waistMm=-0.25 hipMm=0
legs: take in the outseam 1 -> add-at-edge hipMm=-0.25
legs: waist too tight by 1 -> add-at-edge waistMm=0.25
dress: take the waist in 3/4 -> add-at-edge waistMm=-0.1875
blouse: take in part of the side seam 1/4 at the waist -> seam-stretch seam="front side-upper" amountMm=-0.25
blouse: let out part of the sleeve seam 3/8 -> seam-stretch seam="sleeve seam-front" amountMm=0.375
legs: take in the inseam 1/4 along a stretch -> seam-stretch seam="front inseam" amountMm=-0.25
legs: let out the inseam 1/4 -> asks seam-stretch
legs: take the center back seam in by 3/8 -> seam-stretch amountMm=-0.375
legs: let out the centre back seam 1/2 -> seam-stretch amountMm=0.5
blouse: take in the centre back seam 1/2 -> nothing
blouse: let out the center back 1/4 -> nothing
blouse: take a fold of 1/2 in at the centre back -> level-wedge amountMm=-0.5
blouse: add 1/2 at centre back -> asks level-wedge
blouse: take in the shoulder seam 1/4 -> asks shoulder-slope
blouse: let out the shoulder seams 1/4 -> asks shoulder-slope
blouse: my shoulder seam is 1/4 too wide -> shoulder-width amountMm=-0.25
blouse: the shoulders stick out 1/2 -> shoulder-width amountMm=-0.5
blouse: shoulders stand out -> shoulder-width amountMm=0
blouse: flat chested -> bust-amount amountMm=0
blouse: full bust adjustment of 1 1/2 -> bust-amount amountMm=0.75
blouse: full bust 38 -> asks bust-amount
dress: waist sits 3/4 below my own waist -> asks lengthen
blouse: waist suppression 1 more -> add-at-edge waistMm=-0.25
blouse: reduce the waist suppression by 1 -> add-at-edge waistMm=0.25
blouse: waist suppression 1 less -> add-at-edge waistMm=0.25
blouse: add shoulder pads 3/8 -> shoulder-slope amountMm=0.375
blouse: take out the shoulder pads, lower the shoulder 3/8 -> shoulder-slope amountMm=-0.375
blouse: v 1 deeper -> redraw-neckline
legs: knee 7 -> nothing
blouse: smaller bust -> bust-amount amountMm=0
blouse: smaller bust 1 -> bust-amount amountMm=-0.5
blouse: fuller bust 2 -> bust-amount amountMm=1
blouse: tight over the bust -> bust-amount amountMm=0
blouse: more room at the bust 1 1/2 -> bust-amount amountMm=0.75
blouse: bust too loose by 1 -> bust-amount amountMm=-0.5
smock: fuller bust 1 1/2 -> bust-amount amountMm=0.75
blouse: shorten the body by 1 3/8 -> lengthen amountMm=-1.375 pieceId="front" at="shorten"
blouse: shorten the body by 1 3/8 inch -> lengthen amountMm=-1.375
blouse: body too long 1 -> lengthen amountMm=-1
blouse: 1 1/2 in longer in the body -> lengthen amountMm=1.5
blouse: too long above the waist 1 -> lengthen amountMm=-1 at="shorten"
blouse: lengthen above the waist 1/2 -> lengthen amountMm=0.5 at="shorten"
blouse: bunches above the waist -> lengthen amountMm=0
blouse: lengthen below the waist 1 -> lengthen amountMm=1 at="waist-line"
blouse: lengthen between bust and waist 1/2 -> lengthen amountMm=0.5 at="shorten"
blouse: shorten the sleeve 1 -> lengthen amountMm=-1 pieceId="sleeve"
blouse: sleeve too long 2 cm -> lengthen amountMm=-0.787 pieceId="sleeve"
blouse: sleeves 1 longer -> lengthen amountMm=1 pieceId="sleeve"
blouse: lengthen the sleev by 3/4 -> lengthen amountMm=0.75 pieceId="sleeve"
blouse: sleeves too short by an inch and a half -> lengthen amountMm=1.5 pieceId="sleeve"
blouse: shorten the sleeve below the elbow 1 -> lengthen amountMm=-1 pieceId="sleeve"
blouse: lengthen the sleeve above the elbow by 1 -> lengthen amountMm=1 pieceId="sleeve"
blouse: waist 30 in -> asks add-at-edge
blouse: take 3/4 off the sleeves -> asks lengthen
blouse: add 1 to the sleeves -> asks lengthen
blouse: hip is 40 in -> asks add-at-edge
blouse: shorten the sleeve hem 1 -> lengthen amountMm=-1 pieceId="sleeve"
blouse: sleeve 22 in long -> lengthen pieceId="sleeve"
blouse: make the sleeve 24 long -> lengthen pieceId="sleeve"
blouse: make the side 14 in -> lengthen pieceId="front"
blouse: lengthn the boddy by 3/8 -> lengthen amountMm=0.375 pieceId="front"
blouse: 3,5 cm shorter in the body -> lengthen amountMm=-1.378
blouse: body 35mm shorter -> lengthen amountMm=-1.378
blouse: body 1⅜ shorter -> lengthen amountMm=-1.375
blouse: shorten the body three eighths of an inch -> lengthen amountMm=-0.375
legs: lengthen below the knee 2 -> lengthen amountMm=2 at="calf-shorten"
legs: 2 in longer below the knee -> lengthen amountMm=2 at="calf-shorten"
legs: lengthen the leg by 2 keep the knee -> lengthen amountMm=2 at="calf-shorten"
legs: lengthen above the knee 1 -> lengthen amountMm=1 at="thigh-shorten"
legs: shorten the leg 1 at the calf -> lengthen amountMm=-1 at="calf-shorten"
legs: shorten at the thigh 1/2 -> lengthen amountMm=-0.5 at="thigh-shorten"
legs: shorten the legs -> lengthen amountMm=0
legs: legs too long by 3 -> lengthen amountMm=-3
legs: trousers too short 1 -> lengthen amountMm=1
legs: lengthen by 1 -> lengthen amountMm=1
legs: between waist and hip 1 longer -> lengthen amountMm=1
legs: lengthen between the hip and the knee 1 -> lengthen amountMm=1 at="thigh-shorten"
legs: hem 1 longer -> lengthen amountMm=1 at="calf-shorten"
legs: inseam 30 in long -> lengthen pieceId="front"
legs: make the inseam 29 in -> lengthen pieceId="front"
legs: inseam too long by 1 -> lengthen amountMm=-1
suit: lengthen the body 3/4 -> lengthen amountMm=0.75
suit: too short in the body by 1 -> lengthen amountMm=1
dress: lengthen the skirt 3 -> lengthen amountMm=3 pieceId="skirt-front"
dress: shorten the bodice 1/2 -> lengthen amountMm=-0.5
dress: lengthen above the waist 1/2 -> lengthen amountMm=0.5
dress: lengthen the dress 2 -> asks lengthen
dress: skirt too long by 2 -> lengthen amountMm=-2 pieceId="skirt-front"
dress: waist seam 1/2 lower -> place-seam
dress: raise the waist seam 1 -> place-seam
dress: waist seam sits too low by 1/2 -> place-seam
dress: waist seam too high -> place-seam
dress: place the waist seam 8 in below the underarm -> place-seam wantedMm=8
dress: fuller skirt hem by 4 -> hem-fullness amountMm=1
dress: more flare in the skirt -> hem-fullness amountMm=0
dress: skirt hem 2 narrower -> hem-fullness
dress: widen the hem 4 -> hem-fullness amountMm=1
legs: leg opening 1 wider -> hem-fullness amountMm=0.5
legs: take in the leg opening by 1 -> hem-fullness amountMm=-0.5
blouse: sleeve hem 1 wider -> hem-fullness pieceId="sleeve" amountMm=1
blouse: take a wedge out at centre back 1/2 -> level-wedge amountMm=-0.5 pieceId="back"
blouse: swayback 1/2 -> level-wedge amountMm=-0.5 pieceId="back"
blouse: sway back -> level-wedge amountMm=0 pieceId="back"
blouse: pools above the back waist -> level-wedge amountMm=0 pieceId="back"
blouse: the armhole is bigger than the sleeve -> asks cap-to-armhole
blouse: armhole too small for the sleeve -> asks cap-to-armhole
blouse: too many gathers in the sleeve head -> asks cap-to-armhole
blouse: lengthen the front by 1 at the apex -> asks front-length
blouse: side seams don't match -> asks
blouse: dart legs different lengths -> equal-legs
suit: torso length +2 -> lengthen amountMm=2
legs: leg length -1 -> lengthen amountMm=-1
blouse: body -1 -> lengthen amountMm=-1
blouse: bust points 1 further apart -> raise-dart asideMm=0.5
blouse: each bust point 1/2 further apart -> raise-dart asideMm=0.5
blouse: bust point 3/8 closer to the centre -> raise-dart asideMm=-0.375
blouse: my bust points are closer together -> raise-dart
blouse: bust darts too far apart -> asks raise-dart
blouse: move the side dart toward the centre -> asks raise-dart
blouse: remove the bust dart -> asks move-dart
legs: get rid of the waist dart -> asks move-dart
blouse: no darts please -> asks split-dart
legs: the waist sits too high -> asks lengthen
legs: waistband sits 1 below my waist -> asks lengthen
legs: waist comes up too high -> asks lengthen
blouse: back neckline gapes 1/2 -> asks take-in-fold
blouse: back too tight when I reach forward -> across-width
blouse: front too long by 1 -> asks front-length
blouse: front 1/2 longer -> asks lengthen
dress: bodice too long in the back only -> asks level-wedge
blouse: the neck is too wide, my bra straps show -> asks redraw-neckline
legs: too much fabric under my butt -> level-wedge
legs: bum too flat -> level-wedge
legs: big butt 1 -> level-wedge amountMm=1
legs: too tight over my bum -> asks add-at-edge
legs: straighter legs -> asks hem-fullness
legs: bagging at the knees -> asks seam-stretch
legs: waist 1 in -> asks add-at-edge
legs: hip 1/2 -> asks add-at-edge
blouse: centre back too long by 3/4 -> level-wedge amountMm=-0.75 pieceId="back"
blouse: center front too short 1/2 -> level-wedge amountMm=0.5 pieceId="front"
blouse: put in a wedge of 1/2 at centre front -> level-wedge amountMm=0.5 pieceId="front"
blouse: back hem tilts -> level-wedge amountMm=0 pieceId="back"
blouse: armhole gapes 1/2 -> take-in-fold amountMm=0.5 edgeId="armhole"
blouse: neckline gapes 3/8 -> take-in-fold amountMm=0.375 edgeId="neck"
blouse: take in the fold at the armhole 1/2 -> take-in-fold amountMm=0.5 edgeId="armhole"
blouse: pinned 1/4 at the shoulder -> take-in-fold amountMm=0.25 edgeId="shoulder"
vest: take in the waist dart of the back 1/2 -> double-dart amountMm=0.5 dart="back waist-dart"
vest: let out the waist dart 1/4 -> double-dart amountMm=-0.25
blouse: make a waist dart in the back 3/4 -> double-dart amountMm=0.75
legs: raise the waist dart 1/2 -> raise-dart amountMm=0.5
blouse: pivot the waist out 1/2 -> pivot-slide sequence="waist" amountMm=0.5
blouse: pivot the hip in 1/4 -> pivot-slide sequence="hip" amountMm=-0.25
blouse: pivot the bust out 3/8 -> pivot-slide sequence="bust" amountMm=0.375
blouse: slide the hem down 1 -> pivot-slide sequence="longer" amountMm=1
blouse: slide the sides out 1/4 -> pivot-slide sequence="wider" amountMm=0.25
blouse: squarer shoulder 1/4 -> shoulder-slope amountMm=0.25
blouse: pivot for a squarer shoulder 1/4 -> pivot-slide sequence="slope" amountMm=0.25
blouse: sloping shoulders 3/8 -> shoulder-slope amountMm=-0.375
blouse: more sloping shoulder -> shoulder-slope amountMm=0
blouse: pivot -> asks pivot-slide
blouse: grade 2 up, 1 down -> grade up=2! down=1!
blouse: grade three sizes up -> grade up=3!
blouse: make 2 sizes up -> grade up=2!
blouse: grade 2 sizes up 1 1/2 apart -> grade up=2! intervalMm=1.5
blouse: size 4 at the bust, size 5 at the hip -> blend
blouse: size 5 -> blend
blouse: blend 3 bust, 4 waist, 5 hip -> blend
blouse: size 6 hip -> blend
blouse: size 44 at the hip -> asks blend
blouse: cut the sleeve in size 5 -> piece-size pieceId="sleeve"
blouse: sleeve in size 3 -> piece-size pieceId="sleeve"
dress: skirt front in size 4 -> piece-size pieceId="skirt-front"
blouse: cup C -> take-cup cup="C"
blouse: take the piece for cup A -> take-cup cup="A"
blouse: cup F -> asks take-cup
blouse: front for a C cup -> take-cup cup="C"
blouse: true the hem at the side seam -> true-corner
blouse: smooth the armhole at the shoulder seam -> true-corner
blouse: move the waist notch of the front down 1/4 -> move-notch byMm=0.25
blouse: move a notch -> asks move-notch
blouse: slash and swing -> slash-swing amountMm=0
dress: open the hem toward the waist 1 -> slash-swing amountMm=1
blouse: shorten the sleeve by one and a half inches -> lengthen amountMm=-1.5
blouse: sleeve two and a quarter inches longer -> lengthen amountMm=2.25
blouse: fba 1 -> bust-amount amountMm=0.5
blouse: full bust adjustment 2 inches -> bust-amount amountMm=1
blouse: side seams in by 1 -> add-at-edge hipMm=-0.25
blouse: grade up two sizes -> grade up=2! down=0!
blouse: set the waist to 30 in -> add-at-edge bustMm=0
blouse: shorten the neckband 1 -> asks
blouse: shorten the wrist 1 -> lengthen pieceId="sleeve"
legs: shorten the waistband 1 -> asks
legs: take in the waistband 1 -> asks
legs: make the waist 40 in -> add-at-edge hipMm=0
blouse: lengthen the sleeve to 20 in -> asks lengthen
blouse: shorten the sleeve to 20 in -> lengthen pieceId="sleeve"
blouse: narrower shoulder to 4 -> asks shoulder-width
blouse: raise the dart to 2 -> asks raise-dart
blouse: take in the waist to 60 in -> asks add-at-edge
blouse: shorten the sleeve of size 5 by 1 -> asks
blouse: forward shoulder by 1/2 -> shoulder-forward amountMm=0.5
blouse: move the shoulder seam forward 3/8 -> shoulder-forward amountMm=0.375 sleeve="notch"
blouse: shoulder seam 1/2 to the front -> shoulder-forward amountMm=0.5 sleeve="slide"
blouse: shoulder seam 1/4 further back -> shoulder-forward amountMm=-0.25
blouse: make the cap follow the armhole -> cap-to-armhole way="height"
blouse: the sleeve no longer fits -> cap-to-armhole
blouse: make the armhole follow the sleeve -> armhole-to-cap
blouse: 1/2 more cap ease -> cap-to-armhole frontMm=0.25 backMm=0.25
blouse: sleeve cap has 1/2 too much ease -> cap-to-armhole frontMm=-0.25 backMm=-0.25
blouse: the cap has 1/4" too little ease -> cap-to-armhole frontMm=0.125 backMm=0.125
blouse: sleeves end 3 above the elbow -> asks lengthen
blouse: flare the hem 4 -> asks add-at-edge
blouse: hem 2 narrower -> asks add-at-edge
dress: flare the hem 4 -> hem-fullness amountMm=1
legs: hem 12 wide -> asks hem-fullness
legs: hem 2 wider -> hem-fullness amountMm=1
legs: slimmer leg by 3 cm -> asks hem-fullness
legs: legs too wide by 2 -> asks hem-fullness
legs: let out the leg 1 at the thigh -> asks seam-stretch
blouse: armhole too big 1/2 -> asks lower-armhole
blouse: armhole too small 1/2 -> lower-armhole amountMm=0.5
blouse: collar rides back -> asks lengthen
blouse: drags across the upper arm -> bicep-width amountMm=0
blouse: sleeve drags across the upper arm 3/4 -> bicep-width amountMm=0.75
blouse: bicep too tight 1 -> bicep-width amountMm=1
blouse: upper arms 1/2 slimmer -> bicep-width amountMm=-0.5
blouse: let the sleeve out 1 at the bicep -> bicep-width amountMm=1
blouse: sleeve too tight 1 1/2 -> bicep-width amountMm=1.5
legs: fuller bicep 1 -> asks
blouse: fuller bicep -> bicep-width amountMm=0
blouse: rounded back -> asks level-wedge
blouse: lower the armhole 1/2 -> lower-armhole amountMm=0.5 cap="height"
blouse: armhole 3/8 higher -> lower-armhole amountMm=-0.375
blouse: armhole 1/2 inch deeper -> lower-armhole amountMm=0.5
blouse: deeper armhole 1/4 -> lower-armhole amountMm=0.25
blouse: make the armhole 3/8 shallower -> lower-armhole amountMm=-0.375
blouse: armhole cuts in 1/4 -> lower-armhole amountMm=0.25
blouse: garment lifts with the arm -> lower-armhole amountMm=0
legs: lower the armhole 1/2 -> asks
blouse: deeper neckline -> redraw-neckline frontMm=0
blouse: make the neckline 1/2 deeper -> redraw-neckline frontMm=0.5 backMm=0
blouse: I want the back neckline 3/8 deeper -> redraw-neckline frontMm=0 backMm=0.375
blouse: make the shoulders 3/8 squarer -> shoulder-slope amountMm=0.375
blouse: can you make the shoulder 1/4 more sloping -> shoulder-slope amountMm=-0.25
blouse: deeper neckline 1 1/2 -> redraw-neckline frontMm=1.5 backMm=0 widerMm=0
blouse: lower the front neckline 3/4 -> redraw-neckline frontMm=0.75 backMm=0
blouse: drop the back neck 1/2 -> redraw-neckline frontMm=0 backMm=0.5
blouse: raise the neckline by 3/8 at the back -> redraw-neckline frontMm=0 backMm=-0.375
blouse: lower the neckline 1/2 front and back -> redraw-neckline frontMm=0.5 backMm=0.5
blouse: neckline 1/2 too high in front -> redraw-neckline frontMm=0.5
blouse: the neck is too low by 1 -> redraw-neckline frontMm=-1
blouse: widen the neckline 1/2 -> redraw-neckline widerMm=0.5 frontMm=0
blouse: narrower neck 3/8 -> redraw-neckline widerMm=-0.375
blouse: neck opening too small 1/2 -> asks redraw-neckline
blouse: neckline too tight -> asks redraw-neckline
blouse: scoop the neck 2 -> asks redraw-neckline
blouse: v-neck -> asks redraw-neckline
suit: lower the front neck 1 -> redraw-neckline frontMm=1
legs: deeper neckline 1 -> asks
blouse: wider cuff 1 -> hem-fullness pieceId="sleeve" amountMm=1
blouse: narrow the cuffs by 1/2 -> hem-fullness pieceId="sleeve" amountMm=-0.5
blouse: cuff too tight 3/4 -> hem-fullness pieceId="sleeve" amountMm=0.75
blouse: let out the wrist 1 -> hem-fullness pieceId="sleeve" amountMm=1
blouse: add a cuff -> asks
blouse: lengthen the sleeve 1 above the elbow -> lengthen pieceId="sleeve" amountMm=1
blouse: shorten the arm 1/2 below the elbow -> lengthen pieceId="sleeve" amountMm=-0.5
blouse: make the front cross over by 4 -> wrap-over overlapMm=4
blouse: wrap front -> wrap-over overlapMm=0
blouse: overlap 3 1/2 at the front -> wrap-over overlapMm=3.5
blouse: the wrap edge gapes 3/8 -> take-in-fold amountMm=0.375 edgeId="neck"
blouse: sleeve cap too high -> asks
legs: crotch depth 1 -> asks lengthen
legs: flat seat -> level-wedge pieceId="back" amountMm=0
legs: flat seat 1/2 -> level-wedge pieceId="back" amountMm=-0.5
legs: full seat 3/4 -> level-wedge pieceId="back" amountMm=0.75
legs: rise too short 3/4 -> lengthen amountMm=0.75
legs: 1 more crotch depth -> lengthen amountMm=1
legs: shorten the rise 1/2 -> lengthen amountMm=-0.5
legs: full belly 1 -> level-wedge pieceId="front" amountMm=1
blouse: add a pocket -> asks
blouse: make a muslin -> asks
blouse: turn the grain -> asks
blouse: lengthen the belt loops 1 -> asks
blouse: shorten by -5 -> asks
blouse: shorten the sleeve -5 -> asks lengthen
blouse: lengthen the body -1 -> asks lengthen
blouse: narrower shoulder +1/4 -> asks shoulder-width
blouse: lengthen the front 1 -> asks lengthen
blouse: back waist length 1/2 shorter -> asks lengthen
blouse: shorten the sleeve 1 and lengthen the body 2 -> asks lengthen
blouse: take in the waist 1, let out the hip 1 -> asks add-at-edge
blouse: long arms 1 1/2 -> lengthen pieceId="sleeve" amountMm=1.5
blouse: my client has short arms, 1 -> lengthen pieceId="sleeve" amountMm=-1
blouse: she is long-waisted by 1 -> lengthen amountMm=1
blouse: short torso 3/4 -> lengthen amountMm=-0.75
legs: short legs 1 1/2 -> lengthen amountMm=-1.5
legs: wide hips 2 -> add-at-edge hipMm=0.5 waistMm=0
blouse: full upper arms 1 -> bicep-width amountMm=1
blouse: thin arms 3/4 -> bicep-width amountMm=-0.75
blouse: large bust 2 -> bust-amount amountMm=1
blouse: flat chest 1 -> bust-amount amountMm=-0.5
blouse: broad shoulders 1/2 -> shoulder-width amountMm=0.5
blouse: long sleeves -> asks lengthen
blouse: broad back 1/2 -> across-width half="back" amountMm=0.5
blouse: swayback adjustment 3/4 -> level-wedge pieceId="back" amountMm=-0.75
blouse: more hip ease 2 -> add-at-edge hipMm=0.5
blouse: taper the side seam in at the waist 1/2 -> add-at-edge waistMm=-0.125
dress: let the dress out an inch all over -> add-at-edge bustMm=0.25 waistMm=0.25 hipMm=0.25
legs: thighs too tight 1 -> asks seam-stretch
legs: calf 1/2 slimmer -> asks seam-stretch
blouse: blend from 3 at bust to 5 at hip -> blend bust="one-1" waist="one" hip="one+1"
blouse: grade between sizes 3 and 5 -> asks blend
blouse: one size up at the hips -> blend bust="one" hip="one+1"
blouse: sleeve a size bigger -> piece-size pieceId="sleeve" sizeId="one+1"
blouse: make two more sizes, 1 1/2 apart -> grade up=2! intervalMm=1.5
blouse: make size 9 -> asks grade
blouse: change the bust dart to a shoulder dart -> move-dart dart="front side-dart" edgeId="shoulder"
blouse: swing the dart to the hem -> move-dart dart="front side-dart" edgeId="hem"
blouse: shorten the dart 1/2 -> finish-dart tipBackMm=2
blouse: dart tip 1 inch from bust point -> finish-dart tipBackMm=1
blouse: lengthen sleeve 1/2 above elbow and 3/4 below -> lengthen pieceId="sleeve" amountMm=1.25
blouse: lower the waistline 1/2 -> asks lengthen
dress: waist 1/2 higher -> asks lengthen
legs: knee too low 1 -> asks lengthen
legs: hem up 2 -> lengthen amountMm=-2
legs: back rise 1 longer -> level-wedge pieceId="back" amountMm=1
legs: front rise 1/2 shorter -> level-wedge pieceId="front" amountMm=-0.5
legs: raise the back waist 3/4 -> asks level-wedge
legs: flat butt 1/2 -> level-wedge pieceId="back" amountMm=-0.5
blouse: front rides up 1/2 -> front-length amountMm=0.5
blouse: hollow chest 3/8 -> across-armhole half="front" amountMm=-0.375
blouse: shorten the front across the armhole 1/2 -> across-armhole half="front" amountMm=-0.5
dress: lengthen the back across the armhole 1/4 -> across-armhole half="back" amountMm=0.25
dress: front too long above the bust by 1/2 -> across-armhole half="front" amountMm=-0.5
blouse: upper chest 1/2 shorter -> asks across-armhole
blouse: rounded back 1/2 -> level-wedge pieceId="back" amountMm=0.5 straighten="upper"
jacket: upper back 3/8 too short -> level-wedge pieceId="back" amountMm=0.375
blouse: rounded shoulders 1/2 -> asks shoulder-forward
dress: shorten the front alone 3/4 -> across-armhole half="front" amountMm=-0.75
blouse: shorten the front alone 3/4 -> front-length amountMm=-0.75
blouse: armhole 1/2 too long in front -> asks across-armhole
legs: hollow chest 1/2 -> asks
blouse: my upper back is rounded, add 3/8 -> level-wedge amountMm=0.375
blouse: lengthen the front armhole 1/4 -> asks across-armhole
legs: bring in the leg 1/2 from the knee down -> asks seam-stretch
legs: waist gapes at the back 1 -> asks seam-stretch
legs: crotch cuts in 3/4 -> lengthen amountMm=0.75
legs: crotch hangs too low 1 -> lengthen amountMm=-1
dress: hem is 1 inch longer at the back than the front -> asks uneven-hem
blouse: waist gapes at the back 1 -> asks level-wedge
blouse: back neck gapes 1/4 -> asks level-wedge
jacket: tight across the shoulder blades 1/2 -> across-width amountMm=0.5
jacket: back too wide by 3/8 -> across-width amountMm=-0.375
jacket: broaden the back by 1/2 -> across-width amountMm=0.5
legs: lengthen the leg by 2 but keep the knee -> lengthen amountMm=2
jacket: body 1 longer but sleeves 1 shorter -> asks lengthen
blouse: back hem kicks up 1 -> uneven-hem centreBackMm=1 sideMm=0
dress: skirt hem 2 longer -> uneven-hem sideMm=2
dress: lengthen bodice 1 and skirt 2 -> asks lengthen
blouse: raise the underarm 1/2 -> lower-armhole amountMm=-0.5
flared: less flare, 2 inches at each hem -> hem-fullness amountMm=-2
tunic: overlap 1 more -> wrap-over overlapMm=5.1339
tunic: overlap 3 -> wrap-over overlapMm=3
blouse: ease the sleeve in 1/2 -> asks
blouse: ease in 1/2 at the bust -> asks
blouse: 1 more ease at the bust -> bust-amount amountMm=0.5
jacket: forward shoulders 1/2 left only -> shoulder-forward amountMm=0.5 side="left"
blouse: left shoulder is 1/2 too low -> shoulder-slope amountMm=0.5 side="left"
blouse: one shoulder lower -> asks shoulder-slope
dress: raise the right shoulder 3/8 -> shoulder-slope amountMm=0.375 side="right"
jacket: right shoulder 1/4 broader -> shoulder-width amountMm=0.25 side="right"
jacket: lower the left armhole 1/2 -> lower-armhole amountMm=0.5 side="left"
tunic: left shoulder 1/2 forward -> shoulder-forward amountMm=0.5 side="left"
blouse: right upper arm 1 inch fuller -> bicep-width amountMm=1 side="right"
blouse: let out the left side seam 1/2 -> add-at-edge waistMm=0.25 side="left"
blouse: take in 1/2 at the right side -> asks add-at-edge
legs: right leg 1/2 shorter -> lengthen amountMm=-0.5 side="right"
legs: lengthen the left leg by 1 cm -> lengthen side="left"
blouse: both left and right sleeves 1 longer -> lengthen amountMm=1
blouse: right at the waist 1 wider -> add-at-edge waistMm=0.25
blouse: pinned 1/4 at the armhole on the left -> take-in-fold amountMm=0.25 edgeId="armhole" sides="one"
blouse: armhole gapes 3/8 right side only -> take-in-fold amountMm=0.375 sides="other"
blouse: armhole gapes 3/8 -> take-in-fold amountMm=0.375 sides="both"
blouse: sleeve 1 longer on the right -> lengthen amountMm=1 side="right"
two: transfer half of the side dart to the shoulder -> move-dart dart="front side-dart" sharePct=50!
blouse: move 40 % of the side dart to the armhole -> move-dart sharePct=40!
blouse: size 4.5 -> asks
dress: take 1 out of the bodice above the waist -> asks lengthen
blouse: neckline 3/4 wider and 1 deeper -> redraw-neckline widerMm=0.75 frontMm=1
dress: 2 cm off the hem -> asks uneven-hem
tunic: narrower 2 -> asks add-at-edge
blouse: more ease in the cap 1/4 -> cap-to-armhole frontMm=0.125 backMm=0.125
jacket: less ease in the sleeve cap 1/2 -> cap-to-armhole frontMm=-0.25 backMm=-0.25
blouse: don't shorten the sleeve -> asks lengthen
blouse: do not lengthen the body 1 -> asks
blouse: make it longer -> asks lengthen
blouse: longer -> asks lengthen
blouse: shorten -> asks lengthen
blouse: let it out 1 -> asks
blouse: sleeve -> asks
blouse: dart -> asks
blouse: wider -> asks
blouse: shorten the frobnicator 1 -> asks lengthen
blouse: lengthen the body 1 2 -> asks
blouse: shorten the body 1 or 2 -> asks
blouse: raise and lower the dart -> asks
legs: raise the side dart -> asks
dress: raise the dart -> nothing
dress: finish the dart -> nothing
legs: narrower shoulder 1/4 -> nothing
legs: shorten the sleeve 1 -> nothing
legs: fuller bust 1 -> nothing
legs: narrow the hem of the sleeve by 1 -> nothing
legs: wider cuffs 1 -> hem-fullness
dress: cuffs 1 wider -> hem-fullness pieceId="sleeve"
vest: narrow the sleeve hem 1 -> nothing
vest: cuffs 1 wider -> nothing
suit: grade -> grade intervalMm=0
blouse: waist seam lower 1/2 -> asks
blouse: verlängere die Ärmel um 2 cm -> nothing
blouse: allonger la manche -> nothing
blouse: qwertz uiop -> nothing
blouse: ??? -> nothing
blouse: 17 -> nothing
blouse: lorem ipsum dolor sit amet -> asks
blouse: drop table garments -> asks
`
const ROWS = TABLE.trim()
  .split('\n')
  .map((line) => /^(\w+): (.+) -> (.+)$/.exec(line)!.slice(1) as [string, string, string])

describe('an armhole that is to be larger or smaller round', () => {
  const offered = (text: string) => {
    const answer = answerOn('blouse', text)
    return answer.how === 'asks' ? answer.offers[0]! : answer.how
  }
  it.each(['make the armhole 1/2 bigger', 'enlarge the armhole by 1/2', 'more room in the armhole 1/2', 'armhole 1/2 wider'])(
    'is lowered by what that takes, which is asked: “%s”',
    (text) => {
      expect(offered(text)).toMatchObject({ change: { kind: 'lower-armhole' }, asksAmount: false })
      expect(offered(text)).toHaveProperty(
        'sentence',
        expect.stringMatching(/^Lower the armhole \{mm [\d.]+\}; \{mm 12\.7\} longer all round$/),
      )
    },
  )
  it('is raised for a smaller one, and not where it is taken in, which is a fold', () => {
    expect(offered('reduce the armhole by 1/2')).toHaveProperty('sentence', expect.stringMatching(/^Raise .*12\.7\} shorter all round$/))
    expect(offered('take in the armhole 1/2')).toHaveProperty('asksAmount', true)
  })
})

describe('a wish that says what should not be', () => {
  const offered = (name: string, text: string) => {
    const answer = answerOn(name, text)
    return answer.how === 'asks' ? answer.offers.map((o) => o.sentence) : answer.how
  }
  it('is offered without that', () => {
    expect(offered('blouse', 'shorten by 2 but not the sleeves')).toEqual([expect.stringContaining('Shorten the body')])
    expect(offered('blouse', 'shorten by 2 except the body')).toEqual([expect.stringContaining('Shorten the sleeve')])
  })
  it('is read on after that, with its figure', () => {
    for (const text of ['lengthen the body, not the sleeve, by 1', 'without changing the hem, lengthen the body 1'])
      expect(offered('blouse', text), text).toEqual([expect.stringMatching(/^Lengthen the body \{mm 25\.4/)])
  })
  it('never offers a change of what is said to be fine', () => {
    expect(offered('blouse', 'sleeves are fine but the body is 1 too short')).toEqual([expect.stringContaining('Lengthen the body')])
    expect(offered('legs', 'the hem is right but the thighs are 1 too tight').toString()).not.toMatch(/hem/i)
  })
  it('keeps what is right, whether it is named before or after', () => {
    for (const text of ['2 in too long, but the knee is right', '2 in too long, keep the knee']) {
      const answer = answerOn('legs', text)
      expect(answer.how === 'does' && answer.offer.sentence, text).toContain('the knee stays')
    }
  })
  it('names a fade that it cannot promise, and goes by the place of the change alone', () => {
    const answer = answerOn('blouse', 'take in the side seams 3/4 at the waist, tapering to nothing at the bust')
    expect(answer.how === 'asks' && [answer.why, answer.offers[0]!.sentence]).toEqual([
      expect.stringContaining('nothing at bust'),
      expect.stringContaining('at the waist;'),
    ])
  })
})

describe('a wish', () => {
  it.each(ROWS)('on the %s: “%s” gives %s', (name, text, expected) => {
    const answer = answerOn(name, text)
    const [first, ...rest] = expected.split(/ (?=\w+=)| (?=[\w-]+$)/)
    if (first === 'nothing' || first === 'asks') {
      expect(answer.how).toBe(first)
      if (answer.how === 'asks') {
        expect(answer.why.length).toBeGreaterThan(10)
        expect(answer.offers.length).toBeLessThanOrEqual(4)
        if (rest.length > 0) expect(answer.offers.map((o) => o.change.kind)).toContain(rest[0])
      }
      return
    }
    if (answer.how !== 'does') throw new Error(`it ${answer.how}: ${JSON.stringify(answer)}`)
    expect(answer.offer.change.kind).toBe(first)
    const inputs = answer.offer.change.inputs as Record<string, unknown>
    for (const want of rest) {
      const [key, value] = want.split('=') as [string, string]
      if (key === 'at') expect(JSON.stringify((inputs as { levels: { mark: object }[] }).levels[0]!.mark)).toContain(value)
      else if (value.startsWith('"')) expect(inputs[key]).toBe(JSON.parse(value))
      else if (value.endsWith('!')) expect(inputs[key]).toBe(Number(value.slice(0, -1)))
      else expect((inputs[key] as number) / INCH_MM, key).toBeCloseTo(Number(value), 2)
    }
  })

  it('says in words what it will do: direction, amount, place, what stays, and the pieces', () => {
    const said = (name: string, text: string) => {
      const answer = answerOn(name, text)
      return answer.how === 'does' ? writeLengths(answer.offer.sentence, 'in') : answer.how
    }
    expect(said('legs', 'lengthen the leg by 2 keep the knee')).toBe(
      'Lengthen the leg 2 in at the calf line (lengthen or shorten); the knee stays',
    )
    expect(said('blouse', 'hem longer at the back by 1')).toBe('Hem 1 in longer at centre back')
    expect(said('blouse', 'narrower shoulder')).toBe('Narrower shoulder; how much is asked next')
    expect(said('blouse', 'take in the waist 2')).toBe('Take the sides in 1/2 in at the waist; each edge, 2 in round the body')
    expect(said('blouse', 'fuller bust 2')).toBe('Fuller bust 2 in round the body, 1 in on the half piece')
    const { garment, context } = opened('legs')
    const answer = answerWish('shorten the legs 1', 'in', garment, context)
    if (answer.how !== 'does') throw new Error(answer.how)
    expect(tryOffer(answer.offer, garment, context)).toEqual({ pieces: ['Front leg', 'Back leg'] })
    const tooMuch = answerWish('shorten the legs 90', 'in', garment, context)
    if (tooMuch.how !== 'does') throw new Error(tooMuch.how)
    expect(tryOffer(tooMuch.offer, garment, context)).toMatchObject({ sentence: expect.stringContaining('at most') as string })
    // More than works is not done at Enter: the most that works is offered, and does work.
    const { answer: asked } = answerAsTried(tooMuch, garment, context)
    if (asked.how !== 'asks') throw new Error(`it ${asked.how}`)
    expect(asked.why).toContain('at most')
    expect(asked.offers.map((o) => o.sentence)).toEqual([
      expect.stringMatching(/^Shorten the leg \{most [\d.]+\}, the largest that works$/),
    ])
    expect(tryOffer(asked.offers[0]!, garment, context)).toHaveProperty('pieces')
  })

  it('knows which way is meant where no amount was typed, so that a figure typed next goes that way', () => {
    const way = (name: string, text: string) => {
      const answer = answerOn(name, text)
      return answer.how === 'does' ? [answer.offer.towards, answer.offer.asksAmount, answer.offer.field] : answer.how
    }
    expect(way('blouse', 'narrower shoulder')).toEqual([-1, true, null])
    expect(way('blouse', 'raise the dart')).toEqual([1, true, null])
    expect(way('blouse', 'take in the waist')).toEqual([-1, true, 'waistMm'])
    expect(way('blouse', 'hem too short at the back')).toEqual([1, true, 'centreBackMm'])
    expect(way('legs', 'lengthen the leg 1')).toEqual([1, false, null])
  })

  it('offers both ways for a minus beside a word of direction', () => {
    const answer = answerOn('blouse', 'shorten the sleeve -5')
    const amounts = answer.how === 'asks' ? answer.offers.map((o) => (o.change.inputs as { amountMm: number }).amountMm / INCH_MM) : []
    expect(amounts.sort((a, b) => a - b)).toEqual([-5, 5])
  })

  it('says what a slip was read as', () => {
    const answer = answerOn('blouse', 'lengthn the boddy by 1')
    expect(answer.how === 'does' && answer.slips).toEqual([
      { typed: 'lengthn', as: 'lengthen' },
      { typed: 'boddy', as: 'body' },
    ])
  })

  it('does nothing with ten thousand signs', () => {
    expect(answerOn('blouse', 'shorten the body '.repeat(600)).how).toBe('nothing')
  })
})

describe('the same thing in other words', () => {
  const WAYS = [
    (what: string, how: string) => `${what} 1/2 ${how}`,
    (what: string, how: string) => `1/2 ${how} ${what}`,
    (what: string, how: string) => `${how} ${what} by half an inch`,
    (what: string, how: string) => `make the ${what} 1/2 in ${how}`,
    (what: string, how: string) => `I want the ${what} ${how} by 1/2`,
    (what: string, how: string) => `the ${what} needs to be ½" ${how}`,
    (what: string, how: string) => `can you set the ${what} 12.7 mm ${how} please`,
    (what: string, how: string) => `${what}: 0.5 ${how}`,
  ]
  const THINGS: [string, string, string[]][] = [
    ['blouse', 'armhole', ['deeper', 'shallower', 'lower', 'higher']],
    ['blouse', 'neckline', ['deeper', 'higher', 'wider', 'narrower']],
    ['blouse', 'back neckline', ['deeper', 'higher']],
    ['blouse', 'sleeve', ['longer', 'shorter']],
    ['blouse', 'bicep', ['fuller', 'slimmer', 'wider', 'smaller']],
    ['blouse', 'shoulders', ['wider', 'narrower', 'broader', 'squarer', 'more sloping']],
    ['blouse', 'bust', ['fuller', 'smaller', 'larger']],
    ['blouse', 'waist', ['wider', 'narrower', 'looser', 'tighter']],
    ['blouse', 'side dart', ['higher', 'lower']],
    ['legs', 'leg', ['longer', 'shorter']],
    ['dress', 'skirt', ['longer', 'shorter']],
  ]
  const CASES = THINGS.flatMap(([name, what, hows]) => hows.map((how) => [name, what, how] as const))
  it.each(CASES)('on the %s: the %s, 1/2 %s', (name, what, how) => {
    const rounded = (_key: string, value: unknown) => (typeof value === 'number' ? Number(value.toFixed(6)) : value)
    const done = WAYS.map((way) => {
      const answer = answerOn(name, way(what, how))
      return answer.how === 'does' ? JSON.stringify(answer.offer.change, rounded) : `${way(what, how)}: ${answer.how}`
    })
    expect(done[0]).toMatch(/(12\.7|6\.35|3\.175)\b/)
    expect([...new Set(done)]).toEqual([done[0]])
  })
})

describe('what the program itself calls a stop', () => {
  const wearerOf = (p: (typeof projects)[number]) => wearers.find((w) => w.id === p.wearerId) ?? null
  const titles = projects.flatMap((p) => {
    const context = contextOf(p.garment, p, wearerOf(p), DEFAULT_TOLERANCES)
    const planned = foldPlan(p.garment, stopsOf(p), context).stops.map((s) => [p.id, s.change.kind as string, s.words.title] as const)
    const begun = CHANGE_KINDS.flatMap((kind) => {
      const first = kind.begin(p.garment, context)
      if (!first.ok) return []
      const signed = kind.withAmount ? [12, -12].map((mm) => kind.withAmount!(p.garment, first.value, mm, context)) : [first.value]
      return signed.map((inputs) => [p.id, kind.kind, kind.describe(p.garment, inputs).title] as const)
    })
    return [...planned, ...begun]
  })
  const all = [...new Map(titles.map((t) => [t.join('|'), t])).values()]
  it.each(all)('on %s: %s, “%s”, typed back is that change or asks for it', (id, kind, title) => {
    const project = projects.find((p) => p.id === id)!
    const context = contextOf(project.garment, project, wearerOf(project), DEFAULT_TOLERANCES)
    const answer = answerWish(title, 'in', project.garment, context)
    // What a change cannot do on these pieces may be done by another that can.
    const canBe = () => {
      const begun = findKind(kind)!.begin(project.garment, context)
      const inputs = begun.ok ? findKind(kind)!.withAmount?.(project.garment, begun.value, -12, context) : undefined
      return inputs === undefined || applyOrRefuse(findKind(kind)!, project.garment, inputs, context).ok
    }
    if (answer.how === 'does' && answer.offer.change.kind !== kind) expect(canBe(), answer.offer.sentence).toBe(false)
    else if (answer.how === 'does') expect(answer.offer.change.kind).toBe(kind)
    else if (answer.how === 'asks') expect(answer.offers.map((o) => o.change.kind)).toContain(kind)
    else throw new Error('it does nothing')
  })
})

describe('whatever is typed', () => {
  const words = [...PHRASES.keys(), 'the', 'and', 'by', 'of', 'in', ',', '.', 'xyzzy']
  const figures = ['1', '1/2', '2 3/8', '-5', '+2', '3 cm', '22 in long', '0', 'size 4', 'cup C', '2 sizes up', '999999']
  const garments = projects.map((p) => ({ garment: p.garment, context: contextOf(p.garment, p, null, DEFAULT_TOLERANCES) }))
  it('is answered, and what is done can be kept and tried', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...garments),
        fc.array(fc.oneof({ weight: 4, arbitrary: fc.constantFrom(...words) }, { weight: 1, arbitrary: fc.constantFrom(...figures) }), {
          maxLength: 9,
        }),
        ({ garment, context }, said) => {
          const answer = answerWish(said.join(' '), 'in', garment, context)
          const offers = answer.how === 'does' ? [answer.offer] : answer.how === 'asks' ? answer.offers : []
          for (const offer of offers) {
            expect(offer.sentence.length).toBeGreaterThan(3)
            expect(offer.sentence).not.toMatch(/undefined|NaN/)
            tryOffer(offer, garment, context)
          }
        },
      ),
      { numRuns: 400, seed: 14 },
    )
  })
  it('with two things parted by a point is asked about, and comes to an end', () => {
    const answer = answerOn('blouse', 'shorten the sleeve 1.5. lengthen the body 2')
    expect(answer.how === 'asks' && answer.offers.map((o) => o.change.kind)).toEqual(['lengthen', 'lengthen'])
  })
})

describe('a wish that is not clear', () => {
  it('offers changes with the figure that was typed, round the body, where its way is said', () => {
    const answer = answerOn('legs', 'let it out 1')
    expect(answer.how === 'asks' && answer.offers.map((o) => [o.change.kind, o.sentence])).toEqual([
      ['add-at-edge', 'Let the sides out {mm 6.35}; each edge, {mm 25.4} round the body'],
    ])
  })
  it('takes a wrist to what it is to measure, over both pieces of a sleeve', () => {
    for (const name of ['blouse', 'jacket']) {
      const { garment } = opened(name)
      const round = (g: Garment) =>
        g.pieces
          .filter((p) => p.kind === 'sleeve')
          .flatMap((p) => p.edges.filter((e) => e.role === 'hem').map((e) => measureLength(edgePath(shapeOf(p, g.baseSizeId), e.id))))
          .reduce((sum, mm) => sum + mm, 0)
      const answer = answerOn(name, 'make the wrist 11 around')
      if (answer.how === 'nothing') throw new Error(name)
      const stop = answer.how === 'does' ? answer.offer.change : answer.offers[0]!.change
      expect(round(foldPlan(garment, [withId(stop, 's')], opened(name).context).garment), name).toBeCloseTo(11 * 25.4, 2)
    }
  })
  it('places a waist seam by how far it lies from the waist of the body', () => {
    const wantedMm = (text: string) => {
      const answer = answerOn('dress', text)
      return answer.how === 'does' ? (answer.offer.change.inputs as { wantedMm: number }).wantedMm : null
    }
    const level = wantedMm('raise the waist seam 1')! + 25.4
    expect(wantedMm('waist seam falls 1/2 below my waist')).toBeCloseTo(level - 12.7, 6)
    expect(wantedMm('waist seam rides up 1')).toBeCloseTo(level + 25.4, 6)
  })
  it('offers what a sign on the body asks for: on the half that it is about, with its figure', () => {
    for (const [name, text, pieceId, mm] of [
      ['legs', 'belly sticks out 1/2', 'front', 12.7],
      ['jacket', 'my tummy needs 1 more', 'front', 25.4],
      ['dress', 'belly too tight', 'bodice-front', 0],
    ] as const) {
      const answer = answerOn(name, text)
      const [first] = answer.how === 'asks' ? answer.offers : []
      expect(first?.change, text).toMatchObject({ kind: 'level-wedge', inputs: { pieceId, amountMm: expect.closeTo(mm, 9) } })
    }
    const hump = answerOn('blouse', 'upper back is rounded')
    expect(hump.how === 'asks' && hump.offers[0]!.change).toMatchObject({ kind: 'level-wedge', inputs: { hingeEdgeId: 'armhole' } })
  })
  it('never offers a figure another way, or at another place, than was typed', () => {
    for (const [name, text] of [
      ['suit', 'leg opening 1/2 higher'],
      ['suit', 'hips wider 2'],
    ] as const) {
      const answer = answerOn(name, text)
      if (answer.how !== 'asks') throw new Error(`it ${answer.how}`)
      expect(answer.offers.length, text).toBeGreaterThan(0)
      expect(answer.offers.filter((o) => o.sentence.includes('{mm')).map((o) => o.sentence)).toEqual([])
    }
  })
  it('gives the waist of trousers its height in the rise, and asks which way a bare figure goes', () => {
    const amounts = (name: string, text: string, key: string) => {
      const answer = answerOn(name, text)
      if (answer.how !== 'asks') throw new Error(`it ${answer.how}`)
      return answer.offers.map((o) => Math.round((o.change.inputs as Record<string, number>)[key]! * 100) / 100)
    }
    expect(amounts('legs', 'waist 1 too high', 'amountMm')).toEqual([-25.4])
    expect(amounts('legs', 'the waistband sits 1 below my waist', 'amountMm')).toEqual([25.4])
    expect(amounts('legs', 'waist 1', 'waistMm')).toEqual([6.35, -6.35])
    expect(amounts('blouse', 'front 1 too long', 'amountMm')).toEqual([-25.4, -25.4])
  })
  it('answers a heap of the same words as well, without taking it apart for ever', () => {
    for (const text of [
      `hem ${'is '.repeat(60)}1 longer`,
      `sleeve 1 longer ${'not a, '.repeat(28)}`,
      `sleeve 1 ${'and 1 longer '.repeat(15)}`,
    ])
      expect(['asks', 'nothing']).toContain(answerOn('blouse', text).how)
  })
  it('says how one side alone is done', () => {
    const offered = (name: string, text: string) => {
      const answer = answerOn(name, text)
      return answer.how === 'asks' ? answer.offers.map((o) => o.sentence) : answer.how === 'does' ? [answer.offer.sentence] : []
    }
    const bust = answerOn('dress', 'bust 1 fuller on the left')
    expect(bust.how === 'asks' && bust.why).toContain('One side alone can be chosen for shoulders')
    const shoulder = answerOn('blouse', 'one shoulder lower by 1/4')
    expect(shoulder.how === 'asks' && shoulder.why).toBe('On which side?')
    expect(offered('blouse', 'one shoulder lower by 1/4').toString()).toMatch(/left side only.*right side only/s)
    expect(offered('blouse', 'forward shoulder 3/8, right side').toString()).not.toMatch(/each shoulder/)
    // Round the body, one side gives with its two edges what four would.
    expect(offered('blouse', 'let out the left side seam 1/2').toString()).toContain('Let the sides out {mm 6.35}')
  })
  it('says for a sign how its amount is taken, unless a figure was typed', () => {
    const measure = (text: string) => {
      const answer = answerOn('blouse', text)
      return answer.how === 'nothing' ? null : answer.measure
    }
    expect(measure('pools above the back waist')).toBe('the depth that is pinned out at the centre back, nothing at the side')
    expect(measure('armhole gapes')).toBe('the depth that is pinned out at the edge')
    expect(measure('collar rides back')).toContain('slash across the back')
    expect(measure('drags across the upper arm')).toContain('less the finished bicep')
    expect(measure('seam falls off the shoulder')).toContain('with a sleeve basted in')
    expect(measure('the dart sits too high')).toContain('to the apex')
    expect(measure('armhole gapes 1/2')).toBeNull()
    expect(measure('shorten the body by 1')).toBeNull()
  })
})

describe('a kind that is chosen from the list', () => {
  it('takes from the wish what it understands of it', () => {
    const { garment, context } = opened('blouse')
    const offer = offerAs(findKind('lengthen' as string)!, 'sleeve 2 longer please, says the wardrobe mistress', 'cm', garment, context)!
    expect(offer.change.inputs).toMatchObject({ pieceId: 'sleeve', amountMm: 20 })
    const begun = offerAs(findKind('grade' as string)!, 'something', 'in', garment, context)!
    expect(begun.change.kind).toBe('grade')
    expect(offerAs(findKind('place-seam' as string)!, 'waist seam', 'in', garment, context)).toBeNull()
  })
})
