<script setup lang="ts">
import KeepingNote from '~/frame/KeepingNote.vue'
import FilePick from '~/fields/FilePick.vue'
import { useSite } from '~/stores/site'
import { useFiles } from '~/stores/useFiles'
import { useYard } from '~/stores/yard'
import { readFile } from '~/engine/files'
import SiteCard from '~/yard/SiteCard.vue'
import { useDropZone } from '@vueuse/core'
import { ElMessage } from 'element-plus'

/** The Yard: the sites in this browser, and the ways a new one comes in. */
const yard = useYard()
const store = useSite()
const { exportYard } = useFiles()
const problems = ref<string[]>([])
const ground = useTemplateRef('ground')
const { isOverDropZone } = useDropZone(ground, { onDrop: files => take(files), multiple: true })
const demosFailed = ref(false)
/** With its photos a file is as large as they are. */
const MOST_MB = 150

onBeforeUnmount(yard.watchSites())
onMounted(async () => {
  await store.leave()
  try {
    await yard.fetchDemos(Date.now())
  } catch {
    demosFailed.value = true
  }
})
useHead({ title: 'The Yard · Tall Cask' })

async function take(files: File[] | null): Promise<void> {
  problems.value = []
  const opened: string[] = []
  for (const file of files ?? []) {
    if (file.size > MOST_MB * 1e6) {
      problems.value.push(
        `${file.name} is ${Math.round(file.size / 1e6)} MB; a site file is far smaller. It was not opened.`,
      )
      continue
    }
    const read = await readFile(file)
    for (const problem of read.problems)
      problems.value.push(`${file.name} was not opened${read.sites.length ? ' whole' : ''}. ${problem}`)
    for (const [at, site] of read.sites.entries())
      try {
        opened.push(await yard.add(site, { now: Date.now(), photos: read.photos[at] ?? [] }))
      } catch {
        problems.value.push(`${site.name} of ${file.name} was not kept: this browser has no room, or refuses to write.`)
      }
  }
  // One site is opened at once; of several the Yard shows them all.
  if (opened.length === 1 && !problems.value.length) await navigateTo(`/site/${opened[0]}/store`)
}
async function remove(id: string, name: string): Promise<void> {
  const putBack = await yard.remove(id)
  const message = ElMessage({
    type: 'success',
    duration: 9000,
    showClose: true,
    message: h('span', [
      `${name} was taken out of the Yard. `,
      h(
        'button',
        {
          type: 'button',
          class: 'plain',
          onClick: async () => {
            const back = await putBack()
            message.close()
            if (!back) ElMessage({ message: `${name} stands in the Yard again already; that one was left as it is.` })
          },
        },
        'Put it back',
      ),
    ]),
  })
}
</script>

<template>
  <main ref="ground" class="yard" :class="{ dropping: isOverDropZone }">
    <header>
      <svg viewBox="0 0 44 44" width="52" height="52" aria-hidden="true">
        <path d="M11 10q11-6 22 0v26H11z" class="cask" />
        <path d="M12.4 22h19.2v12.6H12.4z" class="water" />
      </svg>
      <div>
        <h1>Tall Cask</h1>
        <p>Your own water, from roof to tap: how much, in what, joined how, and which day it runs dry.</p>
      </div>
      <div class="acts">
        <NuxtLink to="/new" class="move start">New site</NuxtLink>
        <FilePick accept=".json,application/json" multiple @files="take">Open a site file</FilePick>
      </div>
    </header>
    <div v-if="problems.length" role="alert" class="problems">
      <p v-for="problem in problems" :key="problem">{{ problem }}</p>
      <p class="soft">Nothing else was changed.</p>
    </div>
    <section v-if="store.left.length" class="left" aria-label="Not saved">
      <div v-for="autosave in store.left" :key="autosave.id" :data-left="autosave.id">
        <h2>
          <NuxtLink :to="`/site/${autosave.id}/store`">{{ autosave.history.value.site.name }}</NuxtLink>
        </h2>
        <KeepingNote :autosave="autosave" @let-go="store.letGo(autosave)" />
      </div>
    </section>
    <p v-if="store.holding === 'late'" role="alert" class="problems">
      This browser’s disk does not answer yet. What you do here is put on it as soon as it comes; your own sites will
      stand here then.
    </p>
    <p v-else-if="!store.lasts" role="alert" class="problems">
      This browser lets the page keep nothing, as in a private window. All of it works, and is gone when the tab is
      closed: save your sites as a file before you leave.
    </p>
    <div class="sites">
      <h2 id="sites">The Yard</h2>
      <button v-if="yard.entries?.length" type="button" class="plain small" @click="exportYard">
        Save the whole Yard as a file
      </button>
    </div>
    <ul aria-labelledby="sites">
      <SiteCard v-for="entry in yard.entries" :key="entry.id" :entry="entry" @remove="remove(entry.id, entry.name)" />
    </ul>
    <p v-if="yard.entries && !yard.entries.length" class="soft">
      {{
        demosFailed ? 'The demo sites could not be fetched; the server does not answer.' : 'Nothing stands here yet.'
      }}
      A new site asks three things and stands.
    </p>
    <footer class="soft small">
      Tall Cask computes a plan; it does not approve one. Local code and a licensed trade decide about drinking water,
      back-flow, electricity and anything that can fall. Sites are kept in this browser; a file is the backup.
    </footer>
  </main>
</template>

<style scoped>
.yard {
  max-width: 1080px;
  margin: 0 auto;
  padding: 36px 24px 24px;
  min-height: 100%;
  display: flex;
  flex-direction: column;
}
.dropping {
  outline: 3px dashed var(--oak);
  outline-offset: -12px;
}
header {
  display: flex;
  align-items: center;
  gap: 16px 20px;
  flex-wrap: wrap;
  margin-bottom: 24px;
}
h1 {
  font-size: 30px;
  font-weight: 700;
  letter-spacing: -0.5px;
}
header p {
  margin: 2px 0 0;
  color: var(--soft);
  font-size: 16px;
}
.sites {
  display: flex;
  align-items: baseline;
  justify-content: space-between;
  margin-bottom: 10px;
  border-bottom: 1px solid var(--hair);
  padding-bottom: 6px;
}
h2 {
  font-size: 18px;
}
.acts {
  margin-left: auto;
  display: flex;
  gap: 10px;
}
.acts .move {
  padding: 8px 16px;
  text-decoration: none;
}
.start {
  background: var(--oak);
  color: var(--oak-ink);
}
.start:hover {
  background: color-mix(in srgb, var(--oak) 88%, var(--ink));
}
.pick:focus-within {
  outline: 2px solid var(--oak);
  outline-offset: 2px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(300px, 1fr));
  gap: 18px;
}
.cask {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 2.6;
}
.water {
  fill: var(--water-deep);
}
.problems {
  border-left: 3px solid var(--rust);
  padding-left: 12px;
  margin-bottom: 16px;
}
.left h2 {
  margin: 0 0 2px;
}
.left > div {
  margin-bottom: 14px;
}
.problems p {
  margin: 0 0 4px;
}
footer {
  margin-top: auto;
  padding-top: 28px;
  max-width: 76ch;
}
</style>
