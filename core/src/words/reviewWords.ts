import type { SceneKind, Suggestion, TasteFigure } from '../review';

/** What a suggestion is about, as it is called. */
export interface SuggestionNames {
  setup: string;
  /** a light or a thing of the kit; empty where it is about neither */
  thing: string;
  /** a way out in words; empty where it is about none */
  way: string;
}

/** What a review and one's own taste say. */
export interface ReviewWords {
  scene: (scene: SceneKind | 'any') => string;
  tasteFigure: (figure: TasteFigure) => string;
  /** a figure of taste: stops, a share or a feel */
  tasteValue: (figure: TasteFigure, value: number) => string;
  /** what to do, and what it is told from */
  suggestion: (suggestion: Suggestion, names: SuggestionNames) => { title: string; evidence: string };
  /** what a thing gives against its plate */
  strayed: (name: string, stops: number, sdStops: number, readings: number) => string;
}
