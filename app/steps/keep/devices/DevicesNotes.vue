<script setup lang="ts">
import DeviceRow from './DeviceRow.vue'
import { useConsent } from './consent'
import { useDevices } from './devices'
import { standInAddress } from './standIns'
import ChoiceField from '~/fields/ChoiceField.vue'
import { useSite } from '~/stores/site'
import { placesFor } from '#core/keep'
import { moveOf } from '#core/moves'
import { DEVICE_KIND_IDS, DEVICE_KINDS, type DeviceKind } from '#core/kinds'

/** What tells readings by itself: added, asked, looked at, taken out. */
const store = useSite()
const devices = useDevices()
const consent = useConsent()
const kind = ref<DeviceKind>('level')
const kinds = DEVICE_KIND_IDS.map(id => ({ value: id, name: DEVICE_KINDS[id].name }))
const fits = computed(() =>
  'of' in DEVICE_KINDS[kind.value]
    ? placesFor(store.site!, DEVICE_KINDS[kind.value].tells).map(({ id, name }) => ({ value: id, name }))
    : [],
)
const chosen = ref('')
const subject = computed(() =>
  fits.value.some(({ value }) => value === chosen.value) ? chosen.value : (fits.value[0]?.value ?? ''),
)
const problem = ref<string>()
async function add(): Promise<void> {
  const of = DEVICE_KINDS[kind.value]
  const at = 'of' in of ? subject.value : undefined
  if ('of' in of && !at) {
    problem.value = `There is no ${of.of === 'tank' ? 'tank' : 'line'} yet for a ${of.name} to stand at.`
    return
  }
  const address = standInAddress(store.site!, kind.value, at)
  consent.give(store.site!.id, address)
  problem.value = store.make(moveOf('addDevice', { kind: kind.value, address, ...(at ? { subject: at } : {}) }))
  if (!problem.value) await devices.askDue()
}
</script>

<template>
  <section data-notes="devices">
    <h2>Devices</h2>
    <p class="soft">
      What tells readings by itself. Each is asked at its address, as JSON or as a table; its lines stand in the log
      with its name, and what is not believed is marked and kept.
    </p>
    <DeviceRow v-for="device in store.site!.devices" :key="device.id" :device="device" />
    <p v-if="store.site!.devices?.length" class="moves">
      <button type="button" class="move" data-ask-all :disabled="devices.busy" @click="devices.ask()">
        {{ devices.busy ? 'Asking …' : 'Ask all of them now' }}
      </button>
    </p>
    <p class="add">
      Add a
      <ChoiceField label="Kind of device" :value="kind" :choices="kinds" :set="value => void (kind = value)" />
      <template v-if="fits.length">
        at
        <ChoiceField
          label="Where it stands"
          :value="subject"
          :choices="fits"
          :set="value => void (chosen = value)"
        /> </template
      >:
      <button type="button" class="move" data-add-device @click="add">Put its stand-in up</button>
    </p>
    <p v-if="problem" role="alert" class="wrong">{{ problem }}</p>
    <p class="soft small">
      A stand-in ships with the app and plays a made-up household. For a real device type its own address afterwards;
      what it must answer stands in the documentation.
    </p>
  </section>
</template>

<style scoped>
.add {
  line-height: 2;
}
</style>
