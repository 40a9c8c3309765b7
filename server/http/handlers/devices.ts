import type { Reachable } from '@contract'
import type { Devices } from '../../access/devices'
import { notFound, Refusal } from '../../problems'
import { endStreamsOf, type Handlers } from '../register'

/** Where others reach the program, and the certificate by which they do so safely, PEM. */
export interface Reached extends Reachable {
  authority?: string
}

/** Devices on the local network: who asks, codes that let one in, those that are in, putting one out. */
export function deviceHandlers(devices: Devices, reached: () => Reached) {
  const nowhere: Reachable = { safe: [], plain: [], fingerprint: null }
  const reachable = (): Reachable => {
    const { authority: _authority, ...where } = reached()
    return where
  }
  return {
    'GET /me': ({ asker }) => ({
      role: asker.role,
      here: asker.here,
      lock: asker.lock ?? null,
      reachable: asker.role === 'whole' ? reachable() : nowhere,
    }),
    'GET /trust.crt': () => {
      const { authority } = reached()
      if (authority === undefined) throw notFound('certificate')
      return { content: authority, name: 'juvant.crt', open: 'attachment' }
    },
    'GET /devices': () => devices.all(),
    'POST /devices/code': ({ body }) => {
      const { safe, plain } = reachable()
      const addresses = [...safe, ...plain]
      if (addresses.length === 0)
        throw new Refusal(
          409,
          'Only this machine',
          'No other device reaches this program: it was started for this machine alone. Start it with HOST=0.0.0.0.',
        )
      return devices.newCode(body.role, addresses)
    },
    'POST /pair': async ({ body, asker, keep }) => {
      keep(await devices.pair(body.code, body.name, asker.address))
    },
    'DELETE /devices/{id}': async ({ params }) => {
      if (!(await devices.putOut(params.id))) throw notFound('device')
      endStreamsOf(params.id)
    },
    'PUT /devices/{id}/lock': async ({ params, body }) => {
      if (!(await devices.lock(params.id, body))) throw notFound('device')
    },
    'DELETE /devices/{id}/lock': async ({ params }) => {
      if (!(await devices.lock(params.id, null))) throw notFound('device')
    },
    'POST /unlock': async ({ body, asker }) => {
      if (asker.device !== undefined) await devices.unlock(asker.device, body.code)
    },
  } satisfies Partial<Handlers>
}
