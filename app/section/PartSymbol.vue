<script setup lang="ts">
import { useShown } from '~/section/shown'
import { PART_MARKS, type PlacedPart } from '#core/section'
import { PART_KINDS } from '#core/kinds'

/** A part on a line, as a small cut-away thing. A handle along the pipe is open, across it shut. */
const props = defineProps<{ part: PlacedPart; selected: boolean; runs?: boolean; floatUp?: boolean }>()
const shown = useShown()
/** As somebody has turned it in a plant that is played, else as the plan has it. */
const open = computed(() => shown.value.valves?.[props.part.id] ?? props.part.open)
const mark = computed(() => PART_MARKS[props.part.kind])
const turn = computed(() => `translate(${props.part.x} ${props.part.y})${props.part.upright ? ' rotate(-90)' : ''}`)
</script>

<template>
  <g :transform="turn" class="part" :class="{ selected }">
    <title>{{ PART_KINDS[part.kind].name }}</title>
    <rect x="-9" y="-9" width="18" height="18" class="reach" />
    <template v-if="mark === 'handle'">
      <rect x="-7" y="-4.5" width="14" height="9" rx="2" class="body" />
      <line v-if="open" x1="-8" x2="8" y1="-8.5" y2="-8.5" class="handle" />
      <line v-else x1="0" x2="0" y1="-13" y2="-4.5" class="handle" />
    </template>
    <template v-else-if="mark === 'drum'">
      <path d="M-10 -8 h14 q7 0 7 8 q0 8 -7 8 h-14 z" class="solid" :class="{ runs }" />
      <path d="M-7 -3.5 h9 M-7 0 h9 M-7 3.5 h9" class="fins" />
    </template>
    <template v-else-if="mark === 'flap'">
      <rect x="-7" y="-6" width="14" height="12" rx="5" class="body" />
      <path d="M-4 -4 L3 0 L-4 4" class="mark" />
    </template>
    <template v-else-if="mark === 'ball'">
      <circle cx="6" :cy="floatUp ? 2 : 8" r="5" class="body" />
      <path :d="floatUp ? 'M-5 0 L6 0' : 'M-5 0 L6 5'" class="mark" />
      <rect x="-9" y="-4.5" width="9" height="9" class="body" />
    </template>
    <template v-else-if="mark === 'cartridge'">
      <rect x="-5.5" y="-5" width="11" height="18" rx="3.5" class="body" />
      <path d="M-2.5 0 v10 M0 0 v10 M2.5 0 v10" class="mark" />
    </template>
    <template v-else-if="mark === 'lamp'">
      <rect x="-10" y="-5" width="20" height="10" rx="5" class="body" />
      <path d="M-7 0 h14" class="ray" />
    </template>
    <template v-else-if="mark === 'mesh'">
      <rect x="-4" y="-7" width="8" height="14" class="body" />
      <path d="M-4 -2.4 h8 M-4 2.4 h8 M0 -7 v14" class="mesh" />
    </template>
    <template v-else-if="mark === 'dial'">
      <circle r="7" class="body" />
      <path d="M0 0 L4 -4" class="mark" />
    </template>
    <template v-else-if="mark === 'bonnet'">
      <rect x="-8" y="-4" width="16" height="8" rx="2" class="body" />
      <path d="M-5 -4 q0 -8 5 -8 q5 0 5 8 z" class="body" />
      <path d="M0 -8.5 v8" class="mark" />
    </template>
    <template v-else-if="mark === 'spring'">
      <path d="M-7 6 h14 M-4 2 l8 -2.5 l-8 -2.5 l8 -2.5 M0 6 v-2" class="mark" />
      <circle cy="6" r="2.5" class="body" />
    </template>
    <circle v-else r="7" class="body" />
  </g>
</template>

<style scoped>
.reach {
  fill: transparent;
}
.body {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 1.4;
}
.solid {
  fill: var(--ink);
}
.solid.runs {
  fill: var(--moss);
}
.fins {
  stroke: var(--sheet);
  stroke-width: 1.1;
}
.handle {
  stroke: var(--oak);
  stroke-width: 2.6;
}
.mark {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.3;
}
.mesh {
  stroke: var(--ink);
  stroke-width: 0.7;
}
.ray {
  stroke: var(--line-treated);
  stroke-width: 2.4;
}
.selected .body {
  stroke: var(--oak);
  stroke-width: 2.4;
}
.selected .solid {
  fill: var(--oak);
}
</style>
