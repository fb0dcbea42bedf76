<script setup lang="ts">
import MarginPanel from '~/frame/MarginPanel.vue'
import PathStrip from '~/frame/PathStrip.vue'
import RefusalNote from '~/frame/RefusalNote.vue'
import SiteHeader from '~/frame/SiteHeader.vue'
import { useKeys } from '~/frame/useKeys'
import SectionView from '~/section/SectionView.vue'
import { stepAt, STEPS } from '~/steps/steps'
import { useSite } from '~/stores/site'
import { useYard } from '~/stores/yard'
import YearRibbon from '~/year/YearRibbon.vue'
import StepSheet from '~/frame/StepSheet.vue'
import NotOpened from '~/frame/NotOpened.vue'
import SplitHandle from '~/frame/SplitHandle.vue'
import { nextTask } from '~/engine/nextTask'
import { until, useEventListener, useStorage } from '@vueuse/core'

/** The workspace: Path, Section, Sheet, Margin and Year around one open site. */
definePageMeta({ key: route => `site-${String(route.params.id)}` })
const route = useRoute()
const store = useSite()
const yard = useYard()
const step = computed(() => stepAt(route.params.step))
/** The share of the window's height that the Section takes, in percent; remembered on this machine. */
const sectionShare = useStorage('tall-cask-section', 40)
const [sums, find, keys, year] = [ref(false), ref(false), ref(false), ref(false)]
/** Drawers and dialogs are loaded when they are first opened. */
const opened = reactive({ sums: false, find: false, keys: false, year: false })
watchEffect(() => {
  for (const [name, shown] of [
    ['sums', sums],
    ['find', find],
    ['keys', keys],
    ['year', year],
  ] as const)
    if (shown.value) opened[name] = true
})
const LazySumsDrawer = defineAsyncComponent(() => import('~/fields/SumsDrawer.vue'))
const LazyFindDialog = defineAsyncComponent(() => import('~/frame/FindDialog.vue'))
const LazyKeysDialog = defineAsyncComponent(() => import('~/frame/KeysDialog.vue'))
const LazyYearDrawer = defineAsyncComponent(() => import('~/year/YearDrawer.vue'))

onMounted(async () => {
  const id = String(route.params.id)
  await store.open(id)
  if (store.notOpened?.because !== 'missing') return
  // A demo site opens by its address, also where nobody has seen the Yard yet, or where it was taken out.
  await yard.fetchDemos(Date.now(), id).catch(() => undefined)
  await store.open(id)
})
// A disk that answers late may hold the site.
watch(
  () => store.holding,
  () => {
    if (store.notOpened) void store.open(String(route.params.id))
  },
)
onBeforeUnmount(() => store.flush())
useEventListener(document, 'visibilitychange', () => {
  if (document.hidden) void store.flush()
})
/** The regions come one after another, a task each, so that a large site does not hold the page while it opens. */
const shown = ref(1)
onMounted(async () => {
  await until(() => store.site).toBeTruthy()
  for (; shown.value < 4; shown.value++) await nextTask()
  const whenIdle = 'requestIdleCallback' in window ? requestIdleCallback : setTimeout
  whenIdle(() => store.rehearse())
})
useHead({ title: () => (store.site ? `${store.site.name} · Tall Cask` : 'Tall Cask') })

useKeys({
  sums: () => (sums.value = !sums.value),
  find: () => (find.value = true),
  keys: () => (keys.value = true),
  step: index => {
    const entry = STEPS[index]
    if (entry?.sheet) void navigateTo(`/site/${store.site?.id}/${entry.id}`)
  },
})
</script>

<template>
  <main
    v-if="store.site"
    class="workspace"
    :class="{ 'sheet-first': step.sheetFirst }"
    :style="{ '--section': `${sectionShare}vh` }"
  >
    <PathStrip :step="step" />
    <SiteHeader @sums="sums = true" @find="find = true" @keys="keys = true" />
    <SectionView :storm="step.storm ?? false" :grade="step.grade ?? false" />
    <SplitHandle v-model="sectionShare" />
    <StepSheet v-if="shown > 1" :step="step" />
    <MarginPanel v-if="shown > 2" :step="step" />
    <YearRibbon v-if="shown > 3" @open="year = true" />
    <RefusalNote />
    <LazySumsDrawer v-if="opened.sums" v-model="sums" />
    <LazyFindDialog v-if="opened.find" v-model="find" />
    <LazyKeysDialog v-if="opened.keys" v-model="keys" />
    <LazyYearDrawer v-if="opened.year" v-model="year" />
  </main>
  <NotOpened v-else-if="store.notOpened" :why="store.notOpened" />
</template>

<style scoped>
.workspace {
  height: 100%;
  display: grid;
  grid-template-columns: 92px minmax(0, 1fr) 296px;
  grid-template-rows: auto minmax(180px, var(--section)) auto minmax(0, 1fr) minmax(93px, auto);
  overflow: hidden;
}
.workspace > .path {
  grid-row: 1 / 6;
}
.workspace > .header {
  grid-column: 2 / 4;
}
.workspace > .split {
  grid-column: 2;
  grid-row: 3;
}
.workspace > .sheet {
  grid-column: 2;
  grid-row: 4;
}
.workspace > .margin {
  grid-column: 3;
  grid-row: 2 / 5;
}
.workspace > .year {
  grid-column: 2 / 4;
  grid-row: 5;
}
/* What changes within a region is laid out within it: the others need not be asked. */
@media (min-width: 701px) {
  .workspace > :is(.section, .sheet, .margin) {
    contain: strict;
  }
}
@media (max-width: 980px) and (min-width: 701px) {
  .workspace {
    grid-template-columns: 92px minmax(0, 1fr) 250px;
  }
}
@media (max-width: 700px) {
  .workspace {
    display: flex;
    flex-direction: column;
    height: auto;
    min-height: 100%;
    overflow: visible;
  }
  .workspace > .section {
    order: 3;
    height: 340px;
    flex: none;
  }
  .workspace > .sheet {
    order: 4;
    overflow: visible;
  }
  .workspace.sheet-first > .sheet {
    order: 2;
  }
  /* What is logged there stands under the thumb. */
  .workspace.workspace.sheet-first > .year {
    position: static;
    margin-bottom: 84px;
  }
  .workspace > .year {
    order: 6;
    position: sticky;
    bottom: 0;
  }
}
</style>
