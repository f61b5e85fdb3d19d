export { adjustTo, type Assumption, completeAnalysis, type CompletedAnalysis } from './chemistry/analysis'
export { HARMFUL_NH3, unionisedAmmonia, unionisedShare } from './chemistry/ammonia'
export { afterChange, blend, changed, dissolve, evaporated } from './chemistry/blend'
export {
  carbonateConstants,
  type CarbonateSystem,
  carbonateSystem,
  co2ByRule,
  co2FromPhKh,
} from './chemistry/carbonate'
export { CONDUCTIVITY_ERROR, estimateConductivity, molarConductivity } from './chemistry/conductivity'
export {
  caMgByMass,
  calciumShare,
  ghOf,
  hardnessFromIons,
  khOf,
  MEQ_PER_DKH,
  MMOL_PER_DGH,
  RATIO_BAND,
  USUAL_CA_MG,
} from './chemistry/hardness'
export {
  type AmountKey,
  amountKeys,
  chargeBalance,
  ionicStrength,
  type IonKey,
  ionKeys,
  ionMass,
  molarMass,
  pureWater,
  waterOf,
} from './chemistry/ions'
export { oxygenSaturation } from './chemistry/oxygen'
export { type Dissolving, type Dose, doseOf, type Salt, salts, scaled } from './chemistry/salts'
export { mixedPh } from './chemistry/mixedPh'
export { khForPh, phAtCo2, settlingPh, type SettlingPh, USUAL_C } from './chemistry/settling'
export { sourceValues, sourceWater, type SourceWater } from './chemistry/sourceWater'
export { fromTheBox, mixSaltWater, type SaltMix, seaSaltIons, shareOfSea } from './chemistry/seaSalt'
export {
  conductivityOfSalinity,
  gramsPerLitreFromSalinity,
  type GravityReference,
  pureWaterToDilute,
  pureWaterToExchange,
  salinityFromConductivity,
  salinityFromGramsPerLitre,
  salinityFromGravity,
  seaDensity,
  seaSaltToRaise,
  specificGravity,
} from './chemistry/seawater'
export { type SolvedChange, solveChange } from './recipe/change'
export {
  correctionGoals,
  exactGoals,
  fillGoals,
  type Goal,
  type Goals,
  khWithPh,
  missing,
  type RecipeMode,
  usualMode,
} from './recipe/goals'
export { measurable, type Measured, roundTo } from './recipe/measure'
export { setByHand } from './recipe/byHand'
export { type Bought, type FillToBuy, fillToBuy, type FillWish, needsTap } from './recipe/fillToBuy'
export { findRecipe, type RecipeFinding, type RecipeWish } from './recipe/find'
export {
  fillQuestion,
  type OnHand,
  planRecipe,
  type RecipeAnswer,
  type RecipeIssue,
  type RecipeQuestion,
  type RecipeStep,
  type WaterRecipe,
} from './recipe/plan'
export { isAsGoodAsPure, type Purchase, purchaseFor } from './recipe/purchase'
export { simplestRecipe } from './recipe/simplest'
export { type ChangeQuestion, changeProgram, type LinearProgram } from './recipe/program'
export { type Readouts, readoutsOf, type RecipeKey, recipeKeys, slopesAt } from './chemistry/readouts'
export { nearEnough } from './recipe/weights'
export { correctionsUnderway, type Underway } from './recipe/underway'
export { solveProgram } from './recipe/solveProgram'
export { heldValues } from './heldValues'
export { freshDays, readingSd } from './methodDoubt'
export { judgeValue } from './valueVerdict'
export { type ReadingMethod, type ValueReading, type ValueVerdict, type WaterMessageKey } from './valueShapes'
export { withSwing } from './swingVerdict'
export { type BoxForecast, type BoxHabits, type BoxKey, boxKeys, creep, forecastBox, slowLaws } from './time/box'
export { type BandDay, forecastBand } from './time/forecastBand'
export { controlLimits, type ControlLimits } from './time/controlLimits'
export { changeCalendar, type ChangeCalendar } from './time/changeCalendar'
export { isPartChange, type Jump, type MixingKey, mixingValues, type WaterStory, waterStory } from './time/events'
export type { WaterEvent } from './time/waterEvent'
export { changedLPerDay, clearDrift, learnHabits, type LearntHabits, type LearntRate } from './time/habits'
export { usualHabits, type UsualHabits } from './time/usualHabits'
export { type Follows, type FollowsInput, type FollowsKey, whatFollows } from './whatFollows'
export { phSwing, type PhSwing, SWING_WARNING, swingWarns } from './time/phSwing'
export {
  type AcclimationKey,
  acclimationKeys,
  type AcclimationValues,
  dripped,
  type DripMode,
  type DripPlan,
  fastestWay,
  largestPerHour,
  planDrip,
  planSteps,
  salinitySchedule,
  type SalinityStep,
} from './husbandry/acclimation'
export {
  CALIBRATION_DAYS,
  calibrated,
  calibrationLine,
  type CalibrationResult,
  type Settled,
  settledMean,
} from './husbandry/calibrate'
export {
  CURED,
  type Curing,
  type CuringInput,
  type CuringReason,
  type CuringStage,
  judgeCuring,
} from './husbandry/curing'
export {
  CHANGE_AFTER_DOSE_DAYS,
  harmed,
  planTreatment,
  type Substance,
  type SubstanceId,
  substanceIds,
  substances,
  type TreatmentDay,
  type TreatmentDose,
  type TreatmentIssue,
  type TreatmentPlan,
} from './husbandry/treatment'
export {
  CHANGED_AFTER_DOSE,
  type CoursePoint,
  courseStair,
  type TreatmentCourse,
  treatmentCourse,
} from './husbandry/treatmentCourse'
export { largestChange, type Shock, type ShockInput, shockKeys, type ShockOfValue, shockOf } from './husbandry/shock'
export { lastsWeeks, type Poured, pouredSince, stockLeft } from './recipe/stock'
export { pouringMinutes } from './recipe/pouring'
