<script setup lang="ts">
import { poolsOf } from '#core/balance'

/** What the water is kept in: the groups of tanks that share a level, how they are joined, how long they last, and other ways of doing it. */
const open = useSite()
const pools = computed(() => poolsOf(open.site!))
const PARTS = [{ id: 'tanks', name: 'Tanks' }, { id: 'outside', name: 'Outside water' }, { id: 'spell', name: 'Dry spell' }, { id: 'many', name: 'Many years' }, { id: 'ways', name: 'Other ways' }]
const goTo = (id: string) => document.getElementById(`store-${id}`)?.scrollIntoView({ block: 'start' })
</script>

<template>
  <div>
    <nav v-if="pools.length" class="parts small" aria-label="Parts of this sheet"><button v-for="part in PARTS" :key="part.id" type="button" class="plain small" @click="goTo(part.id)">{{ part.name }}</button></nav>
    <div id="store-tanks">
      <p v-if="!pools.length" class="soft">No tank yet. Choose a kind below; its usual measures can all be changed.</p>
      <section v-for="(pool, index) in pools" :key="pool.tanks[0]!.id" class="pool">
        <h2>{{ pool.name }}</h2>
        <JoinNotes :pool="pool" :index="index" />
        <SpillNotes :pool="pool" />
        <SizeCurve v-if="open.site!.uses.length" :pool="pool" :index="index" />
        <TankNotes v-for="tank in pool.tanks" :key="tank.id" :tank="tank" :pool="pool" />
      </section>
      <AddTank />
    </div>
    <div id="store-outside"><OutsideNotes /></div>
    <template v-if="pools.length">
      <div id="store-spell"><DrySpell /></div>
      <div id="store-many"><ManyYears v-if="open.site!.uses.length" /></div>
      <div id="store-ways"><OptionsTable /></div>
    </template>
  </div>
</template>

<style scoped>
.pool { border-bottom: 1px solid var(--hair); margin-bottom: 10px; padding-bottom: 6px; }
.parts { display: flex; gap: 16px; flex-wrap: wrap; border-bottom: 1px solid var(--hair); padding-bottom: 5px; margin-bottom: 8px; }
div > :deep(section > h2) { margin: 12px 0 4px; }
</style>
