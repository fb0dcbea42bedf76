<script setup lang="ts">
import { useSite } from '~/stores/site'
import { setField } from '#core/moves'

/** The money that prices are told in: a sign or a short word, as the person writes it. */
const shown = defineModel<boolean>({ required: true })
const store = useSite()
const typed = ref(store.site!.standards.currency)
const problem = ref<string>()
const MOST_LETTERS = 12
function take(): void {
  problem.value = store.make(setField('site', '', 'standards.currency', typed.value.trim()))
  if (!problem.value) shown.value = false
}
</script>

<template>
  <el-dialog v-model="shown" title="Money" width="min(420px, 96vw)" append-to-body>
    <form @submit.prevent="take">
      <p>
        Prices are told in
        <input
          v-model="typed"
          class="typed"
          aria-label="Currency"
          :maxlength="MOST_LETTERS"
          placeholder="€, $, £, CHF …"
        />
      </p>
      <p class="soft small">
        Figures are not converted: a price is what somebody typed, or a guess of that order to be replaced by a quote.
      </p>
      <p v-if="problem" role="alert" class="quote">{{ problem }}</p>
    </form>
    <template #footer><el-button type="primary" @click="take">Use it</el-button></template>
  </el-dialog>
</template>
