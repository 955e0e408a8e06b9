<script setup lang="ts">
import { computed } from 'vue'
import { formatDecimals } from '~/figures/format'
import TermWord from '~/shell/TermWord.vue'
import { eventAt, eventChange } from '~~/core/forecast/regression/eventChange'
import type { Result } from '~~/core/result'
import { useBench } from '../../study/benchStore'
import { useLedger } from '../../view/ledgerStore'
import { useSelection } from '../../view/selectionStore'

/** The periods that sway the regression the most, each a click from being left out or made an event. */
const props = defineProps<{ result: Result }>()
const bench = useBench()
const ledger = useLedger()
const selection = useSelection()
const periods = computed(() =>
  props.result.regression!.influence.map((one) => ({
    ...one,
    label: ledger.labelAt(one.t),
    code: ledger.codeAt(one.t)!,
    event: eventAt(props.result.method.forecast, ledger.codeAt(one.t)!)?.name,
  })),
)

function leaveOut(period: string) {
  void bench.adjust([{ period, value: null, reason: 'sways the regression' }])
}

function makeEvent(name: string, from: string) {
  void bench.changePart(eventChange(props.result.method.forecast, { name, from }))
}
</script>

<template>
  <section class="working-part">
    <h3>Periods that sway it most</h3>
    <v-table class="working-table">
      <thead>
        <tr class="head">
          <th scope="col">period</th>
          <th scope="col" class="number"><TermWord of="leverage" /></th>
          <th scope="col" class="number"><TermWord of="cook" /></th>
        </tr>
      </thead>
      <tbody v-for="one in periods" :key="one.t">
        <tr>
          <th scope="row">
            <v-btn
              variant="plain"
              class="go"
              @click="selection.moveTo({ column: 'residual', t: one.t })"
            >
              {{ one.label }}
            </v-btn>
          </th>
          <td class="number">{{ formatDecimals(one.leverage, 3) }}</td>
          <td class="number">{{ formatDecimals(one.cook, 3) }}</td>
        </tr>
        <tr>
          <td colspan="3" class="acts">
            <span v-if="one.event" class="muted">in the event {{ one.event }}</span>
            <template v-else>
              <v-btn variant="plain" class="go" @click="leaveOut(one.code)">leave it out</v-btn>
              <v-btn variant="plain" class="go" @click="makeEvent(one.label, one.code)">
                make it an event
              </v-btn>
            </template>
          </td>
        </tr>
      </tbody>
    </v-table>
  </section>
</template>

<style scoped>
.acts {
  padding-top: 0 !important;
  padding-left: 0 !important;
}

.acts .go + .go {
  margin-left: 8px;
}
</style>
