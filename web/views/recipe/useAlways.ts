import { computed, type Ref } from 'vue'
import { v4 as uuid } from 'uuid'
import type { StoredDog } from '@contract'
import { anySkin, NO_WAY, skinMap, type Way, type HouseHabit, type Skin } from '@core/dog'
import { choicesOf, hasChoice, withChoice, withoutChoice, wayOf, type OwnChoice, type Today } from '@core/visit'
import { dogs } from '../../api/dogs'
import { changeHouse } from '../../api/house'
import { useTell } from '../../parts/useTell'
import { useRoom } from '../../stores/room'

/** For how long a choice holds: this visit, always for the dog, or in the house whenever a skin is met or on every such coat. */
export type Holds = 'once' | 'dog' | 'coat' | `skin ${Skin}`

/** A choice that stands in today's recipe, and for how long it holds. */
export interface StandingChoice {
  choice: OwnChoice
  holds: Holds
}

/** Whether a habit is met today. */
const isMet = (h: HouseHabit, coat: string, skin: readonly Skin[]) =>
  (h.skin === null || skin.includes(h.skin)) && (h.coat === null || h.coat === coat)

/**
 * What of a recipe is the groomer's own, for how long each holds, and keeping it for longer: on the dog's record or
 * as a habit of the house. What is always done and was left away this time is told apart.
 */
export function useAlways(stored: Ref<StoredDog | undefined>, today: Ref<Today | undefined>) {
  const room = useRoom()
  const { busy, problem, tell } = useTell()

  const way = computed(() => (today.value ? wayOf(today.value) : NO_WAY))
  const usual = computed<Way>(() => stored.value?.record.usual ?? NO_WAY)
  const skin = computed(() => (today.value ? anySkin(skinMap(today.value)) : []))
  const habits = computed(() =>
    (room.house?.habits ?? []).filter((h) => stored.value && isMet(h, stored.value.record.coat, skin.value)),
  )

  const here = computed(() =>
    choicesOf(way.value).map((choice): StandingChoice => ({
      choice,
      holds: hasChoice(usual.value, choice) ? 'dog' : 'once',
    })),
  )
  /** What is always this dog's way and isn't taken today. */
  const leftAway = computed(() =>
    choicesOf(usual.value).filter((c) => !choicesOf(way.value).some((now) => now.key === c.key)),
  )
  /** Habits of the house that hold today, each with what it does. */
  const byHouse = computed(() =>
    habits.value.flatMap((habit) =>
      choicesOf(habit.way)
        .filter((c) => !choicesOf(way.value).some((now) => now.key === c.key))
        .map((choice) => ({ habit, choice, off: today.value!.notThisTime.includes(habit.id) })),
    ),
  )

  /** Changes the dog's record as it stands on the server now. */
  const changeDog = (change: (usual: Way) => Way) =>
    tell(async () => {
      const { id, version, record } = await dogs.get(stored.value!.id)
      const now = change(record.usual ?? NO_WAY)
      const none = choicesOf(now).length === 0
      stored.value = await dogs.change(id, version, { ...record, usual: none ? null : now })
    })
  const changeHabits = (change: (habits: HouseHabit[]) => HouseHabit[]) =>
    tell(async () => {
      await changeHouse((house) => ({ ...house, habits: change(house.habits) }))
      await room.load()
    })

  /** Keeps a choice for as long as `holds` says. */
  async function hold(choice: OwnChoice, holds: Holds) {
    if (holds === 'dog') return changeDog((u) => withChoice(u, choice))
    if (hasChoice(usual.value, choice) && !(await changeDog((u) => withoutChoice(u, choice.key)))) return
    if (holds === 'once') return
    const met = holds.startsWith('skin ') ? (holds.slice(5) as Skin) : null
    const coat = holds === 'coat' ? stored.value!.record.coat : null
    await changeHabits((list) => [
      ...list.filter((h) => !(h.skin === met && h.coat === coat && choicesOf(h.way)[0]?.key === choice.key)),
      { id: uuid(), skin: met, coat, way: withChoice(NO_WAY, choice) },
    ])
  }
  const forget = (choice: OwnChoice) => changeDog((u) => withoutChoice(u, choice.key))
  const dropHabit = (id: string) => changeHabits((list) => list.filter((h) => h.id !== id))

  return { here, leftAway, byHouse, skin, problem, busy, hold, forget, dropHabit }
}
