<script setup lang="ts">
import { placed } from '~/section/drawn'
import { insideOf, type Slot } from '#core/section'
import type { Tank } from '#core/kinds'

/**
 * What hangs in a tank or waits at its wall: the intake on its float, the calmed inlet, the spare fitting, the water
 * kept back for fire.
 */
const props = defineProps<{ tank: Tank; slotPlace: Slot; waterM: number }>()
const inside = placed(drawing => insideOf(drawing.site, props.tank, props.slotPlace, drawing, props.waterM))
</script>

<template>
  <g class="fittings">
    <g v-for="inlet in inside.calmed" :key="inlet.port" :data-inside="`calmed:${tank.id}`">
      <path
        :d="`M${inlet.x - inlet.away * 9} ${inlet.y} H${inlet.x} V${inlet.footY}
          q0 5 ${inlet.away * 5} 5 h${inlet.away * 3} q${inlet.away * 4} 0 ${inlet.away * 4} -5`"
        class="pipe"
      />
      <circle v-if="inlet.airHole" :cx="inlet.x" :cy="inlet.y + 7" r="1.8" class="hole" />
    </g>
    <g v-for="float in inside.floats" :key="float.port" :data-inside="`float:${tank.id}`">
      <path
        :d="`M${float.x} ${float.y} Q${(float.x + float.toX) / 2} ${float.y} ${float.toX} ${float.toY}`"
        class="pipe"
      />
      <circle :cx="float.toX" :cy="float.toY - 3" r="4.5" class="ball" />
    </g>
    <g v-if="inside.reserveY !== undefined" :data-inside="`reserve:${tank.id}`">
      <line
        :x1="slotPlace.x"
        :x2="slotPlace.x + slotPlace.width"
        :y1="inside.reserveY"
        :y2="inside.reserveY"
        class="reserve"
      />
      <text :x="slotPlace.x + 4" :y="inside.reserveY - 3">for fire</text>
    </g>
    <g v-for="spare in inside.spares" :key="spare.port" :data-inside="`spare:${tank.id}`">
      <title>{{ spare.shut === 'cap' ? 'Capped' : 'A shut valve, capped' }}, for the next tank</title>
      <path :d="`M${spare.x} ${spare.y} h${-spare.away * 7}`" class="stub" /><path
        :d="`M${spare.x - spare.away * 8} ${spare.y - 4} v8`"
        class="end"
      />
    </g>
  </g>
</template>

<style scoped>
.pipe {
  fill: none;
  stroke: var(--water-deep);
  stroke-width: 2.4;
  opacity: 0.8;
}
.hole {
  fill: var(--sheet);
  stroke: var(--ink);
}
.ball {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 1.6;
}
.reserve {
  stroke: var(--rust);
  stroke-dasharray: 7 3;
  stroke-width: 1.4;
}
text {
  font: 11px var(--text);
  fill: var(--rust);
  paint-order: stroke;
  stroke: var(--water);
  stroke-width: 2.5px;
}
.stub {
  stroke: var(--ink);
  stroke-width: 3.4;
}
.end {
  stroke: var(--ink);
  stroke-width: 2.4;
}
</style>
