<script setup lang="ts">
import { usePins } from './usePins'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { moveOf } from '#core/moves'
import { PIN_KIND, pinName } from '#core/site'

/** Readings that are pinned where they are taken: what each shows now, and what it should show once that is kept. */
const store = useSite()
const { pins, pinning, problem } = usePins()
const { show } = useUnits()
</script>

<template>
  <div class="pins" data-notes="pins">
    <h3>Pinned</h3>
    <ul>
      <li v-for="{ pin, now } in pins" :key="pin.id" :data-pin="pin.id">
        {{ pinName(store.site!, pin) }}
        <b class="figure">{{ now === undefined ? 'nothing there' : show(now, PIN_KIND[pin.reads]) }}</b>
        <span v-if="pin.shows !== undefined" class="soft"> should be {{ show(pin.shows, PIN_KIND[pin.reads]) }}</span>
        <br />
        <button
          v-if="now !== undefined"
          type="button"
          class="plain small"
          @click="store.make(moveOf('keepReading', { pin: pin.id, shows: now }))"
        >
          So it should show
        </button>
        ·
        <button type="button" class="plain small" @click="store.make(moveOf('dropPin', { pin: pin.id }))">
          Take it out
        </button>
      </li>
    </ul>
    <button type="button" class="plain" data-do="pin" :aria-pressed="pinning" @click="pinning = !pinning">
      {{ pinning ? 'Pick a line, a tap or a tank in the Section, or stop' : 'Pin a reading in the Section' }}
    </button>
    <p v-if="problem" role="alert" class="wrong small">{{ problem }}</p>
  </div>
</template>

<style scoped>
h3 {
  margin: 10px 0 4px;
}
ul {
  list-style: none;
  padding: 0;
  margin: 0;
  font-size: 14px;
  line-height: 1.45;
}
li {
  padding: 3px 0;
  border-bottom: 1px dotted var(--hair);
}
button {
  text-align: left;
}
</style>
