export { type ToneMark, toneMarks } from './marks';
export { type Caster, type LayerSource, type PictureOf, pictureOf } from './pictureOf';
export { type Showing, weightsOf } from './weights';
