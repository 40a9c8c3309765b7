import { allStandings, standingRecords } from '../../db/days'
import type { Db } from '../../db/db'
import { addDog, dogRecords, duesOn, findDogs } from '../../db/dogs'
import { addFinding, findingRecords, findingsOf } from '../../db/findings'
import { houseRecords, theHouse } from '../../db/house'
import { allProducts, productRecords, visitsWith } from '../../db/products'
import { addMovement, movementsOf, removeMovement, stockOn } from '../../db/stock'
import { conflict, notFound, Refusal } from '../../problems'
import { bringBack, deletedThings } from '../../usecases/bin'
import { goBack, historyOf } from '../../usecases/history'
import type { Handlers } from '../register'
import { recordHandlers } from './records'

/** What a groomer keeps: dogs with what was found on them, the shelf, standing dogs, the house. */
export const houseHandlers = (db: Db) =>
  ({
    ...recordHandlers(db, 'dogs', 'dog', dogRecords),
    ...recordHandlers(db, 'findings', 'finding', findingRecords),
    ...recordHandlers(db, 'products', 'product', productRecords),
    ...recordHandlers(db, 'standings', 'standing dog', standingRecords),
    // an owner's name isn't spelled out by asking for its letters
    'GET /dogs': ({ query, asker }) => findDogs(db, query, asker.role === 'whole'),
    'GET /bin': () => deletedThings(db),
    'POST /bin/restore': ({ body }) => bringBack(db, body.what, body.id),
    'GET /history': ({ query }) => historyOf(db, query.what, query.id),
    'POST /history/back': ({ body }) => goBack(db, body.change),
    'GET /dues': ({ query }) => duesOn(db, query.on),
    'POST /dogs': ({ body, key }) => addDog(db, body, key),
    'POST /dogs/list': ({ body }) =>
      db.transaction(async (tx) => {
        for (const dog of body.dogs) await addDog(tx, dog)
        return { added: body.dogs.length }
      }),
    'GET /dogs/{id}/findings': ({ params }) => findingsOf(db, params.id),
    'POST /dogs/{id}/findings': async ({ params, body, key }) => {
      if (!(await dogRecords.find(db, params.id))) throw notFound('dog')
      return addFinding(db, params.id, body, key)
    },
    'DELETE /products/{id}': ({ params }) =>
      db.transaction(async (tx) => {
        const visits = await visitsWith(tx, params.id)
        if (visits > 0)
          throw new Refusal(
            409,
            'Visits were planned with it',
            `${visits === 1 ? 'One kept visit was' : `${visits} kept visits were`} planned with this product. Retire it: then nothing is planned with it any more, and those stay as they are.`,
          )
        if (!(await productRecords.remove(tx, params.id))) throw notFound('product')
      }),
    'GET /products/{id}/movements': async ({ params }) => {
      if (!(await productRecords.find(db, params.id))) throw notFound('product')
      return movementsOf(db, params.id)
    },
    'POST /products/{id}/movements': async ({ params, body, key }) => {
      if (!(await productRecords.find(db, params.id))) throw notFound('product')
      return addMovement(db, params.id, body, key)
    },
    'DELETE /movements/{id}': async ({ params }) => {
      if (!(await removeMovement(db, params.id))) throw notFound('movement')
    },
    'GET /stock': ({ query }) => stockOn(db, query.on),
    'GET /products': () => allProducts(db),
    'POST /products': ({ body, key }) => productRecords.add(db, body, key),
    'GET /standings': () => allStandings(db),
    'POST /standings': ({ body, key }) => standingRecords.add(db, body, key),
    'GET /house': () => theHouse(db),
    'PUT /house': async ({ body: { version, record } }) => {
      const changed = await houseRecords.change(db, (await theHouse(db)).id, version, record)
      if (changed.state === 'missing') throw notFound('house')
      if (changed.state === 'conflict') throw conflict(changed.row)
      return changed.row
    },
  }) satisfies Partial<Handlers>
