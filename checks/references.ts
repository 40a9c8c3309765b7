import type { ConstantKind } from '@core/constants'

/** A set of values from outside the program, against which the reckoning is checked. */
export interface Reference {
  what: string
  kind: Exclude<ConstantKind, 'house'>
  source: string
  values: readonly (readonly [string | number, ...(string | number)[]])[]
  columns: readonly string[]
}

/** Every outside value used by the checks, with its source beside it; listed in docs/sources.md. */
export const REFERENCES = {
  bodySurface: {
    what: 'Body surface of a dog',
    kind: 'memory',
    source: 'Merck Veterinary Manual, weight to body-surface-area table for dogs (values from memory)',
    columns: ['kg', 'm²'],
    values: [
      [5, 0.29],
      [10, 0.46],
      [20, 0.74],
      [30, 0.96],
      [40, 1.17],
      [50, 1.36],
    ],
  },
  steam: {
    what: 'Saturation pressure of water',
    kind: 'memory',
    source: 'steam tables, IAPWS-IF97 (values from memory)',
    columns: ['°C', 'kPa'],
    values: [
      [10, 1.2282],
      [20, 2.3393],
      [30, 4.247],
      [40, 7.3849],
      [60, 19.947],
      [80, 47.414],
      [100, 101.42],
    ],
  },
  usVolumes: {
    what: 'US volume units in millilitres',
    kind: 'memory',
    source: 'NIST Special Publication 811, appendix B (values from memory)',
    columns: ['text', 'mL'],
    values: [
      ['fl oz', 29.5735],
      ['cup', 236.588],
      ['pint', 473.176],
      ['quart', 946.353],
      ['gallon', 3785.41],
      ['tbsp', 14.7868],
      ['tsp', 4.92892],
      ['imperial gallon', 4546.09],
    ],
  },
  scaldCpsc: {
    what: 'Seconds to a scald of adult skin',
    kind: 'memory',
    source: 'US CPSC, publication on tap-water scalds (values from memory)',
    columns: ['°C', 's'],
    values: [
      [66, 2],
      [60, 6],
      [54, 30],
      [49, 300],
    ],
  },
  heaterRecovery: {
    what: 'Recovery of a 4.5 kW heater at a rise of 90 °F',
    kind: 'memory',
    source: 'heater-sizing formula of the trade, gallons per hour = kW · 3412 / (8.25 · rise °F) (value from memory)',
    columns: ['kW', 'K', 'US gal/h'],
    values: [[4.5, 50, 20.4]],
  },
  tapMixing: {
    what: 'Hot share of a mix, worked by hand',
    kind: 'published',
    source: 'heat balance of two streams of water',
    columns: ['target °C', 'cold °C', 'hot °C', 'hot share'],
    values: [
      [35, 10, 60, 0.5],
      [37.5, 12.5, 62.5, 0.5],
      [33, 11, 55, 0.5],
      [38, 18, 58, 0.5],
      [30, 10, 50, 0.5],
      [36, 11, 61, 0.5],
      [20, 10, 60, 0.2],
    ],
  },
  noise: {
    what: 'Minutes a sound level may last',
    kind: 'memory',
    source: 'NIOSH 98-126 (1998), table 1-1 (values from memory)',
    columns: ['dBA', 'min'],
    values: [
      [85, 480],
      [88, 240],
      [94, 60],
      [97, 30],
      [100, 15],
      [103, 7.5],
    ],
  },
  lifting: {
    what: 'Recommended weight limit of one lift',
    kind: 'memory',
    source:
      'NIOSH 94-110 (1994), revised lifting equation (value from memory; the others worked by hand from its multipliers)',
    columns: ['H cm', 'from cm', 'to cm', 'twist', 'kg'],
    values: [
      [40, 20, 90, 0, 9.55],
      [25, 75, 75, 0, 20.7],
      [25, 50, 75, 0, 19.15],
      [50, 75, 75, 0, 10.35],
      [25, 75, 75, 90, 14.74],
      [64, 20, 90, 0, 0],
    ],
  },
  protector: {
    what: 'Decibels that a protector takes off a level in dBA, worked by hand',
    kind: 'memory',
    source: 'NIOSH 98-126 (1998), derating of labelled protection (values from memory)',
    columns: ['kind', 'NRR', 'dB'],
    values: [
      ['earmuff', 24, 11],
      ['foam', 30, 8],
      ['other', 25, 0.5],
      ['foam', 10, 0],
    ],
  },
  outlet: {
    what: 'Rise of air temperature through a dryer, worked by hand',
    kind: 'published',
    source: 'energy balance, dry air 1006 J/(kg·K), vapour 1860 J/(kg·K)',
    columns: ['W', 'kg/s dry air', 'kg/kg', 'K'],
    values: [
      [1006, 0.02, 0, 50],
      [2012, 0.04, 0, 50],
      [1024.6, 0.02, 0.01, 50],
    ],
  },
  jet: {
    what: 'Excess temperature on the axis of a round jet, share of that at the nozzle',
    kind: 'memory',
    source: 'turbulent round jet, potential core of five bores and 1/x decay, any text on jets (values from memory)',
    columns: ['bores', 'share'],
    values: [
      [2, 1],
      [5, 1],
      [10, 0.5],
      [20, 0.25],
    ],
  },
  dickerson: {
    what: 'A wet dog of 27 kg: water carried, heat to evaporate it, and share of a day’s energy',
    kind: 'memory',
    source: 'Dickerson, Mills and Hu, J. R. Soc. Interface 2012 (values from memory)',
    columns: ['kg dog', 'kg water', 'share of a day'],
    values: [[27, 0.45, 0.2]],
  },
  waterTargets: {
    what: 'Bath temperatures of practice',
    kind: 'practice',
    source: 'common practice, no source',
    columns: ['case', '°C'],
    values: [
      ['sound adult, warm', 37.5],
      ['sound adult, neutral', 35],
      ['itchy adult, warm', 33.5],
      ['itchy puppy, warm', 34],
      ['itchy puppy, neutral', 33],
      ['inflamed adult, warm', 32.5],
      ['sound puppy, warm', 38],
      ['sound puppy, neutral', 36],
      ['short nose, warm', 36.5],
    ],
  },
  labels: {
    what: 'Printed ratios and the parts of water they mean',
    kind: 'practice',
    source: 'common practice, no source',
    columns: ['label', 'parts water'],
    values: [
      ['1:10', 10],
      ['10:1', 10],
      ['10 to 1', 10],
      ['1+10', 10],
      ['1 in 11', 10],
      ['8 %', 11.5],
      ['30 mL/L', 33.333],
      ['1 oz per gallon', 128],
      ['2 tbsp per quart', 32],
      ['ready to use', 0],
    ],
  },
  contact: {
    what: 'Contact times by product when the label is silent',
    kind: 'practice',
    source: 'common practice, no source',
    columns: ['kind', 'least min', 'most min'],
    values: [
      ['cleaning', 3, 5],
      ['soothing', 3, 5],
      ['degreasing', 3, 5],
      ['conditioner', 3, 7],
      ['whitening', 8, 10],
      ['medicated', 10, 10],
    ],
  },
  handwork: {
    what: 'Minutes of the work by hand on a dog of 20 kg (0.744 m²), worked by hand from the estimated rates',
    kind: 'practice',
    source: 'common practice, no source',
    columns: ['work', 'min'],
    values: [
      ['look over, 20 kg', 4],
      ['rubber brush, smooth', 2.481],
      ['brush out, wire', 10.631],
      ['brush out, drop', 33.826],
      ['few mats on the back', 3.584],
      ['many mats on the back', 8.959],
      ['blow out', 14.883],
      ['nails', 3],
      ['nails, touch-shy', 6],
      ['nails, a puppy’s tips', 2],
      ['lather, wire', 3.721],
      ['lather, drop', 5.316],
      ['lather, dense wire', 4.465],
      ['face, washed', 1.5],
      ['face by cloth, with folds', 2.5],
      ['conditioner, wire', 4.651],
      ['conditioner, drop', 10.631],
      ['hand squeeze', 1],
      ['hand squeeze, corded', 12.403],
      ['three towels', 3],
      ['three wrings of a chamois', 1.5],
      ['lift, 25 kg', 1],
      ['lift, 26 kg', 2],
      ['set up the dryer', 1],
      ['cloth over, smooth', 1.24],
      ['comb through, wire', 5.724],
      ['comb through, drop', 16.537],
      ['clean the tub', 3],
      ['clean the tub, fleas', 10],
      ['hand over', 3],
    ],
  },
  washingOrders: {
    what: 'Where a wash begins and ends, by house rule',
    kind: 'practice',
    source: 'common practice, no source',
    columns: ['rule', 'first', 'last'],
    values: [
      ['under', 'feet', 'head'],
      ['neck', 'neck', 'head'],
      ['face', 'head', 'tail'],
    ],
  },
  intervals: {
    what: 'Days between washes, by coat',
    kind: 'practice',
    source: 'common practice, no source',
    columns: ['coat', 'days'],
    values: [
      ['smooth', 84],
      ['short double', 84],
      ['long double', 56],
      ['wire', 56],
      ['curly', 35],
      ['drop', 35],
      ['feathered', 49],
      ['corded', 90],
      ['hairless', 14],
    ],
  },
  handMinutes: {
    what: 'Minutes of the hands for a whole visit, nails and ears with it, usual range',
    kind: 'practice',
    source: 'common practice, no source',
    columns: ['dog', 'least min', 'most min'],
    values: [
      ['Whippet, 13 kg', 30, 48],
      ['French Bulldog, 12 kg', 32, 52],
      ['Boxer, 28 kg', 38, 60],
      ['Beagle, 12 kg', 35, 55],
      ['Labrador, 31 kg', 58, 90],
      ['Cairn Terrier, 7 kg, 5 cm', 42, 68],
      ['Papillon, 4 kg', 38, 62],
      ['Irish Setter, 28 kg', 80, 125],
      ['Golden Retriever, 30 kg', 80, 120],
      ['Keeshond, 18 kg, shedding', 105, 155],
      ['Samoyed, 22 kg, shedding', 120, 180],
      ['Newfoundland, 58 kg, dense', 180, 260],
      ['Yorkshire Terrier, 3.2 kg, long, greasy', 50, 85],
      ['Shih Tzu, 6 kg, long', 75, 115],
      ['Bichon, 6 kg, 4 cm', 70, 110],
      ['Standard Poodle, 25 kg, 8 cm', 150, 220],
      ['Puli, 13 kg, corded', 60, 110],
      ['puppy, 2 kg, wire', 0, 45],
      ['puppy, 5 kg, curly', 0, 45],
      ['puppy, 8 kg, long double', 0, 45],
    ],
  },
  clippedShare: {
    what: 'Hands minutes of a clipped dog as a share of the same dog in full coat, %',
    kind: 'practice',
    source: 'common practice, no source',
    columns: ['dog', 'least %', 'most %'],
    values: [
      ['Shih Tzu, 6 kg', 55, 70],
      ['Standard Poodle, 25 kg', 55, 70],
    ],
  },
  jobShops: {
    what: 'Shortest makespan of job-shop problems, machine and duration in pairs',
    kind: 'memory',
    source: 'FT06: Fisher and Thompson 1963; LA01: Lawrence 1984 (values from memory)',
    columns: ['problem', 'makespan', 'machine duration ...'],
    values: [
      [
        'FT06',
        55,
        `2 1  0 3  1 6  3 7  5 3  4 6
1 8  2 5  4 10  5 10  0 10  3 4
2 5  3 4  5 8  0 9  1 1  4 7
1 5  0 5  2 5  3 3  4 8  5 9
2 9  1 3  4 5  5 4  0 3  3 1
1 3  3 3  5 9  0 10  4 4  2 1`,
      ],
      [
        'LA01',
        666,
        `1 21  0 53  4 95  3 55  2 34
0 21  3 52  4 16  2 26  1 71
3 39  4 98  1 42  2 31  0 12
1 77  0 55  4 79  2 66  3 77
0 83  3 34  2 64  1 19  4 37
1 54  2 43  4 79  0 92  3 62
3 69  4 77  1 87  2 87  0 93
2 38  0 60  1 41  3 24  4 83
3 17  1 49  4 25  0 44  2 98
4 77  3 79  2 43  1 75  0 96`,
      ],
    ],
  },
  washDays: {
    what: 'Best objectives of invented wash days in checks/day/instances',
    kind: 'memory',
    source: 'made for Juvant, proven optimal by a constraint solver when they were made (values from memory)',
    columns: ['day', 'objective'],
    values: [
      ['n03-s1', 2181],
      ['n03-s2', 4392],
      ['n05-s1', 4190],
      ['n05-s2', 6446],
      ['n06-s1', 115344],
      ['n06-s2', 17668],
      ['n08-s1', 42484],
      ['n08-s2', 8049],
    ],
  },
  shrinkage: {
    what: 'A dog’s minutes from four visits: log-ratios 0.2, 0.3, 0.1, 0.2',
    kind: 'memory',
    source:
      'normal mean with known variance, closed form: Gelman et al., Bayesian Data Analysis, chapter 2 (worked by hand)',
    columns: ['σ²', 'τ²', 'model min', 'mean', 'median min', '70 % min'],
    values: [[0.04, 0.0225, 40, 0.1385, 45.94, 51.47]],
  },
  dryingMinutes: {
    what: 'Minutes of drying, usual range',
    kind: 'practice',
    source: 'common practice, no source',
    columns: ['case', 'least min', 'most min'],
    values: [
      ['3 kg drop, hand dryer', 15, 30],
      ['13 kg smooth', 6, 12],
      ['18 kg long double, velocity', 40, 60],
      ['58 kg dense long double, velocity', 90, 130],
      ['25 kg full curly, 8 cm and dense', 70, 120],
      ['13 kg corded, fan', 120, 480],
    ],
  },
} as const satisfies Record<string, Reference>
