<script setup lang="ts">
import { pathOf } from '~/section/path'
import { pictureBeside } from '~/section/pictureBeside'
import { isLarge } from '~/engine/large'
import { tankHeight } from '#core/sums'
import { graphOf, type Site } from '#core/site'
import { drawSection, slotOfNode, type Drawing } from '#core/section'

/** A site's Section in small, without words; what differs from another plan is marked. */
const props = defineProps<{ site: Site; differing?: ReadonlySet<string> }>()
const [WIDTH, HEIGHT] = [720, 250]
/** Where nobody said how high the eaves are. */
const EAVES_M = 2.6
/** In so small a picture nobody sees less than this of a pixel. */
const px = (value: number) => Math.round(value * 2) / 2
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
const y = (heightM: number) => drawing.value?.scale.y(heightM) ?? 0
const differs = (id: string) => props.differing?.has(id) ?? false
/** What looks alike is one path, however many there are: a large site holds hundreds of each. */
const paths = computed(() => {
  /** In the order in which they are drawn, by their classes. */
  const drawn: Record<'wall' | 'roof' | 'line' | 'line differs' | 'tank' | 'tank differs' | 'water', string[]> = {
    wall: [],
    roof: [],
    line: [],
    'line differs': [],
    tank: [],
    'tank differs': [],
    water: [],
  }
  const box = (x: number, top: number, width: number, foot: number) =>
    `M${px(x)} ${px(top)}h${px(width)}V${px(foot)}h${px(-width)}z`
  for (const { runId, points } of drawing.value?.routes ?? [])
    drawn[differs(runId) ? 'line differs' : 'line'].push(
      `M${points.map(([x, high]) => `${px(x)} ${px(high)}`).join('L')}`,
    )
  for (const slot of drawing.value?.slots ?? []) {
    const { x, width } = slot
    if (slot.kind === 'roof') {
      const eaves = y(slot.spouts[0]?.baseM ?? EAVES_M)
      drawn.wall.push(
        `M${px(x + 8)} ${px(eaves)}V${px(y(slot.groundM))}M${px(x + width - 8)} ${px(eaves)}V${px(y(slot.groundM))}`,
      )
      drawn.roof.push(`M${px(x)} ${px(eaves)}l${px(width / 2)} -30l${px(width / 2)} 30z`)
    }
    const node = slot.kind === 'node' && graphOf(props.site).node(slot.nodeId)
    if (!node || node.kind !== 'tank') continue
    const [top, foot] = [y(node.baseM + tankHeight(node.shape)), y(node.baseM)]
    drawn[differs(node.id) ? 'tank differs' : 'tank'].push(box(x, top, width, foot))
    drawn.water.push(box(x + 1, top + (foot - top) * 0.35, width - 2, foot - 1))
  }
  return Object.entries(drawn).map(([kind, pieces]) => ({ kind, d: pieces.join('') }))
})
/** Whatever else differs is marked where it stands. */
const spots = computed(() =>
  props.site.nodes
    .filter(node => node.kind !== 'tank' && differs(node.id))
    .flatMap(node => {
      const slot = drawing.value && slotOfNode(drawing.value, node)
      return slot ? [{ id: node.id, x: slot.x + slot.width / 2, y: y(node.baseM) }] : []
    }),
)
</script>

<template>
  <svg v-if="drawing" :viewBox="`44 0 ${drawing.widthPx - 44} ${HEIGHT}`" preserveAspectRatio="none" aria-hidden="true">
    <path :d="`${pathOf(drawing.ground)} V${HEIGHT} H0 Z`" class="earth" />
    <path v-for="path in paths" :key="path.kind" :d="path.d" :class="path.kind" />
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
.tank.differs {
  stroke: var(--oak);
  stroke-width: 7;
}
</style>
