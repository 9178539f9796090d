<script setup lang="ts">
import type { TrayPiece } from '~/data/tray-row'
import { useTray } from '~/stores/tray'

/** What was guessed about a piece, and what takes a guess back. */
const props = defineProps<{ piece: TrayPiece }>()
const tray = useTray()
const id = () => props.piece.draft.id
</script>

<template>
  <div class="rounded-lg bg-note-pale p-3 text-note" data-test="doubts">
    <p class="font-semibold">Guessed: look at it</p>
    <ul class="mt-1 list-disc pl-5">
      <li v-for="d in piece.doubts" :key="d">{{ d }}</li>
    </ul>
    <button v-if="piece.asDrawn" class="btn mt-2" data-test="leave-darts" @click="tray.leaveDarts(id())">
      They are no darts: leave the lines
    </button>
    <button v-if="piece.twin" class="btn mt-2" data-test="take-as-one" @click="tray.takeAsOne(id())">
      Leave this one out, and cut the other{{ piece.twin.turned ? ' turned over, too' : ' as often as both' }}
    </button>
  </div>
</template>
