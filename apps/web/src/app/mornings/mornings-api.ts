import type { Conditions, ForecastPair, Presentation, UnitSystem } from '@inky-shoal/core';
import { drillApi } from '../drill/drill-api';
import {
  boxLacks,
  deckFor,
  forecastErrorsOf,
  morningsInSteps,
  morningsOf,
  packFor,
  tellCard,
  wantedTogether,
  whyOnDeck,
  whyPacked,
  type Lacking,
  type MorningDoubts,
  type MorningsOfDay,
  type Sureness,
  type ToBuy,
  type ToldCard,
  type Wanted,
} from '@inky-shoal/core/mornings';
import type { TackleItem } from '@inky-shoal/core/tackle';
import type { Combo } from '@inky-shoal/core/tackle/match';

/** A day to come, with what is not known of it. */
export interface MorningsQuestion {
  readonly conditions: Conditions;
  readonly doubts: Omit<MorningDoubts, 'errors'>;
  /** What was forecast and what came; the usual errors where there is none. */
  readonly pairs: readonly ForecastPair[];
  readonly units: UnitSystem;
}

/** Between which figures four mornings of five lie, and the middle. */
export type Spread = readonly [low: number, middle: number, high: number];

export interface ToldMornings {
  readonly sureness: Sureness;
  readonly card: ToldCard | null;
  readonly surfaceTempC: Spread;
  readonly visibilityM: Spread;
  readonly windMps: Spread;
}

/** A piece for the boat, and why. */
export interface ToldPiece {
  readonly id: string;
  readonly name: string;
  readonly where: string;
  readonly why: string;
  /** Owned pieces that it goes with. */
  readonly with: readonly string[];
}

/** A kind of lure that is not owned and would be wanted, by what it should be. */
export interface ToldLacking extends Pick<Lacking, 'category' | 'wanted' | 'times'> {
  readonly lengthMm: readonly [number, number];
  readonly tone: Presentation['colour']['tone'];
  readonly families: Presentation['colour']['families'];
  readonly lineLb: number;
  readonly lineMaterial: Presentation['rig']['line']['material'];
}

/** A rod for the deck, what is tied on it, and why. */
export interface ToldRod {
  readonly id: string;
  readonly name: string;
  readonly lure: string;
  readonly why: string;
  /** What falls short of what is advised. */
  readonly short: readonly string[];
  readonly spareLine: string | null;
}

/** For what is packed: room, rods, and the days that follow the one on the sheet. */
export interface PackingWish {
  readonly lures: number;
  readonly rods: number;
  readonly daysAfter: readonly MorningsQuestion[];
}

export interface ToldPacking {
  /** Days that it is for. */
  readonly days: number;
  readonly rods: readonly ToldRod[];
  /** Rods that stay in the locker, with how often they would do better. */
  readonly locker: readonly Omit<ToldRod, 'short' | 'spareLine'>[];
  readonly unready: readonly string[];
  readonly aboard: readonly ToldPiece[];
  readonly ashore: readonly ToldPiece[];
  readonly toBuy: readonly ToBuy[];
  /** What the lures aboard bring beside all that is owned, 0 to 1. */
  readonly brings: number;
  readonly lacks: readonly ToldLacking[];
}

/** So that the worker hears of a newer question while it works. */
const breathe = () => new Promise((resolve) => setTimeout(resolve));

/** The day that was asked for last, and its answer on the way: null once another day is asked for. */
let last: { readonly of: string; readonly found: Promise<MorningsOfDay | null> } | null = null;
/** Who wants to hear how far it has come. */
let listeners: ((share: number) => void)[] = [];

async function work({ conditions, doubts, pairs, units }: MorningsQuestion, of: string): Promise<MorningsOfDay | null> {
  const steps = morningsInSteps(conditions, { ...doubts, errors: forecastErrorsOf(pairs) }, { units });
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    for (const tell of listeners) tell(step.value);
    await breathe();
    if (last?.of !== of) return null;
  }
}

/** All mornings of a day, worked out once for all who ask; null once another day was asked for meanwhile. */
function mornings(question: MorningsQuestion, onProgress?: (share: number) => void): Promise<MorningsOfDay | null> {
  const of = JSON.stringify(question);
  if (last?.of !== of) {
    listeners = [];
    // Begun a breath later: what it works for stands by then.
    last = { of, found: breathe().then(() => (last?.of === of ? work(question, of) : null)) };
  }
  if (onProgress) listeners.push(onProgress);
  return last.found;
}

const spreadOf = (values: readonly number[]): Spread => {
  const ascending = [...values].sort((a, b) => a - b);
  const at = (share: number) => ascending[Math.min(ascending.length - 1, Math.floor(share * ascending.length))] ?? 0;
  return [at(0.1), at(0.5), at(0.9)];
};

