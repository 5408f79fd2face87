export * from './marks';
export { type LayerSource, PICTURE, type PictureOf, pictureOf } from './pictureOf';
export { type Showing, greyCardValue, strengthsOf, weightsOf } from './weights';
