// The rooms of the house and who may import whom: read by the lint rules and by the drawing of the architecture.

/** Rooms of the core from the ground up, each with its purpose. A room imports those above it in this list only. */
export const CORE_ROOMS = [
  ['photometry', 'stops, exposure arithmetic, hold-back, receptors, step sizes'],
  ['scene', 'places, directions, flat things, spectacles'],
  ['modifiers', 'the law of each modifier'],
  ['colour', 'mired, gels, colour of light'],
  ['sky', 'sun position and times'],
  ['calibration', 'what readings have taught of the kit, as it is kept'],
  ['estimate', 'what the light is, given everything that was read'],
  ['renderer', 'scene and source in, layers out'],
  ['notation', 'how devices print figures and people type them'],
  ['flash', 'units, guide numbers, power steps'],
  ['frames', 'reading test frames'],
  ['gear', 'schemas of what is owned; the kit'],
  ['setup', 'schemas of one picture: what is decided and recorded'],
  ['record', 'looks and notes: what is kept beside setups'],
  ['documents', 'shoot, spot, frame, change; migrations, merge, sync'],
  ['formats', 'setup files'],
  ['exchange', 'backups, places, calendars and light distributions as files'],
  ['sample', 'the sample shoot'],
  ['gain', 'what each source gives at each place'],
  ['exposure', 'intent, limits, camera settings'],
  ['metering', 'readings to an estimate of the light, its doubts'],
  ['lights', 'gear of a light, reach, powers, what readings teach'],
  ['balance', 'the numbers of a setup, point by point'],
  ['panels', 'what reflectors and openings do, and where to hold them'],
  ['stage', 'lights as they stand, cautions, placements'],
  ['advice', 'trouble, ways out, cures, the next action'],
  ['explain', 'why, which dial, ripple, equal looks'],
  ['forecast', 'the light at minutes to come, and what follows it'],
  ['solution', 'the whole answer, in two breaths'],
  ['looks', 'a picture as relations: kept, taken elsewhere, compared'],
  ['plan', 'the day: sun at a spot, windows, what fits, what to leave out'],
  ['review', 'how a shoot went, and what is usual for its photographer'],
  ['picture', 'a setup as the scene of the renderer'],
  ['words', 'what can be said, as an interface'],
  ['englishRecord', 'how sheets, review and taste read in English'],
  ['english', 'how it is said in English'],
  ['sheets', 'a setup on a page: for who builds it, shoots along, edits, or is photographed'],
  ['devices', 'protocol of meters, cameras, radios'],
];

/** Rooms that may hold sentences, and why. */
export const SPEAKING_ROOMS = {
  words: 'the pseudo-language',
  english: 'the sentences themselves',
  englishRecord: 'what stands on sheets, and what a review says',
  formats: 'refuses a file with what its format calls things',
  notation: 'reads figures as they are spoken',
  sample: 'names that a person would have typed',
};

/** Folders of the client from the ground up: purpose, and which others they may import; every one may import core. */
export const CLIENT_FOLDERS = [
  ['language', 'the language of the page, catalogues of texts', []],
  ['ui', 'parts without a store', ['language']],
  ['gallery', 'every part of ui on one page; not shipped', ['ui', 'language']],
  ['workers', 'beside the page', []],
  ['store', 'slices, selectors of documents, actions', ['workers', 'store/sync']],
  ['store/sync', 'keeper, exchange, storage, server', ['store']],
  ['shell', 'notices, sync note, later screens', ['ui', 'store', 'language']],
  ['setupView', 'the setup on screen with its solution', ['ui', 'store', 'shell', 'language', 'workers']],
  ['features', 'one part of the work each', ['setupView', 'shell', 'ui', 'store', 'workers', 'language']],
  ['pieces', 'what is loaded later, as one', ['features', 'setupView', 'shell', 'ui', 'store', 'language']],
  ['app', 'routes', ['pieces', 'features', 'setupView', 'shell', 'ui', 'store', 'language']],
];

/** Features that import other features, and what for. */
export const FEATURES_WITHIN = {
  // the screen of a setup is made of its parts
  setup: ['metering', 'look', 'camera', 'lights', 'check', 'stage', 'picture', 'variants', 'log'],
  // what was metered goes on
  metering: ['ahead'],
  // the stage lies under the picture, and another place on it is a variant
  stage: ['picture', 'variants'],
  // variants are compared by their pictures
  variants: ['picture'],
  // frames are asked for by number where everything else is
  log: ['variants', 'roll'],
  // an evening's setups are seen by their pictures
  shoots: ['picture'],
  // ways out and cures stand where the trouble is seen
  camera: ['ahead'],
  lights: ['camera'],
  look: ['camera', 'looks', 'variants', 'review'],
  // one's own taste is shown and erased with the preferences
  account: ['review'],
  // batteries follow from the plan
  packing: ['plan'],
  // a look is shown by its picture
  looks: ['picture'],
};
