<script setup lang="ts">
import { useTry } from './useTry'
import FilePick from '~/fields/FilePick.vue'
import { useSelection } from '~/stores/useSelection'
import { useFiles } from '~/stores/useFiles'
import { useSite } from '~/stores/site'
import { readScript, writeScript } from '#core/exchange'
import { SCRIPT_IDS, SCRIPTS, scriptOf, type Script, type ScriptId, type ScriptRow } from '#core/plant'

/** What can be played on this site from its beginning, saved as a file and played again exactly. */
const store = useSite()
const { begin, run, speed } = useTry()
const { pickTopic } = useSelection()
const { saveAs } = useFiles()
const rows = computed(() =>
  SCRIPT_IDS.map(id => {
    const row: ScriptRow = SCRIPTS[id]
    return { id, name: row.name, shows: row.shows, why: row.wants?.(store.site!) }
  }),
)
/** A play of so long takes about this many seconds. */
const LASTS_S = 30
async function playScript(script: Script): Promise<void> {
  pickTopic('live')
  const wanted = script.seconds / LASTS_S
  speed.value = [1, 60, 600, 3600, 86400].find(each => each >= wanted) ?? 86400
  await begin(script.start, script)
  run()
}
const play = (id: ScriptId) => playScript(scriptOf(store.site!, id))
const save = (id: ScriptId) => saveAs(`${id}.script.json`, 'application/json', writeScript(scriptOf(store.site!, id)))
const problem = ref<string>()
async function open([file]: File[]): Promise<void> {
  if (!file) return
  const read = readScript(await file.text())
  problem.value = read.ok ? undefined : read.why
  if (read.ok) await playScript(read.script)
}
</script>

<template>
  <section data-notes="plays">
    <h2>Plays</h2>
    <dl>
      <template v-for="{ id, name, shows, why } in rows" :key="id">
        <dt>
          <button v-if="!why" type="button" class="plain" :data-play="id" @click="play(id)">▸ {{ name }}</button>
          <span v-else class="soft">{{ name }}</span>
        </dt>
        <dd>
          {{ why ?? `Shows ${shows}.` }}
          <button
            v-if="!why"
            type="button"
            class="plain small"
            :aria-label="`Save ${name} as a file`"
            @click="save(id)"
          >
            Save
          </button>
        </dd>
      </template>
    </dl>
    <p>
      <FilePick accept=".json,application/json" @files="open">Play one from a file</FilePick>
      <span v-if="problem" role="alert" class="wrong">{{ problem }}</span>
    </p>
  </section>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: minmax(150px, auto) 1fr;
  gap: 4px 16px;
}
dt,
dd {
  margin: 0;
}
</style>
