<script setup lang="ts">
import { poolsOf } from '#core/balance'
import { TANK_KIND_IDS, TANK_KINDS, type TankKindId } from '#core/catalog'
import { moveOf, tanksOf } from '#core/site'

/** What the water is kept in: the groups of tanks that share a level, and moves that add to them. */
const open = useSite()
const { litres } = useUnits()
const pools = computed(() => poolsOf(open.site!))
const results = useResults()
const usable = (name: string) => results.outlook?.pools.find(pool => pool.name === name)?.usableL
const kind = ref<TankKindId>('tote')
const to = ref('')
const kinds = TANK_KIND_IDS.map(value => ({ value, name: TANK_KINDS[value].name }))
const tanks = computed(() => tanksOf(open.site!).map(tank => ({ value: tank.id, name: tank.name })))
const target = computed(() => tanks.value.find(tank => tank.value === to.value)?.value ?? tanks.value[0]?.value)
const add = (how: 'alone' | 'joined' | 'spill') => open.make(moveOf('addTank', { kind: kind.value, how, to: how === 'alone' ? undefined : target.value }))
</script>

<template>
  <div>
    <p v-if="!pools.length" class="soft">No tank yet. Choose a kind below; its usual measures can all be changed.</p>
    <section v-for="(pool, index) in pools" :key="pool.tanks[0]!.id" class="pool">
      <h2>{{ pool.name }}</h2>
      <p v-if="pool.tanks.length > 1">
        {{ pool.tanks.length }} tanks joined at the bottom stand at one level and hold <b class="figure">{{ litres(pool.capL) }}</b> up to the lowest spill point, of {{ litres(pool.nominalL) }} nominal<template v-if="usable(pool.name) !== undefined">; <b class="figure">{{ litres(usable(pool.name)!) }}</b> of it can be drawn</template>.
      </p>
      <TankNotes v-for="tank in pool.tanks" :key="tank.id" :tank="tank" :pool="pool" />
      <SizeCurve v-if="open.site!.uses.length" :pool="pool" :index="index" />
    </section>
    <h2>Another tank</h2>
    <div class="moves">
      <ChoiceField label="Kind of tank" :value="kind" :choices="kinds" :set="value => kind = value" />
      <button type="button" class="move" @click="add('alone')">Stand it alone</button>
      <template v-if="target">
        <button type="button" class="move" @click="add('joined')">Join at the bottom</button>
        <button type="button" class="move" @click="add('spill')">Feed by the spill</button>
        <span>of <ChoiceField label="Which tank" :value="target" :choices="tanks" :set="value => to = value" /></span>
      </template>
    </div>
    <p class="small soft">Joined at the bottom, tanks level out and one overflow serves all if the tops are level. Fed by the spill, the second fills once the first is full.</p>
  </div>
</template>

<style scoped>
.pool { border-bottom: 1px solid var(--hair); margin-bottom: 10px; padding-bottom: 6px; }
.pool p { margin-bottom: 2px; line-height: 1.85; }
</style>
