export {
  type RecordedSetup,
  type Review,
  type ReviewedSetup,
  reviewShoot,
  type Strayed,
  type Suggestion,
} from './review';
export {
  LEAST_SETUPS,
  SCENE_KINDS,
  type SceneKind,
  sceneKindOf,
  TASTE_FIGURES,
  tasteDrift,
  type TasteFigure,
  tasteFigures,
  type TasteMonth,
  type TasteSample,
  type TasteSpread,
  type UsualLook,
  usualLooks,
} from './taste';
