<script setup lang="ts">
import type { School, SchoolOutcome } from '~~/core/size'

/** What each way of choosing the size would lead to, side by side; one of them is followed. */
defineProps<{ outcomes: SchoolOutcome[]; followed: School; names: Record<School, string> }>()
</script>

<template>
  <table class="mb-3 w-full max-w-3xl text-sm print:hidden" data-test="schools">
    <thead>
      <tr class="border-b border-edge text-left text-soft">
        <th class="py-1 font-medium">size chosen</th>
        <th v-for="s in outcomes[0]?.sizes ?? []" :key="s.zoneId" class="font-medium">{{ s.zoneName }}</th>
        <th class="font-medium">leads to</th>
      </tr>
    </thead>
    <tbody>
      <tr
        v-for="o in outcomes"
        :key="o.school"
        class="border-b border-edge/60 align-top"
        :class="o.school === followed && 'bg-act-pale/60'"
        :data-test="`school-${o.school}`"
      >
        <th class="py-1 text-left font-semibold">
          {{ names[o.school] }}<span v-if="o.school === followed" class="ml-1 font-normal text-soft">followed</span>
        </th>
        <td v-for="s in o.sizes" :key="s.zoneId" class="py-1">{{ s.size }}</td>
        <td class="py-1" :class="o.says ? 'text-note' : 'text-soft'">
          <UiSentenceText v-if="o.says" :text="o.says" /><template v-else>nothing that speaks against it</template>
        </td>
      </tr>
    </tbody>
  </table>
</template>
