export {
  forecastErrorsOf,
  usualForecastErrors,
  visibilityDoubt,
  MORNING_FIELDS,
  type ForecastError,
  type ForecastErrors,
  type MorningDoubts,
  type MorningField,
  type RampWater,
  type VisibilityDoubt,
} from './doubts.js';
export { drawMornings, type MorningChange } from './draw.js';
export { answerMorning, type Morning, type MorningWindow } from './answers.js';
export { answerWords, isOver, READ_WORDS, type AskedAtRamp, type Question } from './questions.js';
export { surenessOf, type Decides, type Share, type Sureness, type WindowSureness } from './sureness.js';
export { cardAnswer, rampCard, type CardAnswer, type CardNode, type RampCard } from './card.js';
export {
  boxLacks,
  ofMornings,
  packFor,
  whyPacked,
  type Lacking,
  type MorningsPacking,
  type PackedLure,
  type ToBuy,
} from './packing.js';
export { chooseAboard } from './cover.js';
export { deckFor, whyOnDeck, type DeckRod, type MorningsDeck } from './deck.js';
export { wantedOn, wantedTogether, type Wanted } from './wanted.js';
export { tellCard, type ShortPlan, type ToldCard, type ToldCardNode } from './told-card.js';
export { morningsInSteps, morningsOf, USUAL_MORNINGS, type MorningsOfDay, type MorningsOptions } from './mornings.js';
