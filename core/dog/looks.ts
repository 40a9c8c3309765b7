import { z } from 'zod'
import { plainName } from './breedNames'

/** Body build: the silhouette that is drawn. */
export const Build = z.enum(['usual', 'leggy', 'cobby', 'giant', 'low'])
export type Build = z.infer<typeof Build>

/** How the tail is carried: raised, curled over the back, hanging, or a stub. */
export const Tail = z.enum(['raised', 'curled', 'hanging', 'stub'])
export type Tail = z.infer<typeof Tail>

/** How long the nose is against the skull. */
export const Muzzle = z.enum(['short', 'middle', 'long'])
export type Muzzle = z.infer<typeof Muzzle>

/** The colour that most of the coat has. */
export const Shade = z.enum(['white', 'cream', 'gold', 'red', 'brown', 'grey', 'black'])
export type Shade = z.infer<typeof Shade>

/** What a dog looks like, as far as a drawing of it goes. */
export interface Looks {
  tail: Tail
  muzzle: Muzzle
  shade: Shade
  build: Build
}

/**
 * What breeds look like where it isn't a raised tail, a middle muzzle and a coat of any colour: a row for each group
 * that shares a look. Common practice, no source; the record says otherwise for one dog.
 */
const LOOKS: readonly (readonly [Partial<Looks>, string])[] = [
  [
    { tail: 'curled' },
    'Akita; Alaskan Malamute; Basenji; Chow Chow; Eurasier; Finnish Lapphund; Finnish Spitz; German Spitz; Havanese; Icelandic Sheepdog; Keeshond; Lhasa Apso; Lowchen; Maltese; Norwegian Elkhound; Pekingese; Pomeranian; Pug; Puli; Pumi; Samoyed; Samoyed mix; Shiba; Shih Tzu; Siberian Husky; Tibetan Mastiff; Tibetan Spaniel; Tibetan Terrier; Coton de Tulear; Bichon Frise; Bolognese; Japanese Chin; Papillon',
  ],
  [
    { tail: 'hanging' },
    'Afghan Hound; Australian Cattle Dog; Bedlington Terrier; Beauceron; Belgian Shepherd, long-haired; Belgian Shepherd, short-haired; Bernese Mountain Dog; Border Collie; Borzoi; Collie mix; Collie, rough; Collie, smooth; Deerhound; German Shepherd, long coat; German Shepherd, short coat; Great Dane; Greyhound; Irish Setter; Irish Wolfhound; Italian Greyhound; Leonberger; Lurcher; Mastiff; Newfoundland; Landseer; Pyrenean Mountain Dog; Saint Bernard; Saluki; Shepherd mix; Shetland Sheepdog; Whippet; Skye Terrier',
  ],
  [
    { tail: 'stub' },
    'Australian Shepherd; Boston Terrier; Bouvier; Brittany; Bulldog, English; Bulldog, French; Dobermann; Old English Sheepdog; Pembroke Corgi; Rottweiler; Schipperke; Spanish Water Dog',
  ],
  [
    { muzzle: 'long' },
    'Afghan Hound; Bedlington Terrier; Borzoi; Bull Terrier; Collie, rough; Collie, smooth; Dachshund, long-haired; Dachshund, smooth; Dachshund, wire-haired; Deerhound; Greyhound; Irish Wolfhound; Italian Greyhound; Lurcher; Pharaoh Hound; Saluki; Shetland Sheepdog; Skye Terrier; Whippet; Poodle, standard',
  ],
  [
    { build: 'leggy' },
    'Afghan Hound; Bedlington Terrier; Borzoi; Deerhound; Dobermann; Great Dane; Greyhound; Irish Setter; Irish Wolfhound; Italian Greyhound; Lurcher; Pharaoh Hound; Poodle, standard; Saluki; Vizsla; Weimaraner; Whippet',
  ],
  [
    { build: 'low' },
    'Basset Hound; Cardigan Corgi; Dachshund, long-haired; Dachshund, smooth; Dachshund, wire-haired; Dandie Dinmont Terrier; Glen of Imaal Terrier; Griffon Vendeen, basset; Pekingese; Pembroke Corgi; Scottish Terrier; Sealyham Terrier; Skye Terrier; West Highland White Terrier; Cairn Terrier; Lhasa Apso; Shih Tzu; Clumber Spaniel',
  ],
  [
    { build: 'cobby' },
    'Affenpinscher; Boston Terrier; Brussels Griffon; Bulldog, English; Bulldog, French; Chow Chow; Keeshond; Pomeranian; Pug; Shar Pei; Staffordshire Bull Terrier; King Charles Spaniel; Japanese Chin',
  ],
  [
    { build: 'giant' },
    'Anatolian Shepherd; Bernese Mountain Dog; Boerboel; Bullmastiff; Caucasian Shepherd; Dogue de Bordeaux; Kuvasz; Landseer; Leonberger; Mastiff; Newfoundland; Pyrenean Mountain Dog; Saint Bernard; Tibetan Mastiff; Tosa; Komondor',
  ],
  [
    { shade: 'white' },
    'Bichon Frise; Bolognese; Coton de Tulear; Komondor; Kuvasz; Maltese; Pyrenean Mountain Dog; Samoyed; Samoyed mix; Sealyham Terrier; West Highland White Terrier; Jack Russell Terrier, rough; Jack Russell Terrier, smooth; Parson Russell Terrier; Clumber Spaniel; Maltipoo; Dalmatian',
  ],
  [{ shade: 'cream' }, 'Soft-Coated Wheaten Terrier; Pug; Mastiff; Anatolian Shepherd; Cairn Terrier'],
  [{ shade: 'gold' }, 'Golden Retriever; Goldendoodle; Leonberger; Border Terrier; Briard'],
  [
    { shade: 'red' },
    'Irish Setter; Irish Terrier; Vizsla; Nova Scotia Duck Tolling Retriever; Finnish Spitz; Shiba; Dogue de Bordeaux; Rhodesian Ridgeback; Norfolk Terrier; Brittany; Pharaoh Hound',
  ],
  [
    { shade: 'brown' },
    'Lagotto; Irish Water Spaniel; Chesapeake Bay Retriever; Field Spaniel; Griffon Vendeen, basset; German Shorthaired Pointer; Airedale Terrier; Welsh Terrier; Lakeland Terrier',
  ],
  [
    { shade: 'grey' },
    'Weimaraner; Keeshond; Kerry Blue Terrier; Norwegian Elkhound; Deerhound; Irish Wolfhound; Miniature Schnauzer; Standard Schnauzer; Siberian Husky; Alaskan Malamute; Bearded Collie; Old English Sheepdog; Bedlington Terrier; Yorkshire Terrier; Silky Terrier; Australian Cattle Dog; Bergamasco; Skye Terrier; Belgian Shepherd, short-haired; Xoloitzcuintle; Peruvian Hairless',
  ],
  [
    { shade: 'black' },
    'Newfoundland; Puli; Scottish Terrier; Schipperke; Flat-Coated Retriever; Rottweiler; Dobermann; Giant Schnauzer; Affenpinscher; Gordon Setter; Bouvier; Portuguese Water Dog; Curly-Coated Retriever; Bernese Mountain Dog; Beauceron; Manchester Terrier; Hovawart; Belgian Shepherd, long-haired; Border Collie; Collie mix; Tibetan Mastiff',
  ],
]

