<script setup lang="ts">
import { placed } from '~/section/drawn'
import { useUnits } from '~/fields/useUnits'
import TankInside from '~/section/TankInside.vue'
import { tankHeight, tankVolume } from '#core/sums'
import { isLightTight } from '#core/site'
import type { Slot } from '#core/section'
import type { Tank } from '#core/kinds'

/** A tank with its lid, its level and the height at which it spills. */
const props = defineProps<{
  tank: Tank
  slotPlace: Slot
  level?: { levelM: number | undefined; capM: number }
  selected: boolean
}>()
const { show, litres } = useUnits()

const box = placed(({ scale }) => {
  const { tank, slotPlace } = props
  const { x, width } = slotPlace
  const heightM = tankHeight(tank.shape)
  const [floor, rim] = [scale.y(tank.baseM), scale.y(tank.baseM + heightM)]
  const levelM = Math.max(0, Math.min(heightM, (props.level?.levelM ?? tank.baseM) - tank.baseM))
  return {
    x,
    width,
    floor,
    rim,
    middle: x + width / 2,
    ground: scale.y(tank.groundM),
    water: scale.y(tank.baseM + levelM),
    levelM,
    tall: floor - rim,
    spill: scale.y(props.level?.capM ?? tank.baseM + heightM),
    roomy: width > 62 && floor - rim > 34,
  }
})
const wall = computed(() => {
  const { x, width, floor, rim, tall } = box.value
  if (props.tank.shape.shape === 'lying-cylinder')
    return (
      `M${x + 10} ${rim} H${x + width - 10} Q${x + width} ${rim} ${x + width} ${rim + tall * 0.3} ` +
      `V${floor - tall * 0.3} Q${x + width} ${floor} ${x + width - 10} ${floor} H${x + 10} Q${x} ${floor} ${x} ` +
      `${floor - tall * 0.3} V${rim + tall * 0.3} Q${x} ${rim} ${x + 10} ${rim} Z`
    )
  return `M${x} ${floor} V${rim} H${x + width} V${floor} Z`
})
/** What it holds and how deep, where the words fit between the walls; which gallon is meant the Margin says. */
const inside = computed(() => {
  const held = litres(Math.round(tankVolume({ ...props.tank.shape, levelM: box.value.levelM }).volumeL)).replace(
    /\b(US|imp) gal/,
    'gal',
  )
  const depth = show(box.value.levelM, 'length')
  const fits = (text: string, letterPx: number) => text.length * letterPx < box.value.width - 4
  return { held: fits(held, 7.3) ? held : undefined, depth: fits(depth, 6.7) ? depth : undefined }
})
const raised = computed(() => props.tank.baseM - props.tank.groundM > 0.3)
</script>

<template>
  <g :class="{ selected }">
    <g class="footing">
      <template v-if="box.ground > box.floor + 1">
        <rect v-if="!raised" :x="box.x - 6" :y="box.floor" :width="box.width + 12" :height="box.ground - box.floor" />
        <path
          v-else
          :d="`M${box.x - 3} ${box.floor + 3} h${box.width + 6}
            M${box.x + 4} ${box.floor + 3} V${box.ground} M${box.x + box.width - 4} ${box.floor + 3} V${box.ground}
            M${box.x + 4} ${box.ground - 2} L${box.x + box.width - 4} ${box.floor + 6}`"
          class="stand"
        />
      </template>
    </g>
    <clipPath :id="`clip-${tank.id}`"><path :d="wall" /></clipPath>
    <path :d="wall" class="inside" />
    <rect
      :clip-path="`url(#clip-${tank.id})`"
      :x="box.x"
      :y="box.water"
      :width="box.width"
      :height="Math.max(0, box.floor - box.water)"
      class="water"
    />
    <path :d="wall" class="wall" :class="{ clear: !isLightTight(tank) }" />
    <template v-if="tank.lid">
      <path
        v-if="tank.shape.shape !== 'lying-cylinder'"
        :d="`M${box.x - 1} ${box.rim} q${box.width / 2 + 1} -11 ${box.width + 2} 0`"
        class="wall lid"
      />
      <rect
        :x="box.middle - 9"
        :y="box.rim - (tank.shape.shape === 'lying-cylinder' ? 5 : 10)"
        width="18"
        height="5"
        rx="1.5"
        class="cap"
      />
    </template>
    <TankInside :tank="tank" :slot-place="slotPlace" :water-m="level?.levelM ?? tank.baseM" />
    <line :x1="box.x" :x2="box.x + box.width" :y1="box.spill" :y2="box.spill" class="spill" />
    <template v-if="box.roomy && level?.levelM !== undefined">
      <text :x="box.middle" :y="box.floor - box.tall / 2 + 1" text-anchor="middle" class="held">{{ inside.held }}</text>
      <text :x="box.middle" :y="box.floor - box.tall / 2 + 15" text-anchor="middle" class="depth">{{
        inside.depth
      }}</text>
    </template>
  </g>
</template>

<style scoped>
.footing rect {
  fill: var(--stone);
}
.stand {
  stroke: var(--stone);
  stroke-width: 4;
  fill: none;
}
.inside {
  fill: var(--sheet);
}
.water {
  fill: var(--water);
}
.wall {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2.2;
}
.wall.lid {
  fill: var(--sheet);
}
.wall.clear {
  stroke-dasharray: 7 3;
}
.cap {
  fill: var(--ink);
}
.spill {
  stroke: var(--line-spill);
  stroke-dasharray: 3 3;
}
.selected .wall {
  stroke: var(--oak);
}
.held {
  font: 600 12px var(--mono);
  fill: var(--water-ink);
}
.depth {
  font: 11px var(--mono);
  fill: var(--water-ink);
}
</style>
