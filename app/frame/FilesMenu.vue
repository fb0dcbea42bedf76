<script setup lang="ts">
import { usePhotos } from '~/photos/usePhotos'
import { counted } from '#core/words'
import { usePrefs } from '~/stores/prefs'
import { useSite } from '~/stores/site'

/** What the menu of files, and more, can be asked for. */
export type FilesCommand = 'money' | 'site' | 'photos' | 'days' | 'theme' | 'keys' | 'sums' | 'find'

/** Files out, and what is seldom wanted. It opens as soon as it is there: it was asked for. */
const emit = defineEmits<{ act: [command: FilesCommand] }>()
const { photos, bytes } = usePhotos()
const store = useSite()
const prefs = usePrefs()
const menu = useTemplateRef<{ handleOpen: () => void }>('menu')
onMounted(() => nextTick(() => menu.value?.handleOpen()))

/** What this browser keeps of all sites, and has room for; not told where the browser does not say. */
const room = ref('')
const megabytes = (bytes: number) => (bytes < 1e9 ? `${(bytes / 1e6).toFixed(1)} MB` : `${(bytes / 1e9).toFixed(1)} GB`)
async function measure(shown: boolean): Promise<void> {
  if (!shown) return
  const told = await navigator.storage?.estimate?.().catch(() => undefined)
  room.value =
    told?.usage === undefined
      ? ''
      : `${megabytes(told.usage)} kept in this browser, ${Math.ceil((100 * told.usage) / (told.quota || 1))} % of its room`
}
</script>

<template>
  <el-dropdown ref="menu" trigger="click" @command="emit('act', $event as FilesCommand)" @visible-change="measure">
    <button type="button" class="files">Files<span class="unseen"> and more</span></button>
    <template #dropdown>
      <el-dropdown-menu>
        <el-dropdown-item command="site">Save this site as a file</el-dropdown-item>
        <el-dropdown-item v-if="photos.length" command="photos"
          >Save it with its {{ counted(photos.length, 'photo') }}, {{ megabytes(bytes) }}</el-dropdown-item
        >
        <el-dropdown-item command="days">Save the year’s days as CSV</el-dropdown-item>
        <el-dropdown-item command="sums" divided>Sums <kbd>S</kbd></el-dropdown-item>
        <el-dropdown-item command="find">Find <kbd>/</kbd></el-dropdown-item>
        <el-dropdown-item command="money" divided
          >Money: {{ store.site!.standards.currency || 'not said' }}</el-dropdown-item
        >
        <el-dropdown-item command="theme"
          >Theme: {{ prefs.theme === 'auto' ? 'as the machine' : prefs.theme }}</el-dropdown-item
        >
        <el-dropdown-item command="keys">Keys <kbd>?</kbd></el-dropdown-item>
        <el-dropdown-item v-if="room && store.lasts" disabled divided>{{ room }}</el-dropdown-item>
      </el-dropdown-menu>
    </template>
  </el-dropdown>
</template>

<style scoped>
.files {
  background: none;
  border: 0;
  padding: 6px 0;
  color: var(--oak);
  cursor: pointer;
  font-size: 14px;
  font-weight: 600;
}
.files:hover {
  text-decoration: underline;
  text-underline-offset: 4px;
}
@media (max-width: 700px) {
  .files {
    padding: 10px 2px;
  }
}
</style>
