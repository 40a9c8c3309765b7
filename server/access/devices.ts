import { createHash, randomBytes, randomInt, scrypt, timingSafeEqual } from 'node:crypto'
import { promisify } from 'node:util'
import type { DeviceRole, PairedDevice, PairingCode } from '@contract'
import type { Queries } from '../db/db'
import { Refusal } from '../problems'

/** How long a code holds, and how many wrong ones are taken before it is void, in all and in a minute from one place. */
const CODE_MS = 10 * 60_000
const WRONG = { most: 10, aMinute: 5 }
/** How often it is written down that a device was used, ms. */
const USED_MS = 60_000

const hashOf = (secret: string) => createHash('sha256').update(secret).digest('hex')
const same = (a: string, b: string) => a.length === b.length && timingSafeEqual(Buffer.from(a), Buffer.from(b))

const stretched = promisify<string, string, number, Buffer>(scrypt)
/** Four digits as they are kept, with their salt. */
const lockHash = async (code: string, salt = randomBytes(16).toString('hex')) =>
  `${salt}.${(await stretched(code, salt, 32)).toString('hex')}`
/** How many wrong digits a device may send within a minute. */
const WRONG_DIGITS = 5

interface Row {
  id: string
  name: string
  role: DeviceRole
  secret: string
  paired_at: Date
  used_at: Date
  did?: string | null
  did_at?: Date | null
  lock_hash: string | null
  lock_minutes: number | null
}
const toDevice = ({ id, name, role, paired_at, used_at, did, did_at, lock_minutes }: Row): PairedDevice => ({
  id,
  name,
  role,
  pairedAt: new Date(paired_at).toISOString(),
  usedAt: new Date(used_at).toISOString(),
  did: did ? { what: did, at: new Date(did_at!).toISOString() } : null,
  lock: lock_minutes,
})

/** Lets devices in by codes that hold once, and knows them again by the secret that they were given. */
export class Devices {
  private code: { code: string; role: DeviceRole; until: number; wrong: number } | undefined
  private wrongAt: { from: string; at: number }[] = []
  /** When wrong digits came from a locked device, ms. */
  private wrongDigits = new Map<string, number[]>()

  constructor(
    private readonly db: Queries,
    private readonly now: () => number = Date.now,
  ) {}

  /** A new code for one device; the one before holds no more. */
  newCode(role: DeviceRole, addresses: string[]): PairingCode {
    const code = String(randomInt(100_000_000)).padStart(8, '0')
    const until = this.now() + CODE_MS
    this.code = { code, role, until, wrong: 0 }
    return { code, role, until: new Date(until).toISOString(), addresses }
  }

  /**
   * Lets a device in; answers what it is known by from then on. Throws a refusal: a wrong code, or too many of them `from`
   * its address: who guesses keeps nobody else out.
   */
  async pair(code: string, name: string, from = ''): Promise<string> {
    const now = this.now()
    this.wrongAt = this.wrongAt.filter(({ at }) => now - at < 60_000)
    if (this.wrongAt.filter((wrong) => wrong.from === from).length >= WRONG.aMinute)
      throw new Refusal(429, 'Too many codes', 'Too many wrong codes were tried. Wait a minute, then try again.')
    const wanted = this.code
    const holds = wanted !== undefined && wanted.until > now && wanted.wrong < WRONG.most
    if (!holds || !same(wanted.code, code)) {
      this.wrongAt.push({ from, at: now })
      if (wanted) wanted.wrong++
      const why = 'This code doesn’t hold. Make a new one on the main device, under House, Devices.'
      throw new Refusal(422, 'Some of it can’t be taken', `code: ${why}`, [{ field: 'code', message: why }])
    }
    this.code = undefined
    const secret = randomBytes(32).toString('base64url')
    const { rows } = await this.db.query<{ id: string }>(
      'insert into devices (name, role, secret) values ($1, $2, $3) returning id',
      [name, wanted.role, hashOf(secret)],
    )
    return `${rows[0]!.id}.${secret}`
  }

  /** The device that holds a secret; undefined where none does or it was put out. */
  async of(token: string): Promise<PairedDevice | undefined> {
    const [id = '', secret = ''] = token.split('.')
    if (!/^[0-9a-f-]{36}$/.test(id)) return undefined
    const { rows } = await this.db.query<Row>('select * from devices where id = $1 and revoked_at is null', [id])
    const [row] = rows
    if (!row || !same(row.secret, hashOf(secret))) return undefined
    if (this.now() - new Date(row.used_at).getTime() > USED_MS)
      await this.db.query('update devices set used_at = now() where id = $1', [id])
    return toDevice(row)
  }

  /** The devices that are let in, the last used first. */
  async all(): Promise<PairedDevice[]> {
    const { rows } = await this.db.query<Row>(
      `select devices.*, last.what as did, last.at as did_at
         from devices left join lateral (
           select what, at from changes where device = devices.id::text and device <> '' order by id desc limit 1
         ) last on true
        where revoked_at is null order by used_at desc, devices.id`,
    )
    return rows.map(toDevice)
  }

  /** Puts a device out, at once and for good; false where it isn't there. */
  async putOut(id: string): Promise<boolean> {
    const { rows } = await this.db.query(
      'update devices set revoked_at = now() where id = $1 and revoked_at is null returning id',
      [id],
    )
    return rows.length > 0
  }

  /** Lets a device ask for four digits after so many minutes without a touch, or, with null, for none; false where it isn't there. */
  async lock(id: string, wish: { code: string; minutes: number } | null): Promise<boolean> {
    const { rows } = await this.db.query(
      'update devices set lock_hash = $2, lock_minutes = $3 where id = $1 and revoked_at is null returning id',
      [id, wish && (await lockHash(wish.code)), wish?.minutes ?? null],
    )
    this.wrongDigits.delete(id)
    return rows.length > 0
  }

  /** Takes the digits that were typed on a locked device. Throws a refusal: others, or too many of them in a minute. */
  async unlock(id: string, code: string): Promise<void> {
    const now = this.now()
    const wrong = (this.wrongDigits.get(id) ?? []).filter((at) => now - at < 60_000)
    if (wrong.length >= WRONG_DIGITS)
      throw new Refusal(429, 'Too many tries', 'Too many wrong digits were tried. Wait a minute, then try again.')
    const { rows } = await this.db.query<Row>('select * from devices where id = $1', [id])
    const kept = rows[0]?.lock_hash
    if (!kept || same(kept, await lockHash(code, kept.split('.')[0]))) {
      this.wrongDigits.delete(id)
      return
    }
    this.wrongDigits.set(id, [...wrong, now])
    const why = 'These aren’t its digits. They are given on the main device, under House, Devices.'
    throw new Refusal(422, 'Some of it can’t be taken', `code: ${why}`, [{ field: 'code', message: why }])
  }
}
