import type { Request, RequestHandler } from 'express'
import type { DeviceRole } from '@contract'
import { Refusal } from '../problems'
import type { Devices } from './devices'
import { LOOPBACK, nameIn } from './hosts'

/** Who asks, once it is known. */
export interface Asker {
  role: DeviceRole
  /** Whether it is the machine itself. */
  here: boolean
  /** Whether it was let in by nobody, and asks what anybody may. */
  stranger?: true
  /** The paired device, by its id. */
  device?: string
  /** After how many minutes without a touch it asks for its digits; null: never. */
  lock?: number | null
  /** Where it asks from. */
  address?: string
}
const askers = new WeakMap<Request, Asker>()
/** Who asks; the machine itself where nothing guards. */
export const askerOf = (req: Request): Asker => ({
  ...(askers.get(req) ?? { role: 'whole', here: true }),
  address: req.socket.remoteAddress,
})

export const COOKIE = 'juvant-device'
const YEAR_S = 365 * 24 * 3600
/** What a device that was let in keeps: no script sees it, and no other site's page sends it. */
export const cookieFor = (token: string, secure: boolean): string =>
  `${COOKIE}=${token}; Path=/; Max-Age=${YEAR_S}; HttpOnly; SameSite=Strict${secure ? '; Secure' : ''}`

const cookieIn = (req: Request): string =>
  (req.headers.cookie ?? '')
    .split(';')
    .map((c) => c.trim())
    .find((c) => c.startsWith(`${COOKIE}=`))
    ?.slice(COOKIE.length + 1) ?? ''

const isLoopback = (address = '') => LOOPBACK.includes(address.replace(/^::ffff:/, ''))
/** What anybody may ask: whether the server is there, what to know it by, and to be let in. */
const OPEN = ['GET /health', 'GET /trust.crt', 'POST /pair']

/** Answers only to the names it is known by, and to pages that came from there. */
export function knownHosts(hosts: readonly string[]): RequestHandler {
  const known = new Set(hosts)
  return (req, _res, next) => {
    if (!known.has(nameIn(req.headers.host ?? '')))
      throw new Refusal(
        421,
        'Unknown host',
        `This server answers to ${hosts.join(', ')}. Add a name with JUVANT_HOSTS.`,
      )
    const { origin, host } = req.headers
    // a page of this server asks the address that it came from; behind a proxy it came by a name without a port
    const from = origin === undefined ? undefined : URL.canParse(origin) ? new URL(origin).host : ''
    const proxied = from !== undefined && from === nameIn(from) && !LOOPBACK.includes(from) && known.has(from)
    if (from !== undefined && from !== host?.toLowerCase() && !proxied)
      throw new Refusal(403, 'From elsewhere', 'A page of another site asked for this. Nothing was done.')
    next()
  }
}

/** Lets in the machine itself and devices that were paired; tells the rest how to be. */
export const paired =
  (devices: Devices): RequestHandler =>
  async (req, _res, next) => {
    if (isLoopback(req.socket.remoteAddress) && LOOPBACK.includes(nameIn(req.headers.host ?? ''))) {
      askers.set(req, { role: 'whole', here: true })
      return next()
    }
    const device = await devices.of(cookieIn(req))
    if (!device && OPEN.includes(`${req.method} ${req.path}`)) {
      askers.set(req, { role: 'whole', here: false, stranger: true })
      return next()
    }
    if (!device)
      throw new Refusal(
        401,
        'Not let in yet',
        'This device isn’t paired. Make a code on the main device, under House, Devices.',
      )
    askers.set(req, { role: device.role, here: false, device: device.id, lock: device.lock })
    next()
  }
