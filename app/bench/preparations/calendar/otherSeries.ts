import { computed, shallowRef } from 'vue'
import { api } from '~/api/client'
import { take } from '~/shelf/applying'
import { useTakingMany } from '~/shelf/takingMany'
import { isSameList, withListGiven, type DateList } from '~~/core/prepare/calendar/byHand'
import type { MethodDocument } from '~~/core/method'
import type { KeptDateList } from '~~/shared/api/dateLists'
import type { Study } from '~~/shared/api/studies'

/** A method keeps its own dates; a list that several series share is given to all of them at once. */
export function useListOfOthers(list: () => DateList, studyId: () => string) {
  const known = shallowRef<readonly KeptDateList[]>([])
  const { isUnderWay, failure, takeEach } = useTakingMany()

  async function look() {
    known.value = await api<KeptDateList[]>('/date-lists').catch(() => [])
  }
  void look()

  /** Studies of other series that have a list of this name with other dates. */
  const others = computed(() => [
    ...new Set(
      known.value
        .filter((one) => one.name === list().name && !isSameList(one, list()))
        .flatMap(({ studies }) => studies)
        .filter((id) => id !== studyId()),
    ),
  ])

  async function give() {
    const own = list()
    await takeEach(
      others.value,
      async (id) => {
        const study = await api<Study>(`/studies/${id}`)
        const method = study.method as MethodDocument
        const calendar = withListGiven(method, own)
        return take({ study }, calendar ? { ...method, calendar } : method)
      },
      (count) =>
        `${count === 1 ? 'One other method has' : `${count} other methods have`} these dates of ${own.name} now.`,
      () => void look(),
    )
  }

  return { others, isUnderWay, failure, give }
}
