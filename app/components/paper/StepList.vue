<script setup lang="ts">
import type { PaperStep } from '~~/core/changes'

/** The plan as steps with ruler and scissors, stop by stop. */
defineProps<{ stops: { changeId: string; title: string; steps: PaperStep[] }[] }>()
</script>

<template>
  <p v-if="stops.length === 0" class="mt-3 text-soft">The plan has no change yet: there is nothing to cut or tape.</p>
  <section v-for="(s, i) in stops" :key="s.changeId" class="mt-6">
    <h3 class="mb-3 text-lg font-semibold">{{ i + 1 }}. {{ s.title }}</h3>
    <ol class="space-y-4">
      <li
        v-for="(step, k) in s.steps"
        :key="k"
        class="grid break-inside-avoid gap-4 border-b border-edge/60 pb-4 sm:grid-cols-[1fr_15rem] print:grid-cols-[1fr_15rem]"
        data-test="paper-step"
      >
        <p>
          <span class="mr-2 font-semibold">{{ i + 1 }}.{{ k + 1 }}</span
          >{{ step.text }}
        </p>
        <PaperStepPicture v-if="step.drawing" :drawing="step.drawing" />
      </li>
    </ol>
  </section>
  <p class="mt-6 font-semibold">Sew a mock-up before cutting fabric.</p>
</template>
