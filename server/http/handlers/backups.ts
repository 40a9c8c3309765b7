import type { Keeper } from '../../backup/keeper'
import { Refusal } from '../../problems'
import type { Handlers } from '../register'

const BY_SERVER = {
  folder: '',
  files: [],
  journalAt: null,
  problem: null,
  making: false,
  byServer: true,
  unreadable: [],
  practisedAt: null,
}

/** Backups: where they lie, made now, kept elsewhere, restored beside, a restore practised. */
export function backupHandlers(backups: Keeper | undefined) {
  const keeper = (): Keeper => {
    if (!backups)
      throw new Refusal(
        501,
        'No backups from here',
        'What is kept lies in a database server: its backups are made there.',
      )
    return backups
  }
  return {
    'GET /backups': () => backups?.state() ?? BY_SERVER,
    'POST /backups': () => keeper().make(),
    'PUT /backups/folder': async ({ body }) => {
      await keeper().moveTo(body.folder)
      return keeper().state()
    },
    'POST /backups/practise': () => keeper().practise(),
    'POST /backups/{backup}/restore': ({ params }) => keeper().restore(params.backup),
  } satisfies Partial<Handlers>
}
