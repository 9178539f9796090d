<script setup lang="ts">
import { ChevronLeft, ChevronRight } from 'lucide-vue-next'
import { MOVE_DONE_PART } from '~~/core/tolerances'

/** What the hands are doing at this place of the slider, and buttons from one move to the next. */
const props = defineProps<{ steps: number; /** Moves done; its fraction is the one at hand. */ done: number; label: string }>()
const emit = defineEmits<{ step: [progress: number] }>()

function move(way: 1 | -1) {
  const next = way > 0 ? Math.floor(props.done + MOVE_DONE_PART) + 1 : Math.ceil(props.done - MOVE_DONE_PART) - 1
  emit('step', Math.min(1, Math.max(0, next / props.steps)))
}
</script>

<template>
  <div
    class="absolute top-3 left-1/2 flex -translate-x-1/2 items-center gap-1 rounded-lg border border-edge bg-panel p-0.5 text-sm"
    data-test="move-steps"
  >
    <button class="btn-quiet" aria-label="One move back" :disabled="done <= 0" data-test="move-back" @click="move(-1)">
      <ChevronLeft class="size-5" />
    </button>
    <span class="max-w-[34rem] px-1 text-center" aria-live="polite"
      ><template v-if="done > 0 && done < steps"
        ><b>{{ Math.min(steps, Math.floor(done + MOVE_DONE_PART) + 1) }} of {{ steps }}</b> {{ label }}</template
      ><template v-else>{{ done >= steps ? `${steps} ${steps === 1 ? 'move' : 'moves'}, done` : 'before the first move' }}</template></span
    >
    <button class="btn-quiet" aria-label="One move on" :disabled="done >= steps" data-test="move-on" @click="move(1)">
      <ChevronRight class="size-5" />
    </button>
  </div>
</template>
