<script setup lang="ts">
import { whyNot } from '#core/answers'
import FilePick from '~/fields/FilePick.vue'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import type { Roof } from '#core/site'
import { moveOf } from '#core/moves'
import { readOutline } from '#core/exchange'

/** A roof's outline from a GeoJSON file, or pasted. */
const props = defineProps<{ roof: Roof }>()
const shown = defineModel<boolean>({ required: true })
const store = useSite()
const { show } = useUnits()
const text = ref('')
const fileName = ref('')
const reading = computed(() => (text.value.trim() ? readOutline(text.value) : undefined))
const problem = ref<string>()
const MOST_BYTES = 2e6

async function load(file: File | undefined): Promise<void> {
  if (!file) return
  fileName.value = file.name
  problem.value =
    file.size > MOST_BYTES
      ? `${file.name} is ${Math.round(file.size / 1e6)} MB; one roof’s outline is a few lines. Export that roof alone.`
      : undefined
  text.value = problem.value ? '' : await file.text()
}
function take(): void {
  if (!reading.value?.ok) return
  problem.value = store.make(moveOf('setOutline', { roof: props.roof.id, outline: reading.value.outline }))
  if (!problem.value) shown.value = false
}
</script>

<template>
  <el-dialog v-model="shown" :title="`The outline of ${roof.name}`" width="min(560px, 96vw)" append-to-body>
    <p>
      A GeoJSON polygon in longitude and latitude, as any map program writes it: drawn along the gutters as seen from
      above. The file stays on this machine.
    </p>
    <p>
      <FilePick accept=".geojson,.json,application/geo+json" @files="load($event[0])">Choose a file</FilePick>
      <span class="soft">{{ fileName }}</span>
    </p>
    <label class="paste"
      >or paste it here<textarea v-model="text" rows="6" spellcheck="false" aria-label="GeoJSON of the outline" />
    </label>
    <p v-if="reading?.ok" role="status">
      It holds <b class="figure">{{ show(reading.areaM2, 'area') }}</b> in
      {{ reading.outline.length === 1 ? 'one part' : `${reading.outline.length} parts` }},
      {{ reading.outline.reduce((sum, part) => sum + part.length - 1, 0) || 'no' }} holes.
    </p>
    <p v-if="problem || (reading && !reading.ok)" role="alert" class="problem quote">
      {{ problem ?? (reading && !reading.ok ? whyNot(reading) : '') }} Nothing was changed.
    </p>
    <template #footer>
      <el-button @click="shown = false">Leave it</el-button>
      <el-button type="primary" :disabled="!reading?.ok" @click="take">Use this outline</el-button>
    </template>
  </el-dialog>
</template>

<style scoped>
.paste {
  display: block;
  color: var(--soft);
}
textarea {
  display: block;
  width: 100%;
  font: 12.5px var(--mono);
  color: var(--ink);
  background: var(--field);
  border: 0;
  border-bottom: 2px solid var(--oak);
  border-radius: 2px 2px 0 0;
  padding: 6px;
  margin: 2px 0 8px;
}
</style>
