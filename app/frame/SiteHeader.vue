<script setup lang="ts">
import ChoiceField from '~/fields/ChoiceField.vue'
import NameField from '~/fields/NameField.vue'
import { useFiles } from '~/stores/useFiles'
import { usePrefs } from '~/stores/prefs'
import { useSite } from '~/stores/site'
import type { FilesCommand } from '~/frame/FilesMenu.vue'
import { setField } from '#core/moves'
import { RefreshLeft, RefreshRight } from '@element-plus/icons-vue'

const emit = defineEmits<{ sums: []; find: []; keys: [] }>()
const store = useSite()
const prefs = usePrefs()
const { exportSite, exportWithPhotos, exportDays } = useFiles()

const UNITS = [
  { value: 'metric' as const, name: 'metric' },
  { value: 'us' as const, name: 'US units' },
  { value: 'imperial' as const, name: 'imperial' },
]
const savedText = computed(() =>
  store.trouble === 'elsewhere'
    ? 'changed in another tab'
    : store.trouble === 'gone'
      ? 'taken out in another tab'
      : !store.lasts
        ? 'in this tab only'
        : { saved: 'saved', unsaved: 'saving…', failed: 'not saved' }[store.saving],
)
const nextTheme = { auto: 'light', light: 'dark', dark: 'auto' } as const

/** So many saves since the last file are worth a word. */
const REMIND_AFTER = 60
const reminds = computed(() => store.lasts && store.unfiled >= REMIND_AFTER)
/** Where all is kept as it should be there is nothing to say, and what would say it is not loaded. */
const noted = computed(() => Boolean(store.trouble) || store.saving === 'failed' || !store.lasts || reminds.value)
const LazyWhereItIsKept = defineAsyncComponent(() => import('~/frame/WhereItIsKept.vue'))
/** The menu is loaded when it is first opened. */
const LazyFilesMenu = defineAsyncComponent(() => import('~/frame/FilesMenu.vue'))
const [menuAsked, menuReady] = [ref(false), ref(false)]
const LazyMoneyDialog = defineAsyncComponent(() => import('~/frame/MoneyDialog.vue'))
const money = ref(false)
function act(command: FilesCommand): void {
  if (command === 'money') money.value = true
  else if (command === 'site') exportSite()
  else if (command === 'photos') void exportWithPhotos()
  else if (command === 'days') void exportDays()
  else if (command === 'theme') prefs.theme = nextTheme[prefs.theme]
  else if (command === 'sums') emit('sums')
  else if (command === 'find') emit('find')
  else emit('keys')
}
</script>

<template>
  <header class="header">
    <h1>
      <NameField
        :value="store.site!.name"
        label="Name of the site"
        :set="name => store.make(setField('site', '', 'name', name))"
      />
    </h1>
    <span
      class="saved small"
      role="status"
      :class="store.trouble || !store.lasts ? 'wrong' : 'soft'"
      :data-saving="store.saving"
      >{{ savedText }}</span
    >
    <div class="tools">
      <ChoiceField
        class="units"
        label="Units"
        :value="store.system"
        :choices="UNITS"
        :set="units => store.make(setField('site', '', 'standards.units', units))"
      />
      <button
        type="button"
        class="tool"
        :disabled="!store.undoLabel"
        :title="store.undoLabel ? `Undo: ${store.undoLabel}` : 'Nothing to undo'"
        @click="store.undo()"
      >
        <RefreshLeft width="15" height="15" aria-hidden="true" />Undo
      </button>
      <button
        type="button"
        class="tool"
        :disabled="!store.redoLabel"
        :title="store.redoLabel ? `Redo: ${store.redoLabel}` : 'Nothing to redo'"
        @click="store.redo()"
      >
        <RefreshRight width="15" height="15" aria-hidden="true" /><span class="wide">Redo</span
        ><span class="unseen">Redo</span>
      </button>
      <button type="button" class="tool wide" @click="$emit('sums')">Sums <kbd>S</kbd></button>
      <button type="button" class="tool wide" @click="$emit('find')">Find <kbd>/</kbd></button>
      <button
        v-if="!menuReady"
        type="button"
        class="tool"
        aria-haspopup="menu"
        :aria-expanded="menuAsked"
        @click="menuAsked = true"
      >
        Files<span class="unseen"> and more</span>
      </button>
      <LazyFilesMenu v-if="menuAsked" v-show="menuReady" @vue:mounted="menuReady = true" @act="act" />
    </div>
    <LazyMoneyDialog v-if="money" v-model="money" />
    <LazyWhereItIsKept v-if="noted" :remind="reminds" />
  </header>
</template>

<style scoped>
.header {
  display: flex;
  align-items: center;
  flex-wrap: wrap;
  gap: 4px 16px;
  padding: 4px 20px;
  border-bottom: 1px solid var(--hair);
  min-height: 46px;
}
h1 {
  font-size: 18px;
  font-weight: 650;
}
.tools {
  margin-left: auto;
  display: flex;
  gap: 15px;
  align-items: center;
  font-size: 14px;
}
.tool {
  background: none;
  border: 0;
  padding: 6px 0;
  color: var(--oak);
  cursor: pointer;
  display: inline-flex;
  gap: 5px;
  align-items: center;
  font-weight: 600;
}
.tool:hover:not(:disabled) {
  text-decoration: underline;
  text-underline-offset: 4px;
}
.tool:disabled {
  color: var(--soft);
  opacity: 0.7;
  cursor: default;
  font-weight: 400;
}
.wrong {
  color: var(--rust);
  font-weight: 600;
}
@media (max-width: 700px) {
  .tool.wide,
  .wide {
    display: none;
  }
  .header {
    padding: 4px 12px;
  }
  .tool {
    padding: 10px 2px;
  }
  .tools {
    margin-left: 0;
    flex-wrap: wrap;
  }
}
</style>
