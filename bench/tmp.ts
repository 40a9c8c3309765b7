import { largeShelf } from './shelf'
console.log(await largeShelf(500, 5))
