<script setup lang="ts">
import { computed, ref } from 'vue'
import type { DeviceRole, PairedDevice, PairingCode } from '@contract'
import { me } from '../../api/access'
import { ask } from '../../api/client'
import { useAsk } from '../../api/queries'
import ProblemNote from '../../parts/ProblemNote.vue'
import { useTell } from '../../parts/useTell'
import { localMoment } from '../../parts/words'
import { useSay } from '../../say'
import UiButton from '../../ui/UiButton.vue'
import UiChoice from '../../ui/UiChoice.vue'
import UiConfirm from '../../ui/UiConfirm.vue'
import UiText from '../../ui/UiText.vue'
import UiQr from '../../ui/UiQr.vue'

const say = useSay()
const { answer: devices, problem: unknown, again } = useAsk('GET /devices', {})
const { busy, problem, tell } = useTell()
const role = ref<DeviceRole>('tub')
const code = ref<PairingCode>()
const ROLES = [
  { value: 'tub' as const, text: 'the tub only' },
  { value: 'look' as const, text: 'looking on' },
  { value: 'whole' as const, text: 'everything' },
]
const forWhat = (role: DeviceRole) => ROLES.find((r) => r.value === role)!.text
/** What the history is about, as it is called here. */
const DID: Record<string, string> = {
  visit_events: 'taps',
  movements: 'stock',
  products: 'a bottle',
  dogs: 'a dog',
  days: 'a day',
}
const did = ({ what, at }: NonNullable<PairedDevice['did']>) => {
  const { date, minute } = localMoment(at)
  return `last changed ${DID[what] ?? what}, ${say.date(date, 'short')}, ${say.clock(minute)}`
}
const where = computed(() => me.value?.reachable)
const reachable = computed(() => (where.value?.plain.length ?? 0) > 0)
const trust = computed(() => `${where.value?.plain[0]}/api/trust.crt`)
const halves = computed(() => `${code.value?.code.slice(0, 4)} ${code.value?.code.slice(4)}`)
const link = computed(() => `${code.value?.addresses[0]}/#code=${code.value?.code}`)
const day = (iso: string) => say.date(localMoment(iso).date, 'short')

const makeCode = () =>
  tell(async () => {
    code.value = await ask('POST /devices/code', { body: { role: role.value } })
  })
/** The device whose digits are being chosen, and what was typed of them. */
const locking = ref<string>()
const digits = ref('')
const LOCKS = [2, 5, 15, 30].map((value) => ({ value, text: `after ${value} min` }))
const minutes = ref(5)
function choose({ id, lock }: PairedDevice) {
  locking.value = locking.value === id ? undefined : id
  digits.value = ''
  minutes.value = LOCKS.find((l) => l.value === lock)?.value ?? 5
}
async function setLock(id: string, on: boolean) {
  const body = { code: digits.value.trim(), minutes: minutes.value }
  const done = await tell(() =>
    on ? ask('PUT /devices/{id}/lock', { params: { id }, body }) : ask('DELETE /devices/{id}/lock', { params: { id } }),
  )
  if (!done) return
  locking.value = undefined
  again()
}
const putOut = ({ id }: PairedDevice) =>
  tell(async () => (await ask('DELETE /devices/{id}', { params: { id } }), again()))
</script>

<template>
  <section id="devices" class="basin" aria-labelledby="devices-title">
    <h2 id="devices-title">Devices</h2>
    <ProblemNote v-if="unknown" :problem="unknown">
      <UiButton kind="link" @click="again">Try again</UiButton>
    </ProblemNote>
    <p v-if="!reachable" class="soft">
      Only this machine reaches this program. For a tablet at the tub start it with
      <strong>HOST=0.0.0.0 {{ where?.start ?? 'npm start' }}</strong
      >; each device is then let in by a code from here.
    </p>
    <template v-else>
      <p class="soft">Others on the network see nothing until they are let in: each once, in two steps.</p>
      <template v-if="where?.fingerprint">
        <h3>1. Let the device trust this room</h3>
        <div class="code">
          <UiQr :value="trust" label="The address of this room’s certificate" />
          <div>
            <p>
              On the new device open <strong class="path">{{ trust }}</strong> or point its camera here. Install the
              certificate as an authority that it trusts: under its settings for security. Compare:
            </p>
            <p class="print">{{ where.fingerprint }}</p>
            <p class="soft">
              From then on nobody on the network can listen. The device works without network, and with its camera.
              Without this step it can be let in too, over plain http: on a network of your own only, and not without
              network.
            </p>
          </div>
        </div>
        <h3>2. Let it in</h3>
      </template>
      <div class="side-by-side">
        <UiChoice v-model="role" label="The new device is for" :options="ROLES" />
        <UiButton :disabled="busy" @click="makeCode">Make a code</UiButton>
      </div>
    </template>
    <div v-if="code" class="code" role="status">
      <UiQr :value="link" :label="`The address with the code ${halves}`" />
      <div>
        <p class="digits">{{ halves }}</p>
        <p>
          On the new device open <strong class="path">{{ say.list(code.addresses, 'or') }}</strong> and type the code,
          or point its camera here. It works once, until {{ say.clock(localMoment(code.until).minute) }}.
        </p>
      </div>
    </div>
    <ProblemNote v-if="problem && !problem.of('code')" :problem="problem" />
    <ul v-if="devices?.length" class="lines">
      <li v-for="device in devices" :key="device.id">
        <strong>{{ device.name }}</strong>
        <span>{{ forWhat(device.role) }}</span>
        <span class="soft"
          >let in {{ day(device.pairedAt) }}, last seen {{ day(device.usedAt)
          }}{{ device.did ? `, ${did(device.did)}` : '' }}</span
        >
        <UiButton kind="link" :aria-expanded="locking === device.id" @click="choose(device)">{{
          device.lock === null ? 'Ask for digits' : `asks for digits after ${device.lock} min`
        }}</UiButton>
        <UiConfirm
          :question="`Put ${device.name} out? It sees nothing from then on.`"
          yes="Put it out"
          no="Leave it"
          @yes="putOut(device)"
        >
          <UiButton kind="link" :disabled="busy" :aria-label="`Put ${device.name} out`">Put it out</UiButton>
        </UiConfirm>
        <form v-if="locking === device.id" novalidate @submit.prevent="setLock(device.id, true)">
          <p class="soft">
            Left untouched, it shows nothing until its four digits are typed. It never locks while it shows a dog under
            way.
          </p>
          <div class="side-by-side">
            <UiText v-model="digits" label="Four digits" inputmode="decimal" :most="4" :error="problem?.of('code')" />
            <UiChoice v-model="minutes" label="Left untouched" :options="LOCKS" />
            <UiButton submit :disabled="busy">Ask for them</UiButton>
            <UiButton v-if="device.lock !== null" kind="link" :disabled="busy" @click="setLock(device.id, false)"
              >Ask for none</UiButton
            >
          </div>
        </form>
      </li>
    </ul>
    <p v-else-if="devices && reachable" class="soft">No other device is let in.</p>
  </section>
</template>

<style scoped>
.code {
  display: flex;
  flex-wrap: wrap;
  gap: 18px;
  align-items: center;
  margin: 14px 0;
}
.code > div:last-child {
  flex: 1 1 240px;
}
.path {
  overflow-wrap: anywhere;
}
.print {
  margin: 6px 0;
  font-family: monospace;
  overflow-wrap: anywhere;
}
.digits {
  font-size: 2.4rem;
  font-weight: 700;
  letter-spacing: 0.08em;
  font-variant-numeric: tabular-nums;
}
</style>
