<script setup lang="ts">
import { dayToday } from '~/fields/days'
import { listed } from '#core/words'
import { useSite } from '~/stores/site'
import { cardCautions, yearCard } from '#core/keep'

/** The year's card for the shed door: twelve months, each with what comes round in it and a box to tick. */
const store = useSite()
const months = computed(() => yearCard(store.site!, store.site!.log ?? [], dayToday()))
const cautions = computed(() => cardCautions(store.site!))
const monthName = (from: string): string =>
  new Date(`${from}T12:00:00`).toLocaleDateString('en-GB', { month: 'long', year: 'numeric' })
</script>

<template>
  <div class="year" data-year-card>
    <h2 class="paper">{{ store.site!.name }}: the year’s chores</h2>
    <div class="months">
      <section v-for="{ from, chores } in months" :key="from">
        <h4>{{ monthName(from) }}</h4>
        <p v-for="chore in chores" :key="chore.ids[0]">
          <span class="box" aria-hidden="true">☐</span> {{ chore.what
          }}<template v-if="chore.also.length">; also {{ listed(chore.also) }}</template>
          <span class="soft small">{{ chore.minutes }} min</span>
        </p>
        <p v-if="!chores.length" class="soft small">Nothing.</p>
      </section>
    </div>
    <p v-for="caution in cautions" :key="caution" class="small">{{ caution }}</p>
  </div>
</template>

<style scoped>
.months {
  columns: 3 220px;
  column-gap: 18px;
}
section {
  break-inside: avoid;
  border-top: 2px solid var(--ink);
  margin: 0 0 12px;
}
h4 {
  font: 600 15px var(--heading, inherit);
  margin: 4px 0;
}
p {
  margin: 0 0 3px;
  font-size: 13px;
  line-height: 1.35;
  padding-left: 18px;
  text-indent: -18px;
}
.paper {
  display: none;
}
@media print {
  .paper {
    display: block;
  }
  .months {
    columns: 3;
  }
}
</style>
