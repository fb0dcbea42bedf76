<script setup lang="ts">
import HarvestTable from './HarvestTable.vue'
import LongList from '~/fields/LongList.vue'
import SumFigure from '~/fields/SumFigure.vue'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { roofYield } from '#core/sums'
import { lossSchool, meanYearYieldInput, type Roof } from '#core/site'
import { setField } from '#core/moves'
import { LOSS_SCHOOL_IDS, LOSS_SCHOOLS, type LossSchoolId } from '#core/catalog'

/** Three ways to reckon what a roof loses, side by side, and which one the plan uses. */
const store = useSite()
const { litres } = useUnits()
const site = computed(() => store.site!)
const used = computed(() => lossSchool(site.value))
const roofOf = ({ id }: Roof) => id
const gives = (roof: Roof, school: LossSchoolId) => roofYield(meanYearYieldInput(site.value, roof, school)).volumeL
const total = (school: LossSchoolId) => site.value.roofs.reduce((sum, roof) => sum + gives(roof, school), 0)
const choose = (school: LossSchoolId) =>
  store.make(setField('site', '', 'standards.losses', school === 'events' ? undefined : school))
</script>

<template>
  <h2>What the roofs lose: three schools</h2>
  <table class="compare">
    <thead>
      <tr>
        <th scope="col">In a mean year</th>
        <th v-for="school in LOSS_SCHOOL_IDS" :key="school" scope="col">
          <button type="button" class="plain" :aria-pressed="school === used" @click="choose(school)">
            {{ LOSS_SCHOOLS[school].short }}
          </button>
        </th>
      </tr>
    </thead>
    <tbody>
      <LongList v-slot="{ item: roof }" :items="site.roofs" :key-of="roofOf">
        <tr>
          <th scope="row">{{ roof.name }}</th>
          <td v-for="school in LOSS_SCHOOL_IDS" :key="school" :class="{ on: school === used }">
            <SumFigure name="roof-yield" :input="meanYearYieldInput(site, roof, school)">{{
              litres(gives(roof, school))
            }}</SumFigure>
          </td>
        </tr>
      </LongList>
      <tr v-if="site.roofs.length > 1">
        <th scope="row">Together</th>
        <td v-for="school in LOSS_SCHOOL_IDS" :key="school" class="figure" :class="{ on: school === used }">
          {{ litres(total(school)) }}
        </td>
      </tr>
    </tbody>
  </table>
  <p class="small soft">
    The plan reckons {{ LOSS_SCHOOLS[used].short }}: {{ LOSS_SCHOOLS[used].name }}. Gutter spill, screens and first
    flush come off after that.
  </p>
  <HarvestTable />
</template>

<style scoped>
.compare {
  font-size: inherit;
  margin: 4px 0;
}
.compare th,
.compare td {
  padding-right: 22px;
}
th button[aria-pressed='true']::before {
  content: '✓ ';
}
</style>
