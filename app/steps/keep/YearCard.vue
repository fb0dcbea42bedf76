<script setup lang="ts">
import { dayToday } from '~/fields/days'
import { choreWords, monthName } from './yearCardWords'
import { useSite } from '~/stores/site'
import { cardCautions, yearCard } from '#core/keep'

/** The year's card for the shed door: twelve months, each with what comes round in it and a box to tick. */
const store = useSite()
const card = computed(() => yearCard(store.site!, store.site!.log ?? [], dayToday()))
const cautions = computed(() => cardCautions(store.site!))
</script>

<template>
  <div class="year" data-year-card>
    <h2 class="paper">{{ store.site!.name }}: the year’s chores</h2>
    <section v-if="card.monthly.length" class="monthly">
      <h4>Every month</h4>
      <p v-for="chore in card.monthly" :key="chore.ids[0]">
        {{ choreWords(chore) }} <span class="boxes" aria-hidden="true">{{ '☐'.repeat(12) }}</span>
      </p>
    </section>
    <div class="months">
      <section v-for="{ from, chores } in card.months" :key="from">
        <h4>{{ monthName(from) }}</h4>
        <p v-for="chore in chores" :key="chore.ids[0]">
          <span class="box" aria-hidden="true">☐</span> {{ choreWords(chore) }}
        </p>
        <p v-if="!chores.length" class="soft small">Nothing else.</p>
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
.boxes {
  letter-spacing: 3px;
  white-space: nowrap;
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
