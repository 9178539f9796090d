<script setup lang="ts">
import { CircleAlert, CircleCheck, SquareDashed } from 'lucide-vue-next'
import { computed } from 'vue'
import type { TrayPiece } from '~/data/tray-row'
import { useTray } from '~/stores/tray'

/** What came in, line by line: pieces with what belongs to each, and below what was taken for none; a tick takes one in or out. */
const props = defineProps<{ pieces: readonly TrayPiece[]; chosenId: string }>()
const tray = useTray()
/** A piece as a line of a packing list: cut, fold, grain, notches, darts. */
function packed({ draft }: TrayPiece): string {
  const many = (n: number, what: string) => (n === 0 ? [] : [`${n} ${what}${n === 1 ? '' : what.endsWith('ch') ? 'es' : 's'}`])
  const darts = draft.edges.filter((e, i) => e.role === 'dart-leg' && draft.edges[(i + 1) % draft.edges.length]!.role === 'dart-leg').length
  return [
    `cut ${draft.count}${draft.mirrored ? ' mirrored' : ''}${draft.edges.some((e) => e.fold) ? ' on the fold' : ''}`,
    ...(draft.grain ? [] : ['no grain']),
    ...many(draft.notches.length, 'notch'),
    ...many(darts + draft.lines.filter((l) => l.role === 'dart').length, 'dart'),
    ...many(draft.lines.filter((l) => !l.role && !l.isOut).length, 'line'),
    ...many((draft.points ?? []).filter((q) => !q.isOut).length, 'marked place'),
    ...(draft.sizes.length > 0 ? [`${draft.sizes.length + 1} sizes`] : []),
  ].join(', ')
}
const isAside = (p: TrayPiece) => p.aside !== undefined && !p.taken
const outlineCount = computed(() => {
  const asideCount = props.pieces.filter((p) => p.aside && !p.taken).length
  const n = props.pieces.length - asideCount
  return `${n} ${n === 1 ? 'outline' : 'outlines'}${asideCount > 0 ? `, ${asideCount} set aside` : ''}`
})
</script>

<template>
  <nav class="min-h-0 overflow-y-auto border-r border-edge bg-panel p-3" aria-label="Tray">
    <p class="mb-2 px-1 text-sm text-soft" data-test="tray-count">{{ outlineCount }}, {{ tray.readyCount }} ready</p>
    <ul class="space-y-1">
      <li v-for="(p, i) in pieces" :key="p.draft.id">
        <p v-if="isAside(p) && !isAside(pieces[i - 1] ?? p)" class="mt-4 mb-1 px-1 text-sm font-semibold text-soft">Taken for no piece</p>
        <div class="flex items-start rounded-lg hover:bg-act-pale" :class="chosenId === p.draft.id && 'bg-act-pale'">
          <button
            class="flex min-h-12 min-w-0 flex-1 items-center gap-2 px-2 text-left"
            :aria-current="chosenId === p.draft.id"
            :data-test="`tray-${p.draft.id}`"
            @click="tray.chosenId = p.draft.id"
          >
            <SquareDashed v-if="p.aside && !p.taken" class="size-5 shrink-0 text-soft" aria-hidden="true" /><CircleCheck
              v-else-if="tray.waiting(p) === null"
              class="size-5 shrink-0 text-good"
              aria-hidden="true"
            /><CircleAlert v-else class="size-5 shrink-0 text-ease" aria-hidden="true" />
            <span class="min-w-0"
              ><span class="block truncate font-semibold leading-tight">{{ p.draft.name }}</span
              ><span class="block text-sm text-soft">{{ tray.waiting(p) ?? 'ready' }}</span
              ><span v-if="!isAside(p)" class="block text-sm text-soft">{{ packed(p) }}</span></span
            >
          </button>
          <label class="grid size-11 shrink-0 place-items-center"
            ><span class="sr-only">{{ p.draft.name }} is a piece</span
            ><input
              type="checkbox"
              class="size-5 accent-(--act)"
              :checked="p.taken"
              :data-test="`taken-${p.draft.id}`"
              @change="tray.flipTaken(p.draft.id)"
          /></label>
        </div>
      </li>
    </ul>
  </nav>
</template>
