<script setup lang="ts">
import type { WalkedDart } from '~~/core/match'

/** Both legs of darts, and how the edge runs across them when they are closed. */
defineProps<{ darts: WalkedDart[] }>()
const WORDS = { good: 'equal', ease: 'can be eased', fault: 'fault' } as const
</script>

<template>
  <table class="w-full max-w-2xl text-sm">
    <thead>
      <tr class="text-left text-soft">
        <th class="py-1 font-medium">dart</th>
        <th class="text-right font-medium">legs</th>
        <th class="text-right font-medium">apart by</th>
        <th class="text-right font-medium">edge across, closed</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="d in darts" :key="d.dartId" class="border-t border-edge/60">
        <td class="py-1.5">{{ d.pieceName }}, {{ d.dartName }}</td>
        <td class="text-right"><UiLengthText :mm="d.firstMm" bare /> and <UiLengthText :mm="d.secondMm" /></td>
        <td class="text-right font-semibold" :class="d.verdict === 'good' ? 'text-good' : 'text-fault'">
          <UiLengthChange :from="Math.min(d.firstMm, d.secondMm)" :to="Math.max(d.firstMm, d.secondMm)" unsigned />
          <span class="ml-1 font-normal">{{ WORDS[d.verdict] }}</span>
        </td>
        <td class="text-right">
          {{
            d.corner ? `${Math.abs(d.corner.turnDeg).toFixed(0)}° ${d.corner.verdict === 'good' ? 'smooth' : 'corner'}` : 'inside the piece'
          }}
        </td>
      </tr>
    </tbody>
  </table>
</template>
