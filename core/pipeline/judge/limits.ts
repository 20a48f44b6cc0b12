/** Limits of judging, each with its source. What the kitchen's own food code says stands in `physics/safety`. */

/**
 * A curd above this pH is not protected by its acid; the usual line for acid foods is 4.6 (from memory), kept under
 * it.
 */
export const ACID_CURD_PH = 4.2
/**
 * Egg proteins gather in coarse lumps near their isoelectric points: a stirred mix between these sets grainy (from
 * memory).
 */
export const COARSE_GEL_PH: readonly [number, number] = [4.5, 5.5]
/** Egg protein from which its gel is worth judging, g per 100 g of aqueous phase (judgement). */
export const EGG_COUNTS_C = 2
/** Starch from which its gel is worth judging, g per 100 g of water and sugar (judgement). */
export const STARCH_COUNTS_C = 1.5
/** Less swollen than this, starch is undercooked (judgement). */
export const STARCH_COOKED = 0.7
/** Starch strength that acid leaves under which it is told (judgement). */
export const STARCH_ACID_LEFT = 0.6
/** Live amylase that is told, 0–1: a tenth takes a fifth of the starch's strength in a day (judgement). */
export const AMYLASE_TOLD = 0.1
/** Agar hot with acid for as long as this, min at 97 °C and pH 2.5, has lost a quarter (judgement). */
export const AGAR_ACID_MIN = 1.5
/** Acid under this is no citrus dessert, % (judgement). */
export const NO_ACID_PERCENT = 0.2
/** Setters that are not modelled count from this share of the whole (judgement). */
export const NOT_MODELLED_SHARE = 0.02
/** Less water than this in its aqueous phase is outside the model (judgement). */
export const LEAST_WATER_SHARE = 0.2
/** A set under this is none, Pa; a cold piece under the second is runny, Pa on the bands' scale (judgement). */
export const NO_SET_PA = 1
export const RUNNY_STAR_PA = 10
/** A setter that carries this share of the set is worth its own word (judgement). */
export const CARRIES_SHARE = 0.2
/** Fresh kiwi and pineapple digest gelatin and milk protein unless they were this hot, °C (common practice). */
export const PROTEASE_DEAD_C = 80
/** Below this the acid of what it is folded into thickens cream as it goes in, pH (common practice). */
export const THICKENS_PH = 4.8
/** Grains in a raw meringue beyond which it weeps and beads, share of its sugar (judgement). */
export const BEADS = 0.1
/** Gelatin loses from acid below this pH (fitted). */
export const GELATIN_ACID_PH = 3.3

/** Over-setting of the poured piece above which it counts as grainy as a whole (judgement). */
export const GRAINY_THROUGH = 0.5
/** Over-setting above which egg is scrambled rather than grainy (judgement). */
export const SCRAMBLED = 0.85
/** A pot this near to turning grainy is worth a look, K (a thermometer's own error, see `physics/heat/egg`). */
export const NEAR_GRAINY_K = 2

/** A microwave's middle this far behind when it counts as hot is told, K: more than three thermometers' errors. */
export const COLD_MIDDLE_K = 8

/** A posset's share of grainy batches worth a look, and from which grains are to be expected (judgement). */
export const CURDLES_TOLD = 0.2
export const CURDLES = 0.5
/** Posset acid above which it hardly sets (fitted window; target 3.9–4.6). */
export const HARDLY_SETS_PH = 4.9
export const POSSET_GOAL_PH = 4.6
/** Juice goes in as cool as this at most where hotter would curdle it, °C (common practice: 75–95 for rich cream). */
export const ACID_IN_C = 75
/**
 * Gelatin strings where the base is under this as cold cream meets it, or the mix ends under the second, °C
 * (judgement).
 */
export const STRINGS_BASE_C = 22
export const STRINGS_MIX_C = 12
/** Butter blended in outside this splits or lumps, °C (common practice), from this share of the whole (judgement). */
export const BUTTER_IN: readonly [number, number] = [30, 66]
export const BUTTER_COUNTS_SHARE = 0.25

/** Alcohol above this is outside the model, and above the second worth a word to guests, % (judgement). */
export const ALCOHOL_LIMIT = 5
export const ALCOHOL_TOLD = 0.5
/** Weeping from here on is worth a word, of 10. */
export const WEEPS = 4
/** Fruit that never was so hot is raw, °C (what food agencies ask of frozen berries: boiled a minute; from memory). */
export const FRUIT_COOKED_C = 90
/** More raw fruit than this is what spoils first, share of the mix; it keeps so many days (common practice). */
export const RAW_FRUIT = { share: 0.3, days: 3 }
/** Air from which raw white or cream holds a set alone, volume fraction (judgement). */
export const FOAM_HOLDS = 0.1

/** Sweating under film begins to matter above this, °C (common practice). */
export const SWEAT_C = 45
/** Cold glass may crack under a filling hotter than this, °C (common practice). */
export const GLASS_C = 60
/** What a glass dish may cross between fridge and oven, °C (common practice). */
export const GLASS_OVEN_START_C = 10
/** A minute too early is not early, s. */
export const EARLY_S = 60
/** How far a glass may lean over what it holds before it spills, degrees (a protractor's own error). */
export const LEAN_ROOM_DEG = 0.05
/** A piece colder than this is frozen, °C: its set is not modelled. */
export const FROZEN_C = -2

/** A simmering bath, and a mix of egg, sugar and juice: °C, kg/l. */
export const BATH_C = 95
export const CURD_KG_L = 1.1
/** Overset at the edge of a bath between two stirs: told from, and grainy from, shares (fitted: two minutes pass). */
export const EDGE_SETS = 0.1
export const EDGE_GRAINS = 0.25
/** Cream boiled down to so much fat shows oil on top (common practice, L). */
export const OILS_OUT = 0.4
