<script setup lang="ts">
import { watch } from 'vue'
import type { GivenModel } from '~~/core/arima/orderOptions'
import type { Result } from '~~/core/result'
import { useBench } from '../../study/benchStore'
import { modelChange } from './modelChange'
import ModelReport from './ModelReport.vue'
import ModelResiduals from './ModelResiduals.vue'
import OrdersBeside from './OrdersBeside.vue'
import SeenModels from './SeenModels.vue'
import { useSeenModels } from './seenStore'
import type { ShownModel } from './shown'
import TriedModels from './TriedModels.vue'

/** A model with all that is read beside it: orders and what the differences suggest, coefficients, other models, residuals. */
const props = defineProps<{ shown: ShownModel; result: Result }>()
const bench = useBench()
const seenModels = useSeenModels()
watch(() => props.shown, seenModels.look, { immediate: true })

function take(model: GivenModel) {
  void bench.changePart(modelChange(props.shown.part, model))
}
</script>

<template>
  <div>
    <OrdersBeside :shown="shown" />
    <section class="working-part">
      <ModelReport :shown="shown" :result="result" />
      <TriedModels v-if="shown.model.chosen" :models="shown.model.chosen.tried" @take="take" />
      <SeenModels :rows="seenModels.rowsOf(shown.part)" @take="take" />
    </section>
    <ModelResiduals :shown="shown" :result="result" />
  </div>
</template>
