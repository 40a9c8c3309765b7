import type { Queries } from '../db'
import {
  upgradeAside,
  upgradeBrief,
  upgradeHouse,
  upgradeInputs,
  upgradeOutcome,
  upgradePlan,
  upgradeRules,
  type Stored,
} from './codes'

/** A step of the database that needs more than SQL: stored records from one shape into the next. Its name orders it among the SQL files. */
export interface Upgrade {
  name: string
  run: (tx: Queries) => Promise<void>
}

interface Row {
  id: string
  record: Stored
}

async function each(tx: Queries, table: 'dogs' | 'house', change: (record: Stored) => Stored) {
  const { rows } = await tx.query<Row>(`select id, record from ${table}`)
  for (const { id, record } of rows)
    await tx.query(`update ${table} set record = $2 where id = $1`, [id, JSON.stringify(change(record))])
}

/** Sentences that were stored become statements with codes, rules get their names. */
async function codes(tx: Queries) {
  await each(tx, 'dogs', upgradeRules)
  await each(tx, 'house', upgradeHouse)
  const visits = await tx.query<{ id: string; inputs: Stored; plan: Stored }>('select id, inputs, plan from visits')
  for (const { id, inputs, plan } of visits.rows) {
    const water = ((inputs.house as Stored | undefined)?.water as Stored | undefined)?.hotC
    await tx.query('update visits set inputs = $2, plan = $3 where id = $1', [
      id,
      JSON.stringify(upgradeInputs(inputs)),
      JSON.stringify(upgradePlan(plan, Number(water ?? 60))),
    ])
  }
  const outcomes = await tx.query<{ id: string; record: Stored; summary: Stored }>(
    'select visit_id as id, record, summary from outcomes',
  )
  for (const { id, record, summary } of outcomes.rows)
    await tx.query('update outcomes set record = $2, summary = $3 where visit_id = $1', [
      id,
      JSON.stringify(upgradeOutcome(record)),
      JSON.stringify(upgradeBrief(summary)),
    ])
  const asides = await tx.query<{ aside: string }>('select distinct aside from step_minutes where aside is not null')
  for (const { aside } of asides.rows)
    await tx.query('update step_minutes set aside = $2 where aside = $1', [aside, upgradeAside(aside)])
}

/** All upgrades, by the names that are written down once they ran. */
export const UPGRADES: readonly Upgrade[] = [{ name: '0006_codes', run: codes }]
