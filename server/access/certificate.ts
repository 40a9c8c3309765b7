import { createHash, generateKeyPairSync, randomBytes, X509Certificate } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs'
import { isIP } from 'node:net'
import { join } from 'node:path'
import forge from 'node-forge'

/** For how long this room's authority and its server's certificate hold, and how long before their end they are made anew, days. */
const AUTHORITY = { days: 3650, before: 180 }
/** Devices take none that holds longer than 825 days from an authority of one's own (common practice, no source). */
const SERVER = { days: 397, before: 30 }
const DAY_MS = 86_400_000

/** What a server is known by: its key and certificate, and the authority's, which devices trust once. PEM. */
export interface Certificates {
  key: string
  cert: string
  authority: string
  /** SHA-256 of the authority's certificate, in pairs of digits, to be compared by eye. */
  fingerprint: string
}

interface Pair {
  key: string
  cert: string
}

function keyPair() {
  const { privateKey, publicKey } = generateKeyPairSync('rsa', {
    modulusLength: 2048,
    privateKeyEncoding: { type: 'pkcs8', format: 'pem' },
    publicKeyEncoding: { type: 'spki', format: 'pem' },
  })
  return { privateKey, publicKey }
}

interface Wish {
  name: string
  days: number
  now: number
  extensions: object[]
  /** Who signs; itself without. */
  by?: Pair
}

function certificate({ name, days, now, extensions, by }: Wish): Pair {
  const { privateKey, publicKey } = keyPair()
  const made = forge.pki.createCertificate()
  made.publicKey = forge.pki.publicKeyFromPem(publicKey)
  // a positive number, as it must be
  made.serialNumber = `01${randomBytes(15).toString('hex')}`
  made.validity.notBefore = new Date(now - DAY_MS)
  made.validity.notAfter = new Date(now + days * DAY_MS)
  const subject = [{ name: 'commonName', value: name }]
  made.setSubject(subject)
  made.setIssuer(by ? forge.pki.certificateFromPem(by.cert).subject.attributes : subject)
  made.setExtensions(extensions)
  made.sign(forge.pki.privateKeyFromPem(by?.key ?? privateKey), forge.md.sha256.create())
  return { key: privateKey, cert: forge.pki.certificateToPem(made) }
}

const newAuthority = (now: number): Pair =>
  certificate({
    name: `Juvant wash room ${randomBytes(3).toString('hex')}`,
    days: AUTHORITY.days,
    now,
    extensions: [
      { name: 'basicConstraints', cA: true, pathLenConstraint: 0, critical: true },
      { name: 'keyUsage', keyCertSign: true, cRLSign: true, critical: true },
      { name: 'subjectKeyIdentifier' },
    ],
  })

const newServer = (hosts: readonly string[], by: Pair, now: number): Pair =>
  certificate({
    name: hosts[0] ?? 'localhost',
    days: SERVER.days,
    now,
    by,
    extensions: [
      { name: 'basicConstraints', cA: false, critical: true },
      { name: 'keyUsage', digitalSignature: true, keyEncipherment: true, critical: true },
      { name: 'extKeyUsage', serverAuth: true },
      {
        name: 'subjectAltName',
        altNames: hosts.map((host) => (isIP(host) ? { type: 7, ip: host } : { type: 2, value: host })),
      },
    ],
  })

/** Whether a certificate holds for all hosts, and not only for a few days more. */
function holds(pem: string, before: number, now: number, hosts: readonly string[] = []): boolean {
  const read = new X509Certificate(pem)
  const ends = Date.parse(read.validTo)
  return (
    ends - now > before * DAY_MS && hosts.every((h) => (isIP(h) ? read.checkIP(h) : read.checkHost(h)) !== undefined)
  )
}

/** A pair that is kept in a folder, or a new one in its place where it doesn't serve any more. */
function kept(folder: string, name: string, serves: (cert: string) => boolean, make: () => Pair): Pair {
  const path = (ending: string) => join(folder, `${name}.${ending}`)
  if (existsSync(path('key')) && existsSync(path('crt'))) {
    const pair = { key: readFileSync(path('key'), 'utf8'), cert: readFileSync(path('crt'), 'utf8') }
    if (serves(pair.cert)) return pair
  }
  const pair = make()
  for (const [ending, text] of [
    ['key', pair.key],
    ['crt', pair.cert],
  ] as const) {
    writeFileSync(`${path(ending)}.begun`, text, { mode: 0o600 })
    renameSync(`${path(ending)}.begun`, path(ending))
  }
  return pair
}

/**
 * This room's authority, which is made once, and a certificate of it for all names of this machine, which is made anew when
 * the names change or it is about to end. Their keys lie in `folder`, for the owner alone.
 */
export function readyCertificates(folder: string, hosts: readonly string[], now = Date.now()): Certificates {
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  const authority = kept(
    folder,
    'authority',
    (cert) => holds(cert, AUTHORITY.before, now),
    () => newAuthority(now),
  )
  const issuer = new X509Certificate(authority.cert)
  const { key, cert } = kept(
    folder,
    'server',
    (pem) => new X509Certificate(pem).verify(issuer.publicKey) && holds(pem, SERVER.before, now, hosts),
    () => newServer(hosts, authority, now),
  )
  const fingerprint = createHash('sha256').update(issuer.raw).digest('hex').toUpperCase().match(/../g)!.join(' ')
  return { key, cert, authority: authority.cert, fingerprint }
}
