import type { AddressInfo } from 'node:net'
import { hostname, networkInterfaces } from 'node:os'

/** Names by which only the machine itself is reached. */
export const LOOPBACK: readonly string[] = ['127.0.0.1', 'localhost', '::1']

/** This machine's own addresses on its networks. */
export function ownAddresses(): string[] {
  return Object.values(networkInterfaces())
    .flatMap((all) => all ?? [])
    .filter(({ internal }) => !internal)
    .map(({ address }) => address.replace(/%.*$/, ''))
}

/**
 * The names that the server answers to, so that no foreign page reaches it through a name of its own: on loopback those
 * of the machine itself; beyond it its addresses and its name too, and what `more` adds, with commas between.
 */
export function hostsFor(host: string, more = ''): string[] {
  if (LOOPBACK.includes(host)) return [...LOOPBACK]
  const name = hostname().toLowerCase()
  const added = more
    .split(',')
    .map((h) => h.trim().toLowerCase())
    .filter((h) => h !== '')
  return [...new Set([...LOOPBACK, ...ownAddresses(), name, `${name}.local`, ...added])]
}

/** The name in a Host header or an address, without its port. */
export const nameIn = (host: string): string =>
  host
    .toLowerCase()
    .replace(/:\d+$/, '')
    .replace(/^\[|\]$/g, '')

/** The addresses by which other devices reach the server that listens at `at`; none on loopback. */
export function reachableAt(
  host: string,
  at: AddressInfo | string | null,
  scheme: 'http' | 'https' = 'http',
): string[] {
  if (LOOPBACK.includes(host) || at === null || typeof at === 'string') return []
  const all = ['0.0.0.0', '::'].includes(host) ? ownAddresses().filter((a) => !a.startsWith('fe80')) : [host]
  // the short kind is what people type
  const short = all.filter((a) => !a.includes(':'))
  const own = short.length > 0 ? short : all
  return own.map((a) => `${scheme}://${a.includes(':') ? `[${a}]` : a}:${at.port}`)
}
