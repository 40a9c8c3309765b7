import type { Db } from '../../db/db'
import { addAnswers, answersOf, followUps, removeAnswers } from '../../db/answers'
import { dogRecords } from '../../db/dogs'
import { theHouse } from '../../db/house'
import { unitsOf } from '@core/house'
import { ownerCard } from '../../formats/card'
import { notFound } from '../../problems'
import type { Handlers } from '../register'

/** What owners answer before a visit and after it, and the cards that they answer on. */
export function ownerHandlers(db: Db) {
  const theDog = async (id: string) => {
    const dog = await dogRecords.find(db, id)
    if (!dog) throw notFound('dog')
    return dog
  }
  return {
    'GET /dogs/{id}/answers': async ({ params }) => answersOf(db, (await theDog(params.id)).id),
    'POST /dogs/{id}/answers': async ({ params, body: { id, said } }) =>
      addAnswers(db, (await theDog(params.id)).id, said, id),
    'DELETE /answers/{id}': async ({ params }) => {
      if (!(await removeAnswers(db, params.id))) throw notFound('answer')
    },
    'GET /dogs/{id}/card.html': async ({ params, query: { date, kind } }) => {
      const dog = await theDog(params.id)
      const { record: house } = await theHouse(db)
      const content = ownerCard({
        dogId: dog.id,
        name: dog.record.name,
        house: house.name,
        date,
        kind,
        units: unitsOf(house),
      })
      return { content, name: `card-${kind}-${date}.html`, open: 'attachment' }
    },
    'GET /followups': ({ query }) => followUps(db, query.on),
  } satisfies Partial<Handlers>
}
