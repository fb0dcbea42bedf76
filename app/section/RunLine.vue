<script setup lang="ts">
import { pathOf } from '~/section/path'
import { useSelection } from '~/stores/useSelection'
import type { SeenRoute } from '#core/section'

/** One run from end to end, in the colour and pattern of its water. */
const props = defineProps<{ route: SeenRoute; selected: boolean }>()
const { pickRun } = useSelection()
const whole = computed(() => pathOf(props.route.points))
</script>

<template>
  <g
    class="run"
    :class="{ selected }"
    :data-run="route.runId"
    tabindex="0"
    role="button"
    :aria-label="`Run: ${route.name}`"
    :aria-pressed="selected"
    @click.stop="pickRun(route.runId)"
    @keydown.enter="pickRun(route.runId)"
  >
    <path :d="whole" class="reach" />
    <path v-if="selected" :d="whole" class="glow" />
    <template v-for="(stretch, index) in route.stretches" :key="index">
      <path
        :d="pathOf(stretch.points)"
        class="line"
        :class="stretch.water"
        :stroke-dashoffset="stretch.beforePx || undefined"
      />
      <path
        v-if="stretch.water === 'main' || stretch.water === 'treated'"
        :d="pathOf(stretch.points)"
        class="over"
        :class="stretch.water"
        :stroke-dashoffset="stretch.beforePx || undefined"
      />
    </template>
  </g>
</template>

<style scoped>
.run {
  cursor: pointer;
}
path {
  fill: none;
  stroke-linejoin: round;
}
.reach {
  stroke: transparent;
  stroke-width: 12;
}
.glow {
  stroke: var(--oak);
  stroke-width: 9;
  opacity: 0.35;
}
.line {
  stroke-width: 3;
}
.roof {
  stroke: var(--line-roof);
}
.spill {
  stroke: var(--line-spill);
  stroke-width: 2.6;
  stroke-dasharray: 2 3.4;
}
.well {
  stroke: var(--line-well);
  stroke-dasharray: 9 4;
}
.line.main {
  stroke: var(--line-main);
  stroke-width: 5;
}
.over.main {
  stroke: var(--sheet);
  stroke-width: 1.6;
}
.treated {
  stroke: var(--line-treated);
}
.over.treated {
  stroke-width: 8;
  stroke-dasharray: 1.4 7;
}
.run:focus-visible {
  outline: none;
}
.run:focus-visible .reach {
  stroke: color-mix(in srgb, var(--oak) 30%, transparent);
}
</style>
