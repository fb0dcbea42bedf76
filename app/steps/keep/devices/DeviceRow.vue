<script setup lang="ts">
import { useConsent } from './consent'
import { useDevices } from './devices'
import { FAILURE_CHOICES, failureOf, setFailure, standInOf, type Failure } from './standIns'
import { dayWords } from '~/fields/days'
import ChoiceField from '~/fields/ChoiceField.vue'
import NameField from '~/fields/NameField.vue'
import QuantityField from '~/fields/QuantityField.vue'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { counted } from '#core/words'
import { placeName } from '#core/keep'
import { moveOf } from '#core/moves'
import { READING_KINDS, DEVICE_KINDS, type Device } from '#core/kinds'
import type { Kind } from '#core/units'

/** One device: what it told last, how it was when it was asked, and what may be changed of it. */
const props = defineProps<{ device: Device }>()
const store = useSite()
const devices = useDevices()
const consent = useConsent()
const { show, span } = useUnits()
const state = computed(() => devices.states[props.device.id])
const row = computed(() => DEVICE_KINDS[props.device.kind])
const where = computed(() => {
  const { subject } = props.device
  return subject === undefined ? '' : placeName(store.site!, subject) || 'a place that is no longer there'
})
const own = computed(() => (store.site!.log ?? []).filter(({ source }) => source === props.device.id))
const newest = computed(() =>
  own.value.reduce<(typeof own.value)[number] | undefined>((a, b) => (!a || b.at > a.at ? b : a), undefined),
)
const told = computed(() => {
  if (props.device.kind === 'forecast') {
    const { length } = devices.promised
    return length
      ? `promises rain for ${counted(length, 'day')}, which the days to come reckon with`
      : 'promises nothing'
  }
  if (!newest.value) return 'has told nothing yet'
  const kind: Kind = READING_KINDS[row.value.tells].kind ?? 'count'
  const what = `${show(newest.value.value!, kind)} ${dayWords(newest.value.at.slice(0, 10))}`
  return `told ${what}; ${counted(own.value.length, 'line')} of it in the log`
})
const HOUR_MINUTES = 60
const clock = computed(() => {
  const slow = state.value?.slowMinutes ?? 0
  return slow
    ? `Its clock is ${span(Math.abs(slow) / HOUR_MINUTES)} ${slow > 0 ? 'behind' : 'ahead'}: its times are put right by that.`
    : ''
})
const standIn = computed(() => standInOf(props.device.address))
const failure = ref<Failure>('none')
onMounted(async () => {
  if (standIn.value) failure.value = await failureOf(standIn.value)
})
async function fail(next: Failure): Promise<void> {
  const taken = await setFailure(standIn.value!, next).catch(() => undefined)
  if (taken?.ok) failure.value = next
  await devices.ask(props.device.id)
}
const mayAsk = computed(() => consent.isGiven(store.site!.id, props.device.address))
async function allow(): Promise<void> {
  consent.give(store.site!.id, props.device.address)
  await devices.ask(props.device.id)
}
/** Whoever types an address says yes to it. */
function readdress(address: string): string | undefined {
  const problem = change({ address })
  if (!problem) consent.give(store.site!.id, address)
  return problem
}
const change = (of: Record<string, unknown>) => store.make(moveOf('changeDevice', { device: props.device.id, ...of }))
</script>

<template>
  <article class="device" :data-device="device.id" :class="{ troubled: state?.problems.length || state?.slowMinutes }">
    <p class="head">
      <b><NameField :value="device.name" label="Name of the device" :set="name => change({ name })" /></b>
      <span class="soft">{{ where }}</span>
      <span class="buttons">
        <button type="button" class="plain small" :disabled="devices.busy" @click="devices.ask(device.id)">
          Ask now
        </button>
        ·
        <button
          type="button"
          class="plain small"
          :aria-label="`Take ${device.name} out`"
          @click="store.make(moveOf('dropDevice', { device: device.id }))"
        >
          Take out
        </button>
      </span>
    </p>
    <p v-if="!mayAsk" role="alert" class="look" data-consent>
      Its address came with the site’s file: {{ consent.originOf(device.address) }}. It is asked only once you say so.
      <button type="button" class="move" @click="allow">Ask it from now on</button>
    </p>
    <p data-told>It {{ told }}.</p>
    <p v-for="problem in state?.problems" :key="problem" role="alert" class="wrong small">{{ problem }}</p>
    <p v-if="clock" class="look small">{{ clock }}</p>
    <p v-if="state?.quiet && own.length" class="soft small">Asked just now it had nothing new.</p>
    <p class="small">
      Asked every
      <QuantityField
        label="Asked every so many minutes"
        kind="count"
        :value="device.everyMinutes"
        :set="everyMinutes => change({ everyMinutes })"
      />
      minutes at
      <NameField :value="device.address" label="Address of the device" :set="readdress" />
      <template v-if="device.kind === 'level'">
        · looks down on the water from
        <QuantityField
          label="How high it hangs over the floor"
          kind="length"
          :value="device.hangsAtM"
          empty="nowhere"
          :set="hangsAtM => change({ hangsAtM })"
        />
        <template v-if="device.hangsAtM"> over the floor</template><template v-else>: it tells the level</template>
      </template>
    </p>
    <p v-if="standIn" class="small stand">
      Stand-in: it
      <ChoiceField label="How the device does" :value="failure" :choices="[...FAILURE_CHOICES]" :set="fail" />
      <template v-if="failure !== 'none'"> (for twelve days)</template>
    </p>
  </article>
</template>

<style scoped>
.device {
  border-top: 1px solid var(--hair);
  padding: 8px 0 10px 10px;
  border-left: 3px solid var(--moss);
  margin-bottom: 4px;
}
.device.troubled {
  border-left: 6px double var(--rust);
}
p {
  margin: 0 0 4px;
}
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: baseline;
}
.buttons {
  margin-left: auto;
}
.look {
  color: var(--straw);
}
.small :deep(.name) {
  max-width: min(100%, 420px);
}
.stand {
  color: var(--soft);
}
</style>
