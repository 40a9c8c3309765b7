import type { Devices } from '../../access/devices'
import { notFound, Refusal } from '../../problems'
import type { Handlers } from '../register'

/** Devices on the local network: who asks, codes that let one in, those that are in, putting one out. */
export function deviceHandlers(devices: Devices, reachable: () => string[]) {
  return {
    'GET /me': ({ asker }) => ({
      role: asker.role,
      here: asker.here,
      reachable: asker.role === 'whole' ? reachable() : [],
    }),
    'GET /devices': () => devices.all(),
    'POST /devices/code': ({ body }) => {
      const addresses = reachable()
      if (addresses.length === 0)
        throw new Refusal(
          409,
          'Only this machine',
          'No other device reaches this program: it was started for this machine alone. Start it with HOST=0.0.0.0.',
        )
      return devices.newCode(body.role, addresses)
    },
    'POST /pair': async ({ body, keep }) => {
      keep(await devices.pair(body.code, body.name))
    },
    'DELETE /devices/{id}': async ({ params }) => {
      if (!(await devices.putOut(params.id))) throw notFound('device')
    },
  } satisfies Partial<Handlers>
}
