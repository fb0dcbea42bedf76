<script setup lang="ts">
import { pathOf } from '~/section/path'
import { pictureBeside } from '~/section/pictureBeside'
import { isLarge } from '~/workers/large'
import { tankHeight } from '#core/sums'
import { graphOf, type Site } from '#core/site'
import { drawSection, slotOfNode, type Drawing } from '#core/section'

/** A site's Section in small, without words; what differs from another plan is marked. */
const props = defineProps<{ site: Site; differing?: ReadonlySet<string> }>()
const [WIDTH, HEIGHT] = [720, 250]
const drawing = shallowRef<Drawing>()
watch(
  () => props.site,
  async site => {
    const made = isLarge(site)
      ? (await pictureBeside(site, { framePx: WIDTH, heightPx: HEIGHT, asked: 0 })).drawing
      : drawSection(site, WIDTH, HEIGHT)
    if (site === props.site) drawing.value = made
  },
  { immediate: true },
)
const slots = computed(() => drawing.value?.slots ?? [])
const y = (heightM: number) => drawing.value?.scale.y(heightM) ?? 0
const tanks = computed(() =>
  slots.value.flatMap(slot => {
    const node = slot.kind === 'node' && graphOf(props.site).node(slot.nodeId)
    if (!node || node.kind !== 'tank') return []
    return [
      { id: node.id, x: slot.x, width: slot.width, top: y(node.baseM + tankHeight(node.shape)), foot: y(node.baseM) },
    ]
  }),
)
const roofs = computed(() =>
  slots.value.flatMap(slot =>
    slot.kind === 'roof'
      ? [
          {
            id: slot.roof.id,
            x: slot.x,
            width: slot.width,
            y: y(slot.spouts[0]?.baseM ?? 2.6),
            foot: y(slot.groundM),
          },
        ]
      : [],
  ),
)
/** Whatever else differs is marked where it stands. */
const spots = computed(() =>
  props.site.nodes
    .filter(node => node.kind !== 'tank' && differs(node.id))
    .flatMap(node => {
      const slot = drawing.value && slotOfNode(drawing.value, node)
      return slot ? [{ id: node.id, x: slot.x + slot.width / 2, y: y(node.baseM) }] : []
    }),
)
const differs = (id: string) => props.differing?.has(id) ?? false
</script>

<template>
  <svg v-if="drawing" :viewBox="`44 0 ${drawing.widthPx - 44} ${HEIGHT}`" preserveAspectRatio="none" aria-hidden="true">
    <path :d="`${pathOf(drawing.ground)} V${HEIGHT} H0 Z`" class="earth" />
    <g v-for="roof in roofs" :key="roof.id">
      <path
        :d="`M${roof.x + 8} ${roof.y} V${roof.foot} M${roof.x + roof.width - 8} ${roof.y} V${roof.foot}`"
        class="wall"
      />
      <path :d="`M${roof.x} ${roof.y} l${roof.width / 2} -30 l${roof.width / 2} 30 z`" class="roof" />
    </g>
    <path
      v-for="route in drawing.routes"
      :key="route.runId"
      :d="pathOf(route.points)"
      class="line"
      :class="{ differs: differs(route.runId) }"
    />
    <g v-for="tank in tanks" :key="tank.id" :class="{ differs: differs(tank.id) }">
      <rect :x="tank.x" :y="tank.top" :width="tank.width" :height="tank.foot - tank.top" class="tank" />
      <rect
        :x="tank.x + 1"
        :y="tank.top + (tank.foot - tank.top) * 0.35"
        :width="tank.width - 2"
        :height="(tank.foot - tank.top) * 0.65 - 1"
        class="water"
      />
    </g>
    <circle v-for="spot in spots" :key="spot.id" :cx="spot.x" :cy="spot.y" r="11" class="spot" />
  </svg>
</template>

<style scoped>
.earth {
  fill: var(--earth);
}
.wall {
  stroke: var(--wall);
  stroke-width: 2;
}
.roof {
  fill: var(--roofing);
  stroke: var(--ink);
  stroke-width: 3;
  stroke-linejoin: round;
}
.line {
  fill: none;
  stroke: var(--line-roof);
  stroke-width: 3.4;
  opacity: 0.8;
}
.tank {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 3;
}
.water {
  fill: var(--water);
}
.line.differs {
  stroke: var(--oak);
  stroke-width: 5;
  opacity: 1;
}
.spot {
  fill: none;
  stroke: var(--oak);
  stroke-width: 6;
}
.differs .tank {
  stroke: var(--oak);
  stroke-width: 7;
}
</style>
