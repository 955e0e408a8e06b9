<script setup lang="ts">
import { ref } from 'vue'
import { inReadersFigures } from '~/figures/format'
import { api } from '~/api/client'
import { useNotices } from '~/shell/noticeStore'
import type { TakeOnRow } from '~~/shared/api/derived'
import type { ShelfRow } from '~~/shared/api/series'
import { useBench } from '../study/benchStore'

/** Makes a calculated row a series of its own, which the server calculates anew whenever the values change. */
const props = defineProps<{ row: TakeOnRow['row'] }>()
const bench = useBench()
const notices = useNotices()
const isTaking = ref(false)

async function take() {
  isTaking.value = true
  try {
    // What the server has not heard of yet it could not calculate with.
    await bench.save()
    const { seriesId } = bench.study!
    const body = { row: props.row, method: bench.method }
    const { id, name, studyId } = await api<ShelfRow>(`/series/${seriesId}/rows`, {
      method: 'POST',
      body,
    })
    notices.show({
      text: `“${name.slice(0, 120)}” is a series of its own now, and follows these values.`,
      link: { to: `/study/${studyId}`, text: 'Open it' },
      undo: () => api('/series/acts', { method: 'POST', body: { act: 'discard', ids: [id] } }),
    })
  } catch (error) {
    notices.show({ text: inReadersFigures((error as Error).message) })
  } finally {
    isTaking.value = false
  }
}
</script>

<template>
  <v-btn
    variant="plain"
    color="accent"
    class="take"
    data-tip="The whole row becomes a series on the shelf; when these values change, it follows"
    :disabled="isTaking"
    @click="take"
  >
    {{ isTaking ? 'taking it on…' : 'take the row on as a series' }}
  </v-btn>
</template>

<style scoped>
.take {
  height: auto;
  min-height: 0;
  padding: 0;
  font-size: inherit;
}
</style>