const lackingOf = ({ category, wanted, times, presentation }: Lacking): ToldLacking => {
  const { size, colour, rig } = presentation;
  const { tone, families } = colour;
  const { testLb: lineLb, material: lineMaterial } = rig.line;
  return { category, wanted, times, lengthMm: [...size.lengthMm], tone, families: [...families], lineLb, lineMaterial };
};

/** Mornings of each of many days: enough to tell what is wanted over all of them. */
const OF_EACH = 12;
/** Mornings of each of the days that follow: they count as much as the day itself, which has more. */
const OF_FOLLOWING = 64;

const pieceOf = (packed: Parameters<typeof whyPacked>[0]): ToldPiece => {
  const { id, name, box, slot } = packed.lure;
  const beside = packed.needs.flatMap(({ item }) => (item ? [item.name] : []));
  return { id, name, where: [box, slot].filter(Boolean).join(', '), why: whyPacked(packed), with: beside };
};

const wantedOf = ({ conditions, doubts, pairs, units }: MorningsQuestion, count: number): Wanted =>
  morningsOf(conditions, { ...doubts, errors: forecastErrorsOf(pairs) }, { units, count }).wanted;

const rodOf = ({
  combo,
  lure,
  ...told
}: { combo: Combo; lure: { name: string } } & Parameters<typeof whyOnDeck>[0]) => ({
  id: combo.rod.id,
  name: combo.rod.name,
  lure: lure.name,
  why: whyOnDeck(told),
});

/** How often it was asked what the box lacks over many days: an older question is given up. */
let lacksAsked = 0;

/** The mornings of a day, beside the page so that they never hold it up. */
export const morningsApi = {
  ...drillApi,

  /** @returns null where another day was asked for meanwhile */
  async of(question: MorningsQuestion, onProgress?: (share: number) => void): Promise<ToldMornings | null> {
    const found = await mornings(question, onProgress);
    if (!found) return null;
    const { day, sureness, card } = found;
    const spread = (pick: (change: MorningsOfDay['planned']['change']) => number) =>
      spreadOf(found.mornings.map(({ change }) => pick(change)));
    return {
      sureness,
      card: card && tellCard(day, card, question.units),
      surfaceTempC: spread(({ surfaceTempC }) => surfaceTempC),
      visibilityM: spread(({ visibilityM }) => visibilityM),
      windMps: spread(({ windMps }) => windMps),
    };
  },

  /** What of what is owned goes along, and what is lacking; null where another day was asked for meanwhile. */
  async pack(
    question: MorningsQuestion,
    owned: readonly TackleItem[],
    { lures, rods, daysAfter }: PackingWish,
  ): Promise<ToldPacking | null> {
    const found = await mornings(question);
    if (!found) return null;
    const { units } = question;
    const days = [found.wanted];
    for (const after of daysAfter) {
      await breathe();
      days.push(wantedOf(after, OF_FOLLOWING));
    }
    const wanted = days.length > 1 ? wantedTogether(days) : found.wanted;
    const { aboard, ashore, toBuy, brings } = packFor(wanted, owned, { most: lures, units });
    const deck = deckFor(wanted, owned, { most: rods, units });
    return {
      days: days.length,
      rods: deck.rods.map((rod) => ({ ...rodOf(rod), short: rod.short, spareLine: rod.spareLine?.name ?? null })),
      locker: deck.locker.map(rodOf),
      unready: deck.unready.map(({ rod, why }) => `${rod.name}: ${why}`),
      aboard: aboard.map(pieceOf),
      ashore: ashore.map(pieceOf),
      toBuy,
      brings,
      lacks: boxLacks(wanted, owned, units).map(lackingOf),
    };
  },

  /** What the box lacks over many days; nothing where it was given up meanwhile. */
  async lacksAhead(
    days: readonly MorningsQuestion[],
    owned: readonly TackleItem[],
    onProgress?: (share: number) => void,
  ): Promise<ToldLacking[]> {
    const run = ++lacksAsked;
    const wanted: Wanted[] = [];
    for (const day of days) {
      onProgress?.(wanted.length / days.length);
      await breathe();
      if (run !== lacksAsked) return [];
      wanted.push(wantedOf(day, OF_EACH));
    }
    return boxLacks(wantedTogether(wanted), owned, days[0]?.units ?? 'us').map(lackingOf);
  },

  /** Nobody waits for what the box lacks any more. */
  leaveLacks(): void {
    lacksAsked++;
  },
};
export type MorningsApi = typeof morningsApi;
