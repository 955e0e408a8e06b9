<script setup lang="ts">
import { computed, watch } from 'vue'
import { onePeriod } from '~~/core/calendar/labels'
import { TRIED_COLUMNS } from '~~/core/beside/beside'
import NumberField from '../../controls/NumberField.vue'
import OriginStepper from '../../figures/OriginStepper.vue'
import { useBench } from '../../study/benchStore'
import { useLedger } from '../../view/ledgerStore'
import { useSelection } from '../../view/selectionStore'
import { useCheck } from '../../check/checkStore'

/** Which forecast is looked at, how far ahead is checked, and how many periods are hidden. */
const bench = useBench()
const check = useCheck()
const ledger = useLedger()
const selection = useSelection()

const per = computed(() => onePeriod(bench.series!.calendar))
const plan = computed(() => check.checked?.plan ?? null)
const periods = computed(() => ledger.lastActual - ledger.firstT + 1)
const origin = computed(() => (check.tried ? ledger.labelAt(check.tried.origin) : ''))

/** The selected cell chooses the origin, except where it reads what the present one forecast. */
watch(
  () => selection.selected,
  (cell) => {
    if (cell && !TRIED_COLUMNS.includes(cell.column)) check.chosen = cell.t
  },
)
/** The pointer over a strip goes through the origins as long as it is there. */
watch(
  () => selection.pointed,
  (t) => (check.hovered = t),
)

function changeRolling(part: { horizon?: number }) {
  const { rolling, ...rest } = bench.method.check ?? {}
  void bench.changePart({ check: { ...rest, rolling: { ...rolling, ...part } } })
}

async function changeHoldout(holdout: number) {
  await bench.changePart({ check: { ...bench.method.check, holdout } })
}
</script>

<template>
  <p class="line">
    <span class="pair">
      <v-btn class="small" :aria-pressed="check.shows === 'tries'" @click="check.shows = 'tries'">
        forecasts then
      </v-btn>
      <v-btn class="small" :aria-pressed="check.shows === 'fitted'" @click="check.shows = 'fitted'">
        fitted
      </v-btn>
    </span>
    <template v-if="plan && check.shows === 'tries'">
      <OriginStepper :origin="origin" :keys="['[', ']']" @step="check.step($event)" />
      <span class="pair">
        <NumberField
          :model-value="plan.rolling.horizon"
          :label="`${per}s ahead`"
          :least="1"
          :most="periods - 1"
          @update:model-value="changeRolling({ horizon: $event })"
        />
        {{ per }}s ahead
      </span>
      <span class="pair">
        <v-btn class="small" @click="check.holdOut()">hide the last</v-btn>
        <NumberField
          :model-value="plan.holdout"
          :label="`${per}s hidden`"
          :least="1"
          :most="periods - 1"
          @update:model-value="changeHoldout"
        />
        {{ per }}s
      </span>
    </template>
    <span v-else-if="check.shows === 'tries'" class="muted">{{ check.line }}</span>
  </p>
</template>
