<script setup lang="ts">
import { computed } from 'vue'
import { inReadersFigures } from '~/figures/format'
import { memberChoices, type MemberChoice } from '~~/core/contest/members'
import { FEWEST_MEMBERS, MOST_MEMBERS } from '~~/core/forecast/combination/options'
import { usePins } from '../../pins/pinStore'
import { useBench } from '../../study/benchStore'
import { useTriedChange } from '../../controls/triedChange'

/** The methods that are combined: the usual ones and the pinned ones, each taken or not. */
const bench = useBench()
const pins = usePins()
const { problem, change: tryChange } = useTriedChange()

const choices = computed(() =>
  memberChoices(
    bench.series!,
    bench.method,
    pins.pins.map(({ document }) => document),
  ),
)
const count = computed(() => choices.value.filter(({ chosen }) => chosen).length)

function isHeld({ chosen }: MemberChoice): boolean {
  return chosen ? count.value <= FEWEST_MEMBERS : count.value >= MOST_MEMBERS
}

function toggle(choice: MemberChoice) {
  const of = choices.value
    .filter((one) => (one === choice ? !one.chosen : one.chosen))
    .map(({ member }) => member)
  tryChange({ forecast: { of } })
}
</script>

<template>
  <div class="members">
    <p class="muted small">
      Each forecasts for itself; {{ FEWEST_MEMBERS }} to {{ MOST_MEMBERS }} of them are combined.
      Pin any other method to have it here.
    </p>
    <v-checkbox-btn
      v-for="choice in choices"
      :key="choice.name"
      :model-value="choice.chosen"
      :label="inReadersFigures(choice.name)"
      :disabled="isHeld(choice)"
      @update:model-value="toggle(choice)"
    />
    <p v-if="problem" class="refused" role="alert">{{ inReadersFigures(problem) }}</p>
  </div>
</template>

<style scoped>
.members {
  max-width: 520px;
  padding: 10px 16px;
}

p {
  margin: 0 0 4px;
}

.refused {
  color: var(--danger);
}
</style>
