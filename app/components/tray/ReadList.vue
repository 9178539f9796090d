<script setup lang="ts">
import { computed } from 'vue'
import { sayGuesses, sayTwin, type ReadThing, type ReadWay } from '~~/core/import'
import { ROLE_NAMES } from '~~/core/pattern'
import type { TrayPiece } from '~/data/tray-row'
import { useTray } from '~/stores/tray'

/** What was read of a piece and how sure it is, and what is drawn within it: each is taken in or out by a click. */
const props = defineProps<{ piece: TrayPiece }>()
const tray = useTray()
const id = () => props.piece.draft.id

const WAYS: Record<ReadWay, string> = { guessed: 'guessed', drawn: 'drawn so', written: 'written so', yours: 'as you say' }
const NAMES: Record<ReadThing, string> = {
  name: 'Name',
  count: 'Cut',
  size: 'Size',
  fold: 'Fold',
  grain: 'Grain',
  allowance: 'Seam allowance',
  darts: 'Darts',
}
const values = computed((): Record<ReadThing, string> => {
  const { name, count, mirrored, sizeName, sizes, edges, grain, allowanceIncluded } = props.piece.draft
  const folds = edges.filter((e) => e.fold).map((e) => ROLE_NAMES[e.role])
  return {
    name,
    count: `${count}${mirrored ? ', half turned over' : ''}`,
    size: [sizeName, ...sizes.map((s) => s.name)].filter((s) => s !== '').join(', '),
    fold: folds.join(', ') || 'no edge',
    grain: grain ? 'as drawn here' : 'none',
    allowance: allowanceIncluded ? 'within the outline' : 'to be added',
    darts: 'of lines in it',
  }
})
const rows = computed(() =>
  (Object.keys(NAMES) as ReadThing[]).flatMap((thing) => {
    // A tray of an older version knows of its darts only how they were drawn.
    const way = props.piece.readings?.[thing] ?? (thing === 'darts' && props.piece.asDrawn ? 'guessed' : undefined)
    return way ? [{ thing, way, guess: sayGuesses(props.piece.draft, { [thing]: way })[0] }] : []
  }),
)
const within = computed(() => [
  ...props.piece.draft.lines.flatMap((l, index) => (l.role ? [] : [{ part: 'lines' as const, index, name: l.name, isOut: l.isOut }])),
  ...(props.piece.draft.points ?? []).map((p, index) => ({ part: 'points' as const, index, name: p.name, isOut: p.isOut })),
])
const first = computed(() => tray.state.pieces.find((p) => p.draft.id === props.piece.twin?.id)?.draft.name ?? 'another piece')
</script>

<template>
  <section class="rounded-lg border border-edge p-3" aria-label="What was read" data-test="readings">
    <h3 class="font-semibold">What was read</h3>
    <p v-if="piece.twin" class="mt-1 rounded bg-note-pale p-2 text-sm text-note">
      {{ sayTwin(first, piece.twin).replace(/^i/, 'I') }}.
      <button class="btn mt-1" data-test="take-as-one" @click="tray.takeAsOne(id())">
        Leave this one out, and cut the other{{ piece.twin.turned ? ' turned over, too' : ' as often as both' }}
      </button>
    </p>
    <ul class="mt-1 divide-y divide-edge">
      <li v-for="r in rows" :key="r.thing" class="py-1.5 text-sm" :data-test="`read-${r.thing}`">
        <p class="flex items-baseline gap-2">
          <span class="w-28 shrink-0 text-soft">{{ NAMES[r.thing] }}</span>
          <span class="min-w-0 flex-1 break-words font-semibold">{{ values[r.thing] }}</span>
          <span class="shrink-0" :class="r.way === 'guessed' ? 'font-semibold text-note' : 'text-soft'">{{ WAYS[r.way] }}</span>
        </p>
        <div v-if="r.guess" class="mt-1 rounded bg-note-pale p-2 text-note">
          <p>Look at it: {{ r.guess }}.</p>
          <div class="mt-1 flex flex-wrap gap-2">
            <button class="btn" :data-test="`right-${r.thing}`" @click="tray.sayRight(id(), r.thing)">It is right</button>
            <button v-if="r.thing === 'darts' && piece.asDrawn" class="btn" data-test="leave-darts" @click="tray.leaveDarts(id())">
              They are no darts
            </button>
          </div>
        </div>
      </li>
    </ul>
    <div v-if="within.length > 0" class="mt-2 border-t border-edge pt-2" role="group" aria-label="Drawn within it">
      <p class="text-sm text-soft">Drawn within it</p>
      <label v-for="w in within" :key="`${w.part}-${w.index}`" class="flex min-h-9 items-center gap-2.5 text-sm">
        <input
          type="checkbox"
          class="size-5 shrink-0 accent-(--act)"
          :checked="!w.isOut"
          :data-test="`within-${w.part}-${w.index}`"
          @change="tray.flipWithin(id(), w.part, w.index)"
        />
        <span :class="w.isOut && 'text-soft line-through'">{{ w.name }}</span>
      </label>
    </div>
  </section>
</template>
