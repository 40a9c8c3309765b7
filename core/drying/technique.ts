export { Technique } from '../dog'