const BY_BREED = new Map<string, Partial<Looks>>()
for (const [look, names] of LOOKS)
  for (const name of names.split('; ')) {
    const key = plainName(name)
    BY_BREED.set(key, { ...BY_BREED.get(key), ...look })
  }

/** Names of the table above, for checking that they are breeds. */
export const LOOKED_UP: readonly string[] = LOOKS.flatMap(([, names]) => names.split('; '))

/** What a breed of this name usually looks like, where that isn't the usual dog. */
export const breedLooks = (breed: string): Partial<Looks> => BY_BREED.get(plainName(breed)) ?? {}

/** What the record of a dog says of its looks; null or absent where it leaves it to the breed. */
export interface LooksFacts {
  breed: string
  build: Build
  shortNose: boolean
  white: boolean
  tail: Tail | null
  muzzle: Muzzle | null
  shade: Shade | null
}

/** How a dog looks: by its record, else by its breed, else as most dogs do. */
export function looksOf({ breed, build, shortNose, white, tail, muzzle, shade }: LooksFacts): Looks {
  const usual = breedLooks(breed)
  return {
    build: build !== 'usual' ? build : (usual.build ?? 'usual'),
    tail: tail ?? usual.tail ?? 'raised',
    muzzle: muzzle ?? (shortNose ? 'short' : (usual.muzzle ?? 'middle')),
    shade: shade ?? (white ? 'white' : (usual.shade ?? 'cream')),
  }
}
