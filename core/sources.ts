import {
  DAMP_LIMITS,
  DAY_GAPS,
  OWNER_NEWS,
  JOINING,
  OWNER_TIMES,
  HABITS,
  MIXING,
  NOISE_LIMITS,
  ROOM,
  WAIT_LIMITS,
  WATER_LIMITS,
  WAY_WEIGHTS,
  RHYTHM,
  WISH_TIMES,
  SPREAD,
  TRADES,
} from './washday'
import { AFTER_BATH, CURVE, DRYER, MOIST_AIR, USUAL, WAYS } from './drying'
import {
  AGES,
  COAT_FACTORS,
  COATS,
  FINDINGS,
  HAND_FACTORS,
  LISTED_BREEDS,
  ODD_WEIGHT,
  SKIN,
  SURFACE,
  ZONE_HOLD,
  ZONE_SHARES,
} from './dog'
import { CAUTION } from './caution'
import { OBJECTIVE, WISH_LIMITS, WISH_POINTS } from './day'
import { CONTACT } from './contact'
import { EQUIPMENT, PRICE_BANDS } from './house'
import { PRICING } from './money'
import { EARS } from './ears'
import { HAND_RATES, HANDWORK, LIFT, NOISE, PROTECTION } from './groomer'
import { STOCK } from './stock'
import { LABEL, MEASURE, VESSEL, VOLUME } from './mix'
import { LEARN } from './learn'
import { INSTRUMENTS } from './instruments'
import { FIGURES, HEAT, TAUGHT } from './logbook'
import { APPLIED, BEARABLE, CARE_EVERY, CLIP_FIRST, INTERVAL, PAUSES, QUESTIONS, TABLE_TOWELS } from './visit'
import { LADDER, TWO_FROM } from './handling'
import { RINSE, TOOLS } from './rinse'
import { CATCHING_UP, DIFFERED, TUBSIDE } from './tubside'
import { SCALD_SOURCE, SCALD_TABLE, SUPPLY, USUAL_HEATERS, WATER, WETTING } from './water'
import { MEASURES, SPOONS, VOLUME_UNITS } from './units'
import { gridConstants, type Constant } from './constants'

/** Every table of constants by subject, for the page that lists where the numbers come from. */
export const CONSTANT_TABLES: Record<string, Record<string, Constant>> = {
  'Volume units': VOLUME_UNITS,
  'Prices: sizes of a list': PRICE_BANDS,
  Prices: PRICING,
  'Units of weight, length and warmth': MEASURES,
  'Measuring spoons': SPOONS,
  'Body surface': SURFACE,
  Coats: gridConstants(COATS),
  'Coat length and density': COAT_FACTORS,
  'Coat length and density: work by hand': HAND_FACTORS,
  'Skin in places': SKIN,
  'Zones: share of the surface': gridConstants(ZONE_SHARES),
  'Zones: water held, by coat': gridConstants(ZONE_HOLD),
  Ages: AGES,
  'Breeds in a list of clients': LISTED_BREEDS,
  'Weights that are asked about': ODD_WEIGHT,
  Labels: LABEL,
  'Volume of a wash': VOLUME,
  Measuring: MEASURE,
  'Vessels for a mix': VESSEL,
  'What stays on the coat': APPLIED,
  Stock: STOCK,
  'Usual dryers': USUAL,
  'Usual heaters': USUAL_HEATERS,
  'Bath temperature': WATER,
  'Water supply': SUPPLY,
  'Scald times': Object.fromEntries(
    SCALD_TABLE.map(([celsius, seconds]) => [`${celsius} °C`, { value: seconds, unit: 's', ...SCALD_SOURCE }]),
  ),
  Wetting: WETTING,
  Rinsing: RINSE,
  'Cups and a low shower': TOOLS,
  'Contact times': CONTACT,
  Ears: EARS,
  'Work by hand': HANDWORK,
  'Work by hand: surface a minute': gridConstants(HAND_RATES),
  Pauses: PAUSES,
  Noise: NOISE,
  'Ear protection': PROTECTION,
  Lifting: LIFT,
  Interval: INTERVAL,
  'Questions about a record': QUESTIONS,
  Findings: FINDINGS,
  'Waits in a day': DAY_GAPS,
  'Times for owners': OWNER_TIMES,
  'When a dog that joins a day comes': JOINING,
  'News for owners': OWNER_NEWS,
  'Room air through a day': ROOM,
  'Hot water of a day': WATER_LIMITS,
  'Noise of a day': NOISE_LIMITS,
  'Damp air of a day': DAMP_LIMITS,
  'Waits of the dogs': WAIT_LIMITS,
  'Ways out of a finding': WAY_WEIGHTS,
  'Habits of a day': HABITS,
  'What a day is arranged for': OBJECTIVE,
  'From when something is a wish': WISH_LIMITS,
  'Dogs that come again and again': SPREAD,
  'How often a dog is agreed to come': RHYTHM,
  'Wishes of a day': { ...WISH_POINTS, ...WISH_TIMES, ...TRADES },
  'Mixing for a day': MIXING,
  'At the tub': TUBSIDE,
  'What differed': DIFFERED,
  'Ticked through': CATCHING_UP,
  'Learning from the log': LEARN,
  'Ladder of tolerance': LADDER,
  'Two people for a first bath': TWO_FROM,
  'What is done at intervals of its own': CARE_EVERY,
  'Towels on the table': TABLE_TOWELS,
  'What a new or frightened dog bears': BEARABLE,
  'What is cut off before the bath': CLIP_FIRST,
  'What the log taught': TAUGHT,
  'What the log draws': FIGURES,
  'Heat and electricity': HEAT,
  Instruments: INSTRUMENTS,
  'A house, until it says otherwise': EQUIPMENT,
  'Moist air': MOIST_AIR,
  'Water left after the bath': AFTER_BATH,
  'Drying stages': CURVE,
  'Ways of drying': WAYS,
  Dryers: DRYER,
  Cautions: CAUTION,
}
