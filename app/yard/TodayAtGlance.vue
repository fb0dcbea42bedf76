<script setup lang="ts">
import { dayToday, dayWords } from '~/fields/days'
import { useYard } from '~/stores/yard'
import { phraseText } from '#core/words'
import { showVolume, type System } from '#core/units'
import type { Glance } from '#core/keep'
import type { StoredHead } from '~/db/repository'

/** A site as it stands today, where it has a log: what it holds, when it runs short, what is due, what looks odd. */
const props = defineProps<{ entry: StoredHead; system: System }>()
const yard = useYard()
const glance = shallowRef<Glance>()
const failed = ref(false)
watch(
  () => props.entry.changedAt,
  async () => {
    failed.value = false
    glance.value = await yard.glanceAt(props.entry.id, dayToday()).catch(() => {
      failed.value = true
      return undefined
    })
  },
  { immediate: true },
)
const litres = (value: number) => showVolume(value, props.system).text
const share = computed(() => glance.value && Math.round((100 * glance.value.heldL) / Math.max(1, glance.value.capL)))
const lasts = computed(() => {
  const { runOut, isRead } = glance.value!
  const { p10, p50 } = runOut
  if (!isRead) return 'by the plan, nobody has read a level yet'
  if (p50) return `runs short, most likely, ${dayWords(p50)}`
  return p10 ? `one chance in ten that it runs short before ${dayWords(p10)}` : 'lasts the year'
})
</script>

<template>
  <p v-if="glance" class="small today" data-glance>
    <NuxtLink :to="`/site/${entry.id}/keep`">Today</NuxtLink>
    <meter :value="share" max="100" :aria-label="`Held: ${share} %`" />
    <span class="figure">{{ litres(glance.heldL) }}</span>, {{ share }} %; {{ lasts
    }}<template v-if="glance.due">; {{ glance.due }} {{ glance.due === 1 ? 'chore' : 'chores' }} due</template>.
    <span v-if="glance.odd" class="odd">{{ phraseText(glance.odd, system) }}.</span>
  </p>
  <p v-else-if="failed" class="small soft">What its log says today could not be worked out; open it to see why.</p>
</template>

<style scoped>
.today {
  border-top: 1px solid var(--hair);
  padding-top: 6px;
  margin: 4px 0;
}
a {
  color: var(--oak);
  font-weight: 600;
}
meter {
  width: 54px;
  height: 9px;
  margin: 0 4px;
  border-radius: 3px;
  background: var(--field);
}
meter::-webkit-meter-bar {
  background: var(--field);
  border: 1px solid var(--hair);
  border-radius: 3px;
  height: 9px;
}
meter::-webkit-meter-optimum-value {
  background: var(--water-deep);
}
.odd {
  display: block;
  border-left: 3px double var(--rust);
  padding-left: 6px;
  margin-top: 4px;
}
</style>
