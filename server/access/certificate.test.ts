import { X509Certificate } from 'node:crypto'
import { mkdtempSync, readdirSync, rmSync, statSync } from 'node:fs'
import { createServer, get } from 'node:https'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { readyCertificates, type Certificates } from './certificate'

let folder: string
beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'juvant-certificates-'))))
afterEach(() => rmSync(folder, { recursive: true, force: true }))

/** What a client that trusts an authority gets from a server under a name. */
async function askedOf({ key, cert }: Certificates, ca: string | undefined, servername: string): Promise<string> {
  const server = createServer({ key, cert }, (_req, res) => res.end('here')).listen(0, '127.0.0.1')
  await new Promise((resolve) => server.once('listening', resolve))
  const { port } = server.address() as AddressInfo
  try {
    return await new Promise<string>((resolve, reject) => {
      get({ host: '127.0.0.1', port, servername, ca, agent: false }, (res) => {
        res.on('data', (part: Buffer) => resolve(part.toString()))
      }).on('error', reject)
    })
  } finally {
    server.closeAllConnections()
    server.close()
  }
}

test('a device that trusts the room’s authority reaches its server by every name; one that doesn’t, or by another name, is warned', async () => {
  // whoever connects goes by the computer's clock, whatever that of the run says
  const now = performance.timeOrigin + performance.now()
  const made = readyCertificates(folder, ['127.0.0.1', 'wash-room.local', '::1'], now)
  expect(await askedOf(made, made.authority, 'wash-room.local')).toBe('here')
  await expect(askedOf(made, made.authority, 'bank.example')).rejects.toThrow(/altnames/)
  await expect(askedOf(made, undefined, 'wash-room.local')).rejects.toThrow(/certificate/)
  const cert = new X509Certificate(made.cert)
  expect([cert.checkIP('127.0.0.1'), cert.checkIP('::1')]).toEqual(['127.0.0.1', '::1'])
  expect([cert.ca, new X509Certificate(made.authority).ca]).toEqual([false, true])
  expect(made.fingerprint).toBe(new X509Certificate(made.authority).fingerprint256.replace(/:/g, ' '))
})

test('the authority stays; the server’s is made anew for a new name, before it ends, and when the authority is new', () => {
  const now = Date.now()
  const first = readyCertificates(folder, ['127.0.0.1'], now)
  expect(readyCertificates(folder, ['127.0.0.1'], now)).toEqual(first)
  const named = readyCertificates(folder, ['127.0.0.1', 'other.local'], now)
  expect([named.authority === first.authority, named.cert === first.cert]).toEqual([true, false])
  const nextYear = readyCertificates(folder, ['127.0.0.1'], now + 370 * 86_400_000)
  expect([nextYear.authority === first.authority, nextYear.cert === named.cert]).toEqual([true, false])
  const later = readyCertificates(folder, ['127.0.0.1'], now + 3600 * 86_400_000)
  expect(later.authority).not.toBe(first.authority)
  expect(new X509Certificate(later.cert).verify(new X509Certificate(later.authority).publicKey)).toBe(true)
  for (const name of readdirSync(folder)) expect([name, statSync(join(folder, name)).mode & 0o077]).toEqual([name, 0])
})
