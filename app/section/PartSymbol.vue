<script setup lang="ts">
import { PART_MARKS, type PlacedPart } from '#core/section'
import { PART_KINDS } from '#core/kinds'

/** A part on a line, as a small cut-away thing. A handle along the pipe is open, across it shut. */
const props = defineProps<{ part: PlacedPart; selected: boolean }>()
const mark = computed(() => PART_MARKS[props.part.kind])
const turn = computed(() => `translate(${props.part.x} ${props.part.y})${props.part.upright ? ' rotate(-90)' : ''}`)
</script>

<template>
  <g :transform="turn" class="part" :class="{ selected }">
    <title>{{ PART_KINDS[part.kind].name }}</title>
    <template v-if="mark === 'handle'">
      <rect x="-5.5" y="-3.5" width="11" height="7" rx="1.5" class="body" />
      <line v-if="part.open" x1="-7" x2="7" y1="-7" y2="-7" class="handle" /><line
        v-else
        x1="0"
        x2="0"
        y1="-10"
        y2="-3"
        class="handle"
      />
    </template>
    <template v-else-if="mark === 'drum'">
      <path d="M-9 -7 h13 q6 0 6 7 q0 7 -6 7 h-13 z" class="solid" /><path
        d="M-6 -3 h8 M-6 0 h8 M-6 3 h8"
        class="fins"
      />
    </template>
    <template v-else-if="mark === 'flap'">
      <rect x="-5.5" y="-4.5" width="11" height="9" rx="4" class="body" /><path d="M-3 -3 L2 0 L-3 3" class="mark" />
    </template>
    <template v-else-if="mark === 'ball'">
      <circle cx="5" cy="7" r="4" class="body" /><path d="M-4 0 L5 4" class="mark" /><rect
        x="-7"
        y="-3.5"
        width="7"
        height="7"
        class="body"
      />
    </template>
    <template v-else-if="mark === 'cartridge'">
      <rect x="-4.5" y="-4" width="9" height="15" rx="3" class="body" /><path
        d="M-2 0 v9 M0 0 v9 M2 0 v9"
        class="mark"
      />
    </template>
    <template v-else-if="mark === 'lamp'">
      <rect x="-9" y="-4" width="18" height="8" rx="4" class="body" /><path d="M-6 0 h12" class="ray" />
    </template>
    <template v-else-if="mark === 'mesh'">
      <rect x="-3" y="-5" width="6" height="10" class="body" /><path
        d="M-3 -1.7 h6 M-3 1.7 h6 M0 -5 v10"
        class="mesh"
      />
    </template>
    <circle v-else r="4.5" class="body" />
  </g>
</template>

<style scoped>
.body {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 1.4;
}
.solid {
  fill: var(--ink);
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
