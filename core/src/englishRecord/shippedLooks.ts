import type { ShippedLookId } from '../looks';
import type { ShippedLookWords } from '../words';

/** Looks that ship: what each is for, and what it costs. */
export const SHIPPED_LOOK_WORDS: Record<ShippedLookId, ShippedLookWords> = {
  'quiet-lift': {
    name: 'Quiet lift',
    because: 'Flash that nobody notices: a quarter of the light, the place stays as it is.',
    price: 'Little control over contrast; a cloud shows at once.',
  },
  'even-hand': {
    name: 'Even hand',
    because: 'Flash and ambient as strong as each other, a stop of each: forgiving while light changes.',
    price: 'Two sources of the same strength: mind crossed shadows.',
  },
  'evening-made': {
    name: 'Evening made',
    because: 'The background a stop and a half down, the face lit by flash alone: dusk before it comes.',
    price: 'Takes power, and filters or high-speed sync in the sun.',
  },
  'closed-room': {
    name: 'Closed room',
    because: 'The ambient shut out: nothing but your light, always the same.',
    price: 'The place is gone; small apertures, much power.',
  },
  'sun-behind': {
    name: 'Sun behind',
    because: 'The sun as rim, a soft key from the other side lifts the face.',
    price: 'Flare in the lens, and the key must hold against the sky.',
  },
  wrapped: {
    name: 'Wrapped',
    because: 'A large key from the side where the ambient comes from: one direction, soft all round.',
    price: 'A large modifier near by: wind, and little depth of light.',
  },
  'deep-side': {
    name: 'Deep side',
    because: 'A key from far aside without fill: half of the face stays dark.',
    price: 'Nothing is left in the dark half; spectacles and deep eyes suffer.',
  },
  'two-and-rim': {
    name: 'Two and a rim',
    because: 'Key, fill a stop and a half under it, an edge of light at the hair: as portraits are usually built.',
    price: 'Three lights to carry, set and watch.',
  },
  'warm-at-dusk': {
    name: 'Warm at dusk',
    because: 'A gelled key and a balance for it: skin stays skin, the sky turns deep blue.',
    price: 'The gel takes about half a stop; no more than half an hour of such sky.',
  },
};
