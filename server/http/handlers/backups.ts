import type { Keeper } from '../../backup/keeper'
import { Refusal } from '../../problems'
import type { Handlers } from '../register'

/** Backups: where they lie, made now, kept elsewhere, restored beside. */
export function backupHandlers(backups: Keeper | undefined) {
  const keeper = (): Keeper => {
    if (!backups) throw new Refusal(501, 'No backups here', 'This server keeps nothing that it could back up.')
    return backups
  }
  return {
    'GET /backups': () => keeper().state(),
    'POST /backups': () => keeper().make(),
    'PUT /backups/folder': async ({ body }) => {
      await keeper().moveTo(body.folder)
      return keeper().state()
    },
    'POST /backups/{backup}/restore': ({ params }) => keeper().restore(params.backup),
  } satisfies Partial<Handlers>
}
