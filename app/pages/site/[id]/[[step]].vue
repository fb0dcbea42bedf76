<script setup lang="ts">
import type { Component } from 'vue'
import { useEventListener } from '@vueuse/core'
import { LazyCatchSheet, LazyCleanSheet, LazyNeedSheet, LazyStoreSheet } from '#components'
import type { StepId } from '~/composables/useSteps'

/** The workspace: Path, Section, Sheet, Margin and Year around one open site. */
definePageMeta({ key: route => `site-${String(route.params.id)}` })
const route = useRoute()
const open = useSite()
const step = computed<StepId>(() => STEPS.find(entry => entry.open && entry.id === route.params.step)?.id ?? 'store')
const [sums, find, keys, year] = [ref(false), ref(false), ref(false), ref(false)]
/** Drawers and dialogs are loaded when they are first opened. */
const opened = reactive({ sums: false, find: false, keys: false, year: false })
watchEffect(() => { for (const [name, shown] of [['sums', sums], ['find', find], ['keys', keys], ['year', year]] as const) if (shown.value) opened[name] = true })
const SHEETS = { need: LazyNeedSheet, catch: LazyCatchSheet, clean: LazyCleanSheet, store: LazyStoreSheet } as Partial<Record<StepId, Component>>

onMounted(() => open.open(String(route.params.id)))
onBeforeUnmount(() => open.flush())
useEventListener(document, 'visibilitychange', () => { if (document.hidden) void open.flush() })
useHead({ title: () => open.site ? `${open.site.name} · Tall Cask` : 'Tall Cask' })

useKeys({
  sums: () => sums.value = !sums.value, find: () => find.value = true, keys: () => keys.value = true,
  step: (index) => { const entry = STEPS[index]; if (entry?.open) void navigateTo(`/site/${open.site?.id}/${entry.id}`) },
})
</script>

<template>
  <main v-if="open.site" class="workspace">
    <PathStrip :step="step" />
    <SiteHeader @sums="sums = true" @find="find = true" @keys="keys = true" />
    <SectionView :step="step" />
    <section class="sheet" :aria-label="`The Sheet: ${step}`">
      <PartBar />
      <component :is="SHEETS[step]" />
    </section>
    <MarginPanel :step="step" />
    <YearRibbon @open="year = true" />
    <LazySumsDrawer v-if="opened.sums" v-model="sums" />
    <LazyFindDialog v-if="opened.find" v-model="find" />
    <LazyKeysDialog v-if="opened.keys" v-model="keys" />
    <LazyYearDrawer v-if="opened.year" v-model="year" />
  </main>
  <main v-else-if="open.missing" class="lost">
    <h1>There is no such site in this browser</h1>
    <p>It may have been taken out, or it lies in another browser. A site file brings it here.</p>
    <NuxtLink to="/">To the Yard</NuxtLink>
  </main>
</template>

<style scoped>
.workspace { height: 100%; display: grid; grid-template-columns: 92px minmax(0, 1fr) 296px; grid-template-rows: auto minmax(300px, 40vh) minmax(0, 1fr) auto; overflow: hidden; }
.workspace > .path { grid-row: 1 / 5; }
.workspace > .header { grid-column: 2 / 4; }
.workspace > .sheet { position: relative; grid-column: 2; grid-row: 3; overflow-y: auto; padding: 12px 20px 16px; min-width: 0; }
.workspace > .margin { grid-column: 3; grid-row: 2 / 4; }
.workspace > .year { grid-column: 2 / 4; grid-row: 4; }
.lost { max-width: 520px; margin: 18vh auto; padding: 0 20px; }
@media (max-width: 980px) and (min-width: 701px) { .workspace { grid-template-columns: 92px minmax(0, 1fr) 250px; } }
@media (max-width: 700px) {
  .workspace { display: flex; flex-direction: column; height: auto; min-height: 100%; overflow: visible; }
  .workspace > .margin { order: 2; border-left: 0; border-bottom: 1px solid var(--hair); overflow: visible; }
  .workspace > .section { order: 3; height: 340px; flex: none; }
  .workspace > .sheet { order: 4; overflow: visible; padding: 12px; }
  .workspace > .year { order: 5; position: sticky; bottom: 0; }
}
</style>
