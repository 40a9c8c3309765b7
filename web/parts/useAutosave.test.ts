/** @jest-environment jsdom */
import { jest } from '@jest/globals'
import { effectScope, nextTick, ref } from 'vue'
import { z } from 'zod'
import { METRIC_SAY } from '@words'
import { ApiProblem } from '../api/client'
import { closeDevice, device } from '../device/device'
import { soundOver, useAutosave } from './useAutosave'
import { copyOf } from './useEdits'

const Room = z.object({ name: z.string().min(1), towels: z.number().int().min(0).max(99), tables: z.number() })
type Room = z.infer<typeof Room>
const ROOM: Room = { name: 'Room', towels: 20, tables: 1 }

/** The server: what it has of the room, and whether it can be reached. */
let server: { version: number; record: Room }
let reached: boolean
let scope: ReturnType<typeof effectScope>

beforeEach(() => {
  jest.useFakeTimers()
  closeDevice()
  server = { version: 1, record: ROOM }
  reached = true
  scope = effectScope()
})
afterEach(() => {
  scope.stop()
  jest.useRealTimers()
})

function opened() {
  const draft = ref<Room>()
  const keeping = scope.run(() =>
    useAutosave<Room, Room, typeof server>({
      key: () => 'juvant.test',
      draft: () => draft.value,
      set: (room) => (draft.value = room),
      draftOf: copyOf,
      sound: (typed, stored) => soundOver(Room, typed, stored, METRIC_SAY),
      save(version, record) {
        if (!reached) return Promise.reject(new ApiProblem(0, 'No connection', 'later'))
        const current = server
        if (version !== current.version)
          return Promise.reject(new ApiProblem(409, 'Changed meanwhile', 'changed elsewhere', [], { current }))
        return Promise.resolve((server = { version: version + 1, record }))
      },
    }),
  )!
  keeping.begin(server)
  return { draft, ...keeping }
}
const after = (ms = 1000) => jest.advanceTimersByTimeAsync(ms)

test('what is typed is kept here at once, saved a moment later, and taken back by one step', async () => {
  const { draft, saved, undoes, undo } = opened()
  draft.value!.towels = 30
  await nextTick()
  expect([saved.value, device.all('juvant.test').length]).toEqual([false, 1])
  await after()
  expect([server.record.towels, saved.value, device.all('juvant.test').length]).toEqual([30, true, 0])
  expect(undoes.value).toEqual(['towels'])
  undo()
  await after()
  expect([server.record, draft.value, undoes.value]).toEqual([ROOM, ROOM, []])
})

test('a part that is wrong stays as it is stored, the others are saved; once mended it follows', async () => {
  const { draft, errors, saved } = opened()
  draft.value!.towels = 2000
  draft.value!.tables = 2
  await after()
  expect(server.record).toEqual({ ...ROOM, tables: 2 })
  expect([Object.keys(errors.value), saved.value]).toEqual([['towels'], false])
  expect(draft.value!.towels).toBe(2000)
  draft.value!.towels = 25
  await after()
  expect([server.record.towels, errors.value, saved.value]).toEqual([25, {}, true])
})

test('what wasn’t saved when the view was left is there again, and saved', async () => {
  const first = opened()
  reached = false
  first.draft.value!.towels = 31
  await after()
  expect(first.problem.value!.status).toBe(0)
  scope.stop()
  scope = effectScope()
  reached = true
  server = { version: 2, record: { ...ROOM, tables: 3 } }
  const { draft } = opened()
  await after()
  expect([server.record, draft.value!.towels]).toEqual([{ name: 'Room', towels: 31, tables: 3 }, 31])
})

test('without a connection it is sent again by itself', async () => {
  const { draft, problem } = opened()
  reached = false
  draft.value!.name = 'Bath'
  await after()
  expect([problem.value!.status, server.record.name]).toEqual([0, 'Room'])
  reached = true
  await after(6000)
  expect([problem.value, server.record.name]).toEqual([undefined, 'Bath'])
})

test('another part changed elsewhere is taken with mine; the same part stands twice until one is chosen', async () => {
  const { draft, theirs, keepMine, takeTheirs } = opened()
  server = { version: 2, record: { ...ROOM, tables: 4 } }
  draft.value!.towels = 30
  await after()
  expect([server.record, draft.value]).toEqual([
    { name: 'Room', towels: 30, tables: 4 },
    { name: 'Room', towels: 30, tables: 4 },
  ])
  server = { version: 4, record: { ...server.record, towels: 10 } }
  draft.value!.towels = 40
  await after()
  expect([theirs.value?.record.towels, server.record.towels, draft.value!.towels]).toEqual([10, 10, 40])
  keepMine()
  await after()
  expect([server.record.towels, theirs.value]).toEqual([40, undefined])
  server = { version: 6, record: { ...server.record, towels: 11 } }
  draft.value!.towels = 41
  await after()
  takeTheirs()
  await after()
  expect([draft.value!.towels, server.record.towels]).toEqual([11, 11])
})
