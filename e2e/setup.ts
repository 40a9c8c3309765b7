import { dropFolder, endProgram, newFolder, startProgram } from './program'

/** Makes the demonstration once, as a first start does; the programs of a run begin with copies of it. */
export default async function () {
  const data = newFolder()
  await endProgram(await startProgram(data))
  process.env.JUVANT_TEST_DEMONSTRATION = data
  return () => dropFolder(data)
}
