import type { Zone } from '@core/dog'
import { turnMinutes, type DryingPlan, type WayChoice, type ZoneDrying } from '@core/drying'
import { DIRECTION_NAMES, NOZZLE_NAMES, ZONE_MINDS, ZONE_NAMES } from './names'
import { capital, type Say } from './say'

/** A zone's name in two parts: what it is, and what goes with it ("forelegs", "and armpits"). */
export function zoneParts(zone: Zone): { zone: string; also: string } {
  const [name, ...rest] = ZONE_NAMES[zone].split(' ')
  return { zone: name!, also: rest.join(' ') }
}

/** How fast air goes over the whole dog before the brush: zones that bear it at one distance together, and those that it leaves out. */
export function fastAirLines({ zones, choice }: Pick<DryingPlan, 'zones' | 'choice'>, say: Say): string[] {
  const by = new Map<number, Zone[]>()
  for (const z of zones)
    if (z.velocity > 0 && z.velocityDistance !== null)
      by.set(z.velocityDistance, [...(by.get(z.velocityDistance) ?? []), z.zone])
  const named = (list: readonly Zone[]) => say.list(list.map((z) => zoneParts(z).zone))
  const without = zones.filter((z) => z.velocity <= 0).map((z) => z.zone)
  const [[metres] = [0]] = by
  const onlyHeadLeft = by.size === 1 && without.length > 0
  return [
    ...(onlyHeadLeft
      ? [`All but ${named(without)}: from ${say.distance(metres)}.`]
      : [...by].map(([from, list]) => `${capital(named(list))}: from ${say.distance(from)}.`)),
    ...(without.length > 0 ? [`No fast air: ${named(without)}.`] : []),
    ...(choice.lowForce ? ['Turned down.'] : []),
  ]
}

/** How the zone in hand is dried, a line for each air, then its direction and what to mind. Read at two metres. */
export function dryZoneLines(
  z: ZoneDrying,
  { choice, turns }: { choice: Pick<WayChoice, 'velocity' | 'warm' | 'fan'>; turns?: DryingPlan['turns'] },
  say: Say,
): string[] {
  const blown = turns === 'whole'
  // what the log says of a zone is of its turn
  const turn = turnMinutes(z, turns)
  const parts = blown ? z.warm : z.velocity + z.warm
  const share = parts > 0 ? turn / parts : 1
  const far = (metres: number | null) => (metres === null ? undefined : `from ${say.distance(metres)}`)
  const part = (...words: (string | undefined)[]) => words.filter((w) => w).join(', ')
  const fast = choice.velocity
  const warm = choice.warm ?? choice.velocity
  const nozzle = `nozzle ${NOZZLE_NAMES[z.advice.nozzle]}`
  const lines =
    z.by === 'cloth'
      ? ['Cloth: press, don’t rub; no air here']
      : [
          z.velocity > 0 && fast && !blown
            ? part(fast.name, `${say.number(z.velocity * share)} min`, far(z.velocityDistance), nozzle)
            : undefined,
          z.warm > 0 && warm
            ? part(
                warm.name,
                `${say.number(z.warm * share)} min`,
                z.by === 'off' ? 'heat off' : z.setting,
                far(z.distance),
                z.velocity > 0 && !blown ? undefined : nozzle,
              )
            : undefined,
          capital(DIRECTION_NAMES[z.advice.direction]),
        ]
  const minds = z.advice.mind ? ZONE_MINDS[z.zone] : undefined
  return [...lines, minds && capital(minds)].filter((l): l is string => !!l).map((l) => `${l}.`)
}
