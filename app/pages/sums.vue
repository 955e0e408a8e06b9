<script setup lang="ts">
import { onBeforeUnmount, ref, watch } from 'vue'
import { useHead, useRoute } from '#app'
import { inReadersFigures } from '~/figures/format'
import PageHead from '~/shell/PageHead.vue'
import TakeOn from '~/sums/TakeOn.vue'
import SumsNode from '~/sums/SumsNode.vue'
import SumsTree from '~/sums/SumsTree.vue'
import SumsTried from '~/sums/SumsTried.vue'
import { useSums } from '~/sums/sumsStore'
import { AGREE_BY } from '~~/core/addingUp/agreement/ways'
import { AGREEMENT_NAMES } from '~~/core/addingUp/tried'

/** Series added up: their forecasts beside those of the sums, and made to agree. */
useHead({ title: 'Added up · Elvant' })
const sums = useSums()
const route = useRoute()

/** A group stands in the address; the ids of a selection stay with the page, and are not there where only its address is opened. */
const isLost = ref(false)
watch(
  () => route.fullPath,
  () => {
    const { group, these } = route.query
    const ids: unknown = history.state?.ids
    isLost.value = these !== undefined && !Array.isArray(ids)
    if (isLost.value) return
    const chosen = these === undefined ? {} : { ids: ids as string[] }
    void sums.add(typeof group === 'string' ? { group } : chosen)
  },
  { immediate: true },
)
onBeforeUnmount(() => sums.stop())
</script>

<template>
  <PageHead>
    <template #actions><v-btn to="/">To the shelf</v-btn></template>
  </PageHead>
  <main class="list-page">
    <div class="title-line">
      <h1 class="serif">Added up</h1>
      <p v-if="sums.added" class="muted count">
        {{ sums.nodes[0]!.name }}: {{ sums.nodes[0]!.series.length }} series,
        {{ sums.added.ahead.length }} periods ahead, in {{ sums.added.unit || 'no stated unit' }}
      </p>
    </div>
    <div v-if="isLost" class="empty">
      <p class="serif lead">Which series?</p>
      <p>
        A selection is not part of an address. Choose the series on the shelf again, or a group.
      </p>
      <v-btn to="/" variant="flat">To the shelf</v-btn>
    </div>
    <div v-else-if="sums.state === 'working'" role="status" class="under-way">
      <v-progress-circular indeterminate size="18" width="2" aria-hidden="true" />
      Forecasting every series and every sum, now and from a dozen origins…
      <v-btn @click="sums.stop()">Stop</v-btn>
    </div>
    <div v-else-if="sums.state === 'failed'" role="alert">
      <p>{{ inReadersFigures(sums.failure) }}</p>
      <v-btn variant="flat" @click="sums.again()">Try again</v-btn>
      <v-btn to="/">To the shelf</v-btn>
    </div>
    <template v-else-if="sums.added">
      <div class="ways" role="group" aria-label="How forecasts are made to add up">
        <span class="muted">made to add up</span>
        <v-btn
          v-for="by in AGREE_BY"
          :key="by"
          :aria-pressed="sums.by === by"
          @click="sums.by = by"
        >
          {{ AGREEMENT_NAMES[by] }}
        </v-btn>
        <TakeOn />
        <span class="save muted">
          Save as
          <v-btn color="accent" @click="sums.save('csv')">CSV</v-btn>
          <v-btn color="accent" @click="sums.save('xlsx')">XLSX</v-btn>
        </span>
      </div>
      <p v-if="sums.added.tried" class="says">{{ inReadersFigures(sums.added.tried.says) }}</p>
      <p v-if="sums.added.told.length > 0" class="muted">
        {{ inReadersFigures(sums.added.told.join(' ')) }}
      </p>
      <div class="both">
        <div class="rows-frame"><SumsTree /></div>
        <SumsNode class="beside" />
      </div>
      <h2 v-if="sums.added.tried" class="serif">Which would have been nearest</h2>
      <div v-if="sums.added.tried" class="rows-frame"><SumsTried :tried="sums.added.tried" /></div>
      <p class="muted small">
        From below: forecasts of series, added up. From above: the forecast of the total, shared out
        as forecasts are to each other. By least squares: as near to all own forecasts as can be,
        the certain ones kept the most;
        {{
          sums.added.weights.kind === 'errors'
            ? 'how certain each is, its errors at earlier origins say.'
            : 'there are too few errors to say how certain each is, so it counts how many series are in it.'
        }}
      </p>
      <template v-if="sums.added.leftOut.length > 0">
        <h2 class="serif">Left out</h2>
        <ul>
          <li v-for="(one, i) in sums.added.leftOut" :key="i">
            {{ one.name.slice(0, 200) }}: {{ inReadersFigures(one.because) }}
          </li>
        </ul>
      </template>
    </template>
  </main>
</template>

<style scoped>
.under-way {
  display: flex;
  gap: 10px;
  align-items: center;
}

.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}

.save {
  margin-left: auto;
}

.says {
  margin: 12px 0 4px;
}

.both {
  display: flex;
  gap: 32px;
  align-items: flex-start;
  margin: 12px 0 24px;
}

.rows-frame {
  flex: 1 1 auto;
  min-width: 0;
}

.beside {
  position: sticky;
  top: 12px;
  flex: 0 0 360px;
}

ul {
  margin: 0;
  padding-left: 20px;
}

h2 {
  margin: 20px 0 8px;
  font-size: 17px;
}

@media (width < 1130px) {
  .both {
    flex-direction: column;
  }

  .rows-frame {
    width: 100%;
  }

  .beside {
    position: static;
    flex: none;
    width: 100%;
    max-width: 560px;
  }
}
</style>
