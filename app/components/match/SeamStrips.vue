<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import type { WalkedMark, WalkedSeam } from '~~/core/match'
import { usePrefs } from '~/stores/prefs'

/** The two edges of a seam unrolled side by side like two tapes: notches as ticks, the surplus at the end. */
const props = defineProps<{ walked: WalkedSeam }>()
const prefs = usePrefs()
const frame = ref<HTMLElement | null>(null)
const { width } = useElementSize(frame)

const LEFT = 6
const RIGHT = 92
const TAPE = 46
const TOPS = [40, 104] as const

const longest = computed(() => Math.max(props.walked.sides[0].lengthMm, props.walked.sides[1].lengthMm, 1))
const scale = computed(() => Math.max(0.01, (Math.max(width.value, 300) - LEFT - RIGHT) / longest.value))
const x = (mm: number) => LEFT + mm * scale.value
const step = computed(() => (prefs.units === 'in' ? 25.4 : 10))
const ticks = computed(() => Array.from({ length: Math.floor(longest.value / step.value) + 1 }, (_, i) => i))
const every = computed(() => (step.value * scale.value > 26 ? 1 : step.value * scale.value > 12 ? 2 : 5))
/** About how wide a letter of a label is, px. */
const LETTER = 6.7
/** A part's name as far as there is room over it: with its piece, the edge alone, or cut short. */
function labelOf(piece: string, edge: string, lengthMm: number): string {
  const room = Math.floor((lengthMm * scale.value) / LETTER) - 1
  const fits = [`${piece}, ${edge}`, edge].find((text) => text.length <= room)
  return fits ?? `${edge.slice(0, Math.max(1, room - 1))}…`
}
const sides = computed(() =>
  props.walked.sides.map((s, i) => {
    let at = 0
    const parts = s.parts.map((p) => {
      const part = {
        name: `${p.pieceName}, ${p.edgeName}`,
        label: labelOf(p.pieceName, p.edgeName, p.lengthMm),
        from: at,
        to: at + p.lengthMm,
      }
      at += p.lengthMm
      return part
    })
    return { parts, lengthMm: s.lengthMm, top: TOPS[i]! }
  }),
)
const shorter = computed(() => (props.walked.surplusMm > 0 ? 1 : 0))
const surplus = computed(() => Math.abs(props.walked.surplusMm))
/** How far two marks lie apart where nothing was to be eased in between them, mm. */
const apart = (mark: WalkedMark) => (eased.value ? 0 : Math.abs(mark.firstMm - mark.secondMm))
const eased = computed(() => props.walked.seam.wantedEase.minMm !== 0 || props.walked.seam.wantedEase.maxMm !== 0)
</script>

<template>
  <div ref="frame" class="panel p-3">
    <svg
      :width="Math.max(width, 300)"
      height="184"
      role="img"
      :aria-label="`${walked.seam.name}: ${prefs.length(walked.sides[0].lengthMm)} against ${prefs.length(walked.sides[1].lengthMm)}`"
      data-test="seam-strips"
    >
      <defs>
        <pattern id="surplus" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="7" height="7" fill="var(--fault-pale)" />
          <line x1="0" y1="0" x2="0" y2="7" :stroke="walked.verdict === 'good' ? 'var(--good)' : 'var(--fault)'" stroke-width="3" />
        </pattern>
      </defs>
      <g v-for="(s, i) in sides" :key="i">
        <rect
          v-for="p in s.parts"
          :key="p.name"
          :x="x(p.from)"
          :y="s.top"
          :width="Math.max(0, (p.to - p.from) * scale)"
          :height="TAPE"
          fill="var(--land)"
          stroke="var(--ink)"
          stroke-width="1.5"
        />
        <rect
          v-if="i !== shorter && surplus > 0.05"
          :x="x(s.lengthMm - surplus)"
          :y="s.top"
          :width="Math.max(surplus * scale, 2)"
          :height="TAPE"
          fill="url(#surplus)"
          stroke="var(--ink)"
        />
        <g stroke="var(--ink)">
          <template v-for="t in ticks" :key="t">
            <line
              v-if="t * step <= s.lengthMm"
              :x1="x(t * step)"
              :x2="x(t * step)"
              :y1="i === 0 ? s.top + TAPE : s.top"
              :y2="i === 0 ? s.top + TAPE - (t % every === 0 ? 10 : 5) : s.top + (t % every === 0 ? 10 : 5)"
              stroke-width="1"
            />
          </template>
        </g>
        <template v-for="t in ticks" :key="`n${t}`">
          <text
            v-if="t > 0 && t % every === 0 && t * step < s.lengthMm - 8 / scale"
            :x="x(t * step)"
            :y="i === 0 ? s.top + TAPE - 13 : s.top + 23"
            font-size="11"
            text-anchor="middle"
            fill="var(--ink-soft)"
          >
            {{ t }}
          </text>
        </template>
        <text
          v-for="p in s.parts"
          :key="`l${p.name}`"
          :x="x(p.from) + 2"
          :y="i === 0 ? s.top - 8 : s.top + TAPE + 19"
          font-size="14"
          fill="var(--ink)"
        >
          <title>{{ p.name }}</title>
          {{ p.label }}
        </text>
        <text :x="x(s.lengthMm) + 8" :y="s.top + TAPE / 2 + 5" font-size="15" font-weight="650" fill="var(--ink)">
          {{ prefs.length(s.lengthMm) }}
        </text>
      </g>
      <g v-for="m in walked.marks" :key="m.name" :stroke="m.verdict === 'good' ? 'var(--act)' : 'var(--fault)'" fill="none">
        <path :d="`M${x(m.firstMm)} ${TOPS[0] + TAPE - 20}V${TOPS[0] + TAPE}L${x(m.secondMm)} ${TOPS[1]}v20`" stroke-width="3">
          <title>{{ m.name }}</title>
        </path>
      </g>
    </svg>
    <p class="mt-1 text-sm" data-test="seam-words">
      <template v-if="eased"
        >Ease <UiLengthChange :from="walked.sides[1].lengthMm" :to="walked.sides[0].lengthMm" />, wanted
        <UiLengthText :mm="walked.seam.wantedEase.minMm" bare /> to <UiLengthText :mm="walked.seam.wantedEase.maxMm" />; between the marks:
        <span v-for="e in walked.easeByStretch" :key="e.to" class="mr-2">{{ e.from }}–{{ e.to }} <UiLengthText :mm="e.surplusMm" /></span
      ></template>
      <template v-else-if="surplus > 0.05"
        >Surplus <UiLengthChange :from="sides[shorter]!.lengthMm" :to="sides[1 - shorter]!.lengthMm" unsigned /> on
        {{ sides[1 - shorter]!.parts[0]!.name }} ({{ prefs.figure(surplus, 1) }} mm).</template
      >
      <template v-else>Both sides are equal to a tenth of a millimetre.</template>
      <span v-if="walked.marks.length" class="text-soft">
        Notches:
        <span v-for="m in walked.marks" :key="m.name" class="mr-2"
          >{{ m.name }}
          <template v-if="m.verdict !== 'good'">off by <UiLengthText :mm="Math.abs(m.offMm)" /></template>
          <template v-else-if="apart(m) > prefs.tolerances.goodMm"
            >apart<template v-if="Math.abs(apart(m) - surplus) > 0.05"> by <UiLengthText :mm="apart(m)" /></template>, no more than the
            surplus</template
          >
          <template v-else>meets</template></span
        ></span
      >
    </p>
  </div>
</template>
